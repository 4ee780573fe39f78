import { type PlanDocument, planSchema } from '@good-arc/core';
import type { PlanRow } from '../api/rows.ts';
import { ladder, plan, player } from '../db/schema.ts';
import { notFound } from './problem.ts';
import type { Store } from './store.ts';

/** Planned outings, the next ones first. */
export async function readPlans(store: Store): Promise<PlanRow[]> {
  const rows = await store.list(plan, undefined, plan.startsAt);
  return rows.map(({ id, document }) => ({ id, document: planSchema.parse(document) }));
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
