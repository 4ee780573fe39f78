import {
  feedsOf,
  isForLearning,
  type OutingId,
  once,
  type PlayerId,
  type ResultId,
  type RoundId,
  type RungDocument,
  type RungId,
  rungSchema,
  scoreOf,
  type Weather,
} from '@good-arc/core';
import { and, asc, eq, getTableColumns, inArray, type SQL, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { z } from 'zod';
import type { finishBody, ResultBody } from '../api/schemas.ts';
import { parsedOnce } from '../db/parsed.ts';
import { outing, result, round, rung } from '../db/schema.ts';
import { type Db, inOneGo, isDuplicate, isUnfit, UNFIT, untilThrough } from './db.ts';
import { forgetLive } from './live.ts';
import { notFound } from './problem.ts';
import type { Scope, Unproven } from './scope.ts';
import { STILL_IN } from './session.ts';
import type { Store } from './store.ts';
import { adding, sumsOf, sumUp } from './sums.ts';

export interface StartRound {
  outingId: OutingId;
  rungId: RungId;
  playerId: PlayerId;
  weather: Weather;
  startedAt: string;
  /** The rung as the page ran it; without, as it is kept. */
  card?: RungDocument | undefined;
  confirmedBy?: string | undefined;
}

/**
 * Begins a round: keeps the rung as it was run as its card. Sent twice it is the same round. What was archived meanwhile does not matter: the balls were
 * thrown.
 * @throws Refusal 404 for what was never the club's
 */
export function startRound(
  store: Store,
  scope: Scope,
  id: string,
  { outingId, rungId, playerId, weather, startedAt, card, confirmedBy }: StartRound,
): Promise<void> {
  return store.transaction(async (tx) => {
    const kept = rungSchema.parse((await tx.anyOne(rung, rungId, 'rung')).document);
    const document = card ?? kept;
    // another page of the same outing may have made it
    const began = { id: outingId, personId: scope.personId, startedAt: new Date(startedAt) };
    if (!(await tx.add(outing, began))) await tx.anyOne(outing, outingId, 'outing');
    const made = await tx.add(round, {
      id,
      outingId,
      rungId,
      playerId,
      machineId: document.machineId,
      courtId: document.courtId,
      card: { ...document, weather },
      forLearning: isForLearning(document),
      weather,
      startedAt: new Date(startedAt),
      confirmedBy: confirmedBy ?? null,
    });
    if (!made) await tx.anyOne(round, id, 'round');
  });
}

/** What somebody has noted of it meanwhile stays. */
export async function finishRound(store: Store, id: string, { finishedAt, weather, notes }: z.output<typeof finishBody>): Promise<void> {
  const kept = await store.anyOne(round, id, 'round');
  const noted = notes !== undefined && kept.notes === '' ? { notes } : {};
  await store.change(round, eq(round.id, id), { finishedAt: new Date(finishedAt), ...(weather && { weather }), ...noted });
  await forgetLive(store, new Date());
}

/** What a round was run with. @throws ZodError when it cannot be read */
export function cardOf({ card }: { card: unknown }): RungDocument {
  const { data, error } = parsedOnce(rungSchema, card);
  if (error) throw error;
  return data;
}

const CARD = once((db: Db) =>
  db
    .select({ card: round.card })
    .from(round)
    .where(and(eq(round.clubId, sql.placeholder('clubId')), eq(round.id, sql.placeholder('roundId'))))
    .prepare(),
);

/** Cards of rounds whose balls came lately: a card stays as it was when its round began. */
const cards = new LRUCache<string, RungDocument>({ max: 500 });

const cardKey = (store: Store, roundId: RoundId): string => `${store.clubId} ${roundId}`;

/** The card of a round of the club, of a removed one, too. @throws Refusal 404; ZodError when it cannot be read */
async function knownCard(store: Store, roundId: RoundId): Promise<RungDocument> {
  const key = cardKey(store, roundId);
  const known = cards.get(key);
  if (known) return known;
  const [kept] = await store.ask(CARD, { roundId });
  if (!kept) throw notFound('round');
  const card = cardOf(kept);
  cards.set(key, card);
  return card;
}

const newResult = (db: Db) => {
  const { replacedBy: _later, createdAt: _made, updatedAt: _touched, deletedAt: _gone, ...columns } = getTableColumns(result);
  const values = Object.fromEntries(Object.keys(columns).map((name) => [name, sql.placeholder(name)]));
  return db.insert(result).values(values as unknown as typeof result.$inferInsert);
};
const INSERT = once((db: Db) => newResult(db).prepare());

/**
 * One at a time writes to a round, so that each sees what the other wrote; where another result of the ball stands, the round is not there, or who asks is not
 * signed in any more, nothing is.
 */
const putDown = (stillIn: ((db: Db) => SQL) | null) =>
  once((db: Db) =>
    inOneGo(
      db,
      sql`${adding(db)}; IF ROW_COUNT() = 0 OR EXISTS (SELECT 1 FROM result b WHERE b.round_id = ${sql.placeholder('roundId')} AND b.seq = ${sql.placeholder('seq')} AND b.deleted_at IS NULL)${stillIn ? sql` OR NOT EXISTS (${stillIn(db)})` : sql``} THEN ${UNFIT}; END IF; ${newResult(db).getSQL()}`,
    ),
  );
const PUT_DOWN = { proven: putDown(null), demo: putDown(STILL_IN.demo), session: putDown(STILL_IN.session) };

/**
 * What became of a ball, with what it counts as by the card of its round. Sent twice it counts once. Of two results of one ball, from two devices, the one
 * that was made later stands (ids are made in the order of time) and the other is kept as its history. One that was taken back stays so. A round that was
 * deleted meanwhile keeps its balls, too.
 * @param unproven the statement that puts it down finds out whether who asks is signed in still; of a round that this server knows nothing of yet they are
 * looked up first, so that nothing is said of it to anybody else
 */
export async function putResult(store: Store, roundId: RoundId, id: ResultId, body: ResultBody, unproven?: Unproven): Promise<void> {
  const looked = async (proof: Unproven): Promise<void> => putResult(store.of(await proof.look()), roundId, id, body);
  if (unproven && !cards.has(cardKey(store, roundId))) return looked(unproven);
  const card = await knownCard(store, roundId);
  const values = valuesOf(card, body);
  try {
    const asked = { ...values, ...sumsOf(values), ...unproven?.values, roundId, id };
    await untilThrough(() => store.ask(PUT_DOWN[unproven?.by ?? 'proven'], asked));
  } catch (error) {
    if (!isUnfit(error) && !isDuplicate(error)) throw error;
    if (unproven) return looked(unproven);
    await store.transaction(async (tx) => {
      await tx.lock(round, roundId, 'round');
      await writeResult(tx, roundId, card, id, body);
      await sumUp(tx, [roundId]);
    });
  }
}

/** What a result counts as by the card it is of, and which ball of it. */
export function scored(card: RungDocument, body: Pick<ResultBody, 'seq' | 'outcome'> & { feedId?: ResultBody['feedId'] }) {
  const feed = feedsOf(card)(body);
  const score = scoreOf(card, feed, body.outcome);
  return { feedId: feed?.id ?? null, hit: score === null ? null : score === 'hit' };
}

/** Takes a result back, once. */
export const removeResult = (store: Store, roundId: RoundId, id: ResultId): Promise<void> =>
  store.transaction(async (tx) => {
    const [known] = await tx.list(result, eq(result.id, id));
    if (known?.roundId !== roundId) return;
    await tx.lock(round, roundId, 'round');
    await tx.remove(result, id, 'result');
    await sumUp(tx, [roundId]);
  });

/** What is kept of a ball. */
function valuesOf(card: RungDocument, body: ResultBody) {
  const { target, ...plain } = body;
  return {
    ...plain,
    ...scored(card, body),
    targetXM: target?.x ?? null,
    targetYM: target?.y ?? null,
    targetWidthM: target?.widthM ?? null,
    targetDepthM: target?.depthM ?? null,
  };
}

/** Within a transaction that holds the round, and sums it up afterwards. */
export async function writeResult(tx: Store, roundId: RoundId, card: RungDocument, id: ResultId, body: ResultBody): Promise<void> {
  const values = valuesOf(card, body);
  if (!(await tx.added(INSERT, { ...values, roundId, id }))) {
    const known = await tx.anyOne(result, id, 'result');
    if (known.roundId !== roundId) throw notFound('result');
    if (known.deletedAt) return;
    await tx.change(result, eq(result.id, id), values);
  }
  const ofBall = await tx.read((db, mine) =>
    db
      .select({ id: result.id })
      .from(result)
      .where(and(mine(result), eq(result.roundId, roundId), eq(result.seq, values.seq)))
      .orderBy(asc(result.id)),
  );
  const last = ofBall.at(-1)!.id;
  const others = ofBall.slice(0, -1).map((each) => each.id);
  if (others.length > 0) await tx.change(result, inArray(result.id, others), { replacedBy: last, deletedAt: new Date() });
}
