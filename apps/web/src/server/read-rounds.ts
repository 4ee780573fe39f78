import {
  type Outcome,
  once,
  type PlayerId,
  type RungDocument,
  type RungId,
  rowId,
  rungSchema,
  scoreForGate,
  weatherSchema,
} from '@good-arc/core';
import { and, asc, desc, eq, getTableColumns, gte, inArray, lt, or, type SQL, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { BriefRound, ResultRow, RoundRow } from '../api/rows.ts';
import { parsedOnce } from '../db/parsed.ts';
import { court, ladder, machine, player, result, round, rung } from '../db/schema.ts';
import type { Db } from './db.ts';
import { readKit } from './kit.ts';
import { laddersOf } from './ladders.ts';
import { ofClub, type Store, tooMany } from './store.ts';
import { type Touched, untilTouched } from './touched.ts';

/** What a round was run with; null, and set aside, when it cannot be read. */
export const readCard = (store: Store, { id, card, startedAt }: { id: string; card: unknown; startedAt: Date }): RungDocument | null =>
  store.document(rungSchema, card, { what: 'round', id, name: startedAt.toISOString().slice(0, 16).replace('T', ' ') });

/** Where a ball was to be hit to, where that was another goal than its card’s. */
export const targetIn = ({
  targetXM: x,
  targetYM: y,
  targetWidthM: widthM,
  targetDepthM: depthM,
}: Pick<typeof result.$inferSelect, 'targetXM' | 'targetYM' | 'targetWidthM' | 'targetDepthM'>): ResultRow['target'] =>
  x === null || y === null || widthM === null || depthM === null ? null : { x, y, widthM, depthM };

const landingIn = ({ landXM: x, landYM: y }: Pick<typeof result.$inferSelect, 'landXM' | 'landYM'>): ResultRow['landing'] =>
  x === null || y === null ? null : { x, y };

/** Of a ball what a page shows. */
const SHOWN = {
  ...{ id: result.id, seq: result.seq, feedId: result.feedId, outcome: result.outcome },
  ...{ speedMps: result.speedMps, elevationDeg: result.elevationDeg, bearingDeg: result.bearingDeg, radarMps: result.radarMps },
  ...{ landXM: result.landXM, landYM: result.landYM, targetXM: result.targetXM, targetYM: result.targetYM },
  ...{ targetWidthM: result.targetWidthM, targetDepthM: result.targetDepthM },
};

const toResult = ({
  id,
  seq,
  feedId,
  outcome,
  speedMps,
  elevationDeg,
  bearingDeg,
  radarMps,
  ...row
}: Pick<typeof result.$inferSelect, keyof typeof SHOWN>): ResultRow => ({
  id,
  seq,
  feedId,
  outcome: outcome as Outcome,
  speedMps,
  elevationDeg,
  bearingDeg,
  radarMps,
  landing: landingIn(row),
  target: targetIn(row),
});

/** Which rounds, and how many at most. */
export interface RoundsAsked {
  rungIds?: readonly string[];
  playerId?: PlayerId;
  ids?: readonly string[];
  /** Begun from then on, and before then. */
  from?: Date;
  before?: Date;
  /** In the name of the rung as it was run, of its machine or court, or in the notes. */
  word?: string;
  /** Those that come after this one in the order. */
  after?: { startedAt: Date; id: string };
  most: number;
}

/** As many as a screen shows at once. */
export const PAGE_ROUNDS = 50;

/** Balls of one round, corrections that were taken back left out. */
const MOST_BALLS = 1000;

/** Results of rounds, in the order of their balls. */
async function resultsOf(store: Store, roundIds: readonly string[]): Promise<Map<string, ResultRow[]>> {
  const byRound = new Map<string, ResultRow[]>();
  if (roundIds.length === 0) return byRound;
  const most = roundIds.length * MOST_BALLS;
  for (const each of await store.list(result, inArray(result.roundId, [...roundIds]), result.seq, most)) {
    const own = byRound.get(each.roundId) ?? [];
    own.push(toResult(each));
    byRound.set(each.roundId, own);
  }
  return byRound;
}

/** Whether a round has a word in what was noted, or in a name that belongs to it. */
function holds(word: string): SQL {
  // what a person types stands for itself
  const like = `%${word.toLowerCase().replace(/[\\%_]/g, (each) => `\\${each}`)}%`;
  return sql`(${round.notes} LIKE ${like} OR LOWER(JSON_VALUE(${round.card}, '$.document.name')) LIKE ${like}
    OR EXISTS (SELECT 1 FROM ${machine} WHERE ${machine.id} = ${round.machineId} AND ${machine.name} LIKE ${like})
    OR EXISTS (SELECT 1 FROM ${court} WHERE ${court.id} = ${round.courtId} AND ${court.name} LIKE ${like}))`;
}

/** Null where none can be asked for. */
export function whereOf({ rungIds, playerId, ids, from, before, word, after }: RoundsAsked): SQL | undefined | null {
  if (rungIds?.length === 0 || ids?.length === 0) return null;
  return and(
    rungIds && inArray(round.rungId, [...rungIds]),
    playerId === undefined ? undefined : eq(round.playerId, playerId),
    ids && inArray(round.id, [...ids]),
    from && gte(round.startedAt, from),
    before && lt(round.startedAt, before),
    word ? holds(word) : undefined,
    after && or(lt(round.startedAt, after.startedAt), and(eq(round.startedAt, after.startedAt), lt(round.id, after.id))),
  );
}

interface Named {
  id: string;
  name: string;
}

/** Those that are known, and of the others of these the rows, archived ones too. */
async function withOthers(
  store: Store,
  table: typeof player | typeof machine | typeof court | typeof ladder,
  known: readonly Named[],
  ids: readonly string[],
): Promise<Named[]> {
  const others = ids.filter((id) => !known.some((each) => each.id === id));
  return [...known, ...(await store.any(table, others))];
}

/** Names that belong to rounds: a page has those in use at hand. */
async function namesFor(store: Store, rounds: readonly (typeof round.$inferSelect)[]) {
  const of = (key: 'playerId' | 'machineId' | 'courtId' | 'rungId'): string[] => rounds.map((each) => each[key]);
  const [kit, climbed] = store.marks ? await Promise.all([readKit(store), laddersOf(store, rounds)]) : [null, []];
  const inUse = climbed.flatMap(({ id: ladderId, rungs }) => rungs.map(({ id }) => ({ id: id as string, ladderId })));
  const [players, machines, courts, others] = await Promise.all([
    withOthers(store, player, kit?.players ?? [], of('playerId')),
    withOthers(store, machine, kit?.machines ?? [], of('machineId')),
    withOthers(store, court, kit?.courts ?? [], of('courtId')),
    store.any(
      rung,
      of('rungId').filter((id) => !inUse.some((each) => each.id === id)),
    ),
  ]);
  const rungs = [...inUse, ...others];
  const ladderIds = others.map(({ ladderId }) => ladderId);
  const ladders = await withOthers(store, ladder, climbed, ladderIds);
  const nameIn = (rows: readonly Named[], id: string | undefined): string => rows.find((each) => each.id === id)?.name ?? '–';
  return ({ playerId, machineId, courtId, rungId }: typeof round.$inferSelect) => ({
    playerName: nameIn(players, playerId),
    machineName: nameIn(machines, machineId),
    courtName: nameIn(courts, courtId),
    ladderName: nameIn(ladders, rungs.find(({ id }) => id === rungId)?.ladderId),
  });
}

/** Rounds with their results and the names that belong to them, newest first; archived players and kit keep their names. */
export async function readRounds(store: Store, asked: RoundsAsked): Promise<RoundRow[]> {
  const where = whereOf(asked);
  if (where === null) return [];
  const rounds = await store.page(round, where, [desc(round.startedAt), desc(round.id)], asked.most);
  if (rounds.length === 0) return [];
  const ids = rounds.map(({ id }) => id);
  const [byRound, names] = await Promise.all([resultsOf(store, ids), namesFor(store, rounds)]);
  return rounds.flatMap((each) => asRow(store, each, names, byRound.get(each.id) ?? []));
}

const anId = rowId<'round'>();
/** Asked for each page of a round: put together once for a database. Few rounds were put right. */
const ONE = once((db: Db) =>
  db
    .select({
      ...getTableColumns(round),
      // in words of its own: of one table, Drizzle names columns without it
      isCorrected: sql<number>`EXISTS (SELECT 1 FROM correction WHERE correction.round_id = round.id)`,
    })
    .from(round)
    .where(and(ofClub(round), eq(round.id, sql.placeholder('id'))))
    .prepare(),
);
const BALLS_OF_ONE = once((db: Db) =>
  db
    .select(SHOWN)
    .from(result)
    .where(and(ofClub(result), eq(result.roundId, sql.placeholder('id'))))
    .orderBy(asc(result.seq), asc(result.id))
    .limit(MOST_BALLS + 1)
    .prepare(),
);

/** As `readRounds`, of one; undefined where there is none, or its card cannot be read. @param id of an address: it may be anything */
export const readRound = async (store: Store, id: string): Promise<RoundRow | undefined> => (await readOne(store, id))?.round;

const ones = untilTouched<{
  one: (typeof round.$inferSelect & { isCorrected: number }) | undefined;
  results: ResultRow[];
  isWhole: boolean;
}>(100);

/** The same, with whether anything of it was put right. */
export async function readOne(store: Store, id: string): Promise<{ round: RoundRow; isCorrected: boolean } | undefined> {
  if (!anId.safeParse(id).success) return undefined;
  const { one, results, isWhole } = await ones(store, { key: id, of: { ids: [id] } }, async (apart) => {
    const [[own], balls] = await Promise.all([apart.ask(ONE, { id }), apart.ask(BALLS_OF_ONE, { id })]);
    return { one: own, results: balls.slice(0, MOST_BALLS).map(toResult), isWhole: balls.length <= MOST_BALLS };
  });
  if (!one) return undefined;
  if (!isWhole) store.leaveOut([tooMany(result, MOST_BALLS)]);
  const { isCorrected, ...own } = one;
  const [row] = asRow(store, own, await namesFor(store, [own]), results);
  return row && { round: row, isCorrected: isCorrected === 1 };
}

/** None where its card cannot be read. */
function asRow(store: Store, of: typeof round.$inferSelect, names: Awaited<ReturnType<typeof namesFor>>, results: ResultRow[]): RoundRow[] {
  const card = readCard(store, of);
  if (!card) return [];
  return [
    {
      id: of.id,
      outingId: of.outingId,
      rungId: of.rungId,
      playerId: of.playerId,
      machineId: of.machineId,
      courtId: of.courtId,
      ...names(of),
      card,
      weather: parsedOnce(weatherSchema, of.weather).data ?? card.weather,
      confirmedBy: of.confirmedBy,
      notes: of.notes,
      source: of.source,
      startedAt: of.startedAt.toISOString(),
      finishedAt: of.finishedAt?.toISOString() ?? null,
      results,
    },
  ];
}

/** Rounds that were read last, as they stood at their last change: a player's years are looked through again for each ball that is added to them. */
const briefs = new LRUCache<string, { changed: number; round: BriefRound }>({ max: 20_000 });

/** Rounds with their results, by id; what cannot be read is set aside. */
async function readBriefly(store: Store, ids: readonly string[]): Promise<Map<string, { changed: number; round: BriefRound }>> {
  const found = new Map<string, { changed: number; round: BriefRound }>();
  if (ids.length === 0) return found;
  const rounds = await store.page(round, inArray(round.id, [...ids]), [desc(round.id)], ids.length);
  // after their rounds: a ball that comes in between makes its round another one, which is read again
  const results = await store.read((db, mine) =>
    db
      .select({
        roundId: result.roundId,
        seq: result.seq,
        feedId: result.feedId,
        outcome: result.outcome,
        landXM: result.landXM,
        landYM: result.landYM,
        targetXM: result.targetXM,
        targetYM: result.targetYM,
        targetWidthM: result.targetWidthM,
        targetDepthM: result.targetDepthM,
      })
      .from(result)
      .where(and(mine(result), inArray(result.roundId, [...ids])))
      .orderBy(result.roundId, result.seq),
  );
  const of = new Map<string, BriefRound['results']>(ids.map((id) => [id, []]));
  for (const { roundId, seq, feedId, outcome, ...row } of results)
    of.get(roundId)?.push({ seq, feedId, outcome: outcome as Outcome, landing: landingIn(row), target: targetIn(row) });
  for (const each of rounds) {
    const card = readCard(store, each);
    if (!card) continue;
    const { id, rungId, playerId, courtId, source, startedAt, notes } = each;
    const weather = parsedOnce(weatherSchema, each.weather).data ?? card.weather;
    const brief = { id, rungId, playerId, courtId, card, weather, source, notes, startedAt: startedAt.toISOString(), results: of.get(id)! };
    found.set(id, { changed: each.updatedAt.getTime(), round: Object.freeze(brief) });
  }
  for (const [id, each] of found) briefs.set(id, each);
  return found;
}

const INDEXES = ['round_newest', 'round_rung', 'round_player', 'round_player_rung'] as const;
type RoundIndex = (typeof INDEXES)[number];

/** The index that knows the newest of these, so that no other is taken. */
const indexOf = ({ playerId, rungId }: { playerId?: PlayerId; rungId?: RungId }): RoundIndex => {
  if (playerId === undefined) return rungId === undefined ? 'round_newest' : 'round_rung';
  return rungId === undefined ? 'round_player' : 'round_player_rung';
};

const headsBy = (forceIndex: RoundIndex) =>
  once((db: Db) =>
    db
      .select({ id: round.id, updatedAt: round.updatedAt })
      .from(round, { forceIndex })
      .where(
        and(
          ofClub(round),
          forceIndex.includes('player') ? eq(round.playerId, sql.placeholder('playerId')) : undefined,
          forceIndex.includes('rung') ? eq(round.rungId, sql.placeholder('rungId')) : undefined,
        ),
      )
      .orderBy(desc(round.startedAt), desc(round.id))
      .limit(sql.placeholder('most'))
      .prepare(),
  );
const HEADS = Object.fromEntries(INDEXES.map((each) => [each, headsBy(each)])) as Record<RoundIndex, ReturnType<typeof headsBy>>;

interface BriefAsked {
  playerId?: PlayerId;
  rungId?: RungId;
  most: number;
}
/** The newest that were asked for, with what was asked. */
interface Newest {
  asked: BriefAsked;
  rounds: readonly BriefRound[];
}
/** Of all lists together so many rounds are kept. */
const MOST_KEPT = 30_000;
const newest = untilTouched<Newest>(MOST_KEPT, upToDate, ({ rounds }) => rounds.length + 1);

async function upToDate(store: Store, { asked, rounds }: Newest, touched: readonly Touched[]): Promise<Newest | undefined> {
  const isFull = rounds.length === asked.most;
  if (isFull && touched.some(({ hasMoved }) => hasMoved)) return undefined;
  const ids = touched.map(({ id }) => id);
  const read = await readBriefly(store, ids);
  const fits = ({ playerId, rungId }: BriefRound): boolean =>
    (asked.playerId ?? playerId) === playerId && (asked.rungId ?? rungId) === rungId;
  const now = [...read.values()].map((each) => each.round).filter(fits);
  const all = [...now, ...rounds.filter(({ id }) => !ids.includes(id))].sort(newestFirst);
  // where one is gone another comes after the last
  if (isFull && all.length < asked.most) return undefined;
  return { asked, rounds: all.slice(0, asked.most) };
}
const newestFirst = (a: BriefRound, b: BriefRound): number =>
  a.startedAt === b.startedAt ? Number(a.id < b.id) - Number(a.id > b.id) : a.startedAt < b.startedAt ? 1 : -1;

/**
 * Rounds without the names that belong to them, and their results without what the machine said: what years of them are looked back at for. Newest first;
 * those that are not as they were when they were last read are read again. The same list until one of them is another.
 */
export async function readBrief(store: Store, asked: BriefAsked): Promise<readonly BriefRound[]> {
  const { playerId, rungId, most } = asked;
  const of = { playerId, rungIds: rungId && [rungId] };
  const { rounds } = await newest(store, { key: `${playerId ?? ''} ${rungId ?? ''} ${most}`, of }, async (own) => ({
    asked,
    rounds: await readNewest(own, asked),
  }));
  return rounds;
}

async function readNewest(store: Store, asked: BriefAsked): Promise<BriefRound[]> {
  const { playerId, rungId, most } = asked;
  const heads = await store.ask(HEADS[indexOf(asked)], { playerId, rungId, most });
  const known = heads.map(({ id, updatedAt }) => {
    const before = briefs.get(id);
    return before?.changed === updatedAt.getTime() ? before : undefined;
  });
  const read = await readBriefly(
    store,
    heads.flatMap(({ id }, i) => (known[i] ? [] : [id])),
  );
  return heads.flatMap(({ id }, i) => known[i]?.round ?? read.get(id)?.round ?? []);
}

/** What a round says of its gate: the same of the same round. */
export const gateScoreOf = once(({ card, results }: Pick<BriefRound, 'card' | 'results'>) => scoreForGate(card, results));

/** The newest rounds of a player on a rung, as a verdict looks at them. */
export const roundsOn = (store: Store, playerId: PlayerId, rungId: RungId, most: number): Promise<readonly BriefRound[]> =>
  readBrief(store, { playerId, rungId, most });
