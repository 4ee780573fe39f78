import { fileURLToPath } from 'node:url';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import type { PoolConnection } from 'mysql2/promise';
import { type Db, errnoOf } from './db.ts';

/** Where drizzle-kit's own migrator notes what is done; databases of before have it. */
const DONE = '__drizzle_migrations';
/** How many statements of a migration are done: it goes on there. */
const STEPS = '__migration_steps';
const LOCK = 'good-arc-migrations';
const LOCK_WAIT_S = 2;
/** Another server that migrates years of results takes its time. */
const LONGEST_WAIT_MS = 3_600_000;

/**
 * What the database says to a statement that it has carried out before: the table, column, index or key is there, or is gone, already.
 * MariaDB error codes 1050, 1051, 1060, 1061, 1091 and 1826.
 */
const DONE_BEFORE = new Set([1050, 1051, 1060, 1061, 1091, 1826]);
/** A foreign key of that name is there: the code for any table that cannot be made, with the storage engine's own number in its text. */
const CANNOT_MAKE = 1005;

const saysDoneBefore = (error: unknown): boolean => {
  const code = errnoOf(error) ?? 0;
  return DONE_BEFORE.has(code) || (code === CANNOT_MAKE && /errno: 121\b/.test(String(error)));
};

export interface MigrateOptions {
  /** Of the generated migrations. */
  folder?: string;
  /** Called when a statement was carried out and is not noted yet: where a process that dies leaves the most behind. */
  beforeNoted?: (statement: string) => void;
}

/**
 * Brings the schema up to date. Only one server does at a time, the others wait for it; one that died is continued at its statement: what changes rows is
 * noted with it in one transaction, and what changes tables, which the database always commits by itself, may be found done.
 */
export async function migrateTo(db: Db, { folder = besideThisFile(), beforeNoted = () => {} }: MigrateOptions = {}): Promise<void> {
  const { $client } = db as unknown as { $client: { getConnection(): Promise<PoolConnection> } };
  const connection = await $client.getConnection();
  const query = async (sql: string, values: unknown[] = []): Promise<Record<string, unknown>[]> =>
    (await connection.query(sql, values))[0] as Record<string, unknown>[];
  try {
    await locked(query);
    await query(`CREATE TABLE IF NOT EXISTS ${DONE} (id serial PRIMARY KEY, hash text NOT NULL, created_at bigint)`);
    await query(`CREATE TABLE IF NOT EXISTS ${STEPS} (hash char(64) PRIMARY KEY, done int NOT NULL)`);
    const [last] = await query(`SELECT created_at AS at FROM ${DONE} ORDER BY created_at DESC LIMIT 1`);
    for (const { sql, hash, folderMillis } of readMigrationFiles({ migrationsFolder: folder })) {
      if (last && Number(last.at) >= folderMillis) continue;
      const [begun] = await query(`SELECT done FROM ${STEPS} WHERE hash = ?`, [hash]);
      const first = Number(begun?.done ?? 0);
      for (let at = first; at < sql.length; at++) await carryOut(query, sql[at]!, { hash, at, mayBeDone: at === first }, beforeNoted);
      await query(`INSERT INTO ${DONE} (hash, created_at) VALUES (?, ?)`, [hash, folderMillis]);
    }
    await query('SELECT RELEASE_LOCK(CONCAT(DATABASE(), ?))', [LOCK]);
    connection.release();
  } catch (error) {
    // with it goes the lock, and what was not committed
    connection.destroy();
    throw error;
  }
}

type Query = (sql: string, values?: unknown[]) => Promise<Record<string, unknown>[]>;

/** @throws Error when another server migrates for longer than anybody waits */
async function locked(query: Query): Promise<void> {
  for (let waitedMs = 0; waitedMs < LONGEST_WAIT_MS; waitedMs += LOCK_WAIT_S * 1000) {
    const [got] = await query('SELECT GET_LOCK(CONCAT(DATABASE(), ?), ?) AS got', [LOCK, LOCK_WAIT_S]);
    if (Number(got?.got) === 1) return;
  }
  throw new Error('Another server has been bringing this database up to date for an hour; see what it is doing.');
}

async function carryOut(
  query: Query,
  statement: string,
  { hash, at, mayBeDone }: { hash: string; at: number; mayBeDone: boolean },
  beforeNoted: (statement: string) => void,
): Promise<void> {
  const note = (): Promise<unknown> =>
    query(`INSERT INTO ${STEPS} (hash, done) VALUES (?, ?) ON DUPLICATE KEY UPDATE done = VALUES(done)`, [hash, at + 1]);
  if (/^\s*(UPDATE|INSERT|DELETE)\b/i.test(statement)) {
    await query('START TRANSACTION');
    await query(statement);
    beforeNoted(statement);
    await note();
    await query('COMMIT');
    return;
  }
  try {
    await query(statement);
  } catch (error) {
    if (!mayBeDone || !saysDoneBefore(error)) throw error;
  }
  beforeNoted(statement);
  await note();
}

/** While it is run as it stands; the bundled tasks name their own. */
const besideThisFile = (): string => fileURLToPath(new URL('../db/migrations', import.meta.url));
