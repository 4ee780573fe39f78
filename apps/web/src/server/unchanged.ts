import { once } from '@good-arc/core';
import { getTableName, type SQL, type SQLWrapper, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { frozen } from '../db/parsed.ts';
import { ballStock, court, gameBall, ladder, machine, plan, player, rung, squad } from '../db/schema.ts';
import type { Db } from './db.ts';
import type { Marks } from './scope.ts';
import type { ClubTable, SetAside, Store } from './store.ts';
import { SETTLED_COLUMN, touchedBeforeColumn, touchedColumn } from './touched.ts';

/** Clubs whose kit and ladders are kept at hand; others are read anew. */
const MOST_CLUBS = 100;

type MarkedTable = ClubTable & { version?: unknown };

/** What is read once of a club, and the tables it is read out of. */
const KEPT = {
  kit: [player, squad, court, ballStock, machine, gameBall],
  ladders: [ladder, rung],
  plans: [plan],
} as const satisfies Record<string, readonly MarkedTable[]>;
type Kept = keyof typeof KEPT;

/** Of years of planned outings those are kept that a page may show; they begin by the clock of a court, somewhere. */
const PLANS_FROM = "DATE_FORMAT(UTC_TIMESTAMP() - INTERVAL 1 DAY, '%Y-%m-%d')";
/** The same of our own clock. */
export const plansFrom = (): string => new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);

/** Counts rows, and mixes what changes with each of them. @param of a condition on the rows */
export const markWhere = (table: MarkedTable, of: SQL): SQL =>
  sql`(SELECT CONCAT(COUNT(*), ' ', COALESCE(BIT_XOR(CRC32(CONCAT_WS(' ', id, ${sql.raw(table.version === undefined ? '' : 'version, ')}updated_at, deleted_at))), 0)) FROM ${sql.raw(`\`${getTableName(table)}\``)} WHERE ${of})`;

/** @param clubId its id: a value, or a column of the statement */
function markOf(what: Kept, clubId: SQLWrapper): SQL {
  const of = what === 'plans' ? sql`club_id = ${clubId} AND starts_at >= ${sql.raw(PLANS_FROM)}` : sql`club_id = ${clubId}`;
  const marks = KEPT[what].map((table) => markWhere(table, of));
  return sql`CONCAT_WS(';', ${sql.join(marks, sql.raw(', '))})`;
}

const CLUB = sql.raw('club.id');
/** All marks as one column, for a statement that is asked anyhow, and knows the club as `club`. @param clubId the same club’s, as a value */
export const marksColumn = (clubId: SQLWrapper): SQL<string> =>
  sql<string>`CONCAT_WS('|', ${markOf('kit', CLUB)}, ${markOf('ladders', CLUB)}, ${touchedColumn(clubId)}, ${touchedBeforeColumn(clubId)}, ${SETTLED_COLUMN}, COALESCE(club.answers, ''), ${markOf('plans', clubId)})`;
export const marksFrom = (column: string): Omit<Marks, 'checks' | 'views'> => {
  const [kit = '', ladders = '', touched = '', touchedBefore = '', settled = '', answers = '', plans = ''] = column.split('|');
  return { kit, ladders, touched, touchedBefore, settled, answers, plans };
};

const MARK = (what: Kept) =>
  once((db: Db) =>
    db
      .select({ mark: sql<string>`${markOf(what, sql.placeholder('clubId'))}` })
      .from(sql`DUAL`)
      .prepare(),
  );
const asked = { kit: MARK('kit'), ladders: MARK('ladders'), plans: MARK('plans') } as const;

async function readMark(store: Store, what: Kept): Promise<string> {
  const [row] = await store.ask(asked[what]);
  return String(row?.mark);
}

/**
 * Reads something of a club: once, and again when a row of its tables is another. The mark is read first (a page has it from who asks for it), so that what is
 * kept is never older than its mark. What had to be set aside is said each time. Nothing is kept within a transaction, which sees what others do not.
 * @param read is handed what was kept until now
 */
export function unlessChanged<T extends object>(
  what: Kept,
  read: (store: Store, before: T | undefined) => Promise<T>,
): (store: Store) => Promise<T> {
  const known = new LRUCache<string, { mark: string; value: T; leftOut: readonly SetAside[] }>({ max: MOST_CLUBS });
  return async (store) => {
    if (store.isWithin) return read(store, undefined);
    const mark = store.marks?.[what] ?? (await readMark(store, what));
    const before = known.get(store.clubId);
    if (before?.mark === mark) {
      store.leaveOut(before.leftOut);
      return before.value;
    }
    const apart = store.apart();
    const value = frozen(await read(apart, before?.value));
    known.set(store.clubId, { mark, value, leftOut: apart.setAside });
    store.leaveOut(apart.setAside);
    return value;
  };
}
