import { getTableName, type SQL, type SQLWrapper, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { frozen } from '../db/parsed.ts';
import { ballStock, court, gameBall, ladder, machine, player, rung, squad } from '../db/schema.ts';
import { rowsOf } from './db.ts';
import { QUIET_COLUMN } from './quiet.ts';
import type { Marks } from './scope.ts';
import type { ClubTable, SetAside, Store } from './store.ts';
import { SETTLED_COLUMN, touchedColumn } from './touched.ts';

/** Clubs whose kit and ladders are kept at hand; others are read anew. */
const MOST_CLUBS = 100;

type MarkedTable = ClubTable & { version?: unknown };

/** What is read once of a club, and the tables it is read out of. */
const KEPT = {
  kit: [player, squad, court, ballStock, machine, gameBall],
  ladders: [ladder, rung],
} as const satisfies Record<string, readonly MarkedTable[]>;
type Kept = keyof typeof KEPT;

/** Counts rows, and mixes what changes with each of them. @param of a condition on the rows */
export const markWhere = (table: MarkedTable, of: string): string => {
  const version = table.version === undefined ? '' : 'version, ';
  return `(SELECT CONCAT(COUNT(*), ' ', COALESCE(BIT_XOR(CRC32(CONCAT_WS(' ', id, ${version}updated_at, deleted_at))), 0)) FROM \`${getTableName(table)}\` WHERE ${of})`;
};

/** @param club an expression for its id */
const markOf = (what: Kept, club: string): string =>
  `CONCAT_WS(';', ${KEPT[what].map((table) => markWhere(table, `club_id = ${club}`)).join(', ')})`;

/** All marks as one column, for a statement that is asked anyhow, and knows the club as `club`. @param clubId the same club’s, as a value */
export const marksColumn = (clubId: SQLWrapper): SQL<string> =>
  sql<string>`CONCAT_WS('|', ${sql.raw(markOf('kit', 'club.id'))}, ${sql.raw(markOf('ladders', 'club.id'))}, ${sql.raw(QUIET_COLUMN)}, ${touchedColumn(clubId)}, ${sql.raw(SETTLED_COLUMN)}, COALESCE(club.answers, ''))`;
export const marksFrom = (column: string): Marks => {
  const [kit = '', ladders = '', quiet = '', touched = '', settled = '', answers = ''] = column.split('|');
  return { kit, ladders, quiet, touched, settled, answers };
};

const asked = { kit: `SELECT ${markOf('kit', '?')} AS mark`, ladders: `SELECT ${markOf('ladders', '?')} AS mark` } as const;

async function readMark(store: Store, what: Kept): Promise<string> {
  const values = KEPT[what].map(() => store.clubId);
  const [row] = await store.read((db) => rowsOf<{ mark: unknown }>(db, asked[what], values));
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
