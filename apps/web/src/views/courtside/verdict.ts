import { type Approach, gateOf, type NextStep, nextStep, type PlayerId, type RoundCount, type RungDocument } from '@good-arc/core';

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
  return nextStep({ approach, need: gateOf(document), roundsAsked: document.rounds, rounds });
}
