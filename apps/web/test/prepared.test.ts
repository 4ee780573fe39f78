import { eq, max, sql, sum } from 'drizzle-orm';
import mysql from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest';
import { person, round } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import { type Db, openDatabase } from '../src/server/db.ts';
import { call, emptyDatabase, makeClub, oneRung, putBall, roundBody } from './support/rig.ts';

let db: Db;
beforeAll(async () => {
  db = await emptyDatabase();
});
afterEach(() => vi.restoreAllMocks());

/** More often than it takes to be prepared. */
const OFTEN = 12;

/** How many prepared statements this connection has carried out. */
async function prepared(tx: Db): Promise<number> {
  const [[row]] = (await tx.execute(sql`SHOW SESSION STATUS LIKE 'Com_stmt_execute'`)) as unknown as [[{ Value: string }]];
  return Number(row.Value);
}

describe('statements that come again and again', () => {
  test('are prepared, and tell the same as before: moments, flags, documents, sums and what is not there', async () => {
    const { scope } = await makeClub(db, 'Often');
    const ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' });
    const id = uuidv7();
    await call(rounds.PUT, { scope, params: { id }, body: roundBody(ids) });
    await putBall(scope, id, uuidv7(), 1, 'in');
    const asked = (of: Db) =>
      of
        .select({
          ...{ startedAt: round.startedAt, finishedAt: round.finishedAt, forLearning: round.forLearning },
          ...{ card: round.card, notes: round.notes, balls: round.balls },
          ...{ last: max(round.updatedAt), all: sum(round.balls).mapWith(Number) },
        })
        .from(round)
        .where(eq(round.id, id))
        .groupBy(round.id)
        .limit(3);
    const [first] = await asked(db);
    expect(first).toMatchObject({ startedAt: expect.any(Date), finishedAt: null, forLearning: false, balls: 1, all: 1 });
    expect(first!.startedAt.toISOString()).toBe(roundBody(ids).startedAt);
    expect(first!.card).toMatchObject({ name: 'Deep and kind' });
    await db.transaction(async (tx) => {
      const before = await prepared(tx as unknown as Db);
      for (let i = 0; i < OFTEN; i++) expect(await asked(tx as unknown as Db)).toEqual([first]);
      const often = (await prepared(tx as unknown as Db)) - before;
      expect(often).toBeGreaterThan(0);
      expect(often).toBeLessThan(OFTEN);
    });
  });
  test('write what they wrote before, and are refused as before', async () => {
    const name = "Räder “Quote” \\ ' 😀";
    for (let i = 0; i < OFTEN; i++) {
      const values = { id: uuidv7(), email: `often${i}@example.org`, name, units: 'metric' as const };
      await db.insert(person).values(values);
      await expect(db.insert(person).values(values)).rejects.toMatchObject({ cause: { errno: 1062 } });
      const [kept] = await db.select().from(person).where(eq(person.id, values.id));
      expect(kept).toMatchObject({ ...values, createdAt: expect.any(Date) });
    }
  });
  test('a database that keeps no more of them ready is asked in words', async () => {
    const full = Object.assign(new Error('Can’t create more than max_prepared_stmt_count statements'), { errno: 1461 });
    const asked = { query: 0, execute: 0 };
    const connection = {
      query: async () => [[[++asked.query]], []],
      execute: async () => {
        asked.execute++;
        throw full;
      },
      release: () => {},
      destroy: () => {},
    };
    const pool = { pool: { on: () => {} }, getConnection: async () => connection, end: async () => {} };
    vi.spyOn(mysql, 'createPool').mockReturnValue(pool as unknown as mysql.Pool);
    const { db: crowded } = openDatabase('mysql://nobody:x@127.0.0.1:9/none', 1000);
    for (let i = 1; i <= OFTEN; i++) expect(await crowded.select({ one: sql<number>`31` }).from(person)).toEqual([{ one: i }]);
    expect(asked.query).toBe(OFTEN);
    expect(asked.execute).toBeGreaterThan(0);
  });
});
