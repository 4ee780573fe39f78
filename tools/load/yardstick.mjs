import { join } from 'node:path';
import { isUp } from '../lib/ask.mjs';
import { freePort, start, stop } from '../lib/children.mjs';
import { ROOT } from '../lib/paths.mjs';
import { costOf } from './measure.mjs';

/**
 * What this machine is worth now. A goal in milliseconds says nothing without a machine: the same code takes half as long again on a slower one, or on this
 * one in a minute in which others use it. So a small server that is not Good Arc's, and never changes (`yardstick-server.mjs`), is asked beside what is
 * measured, and goals are as much longer or shorter as it takes.
 *
 * The goals were set on a machine on which `select 1` through Good Arc's server came to 2.2 ms of processor, server and database together. It cost what a
 * request of the yardstick costs (0.9 to 1.0 of one when this was written, the middle of nine turns; less since Astro's adapter is our own), so such a
 * request comes to as much there.
 */
const MEANT_MS = 2.2;

/** Starts it beside a server and its database, which end with it where it does not start. @param {{ url: string, end: () => Promise<void> }} rig @throws Error */
export async function aYardstick(rig) {
  const port = await freePort();
  const env = { ...process.env, DATABASE_URL: rig.url, PORT: String(port), NODE_ENV: 'production' };
  const child = start('yardstick', [process.execPath, join(ROOT, 'tools/load/yardstick-server.mjs')], { env, log: 2 });
  const url = `http://127.0.0.1:${port}`;
  for (const end = Date.now() + 20_000; !(await isUp(url)); await new Promise((resolve) => setTimeout(resolve, 50))) {
    if (Date.now() < end) continue;
    await stop(child);
    await rig.end();
    throw new Error('the yardstick did not start');
  }
  return { url, pid: child.pid, end: () => stop(child) };
}

/** What costs as much as so many requests of the yardstick, ms of processor of the machine that is meant. @param {number} yardsticks */
export const asMeant = (yardsticks) => yardsticks * MEANT_MS;

/** How many times as slow as the machine that is meant this one is just now. @param {number[]} pids of it and its database @param {import('./measure.mjs').Job} job asks it */
export const slowNow = async (pids, job) => (await costOf(pids, job)).cpuMs / asMeant(1);
