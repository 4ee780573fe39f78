import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { expect, test } from 'vitest';
import { rung } from '../src/db/schema.ts';
import { type Db, database } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { migrateTo } from '../src/server/migrate.ts';
import { Store } from '../src/server/store.ts';
import { aScope, emptyDatabase, makeClub, profileOf, rungDocument } from './support/rig.ts';

const MIGRATIONS = fileURLToPath(new URL('../src/db/migrations', import.meta.url));

/** The schema as it was after the migration of that number. */
async function schemaOf(db: Db, number: number): Promise<void> {
  await dropAll(db);
  const folder = mkdtempSync(join(tmpdir(), 'good-arc-migrations-'));
  try {
    cpSync(MIGRATIONS, folder, { recursive: true });
    const path = join(folder, 'meta', '_journal.json');
    const journal = JSON.parse(readFileSync(path, 'utf8'));
    writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, number + 1) }));
    await migrateTo(db, { folder });
  } finally {
    rmSync(folder, { recursive: true });
  }
}

async function dropAll(db: Db): Promise<void> {
  const [rows] = (await db.execute(
    sql`SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()`,
  )) as unknown as [{ name: string }[]];
  await db.transaction(async (tx) => {
    await tx.execute(sql`SET FOREIGN_KEY_CHECKS = 0`);
    for (const { name } of rows) await tx.execute(sql.raw(`DROP TABLE \`${name}\``));
    await tx.execute(sql`SET FOREIGN_KEY_CHECKS = 1`);
  });
}

test('documents that were kept without a version, and balls without an id, are brought along', async () => {
  const db = database();
  await schemaOf(db, 5);
  // in the words of that schema: the tables of today have columns more
  const scope = aScope('Old hands');
  const { clubId, personId } = scope;
  await db.execute(sql`INSERT INTO club (id, name, altitude_m) VALUES (${clubId}, 'Old hands', 900)`);
  await db.execute(sql`INSERT INTO person (id, name, email, favourites) VALUES (${personId}, 'Old owner', 'old@example.invalid', '[]')`);
  await db.execute(sql`INSERT INTO membership (id, club_id, person_id, role) VALUES (${uuidv7()}, ${clubId}, ${personId}, 'owner')`);
  const store = new Store(db, scope);
  const [ladderId, courtId, machineId] = [uuidv7(), uuidv7(), uuidv7()];
  const document = rungDocument(courtId, machineId);
  const old = { ...document, feeds: [document.feeds[0]!, document.feeds[0]!].map(({ id: _id, ...feed }) => feed) };
  await db.execute(
    sql`INSERT INTO court (id, club_id, name, sport, surface_id, marks_m) VALUES (${courtId}, ${clubId}, 'Old court', 'tennis', 'tennis-clay', '[9]')`,
  );
  await db.execute(
    sql`INSERT INTO machine (id, club_id, name, profile) VALUES (${machineId}, ${clubId}, 'Old machine', ${JSON.stringify(profileOf('Two-wheel portable'))})`,
  );
  await db.execute(
    sql`INSERT INTO ladder (id, club_id, name, sport, level, approach) VALUES (${ladderId}, ${clubId}, 'Old', 'tennis', 'Building', 'earn-it')`,
  );
  await db.execute(
    sql`INSERT INTO rung (id, club_id, ladder_id, position, document) VALUES (${uuidv7()}, ${clubId}, ${ladderId}, 0, ${JSON.stringify(old)})`,
  );
  await migrateTo(db);
  const kit = await readKit(store);
  const [ladder] = await readLadders(store);
  expect(store.setAside).toEqual([]);
  expect([kit.courts[0]!.marksM, kit.machines[0]!.profile.kind]).toEqual([[9], 'Two-wheel portable']);
  expect(ladder!.rungs[0]!.document).toEqual({
    ...document,
    feeds: [
      { ...document.feeds[0]!, id: 'b1' },
      { ...document.feeds[0]!, id: 'b2' },
    ],
  });
});

test('a document of another version is set aside and said to be so', async () => {
  const db = await emptyDatabase();
  const { store, scope } = await makeClub(db, 'Ahead');
  const [ladderId, rungId] = [uuidv7(), uuidv7()];
  await db.execute(
    sql`INSERT INTO ladder (id, club_id, name, sport, level, approach) VALUES (${ladderId}, ${scope.clubId}, 'Ahead', 'tennis', 'Building', 'earn-it')`,
  );
  await db.insert(rung).values({ id: rungId, clubId: scope.clubId, ladderId, position: 0, document: rungDocument(uuidv7(), uuidv7()) });
  await db.execute(sql`UPDATE rung SET document = JSON_SET(document, '$.version', 99)`);
  const [ladder] = await readLadders(store);
  expect(ladder!.rungs).toEqual([]);
  expect(store.setAside).toMatchObject([
    { what: 'rung', id: rungId, problem: expect.stringContaining('another version of Good Arc (documents 99') },
  ]);
});

/** All tables as the database describes them. */
async function tablesOf(db: Db): Promise<unknown> {
  const [columns] = (await db.execute(
    sql`SELECT table_name, column_name, column_type, is_nullable, column_default FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY 1, 2`,
  )) as unknown as [unknown[]];
  const [keys] = (await db.execute(
    sql`SELECT table_name, index_name, seq_in_index, column_name FROM information_schema.statistics WHERE table_schema = DATABASE() ORDER BY 1, 2, 3`,
  )) as unknown as [unknown[]];
  return { columns, keys };
}

test('a server that dies after any statement, before it is noted, is continued by the next, and the schema is the same', async () => {
  const db = database();
  await dropAll(db);
  await migrateTo(db);
  const whole = await tablesOf(db);
  await dropAll(db);
  const deaths: string[] = [];
  const survived = async (): Promise<boolean> => {
    let isFirst = true;
    try {
      await migrateTo(db, {
        beforeNoted(statement) {
          // each server gets one statement further than the one before it
          if (isFirst && deaths.at(-1) === statement) {
            isFirst = false;
            return;
          }
          deaths.push(statement);
          throw new Error('killed');
        },
      });
      return true;
    } catch (error) {
      expect((error as Error).message).toBe('killed');
      return false;
    }
  };
  while (!(await survived())) expect(deaths.length).toBeLessThan(400);
  expect(new Set(deaths).size).toBeGreaterThan(40);
  expect(await tablesOf(db)).toEqual(whole);
});
test('servers that start together bring the database up to date once', async () => {
  const db = database();
  await dropAll(db);
  await Promise.all([1, 2, 3].map(() => migrateTo(db)));
  const [rows] = (await db.execute(sql`SELECT hash FROM __drizzle_migrations`)) as unknown as [{ hash: string }[]];
  expect(new Set(rows.map(({ hash }) => hash)).size).toBe(rows.length);
});
