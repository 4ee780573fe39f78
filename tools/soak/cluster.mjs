import { spawnSync } from 'node:child_process';
import mysql from 'mysql2/promise';
import { byLines, isReady, ask as sql } from '../cluster/galera.mjs';
import { say } from '../lib/say.mjs';
import { kept, writing } from './kills.mjs';
import { feeding, observer, quantile, sleep, tennisRung } from './rig.mjs';

/** @typedef {Awaited<ReturnType<typeof import('../cluster/cluster.mjs').startCluster>>} Cluster */

/** Service may be away so long, ms, when a process of a kind dies. */
const AWAY_MS = { database: 3000, web: 1000 };
/** From one kill to its repair, and from there to the next, ms. */
const KILLED_MS = 6000;
const REST_MS = 4000;
/** A node that was cut off is waited for so long, ms: it has to be told what it missed while the others write on. */
const BACK_MS = 60_000;
/** A machine goes on for so long at most, ms. */
const HELD_MS = 1000;
/** Hold, asked of the server that does not have the machine: so often, and taken by the machine within, ms, 99 times of 100. */
const HOLDS = 400;
const HOLD_P99_MS = 100;
/** A server is frozen for so long, ms: others have taken its machines by then. */
const FROZEN_MS = 4000;

/** What the trials need of a cluster, as those of one server need it of theirs. @param {Cluster} cluster */
export async function rigOf(cluster) {
  const db = mysql.createPool({ uri: cluster.url, timezone: 'Z', connectionLimit: 2 });
  /** @param {string} text @param {unknown[]} [values] @returns {Promise<Record<string, any>[]>} */
  const query = async (text, values = []) => /** @type {any} */ ((await db.query(text, values))[0]);
  const rung = await tennisRung(query);
  const { document } = rung;
  const [player] = await query('SELECT id FROM player LIMIT 1');
  if (!player) throw new Error('the demo has no player');
  const machinePort = cluster.machines.find(({ id }) => id === document.machineId)?.port ?? 0;
  const { ask, task, plain: origin } = cluster;
  return {
    ...{ origin, ask, query, task, machinePort, machineId: document.machineId, playerId: player.id },
    rung,
    end: () => db.end(),
  };
}

/** The node that is written to: the one with the servers' lines. @param {Cluster} cluster */
const writtenTo = ({ galera: { nodes } }) => byLines(nodes)[0];

/** The web server that has the line of a machine, from 0; −1 when none has. @param {Cluster} cluster @param {number} port */
function ownerOf(cluster, port) {
  const { stdout } = spawnSync('ss', ['-Htnp', 'state', 'established', `( dport = :${port} )`], { encoding: 'utf8' });
  return cluster.serverPids().findIndex((pid) => stdout.includes(`pid=${pid},`));
}

/** Whether the nodes have the same rows. @param {Cluster} cluster */
async function agree({ galera: { nodes } }) {
  const sums = () => nodes.map((node) => sql(node.socket, 'CHECKSUM TABLE goodarc.result, goodarc.round, goodarc.outing'));
  for (let tries = 0; tries < 50; tries++) {
    const [first, ...others] = sums();
    if (first !== null && others.every((each) => each === first)) return true;
    await sleep(200);
  }
  return false;
}

/**
 * Each kind of process killed in turn under 40 writes a second; a node that is cut off; a machine whose server dies.
 * @param {Cluster} cluster @param {number} times each @param {() => number} random @returns {Promise<import('../lib/soak.mjs').Row[]>}
 */
export async function clusterTrials(cluster, times, random) {
  const rig = await rigOf(cluster);
  const { galera } = cluster;
  /** Kills one of a kind. @returns what brings it back @typedef {() => Promise<() => void | Promise<void>>} Kill */
  /** @type {[string, number, Kill][]} */
  const kinds = [
    [
      'the database node that is written to',
      AWAY_MS.database,
      async () => {
        const node = writtenTo(cluster);
        if (!node) throw new Error('no node');
        await galera.kill(node);
        return () => galera.revive(node);
      },
    ],
    [
      'another database node',
      AWAY_MS.database,
      async () => {
        const active = writtenTo(cluster);
        const node = galera.nodes.find((each) => each !== active);
        if (!node) throw new Error('no node');
        await galera.kill(node);
        return () => galera.revive(node);
      },
    ],
    [
      'the broker',
      AWAY_MS.web,
      async () => {
        await cluster.killBroker();
        return () => cluster.reviveBroker();
      },
    ],
    ...[0, 1].map(
      (i) =>
        /** @type {[string, number, Kill]} */ ([
          `web server ${i + 1}`,
          AWAY_MS.web,
          async () => {
            await cluster.killServer(i);
            return () => cluster.reviveServer(i);
          },
        ]),
    ),
  ];
  let isOver = false;
  const devices = writing(rig, () => isOver, random);
  /** @type {import('../lib/soak.mjs').Row[]} */
  const rows = [];
  /** @param {import('../lib/soak.mjs').Row} row */
  const add = (row) => {
    rows.push(row);
    say(`    ${row.what}: ${row.isGood ? 'good' : 'SHORT'}`);
  };
  await sleep(3000);
  for (const [what, mostMs, kill] of kinds) {
    /** @type {number[]} */
    const away = [];
    for (let time = 0; time < times; time++) {
      const from = performance.now();
      const back = await kill();
      await sleep(KILLED_MS);
      // the longest time without anything acknowledged
      const acknowledged = [from, ...devices.times.filter((at) => at >= from), performance.now()];
      away.push(Math.max(...acknowledged.slice(1).map((at, i) => at - (acknowledged[i] ?? at))));
      await back();
      await sleep(REST_MS);
    }
    add({
      what: `killed: ${what}`,
      figures: `${times} times · nothing acknowledged for ${Math.round(quantile(away, 0.5))} ms (p50), ${Math.round(quantile(away, 1))} ms at most`,
      isGood: quantile(away, 1) < mostMs,
    });
  }

  const active = writtenTo(cluster);
  const apart = galera.nodes.find((node) => node !== active);
  if (apart) {
    galera.cut(apart, true);
    await sleep(4000);
    const isRefused = !isReady(apart) && sql(apart.socket, "UPDATE goodarc.club SET name = CONCAT(name, '!')") === null;
    const before = devices.acknowledged.size;
    await sleep(2000);
    const goesOn = devices.acknowledged.size - before;
    galera.cut(apart, false);
    const from = performance.now();
    while (!isReady(apart) && performance.now() - from < BACK_MS) await sleep(100);
    const backS = ((performance.now() - from) / 1000).toFixed(1);
    add({
      what: 'a node that is cut off',
      figures: `refuses writes: ${isRefused ? 'yes' : 'NO'} · acknowledged by the others meanwhile ${goesOn} in 2 s · back after ${isReady(apart) ? `${backS} s` : 'NEVER'}`,
      isGood: isRefused && goesOn > 0 && isReady(apart),
    });
  }

  add(await holdTrial(cluster, /** @type {any} */ (rig)));

  isOver = true;
  await devices.done;
  const { figures, isGood } = await kept(rig, devices.acknowledged);
  const same = await agree(cluster);
  add({
    what: 'after all of it',
    figures: `${figures} · errors (5xx but 502 to 504) ${devices.count.errors} · nodes agree: ${same ? 'yes' : 'NO'}`,
    isGood: isGood && devices.count.errors === 0 && same,
  });

  for (const trial of [machineTrial, frozenTrial, brokerTrial]) add(await trial(cluster, /** @type {any} */ (rig), times));
  await rig.end();
  return rows;
}

/** A feeding machine whose web server is killed: it stops, and another server takes its line. @param {Cluster} cluster @param {import('./rig.mjs').Rig} rig @param {number} times */
async function machineTrial(cluster, rig, times) {
  /** @type {number[]} */
  const ms = [];
  let taken = 0;
  for (let time = 0; time < times; time++) {
    const seen = observer(rig.machinePort);
    const page = await feeding(rig, seen);
    const owner = ownerIn(cluster, rig);
    const from = performance.now();
    await cluster.killServer(owner);
    await sleep(2500);
    ms.push(seen.stopped(from).afterMs ?? Number.POSITIVE_INFINITY);
    page.close();
    const next = await feeding(rig, seen);
    if (ownerOf(cluster, rig.machinePort) !== owner) taken++;
    await next.give('hold');
    next.close();
    seen.end();
    cluster.reviveServer(owner);
    await sleep(REST_MS);
  }
  return {
    what: 'a machine whose web server dies',
    figures: `${times} times · stopped after ${Math.round(quantile(ms, 0.5))} ms (p50), ${Math.round(quantile(ms, 1))} ms at most · taken over by another server ${taken} of ${times}`,
    isGood: quantile(ms, 1) <= HELD_MS && taken === times,
  };
}

/** Where a machine's driver is, for a trial that needs one. @param {Cluster} cluster @param {import('./rig.mjs').Rig} rig */
function ownerIn(cluster, rig) {
  const owner = ownerOf(cluster, rig.machinePort);
  if (owner < 0) throw new Error('no web server has the line of the machine');
  return owner;
}

/** Hold, asked of the server that does not have the machine, while devices write. @param {Cluster} cluster @param {import('./rig.mjs').Rig} rig */
async function holdTrial(cluster, rig) {
  const seen = observer(rig.machinePort);
  const page = await feeding(rig, seen);
  const path = `/api/machines/${rig.machineId}/command?page=another`;
  const other = cluster.askServer[1 - ownerIn(cluster, rig)];
  if (!other) throw new Error('no other server');
  /** @type {number[]} */
  const ms = [];
  let taken = 0;
  for (let time = 0; time < HOLDS; time++) {
    const from = performance.now();
    const { status, text } = await other('POST', path, { do: 'hold' });
    ms.push(performance.now() - from);
    if (status === 200 && JSON.parse(text).ok && JSON.parse(text).state === 'held') taken++;
    await sleep(10);
  }
  page.close();
  seen.end();
  return {
    what: 'hold, asked of the other server under load',
    figures: `${HOLDS} times · taken ${taken} · ${quantile(ms, 0.5).toFixed(1)} ms (p50), ${quantile(ms, 0.99).toFixed(1)} ms (p99)`,
    isGood: taken === HOLDS && quantile(ms, 0.99) < HOLD_P99_MS,
  };
}

/** A feeding machine whose web server is frozen, not dead: it stops, another takes it, and the one that wakes moves it no more. @param {Cluster} cluster @param {import('./rig.mjs').Rig} rig @param {number} times */
async function frozenTrial(cluster, rig, times) {
  /** @type {number[]} */
  const ms = [];
  let [taken, kept] = [0, 0];
  for (let time = 0; time < times; time++) {
    const seen = observer(rig.machinePort);
    const page = await feeding(rig, seen);
    const owner = ownerIn(cluster, rig);
    const pid = cluster.serverPids()[owner] ?? 0;
    const from = performance.now();
    process.kill(pid, 'SIGSTOP');
    await sleep(FROZEN_MS);
    ms.push(seen.stopped(from).afterMs ?? Number.POSITIVE_INFINITY);
    page.close();
    const next = await feeding(rig, seen);
    const heir = ownerIn(cluster, rig);
    if (heir !== owner) taken++;
    process.kill(pid, 'SIGCONT');
    await sleep(REST_MS);
    // it wakes, and finds that the machine is another's: nothing stopped, and there is one driver
    if (ownerOf(cluster, rig.machinePort) === heir && seen.state() === 'feeding') kept++;
    await next.give('hold');
    next.close();
    seen.end();
  }
  return {
    what: 'a machine whose web server is frozen, then wakes',
    figures: `${times} times · stopped after ${Math.round(quantile(ms, 1))} ms at most · taken over ${taken} of ${times} · undisturbed by the one that woke ${kept} of ${times}`,
    isGood: quantile(ms, 1) <= HELD_MS && taken === times && kept === times,
  };
}

/** A feeding machine while the broker is killed and comes back: it goes on, is held from everywhere, and is shared again. @param {Cluster} cluster @param {import('./rig.mjs').Rig} rig @param {number} times */
async function brokerTrial(cluster, rig, times) {
  let [wentOn, held, shared] = [0, 0, 0];
  for (let time = 0; time < times; time++) {
    const seen = observer(rig.machinePort);
    const page = await feeding(rig, seen);
    const other = cluster.askServer[1 - ownerIn(cluster, rig)];
    const path = `/api/machines/${rig.machineId}/command?page=another`;
    /** @param {object} command @returns {Promise<{ ok?: boolean, code?: string }>} */
    const ask = async (command) => JSON.parse((await other?.('POST', path, command))?.text ?? '{}');
    await cluster.killBroker();
    await sleep(2500);
    if (seen.state() === 'feeding') wentOn++;
    if ((await ask({ do: 'hold' })).ok) held++;
    await seen.until((state) => state === 'held');
    cluster.reviveBroker();
    for (const end = performance.now() + 5000; performance.now() < end; await sleep(100)) {
      if (!(await ask({ do: 'refill' })).ok) continue;
      shared++;
      break;
    }
    page.close();
    seen.end();
  }
  return {
    what: 'a machine while the broker dies',
    figures: `${times} times · went on ${wentOn} · held by the server that does not have it ${held} · shared again ${shared}`,
    isGood: wentOn === times && held === times && shared === times,
  };
}
