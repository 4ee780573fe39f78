import { v7 as uuidv7 } from 'uuid';
import { sleep } from './rig.mjs';

const BALLS = 500;

/**
 * Phones run a round of five hundred balls without a network, are switched off twice in between, and send when it is back.
 * @param {import('./rig.mjs').Rig} rig @param {{ aPhone: typeof import('./phone.ts').aPhone }} own the app's own outbox and store @param {number} [devices]
 */
export async function offline(rig, { aPhone }, devices = 6) {
  const phones = Array.from({ length: devices }, () => ({ roundId: uuidv7(), phone: aPhone(rig.origin) }));
  for (const { roundId, phone } of phones) {
    phone.isOnline = false;
    const round = { outingId: uuidv7(), rungId: rig.rung.id, playerId: rig.playerId, startedAt: new Date().toISOString() };
    phone.add({ method: 'PUT', path: `rounds/${roundId}`, body: { ...round, weather: rig.rung.document.weather }, what: 'Round begun' });
    for (let seq = 1; seq <= BALLS; seq++) {
      const body = { seq, outcome: seq % 3 ? 'in' : 'out', speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null };
      phone.add({ method: 'PUT', path: `rounds/${roundId}/results/${uuidv7()}`, body, what: `Ball ${seq}` });
      if (seq === 170 || seq === 400) await phone.reboot();
    }
    phone.add({ method: 'POST', path: `rounds/${roundId}/finish`, body: { finishedAt: new Date().toISOString() }, what: 'Round finished' });
    await phone.settled();
  }
  await sleep(200);
  for (const { phone } of phones) phone.isOnline = true;
  await Promise.all(phones.map(({ phone }) => phone.sendAll()));
  let lost = 0;
  let doubled = 0;
  for (const { roundId } of phones) {
    const rows = await rig.query('SELECT seq FROM result WHERE round_id = ? AND deleted_at IS NULL', [roundId]);
    const seqs = new Set(rows.map(({ seq }) => seq));
    lost += BALLS - seqs.size;
    doubled += rows.length - seqs.size;
  }
  const waiting = phones.reduce((sum, { phone }) => sum + phone.waiting, 0);
  return {
    what: 'devices offline with 500 results and two reboots',
    figures: `${devices} devices · ${devices * BALLS} results · lost ${lost} · doubled ${doubled} · still waiting ${waiting}`,
    isGood: lost === 0 && doubled === 0 && waiting === 0,
  };
}
