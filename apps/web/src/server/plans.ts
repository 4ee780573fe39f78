import { once, type PlanDocument, planSchema, type RungId, scheduleOf, scoreRound } from '@good-arc/core';
import { and, asc, eq, gte, lt, sql } from 'drizzle-orm';
import type { LadderRow, PlanRound, PlanRow } from '../api/rows.ts';
import { ladder, plan } from '../db/schema.ts';
import { planLadder } from '../ui/planLadder.ts';
import type { Db } from './db.ts';
import { readRounds } from './read-rounds.ts';
import { ofClub, type Store } from './store.ts';
import { untilTouched } from './touched.ts';
import { plansFrom, unlessChanged } from './unchanged.ts';

/** Planned outings that a page shows at most. */
const MOST_PLANS = 200;

const ORDER = [asc(plan.startsAt), asc(plan.id)];
const PLANNED = once((db: Db) =>
  db
    .select({ id: plan.id, document: plan.document, version: plan.version, startsAt: plan.startsAt })
    .from(plan)
    .where(and(ofClub(plan), gte(plan.startsAt, sql.placeholder('from')), lt(plan.startsAt, sql.placeholder('before'))))
    .orderBy(...ORDER)
    .limit(MOST_PLANS)
    .prepare(),
);

/** Those of yesterday and later, as they are kept; fewer than there are where there are very many. */
const readLately = unlessChanged('plans', (store) => store.ask(PLANNED, { from: plansFrom(), before: '9999' }));

/** Planned outings, the earliest first: from a day such as `2026-03-14` on, of that day only, or one by its id. */
export async function readPlans(store: Store, asked: { from: string } | { on: string } | { id: string }): Promise<PlanRow[]> {
  const rows = 'id' in asked ? await store.page(plan, eq(plan.id, asked.id), ORDER, 1) : await readFrom(store, asked);
  return rows.flatMap(({ id, document, version }) => {
    const read = store.document(planSchema, document, { what: 'planned outing', id });
    return read ? [{ id, version, document: read }] : [];
  });
}

async function readFrom(store: Store, asked: { from: string } | { on: string }) {
  const [from, before] = 'from' in asked ? [asked.from, '9999'] : [asked.on, `${asked.on}T99`];
  const lately = from >= plansFrom() ? await readLately(store) : [];
  // those of long ago, and what lies behind very many, are asked for
  if (from < plansFrom() || lately.length === MOST_PLANS) return store.ask(PLANNED, { from, before });
  return lately.filter(({ startsAt }) => startsAt >= from && startsAt < before);
}

/** Rounds of one day that a plan counts at most. */
const MOST_OF_A_DAY = 400;
const DAY_MS = 86_400_000;

const counted = untilTouched<readonly PlanRound[]>(200);

/** The rounds of a ladder on the day a plan begins, as it counts them. */
export async function planRounds(store: Store, { rungs }: Pick<LadderRow, 'rungs'>, startsAt: string): Promise<readonly PlanRound[]> {
  const day = startsAt.slice(0, 10);
  const rungIds = rungs.map(({ id }) => id);
  if (rungIds.length === 0) return [];
  return counted(store, { key: `${day} ${rungIds.join()}`, of: { rungIds } }, (own) => readPlanRounds(own, rungIds, day));
}

async function readPlanRounds(store: Store, rungIds: readonly RungId[], day: string): Promise<PlanRound[]> {
  const from = new Date(`${day}T00:00:00Z`);
  const rounds = await readRounds(store, { rungIds, from, before: new Date(from.getTime() + DAY_MS), most: MOST_OF_A_DAY });
  return rounds
    .map(({ rungId, playerId, startedAt, card, results }) => {
      const { hits, balls } = scoreRound(card, results);
      return { rungId, playerId, startedAt, hits, balls };
    })
    .filter(({ balls }) => balls > 0);
}

/** Balls that other plans give to each player. */
export function plannedElsewhere(plans: readonly PlanRow[], ladders: readonly LadderRow[], except: string): Record<string, number> {
  const balls: Record<string, number> = {};
  for (const { id, document } of plans) {
    if (id === except) continue;
    const rungs = planLadder(document, ladders)?.rungs ?? [];
    const { share } = scheduleOf(
      document,
      rungs.map((each) => each.document),
    );
    for (const each of share) balls[each.playerId] = (balls[each.playerId] ?? 0) + each.balls;
  }
  return balls;
}

/** @returns the plan's version @throws Refusal 404 for a ladder that was removed, 409 when somebody else changed the plan */
export function putPlan(store: Store, id: string, document: PlanDocument, seen: number | null): Promise<number> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, document.ladderId, 'ladder');
    return tx.putFrom(plan, { id, ladderId: document.ladderId, startsAt: document.startsAt, document }, 'plan', seen);
  });
}
