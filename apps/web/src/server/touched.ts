import { type SQL, type SQLWrapper, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { frozen } from '../db/parsed.ts';
import type { Marks } from './scope.ts';
import type { SetAside, Store } from './store.ts';

/**
 * What was written so long ago has been committed by now, s: no statement takes longer than `GOODARC_QUERY_MS`, nobody waits longer than 3 s for a lock, and
 * clocks of the database's nodes are together within it (`updated_at` goes by theirs).
 */
const SETTLED_S = 60;
/** So far each page looks back for rounds that were touched, s: twice as long, so that one page a minute misses none. */
const LOOKED_BACK_S = 2 * SETTLED_S;
/** As many rounds are told apart; where more were touched at once (a file that was read in), all count as touched. */
const MOST_TOUCHED = 100;

const agoColumn = (seconds: number): SQL => sql.raw(`(UTC_TIMESTAMP(3) - INTERVAL ${seconds} SECOND)`);

/** Before this every change of a round has been committed by now, by the clock of the database. */
export const SETTLED_COLUMN = agoColumn(SETTLED_S);

/**
 * The rounds of a club that were touched lately, each with whose it is, on which rung, when, whether it was somebody else’s before or at
 * another time, and whether it is deleted.
 * @param clubId a value, not a column of the statement: of a club that is known only row by row the database looks at every round
 */
export const touchedColumn = (clubId: SQLWrapper): SQL =>
  sql`COALESCE((SELECT GROUP_CONCAT(CONCAT_WS(' ', r.id, r.player_id, r.rung_id,
    EXISTS (SELECT 1 FROM correction c WHERE c.round_id = r.id AND c.what IN ('player', 'moment')), r.deleted_at IS NOT NULL, r.updated_at) LIMIT ${sql.raw(String(MOST_TOUCHED))})
  FROM round r FORCE INDEX (round_touched)
  WHERE r.club_id = ${clubId} AND r.updated_at > ${agoColumn(LOOKED_BACK_S)}), '')`;

/** When any was touched before that; empty where none was. An index gives it by one look, however many rounds there are. */
export const touchedBeforeColumn = (clubId: SQLWrapper): SQL =>
  sql`COALESCE((SELECT CONCAT(r.updated_at) FROM round r FORCE INDEX (round_touched)
  WHERE r.club_id = ${clubId} AND r.updated_at <= ${agoColumn(LOOKED_BACK_S)} ORDER BY r.updated_at DESC LIMIT 1), '')`;

/** A round that was touched, as it was then. */
export interface Touched {
  id: string;
  playerId: string;
  rungId: string;
  /** Somebody else's before, or at another time. */
  hasMoved: boolean;
  isDeleted: boolean;
  at: string;
}

/** Which rounds: of a player, on these rungs, or these; all of the club where nothing is said. */
export interface Whose {
  playerId?: string | undefined;
  rungIds?: readonly string[] | undefined;
  ids?: readonly string[] | undefined;
}

const isOf = ({ playerId, rungIds, ids }: Whose, round: Touched): boolean =>
  (ids?.includes(round.id) ?? true) &&
  (round.hasMoved || playerId === undefined || playerId === round.playerId) &&
  (rungIds?.includes(round.rungId) ?? true);

/** What pages told of a club’s rounds: each that was touched after `since`, as it was last; what was touched before `until` is known for good. */
interface Log {
  since: string;
  until: string;
  rounds: Map<string, Touched>;
}
const logs = new LRUCache<string, Log>({ max: 100 });
/** A longer log forgets what it heard first. */
const LONGEST_LOG = 200;

/** What a page knows: of the rounds that it saw itself nothing older or newer, whatever other pages told meanwhile. */
interface View {
  since: string;
  rounds: readonly Touched[];
}

/** By the marks of each page; null where so many rounds were touched that they are not told apart. */
const views = new WeakMap<Marks, View | null>();

function viewOf({ clubId, marks }: Store): View | null {
  if (!marks) return null;
  const before = views.get(marks);
  if (before !== undefined) return before;
  const view = told(clubId, marks);
  views.set(marks, view);
  return view;
}

function told(clubId: string, { touched, touchedBefore, settled }: Marks): View | null {
  const rows = touched === '' ? [] : touched.split(',');
  if (rows.length >= MOST_TOUCHED) {
    logs.delete(clubId);
    return null;
  }
  const before = logs.get(clubId);
  // between what is known and what this page saw nothing was touched
  const log = before && touchedBefore <= before.until ? before : { since: touchedBefore, until: settled, rounds: new Map() };
  if (settled > log.until) log.until = settled;
  const own = rows.map((row): Touched => {
    const [id = '', playerId = '', rungId = '', hasMoved, isDeleted, ...at] = row.split(' ');
    return { id, playerId, rungId, hasMoved: hasMoved === '1', isDeleted: isDeleted === '1', at: at.join(' ') };
  });
  for (const now of own) {
    const known = log.rounds.get(now.id);
    if (known && known.at >= now.at) continue;
    log.rounds.delete(now.id);
    log.rounds.set(now.id, now);
  }
  for (const [id, { at }] of log.rounds) {
    if (log.rounds.size <= LONGEST_LOG) break;
    log.rounds.delete(id);
    if (at > log.since) log.since = at;
  }
  logs.set(clubId, log);
  const seen = new Set(own.map(({ id }) => id));
  return { since: log.since, rounds: [...own, ...[...log.rounds.values()].filter(({ id }) => !seen.has(id))] };
}

const touchedAfter = ({ rounds }: View, whose: Whose, moment: string): Touched[] =>
  rounds.filter((round) => round.at > moment && isOf(whose, round));

interface Known<T> {
  besides: string;
  /** It knows every change before this moment, and of those after it the ones that are named, by their rounds. */
  settled: string;
  seen: ReadonlyMap<string, string>;
  value: T;
  /** What could not be read of it. */
  leftOut: readonly SetAside[];
}

interface Asked {
  /** What is asked. */
  key: string;
  /** Marks whatever else it comes from. */
  besides?: string;
  /** Of which rounds it comes. */
  of: Whose;
}

/**
 * Keeps what was read of rounds until one of them is touched: pages tell which were, so that nothing need be asked of all others. Where no page asks it is
 * read each time. What had to be set aside is said each time. Pages that ask for the same at the same time read it once.
 * @param most so many answers are kept, or as many as come to that by `sizeOf`
 * @param again what was kept, brought up to date with the rounds that were touched since: undefined where it has to be read anew
 */
export function untilTouched<T extends object>(
  most: number,
  again: (store: Store, before: T, touched: readonly Touched[]) => T | undefined | Promise<T | undefined> = () => undefined,
  sizeOf: (value: T) => number = () => 1,
) {
  const known = new LRUCache<string, Known<T>>({ maxSize: most, sizeCalculation: ({ value }) => sizeOf(value) });
  const reading = new Map<string, Promise<Known<T>>>();
  return async (store: Store, { key, besides = '', of }: Asked, read: (store: Store) => Promise<T>): Promise<T> => {
    const view = viewOf(store);
    if (!view || !store.marks) return read(store);
    const { settled } = store.marks;
    const name = `${store.clubId} ${key}`;
    // before anything is read: what is touched meanwhile is news to the next page
    const seen = new Map(touchedAfter(view, of, settled).map(({ id, at }) => [id, at]));
    const before = known.get(name);
    const isKept = before?.besides === besides && before.settled >= view.since;
    // a touch that was seen is looked at once more when it has settled: a node of the database may have been behind another, and what was read with it
    const isNews = ({ id, at }: Touched): boolean => before?.seen.get(id) !== at || at <= settled;
    const news = isKept ? touchedAfter(view, of, before.settled).filter(isNews) : [];
    if (isKept && news.length === 0) {
      if (settled > before.settled) known.set(name, { ...before, settled, seen });
      store.leaveOut(before.leftOut);
      return before.value;
    }
    const same = `${name} ${besides} ${[...seen].join(' ')}`;
    const readIt = async (): Promise<Known<T>> => {
      const apart = store.apart();
      // what is not whole cannot be brought up to date
      const mended = isKept && before.leftOut.length === 0 ? await again(apart, before.value, news) : undefined;
      const value = frozen(mended ?? (await read(apart)));
      const now = { besides, settled, seen, value, leftOut: apart.setAside };
      known.set(name, now);
      return now;
    };
    const asked = reading.get(same) ?? readIt().finally(() => reading.delete(same));
    reading.set(same, asked);
    const { value, leftOut } = await asked;
    store.leaveOut(leftOut);
    return value;
  };
}
