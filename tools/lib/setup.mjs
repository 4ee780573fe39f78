import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CACHE, ROOT } from './paths.mjs';
import { Stop, say, step } from './say.mjs';

/** @param {string} program */
const onPath = (program) =>
  spawnSync('sh', ['-c', `command -v ${program}`]).status === 0 || existsSync(`/usr/sbin/${program}`) || existsSync(`/usr/lib/${program}`);

/** Debian packages by the program that shows they are there. The `-core` packages hold the server without a system service. */
const DATABASE = {
  mariadbd: 'mariadb-server-core',
  mariadb: 'mariadb-client-core',
  'mariadb-install-db': 'mariadb-server-core',
  setpriv: 'util-linux',
};
const BROWSER = { chromium: 'chromium' };
/** The same engine without a window around its pages: a page opens with a third less work. */
const WINDOWLESS = { 'chromium-headless-shell': 'chromium-headless-shell' };
/** The web server that the tests put before Good Arc, without a service of its own, and what makes its certificate. */
const PROXY = { apache2: 'apache2-bin', openssl: 'openssl' };

/** What several servers tell one another: Redis, which `redis-tools` holds under the name of its checker, without a system service. */
const BROKER = { 'redis-check-rdb': 'redis-tools' };
/** What several servers stand on: a proxy, a broker, and what the nodes of a database hand one another their data with. */
const CLUSTER = { ...BROKER, haproxy: 'haproxy', rsync: 'rsync', ss: 'iproute2', lsof: 'lsof', 'galera/libgalera_smm.so': 'galera-4' };

/**
 * Installs what is missing with apt, or says the exact command and stops when this is not root.
 * @param {{ database?: boolean, browser?: boolean, windowless?: boolean, proxy?: boolean, broker?: boolean, cluster?: boolean }} wanted
 */
export async function ensurePrograms({
  database = false,
  browser = false,
  windowless = false,
  proxy = false,
  broker = false,
  cluster = false,
}) {
  const needed = {
    ...(database ? DATABASE : {}),
    ...(browser ? BROWSER : {}),
    ...(windowless ? WINDOWLESS : {}),
    ...(proxy ? PROXY : {}),
    ...(broker ? BROKER : {}),
    ...(cluster ? CLUSTER : {}),
  };
  const missing = [
    ...new Set(
      Object.entries(needed)
        .filter(([program]) => !onPath(program))
        .map(([, debian]) => debian),
    ),
  ];
  if (missing.length === 0) return;
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0)
    throw new Stop(`These Debian packages are missing. Please run, then try again:\n\n  sudo apt-get update && sudo ${command}\n`);
  if (!onPath('apt-get')) throw new Stop(`Missing: ${missing.join(', ')}. This is not Debian: install them its own way, then try again.`);
  await step(`installing ${missing.join(', ')} with apt-get`, () => {
    run('apt-get', ['update', '-qq']);
    run('sh', ['-c', `DEBIAN_FRONTEND=noninteractive ${command} -qq`]);
  });
}

/** All that the tests start; the windowless browser where it can be had (`playwright.config.ts` takes it when it is there). */
export async function ensureForTests() {
  const wanted = { database: true, proxy: true, broker: true };
  try {
    await ensurePrograms({ ...wanted, windowless: true });
  } catch (error) {
    // Debian had none to give, or this is not root: the whole browser does as well
    await ensurePrograms({ ...wanted, browser: true });
    say(`  the tests go on in the whole browser: ${error instanceof Error ? error.message : error}`);
  }
}

/**
 * Runs a command with its chatter on standard error.
 * @param {string} command
 * @param {string[]} args
 * @param {{ cwd?: string, env?: NodeJS.ProcessEnv, quiet?: boolean }} [options]
 */
export function run(command, args, { cwd = ROOT, env = process.env, quiet = false } = {}) {
  const done = spawnSync(command, args, { cwd, env, stdio: quiet ? 'pipe' : ['ignore', 2, 2], encoding: 'utf8', maxBuffer: 1 << 26 });
  if (done.error) throw new Stop(`Could not run ${command}: ${done.error.message}`);
  if (done.status !== 0)
    throw new Stop(`${command} ${args.join(' ')} ended with ${done.status ?? done.signal}\n${quiet ? `${done.stdout}${done.stderr}` : ''}`);
  return done.stdout;
}

/**
 * Runs a command while others work. @param {string} command @param {string[]} args @param {{ cwd?: string, env?: NodeJS.ProcessEnv }} [options]
 * @returns {Promise<{ ended: number | NodeJS.Signals | null, said: Buffer }>} its code, 0 when it ended well, or what ended it; and all that it said
 * @throws {Stop} when it cannot be started
 */
export function besides(command, args, { cwd = ROOT, env = process.env } = {}) {
  const child = spawn(command, args, { cwd, env, stdio: ['ignore', 'pipe', 'pipe'] });
  /** @type {Buffer[]} */
  const said = [];
  child.stdout.on('data', (data) => said.push(data));
  child.stderr.on('data', (data) => said.push(data));
  return new Promise((resolve, reject) => {
    child.on('error', ({ message }) => reject(new Stop(`Could not run ${command}: ${message}`)));
    child.on('close', (code, signal) => resolve({ ended: code ?? signal, said: Buffer.concat(said) }));
  });
}

export function ensureNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) throw new Stop(`Good Arc needs Node 20.19 or newer; this is ${process.versions.node}.`);
}

/** `npm ci` when node_modules does not belong to this lock file. */
export async function ensureModules() {
  const stamp = join(ROOT, 'node_modules/.good-arc-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  await step('installing packages with npm ci (a minute or two)', () => {
    run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'], { env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' } });
    writeFileSync(stamp, lock);
  });
}

/**
 * Does `make` when the tracked files under `sources` changed since the last time.
 * @param {string} name
 * @param {string[]} sources paths below the root
 * @param {string} product a file that must exist
 * @param {() => void | Promise<void>} make
 * @param {string} [way] in which it is made; another way makes it anew
 */
export async function whenStale(name, sources, product, make, way = '') {
  mkdirSync(CACHE, { recursive: true });
  const stamp = join(CACHE, `${name}.stamp`);
  const hash = createHash('sha256').update(way);
  for (const file of filesUnder(sources)) hash.update(file).update(readFileSync(join(ROOT, file)));
  const now = hash.digest('hex');
  if (existsSync(product) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  await make();
  writeFileSync(stamp, now);
}

/** @param {string[]} sources @returns {string[]} */
function filesUnder(sources) {
  const list = spawnSync(
    'find',
    [...sources, '-type', 'f', '-not', '-path', '*/node_modules/*', '-not', '-path', '*/dist/*', '-not', '-path', '*/.astro/*'],
    {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    },
  );
  return list.stdout.split('\n').filter(Boolean).sort();
}
