import { type Hazard, hazardsInSight, type Weather } from '@good-arc/core';
import { expect, test } from 'vitest';
import { broughtVerdict } from '../src/server/verdicts.ts';
import { type Hit, judgedByServer, judgedFor } from '../src/views/courtside/judged.ts';
import { aPlayer } from './support/player.ts';
import { profileOf, rungDocument } from './support/rig.ts';

const [courtId, machineId, rungId, otherRungId] = ['c', 'm', 'r', 'o'];
const profile = profileOf('Two-wheel portable');
const hot: Weather = { ...rungDocument(courtId, machineId).weather, temperatureC: 36 };
const child = aPlayer({ id: 'p', bornYear: new Date().getFullYear() - 10 });

/** A rung of its own, and who hits it: nothing of another test is known of it. */
function aHit(part: Partial<Hit> = {}): { document: ReturnType<typeof rungDocument>; hit: Hit } {
  const document = rungDocument(courtId, machineId);
  const hit = { rungId, sport: 'tennis' as const, machine: { profile }, gameBalls: [], hitting: [child], swingsToday: [], indoors: false };
  return { document, hit: { ...hit, weather: document.weather, ...part } };
}
const codes = (hazards: readonly Hazard[]) => hazards.map(({ code }) => code);

test('what has to be minded goes by who hits, by what they swung elsewhere today, and by the air on the court', () => {
  const { document, hit } = aHit();
  const swung = [
    { playerId: 'p', rungId: otherRungId, swings: 400 },
    { playerId: 'p', rungId, swings: 50 },
    { playerId: 'another', rungId: otherRungId, swings: 900 },
  ];
  const first = judgedFor(document, hit);
  expect(judgedFor(document, { ...hit, hitting: [child] }).inSight).toBe(first.inSight);
  const after = judgedFor(document, { ...hit, swingsToday: swung });
  expect(after.around).toMatchObject({ ageYears: 9, swingsBefore: 400, handFed: false });
  expect(codes(after.inSight)).toContain('juniors');
  expect(codes(first.inSight)).not.toContain('juniors');
  const inHeat = judgedFor(document, { ...hit, weather: hot });
  expect(codes(inHeat.inSight).some((code) => code.startsWith('heat'))).toBe(true);
  expect(inHeat.inSight).toEqual(hazardsInSight(document, 'tennis', inHeat.judged, inHeat.around));
});

test('what a page brought stands for the same rung, players and air; with anything else around it is found here', () => {
  const byServer = aHit();
  const { weakest, ...found } = judgedFor(byServer.document, byServer.hit);
  const sent = JSON.parse(JSON.stringify(broughtVerdict({ ...found, level: weakest?.level })));
  // a mark of our own: found here it would not be there
  const brought = { ...sent, inSight: [{ code: 'fielders', weight: 'note', figures: {} }, ...sent.inSight] };
  const { document, hit } = aHit();
  judgedByServer({
    rung: { id: rungId, ladderId: 'l', position: 0, document },
    ladder: { sport: 'tennis' },
    machine: { profile },
    gameBalls: hit.gameBalls,
    verdict: brought,
  });
  expect(judgedFor(document, hit)).toMatchObject({ judged: sent.judgement, around: sent.around, inSight: brought.inSight });
  const grown = aPlayer({ id: 'g', bornYear: 1980, level: child.level });
  for (const other of [{ weather: hot }, { hitting: [grown] }, { indoors: true }])
    expect(codes(judgedFor(document, { ...hit, ...other }).inSight)).not.toContain('fielders');
  const nudged = { ...document, intervalS: document.intervalS + 1 };
  expect(codes(judgedFor(nudged, hit).inSight)).not.toContain('fielders');
});

test('figures that no text carries are not sent: the phone finds them itself', () => {
  const { document, hit } = aHit();
  const { weakest, ...found } = judgedFor(document, hit);
  const endless = { code: 'heat', weight: 'note', figures: { wbgtC: Number.POSITIVE_INFINITY, mostC: 30 } } as Hazard;
  expect(broughtVerdict({ ...found, level: weakest?.level })).not.toBeNull();
  expect(broughtVerdict({ ...found, inSight: [endless], level: weakest?.level })).toBeNull();
});
