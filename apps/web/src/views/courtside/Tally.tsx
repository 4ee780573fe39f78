import { type Outcome, type RungDocument, type Sport, scoreRound } from '@good-arc/core';
import { OUTCOME_LOOK } from '../../ui/outcomeLook.ts';
import { useUnits } from '../../ui/Units.tsx';
import { outcomeNames } from '../../words/outcomes.ts';
import { sayCount } from '../../words/progress.ts';
import { type RunBall, resultsOf } from './run.ts';
import type { OnCourt } from './useOnCourt.ts';

/** Besides its look: what is no attempt has a sign, the others the first letter of their word. */
const SIGN: Partial<Record<Outcome, string>> = { 'let-go': '–', 'not-fed': 'x', 'not-judged': '·' };

/** Hits of the balls judged so far. */
export function Score({
  document,
  balls,
  names,
  turns,
}: {
  document: RungDocument;
  balls: readonly RunBall[];
  names: readonly string[];
  /** Who hits each ball, from 0. */
  turns: readonly number[];
}) {
  return (names.length > 1 ? names : ['']).map((name, i) => {
    const own = name === '' ? balls : balls.filter(({ seq }) => turns[seq - 1] === i);
    const { hits, balls: judged } = scoreRound(document, resultsOf(own));
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: the place in the turns is its identity
      <p key={i} className="font-title text-3xl font-bold whitespace-nowrap md:text-4xl" data-testid="tally">
        {name && <span className="mr-2 text-lg">{name.split(' ')[0]}</span>}
        {hits} <span className="text-xl">of {judged}</span>
      </p>
    );
  });
}

/** What the balls of this round came to, with how much that says. */
export function Tally({
  document,
  sport,
  balls,
  names,
  turns,
}: {
  document: RungDocument;
  sport: Sport;
  balls: readonly RunBall[];
  /** Of those who hit in turn, and who hits each ball. */
  names: readonly string[];
  turns: readonly number[];
}) {
  const words = outcomeNames(sport, document);
  const units = useUnits();
  const { hits, balls: judged } = scoreRound(document, resultsOf(balls));
  const latest = balls.filter(({ fed, speedMps }) => fed && speedMps !== null).at(-1);
  return (
    <section aria-label="Tally">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="hidden md:block">
          <Score document={document} balls={balls} names={names} turns={turns} />
        </div>
        <ol className="flex flex-wrap gap-1.5" aria-label="Balls">
          {Array.from({ length: document.ballsPerRound }, (_, i) => {
            const ball = balls.find(({ seq }) => seq === i + 1);
            const outcome = ball?.outcome;
            return (
              <li
                // biome-ignore lint/suspicious/noArrayIndexKey: the number of the ball is its identity
                key={i}
                className={`flex h-8 w-8 items-center justify-center rounded-full text-sm font-bold ${outcome ? OUTCOME_LOOK[outcome] : ball ? 'border-2 border-ball' : 'border-2 border-dashed border-base-300'}`}
              >
                <span aria-hidden="true">{outcome ? (SIGN[outcome] ?? words[outcome][0]) : ball ? '?' : ''}</span>
                <span className="sr-only">
                  ball {i + 1}: {outcome ? words[outcome].toLowerCase() : ball ? 'thrown, not judged' : 'to come'}
                </span>
              </li>
            );
          })}
        </ol>
      </div>
      <p className="mt-1 text-quiet">
        {judged === 0 ? 'No ball counted yet.' : sayCount(hits, judged)}
        {latest &&
          !document.secret &&
          ` · ball ${latest.seq} left at ${units.speed(latest.speedMps!, 1)}${latest.radarMps ? `, radar ${units.speed(latest.radarMps, 1)}` : ''}`}
      </p>
    </section>
  );
}

/** The same of the round on court. */
export const RoundTally = ({ onCourt: { document, balls, names, turns }, sport }: { onCourt: OnCourt; sport: Sport }) => (
  <Tally {...{ document, sport, balls, names, turns }} />
);
