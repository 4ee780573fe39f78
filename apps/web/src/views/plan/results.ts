import type { PlannedTurn, PlayerId } from '@good-arc/core';
import type { PlanRound } from '../../api/rows.ts';

/** What of a turn has been hit. */
export interface TurnResult {
  playerId: PlayerId;
  hits: number;
  balls: number;
}

/**
 * Which rounds belong to which turn: those of its rung by who hits in it, the first round to the first turn and so on; what is thrown beyond the
 * last turn counts to that one.
 * @param rounds of the day
 * @returns for each turn what was hit in it, by player; empty for one still to come
 */
export function resultsOf(turns: readonly PlannedTurn[], rungs: readonly { id: string }[], rounds: readonly PlanRound[]): TurnResult[][] {
  const inOrder = [...rounds].sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  const results: TurnResult[][] = turns.map(() => []);
  const turnsOf = new Map<string, number[]>();
  turns.forEach(({ rung, stations }, i) => {
    for (const playerId of stations.hitting) {
      const key = `${rungs[rung]?.id} ${playerId}`;
      turnsOf.set(key, [...(turnsOf.get(key) ?? []), i]);
    }
  });
  const taken = new Map<string, number>();
  for (const { rungId, playerId, hits, balls } of inOrder) {
    const key = `${rungId} ${playerId}`;
    const own = turnsOf.get(key);
    if (!own) continue;
    const nth = Math.min(taken.get(key) ?? 0, own.length - 1);
    taken.set(key, nth + 1);
    const here = results[own[nth]!]!;
    const before = here.find((each) => each.playerId === playerId);
    if (before) Object.assign(before, { hits: before.hits + hits, balls: before.balls + balls });
    else here.push({ playerId, hits, balls });
  }
  return results;
}
