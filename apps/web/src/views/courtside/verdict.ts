import {
  type Approach,
  gateOf,
  learntFrom,
  type NextStep,
  nextStep,
  type PlayerId,
  type RoundCount,
  type RungDocument,
  scoreForGate,
  scoreRound,
} from '@good-arc/core';
import { hitterAt, hittersOf, matchPointsWon, notesIn, type Run, resultsOf } from './run.ts';

/** A round as it was counted, and whose it was. */
export type Counted = RoundCount & { playerId: PlayerId };
/** As kept with the server; `same` while it was run off the rung as that is now. */
export type Past = Counted & { id: string; same: boolean };

/**
 * The same verdict as everywhere: of all rounds of the player on this card, the one that was just finished the newest.
 * @param visit rounds of this visit before it, newest first @param history those before the visit, null when they were run off another card
 */
export function verdictAfter(
  document: RungDocument,
  approach: Approach,
  { playerId, id, count }: { playerId: PlayerId; id: string; count: RoundCount },
  visit: readonly Counted[],
  history: readonly Past[] | null,
): NextStep {
  const isMine = (each: Counted): boolean => each.playerId === playerId;
  const kept = (history ?? []).filter((each) => isMine(each) && each.id !== id);
  const changed = kept.findIndex(({ same }) => !same);
  const before = changed < 0 ? kept : kept.slice(0, changed);
  const rounds = [count, ...visit.filter(isMine), ...before];
  const asked = { approach, need: gateOf(document), roundsAsked: document.rounds };
  return learntFrom(document, approach, count) ?? nextStep({ ...asked, rounds });
}

/** What a round came to for each of those who hit, with the verdict on it. @param before rounds of this visit, and of before it */
export function finishedRounds(
  run: Run,
  document: RungDocument,
  approach: Approach,
  { visit, history }: { visit: readonly Counted[]; history: readonly Past[] | null },
  nameOf: (playerId: PlayerId) => string,
) {
  return hittersOf(run).map(({ playerId, roundId }) => {
    const own = run.balls.filter(({ seq }) => hitterAt(run, seq).playerId === playerId);
    const results = resultsOf(own);
    const count = scoreForGate(document, results);
    const step = verdictAfter(document, approach, { playerId, id: roundId, count }, visit, history);
    const points = matchPointsWon(run, results);
    // what counts for the verdict of the rounds after it, and what is said of this one
    const { hits, balls } = scoreRound(document, results);
    return { roundId, playerId, name: nameOf(playerId), ...count, shown: { hits, balls }, points, step, notes: notesIn(run, roundId) };
  });
}
