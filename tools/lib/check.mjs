import { mkdirSync } from 'node:fs';
import { buildAll } from './build.mjs';
import { runningDatabase, startDatabase } from './mariadb.mjs';
import { DATA, TASKS } from './paths.mjs';
import { say, step } from './say.mjs';
import { ensureModules, ensurePrograms, run } from './setup.mjs';

/**
 * Compares what is kept of every round with its balls, in the database of `DATABASE_URL`, else in that of the demo: the one that runs, or one that is
 * started for it. Names the rounds that are wrong, and exits 1 when there is one.
 */
export async function check() {
  mkdirSync(DATA, { recursive: true });
  await ensurePrograms({ database: true });
  await ensureModules();
  await buildAll({ web: false });
  const there = process.env.DATABASE_URL ?? runningDatabase(DATA, 'goodarc');
  const own = there ? null : await step('starting the database', () => startDatabase(DATA, ['goodarc']));
  const env = { ...process.env, DATABASE_URL: there ?? own?.urlOf('goodarc') };
  try {
    // under a server that runs nothing is changed
    if (own) run(process.execPath, [TASKS, 'migrate'], { env, quiet: true });
    /** @type {{ rounds: number, wrong: { id: string, kept: number[], told: number[] }[] }} */
    const { rounds, wrong } = JSON.parse(run(process.execPath, [TASKS, 'check'], { env, quiet: true }));
    for (const { id, kept, told } of wrong)
      say(
        `  round ${id}: kept ${kept.join(', ')}; its balls come to ${told.join(', ')} (hits, balls, swings, hits and balls for its gate)`,
      );
    process.stdout.write(`${rounds} rounds looked at, ${wrong.length} with sums that are not those of their balls\n`);
    if (wrong.length > 0) process.exitCode = 1;
  } finally {
    await own?.stop();
  }
}
