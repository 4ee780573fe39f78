import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildAll } from './build.mjs';
import { startDatabase } from './mariadb.mjs';
import { DATA, ROOT, WEB } from './paths.mjs';
import { Stop, say } from './say.mjs';
import { ensureModules, ensurePrograms } from './setup.mjs';

/** @typedef {{ passed: number, failed: number }} Count */

const REPORTS = join(DATA, 'reports');

/**
 * Runs a tool with its output shown. @param {string[]} command @param {{ cwd?: string, env?: NodeJS.ProcessEnv }} [options]
 * @returns {boolean} whether it ended well
 */
function show(command, { cwd = ROOT, env = process.env } = {}) {
  const [program = '', ...args] = command;
  return spawnSync(program, args, { cwd, env, stdio: ['ignore', 'inherit', 'inherit'] }).status === 0;
}

/** A check that is one yes or no. @param {string} name @param {string[]} command @param {{ cwd?: string }} [options] @returns {Count} */
function check(name, command, options) {
  say(`\n— ${name}`);
  const ok = show(['npx', '--no-install', ...command], options);
  say(ok ? `  ${name}: good` : `  ${name}: FAILED`);
  return { passed: Number(ok), failed: Number(!ok) };
}

/** What a runner counted; a runner that died without a report is one failure. @param {string} file @param {(report: any) => Count} read @returns {Count} */
function countIn(file, read) {
  return existsSync(file) ? read(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
}

/** @param {string[]} [projects] @param {NodeJS.ProcessEnv} [env] @returns {Count} */
function vitest(projects = [], env = process.env) {
  const report = join(REPORTS, `vitest-${projects.join('-')}.json`);
  say(`\n— unit tests: ${projects.join(', ')}`);
  show(
    [
      'npx',
      '--no-install',
      'vitest',
      'run',
      ...projects.flatMap((name) => ['--project', name]),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ],
    { env },
  );
  return countIn(report, ({ numPassedTests, numFailedTests, numFailedTestSuites, success }) => ({
    passed: numPassedTests,
    failed: success ? 0 : Math.max(1, numFailedTests, numFailedTestSuites > 0 && numFailedTests === 0 ? numFailedTestSuites : 0),
  }));
}

/** @returns {Promise<Count>} */
async function database() {
  const server = await startDatabase(join(DATA, 'unit'), ['goodarc_unit']);
  try {
    return vitest(['web'], { ...process.env, DATABASE_URL: server.urlOf('goodarc_unit'), LOG_LEVEL: 'silent' });
  } finally {
    await server.stop();
  }
}

/** One size of screen, with a demo of its own, its lines marked with the name. @param {string} project @param {number} port @returns {Promise<Count>} */
function browserAt(project, port) {
  const report = join(REPORTS, `playwright-${project}.json`);
  const child = spawn('npx', ['--no-install', 'playwright', 'test', `--project=${project}`, `--output=test-results/${project}`], {
    cwd: ROOT,
    env: {
      ...process.env,
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      GOODARC_DATA: join(DATA, `e2e-${project}`),
      GOODARC_E2E_PORT: String(port),
    },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  return new Promise((resolve) =>
    child.on('close', () =>
      resolve(countIn(report, ({ stats, errors }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected + errors.length }))),
    ),
  );
}

/** @returns {Promise<Count>} */
async function browser() {
  await buildAll();
  say('\n— browser tests, desk and phone side by side');
  // the second begins when the first is up: each looks for free ports as it starts
  const later = new Promise((resolve) => setTimeout(resolve, 15_000)).then(() => browserAt('phone', 4391));
  const [desk, phone] = await Promise.all([browserAt('desk', 4390), later]);
  return { passed: desk.passed + phone.passed, failed: desk.failed + phone.failed };
}

/** @returns {Count} */
const lint = () => {
  const checks = [
    check('lint and format (Biome)', ['biome', 'check', '--error-on-warnings', '.']),
    check('types', ['tsc', '-p', 'tsconfig.json']),
    check('types of the core, without DOM or Node', ['tsc', '-p', 'packages/core/tsconfig.json']),
    check('types of the web app', ['astro', 'check', '--minimumSeverity', 'warning'], { cwd: WEB }),
    check('direction of imports', [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
      'packages',
      'apps/web/src',
      'tools',
    ]),
    check('dead code', ['knip']),
  ];
  return checks.reduce((a, b) => ({ passed: a.passed + b.passed, failed: a.failed + b.failed }));
};

/** @type {Record<string, () => Count | Promise<Count>>} */
const PARTS = { lint, core: () => vitest(['core', 'machine-link', 'tools']), web: database, browser };

/** @param {string[]} args */
export async function test(args) {
  const began = Date.now();
  const only = args.includes('--only') ? args[args.indexOf('--only') + 1] : undefined;
  if (only !== undefined && !(only in PARTS)) throw new Stop(`There is no part “${only}”; there are: ${Object.keys(PARTS).join(', ')}.`);
  await ensurePrograms({ database: true, browser: true });
  await ensureModules();
  rmSync(REPORTS, { recursive: true, force: true });
  mkdirSync(REPORTS, { recursive: true });
  process.env.ASTRO_TELEMETRY_DISABLED = '1';
  const total = { passed: 0, failed: 0 };
  for (const [name, run] of Object.entries(PARTS)) {
    if (only !== undefined && only !== name) continue;
    const { passed, failed } = await run();
    total.passed += passed;
    total.failed += failed;
  }
  say(`\n  all of it took ${((Date.now() - began) / 60_000).toFixed(1)} min`);
  process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
  if (total.failed > 0) process.exitCode = 1;
}
