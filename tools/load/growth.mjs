import { v7 as uuidv7 } from 'uuid';
import { quantile } from '../soak/rig.mjs';
import { cpuMs } from './measure.mjs';

/** @typedef {Awaited<ReturnType<typeof import('../cluster/cluster.mjs').startCluster>>} Cluster */
/** Processor time of one request, ms, by the kind of process that spent it. @typedef {Record<'web' | 'writer' | 'others' | 'proxy' | 'broker', number>} Spent */

/** Of each kind before it counts: servers that have run for a while. */
const WARM = 150;
const BALLS_A_ROUND = 40;
/** Requests at a time: enough that no process waits for another's answer. */
const LANES = 8;

/**
 * What each kind of request costs each kind of process of a cluster.
 * @param {Cluster} cluster @param {{ rungId: string, playerId: string, machineId: string, weather: unknown }} of
 */
export async function costsIn(cluster, { rungId, playerId, machineId, weather }) {
  /** @param {string} method @param {string} path @param {unknown} [body] */
  const ask = async (method, path, body) => {
    const { status, text } = await cluster.ask(method, path, body);
    if (status >= 300) throw new Error(`${method} ${path}: ${status} ${text.slice(0, 200)}`);
  };
  /** Of each lane, the round that its balls are of. @type {{ id: string, seq: number }[]} */
  const rounds = [];
  /** @param {number} lane */
  const begin = async (lane) => {
    const round = { id: uuidv7(), seq: 0 };
    const body = { outingId: uuidv7(), rungId, playerId, startedAt: new Date().toISOString(), weather };
    await ask('PUT', `/api/rounds/${round.id}`, body);
    rounds[lane] = round;
    return round;
  };
  const shown = {
    rungName: 'Deep and kind',
    courtName: 'Court 2',
    machines: [{ name: 'Machine', lineOf: machineId }],
    players: ['Ines'],
    scores: [{ hits: 3, balls: 5 }],
    thrown: 5,
    of: 40,
    streak: 1,
    last: 'in',
    state: 'feeding',
    everyS: 5,
    nextInS: 2,
    whose: '',
    kinds: [],
    coming: [],
  };
  const nothing = { speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null };
  /** @param {number} lane */
  const ball = async (lane) => {
    const now = rounds[lane];
    const round = now && now.seq < BALLS_A_ROUND ? now : await begin(lane);
    await ask('PUT', `/api/rounds/${round.id}/results/${uuidv7()}`, { seq: ++round.seq, outcome: 'in', ...nothing });
  };
  const { id: live } = await begin(0);
  /** @type {[string, number, (lane: number) => Promise<void>][]} */
  const kinds = [
    ['a ball that is judged', 800, ball],
    ['a sign of life', 1600, () => ask('POST', `/api/machines/${machineId}/beat?page=growth`, {})],
    ['a round that is shown to others', 400, () => ask('PUT', `/api/rounds/${live}/live`, shown)],
    ['Today', 80, () => ask('GET', '/')],
    ['a rung on court', 80, () => ask('GET', `/courtside?rung=${rungId}&player=${playerId}`)],
  ];
  /** @type {{ what: string, spent: Spent, p95Ms: number }[]} */
  const costs = [];
  for (const [what, amount, request] of kinds) {
    for (let i = 0; i < WARM; i++) await request(0);
    const before = spentBy(cluster);
    /** @type {number[]} */
    const ms = [];
    await Promise.all(
      Array.from({ length: LANES }, async (_, lane) => {
        for (let i = 0; i < amount / LANES; i++) {
          const from = performance.now();
          await request(lane);
          ms.push(performance.now() - from);
        }
      }),
    );
    const after = spentBy(cluster);
    /** @param {keyof Spent} kind */
    const each = (kind) => (after[kind] - before[kind]) / ms.length;
    costs.push({
      what,
      spent: { web: each('web'), writer: each('writer'), others: each('others'), proxy: each('proxy'), broker: each('broker') },
      p95Ms: quantile(ms, 0.95),
    });
  }
  return costs;
}

/** @param {Cluster} cluster @returns {Spent} */
function spentBy(cluster) {
  const { web, proxy, broker, writer, others } = cluster.pids();
  return { web: cpuMs(web), proxy: cpuMs([proxy]), broker: cpuMs([broker]), writer: cpuMs([writer]), others: cpuMs(others) };
}
