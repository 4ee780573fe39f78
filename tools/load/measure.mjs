import { readdirSync, readFileSync } from 'node:fs';
import autocannon from 'autocannon';
import { sleep } from '../soak/rig.mjs';

/** Ticks of a second in /proc (USER_HZ, the same on every Linux that Debian runs on). */
const TICKS_PER_S = 100;

/** @param {number} pid @returns {{ parent: number, ms: number } | null} */
function look(pid) {
  try {
    const text = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = text.slice(text.lastIndexOf(')') + 2).split(' ');
    return { parent: Number(fields[1]), ms: ((Number(fields[11]) + Number(fields[12])) * 1000) / TICKS_PER_S };
  } catch {
    return null;
  }
}

/** Processor time of these processes and of all they started, ms. @param {number[]} pids */
export function cpuMs(pids) {
  const all = readdirSync('/proc').flatMap((name) => {
    const seen = /^\d+$/.test(name) ? look(Number(name)) : null;
    return seen ? [{ pid: Number(name), ...seen }] : [];
  });
  let [wanted, sum] = [new Set(pids), 0];
  const family = new Set(pids);
  while (wanted.size > 0) {
    const next = all.filter(({ parent, pid }) => wanted.has(parent) && !family.has(pid)).map(({ pid }) => pid);
    for (const pid of next) family.add(pid);
    wanted = new Set(next);
  }
  for (const { pid, ms } of all) if (family.has(pid)) sum += ms;
  return sum;
}

/** @param {string} url @param {number} amount */
const ask = (url, amount) => autocannon({ url, connections: 1, amount, timeout: 60 });

/**
 * What a request costs: processor time of server and database together, and how long it takes by itself.
 * @param {number[]} pids @param {string} url @param {number} amount
 */
async function cost(pids, url, amount) {
  const before = cpuMs(pids);
  const { latency, throughput, non2xx, errors } = await ask(url, amount);
  return { cpuMs: (cpuMs(pids) - before) / amount, p50Ms: latency.p50, kB: throughput.total / amount / 1000, failed: non2xx + errors };
}

/** Each page is looked at in turns of so many requests, until so many turns in a row have made nothing cheaper; and in so many at most. */
const AMOUNT = 50;
const NO_CHEAPER = 4;
const MOST_TURNS = 15;
/** What is cheaper by less is as cheap. */
const CHEAPER = 0.95;

/**
 * What each page costs a server that has run for a while (its code is compiled, and compiled well, only then): in turns, a page after the other, and of each the
 * cheapest turn, since this machine may be half as fast in one minute as in the next and is never quicker than it is. While some page still gets cheaper, the
 * turns go on.
 * @param {() => number[]} pids @param {Record<string, string>} pages addresses by name @param {number} warm requests of each before it counts
 */
export async function costs(pids, pages, warm) {
  for (const url of Object.values(pages)) await ask(url, warm);
  /** @type {Record<string, Awaited<ReturnType<typeof cost>>>} */
  const cheapest = {};
  for (let [turn, inARow] = [0, 0]; turn < MOST_TURNS && inARow < NO_CHEAPER; turn++) {
    inARow++;
    for (const [name, url] of Object.entries(pages)) {
      const now = await cost(pids(), url, AMOUNT);
      const best = cheapest[name];
      if (!best || now.cpuMs < CHEAPER * best.cpuMs) inARow = 0;
      const failed = now.failed + (best?.failed ?? 0);
      cheapest[name] = { ...(best && best.cpuMs <= now.cpuMs ? best : now), failed };
    }
  }
  return cheapest;
}

/** What a write costs such a server, ms of processor: the cheapest of turns, likewise. @param {() => number[]} pids @param {() => Promise<void>} write @param {number} warm */
export async function costOfWrite(pids, write, warm) {
  for (let i = 0; i < warm; i++) await write();
  let least = Infinity;
  for (let [turn, inARow] = [0, 0]; turn < 4 * MOST_TURNS && inARow < 4 * NO_CHEAPER; turn++) {
    const before = cpuMs(pids());
    for (let i = 0; i < AMOUNT; i++) await write();
    const now = (cpuMs(pids()) - before) / AMOUNT;
    inARow = now < CHEAPER * least ? 0 : inARow + 1;
    least = Math.min(least, now);
  }
  return least;
}

/** Of ten people one judges balls, a ball a second. */
const WRITERS = 0.1;
/** Before it counts, s: every process has drawn every page. */
const WARM_S = 6;

/**
 * So many people who each ask for another page a second after the last, each from a moment of their own on, while balls are judged.
 * @param {string} origin @param {string[]} paths @param {number} clients @param {number} seconds @param {(lane: number) => Promise<void>} ball
 */
export async function crowd(origin, paths, clients, seconds, ball) {
  /** @type {{ ms: number[], failed: number }} */
  const pages = { ms: [], failed: 0 };
  /** @type {{ ms: number[], failed: number }} */
  const balls = { ms: [], failed: 0 };
  const begin = performance.now();
  const counts = () => performance.now() - begin > WARM_S * 1000;
  const reads = Array.from({ length: clients }, async (_, n) => {
    await sleep(1000 * Math.random());
    const requests = paths.map((__, i) => ({ method: /** @type {const} */ ('GET'), path: paths[(n + i) % paths.length] ?? '/' }));
    const options = { url: origin, connections: 1, duration: WARM_S + seconds, overallRate: 1, timeout: 60, requests };
    /** @type {import('autocannon').Result} */
    const ended = await new Promise((done) => {
      autocannon(options, (_, result) => done(result)).on('response', (_, status, __, ms) => {
        if (status >= 300) pages.failed++;
        else if (counts()) pages.ms.push(ms);
      });
    });
    pages.failed += ended.errors;
  });
  const writes = Array.from({ length: Math.round(clients * WRITERS) }, async (_, lane) => {
    for (let next = begin + 137 * lane; next < begin + (WARM_S + seconds) * 1000; next += 1000) {
      await sleep(Math.max(0, next - performance.now()));
      const from = performance.now();
      await ball(lane).catch(() => balls.failed++);
      if (counts()) balls.ms.push(performance.now() - from);
    }
  });
  await Promise.all([...reads, ...writes]);
  return { pages, balls };
}
