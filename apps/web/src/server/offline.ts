import { createHash } from 'node:crypto';
import { and, desc, eq, inArray, max, sql } from 'drizzle-orm';
import type { AnyMySqlColumn } from 'drizzle-orm/mysql-core';
import { club, ladder, person, round, rung } from '../db/schema.ts';
import type { KeptPage, ToKeep } from '../device/pages.ts';
import { KIT_TABLES } from './kit.ts';
import type { Scope } from './scope.ts';
import type { ClubTable, Store } from './store.ts';

/** Rounds that are looked through for the ladders in use, ladders kept, and pages at most: a phone fetches them on the way to the court. */
const LOOKED_THROUGH = 60;
const MOST_LADDERS = 6;
const MOST_PAGES = 60;

/** Opened from anywhere. */
const MAIN_PAGES = ['/', '/bench', '/ladders', '/ladders/library', '/courtside', '/logbook', '/kit'];

const hash = (...parts: unknown[]): string => createHash('sha256').update(JSON.stringify(parts)).digest('base64url').slice(0, 16);

/** When anything of these rows was changed last, those that were removed since included. */
const newest = async (store: Store, table: ClubTable & { updatedAt: AnyMySqlColumn }): Promise<unknown> =>
  (
    await store.read((db) =>
      db
        .select({ at: max(table.updatedAt), rows: sql<number>`count(*)` })
        .from(table)
        .where(eq(table.clubId, store.clubId)),
    )
  )[0];

/** Ladders that were hit on or changed last: those are missed most on a court. */
async function laddersInUse(store: Store): Promise<{ id: string; version: number }[]> {
  const last = await store.page(round, undefined, [desc(round.startedAt), desc(round.id)], LOOKED_THROUGH);
  const rungs = await store.any(
    rung,
    last.map(({ rungId }) => rungId),
  );
  const hitAt = new Map<string, number>();
  for (const { rungId, startedAt } of last) {
    const id = rungs.find((each) => each.id === rungId)?.ladderId;
    if (id && !hitAt.has(id)) hitAt.set(id, startedAt.getTime());
  }
  const [changed, hit] = await Promise.all([
    store.page(ladder, undefined, [desc(ladder.updatedAt), desc(ladder.id)], MOST_LADDERS),
    hitAt.size > 0 ? store.list(ladder, inArray(ladder.id, [...hitAt.keys()])) : [],
  ]);
  const all = [...new Map([...changed, ...hit].map((each) => [each.id as string, each])).values()];
  const usedAt = ({ id, updatedAt }: { id: string; updatedAt: Date }): number => Math.max(updatedAt.getTime(), hitAt.get(id) ?? 0);
  return all.sort((a, b) => usedAt(b) - usedAt(a)).slice(0, MOST_LADDERS);
}

/** Pages that a device keeps, so that they open on a court without a network; the tag of each changes when it would be drawn anew. */
export async function pagesToKeep(store: Store, { personId, clubId, units, role, favourites }: Scope, today: string): Promise<ToKeep> {
  const [kit, ladders, newestRound, ofLadders, [own]] = await Promise.all([
    Promise.all(Object.values(KIT_TABLES).map(({ table }) => newest(store, table))),
    laddersInUse(store),
    store.page(round, undefined, [desc(round.updatedAt)], 1),
    newest(store, ladder),
    store.read((db) =>
      db.select({ at: club.updatedAt, name: person.name }).from(club).innerJoin(person, eq(person.id, personId)).where(eq(club.id, clubId)),
    ),
  ]);
  const seen = hash(kit, own, units, role);
  const all = hash(seen, ofLadders, newestRound[0]?.id, newestRound[0]?.updatedAt, favourites, today);
  const ids = ladders.map(({ id }) => id);
  const rungs = ids.length > 0 ? await store.list(rung, inArray(rung.ladderId, ids), rung.position) : [];
  const rounds = await newestRounds(
    store,
    rungs.map(({ id }) => id),
  );
  const pages: KeptPage[] = MAIN_PAGES.map((address) => ({ address, tag: all }));
  const courts: (KeptPage & { at: number })[] = [];
  for (const { id, version } of ladders) {
    const tag = hash(seen, id, version);
    pages.push({ address: `/ladders/${id}`, tag: hash(all, tag) }, { address: `/card?ladder=${id}`, tag });
    for (const each of rungs.filter(({ ladderId }) => ladderId === id)) {
      const last = rounds.get(each.id);
      const at = Math.max(each.updatedAt.getTime(), last?.getTime() ?? 0);
      courts.push({ address: `/courtside?rung=${each.id}`, tag: hash(tag, last), at });
    }
  }
  // what was run or changed last would be missed most
  courts.sort((x, y) => y.at - x.at);
  pages.push(...courts.map(({ address, tag }) => ({ address, tag })));
  return { owner: hash(clubId, personId), pages: pages.slice(0, MOST_PAGES) };
}

async function newestRounds(store: Store, rungIds: readonly string[]): Promise<Map<string, Date | null>> {
  if (rungIds.length === 0) return new Map();
  const rows = await store.read((db, mine) =>
    db
      .select({ rungId: round.rungId, at: max(round.updatedAt) })
      .from(round)
      .where(and(mine(round), inArray(round.rungId, [...rungIds])))
      .groupBy(round.rungId),
  );
  return new Map(rows.map(({ rungId, at }) => [rungId, at]));
}
