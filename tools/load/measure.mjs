import { readdirSync, readFileSync } from 'node:fs';
import autocannon from 'autocannon';

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

/** So many people who each wait a second between two pages. @param {string} origin @param {string[]} paths @param {number} clients @param {number} seconds */
export async function crowd(origin, paths, clients, seconds) {
  const { latency, non2xx, errors, requests } = await autocannon({
    url: origin,
    connections: clients,
    duration: seconds,
    overallRate: clients,
    timeout: 60,
    requests: paths.map((path) => ({ method: 'GET', path })),
  });
  return { requests: requests.total, p50Ms: latency.p50, p97Ms: latency.p97_5, failed: non2xx + errors };
}
