import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, ROOT } from '../lib/paths.mjs';

/** Promises that need no time, only every case: each is a file of tests, against a database of its own. */
const PROMISES = {
  leaks: 'every endpoint × role × club (leaks)',
  'many-hands': 'stale saves and many hands (silent losses)',
  migrations: 'migrations killed at each step',
};

/** @param {import('./rig.mjs').Rig} rig @returns {Promise<import('../lib/soak.mjs').Row[]>} */
export async function promises(rig) {
  const report = join(DATA, 'soak', 'promises.json');
  const args = ['--no-install', 'vitest', 'run', '--project', 'web', ...Object.keys(PROMISES), '--reporter=json', `--outputFile=${report}`];
  const env = { ...process.env, DATABASE_URL: rig.promisesUrl, LOG_LEVEL: 'silent' };
  await new Promise((resolve) => spawn('npx', args, { cwd: ROOT, env, stdio: 'ignore' }).on('close', resolve));
  const { testResults } = JSON.parse(readFileSync(report, 'utf8'));
  return Object.entries(PROMISES).map(([name, what]) => {
    const all = testResults.find((/** @type {any} */ file) => file.name.endsWith(`/${name}.test.ts`))?.assertionResults ?? [];
    // what does not apply to an endpoint is passed over
    const own = all.filter((/** @type {any} */ one) => one.status === 'passed' || one.status === 'failed');
    const failed = own.filter((/** @type {any} */ one) => one.status === 'failed');
    return {
      what,
      figures: `${own.length} cases · broken ${failed.length}`,
      isGood: own.length > 0 && failed.length === 0,
      examples: failed.map((/** @type {any} */ one) => one.fullName),
    };
  });
}
