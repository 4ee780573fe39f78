import { APPROACHES, type Doubt, type Hazard, type HazardCode, type MachineWorry, nextStep, SPORTS, type Unmatched } from '@good-arc/core';
import { describe, expect, test } from 'vitest';
import { printersOf } from '../src/ui/Units.tsx';
import { sayHelp, sayMissing, sayUnfit } from '../src/words/building.ts';
import { sayDoubt } from '../src/words/doubts.ts';
import { sayHazard } from '../src/words/hazards.ts';
import { sayWorry } from '../src/words/machine-worries.ts';
import { sayUnmatched } from '../src/words/matching.ts';
import { APPROACH_NAMES, APPROACH_WORDS, sayCount, sayStep } from '../src/words/progress.ts';
import { saySpoiled, sayWithin } from '../src/words/spoiled.ts';

const TIME = { timeS: 0.34, needS: 0.5, hitting: true, band: '11–12' };
/** One of each code, with figures that are easy to see in a sentence. */
const EACH: Record<HazardCode, Pick<Hazard, 'weight' | 'figures'>> = {
  heat: { weight: 'note', figures: { wbgtC: 29.3, mostC: 32.2 } },
  'heat-stop': { weight: 'grave', figures: { wbgtC: 33.4, mostC: 30.2 } },
  jam: { weight: 'note', figures: { acrossM: 0.075, widestM: 0.07 } },
  'not-judged': { weight: 'grave', figures: { why: [{ code: 'does-not-arrive', feed: 1, name: 'Dropped short' }] } },
  unsafe: { weight: 'grave', figures: TIME },
  'too-quick': { weight: 'note', figures: TIME },
  challenge: { weight: 'note', figures: TIME },
  survival: { weight: 'note', figures: { intervalS: 2, shortOfS: 1.2, hitting: false, readyIntervalS: 3.1 } },
  'back-pedal': { weight: 'grave', figures: { behindM: 2 } },
  juniors: { weight: 'note', figures: { swingsEach: 40, swingsBefore: 50, mostSwings: 60, ageYears: 9 } },
  'long-run': { weight: 'note', figures: { balls: 14 } },
  'long-round': { weight: 'note', figures: { balls: 40, capBalls: 28 } },
  'non-volley': { weight: 'note', figures: {} },
  helmets: { weight: 'grave', figures: { ball: 'Hard ball' } },
  fielders: { weight: 'note', figures: {} },
  'machine-in-the-way': { weight: 'note', figures: {} },
  'in-front': { weight: 'grave', figures: { awayM: 2, closeM: 3, hard: false } },
  'close-together': { weight: 'grave', figures: { apartM: 1.9, leastM: 3 } },
  fence: { weight: 'grave', figures: { upM: 4, fenceM: 3 } },
  'near-ceiling': { weight: 'note', figures: { apexM: 6.8, ceilingM: 7 } },
  ceiling: { weight: 'note', figures: { apexM: null, ceilingM: 7 } },
  'too-far': { weight: 'grave', figures: { farthestM: 16.8 } },
  'wind-indoors': { weight: 'note', figures: { windMps: 2, mostMps: 6 } },
  'wrong-ball': { weight: 'note', figures: { ball: 'Holed ball, 40 holes', indoors: true } },
  'child-feeds': { weight: 'grave', figures: { ageYears: 11, fromYears: 16, handFed: true } },
  windy: { weight: 'note', figures: { windMps: 9, mostMps: 6 } },
  'low-net': { weight: 'note', figures: {} },
  unkind: { weight: 'note', figures: { part: 'shins', heightM: 0.31, lowM: 0.7, highM: 1, name: null } },
  height: { weight: 'note', figures: { part: 'chest', heightM: 1.25, lowM: 0.7, highM: 1.1, name: 'Heavy ball' } },
};
const length = (m: number): string => `${m.toFixed(1)} m`;
const said = (hazard: Hazard) => Object.values(sayHazard(hazard, length)).join(' ');

describe('words of hazards', () => {
  test.each(Object.entries(EACH))('%s says what, why and what to do, and names no sport', (code, rest) => {
    const hazard = { code, ...rest } as Hazard;
    const { what, why, doThis } = sayHazard(hazard, length);
    for (const words of [what, why, doThis]) expect(words).toMatch(/^[A-Z0-9“].{8,}\.$/);
    expect(said(hazard)).not.toMatch(/undefined|NaN|null|\[object/);
    expect(said(hazard)).not.toMatch(new RegExp(SPORTS.join('|'), 'i'));
  });
  test('figures are in them: which ball, how quick, how far', () => {
    const of = (code: HazardCode) => said({ code, ...EACH[code] } as Hazard);
    expect(of('not-judged')).toContain('ball 2 “Dropped short”');
    expect(of('unsafe')).toContain('0.34 s; the game of this age (11–12) takes 0.50 s');
    expect(of('survival')).toMatch(/1\.2 s before .*Feed every 3\.5 s/);
    expect(of('in-front')).toMatch(/2\.0 m to the muzzle, and inside 3\.0 m/);
  });
});

/** A whole sentence that names no sport and has no hole in it. */
function expectSentence(words: string): void {
  expect(words).toMatch(/^[A-Z0-9“].{8,}\.$/);
  expect(words).not.toMatch(/undefined|NaN|null|\[object/);
  expect(words).not.toMatch(new RegExp(SPORTS.join('|'), 'i'));
}

describe('words of everything else the core answers with a code', () => {
  const NONE = {} as Record<never, never>;
  test.each<MachineWorry>([
    { code: 'late', figures: { shortS: 0.42 } },
    { code: 'too-often', figures: { leastS: 2 } },
    { code: 'too-seldom', figures: { mostS: 12 } },
    { code: 'one-setting', figures: NONE },
    { code: 'turned-by-hand', figures: NONE },
    { code: 'no-sweep', figures: NONE },
    { code: 'narrow-sweep', figures: { reachDeg: 12 } },
    { code: 'hopper', figures: { holds: 28, balls: 60, fills: 3 } },
  ])('a worry about the machine: $code', (worry) => expectSentence(sayWorry(worry)));
  test.each([
    sayMissing({ code: 'comfort', figures: { ball: 'Easy look', comfort: 'rushed' } }),
    sayMissing({ code: 'no-arc', figures: NONE }),
    sayMissing({ code: 'not-aimed', figures: NONE }),
    sayMissing({ code: 'time', figures: { feedS: 0.9, gameS: 0.7 } }),
    sayMissing({ code: 'speed', figures: { share: 0.8 } }),
    sayMissing({ code: 'height', figures: { higher: true } }),
    sayMissing({ code: 'spin', figures: { feedRpm: 200, gameRpm: 1800 } }),
    sayHelp({ code: 'closer', figures: NONE }),
    sayHelp({ code: 'softer', figures: NONE }),
    sayHelp({ code: 'more-spin', figures: { rpm: 1800, kind: 'Pocket tosser' } }),
    sayHelp({ code: 'faster', figures: { kind: 'Pocket tosser' } }),
    ...(['machine-nearer', 'machine-farther', 'player-in', 'player-back'] as const).map((code) =>
      sayUnfit({ rung: 'One', why: { code: 'cannot-throw', figures: { ball: 'Lob', cure: { code, byM: 2 } } } }, length),
    ),
    sayUnfit({ rung: 'One', why: { code: 'cannot-throw', figures: { ball: 'Lob', cure: { code: 'muzzle', toM: 1.3 } } } }, length),
    sayUnfit({ rung: 'One', why: { code: 'cannot-throw', figures: { ball: 'Lob', cure: null } } }, length),
    sayUnfit({ rung: 'One', why: { code: 'not-at-level', figures: { ball: 'Reset' } } }, length),
    sayUnfit({ rung: 'One', why: { code: 'bounces-twice', figures: NONE } }, length),
    sayUnfit({ rung: 'One', why: { code: 'too-little-time', figures: NONE } }, length),
    sayUnfit({ rung: 'One', why: { code: 'feeds-too-soon', figures: { needsS: 9.2, atMostS: 7 } } }, length),
  ])('building and fitting: %s', (words) => expectSentence(words));
  test('what to doubt of a tune-up, each with what to do', () => {
    const print = { reading: (at: number) => `mark ${at}`, speed: (mps: number) => `${mps} m/s` };
    const said = (
      [
        { code: 'few-marks', figures: { readings: 3 } },
        { code: 'rough', figures: {} },
        { code: 'drift', figures: { share: -0.08 } },
        { code: 'turned', figures: { reading: 2.5 } },
        { code: 'radar-against-marks', figures: { fasterMps: 1.5 } },
      ] satisfies Doubt[]
    ).map((doubt) => sayDoubt(doubt, print));
    for (const words of said) expectSentence(words.replace(/\?$/, '.'));
    expect(said[2]).toMatch(/get slower .* 8 %.*battery/);
    expect(said[3]).toContain('mark 2.5');
    expect(said[4]).toContain('1.5 m/s faster');
  });
  test('what of a card from elsewhere could not be matched, each in a sentence, and of which rung', () => {
    const made = { name: 'Rook', kind: 'Lever-arm thrower' };
    const said = (
      [
        { rung: 0, code: 'kind', figures: { made: 'Lever-arm thrower', machine: 'Wren', kind: 'One-wheel portable' } },
        { rung: 0, code: 'machine', figures: { made: 'Rook' } },
        { rung: 0, code: 'surface', figures: { court: 'Court 1' } },
        { rung: 2, code: 'second', figures: { made, machine: 'Wren', isFirst: true } },
        { rung: 2, code: 'second', figures: { made: null, machine: 'Flint', isFirst: false } },
        { rung: 1, code: 'spin', figures: { machine: 'Wren', wantedRpm: -1500.4, givenRpm: 300 } },
        { rung: 1, code: 'reach', figures: { machine: 'Wren', why: 'speed-too-high' } },
        { rung: 3, code: 'unaimed', figures: { machine: 'Wren' } },
      ] satisfies Unmatched[]
    ).map(sayUnmatched);
    for (const words of said) expectSentence(words);
    expect(said[3]).toBe('Rung 2: “Rook”, a Lever-arm thrower, is needed; Wren throws its balls, too, until there is one.');
    expect(said[5]).toContain('-1500 rpm');
  });
  test('a verdict says its count, and what it could be; every approach is named and explained', () => {
    expect(sayCount(7, 10)).toBe('7 of 10 (could be 4 to 9)'); // Wilson for 7 of 10, textbook value 0.397 to 0.892
    const round = (hits: number) => ({ hits, balls: 10, longestRun: hits });
    for (const approach of APPROACHES) {
      expect(APPROACH_NAMES[approach].length * APPROACH_WORDS[approach].length).toBeGreaterThan(100);
      for (const rounds of [[], [round(2)], [round(2), round(1)], [round(5)], [round(9), round(9)]])
        for (const need of [{ hits: 7, of: 10 }, { streak: 5 }, null])
          expectSentence(sayStep(nextStep({ approach, need, roundsAsked: 2, rounds })));
    }
    const none = nextStep({
      approach: 'earn-it',
      need: { hits: 7, of: 10 },
      roundsAsked: 2,
      rounds: [{ hits: 0, balls: 1, longestRun: 0 }],
    });
    expect(sayStep(none)).toBe('0 of 1 (could be 0 to 1). The rung asks for 7 of 10: again.');
    const earned = nextStep({ approach: 'earn-it', need: { hits: 7, of: 10 }, roundsAsked: 2, rounds: [round(4), round(8)] });
    expect(sayStep(earned)).toBe('Best round 8 of 10 (could be 5 to 9). 7 of 10 is met.');
  });
  test('what a machine’s own spread takes is said in the words of its sport, and how far the others come within', () => {
    const spoiled = { share: 0.35, parts: { net: 0.05, out: 0.1, beyond: 0.2 }, within90: { acrossM: 0.3, heightM: 0, timeS: 0.04 } };
    for (const sport of SPORTS) expectSentence(saySpoiled(spoiled, sport));
    expect(saySpoiled(spoiled, 'baseball')).toBe(
      'The machine’s own spread takes about 4 of 10 (too soon for this level; outside the strike zone; into the net).',
    );
    expect(saySpoiled({ ...spoiled, share: 0.04, parts: { net: 0, out: 0.04, beyond: 0 } }, 'tennis')).toContain('about 4 of 100 (out)');
    expect(sayWithin(spoiled, printersOf('metric'))).toBe('Nine of ten of the others come within ± 0.30 m to a side.');
  });
});
