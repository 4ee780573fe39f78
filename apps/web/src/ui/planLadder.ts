import type { PlanDocument } from '@good-arc/core';
import type { LadderRow } from '../api/rows.ts';

/**
 * What a plan goes through, as a ladder: all rungs of its own, or those it names, each with its rounds. A rung that was removed is left out.
 * @returns undefined when the ladder is gone
 */
export function planLadder(
  { ladderId, rungs }: Pick<PlanDocument, 'ladderId' | 'rungs'>,
  ladders: readonly LadderRow[],
): LadderRow | undefined {
  const ladder = ladders.find(({ id }) => id === ladderId);
  if (!ladder || !rungs) return ladder;
  const all = ladders.flatMap((each) => each.rungs);
  return {
    ...ladder,
    rungs: rungs.flatMap(({ rungId, rounds, half = false }) => {
      const rung = all.find(({ id }) => id === rungId);
      return rung ? [{ ...rung, document: { ...rung.document, rounds }, half }] : [];
    }),
  };
}
