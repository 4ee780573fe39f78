import { v7 as uuidv7 } from 'uuid';
import { quantile, sleep } from './rig.mjs';

const DEVICES = 8;
const WRITES_PER_S = 40;
const KILL_EVERY_MS = 7000;
const BALLS_A_ROUND = 100;

/**
 * Devices write results while servers and databases are killed, in turn.
 * @param {import('./rig.mjs').Rig} rig @param {number} forMs @param {() => number} random
 */
export async function kills(rig, forMs, random) {
  const end = performance.now() + forMs;
  /** @type {Map<string, { roundId: string, seq: number }>} */
  const acknowledged = new Map();
  let attempted = 0;
  let errors = 0;
  /** @type {number[]} */
  const back = [];
  let killedAt = 0;

  /** Until it is acknowledged, as a phone does. @param {string} path @param {unknown} body */
  async function send(path, body) {
    for (;;) {
      attempted++;
      const status = await rig.ask('PUT', path, body, { withinMs: 8000 }).then(
        (answer) => answer.status,
        () => 0,
      );
      if (status >= 200 && status < 300) {
        if (killedAt > 0) {
          back.push(performance.now() - killedAt);
          killedAt = 0;
        }
        return;
      }
      if (status >= 500 && status !== 503) errors++;
      await sleep(100 + 200 * random());
    }
  }

  async function device() {
    while (performance.now() < end) {
      const roundId = uuidv7();
      const round = { outingId: uuidv7(), rungId: rig.rung.id, playerId: rig.playerId, startedAt: new Date().toISOString() };
      await send(`/api/rounds/${roundId}`, { ...round, weather: rig.rung.document.weather });
      for (let seq = 1; seq <= BALLS_A_ROUND && performance.now() < end; seq++) {
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

  async function killer() {
    let killed = 0;
    while (performance.now() + KILL_EVERY_MS < end) {
      await sleep(KILL_EVERY_MS);
      killedAt = performance.now();
      (killed++ % 2 === 0 ? rig.server : rig.mariadb).child.child.kill('SIGKILL');
    }
    return killed;
  }

  const [killed] = await Promise.all([killer(), ...Array.from({ length: DEVICES }, device)]);
  const rows = await rig.query('SELECT id, round_id AS roundId, seq FROM result WHERE deleted_at IS NULL');
  const kept = new Set(rows.map(({ id }) => id));
  const lost = [...acknowledged.keys()].filter((id) => !kept.has(id)).length;
  const balls = rows.map(({ roundId, seq }) => `${roundId} ${seq}`);
  const doubled = balls.length - new Set(balls).size;
  /** @type {{ wrong: unknown[] }} */
  const { wrong } = JSON.parse(rig.task('check'));
  return {
    what: 'kills of server and database under 40 writes/s',
    figures: `${killed} kills · attempted ${attempted} · acknowledged ${acknowledged.size} · lost ${lost} · doubled ${doubled} · rounds with a wrong sum ${wrong.length} · errors (5xx but 503) ${errors} · back after ${Math.round(quantile(back, 0.5))} ms (p50), ${Math.round(quantile(back, 1))} ms at most`,
    isGood: lost === 0 && doubled === 0 && wrong.length === 0 && errors === 0 && acknowledged.size > 0,
  };
}
