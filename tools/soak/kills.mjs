import { v7 as uuidv7 } from 'uuid';
import { quantile, sleep } from './rig.mjs';

const DEVICES = 8;
const WRITES_PER_S = 40;
const KILL_EVERY_MS = 7000;
const BALLS_A_ROUND = 100;

/** What a trial of writes needs of its rig. @typedef {Pick<import('./rig.mjs').Rig, 'ask' | 'query' | 'task' | 'rung' | 'playerId'>} WriteRig */

/**
 * Devices that write results until it is over, each until it is acknowledged, as phones do.
 * @param {Pick<WriteRig, 'ask' | 'rung' | 'playerId'>} rig @param {() => boolean} isOver @param {() => number} random
 */
export function writing(rig, isOver, random) {
  /** @type {Map<string, { roundId: string, seq: number }>} */
  const acknowledged = new Map();
  /** When something was acknowledged, in order. @type {number[]} */
  const times = [];
  const count = { attempted: 0, errors: 0 };

  /** @param {string} path @param {unknown} body */
  async function send(path, body) {
    for (;;) {
      count.attempted++;
      const status = await rig.ask('PUT', path, body, { withinMs: 8000 }).then(
        (answer) => answer.status,
        () => 0,
      );
      if (status >= 200 && status < 300) {
        times.push(performance.now());
        return;
      }
      // a proxy says 502 and 504 where there is no server behind it
      if (status >= 500 && status !== 502 && status !== 503 && status !== 504) count.errors++;
      await sleep(100 + 200 * random());
    }
  }

  async function device() {
    while (!isOver()) {
      const roundId = uuidv7();
      const round = { outingId: uuidv7(), rungId: rig.rung.id, playerId: rig.playerId, startedAt: new Date().toISOString() };
      await send(`/api/rounds/${roundId}`, { ...round, weather: rig.rung.document.weather });
      for (let seq = 1; seq <= BALLS_A_ROUND && !isOver(); seq++) {
        const id = uuidv7();
        const outcome = random() < 0.5 ? 'in' : 'out';
        await send(`/api/rounds/${roundId}/results/${id}`, {
          seq,
          outcome,
          speedMps: null,
          elevationDeg: null,
          bearingDeg: null,
          radarMps: null,
        });
        acknowledged.set(id, { roundId, seq });
        await sleep((1000 * DEVICES) / WRITES_PER_S);
      }
    }
  }

  return { acknowledged, times, count, done: Promise.all(Array.from({ length: DEVICES }, device)) };
}

/** What of the acknowledged results is lost, doubled, or summed up wrongly. @param {WriteRig} rig @param {ReadonlyMap<string, unknown>} acknowledged */
export async function kept(rig, acknowledged) {
  const rows = await rig.query('SELECT id, round_id AS roundId, seq FROM result WHERE deleted_at IS NULL');
  const ids = new Set(rows.map(({ id }) => id));
  const balls = rows.map(({ roundId, seq }) => `${roundId} ${seq}`);
  /** @type {{ wrong: unknown[] }} */
  const { wrong } = JSON.parse(rig.task('check'));
  const lost = [...acknowledged.keys()].filter((id) => !ids.has(id)).length;
  const doubled = balls.length - new Set(balls).size;
  return {
    figures: `acknowledged ${acknowledged.size} · lost ${lost} · doubled ${doubled} · rounds with a wrong sum ${wrong.length}`,
    isGood: lost === 0 && doubled === 0 && wrong.length === 0 && acknowledged.size > 0,
  };
}

/**
 * Devices write results while servers and databases are killed, in turn.
 * @param {import('./rig.mjs').Rig} rig @param {number} forMs @param {() => number} random
 */
export async function kills(rig, forMs, random) {
  const end = performance.now() + forMs;
  const { acknowledged, times, count, done } = writing(rig, () => performance.now() >= end, random);
  /** @type {number[]} */
  const killedAt = [];
  while (performance.now() + KILL_EVERY_MS < end) {
    await sleep(KILL_EVERY_MS);
    killedAt.push(performance.now());
    (killedAt.length % 2 === 1 ? rig.server : rig.mariadb).child.child.kill('SIGKILL');
  }
  await done;
  const back = killedAt.map((at) => (times.find((each) => each > at) ?? Number.POSITIVE_INFINITY) - at);
  const { figures, isGood } = await kept(rig, acknowledged);
  return {
    what: 'kills of server and database under 40 writes/s',
    figures: `${killedAt.length} kills · attempted ${count.attempted} · ${figures} · errors (5xx but 503) ${count.errors} · back after ${Math.round(quantile(back, 0.5))} ms (p50), ${Math.round(quantile(back, 1))} ms at most`,
    isGood: isGood && count.errors === 0,
  };
}
