import { type PlanDocument, planSchema, tally } from '@good-arc/core';
import type { LadderRow, PlanRound, PlanRow, RoundRow } from '../api/rows.ts';
import { ladder, plan, player } from '../db/schema.ts';
import { notFound } from './problem.ts';
import type { Store } from './store.ts';

/** Planned outings, the next ones first. */
export async function readPlans(store: Store): Promise<PlanRow[]> {
  const rows = await store.list(plan, undefined, plan.startsAt);
  return rows.map(({ id, document }) => ({ id, document: planSchema.parse(document) }));
}

/** The rounds of a ladder on the day a plan begins, as it counts them. */
export function planRounds(rounds: readonly RoundRow[], { rungs }: Pick<LadderRow, 'rungs'>, startsAt: string): PlanRound[] {
  const ids = new Set(rungs.map(({ id }) => id));
  return rounds
    .filter(({ rungId, startedAt }) => ids.has(rungId) && startedAt.slice(0, 10) === startsAt.slice(0, 10))
    .map(({ rungId, playerId, startedAt, results }) => {
      const { hits, balls } = tally(results.map(({ outcome }) => outcome));
      return { rungId, playerId, startedAt, hits, balls };
    })
    .filter(({ balls }) => balls > 0);
}

/** @throws Refusal 404 for a ladder or a player that is not the club's */
export function putPlan(store: Store, id: string, document: PlanDocument): Promise<void> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, document.ladderId, 'ladder');
    const ids = [...new Set([...document.playerIds, ...document.absentIds])];
    if ((await tx.any(player, ids)).length !== ids.length) throw notFound('player');
    await tx.put(plan, { id, ladderId: document.ladderId, startsAt: document.startsAt, document }, 'plan');
  });
}
