import { LRUCache } from 'lru-cache';
import { frozen } from '../db/parsed.ts';
import type { Store } from './store.ts';

/**
 * A club is quiet when none of its rounds was touched for so long, s. Whatever was written before has been committed by then (no statement takes longer than
 * `GOODARC_QUERY_MS`, nobody waits longer than 3 s for a lock), and clocks of
 * the database's nodes are together within it (`updated_at` goes by theirs).
 */
export const QUIET_S = 60;

/**
 * When a round of the club was last touched, and what was learnt of its players; empty while somebody plays. An index gives it by one look, however many rounds
 * there are. For a statement that knows the club as `club`.
 */
export const QUIET_COLUMN = `COALESCE((SELECT IF(updated_at < UTC_TIMESTAMP(3) - INTERVAL ${QUIET_S} SECOND, CONCAT(updated_at, ' ', COALESCE(CRC32(club.answers), '')), '')
  FROM round FORCE INDEX (round_touched) WHERE club_id = club.id ORDER BY updated_at DESC LIMIT 1), 'no rounds')`;

/**
 * Keeps what was read of the rounds of a club for as long as the club is quiet: nobody has touched a round since then, so that nothing need be asked. While
 * somebody plays, and wherever no page asks, it is read each time.
 * @param most so many answers are kept
 * @returns a way to read: `key` says what is asked, `besides` marks whatever else it comes from. What cannot be read is said each time
 */
export function whileQuiet<T extends object>(most: number) {
  const known = new LRUCache<string, { mark: string; value: T }>({ max: most });
  return async (store: Store, key: string, besides: string, read: () => Promise<T>): Promise<T> => {
    const quiet = store.marks?.quiet ?? '';
    if (quiet === '') return read();
    const [name, mark] = [`${store.clubId} ${key}`, `${quiet} ${besides}`];
    const before = known.get(name);
    if (before?.mark === mark) return before.value;
    const leftOut = store.setAside.length;
    const value = frozen(await read());
    if (store.setAside.length === leftOut) known.set(name, { mark, value });
    return value;
  };
}
