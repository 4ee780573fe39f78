import { type SQL, type SQLWrapper, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { QUIET_S } from './quiet.ts';
import type { Marks } from './scope.ts';

/** So much longer than a minute pages look back for rounds that were touched, s: those of a club where somebody plays come more often than that. */
const LONGER_S = 60;
/** As many rounds are told apart; where more were touched at once (a file that was read in), all count as touched. */
const MOST_TOUCHED = 100;

/** Before this every change of a round has been committed by now (`QUIET_S`), by the clock of the database. */
export const SETTLED_COLUMN = `(UTC_TIMESTAMP(3) - INTERVAL ${QUIET_S} SECOND)`;

/**
 * The rounds of a club that were touched in the last two minutes, each with whose it is, on which rung, when, and whether it was somebody else’s before.
 * @param clubId a value, not a column of the statement: of a club that is known only row by row the database looks at every round
 */
export const touchedColumn = (clubId: SQLWrapper): SQL =>
  sql`COALESCE((SELECT GROUP_CONCAT(CONCAT_WS(' ', r.id, r.player_id, r.rung_id,
    EXISTS (SELECT 1 FROM correction c WHERE c.round_id = r.id AND c.what = 'player'), r.updated_at) LIMIT ${sql.raw(String(MOST_TOUCHED))})
  FROM round r FORCE INDEX (round_touched)
  WHERE r.club_id = ${clubId} AND r.updated_at > UTC_TIMESTAMP(3) - INTERVAL ${sql.raw(String(QUIET_S + LONGER_S))} SECOND), '')`;

interface Touched {
  playerId: string;
  rungId: string;
  hasMoved: boolean;
  at: string;
}

/** What is known of a club’s rounds that were touched since a moment, without a gap. */
interface Log {
  since: string;
  settled: string;
  rounds: Map<string, Touched>;
}
const logs = new LRUCache<string, Log>({ max: 100 });
/** A log of more rounds begins anew. */
const LONGEST_LOG = 500;

/** Whose rounds, and on which rung where it is only those. */
export interface Whose {
  playerId: string;
  rungId?: string;
}

const msOf = (moment: string): number => Date.parse(`${moment.replace(' ', 'T')}Z`);

/**
 * Whether rounds are as they were while others are played: pages tell which were touched, and what was read of anybody else’s still stands.
 * @param marks of a page of the club
 * @returns `isAsAt`: whether none of these rounds was touched since a moment by which everything before it was read. That of what is read now is `marks.settled`
 */
export function touchedIn(clubId: string, { touched, settled }: Marks): { isAsAt: (whose: Whose, moment: string) => boolean } {
  const rows = touched === '' ? [] : touched.split(',');
  if (rows.length >= MOST_TOUCHED) {
    logs.delete(clubId);
    return { isAsAt: () => false };
  }
  const before = logs.get(clubId);
  const goesOn = before !== undefined && before.rounds.size < LONGEST_LOG && msOf(settled) - msOf(before.settled) <= LONGER_S * 1000;
  const log: Log = goesOn ? before : { since: settled, settled, rounds: new Map() };
  if (settled > log.settled) log.settled = settled;
  for (const row of rows) {
    const [id = '', playerId = '', rungId = '', hasMoved, ...at] = row.split(' ');
    const now = { playerId, rungId, hasMoved: hasMoved === '1', at: at.join(' ') };
    const known = log.rounds.get(id);
    if (!known || known.at < now.at) log.rounds.set(id, now);
  }
  logs.set(clubId, log);
  const all = [...log.rounds.values()];
  return {
    isAsAt: (whose, moment) =>
      moment >= log.since &&
      !all.some(
        ({ playerId, rungId, hasMoved, at }) =>
          at > moment && (hasMoved || (playerId === whose.playerId && (whose.rungId === undefined || rungId === whose.rungId))),
      ),
  };
}
