import type { CourtId, PlayerId, RungId } from '@good-arc/core';
import { and, count, desc, eq, gte, inArray, isNotNull, sql, sum } from 'drizzle-orm';
import type { ListedRound, RanLast, RoundRow, Swings } from '../api/rows.ts';
import { court, ladder, machine, player, round, rung } from '../db/schema.ts';
import { type RoundsAsked, readCard, whereOf } from './read-rounds.ts';
import type { Store } from './store.ts';

/** Rounds as a list shows them: neither their balls nor what they were run with are read. Newest first; archived players and ladders keep their names. */
export async function listRounds(store: Store, asked: RoundsAsked): Promise<ListedRound[]> {
  const where = whereOf(asked);
  if (where === null) return [];
  const rows = await store.read((db, mine) =>
    db
      .select({
        id: round.id,
        startedAt: round.startedAt,
        finishedAt: round.finishedAt,
        playerName: player.name,
        rungName: sql<string | null>`JSON_VALUE(${round.card}, '$.document.name')`,
        ladderName: ladder.name,
        forLearning: round.forLearning,
        hits: round.hits,
        balls: round.balls,
      })
      .from(round)
      .leftJoin(player, eq(player.id, round.playerId))
      .leftJoin(rung, eq(rung.id, round.rungId))
      .leftJoin(ladder, eq(ladder.id, rung.ladderId))
      .where(and(mine(round), where))
      .orderBy(desc(round.startedAt), desc(round.id))
      .limit(asked.most),
  );
  return rows.map(({ startedAt, finishedAt, playerName, rungName, ladderName, ...row }) => ({
    ...row,
    startedAt: startedAt.toISOString(),
    isFinished: finishedAt !== null,
    playerName: playerName ?? '–',
    rungName: rungName ?? '–',
    ladderName: ladderName ?? '–',
  }));
}

/** Which rungs were run last, and by whom: the newest rounds, without what they were run with and what became of their balls. */
export async function readHeads(store: Store, most: number): Promise<Pick<RoundRow, 'id' | 'rungId' | 'playerId' | 'playerName'>[]> {
  return store.read((db, mine) => {
    // first the newest, then their names: joined at once, the database sorts all rounds there are
    const newest = db
      .select({ id: round.id, rungId: round.rungId, playerId: round.playerId, startedAt: round.startedAt })
      .from(round)
      .where(mine(round))
      .orderBy(desc(round.startedAt), desc(round.id))
      .limit(most)
      .as('newest');
    return db
      .select({ id: newest.id, rungId: newest.rungId, playerId: newest.playerId, playerName: player.name })
      .from(newest)
      .innerJoin(player, eq(player.id, newest.playerId))
      .orderBy(desc(newest.startedAt), desc(newest.id));
  });
}

/** What these rounds were run with and what they came to, without their balls; newest first. */
export async function readRan(store: Store, ids: readonly string[]): Promise<RanLast[]> {
  if (ids.length === 0) return [];
  const rows = await store.read((db, mine) =>
    db
      .select({
        id: round.id,
        rungId: round.rungId,
        playerId: round.playerId,
        playerName: player.name,
        machineName: machine.name,
        courtName: court.name,
        startedAt: round.startedAt,
        card: round.card,
        hits: round.hits,
        balls: round.balls,
      })
      .from(round)
      .innerJoin(player, eq(player.id, round.playerId))
      .innerJoin(machine, eq(machine.id, round.machineId))
      .innerJoin(court, eq(court.id, round.courtId))
      .where(and(mine(round), inArray(round.id, [...ids])))
      .orderBy(desc(round.startedAt), desc(round.id)),
  );
  return rows.flatMap((row) => {
    const card = readCard(store, row);
    return card ? [{ ...row, card, startedAt: row.startedAt.toISOString() }] : [];
  });
}

/** Of all rounds since then: how many, and what was hit of what counted. */
export async function countSince(store: Store, from: Date): Promise<{ rounds: number; hits: number; balls: number }> {
  const [row] = await store.read((db, mine) =>
    db
      .select({ rounds: count(), balls: sum(round.balls).mapWith(Number), hits: sum(round.hits).mapWith(Number) })
      .from(round)
      .where(and(mine(round), gte(round.startedAt, from))),
  );
  return { rounds: row?.rounds ?? 0, balls: row?.balls ?? 0, hits: row?.hits ?? 0 };
}

/** Swings since then, of each player on each rung: balls that were let go, or never fed, are none. */
export async function swingsSince(store: Store, from: Date): Promise<Swings[]> {
  const rows = await store.read((db, mine) =>
    db
      .select({ playerId: round.playerId, rungId: round.rungId, swings: sum(round.swings).mapWith(Number) })
      .from(round)
      .where(and(mine(round), gte(round.startedAt, from)))
      .groupBy(round.playerId, round.rungId),
  );
  return rows.filter(({ swings }) => swings > 0);
}

/** Rounds that are looked through for the last ones of each player. */
const MOST_LOOKED_THROUGH = 400;

/** What each player hit in their last rounds on these rungs, who hit last first. @param last so many rounds each */
export async function ratesOn(
  store: Store,
  rungIds: readonly string[],
  last: number,
): Promise<{ playerId: PlayerId; hits: number; balls: number }[]> {
  if (rungIds.length === 0) return [];
  // rung by rung, so that an index gives the newest without a look at all of them
  const each = await Promise.all(
    rungIds.map((rungId) =>
      store.read((db, mine) =>
        db
          .select({ id: round.id, playerId: round.playerId, startedAt: round.startedAt, hits: round.gateHits, balls: round.gateBalls })
          .from(round)
          .where(and(mine(round), eq(round.rungId, rungId as RungId), eq(round.forLearning, false)))
          .orderBy(desc(round.startedAt), desc(round.id))
          .limit(MOST_LOOKED_THROUGH),
      ),
    ),
  );
  const newest = each
    .flat()
    .sort((a, b) => b.startedAt.getTime() - a.startedAt.getTime() || b.id.localeCompare(a.id))
    .slice(0, MOST_LOOKED_THROUGH);
  const of = new Map<PlayerId, { rounds: number; hits: number; balls: number }>();
  for (const { playerId, hits, balls } of newest) {
    const own = of.get(playerId) ?? { rounds: 0, hits: 0, balls: 0 };
    if (own.rounds < last) of.set(playerId, { rounds: own.rounds + 1, hits: own.hits + hits, balls: own.balls + balls });
  }
  return [...of].map(([playerId, { hits, balls }]) => ({ playerId, hits, balls })).filter(({ balls }) => balls > 0);
}

/** Who hit last on this court; null when nobody has. */
export async function lastPlayerOn(store: Store, courtId: CourtId): Promise<string | null> {
  const [last] = await store.page(round, eq(round.courtId, courtId), [desc(round.startedAt), desc(round.id)], 1);
  return last?.playerId ?? null;
}

/** Players who have a round, by name. */
export async function playersWithRounds(store: Store): Promise<{ id: string; name: string }[]> {
  return store.read((db, mine) => {
    // one of each: asked whether any exists, the database reads all of them
    const one = db
      .select({ id: round.id })
      .from(round, { forceIndex: 'round_player' })
      .where(and(mine(round), eq(round.playerId, player.id)))
      .limit(1);
    return db
      .select({ id: player.id, name: player.name })
      .from(player)
      .where(and(eq(player.clubId, store.clubId), isNotNull(sql`(${one})`)))
      .orderBy(player.name);
  });
}
