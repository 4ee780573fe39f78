import { feedsOf, type NextStep, type Outcome, type PlayerId, type SpoiledBalls, type Sport, scoreRound, targetsOf } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { CorrectionRow, RoundRow, Viewer } from '../../api/rows.ts';
import type { CorrectionBody } from '../../api/schemas.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { Moment, useOwnClock } from '../../ui/Moment.tsx';
import { RateBar } from '../../ui/RateBar.tsx';
import { targetPlan } from '../../ui/sayTarget.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { printMoment } from '../../ui/when.ts';
import { sayCorrection } from '../../words/logbook.ts';
import { outcomeNames } from '../../words/outcomes.ts';
import { sayStep } from '../../words/progress.ts';
import { sayFeed } from '../../words/secret.ts';
import { saySpoiled, sayWithin } from '../../words/spoiled.ts';
import { BallLane } from './BallLane.tsx';
import { OnItsWay } from './OnItsWay.tsx';
import { RoundFacts } from './RoundFacts.tsx';
import { RoundHead } from './RoundHead.tsx';

interface Props {
  round: RoundRow;
  sport: Sport;
  players: { id: string; name: string }[];
  corrections: CorrectionRow[];
  /** Where its dials stand for this ball; empty where nothing is tuned. */
  dials: string;
  /** Null when the ladder is gone. */
  ladderId: string | null;
  /** The verdict on all rounds of this player on this rung. */
  step: NextStep | null;
}

/** One round: every ball, what it was run with, and whatever has to be put right. */
export default function RoundPage({ viewer, ...props }: Props & { viewer: Viewer }) {
  return (
    <Units system={viewer.units}>
      <RoundView personName={viewer.personName} {...props} />
    </Units>
  );
}

function RoundView({ round: kept, sport, players, corrections, dials, ladderId, step, personName }: Props & { personName: string }) {
  const [round, setRound] = useState(kept);
  const [history, setHistory] = useState(corrections);
  const hasClock = useOwnClock();
  const { card, results } = round;
  const names = outcomeNames(sport, card);
  const { hits, balls } = scoreRound(card, results);

  /** Sends it, then shows it. @returns whether it was taken */
  async function correct(
    body: CorrectionBody,
    after: Partial<RoundRow>,
    done: Omit<CorrectionRow, 'id' | 'at' | 'personName'>[],
  ): Promise<boolean> {
    if (!(await attempt(() => api('PATCH', `rounds/${round.id}`, body)))) return false;
    setRound((now) => ({ ...now, ...after }));
    const at = new Date().toISOString();
    setHistory((now) => [
      ...done.filter(({ was, became }) => was !== became).map((each) => ({ ...each, id: uuidv7(), at, personName })),
      ...now,
    ]);
    return true;
  }

  /** Null for a ball that was never thrown. */
  async function judge(seq: number, outcome: Outcome | null): Promise<void> {
    const before = results.find((each) => each.seq === seq);
    if ((before?.outcome ?? null) === outcome) return;
    const ball = { id: uuidv7() as never, seq, outcome };
    const line = { what: 'ball', seq, was: before?.outcome ?? '', became: outcome ?? '' } as const;
    const others = results.filter((each) => each.seq !== seq);
    const unknown = { feedId: null, speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null, landing: null, target: null };
    const next = outcome === null ? others : [...others, { ...(before ?? { ...unknown, seq }), id: ball.id, outcome }];
    next.sort((a, b) => a.seq - b.seq);
    if (!(await correct({ balls: [ball] }, { results: next }, [line]))) return;
    saidWithUndo(`Ball ${seq}: ${outcome ? names[outcome].toLowerCase() : 'never thrown'}.`, async () => {
      const back = { id: uuidv7() as never, seq, outcome: before?.outcome ?? null };
      await correct({ balls: [back] }, { results: before ? [...others, before].sort((a, b) => a.seq - b.seq) : others }, [
        { ...line, was: line.became, became: line.was },
      ]);
    });
  }

  async function remove(): Promise<void> {
    if (!(await attempt(() => api('DELETE', `rounds/${round.id}`)))) return;
    saidWithUndo('The round was deleted.', () => api('POST', `rounds/${round.id}/restore`, {}));
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6">
      <a href={`/logbook?player=${round.playerId}`} className="no-print text-sm font-medium text-quiet hover:underline">
        Logbook
      </a>
      <OnItsWay roundId={round.id} />
      <div className="mt-1 flex flex-wrap items-start gap-x-8 gap-y-3">
        <div className="min-w-0 grow basis-72">
          <h1 className="text-3xl break-words">
            {round.playerName}, {card.name}
          </h1>
          <p className="mt-1">
            <Moment iso={round.startedAt} /> ·{' '}
            {ladderId ? (
              <a className="font-semibold underline" href={`/ladders/${ladderId}`}>
                {round.ladderName}
              </a>
            ) : (
              round.ladderName
            )}
            {!round.finishedAt && <b className="text-ball-text"> · not finished</b>}
          </p>
          <p className="mt-2 text-lg">
            <RateBar hits={hits} balls={balls} />
          </p>
          {step && (
            <p className="mt-1 max-w-2xl">
              <b className="inline-block first-letter:uppercase">{step.verdict}.</b> {sayStep(step)}
            </p>
          )}
        </div>
        <ArcThumb document={card} sport={sport} width={300} height={96} />
        <div className="no-print flex flex-wrap gap-2">
          <Button look="primary" size="l" href={courtsideLink(round.rungId, round.playerId as PlayerId)}>
            Same again
          </Button>
          <Button size="l" onClick={() => window.print()}>
            Print
          </Button>
          <Button look="ghost" size="l" onClick={remove}>
            Delete
          </Button>
        </div>
      </div>
      <BallLane card={card} results={results} names={names} feedOf={feedsOf(card)} onJudge={judge} />
      <div className="mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <section aria-label="What it was run with">
          <h2 className="text-xl">What it was run with</h2>
          <div className="mt-2">
            <RoundFacts round={round} dials={dials} />
          </div>
          <OwnSpread roundId={round.id} sport={sport} />
          <Landings round={round} sport={sport} />
          <Measured round={round} />
        </section>
        {hasClock && <RoundHead round={round} players={players} onCorrect={correct} />}
      </div>
      {hasClock && history.length > 0 && (
        <section className="mt-6" aria-label="Put right">
          <h2 className="text-xl">Put right</h2>
          <ul className="mt-1">
            {history.map((line) => (
              <li key={line.id} className="border-b border-base-300 py-1.5 break-words">
                {sayCorrection(line, (what, value) =>
                  what === 'moment'
                    ? printMoment(value)
                    : what === 'ball'
                      ? (names[value as Outcome] ?? value).toLowerCase()
                      : `“${value}”`,
                )}{' '}
                <span className="text-quiet">
                  {line.personName}, {printMoment(line.at)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** What the machine’s own spread took of a round: asked for once the page stands, since its balls are thrown many times for it. */
function OwnSpread({ roundId, sport }: { roundId: string; sport: Sport }) {
  const units = useUnits();
  const [spoiled, setSpoiled] = useState<SpoiledBalls | null>(null);
  useEffect(() => {
    // without a server the page says what it knows
    api<SpoiledBalls | null>('GET', `rounds/${roundId}/spoiled`).then(setSpoiled, () => {});
  }, [roundId]);
  return spoiled ? (
    <p className="mt-3 max-w-2xl">
      {saySpoiled(spoiled, sport)} {sayWithin(spoiled, units)}
    </p>
  ) : null;
}

/** Where the balls came down, of those that were tapped. */
function Landings({ round: { card, results }, sport }: { round: RoundRow; sport: Sport }) {
  const marks = results.flatMap(({ id, seq, landing, outcome }) =>
    landing ? [{ id, ...landing, label: String(seq), leftOut: outcome !== 'in' }] : [],
  );
  if (marks.length === 0) return null;
  return (
    <section className="mt-4 max-w-2xl" aria-label="Where they came down">
      <h2 className="text-xl">Where they came down</h2>
      <LandingPlan
        plan={targetPlan(sport)}
        machine={card.feeds[0]!.launch}
        marks={marks}
        landed={null}
        zones={targetsOf(card).map(({ target }) => target)}
      />
    </section>
  );
}

/** What the machine and the radar gun said of each ball; nothing of a round by hand. */
function Measured({ round: { card, results } }: { round: RoundRow }) {
  const units = useUnits();
  const measured = results.filter(({ speedMps, radarMps }) => speedMps !== null || radarMps !== null);
  if (measured.length === 0) return null;
  const feedOf = feedsOf(card);
  return (
    <details className="mt-3">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">What the machine said of each ball</summary>
      <div className="overflow-x-auto">
        <table className="w-full max-w-xl text-left">
          <thead>
            <tr className="border-b border-base-content">
              <th className="py-1 pr-4">Ball</th>
              <th className="pr-4">Kind</th>
              <th className="pr-4">Left at</th>
              <th className="pr-4">Elevation</th>
              <th>Radar</th>
            </tr>
          </thead>
          <tbody>
            {measured.map((result) => (
              <tr key={result.id} className="border-b border-base-300">
                <td className="py-1 pr-4">{result.seq}</td>
                <td className="pr-4">{sayFeed(card, feedOf(result)) || '–'}</td>
                <td className="pr-4 whitespace-nowrap">{result.speedMps === null ? '–' : units.speed(result.speedMps, 1)}</td>
                <td className="pr-4">{result.elevationDeg === null ? '–' : `${result.elevationDeg.toFixed(1)}°`}</td>
                <td className="whitespace-nowrap">{result.radarMps === null ? '–' : units.speed(result.radarMps, 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
