import { numberOf } from './args.mjs';
import { buildAll } from './build.mjs';
import { say, step } from './say.mjs';
import { ensureModules, ensurePrograms } from './setup.mjs';

/** A page may cost so much processor time, ms, and so much more with all results than with those of the demo alone. */
const MOST_CPU_MS = 6;
/** And a ball that is judged, ms. */
const MOST_BALL_MS = 3;
const FLAT = 1.2;
/** With a crowd all but one page of twenty, and as many balls, come within this, ms. */
const CROWD_MS = 50;
/** Requests of each page before it counts, and again where the server is warm and only the data are others. */
const WARM = 600;
const WARM_AGAIN = 60;
const WARM_BALLS = 4000;
const CROWD_S = 20;
/** As many rows and entries of indexes a statement may look at: the newest 600 rounds of each player of a club, twice, are the most that anything looks back. */
const MOST_LOOKED = 10_000;
/** Of a statement so much is shown, characters. */
const SHOWN = 110;
/** A crowd that was not served in time comes again, as often at most: this machine stands still for seconds in some minutes. */
const MOST_CROWDS = 4;
/** What a page may come to on a cheap phone: kB of scripts, ms until it is usable and until its largest paint, ms of long tasks. */
const PHONE = { kB: 150, usableMs: 1200, paintMs: 1200, longMs: 250 };
/** From a drag to the frame that shows it, ms, but for one of twenty. */
const DRAG_MS = 33;
/** Each page is opened so often, a turn of all pages after the other, and the middle counts: this machine may be half as fast in one minute as in the next. */
const OPENED = 5;

/** The pages that are looked at. @param {Awaited<ReturnType<typeof import('../soak/rig.mjs').aRig>>} rig */
async function pagesOf(rig) {
  const [round] = await rig.query('SELECT id, player_id AS playerId, rung_id AS rungId FROM round ORDER BY started_at DESC LIMIT 1');
  return {
    Today: '/',
    Ladders: '/ladders',
    'a ladder': `/ladders/${rig.rung.ladderId}`,
    Courtside: '/courtside',
    'a rung on court': `/courtside?rung=${round?.rungId}&player=${round?.playerId}`,
    Logbook: '/logbook',
    'a player': `/logbook?player=${round?.playerId}`,
    'a round': `/rounds/${round?.id}`,
    Club: '/club',
    'What next': `/next?players=${round?.playerId}`,
    Kit: '/kit?at=players',
  };
}

/** @param {string[]} cells @param {boolean} [isGood] */
const row = ([name = '', ...cells], isGood) =>
  say([name.padEnd(18), ...cells.map((each) => each.padStart(9)), isGood === undefined ? '' : isGood ? 'good' : 'SHORT'].join(' '));

/** What pages cost a cheap phone that opens them for the first time, and a drag on the bench; one table, exit 1 when a line of it falls short. */
async function loadInBrowser() {
  await ensurePrograms({ database: true, browser: true });
  await ensureModules();
  await buildAll();
  const [{ aRig, quantile }, { dragged, opened, phoneBrowser, slowNow, throttleOn }, { middleOf }] = await Promise.all([
    import('../soak/rig.mjs'),
    import('../load/browser.mjs'),
    import('../load/measure.mjs'),
  ]);
  const rig = await aRig(1, 'load');
  const { browser, port } = await phoneBrowser();
  try {
    let short = 0;
    /** @type {number[]} */
    const slows = [];
    // before each page anew: this machine may be half as fast for a few seconds
    const rateNow = async () => {
      const slow = await slowNow(browser);
      slows.push(slow);
      return throttleOn(slow);
    };
    const pages = { ...(await pagesOf(rig)), Bench: '/bench' };
    /** @type {Record<string, Awaited<ReturnType<typeof opened>>[]>} */
    const each = Object.fromEntries(Object.keys(pages).map((name) => [name, []]));
    /** @type {{ p50Ms: number, p95Ms: number }[]} */
    const drags = [];
    for (let turn = 0; turn < OPENED; turn++) {
      for (const [name, path] of Object.entries(pages)) {
        const url = `${rig.origin}${path}`;
        await fetch(url);
        each[name]?.push(await opened(port, await rateNow(), url));
      }
      const took = await dragged(browser, await rateNow(), `${rig.origin}/bench`);
      drags.push({ p50Ms: quantile(took, 0.5), p95Ms: quantile(took, 0.95) });
    }
    const are = [0.1, 0.5, 0.9].map((share) => quantile(slows, share));
    const were = are.map((slow) => `${slow.toFixed(2)} (slowed down ${throttleOn(slow).toFixed(1)} times)`).join(', ');
    say(`this machine was as many times as slow as the one that is meant (p10, p50, p90): ${were}`);
    row(['page', 'JS kB', 'usable ms', 'paint ms', 'long ms']);
    for (const [name, all] of Object.entries(each)) {
      /** @param {keyof typeof PHONE} of */
      const middle = (of) => middleOf(all.map((one) => one[of]));
      const keys = /** @type {(keyof typeof PHONE)[]} */ (Object.keys(PHONE));
      const isGood = keys.every((of) => middle(of) <= PHONE[of]);
      if (!isGood) short++;
      row([name, ...keys.map((of) => middle(of).toFixed(0))], isGood);
    }
    row(['wanted', ...Object.values(PHONE).map((most) => most.toFixed(0))]);
    const p50Ms = middleOf(drags.map((one) => one.p50Ms));
    const p95Ms = middleOf(drags.map((one) => one.p95Ms));
    const isGood = p95Ms <= DRAG_MS;
    if (!isGood) short++;
    const figures = `p50 ${p50Ms.toFixed(0)} ms, p95 ${p95Ms.toFixed(0)} ms (wanted ${DRAG_MS})`;
    say(`a drag on the bench, to the frame that shows it: ${figures}  ${isGood ? 'good' : 'SHORT'}`);
    if (short > 0) process.exitCode = 1;
  } finally {
    await browser.close();
    await rig.end();
  }
}

/**
 * What pages cost with years of results beside what they cost with a dozen weeks of them, on a server and data of its own; one table, exit 1 when a line of
 * it falls short. With `--browser` what they cost a cheap phone, with `--cluster` what requests cost each kind of process of a cluster.
 * @param {string[]} args
 */
export async function load(args) {
  if (args.includes('--browser')) return loadInBrowser();
  if (args.includes('--cluster')) return loadOfCluster();
  const results = numberOf(args, '--results', 5_000_000);
  const clients = numberOf(args, '--clients', 50);
  await ensurePrograms({ database: true });
  await ensureModules();
  await buildAll();
  const [{ aRig, quantile }, { grow }, { costs, crowd, pageOf, writeOf }, { writing }, { plansOf }, { asMeant, aYardstick, slowNow }] =
    await Promise.all([
      import('../soak/rig.mjs'),
      import('../load/grow.mjs'),
      import('../load/measure.mjs'),
      import('../load/balls.mjs'),
      import('../load/plans.mjs'),
      import('../load/yardstick.mjs'),
    ]);
  // as much memory as whoever keeps years would give it, and data that can be made again
  const rig = await aRig(1, 'load', { memoryMB: 2048, isLasting: false });
  const yardstick = await aYardstick(rig);
  let short = 0;
  /** @param {boolean} isGood */
  const counted = (isGood) => {
    if (!isGood) short++;
    return isGood;
  };
  try {
    const pids = () => [rig.server.child.pid, rig.mariadb.child.pid, yardstick.pid];
    const pages = { nothing: '/api/health', ...(await pagesOf(rig)) };
    const asked = pageOf(yardstick.url);
    const jobs = Object.fromEntries(Object.entries(pages).map(([name, path]) => [name, pageOf(`${rig.origin}${path}`)]));
    const small = await step('pages with a dozen weeks of results', () => costs(pids, asked, jobs, WARM));
    const grown = await step(`making ${results.toLocaleString('en')} results`, () =>
      grow(rig.url, results, (share) => process.stderr.write(`  ${Math.round(100 * Math.min(1, share))} %\r`)),
    );
    const large = await step('pages with all of them', () => costs(pids, asked, jobs, WARM_AGAIN));
    say(`\n${grown.results.toLocaleString('en')} results, ${grown.own.toLocaleString('en')} of them this club's`);
    say('ms of processor: as they were here; and as they would be on the machine that is meant (tools/load/yardstick.mjs), which counts');
    row(['page', 'here', 'meant', 'with all', 'meant', 'ratio', 'p50 ms', 'kB']);
    for (const name of Object.keys(jobs)) {
      const [a, b] = [small.get(name), large.get(name)];
      if (!a || !b) continue;
      const [before, now] = [asMeant(a.yardsticks), asMeant(b.yardsticks)];
      const isGood = counted(a.failed + b.failed === 0 && now <= MOST_CPU_MS && now / before <= FLAT);
      row(
        [
          name,
          ...[a.cpuMs, before, b.cpuMs, now].map((ms) => ms.toFixed(1)),
          (now / before).toFixed(2),
          b.p50Ms.toFixed(0),
          b.kB.toFixed(0),
        ],
        isGood,
      );
    }
    const { ball } = writing(rig.ask, { rungId: rig.rung.id, playerId: rig.playerId, weather: rig.rung.document.weather });
    // before balls are written by the thousand: in no club so many rounds are touched at once
    for (let [n, isQuick, before] = [1, false, await slowNow(pids(), asked)]; n <= MOST_CROWDS && !isQuick; n++) {
      const all = await step(`${clients} clients, a second between two pages, while balls are judged`, () =>
        crowd(rig.origin, Object.values(pages).slice(1), clients, CROWD_S, ball),
      );
      const after = await slowNow(pids(), asked);
      const mostMs = (CROWD_MS * (before + after)) / 2;
      before = after;
      const are = Object.entries(all).map(([what, { ms, failed }]) => ({
        what,
        isGood: failed === 0 && quantile(ms, 0.95) <= mostMs,
        figures: `${[0.5, 0.95].map((share) => `p${100 * share} ${quantile(ms, share).toFixed(0)} ms`).join(', ')} (wanted ${mostMs.toFixed(0)}), failed ${failed}`,
        count: ms.length,
      }));
      isQuick = are.every(({ isGood }) => isGood);
      for (const { what, isGood, figures, count } of are)
        say(`${clients} clients: ${count} ${what}, ${figures}  ${(n === MOST_CROWDS ? counted(isGood) : isGood) ? 'good' : 'SHORT'}`);
    }
    const written = await step('balls', () => costs(pids, asked, { ball: writeOf(() => ball(0)) }, WARM_BALLS));
    const { cpuMs = Number.NaN, yardsticks = Number.NaN } = written.get('ball') ?? {};
    const ballMs = asMeant(yardsticks);
    say(
      `a ball that is judged: ${cpuMs.toFixed(1)} ms here, ${ballMs.toFixed(1)} as meant  ${counted(ballMs <= MOST_BALL_MS) ? 'good' : 'SHORT'}`,
    );
    const plans = await step('plans', () => plansOf(rig, Object.fromEntries(Object.entries(pages).slice(1)), () => ball(0)));
    say('statements that look at more rows than they return × 20, on the page that asks them first:');
    row(['page', 'looked at', 'returned']);
    for (const { page, shape, looked, returned } of plans) {
      row([page, ...[looked, returned].map((count) => count.toLocaleString('en'))], counted(looked <= MOST_LOOKED));
      say(`  ${shape.length > SHOWN ? `${shape.slice(0, SHOWN)} …` : shape}`);
    }
    if (short > 0) process.exitCode = 1;
  } finally {
    await yardstick.end();
    await rig.end();
  }
}

/** Until the proxy sends nothing to a server that is gone. @param {{ ask: (method: string, path: string) => Promise<{ status: number }> }} cluster */
async function noticed({ ask }) {
  for (let inARow = 0; inARow < 20; ) {
    const { status } = await ask('GET', '/api/health').catch(() => ({ status: 0 }));
    inARow = status === 200 ? inARow + 1 : 0;
  }
}

/** What requests cost each kind of process, with two web servers and with one; figures only, `docs/scale.md` says what follows from them. */
async function loadOfCluster() {
  const [{ endWithUs, prepared, startCluster }, { costsIn }, { rigOf }] = await Promise.all([
    import('../cluster/cluster.mjs'),
    import('../load/growth.mjs'),
    import('../soak/cluster.mjs'),
  ]);
  await prepared();
  const cluster = await startCluster();
  endWithUs(cluster);
  const rig = await rigOf(cluster);
  try {
    const of = { rungId: rig.rung.id, playerId: rig.playerId, machineId: rig.machineId, weather: rig.rung.document.weather };
    for (const servers of [2, 1]) {
      if (servers === 1) {
        await cluster.killServer(1);
        await noticed(cluster);
      }
      const costs = await step(`${servers} web server${servers === 1 ? '' : 's'}`, () => costsIn(cluster, of));
      say(
        ['ms of a processor'.padEnd(34), ...['web', 'writer', 'others', 'proxy', 'broker', 'p95'].map((name) => name.padStart(8))].join(''),
      );
      for (const { what, spent, p95Ms } of costs) {
        const figures = [spent.web, spent.writer, spent.others, spent.proxy, spent.broker, p95Ms];
        say([what.padEnd(34), ...figures.map((each) => each.toFixed(2).padStart(8))].join(''));
      }
    }
  } finally {
    await rig.end();
    await cluster.end();
  }
}
