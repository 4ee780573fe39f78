import { clubAnswers, OWN_FROM_BALLS, type PlayerId, type PlayerProgress, progressOf, type RungId, type Sport } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import type { BriefRound, Kit, PlayerRow, StrokeScatter } from '../api/rows.ts';
import { club } from '../db/schema.ts';
import { dayOf } from '../ui/day.ts';
import { database, rowsOf } from './db.ts';
import { ballsIn, loggedFrom, MOST_ROUNDS } from './progress.ts';
import { whileQuiet } from './quiet.ts';
import { indexOf, readBrief, roundsOn } from './read-rounds.ts';
import type { Store } from './store.ts';
import { touchedIn, type Whose } from './touched.ts';

/** Somebody who comes, with what their rounds come to. */
export interface Comer {
  player: PlayerRow;
  rounds: BriefRound[];
  progress: PlayerProgress;
}

/** What the rounds of players came to when they were looked at last, with the mark of what that was worked out of. */
const known = new LRUCache<string, { mark: string } & Omit<Comer, 'player'>>({ max: 80 });

/** Rounds of a player on a rung that were read last, with their mark. */
const onRungs = new LRUCache<string, { mark: string; rounds: BriefRound[] }>({ max: 500 });

const keyOf = ({ playerId, rungId = '' }: Whose): string => `${playerId} ${rungId}`;

interface NewestMarks {
  marks: Readonly<Record<string, string>>;
  answers?: readonly number[];
}
const inQuiet = whileQuiet<NewestMarks>(500);
/** Of whom a mark was read while others played, and the moment before which it knows everything. */
const whilePlaying = new LRUCache<string, { mark: string; settled: string }>({ max: 2000 });

const answersSchema = z.array(z.number().gt(0).lt(1)).length(3);
/** Answers as the club's row has them. */
const answersIn = (text: string | null): number[] | undefined =>
  answersSchema.safeParse(text === null ? null : club.answers.mapFromDriverValue(text)).data;

/**
 * What tells whether any of the newest rounds of each was added, changed, moved or deleted, or any ball of one, which touches its round: of these alone, so
 * that years of others do not count. Besides, how usual each answer to harder balls is in this club, where anything told it.
 */
async function newestMarks(store: Store, asked: readonly Whose[], most: number): Promise<NewestMarks> {
  const each = [...new Map(asked.map((one) => [keyOf(one), one])).values()];
  if (each.length === 0) return { marks: {} };
  const { marks } = store;
  if (!marks) return readMarks(store, each, most);
  if (marks.quiet !== '') return inQuiet(store, `${most} ${each.map(keyOf).join()}`, '', () => readMarks(store, each, most));
  const { isAsAt } = touchedIn(store.clubId, marks);
  const kept = new Map<string, string>();
  const others = each.filter((one) => {
    const known = whilePlaying.get(`${store.clubId} ${most} ${keyOf(one)}`);
    const stands = known !== undefined && isAsAt(one, known.settled);
    if (stands) kept.set(keyOf(one), known.mark);
    return !stands;
  });
  const read = others.length > 0 ? await readMarks(store, others, most) : { marks: {} };
  for (const [key, mark] of Object.entries(read.marks))
    whilePlaying.set(`${store.clubId} ${most} ${key}`, { mark, settled: marks.settled });
  const answers = answersIn(marks.answers === '' ? null : marks.answers);
  return { marks: { ...Object.fromEntries(kept), ...read.marks }, ...(answers && { answers }) };
}

async function readMarks(store: Store, each: readonly Whose[], most: number): Promise<NewestMarks> {
  const marked = each.map(
    (one) =>
      `(SELECT CONCAT(COUNT(*), ' ', BIT_XOR(CRC32(CONCAT(id, updated_at)))) FROM (SELECT id, updated_at FROM round FORCE INDEX (${indexOf(one)}) WHERE club_id = ? AND player_id = ?${one.rungId === undefined ? '' : ' AND rung_id = ?'} AND deleted_at IS NULL ORDER BY started_at DESC, id DESC LIMIT ?) newest)`,
  );
  const values = each.flatMap<unknown>(({ playerId, rungId }) => [store.clubId, playerId, ...(rungId === undefined ? [] : [rungId]), most]);
  // one column: two dozen would be described one by one
  const statement = `SELECT CONCAT_WS(',', ${marked.join(', ')}) AS marks, (SELECT answers FROM club WHERE id = ?) AS answers`;
  const [row] = await store.read((db) => rowsOf<{ marks: string; answers: string | null }>(db, statement, [...values, store.clubId]));
  const marks = row!.marks.split(',');
  const answers = answersIn(row!.answers);
  return { marks: Object.fromEntries(each.map((one, i) => [keyOf(one), marks[i]!])), ...(answers && { answers }) };
}

/** The newest rounds of these players on these rungs, newest first: read once, and again when anything of them has changed. */
export async function roundsOnEach(store: Store, asked: readonly Required<Whose>[], most: number) {
  const { marks } = await newestMarks(store, asked, most);
  return async (playerId: PlayerId, rungId: RungId): Promise<readonly BriefRound[]> => {
    const [key, mark] = [`${store.clubId} ${playerId} ${rungId} ${most}`, marks[keyOf({ playerId, rungId })] ?? ''];
    const before = onRungs.get(key);
    if (before?.mark === mark) return before.rounds;
    const leftOut = store.setAside.length;
    const rounds = await roundsOn(store, playerId, rungId, most);
    if (store.setAside.length === leftOut) onRungs.set(key, { mark, rounds });
    return rounds;
  };
}

/** A change of no weight by so much is worth working everybody’s rounds out again. */
const WORTH_KEEPING = 0.02;

/**
 * Learns how usual each answer is from these players, and keeps it with the club where that changed.
 * @param before what the club knew until now @returns what it is, and of how many players it is known
 */
export async function learnAnswers(
  store: Store,
  comers: readonly Comer[],
  before: readonly number[] | undefined,
): Promise<{ answers: number[]; players: number }> {
  const told = comers
    .map(({ progress }) => progress.strokes.filter(({ days }) => ballsIn(days) >= OWN_FROM_BALLS).map(({ own }) => own.answers()))
    .filter((strokes) => strokes.length > 0);
  const answers = clubAnswers(told.flat()).map((each) => Number(each.toFixed(4)));
  const changed = told.length > 0 && answers.some((each, i) => Math.abs(each - (before?.[i] ?? -1)) >= WORTH_KEEPING);
  if (changed) await database().update(club).set({ answers }).where(eq(club.id, store.clubId));
  return { answers, players: told.length };
}

/** Who comes, with what their rounds come to: worked out once, and again when anything of it has changed. */
export const readComers = async (store: Store, kit: Kit, players: readonly PlayerRow[]): Promise<Comer[]> =>
  (await readLearnt(store, kit, players)).comers;

/** As `readComers`, with what the club knew of answers to harder balls. */
export async function readLearnt(
  store: Store,
  kit: Kit,
  players: readonly PlayerRow[],
): Promise<{ comers: Comer[]; answers: readonly number[] | undefined }> {
  const asked = players.map(({ id }) => ({ playerId: id }));
  const { marks, answers } = await newestMarks(store, asked, MOST_ROUNDS);
  const ofKit = JSON.stringify([answers, kit.machines.map(({ id, version }) => [id, version]), kit.gameBalls]);
  const comers = await Promise.all(
    players.map(async (player) => {
      const key = `${store.clubId} ${player.id}`;
      const mark = `${marks[keyOf({ playerId: player.id })] ?? ''} ${player.version} ${ofKit}`;
      const before = known.get(key);
      if (before?.mark === mark) return { player, rounds: before.rounds, progress: before.progress };
      const leftOut = store.setAside.length;
      const rounds = await readBrief(store, { playerId: player.id, most: MOST_ROUNDS });
      const progress = progressOf(loggedFrom(kit, rounds), player, answers);
      // what could not be read is said again the next time
      if (store.setAside.length === leftOut) known.set(key, { mark, rounds, progress });
      return { player, rounds, progress };
    }),
  );
  return { comers, answers };
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
