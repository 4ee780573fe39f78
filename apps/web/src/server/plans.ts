import { type PlanDocument, planSchema, scoreRound } from '@good-arc/core';
import type { LadderRow, PlanRound, PlanRow } from '../api/rows.ts';
import { ladder, plan } from '../db/schema.ts';
import { readRounds } from './rounds.ts';
import type { Store } from './store.ts';

/** Planned outings, the next ones first. */
export async function readPlans(store: Store): Promise<PlanRow[]> {
  const rows = await store.list(plan, undefined, plan.startsAt);
  return rows.flatMap(({ id, document, version }) => {
    const read = store.document(planSchema, document, { what: 'planned outing', id });
    return read ? [{ id, version, document: read }] : [];
  });
}

/** Rounds of one day that a plan counts at most. */
const MOST_OF_A_DAY = 400;
const DAY_MS = 86_400_000;

/** The rounds of a ladder on the day a plan begins, as it counts them. */
export async function planRounds(store: Store, { rungs }: Pick<LadderRow, 'rungs'>, startsAt: string): Promise<PlanRound[]> {
  const from = new Date(`${startsAt.slice(0, 10)}T00:00:00Z`);
  const rungIds = rungs.map(({ id }) => id);
  const rounds = await readRounds(store, { rungIds, from, before: new Date(from.getTime() + DAY_MS), most: MOST_OF_A_DAY });
  return rounds
    .map(({ rungId, playerId, startedAt, card, results }) => {
      const { hits, balls } = scoreRound(card, results);
      return { rungId, playerId, startedAt, hits, balls };
    })
    .filter(({ balls }) => balls > 0);
}

/** @returns the plan's version @throws Refusal 404 for a ladder that was removed, 409 when somebody else changed the plan */
export function putPlan(store: Store, id: string, document: PlanDocument, seen: number | null): Promise<number> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, document.ladderId, 'ladder');
    return tx.putFrom(plan, { id, ladderId: document.ladderId, startsAt: document.startsAt, document }, 'plan', seen);
  });
}
