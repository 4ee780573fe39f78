/**
 * Database tasks of ./arc, each a command: `migrate`, `seed [--fresh]`, `machines` (prints them), `link <json>` (sets their lines),
 * `check` (prints the rounds whose sums are not those of their balls), `open <club> <owner>` (makes a club if there is none, prints a one-time link's token).
 */
import { fileURLToPath } from 'node:url';
import { seedOfName } from '@good-arc/simulator';
import { and, asc, count, eq, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { club, machine, membership, person, round } from './db/schema.ts';
import { isSeeded, seedDemo, wipe } from './db/seed.ts';
import { type Db, openDatabase } from './server/db.ts';
import { migrateTo } from './server/migrate.ts';
import { makeToken } from './server/session.ts';
import { wrongSums } from './server/sums.ts';

const [task = '', ...args] = process.argv.slice(2);
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
// a migration of years of results takes its time
const { db, close } = openDatabase(url, null);

// bundled to dist/tasks.mjs, beside src
const MIGRATIONS = fileURLToPath(new URL('../src/db/migrations', import.meta.url));

async function open(db: Db, clubName: string, ownerName: string): Promise<string> {
  const [owner] = await db
    .select({ clubId: membership.clubId, personId: membership.personId })
    .from(membership)
    .where(and(eq(membership.role, 'owner'), isNull(membership.deletedAt)))
    .orderBy(asc(membership.createdAt))
    .limit(1);
  if (owner) return makeToken(db, owner, true);
  const made = { clubId: uuidv7(), personId: uuidv7() };
  await db.transaction(async (tx) => {
    await tx.insert(club).values({ id: made.clubId, name: clubName, altitudeM: 0 });
    await tx.insert(person).values({ id: made.personId, name: ownerName, email: `${made.personId}@owner.invalid` });
    await tx.insert(membership).values({ id: uuidv7(), ...made, role: 'owner' });
  });
  return makeToken(db, made, true);
}

const TASKS: Record<string, () => Promise<void>> = {
  migrate: () => migrateTo(db, { folder: MIGRATIONS }),
  async seed() {
    if (args.includes('--fresh')) await wipe(db);
    else if (await isSeeded(db)) return;
    await seedDemo(db, new Date());
  },
  async machines() {
    const rows = await db
      .select({ id: machine.id, name: machine.name, profile: machine.profile })
      .from(machine)
      .orderBy(asc(machine.createdAt), asc(machine.id));
    process.stdout.write(JSON.stringify(rows.map(({ id, name, profile }) => ({ id, profile, seed: seedOfName(name) }))));
  },
  async link() {
    for (const { id, address } of JSON.parse(args[0] ?? '[]'))
      await db.update(machine).set({ linkAddress: address }).where(eq(machine.id, id));
  },
  async check() {
    const [counted] = await db.select({ rounds: count() }).from(round);
    process.stdout.write(JSON.stringify({ rounds: counted?.rounds ?? 0, wrong: await wrongSums(db) }));
  },
  async open() {
    process.stdout.write(await open(db, args[0] || 'Our club', args[1] || 'Owner'));
  },
};

try {
  const run = TASKS[task];
  if (!run) throw new Error(`no task “${task}”; there are: ${Object.keys(TASKS).join(', ')}`);
  await run();
} finally {
  await close();
}
