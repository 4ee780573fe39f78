import type { Sport } from '@good-arc/core';
import { useEffect, useMemo, useState } from 'react';
import type { NextTurn, RanLast, Viewer } from '../../api/rows.ts';
import { ThumbDrawing } from '../../ui/ArcThumb.tsx';
import { Button } from '../../ui/Button.tsx';
import { courtsideLink, turnLink } from '../../ui/links.ts';
import { RateBar } from '../../ui/RateBar.tsx';
import { Select } from '../../ui/Select.tsx';
import type { Thumb } from '../../ui/thumb.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { AllRungs, type AnyRung, RungLinks } from './AllRungs.tsx';
import type { Run } from './run.ts';

interface Last extends Pick<RanLast, 'rungId' | 'playerId' | 'playerName' | 'courtName' | 'machineName' | 'hits' | 'balls'> {
  number: number;
  name: string;
  ladderName: string;
  sport: Sport;
  /** Of its first ball. */
  speedMps: number;
  thumb: Thumb;
}
interface Props {
  viewer: Viewer;
  /** Of today's plans. */
  turns: readonly NextTurn[];
  /** What was run last, newest first. */
  last: readonly Last[];
  rungs: readonly (AnyRung & { sport: Sport })[];
}

const MOST_FOUND = 12;

export default function Start(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <StartPage {...props} />
    </Units>
  );
}

/** Where one goes on: the round that is open, the next turn of today's plan, what was run last; and any rung by a word of it. */
function StartPage({ turns, last, rungs }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState<readonly Run[]>([]);
  const [sport, setSport] = useState('');
  const [words, setWords] = useState('');
  useEffect(() => {
    // what was left open is read after the page stands
    void import('./run.ts').then(({ openRuns }) => openRuns()).then(setOpen);
  }, []);
  const sports = [...new Set(rungs.map((each) => each.sport))];
  const shown = last.filter((each) => sport === '' || each.sport === sport);
  const found = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    if (wanted.length === 0) return [];
    return rungs.filter(
      (each) =>
        (sport === '' || each.sport === sport) && wanted.every((word) => `${each.name} ${each.ladderName}`.toLowerCase().includes(word)),
    );
  }, [words, sport, rungs]);
  return (
    <div className="px-4 pt-5 pb-12 md:px-6">
      <h1 className="text-3xl">Courtside</h1>
      {open.map((run) => (
        <First key={run.roundId} what="A round is open" href={courtsideLink(run.rungId, run.playerId)} go="Go on">
          {run.card.name} · {run.balls.length} of {run.card.ballsPerRound} balls
        </First>
      ))}
      {turns.map((turn) => (
        <First key={turn.planName + turn.rungId} what={`Next in “${turn.planName}”`} href={turnLink(turn)} go="Take the turn">
          {turn.players.map(({ name }) => name).join(', ')} · {turn.number} · {turn.rungName} · {turn.balls} balls
        </First>
      ))}
      {rungs.length === 0 ? (
        <p className="mt-2 text-lg">Nothing to run yet: set up a ball on the bench and add it to a ladder.</p>
      ) : (
        <div className="mt-4 flex flex-wrap items-end gap-3">
          {sports.length > 1 && (
            <Select
              label="Sport"
              value={sport}
              onChange={setSport}
              options={[['', 'all'] as const, ...sports.map((each) => [each, each] as const)]}
            />
          )}
          <label className="min-w-0 grow basis-56">
            <span className="mb-0.5 block text-sm font-medium text-quiet">Find a rung by a word of it or of its ladder</span>
            <input
              type="search"
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              value={words}
              onChange={({ target }) => setWords(target.value)}
            />
          </label>
        </div>
      )}
      {words.trim() !== '' && (
        <div className="mt-2">
          <RungLinks rungs={found.slice(0, MOST_FOUND)} label="Found" hasLadder />
          {found.length === 0 && <p className="py-3">No rung has these words. Another word, or all sports?</p>}
          {found.length > MOST_FOUND && <p className="py-3 text-quiet">{found.length - MOST_FOUND} more: another word narrows them.</p>}
        </div>
      )}
      {shown.length > 0 && words.trim() === '' && (
        <section className="mt-5" aria-labelledby="last">
          <h2 id="last" className="border-b border-base-content pb-1 text-xl">
            Run last
          </h2>
          <ul>
            {shown.map(
              ({ rungId, number, name, ladderName, thumb, speedMps, playerId, playerName, courtName, machineName, hits, balls }) => (
                <li
                  key={rungId}
                  className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-5 gap-y-2 border-b border-base-300 py-3 md:grid-cols-[10rem_minmax(0,1fr)_auto]"
                >
                  <ThumbDrawing thumb={thumb} />
                  <div className="order-last col-span-2 min-w-0 md:order-none md:col-span-1">
                    <h3 className="text-lg leading-tight break-words">{name}</h3>
                    <p className="text-sm text-quiet">
                      {number} of {ladderName} · {courtName} · {machineName}, {units.speed(speedMps)}
                    </p>
                    <RateBar hits={hits} balls={balls} />
                  </div>
                  <Button look="primary" size="l" className="px-6" href={courtsideLink(rungId, playerId)}>
                    {playerName.split(' ')[0]}, again
                  </Button>
                </li>
              ),
            )}
          </ul>
        </section>
      )}
      {words.trim() === '' && (
        <AllRungs
          rungs={rungs.filter((each) => sport === '' || each.sport === sport)}
          open={last.length + turns.length + open.length === 0}
        />
      )}
    </div>
  );
}

const First = ({ what, href, go, children }: { what: string; href: string; go: string; children: React.ReactNode }) => (
  <section className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2 border-2 border-base-content p-3">
    <div className="min-w-0 grow basis-60">
      <h2 className="text-xl">{what}</h2>
      <p className="break-words">{children}</p>
    </div>
    <Button look="secondary" size="xl" className="px-7" href={href}>
      {go}
    </Button>
  </section>
);
