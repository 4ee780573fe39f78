import type { RoundId } from '@good-arc/core';
import { and, desc, eq, gte, isNull, lt } from 'drizzle-orm';
import { type LiveAnswer, type LiveRow, type LiveShown, type LiveWish, liveBody, wishBody } from '../api/live.ts';
import { live, round } from '../db/schema.ts';
import { notFound } from './problem.ts';
import type { Store } from './store.ts';

/** A device that shows nothing for so long has left its round, ms: it tells every five seconds even when nobody follows. */
const GONE_MS = 45_000;
/** Somebody follows who looked so lately, ms; and how often that is written down. */
const FOLLOWED_MS = 15_000;
const NOTED_MS = 4000;
const MOST_LISTED = 20;
const KEPT_MS = 24 * 60 * 60 * 1000;

/** What the device that runs a round shows of it from now on. @throws Refusal 404 for a round that is not the club’s, or has not arrived yet */
export async function showLive(store: Store, id: RoundId, shown: LiveShown, now: Date): Promise<LiveAnswer> {
  if (!(await store.change(live, eq(live.id, id), { shown, shownAt: now }))) {
    await store.anyOne(round, id, 'round');
    await store.put(live, { id, shown, shownAt: now }, 'round');
  }
  const row = await store.one(live, id, 'round');
  return {
    isFollowed: row.followedAt !== null && now.getTime() - row.followedAt.getTime() < FOLLOWED_MS,
    wish: wishBody.nullable().safeParse(row.wish).data ?? null,
  };
}

/** What was shown before the last day nobody follows any more. */
export const forgetLive = (store: Store, now: Date): Promise<void> =>
  store.forget(live, lt(live.shownAt, new Date(now.getTime() - KEPT_MS)));

const toRow = (store: Store, row: typeof live.$inferSelect, finishedAt: Date | null, now: Date): LiveRow[] => {
  const shown = store.document(liveBody, row.shown, { what: 'round', id: row.id });
  return shown
    ? [{ id: row.id, shown, ageS: Math.max(0, now.getTime() - row.shownAt.getTime()) / 1000, isFinished: finishedAt !== null }]
    : [];
};

/** How a round stands that is run elsewhere. @throws Refusal 404 when no device has shown it */
export async function followLive(store: Store, id: RoundId, now: Date): Promise<LiveRow> {
  const row = await store.one(live, id, 'round that is shown');
  const { finishedAt } = await store.anyOne(round, id, 'round');
  if (row.followedAt === null || now.getTime() - row.followedAt.getTime() > NOTED_MS)
    await store.change(live, eq(live.id, id), { followedAt: now });
  const [shown] = toRow(store, row, finishedAt, now);
  if (!shown) throw notFound('round that is shown');
  return shown;
}

/** Rounds that go on now, on whatever device, the newest first. */
export async function openLive(store: Store, now: Date): Promise<LiveRow[]> {
  const since = new Date(now.getTime() - GONE_MS);
  const rows = await store.read((db, mine) =>
    db
      .select({ row: live })
      .from(live)
      .innerJoin(round, eq(round.id, live.id))
      .where(and(mine(live), gte(live.shownAt, since), isNull(round.finishedAt)))
      .orderBy(desc(live.shownAt))
      .limit(MOST_LISTED),
  );
  return rows.flatMap(({ row }) => toRow(store, row, null, now));
}

/** Asks the device that runs it for other balls. @throws Refusal 404 when no device shows it */
export async function wishLive(store: Store, id: RoundId, wish: LiveWish): Promise<void> {
  if (!(await store.change(live, eq(live.id, id), { wish }))) throw notFound('round that is shown');
}
