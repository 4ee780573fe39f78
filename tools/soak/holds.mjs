import { feeding, observer, quantile, sleep } from './rig.mjs';

const CLIENTS = 12;
/** A hold that did not come. */
const NEVER_MS = 8000;
const PAGES = ['/', '/bench', '/ladders', '/logbook', '/kit', '/courtside'];

/**
 * Hold while twelve clients load pages, and while the database is frozen.
 * @param {import('./rig.mjs').Rig} rig @param {number} times @param {boolean} inTime whether how long it took counts, too
 */
export async function holds(rig, times, inTime) {
  let isLoading = true;
  const client = async (/** @type {number} */ n) => {
    for (let i = n; isLoading; i++) await rig.ask('GET', PAGES[i % PAGES.length] ?? '/').catch(() => {});
  };
  const seen = observer(rig.machinePort);
  /** @param {() => void} before @param {() => void} after */
  async function measured(before, after) {
    /** @type {number[]} */
    const ms = [];
    for (let time = 0; time < times; time++) {
      const page = await feeding(rig, seen);
      await sleep(200);
      before();
      const from = performance.now();
      const asked = page.give('hold').catch(() => {});
      await seen.until((state) => state === 'held', NEVER_MS).catch(() => {});
      ms.push(seen.stopped(from).afterMs ?? NEVER_MS);
      after();
      await asked;
      page.close();
    }
    return ms;
  }
  const clients = Array.from({ length: CLIENTS }, (_, n) => client(n));
  const loaded = await measured(
    () => {},
    () => {},
  );
  isLoading = false;
  await Promise.all(clients);
  const pid = rig.mariadb.child.pid;
  const frozen = await measured(
    () => process.kill(pid, 'SIGSTOP'),
    () => process.kill(pid, 'SIGCONT'),
  );
  seen.end();
  const row = (/** @type {string} */ what, /** @type {number[]} */ ms, /** @type {number} */ most) => ({
    what: `hold: ${what}`,
    figures: `${ms.length} times · p50 ${Math.round(quantile(ms, 0.5))} ms · p99 ${Math.round(quantile(ms, 0.99))} ms at the machine`,
    isGood: quantile(ms, 0.99) <= (inTime ? most : NEVER_MS - 1),
  });
  return [row(`${CLIENTS} clients loading pages`, loaded, 100), row('database frozen', frozen, 300)];
}
