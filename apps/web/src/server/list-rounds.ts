import { type CourtId, once, type PlayerId } from '@good-arc/core';
import { and, count, desc, eq, gte, inArray, isNotNull, type SQL, sql, sum } from 'drizzle-orm';
import type { ListedRound, RanLast, RoundRow, Swings } from '../api/rows.ts';
import { court, ladder, machine, player, round, rung } from '../db/schema.ts';
import { type Db, rowsOf } from './db.ts';
import { type RoundsAsked, readCard, whereOf } from './read-rounds.ts';
import { ofClub, type Store } from './store.ts';
import { type Touched, untilTouched } from './touched.ts';

/** Ids of rounds that were touched, where each of them is among those that are known, and still there. */
function stillThere(known: readonly { id: string }[], touched: readonly Touched[]): string[] | undefined {
  const isThere = ({ id, hasMoved, isDeleted }: Touched): boolean => !hasMoved && !isDeleted && known.some((each) => each.id === id);
  return touched.every(isThere) ? touched.map(({ id }) => id) : undefined;
}

/** Those that were read again in the place of what they were; undefined where one is not there any more. */
function inPlace<R extends { id: string }>(before: readonly R[], ids: readonly string[], read: readonly R[]): R[] | undefined {
  const now = new Map(read.map((each) => [each.id, each]));
  return ids.every((id) => now.has(id)) ? before.map((each) => now.get(each.id) ?? each) : undefined;
}

const listed = untilTouched<readonly ListedRound[]>(300, async (store, before, touched) => {
  const ids = stillThere(before, touched);
  return ids && inPlace(before, ids, await readList(store, { ids, most: ids.length }));
});
/** Those with a word: it may stand in notes that are others now. */
const found = untilTouched<readonly ListedRound[]>(100);
/** What names come from. */
const namedBy = ({ marks }: Store): string => `${marks?.kit} ${marks?.ladders}`;

/** Rounds as a list shows them: neither their balls nor what they were run with are read. Newest first; archived players and ladders keep their names. */
export const listRounds = async (store: Store, asked: RoundsAsked): Promise<readonly ListedRound[]> =>
  (asked.word ? found : listed)(store, { key: JSON.stringify(asked), besides: namedBy(store), of: asked }, (own) => readList(own, asked));

async function readList(store: Store, asked: RoundsAsked): Promise<ListedRound[]> {
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

// first the newest, then their names: joined at once, the database sorts all rounds there are
const HEADS = `SELECT newest.id, newest.rung_id AS rungId, newest.player_id AS playerId, player.name AS playerName
  FROM (SELECT id, rung_id, player_id, started_at FROM round WHERE club_id = ? AND deleted_at IS NULL ORDER BY started_at DESC, id DESC LIMIT ?) newest
  JOIN player ON player.id = newest.player_id ORDER BY newest.started_at DESC, newest.id DESC`;

type Head = Pick<RoundRow, 'id' | 'rungId' | 'playerId' | 'playerName'>;
/** Whose a round is, and on which rung, no ball changes. */
const heads = untilTouched<readonly Head[]>(200, (_, before, touched) => stillThere(before, touched) && before);

/** Which rungs were run last, and by whom: the newest rounds, without what they were run with and what became of their balls. */
export const readHeads = (store: Store, most: number): Promise<readonly Head[]> =>
  heads(store, { key: String(most), besides: namedBy(store), of: {} }, (own) =>
    own.read((db) => rowsOf<Head>(db, HEADS, [own.clubId, most])),
  );

const ranLast = untilTouched<readonly RanLast[]>(300, async (store, before, touched) => {
  const ids = stillThere(before, touched);
  return ids && inPlace(before, ids, await readRuns(store, ids));
});

/** What these rounds were run with and what they came to, without their balls; newest first. */
export const readRan = async (store: Store, ids: readonly string[]): Promise<readonly RanLast[]> =>
  ids.length === 0 ? [] : ranLast(store, { key: ids.join(), besides: namedBy(store), of: { ids } }, (own) => readRuns(own, ids));

async function readRuns(store: Store, ids: readonly string[]): Promise<RanLast[]> {
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

/** Rounds of the club that asks, since its `from`. */
export const beganSince = (): SQL | undefined => and(ofClub(round), gte(round.startedAt, sql.placeholder('from')));
const counted = untilTouched<{ rounds: number; hits: number; balls: number }[]>(200);
const COUNTED = once((db: Db) =>
  db
    .select({ rounds: count(), balls: sum(round.balls).mapWith(Number), hits: sum(round.hits).mapWith(Number) })
    .from(round)
    .where(beganSince())
    .prepare(),
);

/** Of all rounds since then: how many, and what was hit of what counted. */
export async function countSince(store: Store, from: Date): Promise<{ rounds: number; hits: number; balls: number }> {
  const [row] = await counted(store, { key: from.toISOString(), of: {} }, (own) => own.ask(COUNTED, { from }));
  return { rounds: row?.rounds ?? 0, balls: row?.balls ?? 0, hits: row?.hits ?? 0 };
}

const swung = untilTouched<Swings[]>(200);
const SWUNG = once((db: Db) =>
  db
    .select({ playerId: round.playerId, rungId: round.rungId, swings: sum(round.swings).mapWith(Number) })
    .from(round)
    .where(beganSince())
    .groupBy(round.playerId, round.rungId)
    .prepare(),
);

/** Swings since then, of each player on each rung: balls that were let go, or never fed, are none. */
export async function swingsSince(store: Store, from: Date): Promise<Swings[]> {
  const rows = await swung(store, { key: from.toISOString(), of: {} }, (own) => own.ask(SWUNG, { from }));
  return rows.filter(({ swings }) => swings > 0);
}

/** Rounds that are looked through for the last ones of each player. */
const MOST_LOOKED_THROUGH = 200;

/** The newest rounds of one rung that tell of it; an index gives them without a look at all of them. */
const ON_RUNG = `(SELECT id, player_id, started_at, gate_hits, gate_balls FROM round FORCE INDEX (round_rung)
  WHERE rung_id = ? AND club_id = ? AND deleted_at IS NULL AND own_target = FALSE ORDER BY started_at DESC, id DESC LIMIT ?)`;

interface Rate {
  playerId: PlayerId;
  hits: number;
  balls: number;
}
const rated = untilTouched<Rate[]>(300);

/** What each player hit in their last rounds on these rungs, who hit last first. @param last so many rounds each */
export async function ratesOn(store: Store, rungIds: readonly string[], last: number): Promise<readonly Rate[]> {
  if (rungIds.length === 0) return [];
  return rated(store, { key: `${last} ${rungIds.join()}`, of: { rungIds } }, (own) => readRates(own, rungIds, last));
}

function readRates(store: Store, rungIds: readonly string[], last: number): Promise<Rate[]> {
  const newest = `SELECT * FROM (${rungIds.map(() => ON_RUNG).join(' UNION ALL ')}) each_rung ORDER BY started_at DESC, id DESC LIMIT ?`;
  const counted = `SELECT *, ROW_NUMBER() OVER (PARTITION BY player_id ORDER BY started_at DESC, id DESC) AS nth FROM (${newest}) newest`;
  const rates = `SELECT player_id AS playerId, CAST(SUM(gate_hits) AS DOUBLE) AS hits, CAST(SUM(gate_balls) AS DOUBLE) AS balls
    FROM (${counted}) counted WHERE nth <= ? GROUP BY player_id HAVING balls > 0 ORDER BY MAX(started_at) DESC, MAX(id) DESC`;
  const values = [...rungIds.flatMap((id) => [id, store.clubId, MOST_LOOKED_THROUGH]), MOST_LOOKED_THROUGH, last];
  return store.read((db) => rowsOf(db, rates, values));
}

/** Who hit last on this court; null when nobody has. */
export async function lastPlayerOn(store: Store, courtId: CourtId): Promise<string | null> {
  const [last] = await store.read((db, mine) =>
    db
      .select({ playerId: round.playerId })
      .from(round)
      .where(and(mine(round), eq(round.courtId, courtId)))
      .orderBy(desc(round.startedAt), desc(round.id))
      .limit(1),
  );
  return last?.playerId ?? null;
}

const withRounds = untilTouched<{ id: string; name: string }[]>(100, (_, before, touched) =>
  touched.every(({ playerId, hasMoved, isDeleted }) => !hasMoved && !isDeleted && before.some(({ id }) => id === playerId))
    ? before
    : undefined,
);
const WITH_ROUNDS = once((db: Db) => {
  // one of each: asked whether any exists, the database reads all of them
  const one = db
    .select({ id: round.id })
    .from(round, { forceIndex: 'round_player' })
    .where(and(ofClub(round), eq(round.playerId, player.id)))
    .limit(1);
  return db
    .select({ id: player.id, name: player.name })
    .from(player)
    .where(and(eq(player.clubId, sql.placeholder('clubId')), isNotNull(sql`(${one})`)))
    .orderBy(player.name)
    .prepare();
});

/** Players who have a round, by name. */
export const playersWithRounds = (store: Store): Promise<readonly { id: string; name: string }[]> =>
  withRounds(store, { key: '', besides: namedBy(store), of: {} }, (own) => own.ask(WITH_ROUNDS));
