import { getTableName } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { frozen } from '../db/parsed.ts';
import { rowsOf } from './db.ts';
import type { ClubTable, Store } from './store.ts';

/** Clubs whose kit and ladders are kept at hand; others are read anew. */
const MOST_CLUBS = 100;

/** What tells whether any row of a club in a table was added, changed, removed or brought back. */
const markOf = (table: ClubTable & { version?: unknown }): string => {
  const version = table.version === undefined ? '' : 'version, ';
  return `(SELECT CONCAT(COUNT(*), ' ', COALESCE(BIT_XOR(CRC32(CONCAT_WS(' ', id, ${version}updated_at, deleted_at))), 0)) FROM \`${getTableName(table)}\` WHERE club_id = ?)`;
};

/**
 * Reads something of a club out of these tables: once, and again when a row of them is another. The mark is read first, so that what is kept is never older
 * than its mark. Nothing is kept of what had to be set aside, nor within a transaction, which sees what others do not.
 */
export function unlessChanged<T extends object>(
  tables: readonly ClubTable[],
  read: (store: Store) => Promise<T>,
): (store: Store) => Promise<T> {
  const known = new LRUCache<string, { mark: string; value: T }>({ max: MOST_CLUBS });
  const asked = `SELECT CONCAT_WS(';', ${tables.map(markOf).join(', ')}) AS mark`;
  return async (store) => {
    if (store.isWithin) return read(store);
    const [row] = await store.read((db) =>
      rowsOf<{ mark: unknown }>(
        db,
        asked,
        tables.map(() => store.clubId),
      ),
    );
    const mark = String(row?.mark);
    const before = known.get(store.clubId);
    if (before?.mark === mark) return before.value;
    const leftOut = store.setAside.length;
    const value = await read(store);
    if (store.setAside.length === leftOut) known.set(store.clubId, { mark, value: frozen(value) });
    return value;
  };
}
