import { type AnswersTold, clubAnswers, OWN_FROM_BALLS, once, type PlayerProgress, progressOf, type Sport } from '@good-arc/core';
import { eq, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import type { BriefRound, Kit, PlayerRow, StrokeScatter } from '../api/rows.ts';
import { club } from '../db/schema.ts';
import { dayOf } from '../ui/day.ts';
import { database } from './db.ts';
import { ballsIn, loggedFrom, MOST_ROUNDS } from './progress.ts';
import { readBrief } from './read-rounds.ts';
import type { Store } from './store.ts';

/** Somebody who comes, with what their rounds come to. */
export interface Comer {
  player: PlayerRow;
  rounds: readonly BriefRound[];
  progress: PlayerProgress;
}

/** What that is worked out of besides the rounds: the player, the club’s answers, its machines and game balls. */
interface Mark {
  version: number;
  answers: string;
  ofKit: string;
}
const ofKit = once(({ machines, gameBalls }: Kit) => ({
  mark: JSON.stringify([machines.map(({ id, version }) => [id, version]), gameBalls]),
}));
const isMarked = (a: Mark, b: Mark): boolean => a.version === b.version && a.answers === b.answers && a.ofKit === b.ofKit;

/** What the rounds of players came to when they were looked at last, with what that was worked out of. */
const known = new LRUCache<string, { mark: Mark } & Omit<Comer, 'player'>>({ max: 80 });

const areSame = <T>(a: readonly T[], b: readonly T[]): boolean => a === b || (a.length === b.length && a.every((each, i) => each === b[i]));

const answersSchema = z.array(z.number().gt(0).lt(1)).length(3);
/** How usual each answer to harder balls is in this club, where anything told it. */
async function answersOf(store: Store): Promise<readonly number[] | undefined> {
  const text =
    store.marks?.answers ?? (await store.read((db) => db.select({ kept: ANSWERS }).from(club).where(eq(club.id, store.clubId))))[0]?.kept;
  return answersSchema.safeParse(text ? club.answers.mapFromDriverValue(text) : null).data;
}
/** As the club’s row has it. */
const ANSWERS = sql<string>`COALESCE(${club.answers}, '')`;

/** A change of no weight by so much is worth working everybody’s rounds out again. */
const WORTH_KEEPING = 0.02;

/** What a player’s strokes told of harder balls, those with enough of them. */
const toldBy = once(({ strokes }: PlayerProgress): readonly AnswersTold[] =>
  strokes.filter(({ days }) => ballsIn(days) >= OWN_FROM_BALLS).map(({ own }) => own.answers()),
);
/** What clubs learnt last, with who told it. */
const learnt = new LRUCache<string, { told: readonly (readonly AnswersTold[])[]; answers: number[] }>({ max: 100 });

/**
 * Learns how usual each answer is from these players, and keeps it with the club where that changed.
 * @param before what the club knew until now @returns what it is, and of how many players it is known
 */
export async function learnAnswers(
  store: Store,
  comers: readonly Comer[],
  before: readonly number[] | undefined,
): Promise<{ answers: number[]; players: number }> {
  const told = comers.map(({ progress }) => toldBy(progress)).filter((strokes) => strokes.length > 0);
  const last = learnt.get(store.clubId);
  const answers = last && areSame(last.told, told) ? last.answers : clubAnswers(told.flat()).map((each) => Number(each.toFixed(4)));
  learnt.set(store.clubId, { told, answers });
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
  const answers = await answersOf(store);
  const besides = { answers: String(answers), ofKit: ofKit(kit).mark };
  const comers = await Promise.all(
    players.map(async (player) => {
      const key = `${store.clubId} ${player.id}`;
      const mark = { ...besides, version: player.version };
      const rounds = await readBrief(store, { playerId: player.id, most: MOST_ROUNDS });
      const before = known.get(key);
      if (before && isMarked(before.mark, mark) && areSame(before.rounds, rounds))
        return { player, rounds: before.rounds, progress: before.progress };
      const progress = progressOf(loggedFrom(kit, rounds), player, answers);
      known.set(key, { mark, rounds, progress });
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
