import { v7 as uuidv7 } from 'uuid';

const BALLS_A_ROUND = 40;

/**
 * Rounds side by side, a lane each, as devices write them: a round is begun, and its balls are judged one by one.
 * @param {(method: string, path: string, body?: unknown) => Promise<{ status: number, text: string }>} asked
 * @param {{ rungId: string, playerId: string, weather: unknown }} of
 */
export function writing(asked, { rungId, playerId, weather }) {
  /** @type {{ id: string, seq: number }[]} */
  const rounds = [];
  /** @param {string} method @param {string} path @param {unknown} [body] */
  const ask = async (method, path, body) => {
    const { status, text } = await asked(method, path, body);
    if (status >= 300) throw new Error(`${method} ${path}: ${status} ${text.slice(0, 200)}`);
  };
  /** @param {number} lane */
  const begin = async (lane) => {
    const round = { id: uuidv7(), seq: 0 };
    await ask('PUT', `/api/rounds/${round.id}`, { outingId: uuidv7(), rungId, playerId, startedAt: new Date().toISOString(), weather });
    rounds[lane] = round;
    return round;
  };
  const nothing = { speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null };
  return {
    /** @throws Error when it was not acknowledged */
    ask,
    begin,
    /** The next ball of a lane, in a new round where one is full. @param {number} lane */
    async ball(lane) {
      const now = rounds[lane];
      const round = now && now.seq < BALLS_A_ROUND ? now : await begin(lane);
      await ask('PUT', `/api/rounds/${round.id}/results/${uuidv7()}`, { seq: ++round.seq, outcome: 'in', ...nothing });
    },
  };
}
