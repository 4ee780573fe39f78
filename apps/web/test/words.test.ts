import { type Hazard, type HazardCode, SPORTS } from '@good-arc/core';
import { describe, expect, test } from 'vitest';
import { sayHazard } from '../src/words/hazards.ts';

const TIME = { timeS: 0.34, needS: 0.5, hitting: true, band: '11–12' };
/** One of each code, with figures that are easy to see in a sentence. */
const EACH: Record<HazardCode, Pick<Hazard, 'weight' | 'figures'>> = {
  jam: { weight: 'note', figures: { acrossM: 0.075, widestM: 0.07 } },
  'not-judged': { weight: 'grave', figures: { why: [{ code: 'does-not-arrive', feed: 1, name: 'Dropped short' }] } },
  unsafe: { weight: 'grave', figures: TIME },
  'too-quick': { weight: 'note', figures: TIME },
  challenge: { weight: 'note', figures: TIME },
  survival: { weight: 'note', figures: { intervalS: 2, shortOfS: 1.2, hitting: false, readyIntervalS: 3.1 } },
  'back-pedal': { weight: 'grave', figures: { behindM: 2 } },
  juniors: { weight: 'note', figures: { swingsEach: 72, mostSwings: 60 } },
  'long-run': { weight: 'note', figures: { balls: 14 } },
  'long-round': { weight: 'note', figures: { balls: 40, capBalls: 28 } },
  'non-volley': { weight: 'note', figures: {} },
  helmets: { weight: 'grave', figures: { ball: 'Hard ball' } },
  fielders: { weight: 'note', figures: {} },
  'machine-in-the-way': { weight: 'note', figures: {} },
  'in-front': { weight: 'grave', figures: { awayM: 2, closeM: 3, hard: false } },
  fence: { weight: 'grave', figures: { upM: 4, fenceM: 3 } },
  'near-ceiling': { weight: 'note', figures: { apexM: 6.8, ceilingM: 7 } },
  ceiling: { weight: 'note', figures: { apexM: null, ceilingM: 7 } },
  'too-far': { weight: 'grave', figures: { farthestM: 16.8 } },
  windy: { weight: 'note', figures: { windMps: 9, mostMps: 6 } },
  'low-net': { weight: 'note', figures: {} },
};
const length = (m: number): string => `${m.toFixed(1)} m`;
const said = (hazard: Hazard) => Object.values(sayHazard(hazard, length)).join(' ');

describe('words of hazards', () => {
  test.each(Object.entries(EACH))(
    '%s says what, why and what to do, and names no sport',
    (code, rest) => {
      const hazard = { code, ...rest } as Hazard;
      const { what, why, doThis } = sayHazard(hazard, length);
      for (const words of [what, why, doThis]) expect(words).toMatch(/^[A-Z0-9].{8,}\.$/);
      expect(said(hazard)).not.toMatch(/undefined|NaN|null|\[object/);
      expect(said(hazard)).not.toMatch(new RegExp(SPORTS.join('|'), 'i'));
    },
  );
  test('figures are in them: which ball, how quick, how far', () => {
    const of = (code: HazardCode) => said({ code, ...EACH[code] } as Hazard);
    expect(of('not-judged')).toContain('ball 2 “Dropped short”');
    expect(of('unsafe')).toContain('0.34 s; the game of this age (11–12) takes 0.50 s');
    expect(of('survival')).toMatch(/1\.2 s before .*Feed every 3\.5 s/);
    expect(of('in-front')).toMatch(/2\.0 m to the muzzle, and inside 3\.0 m/);
  });
});
