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

/** So many requests, one after the other: how long one takes, how large its answer is, and how many failed. @typedef {(amount: number) => Promise<{ p50Ms: number, kB: number, failed: number }>} Job */

/** A page, asked over one line. @param {string} url @returns {Job} */
export const pageOf = (url) => async (amount) => {
  const { latency, throughput, non2xx, errors } = await autocannon({ url, connections: 1, amount, timeout: 60 });
  return { p50Ms: latency.p50, kB: throughput.total / amount / 1000, failed: non2xx + errors };
};

/** What is written, one after the other. @param {() => Promise<void>} write @returns {Job} */
export const writeOf = (write) => async (amount) => {
  for (let i = 0; i < amount; i++) await write();
  return { p50Ms: Number.NaN, kB: 0, failed: 0 };
};

/** Each job is looked at in so many turns of so many requests, and the yardstick before each. */
const TURNS = 9;
const AMOUNT = 50;
const YARDSTICKS = 60;
/** So many looks at the yardstick before a job and after it are its measure: time is counted in hundredths of a second, of which one look takes few. */
const BESIDE = 2;

/** One turn of one kind. @param {number[]} pids @param {Job} job @param {number} [amount] */
export async function costOf(pids, job, amount = AMOUNT) {
  const before = cpuMs(pids);
  const asked = await job(amount);
  return { ...asked, cpuMs: (cpuMs(pids) - before) / amount };
}

/** `yardsticks`: what it costs in requests of the yardstick. @typedef {{ cpuMs: number, yardsticks: number, p50Ms: number, kB: number, failed: number }} Cost */

/** @param {number[]} values */
export const middleOf = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Of the middle half of several figures the mean: as safe from outliers as the middle one, and it swings less. @param {number[]} values */
export function midMean(values) {
  const beside = Math.floor(values.length / 4);
  const half = [...values].sort((a, b) => a - b).slice(beside, values.length - beside);
  return half.reduce((sum, value) => sum + value, 0) / half.length;
}

/**
 * What a request of each kind costs a server that has run for a while (its code is compiled, and compiled well, only then), ms of processor of these processes
 * together: in turns, one kind after the other, the yardstick before and after each. Of each figure the mean of the middle half.
 * @param {() => number[]} pids @param {Job} yardstick @param {Record<string, Job>} jobs by name @param {number} warm requests of each before it counts
 */
export async function costs(pids, yardstick, jobs, warm) {
  for (const job of [yardstick, ...Object.values(jobs)]) await job(warm);
  const looks = /** @type {number[]} */ ([]);
  const look = async () => looks.push((await costOf(pids(), yardstick, YARDSTICKS)).cpuMs);
  for (let i = 0; i < BESIDE; i++) await look();
  /** @type {{ name: string, next: number, now: Awaited<ReturnType<typeof costOf>> }[]} */
  const all = [];
  for (let turn = 0; turn < TURNS; turn++)
    for (const [name, job] of Object.entries(jobs)) {
      all.push({ name, next: looks.length, now: await costOf(pids(), job) });
      await look();
    }
  for (let i = 1; i < BESIDE; i++) await look();
  /** @param {string} name @returns {[string, Cost]} */
  const costOfAll = (name) => {
    const turns = all
      .filter((one) => one.name === name)
      .map(({ next, now }) => {
        const beside = looks.slice(next - BESIDE, next + BESIDE);
        return { ...now, yardsticks: (now.cpuMs * beside.length) / beside.reduce((sum, ms) => sum + ms, 0) };
      });
    const of = (/** @type {Exclude<keyof Cost, 'failed'>} */ what) => midMean(turns.map((one) => one[what]));
    const failed = turns.reduce((sum, one) => sum + one.failed, 0);
    return [name, { cpuMs: of('cpuMs'), yardsticks: of('yardsticks'), p50Ms: of('p50Ms'), kB: of('kB'), failed }];
  };
  return new Map(Object.keys(jobs).map(costOfAll));
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
