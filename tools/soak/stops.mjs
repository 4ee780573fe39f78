import { aPage, feeding, observer, quantile, sleep } from './rig.mjs';

/** Longest that a machine may go on, ms, and balls that may leave it. */
const WITHIN_MS = 1000;
const MOST_BALLS = 1;
/** Read off the machine's own events, which come four hundred milliseconds apart at most when nothing changes; a change is told at once. */
const LOOK_MS = 2500;
/** Where its time does not count it may take as long as a starved processor needs. */
const PATIENT_MS = 15_000;

/**
 * A feeding machine whose driver dies, by each way of dying.
 * @param {import('./rig.mjs').Rig} rig @param {number} times each @param {boolean} inTime whether how long it took counts, too
 */
export async function stops(rig, times, inTime) {
  /** @typedef {Awaited<ReturnType<typeof aPage>>} Page */
  /** @type {[string, (page: Page) => void, (page: Page) => void | Promise<void>][]} */
  const ways = [
    ['page closed', (page) => page.close(), () => {}],
    ['browser frozen', (page) => page.freeze(), (page) => page.close()],
    ['server killed', () => void rig.server.child.child.kill('SIGKILL'), (page) => page.close()],
    [
      'server stopped',
      () => void process.kill(serverPid(rig), 'SIGSTOP'),
      (page) => {
        process.kill(serverPid(rig), 'SIGCONT');
        page.close();
      },
    ],
    [
      'line dead',
      () => rig.line.die(),
      (page) => {
        rig.line.mend();
        page.close();
      },
    ],
    [
      'page closed, database killed',
      (page) => {
        rig.mariadb.child.child.kill('SIGKILL');
        page.close();
      },
      () => {},
    ],
  ];
  const rows = [];
  for (const [name, die, after] of ways) {
    /** @type {number[]} */
    const ms = [];
    let balls = 0;
    let unstopped = 0;
    for (let time = 0; time < times; time++) {
      const seen = observer(rig.machinePort);
      const page = await feeding(rig, seen);
      // anywhere between two balls
      await sleep(300 + (700 * time) / times);
      const from = performance.now();
      die(page);
      if (inTime) await sleep(LOOK_MS);
      else await seen.until((state) => state !== 'feeding', PATIENT_MS).catch(() => {});
      const { afterMs, balls: left } = seen.stopped(from);
      if (afterMs === null) unstopped++;
      else ms.push(afterMs);
      balls = Math.max(balls, left);
      await after(page);
      seen.end();
      await sleep(300);
    }
    const p99 = quantile(ms, 0.99);
    rows.push({
      what: `machine stops: ${name}`,
      figures: `${times} times · p50 ${Math.round(quantile(ms, 0.5))} ms · p99 ${Math.round(p99)} ms · balls at most ${balls} · not stopped ${unstopped}`,
      isGood: unstopped === 0 && (!inTime || (p99 <= WITHIN_MS && balls <= MOST_BALLS)),
    });
  }
  return rows;
}

/** @param {import('./rig.mjs').Rig} rig */
const serverPid = (rig) => rig.server.child.pid;
