import { clubAnswers, OWN_FROM_BALLS, type PlayerId, type PlayerProgress, progressOf, type RungId, type Sport } from '@good-arc/core';
import { and, count, desc, eq, inArray, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import type { BriefRound, Kit, PlayerRow, StrokeScatter } from '../api/rows.ts';
import { club, round } from '../db/schema.ts';
import { dayOf } from '../ui/day.ts';
import { database } from './db.ts';
import { ballsIn, loggedFrom, roundsOfPlayer } from './progress.ts';
import { roundsOn } from './read-rounds.ts';
import type { Store } from './store.ts';

/** Somebody who comes, with what their rounds come to. */
export interface Comer {
  player: PlayerRow;
  rounds: BriefRound[];
  progress: PlayerProgress;
}

/** What the rounds of players came to when they were looked at last, with the mark of what that was worked out of. */
const known = new LRUCache<string, { mark: string } & Omit<Comer, 'player'>>({ max: 80 });

/** What tells whether any round of a player was added, changed, moved or deleted, or any ball of one: a round is touched with each of its balls. */
async function marksOf(store: Store, playerIds: readonly string[]): Promise<Map<string, string>> {
  if (playerIds.length === 0) return new Map();
  const rows = await store.read((db, mine) =>
    db
      .select({
        playerId: round.playerId,
        rounds: count(),
        mark: sql<string>`bit_xor(crc32(concat(${round.id}, ${round.updatedAt})))`,
      })
      .from(round)
      .where(and(mine(round), inArray(round.playerId, [...playerIds])))
      .groupBy(round.playerId),
  );
  return new Map(rows.map(({ playerId, rounds, mark }) => [playerId as string, `${rounds} ${mark}`]));
}

/** Rounds of a player on a rung that were read last, with their mark. */
const onRungs = new LRUCache<string, { mark: string; rounds: BriefRound[] }>({ max: 500 });

interface OnRung {
  playerId: PlayerId;
  rungId: RungId;
}
const keyOf = ({ playerId, rungId }: OnRung): string => `${playerId} ${rungId}`;

/** What tells whether one of the newest rounds of a player on a rung is another: of these alone, so that years of them do not count. */
async function newestMarks(store: Store, asked: readonly OnRung[], most: number): Promise<Map<string, string>> {
  const each = [...new Map(asked.map((one) => [keyOf(one), one])).values()];
  if (each.length === 0) return new Map();
  const marks = await store.read(async (db, mine) => {
    const marked = each.map((one, i) => {
      const newest = db
        .select({ id: round.id, updatedAt: round.updatedAt })
        .from(round)
        .where(and(mine(round), eq(round.playerId, one.playerId), eq(round.rungId, one.rungId)))
        .orderBy(desc(round.startedAt), desc(round.id))
        .limit(most);
      return sql`(SELECT CONCAT(COUNT(*), ' ', BIT_XOR(CRC32(CONCAT(id, updated_at)))) FROM (${newest}) newest) AS ${sql.identifier(String(i))}`;
    });
    const [rows] = await db.execute(sql`SELECT ${sql.join(marked, sql`, `)}`);
    return (rows as unknown as Record<string, string>[])[0]!;
  });
  return new Map(each.map((one, i) => [keyOf(one), marks[String(i)]!]));
}

/** The newest rounds of these players on these rungs, newest first: read once, and again when anything of them has changed. */
export async function roundsOnEach(store: Store, asked: readonly OnRung[], most: number) {
  const marks = await newestMarks(store, asked, most);
  return async (playerId: PlayerId, rungId: RungId): Promise<readonly BriefRound[]> => {
    const [key, mark] = [`${store.clubId} ${playerId} ${rungId} ${most}`, marks.get(keyOf({ playerId, rungId })) ?? ''];
    const before = onRungs.get(key);
    if (before?.mark === mark) return before.rounds;
    const leftOut = store.setAside.length;
    const rounds = await roundsOn(store, playerId, rungId, most);
    if (store.setAside.length === leftOut) onRungs.set(key, { mark, rounds });
    return rounds;
  };
}

const answersSchema = z.array(z.number().gt(0).lt(1)).length(3);

/** How usual each answer to harder balls is in this club; undefined while nothing told it. */
async function readAnswers({ clubId }: Store): Promise<number[] | undefined> {
  const [row] = await database().select({ answers: club.answers }).from(club).where(eq(club.id, clubId));
  return answersSchema.safeParse(row?.answers).data;
}

/** A change of no weight by so much is worth working everybody’s rounds out again. */
const WORTH_KEEPING = 0.02;

/** Learns how usual each answer is from these players, and keeps it with the club where that changed. @returns it, and of how many players it is known */
export async function learnAnswers(store: Store, comers: readonly Comer[]): Promise<{ answers: number[]; players: number }> {
  const told = comers
    .map(({ progress }) => progress.strokes.filter(({ days }) => ballsIn(days) >= OWN_FROM_BALLS).map(({ own }) => own.answers()))
    .filter((strokes) => strokes.length > 0);
  const answers = clubAnswers(told.flat()).map((each) => Number(each.toFixed(4)));
  const before = await readAnswers(store);
  const changed = told.length > 0 && answers.some((each, i) => Math.abs(each - (before?.[i] ?? -1)) >= WORTH_KEEPING);
  if (changed) await database().update(club).set({ answers }).where(eq(club.id, store.clubId));
  return { answers, players: told.length };
}

/** Who comes, with what their rounds come to: worked out once, and again when anything of it has changed. */
export async function readComers(store: Store, kit: Kit, players: readonly PlayerRow[]): Promise<Comer[]> {
  const ids = players.map(({ id }) => id);
  const [marks, answers] = await Promise.all([marksOf(store, ids), readAnswers(store)]);
  const ofKit = JSON.stringify([answers, kit.machines.map(({ id, version }) => [id, version]), kit.gameBalls]);
  return Promise.all(
    players.map(async (player) => {
      const key = `${store.clubId} ${player.id}`;
      const mark = `${marks.get(player.id) ?? ''} ${player.version} ${ofKit}`;
      const before = known.get(key);
      if (before?.mark === mark) return { player, rounds: before.rounds, progress: before.progress };
      const leftOut = store.setAside.length;
      const rounds = await roundsOfPlayer(store, player.id);
      const progress = progressOf(loggedFrom(kit, rounds), player, answers);
      // what could not be read is said again the next time
      if (store.setAside.length === leftOut) known.set(key, { mark, rounds, progress });
      return { player, rounds, progress };
    }),
  );
}

/** A player’s own scatter by stroke in a sport, as far as it is known on a day. */
export async function readScatter(store: Store, kit: Kit, player: PlayerRow, sport: Sport, now: Date): Promise<StrokeScatter[]> {
  const [comer] = await readComers(store, kit, [player]);
  return comer!.progress.strokes
    .filter((stroke) => stroke.sport === sport)
    .map(({ stroke, own, days }) => ({
      stroke,
      scatter: own.on(Math.max(dayOf(now.toISOString()), days.at(-1)?.day ?? 0)),
      balls: ballsIn(days),
    }));
}
