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

/**
 * What a request costs: processor time of server and database together, and how long it takes by itself.
 * @param {number[]} pids @param {string} url @param {number} amount
 */
export async function cost(pids, url, amount, warm = 3) {
  const run = (/** @type {number} */ many) => autocannon({ url, connections: 1, amount: many, timeout: 60 });
  await run(warm);
  const before = cpuMs(pids);
  const { latency, throughput, non2xx, errors } = await run(amount);
  return { cpuMs: (cpuMs(pids) - before) / amount, p50Ms: latency.p50, kB: throughput.total / amount / 1000, failed: non2xx + errors };
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
