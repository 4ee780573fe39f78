import { mkdirSync, openSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import mysql from 'mysql2/promise';
import { askAt, isUp } from '../lib/ask.mjs';
import { freePort, start, stop } from '../lib/children.mjs';
import { startDatabase } from '../lib/mariadb.mjs';
import { DATA, SIMULATE, TASKS, WEB } from '../lib/paths.mjs';
import { run } from '../lib/setup.mjs';
import { aWire } from '../lib/wire.mjs';

/** Feeds come so much faster than the rung says; what stops a machine keeps its own time. */
const TIME_FACTOR = 4;
/** On its display. */
const CODE = 'K7Q4MD';

/** @param {number} ms */
export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** @param {number[]} values @param {number} share */
export function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

/**
 * The first rung of tennis of the demo that has a machine. @param {(sql: string) => Promise<Record<string, any>[]>} query
 * @returns {Promise<{ id: string, ladderId: string, document: any }>}
 */
export async function tennisRung(query) {
  const [rung] = await query(
    `SELECT r.id, r.ladder_id AS ladderId, r.document FROM rung r JOIN machine m ON m.id = JSON_VALUE(r.document, '$.document.machineId')
     JOIN ladder l ON l.id = r.ladder_id WHERE l.sport = 'tennis' ORDER BY r.position LIMIT 1`,
  );
  if (!rung) throw new Error('the demo has no tennis rung');
  const { document } = typeof rung.document === 'string' ? JSON.parse(rung.document) : rung.document;
  return { id: rung.id, ladderId: rung.ladderId, document };
}

/**
 * A database, a web server, and a simulated machine behind a wire that can be cut, with the demo's data: all of it our own, and all of it may die.
 * @param {number} seed of the machine @param {string} name of its directory @param {Parameters<typeof startDatabase>[2]} [ofDatabase]
 */
export async function aRig(seed, name = 'soak', ofDatabase = {}) {
  const dir = join(DATA, name);
  rmSync(dir, { recursive: true, force: true });
  mkdirSync(dir, { recursive: true });
  const database = await startDatabase(dir, ['goodarc_soak', 'goodarc_promises'], ofDatabase);
  const url = database.urlOf('goodarc_soak');
  /** @param {string[]} args */
  const task = (...args) => run(process.execPath, [TASKS, ...args], { env: { ...process.env, DATABASE_URL: url }, quiet: true });
  task('migrate');
  task('seed', '--fresh');
  /** @type {{ id: string, profile: unknown }[]} */
  const machines = JSON.parse(task('machines'));
  const db = mysql.createPool({ uri: url, timezone: 'Z', connectionLimit: 4 });
  /** @param {string} sql @param {unknown[]} [values] @returns {Promise<Record<string, any>[]>} */
  const query = async (sql, values = []) => /** @type {any} */ ((await db.query(sql, values))[0]);
  const { document, ...rung } = await tennisRung(query);
  const [player] = await query('SELECT id FROM player LIMIT 1');
  const machine = machines.find(({ id }) => id === document.machineId);
  const machinePort = await freePort();
  const log = (/** @type {string} */ name) => openSync(join(dir, `${name}.log`), 'a');
  const options = [{ ...machine, port: machinePort, seed, code: CODE, timeFactor: TIME_FACTOR }];
  const simulated = start('machines', [process.execPath, SIMULATE, 'machines', JSON.stringify(options)], { log: log('machines') });
  const line = await aWire(machinePort);
  task('link', JSON.stringify([{ id: document.machineId, address: `127.0.0.1:${line.port}#${CODE}` }]));
  const port = await freePort();
  const env = {
    ...process.env,
    DATABASE_URL: url,
    GOODARC_DEMO: '1',
    HOST: '127.0.0.1',
    PORT: String(port),
    NODE_ENV: 'production',
    GOODARC_PATIENCE_MS: '0',
  };
  let mayEnd = false;
  /** Kept alive: whoever kills it measures how long it is away. @param {string} name @param {() => import('../lib/children.mjs').Child} spawn @param {import('../lib/children.mjs').Child} [first] */
  const kept = (name, spawn, first) => {
    const holder = { name, child: first ?? spawn() };
    const again = () =>
      holder.child.ended.then(() => {
        if (mayEnd) return;
        holder.child = spawn();
        void again();
      });
    void again();
    return holder;
  };
  const mariadb = kept('mariadb', database.spawn, database.child);
  const server = kept('server', () => start('server', [process.execPath, join(WEB, 'server.mjs')], { env, cwd: WEB, log: log('server') }));
  const origin = `http://127.0.0.1:${port}`;
  const ask = askAt(origin);
  for (const end = Date.now() + 60_000; ; await sleep(100)) {
    if (Date.now() > end) throw new Error(`the server did not start; see ${dir}/server.log`);
    if (await isUp(origin)) break;
  }
  return {
    origin,
    url,
    promisesUrl: database.urlOf('goodarc_promises'),
    ask,
    query,
    task,
    rung: { ...rung, document },
    playerId: player?.id,
    machineId: document.machineId,
    machinePort,
    line,
    mariadb,
    server,
    async end() {
      mayEnd = true;
      await db.end();
      await stop(server.child);
      await stop(simulated);
      await line.end();
      await stop(mariadb.child);
    },
  };
}
/** @typedef {Awaited<ReturnType<typeof aRig>>} Rig */

/** Looks on at a machine, past every server: what it really does, and when. @param {number} port */
export function observer(port) {
  const socket = connect({ host: '127.0.0.1', port });
  /** @type {{ at: number, event: any }[]} */
  const seen = [];
  socket.write(`${JSON.stringify({ id: 'o', do: 'hello', role: 'observer' })}\n`);
  createInterface({ input: socket }).on('line', (text) => {
    const event = JSON.parse(text);
    if (event.event) seen.push({ at: performance.now(), event });
  });
  const state = () => seen.findLast(({ event }) => event.event === 'status')?.event.state;
  return {
    state,
    /** @param {(state: string) => boolean} is */
    async until(is, withinMs = 20_000) {
      for (const end = performance.now() + withinMs; !is(state()); await sleep(2))
        if (performance.now() > end) throw new Error(`the machine stayed ${state()}`);
    },
    /** When it stopped after that moment, and how many balls left it until then, and later. @param {number} from */
    stopped(from) {
      const held = seen.find(({ at, event }) => at >= from && event.event === 'status' && event.state !== 'feeding');
      return {
        afterMs: held ? held.at - from : null,
        balls: seen.filter(({ at, event }) => at >= from && event.event === 'release').length,
      };
    },
    end: () => socket.destroy(),
  };
}

/** A page that drives the machine: its stream, its signs of life, its commands. @param {Rig} rig */
export async function aPage(rig) {
  const page = Math.random().toString(36).slice(2);
  const path = `/api/machines/${rig.machineId}`;
  const stream = new AbortController();
  const response = await fetch(`${rig.origin}${path}/link?page=${page}`, { signal: stream.signal });
  response.body?.pipeTo(new WritableStream(), { signal: stream.signal }).catch(() => {});
  /** @param {string} what @param {object} [more] */
  const give = async (what, more = {}) => {
    const { status, text } = await rig.ask('POST', `${path}/command?page=${page}`, { do: what, ...more });
    return { status, ...JSON.parse(text || '{}') };
  };
  const beat = setInterval(() => void rig.ask('POST', `${path}/beat?page=${page}`, {}, { withinMs: 2000 }).catch(() => {}), 250);
  return {
    give,
    /** Its signs of life end; its stream stays open, as that of a frozen browser does. */
    freeze: () => clearInterval(beat),
    close() {
      clearInterval(beat);
      stream.abort();
    },
  };
}

/** Feeding, from whatever it was. @param {Rig} rig @param {ReturnType<typeof observer>} seen */
export async function feeding(rig, seen) {
  for (let tries = 1; ; tries++) {
    /** @type {Awaited<ReturnType<typeof aPage>> | undefined} */
    let page;
    try {
      page = await aPage(rig);
      await page.give('hold');
      const armed = await page.give('arm', { rungId: rig.rung.id, from: 0, playerId: rig.playerId, confirmedBy: 'Soak' });
      if (!armed.ok) throw new Error(`not armed: ${JSON.stringify(armed)}`);
      await seen.until((state) => state === 'ready');
      const fed = await page.give('feed');
      if (!fed.ok) throw new Error(`not fed: ${JSON.stringify(fed)}`);
      await seen.until((state) => state === 'feeding');
      return page;
    } catch (error) {
      page?.close();
      if (tries === 20) throw error;
      await sleep(500);
    }
  }
}
