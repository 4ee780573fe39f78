import {
  APPROACHES,
  type Approach,
  changesBetween,
  gateFor,
  type JudgedRung,
  type Judgement,
  LEVELS,
  type Level,
  LIBRARY,
  minutesOf,
  mirrorRung,
  type RungDocument,
  rungAtLevel,
  wholly,
  widthFor,
} from '@good-arc/core';
import { Redo2, Star, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { Kit, RungRow, Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { machineOf, venueOf } from '../../ui/judge.ts';
import { courtsideLink } from '../../ui/links.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { attempt } from '../../ui/undo.ts';
import { APPROACH_NAMES, APPROACH_WORDS } from '../../words/progress.ts';
import { duplicateLadder } from './duplicate.ts';
import type { RecentRate } from './rates.ts';
import { useFavourites } from './useFavourites.ts';
import type { LadderState } from './useLadder.ts';

interface Props {
  state: LadderState;
  viewer: Viewer;
  kit: Kit;
  judgements: Judgement[];
  rates: RecentRate[];
  playerId: string;
  onPlayer: (id: string) => void;
  players: number;
  onPlayers: (players: number) => void;
  gaps: number;
  onEven: () => void;
}

/** What a ladder is and what it takes: name, approach, level, sums, and what can be done with all of it. */
export function LadderHead({ state, viewer, kit, judgements, rates, playerId, onPlayer, players, onPlayers, gaps, onEven }: Props) {
  const { ladder, put, putRungs } = state;
  const { rungs, sport, level, approach, origin } = ladder;
  const units = useUnits();
  const favourites = useFavourites(viewer);
  const readOnly = !viewer.canPlan;
  const minutes = rungs.reduce((sum, { document }) => sum + minutesOf(document), 0);
  const known = judgements.flatMap((each) => wholly(each) ?? []);
  const sum = (of: (one: JudgedRung) => number): number => known.reduce((total, one) => total + of(one), 0);
  const balls = rungs.reduce((total, { document }) => total + document.rounds * document.ballsPerRound, 0);
  const first = rungs[0] && machineOf(kit, rungs[0].document);
  const hoppers = first ? Math.ceil(balls / first.profile.hopper) : 0;
  const stops = sum(({ pickUps }) => pickUps);
  const rate = rates.find((each) => each.playerId === playerId);
  const drill = origin && LIBRARY.find(({ id }) => id === origin.drillId);
  const own = origin ? differences(rungs, origin.rungs) : [];

  function setLevel(next: Level): void {
    put({
      level: next,
      rungs: rungs.map((rung) => {
        const venue = venueOf(kit, sport, rung.document);
        return venue ? { ...rung, document: rungAtLevel(rung.document, next, venue) } : rung;
      }),
    });
  }

  /** Another approach has gates of its own. */
  function setApproach(next: Approach): void {
    put({
      approach: next,
      rungs: rungs.map((rung) => {
        return { ...rung, document: { ...rung.document, gate: gateFor(next, rung.document.ballsPerRound) } };
      }),
    });
  }

  return (
    <div>
      <a href="/ladders" className="no-print text-sm font-medium text-quiet hover:underline">
        All ladders
      </a>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <LadderName name={ladder.name} readOnly={readOnly} onRename={(name) => put({ name })} />
        <div className="no-print ml-auto flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="btn btn-ghost btn-square min-h-11"
            aria-pressed={favourites.has(ladder.id)}
            aria-label="Favourite"
            title="Favourite"
            onClick={() => favourites.toggle(ladder.id)}
          >
            <Star size={20} aria-hidden fill={favourites.has(ladder.id) ? 'currentColor' : 'none'} />
          </button>
          {!readOnly && (
            <>
              <button
                type="button"
                className="btn btn-ghost btn-square min-h-11"
                aria-label="Undo"
                title="Undo (Ctrl Z)"
                disabled={!state.canUndo}
                onClick={state.undo}
              >
                <Undo2 size={20} aria-hidden />
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-square min-h-11"
                aria-label="Redo"
                title="Redo (Ctrl Shift Z)"
                disabled={!state.canRedo}
                onClick={state.redo}
              >
                <Redo2 size={20} aria-hidden />
              </button>
            </>
          )}
          {rungs[0] && (
            <>
              <a className="btn btn-outline min-h-11" href={`/plan?ladder=${ladder.id}`}>
                Plan it
              </a>
              <a className="btn btn-outline min-h-11" href={`/card?ladder=${ladder.id}`}>
                Setup card
              </a>
              <button type="button" className="btn btn-outline min-h-11" onClick={() => window.print()}>
                Print
              </button>
            </>
          )}
          {rungs[0] && (
            <a className="btn btn-primary min-h-12 px-5 text-base" href={courtsideLink(rungs[0].id, playerId)}>
              Take it on court
            </a>
          )}
        </div>
      </div>
      <p className="mt-1 text-quiet" data-testid="sums">
        {sport} · {level} · {rungs.length} {rungs.length === 1 ? 'rung' : 'rungs'} · {Math.round(minutes)} min, rests included · {balls}{' '}
        balls, {hoppers === 1 ? 'one hopper' : `${hoppers} hoppers`} · {Math.ceil(sum(({ swingsEach }) => swingsEach) / players)} swings{' '}
        {players > 1 ? 'each' : ''} · {stops === 0 ? 'no stop' : stops === 1 ? 'one stop to pick up' : `${stops} stops to pick up`}
        {state.state === 'saving' && <span className="no-print"> · saving …</span>}
      </p>
      {state.state === 'failed' && (
        <p role="alert" className="no-print mt-1 flex flex-wrap items-center gap-3 border-l-4 border-error bg-base-200 p-2">
          Not saved yet; what you changed is kept in this page.
          <button type="button" className="btn btn-outline min-h-11" onClick={state.again}>
            Save again
          </button>
        </p>
      )}
      {drill && (
        <p className="mt-1 text-sm">
          From the library:{' '}
          <a className="font-semibold underline" href={`/ladders/library?drill=${drill.id}`}>
            {drill.name}
          </a>
          , {own.length === 0 ? 'as it came.' : own.length === 1 ? 'one rung is your own: ' : `${own.length} rungs are your own: `}
          {own.length > 0 && `${own.join('; ')}.`}
        </p>
      )}
      <div className="no-print mt-2 flex flex-wrap items-end gap-3">
        <fieldset className="flex flex-wrap gap-2" disabled={readOnly}>
          <legend className="mb-0.5 text-sm font-medium text-quiet">Approach</legend>
          {APPROACHES.map((each) => (
            <button
              key={each}
              type="button"
              className={`btn min-h-11 ${each === approach ? 'btn-primary' : 'btn-outline'}`}
              aria-pressed={each === approach}
              onClick={() => each !== approach && setApproach(each)}
            >
              {APPROACH_NAMES[each]}
            </button>
          ))}
        </fieldset>
        <Select className="w-36" label="Level" value={level} onChange={setLevel} options={LEVELS.map((each) => [each, each] as const)} />
        {rates.length > 0 && (
          <Select
            className="w-52"
            label="Recent rate of"
            value={playerId}
            onChange={onPlayer}
            options={rates.map((each) => [each.playerId, each.name] as const)}
          />
        )}
        <QuantityField
          className="w-24"
          label="Share by"
          dimension="count"
          min={1}
          max={12}
          step={1}
          value={players}
          onChange={(next) => onPlayers(Math.round(next))}
        />
        {gaps > 0 && !readOnly && (
          <button type="button" className="btn btn-outline min-h-11 border-error text-error" onClick={onEven}>
            Even out {gaps === 1 ? 'the gap' : `all ${gaps} gaps`}
          </button>
        )}
        <More>
          {!readOnly && (
            <button
              type="button"
              className="btn btn-ghost min-h-11 justify-start"
              onClick={() => putRungs(rungs.map((rung) => ({ ...rung, document: mirrorRung(rung.document) })))}
            >
              Mirror all: for the other hand
            </button>
          )}
          <button
            type="button"
            className="btn btn-ghost min-h-11 justify-start"
            onClick={() => attempt(async () => location.assign(`/ladders/${await duplicateLadder(ladder)}`))}
          >
            Duplicate
          </button>
          {rungs[0] && (
            <a className="btn btn-ghost min-h-11 justify-start" href={`/card?ladder=${ladder.id}#files`}>
              As a file or a message
            </a>
          )}
          {!readOnly && (
            <button
              type="button"
              className="btn btn-ghost min-h-11 justify-start"
              onClick={async () => {
                if (await attempt(() => api('DELETE', `ladders/${ladder.id}`))) location.assign(`/ladders?deleted=${ladder.id}`);
              }}
            >
              Delete
            </button>
          )}
        </More>
      </div>
      <p className="mt-2 border-b border-base-content pb-3 text-quiet">
        {APPROACH_WORDS[approach]}
        {rate &&
          rate.balls > 0 &&
          ` ${rate.name} hit ${rate.hits} of the last ${rate.balls} here${advice(rate, rungs.at(-1)?.document.targetSize.widthM, units.length)}.`}
      </p>
    </div>
  );
}

/** What of a copy differs from the rungs as they came, rung by rung. */
function differences(rungs: readonly RungRow[], came: readonly RungDocument[]): string[] {
  const own = rungs.flatMap(({ document }, i) => {
    const before = came[i];
    if (before && JSON.stringify(document) === JSON.stringify(before)) return [];
    const changes = before ? changesBetween(before, document) : ['added'];
    return [`${document.name} (${changes.length > 0 ? changes.join(', ') : 'words, balls or gate'})`];
  });
  return came.length > rungs.length ? [...own, `${came.length - rungs.length} left out`] : own;
}

/** The width that this rate asks for, to hit one in two. */
function advice({ hits, balls }: RecentRate, widthM: number | undefined, length: (m: number) => string): string {
  return widthM === undefined
    ? ''
    : `; for one in two a gate of ${length(widthM)} would have to be ${length(widthFor(widthM, hits, balls, 0.5).widthM)}`;
}

/** What is needed seldom, behind one button. */
function More({ children }: { children: React.ReactNode }) {
  return (
    <details className="relative">
      <summary className="btn btn-ghost min-h-11 list-none">More</summary>
      <div className="absolute right-0 z-20 mt-1 flex w-64 flex-col border border-base-content bg-base-100 p-1 shadow-lg">{children}</div>
    </details>
  );
}

/** The ladder's name as a title that can be typed over; Escape leaves it as it was. */
function LadderName({ name, readOnly, onRename }: { name: string; readOnly: boolean; onRename: (name: string) => void }) {
  const [text, setText] = useState<string | null>(null);
  const commit = (): void => {
    const tidy = (text ?? '').trim().slice(0, 120);
    if (tidy !== '' && tidy !== name) onRename(tidy);
    setText(null);
  };
  return (
    <h1 className="min-w-0 grow basis-72 text-3xl">
      <textarea
        aria-label="Name of the ladder"
        rows={1}
        maxLength={120}
        readOnly={readOnly}
        className="block w-full resize-none border-b-2 border-transparent bg-transparent py-1 [field-sizing:content] hover:border-base-300 focus:border-base-content"
        value={text ?? name}
        onChange={(event) => setText(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault();
            event.currentTarget.blur();
          }
          if (event.key === 'Escape') setText(null);
        }}
      />
    </h1>
  );
}
