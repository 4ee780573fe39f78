import { quantile } from '../soak/rig.mjs';
import { writing } from './balls.mjs';
import { cpuMs } from './measure.mjs';

/** @typedef {Awaited<ReturnType<typeof import('../cluster/cluster.mjs').startCluster>>} Cluster */
/** Processor time of one request, ms, by the kind of process that spent it. @typedef {Record<'web' | 'writer' | 'others' | 'proxy' | 'broker', number>} Spent */

/** Of each kind before it counts: servers that have run for a while. */
const WARM = 150;
/** Requests at a time: enough that no process waits for another's answer. */
const LANES = 8;

/**
 * What each kind of request costs each kind of process of a cluster.
 * @param {Cluster} cluster @param {{ rungId: string, playerId: string, machineId: string, weather: unknown }} of
 */
export async function costsIn(cluster, { rungId, playerId, machineId, weather }) {
  const { ask, begin, ball } = writing(cluster.ask, { rungId, playerId, weather });
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
