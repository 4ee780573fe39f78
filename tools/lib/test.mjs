import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { basename, join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { buildAll } from './build.mjs';
import { startDatabase } from './mariadb.mjs';
import { DATA, ROOT, WEB } from './paths.mjs';
import { writeRegistries } from './registries.mjs';
import { Stop, say } from './say.mjs';
import { besides, ensureForTests, ensureModules } from './setup.mjs';
import { SHORT_MINUTES, soaked } from './soak.mjs';

/** How many passed in a part, and each failure by name with the head of its error. @typedef {{ passed: number, failures: string[] }} Count */

const REPORTS = join(DATA, 'reports');

/**
 * Runs a tool with its output shown. @param {string[]} command @param {NodeJS.ProcessEnv} env
 * @returns {Promise<void>} when it has ended: what it found stands in its report
 */
const show = ([program = '', ...args], env) =>
  new Promise((resolve) => spawn(program, args, { cwd: ROOT, env, stdio: ['ignore', 'inherit', 'inherit'] }).on('close', () => resolve()));

/**
 * A check that is one yes or no, beside others: what it says is shown when it is done.
 * @param {string} name @param {string[]} command @param {{ cwd?: string }} [options] @returns {Promise<Count>}
 */
async function checkBeside(name, command, options) {
  const [program = '', ...args] = command;
  const { ended, said } = await besides(program, args, options);
  const ok = ended === 0;
  say(`\n— ${name}`);
  if (!ok) process.stdout.write(said);
  say(ok ? `  ${name}: good` : `  ${name}: FAILED`);
  return { passed: Number(ok), failures: ok ? [] : [name] };
}

/** @param {Count[]} counts @returns {Count} */
const sum = (counts) => ({
  passed: counts.reduce((all, { passed }) => all + passed, 0),
  failures: counts.flatMap(({ failures }) => failures),
});

/** What a runner counted; a runner that died without a report is one failure. @param {string} file @param {(report: any) => Count} read @returns {Count} */
function countIn(file, read) {
  return existsSync(file)
    ? read(JSON.parse(readFileSync(file, 'utf8')))
    : { passed: 0, failures: [`no report in ${basename(file)}: its runner died`] };
}

/** The head of an error, without colours. @param {string} name @param {string} [error] */
const failure = (name, error = '') =>
  [name, ...stripVTControlCharacters(error).split('\n').slice(0, 12)].filter((line) => line.trim() !== '').join('\n      ');

/** What Vitest's JSON report counted: a file that could not be loaded has no tests in it. @param {any} report @returns {Count} */
export function readVitest({ numPassedTests, success, testResults }) {
  const failures = testResults.flatMap((/** @type {any} */ file) => {
    const failed = file.assertionResults.filter((/** @type {any} */ one) => one.status === 'failed');
    if (failed.length === 0) return file.status === 'failed' ? [failure(file.name, file.message)] : [];
    return failed.map((/** @type {any} */ one) => failure(`${basename(file.name)} › ${one.fullName}`, one.failureMessages[0]));
  });
  // an error outside every test fails the run too
  if (!success && failures.length === 0) failures.push('an error outside the tests: see above');
  return { passed: numPassedTests, failures };
}

/** What Playwright's JSON report counted; a second try that went well has passed. @param {any} report @returns {Count} */
export function readPlaywright({ suites, stats, errors }) {
  /** @param {any} suite @returns {string[]} */
  const within = (suite) => [
    ...(suite.suites ?? []).flatMap(within),
    ...(suite.specs ?? []).flatMap((/** @type {any} */ spec) =>
      spec.tests
        .filter((/** @type {any} */ one) => one.status === 'unexpected')
        .map((/** @type {any} */ one) => failure(`[${one.projectName}] ${spec.file} › ${spec.title}`, one.results.at(-1)?.error?.message)),
    ),
  ];
  const failures = [...suites.flatMap(within), ...errors.map((/** @type {any} */ error) => failure('browser tests', error.message))];
  return { passed: stats.expected + stats.flaky, failures };
}

/** @param {string[]} [projects] @param {NodeJS.ProcessEnv} [env] @param {string[]} [options] @returns {Promise<Count>} */
async function vitest(projects = [], env = process.env, options = []) {
  const report = join(REPORTS, `vitest-${projects.join('-')}.json`);
  say(`\n— unit tests: ${projects.join(', ')}`);
  await show(
    [
      'npx',
      '--no-install',
      'vitest',
      'run',
      ...projects.flatMap((name) => ['--project', name]),
      ...options,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${report}`,
    ],
    env,
  );
  return countIn(report, readVitest);
}

/** @returns {Promise<Count>} */
async function database() {
  // each worker has a database of its own (apps/web/test/support/setup.ts)
  const names = Array.from({ length: availableParallelism() }, (_, i) => `goodarc_unit_${i + 1}`);
  const server = await startDatabase(join(DATA, 'unit'), names, { isLasting: false });
  try {
    return await vitest(['web'], { ...process.env, DATABASE_URL: server.urlOf('goodarc_unit'), LOG_LEVEL: 'silent' });
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
  return new Promise((resolve) => child.on('close', () => resolve(countIn(report, readPlaywright))));
}

const PHONE_PORT = 4391;
const DESK_PORT = 4390;

/** Whether a server is up. @param {number} port @returns {Promise<boolean>} */
const answers = (port) =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );

/** @returns {Promise<Count>} */
async function browser() {
  await buildAll();
  say('\n— browser tests, desk and phone side by side');
  let isOver = false;
  const first = browserAt('phone', PHONE_PORT).finally(() => {
    isOver = true;
  });
  // each looks for free ports as it starts
  while (!isOver && !(await answers(PHONE_PORT))) await new Promise((resolve) => setTimeout(resolve, 200));
  return sum(await Promise.all([first, browserAt('desk', DESK_PORT)]));
}

/** A tool among the packages. @param {string[]} command */
const tool = (...command) => ['npx', '--no-install', ...command];

/** Lint and format. */
const biome = () => checkBeside('lint and format (Biome)', tool('biome', 'check', '--error-on-warnings', '.'));

/**
 * The native compiler takes a fifth of the time of the one that Astro and the tools ask, which keeps the name `typescript`.
 * @param {string} name @param {string} project
 */
const types = (name, project) =>
  checkBeside(name, [process.execPath, join(ROOT, 'node_modules/typescript-7/bin/tsc'), '--noEmit', '-p', project]);

/** One after the other. @param {(() => Promise<Count>)[]} parts @returns {Promise<Count>} */
async function oneByOne(...parts) {
  const counts = [];
  for (const part of parts) counts.push(await part());
  return sum(counts);
}

/** Astro looks at the pages alone, and writes down their types: what they are made of is checked natively. @returns {Promise<Count>} */
const webTypes = () =>
  oneByOne(
    () =>
      checkBeside('types of the pages', tool('astro', 'check', '--minimumSeverity', 'warning', '--tsconfig', 'tsconfig.pages.json'), {
        cwd: WEB,
      }),
    () => types('types of what they are made of', 'apps/web/tsconfig.json'),
  );

/** Registries, format, the types of all but the pages, imports, dead code. @returns {Promise<Count>} */
async function otherChecks() {
  const stale = writeRegistries();
  const registries = { passed: Number(stale.length === 0), failures: stale.map((path) => `${path} was not up to date; it is written now`) };
  const checks = await oneByOne(
    biome,
    () => types('types', 'tsconfig.json'),
    () => types('types of the core, without DOM or Node', 'packages/core/tsconfig.json'),
    () =>
      checkBeside(
        'direction of imports',
        tool('depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'packages', 'apps/web/src', 'tools'),
      ),
    () => checkBeside('dead code', tool('knip')),
  );
  return sum([registries, checks]);
}

/** Two at a time. @returns {Promise<Count>} */
const lint = async () => sum(await Promise.all([otherChecks(), webTypes()]));

/** Tests that take their time: whole libraries, fits and round trips, and programs that are started. */
const SLOW = [
  ...[
    'library',
    'season',
    'secret',
    'library-table',
    'ladder',
    'tune',
    'held',
    'bench',
    'throwing',
    'flight',
    'aim',
    'meet',
    'next-outing',
    'own-scatter',
    'live',
  ],
  ...['link', 'fence', 'calc-cli', 'lib'],
].map((name) => `--exclude=**/test/${name}.test.ts`);

/** While one works: format, the types of the core and of what stands on it, and the tests that need no database and no minute. @returns {Promise<Count>} */
async function quick() {
  const folder = join(WEB, 'test');
  const withDatabase = readdirSync(folder).filter(
    (file) => file.includes('.test.') && readFileSync(join(folder, file), 'utf8').includes('support/rig.ts'),
  );
  // while the tests go, what is said of the types waits
  const beside = [biome(), types('types', 'tsconfig.json')];
  const tests = [
    await vitest(['core', 'line', 'simulator', 'tools'], process.env, SLOW),
    await vitest(
      ['web'],
      { ...process.env, LOG_LEVEL: 'silent' },
      withDatabase.map((file) => `--exclude=**/test/${file}`),
    ),
  ];
  return sum([...(await Promise.all(beside)), ...tests]);
}

/** What is lost, doubled, leaked or never stopped, in less than a minute; each line of its table is a test. @returns {Promise<Count>} */
async function shortSoak() {
  await buildAll();
  say('\n— a short soak');
  const rows = await soaked(SHORT_MINUTES, 1);
  return {
    passed: rows.filter(({ isGood }) => isGood).length,
    failures: rows
      .filter(({ isGood }) => !isGood)
      .map(({ what, figures, examples = [] }) => failure(`soak › ${what}`, [figures, ...examples].join('\n'))),
  };
}

/** Links that fall silent wait for their clocks: one more works meanwhile. */
const core = () => vitest(['core', 'line', 'simulator', 'tools'], process.env, [`--maxWorkers=${availableParallelism() + 1}`]);

/** @type {Record<string, () => Promise<Count>>} */
const PARTS = {
  lint,
  core,
  web: database,
  browser,
  soak: shortSoak,
};

/** @param {string[]} args */
export async function test(args) {
  const began = Date.now();
  const only = args.includes('--only') ? args[args.indexOf('--only') + 1] : undefined;
  if (only !== undefined && !(only in PARTS)) throw new Stop(`There is no part “${only}”; there are: ${Object.keys(PARTS).join(', ')}.`);
  const isQuick = args.includes('--quick');
  if (!isQuick) await ensureForTests();
  await ensureModules();
  rmSync(REPORTS, { recursive: true, force: true });
  mkdirSync(REPORTS, { recursive: true });
  process.env.ASTRO_TELEMETRY_DISABLED = '1';
  /** @type {Count[]} */
  const counts = [];
  if (isQuick) counts.push(await quick());
  else if (only !== undefined) counts.push(await /** @type {() => Promise<Count>} */ (PARTS[only])());
  else {
    // bundling takes one core of two; the soak waits most of its time, and nothing it counts depends on how fast it is: both go beside what computes
    const built = buildAll();
    const [ofSoak, others] = await Promise.all([
      built.then(shortSoak),
      oneByOne(core, lint, async () => {
        await built;
        return database();
      }),
    ]);
    counts.push(ofSoak, others, await browser());
  }
  const { passed, failures } = sum(counts);
  // last, where nobody has to look for it
  if (failures.length > 0) say(`\n  Failed:\n${failures.map((line) => `    ${line}`).join('\n')}`);
  say(`\n  all of it took ${((Date.now() - began) / 60_000).toFixed(1)} min`);
  process.stdout.write(`${passed} passed, ${failures.length} failed\n`);
  if (failures.length > 0) process.exitCode = 1;
}
