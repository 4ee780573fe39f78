import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  AREAS,
  areaOf,
  areaTarget,
  attemptsOf,
  GOAL_STEPS,
  gateOf,
  goalTarget,
  hazardsInSight,
  judgeRung,
  matchPointsOf,
  nextGoalStep,
  nextStepOn,
  type Outcome,
  outcomeAt,
  type RungDocument,
  sameCard,
  scoreForGate,
  scoreRound,
} from '../src/index.ts';
import { drillOn, judgeWith, kindOf } from './support/club.ts';

const KIND = 'Two-wheel portable';
const plain = drillOn('tennis-baseline-groove', KIND)[0]!;
const corner: RungDocument = { ...plain, targetAt: { x: -3, y: 10.5 }, targetSize: { widthM: 2, depthM: 2 } };
const [feed] = corner.feeds;
const ball = (seq: number, outcome: Outcome, target: ReturnType<typeof goalTarget> = null) => ({ seq, outcome, target });

describe('parts of a court as targets', () => {
  // ITF Rules of Tennis and the pickleball rulebook, from memory: a singles court is 27 ft by 39 ft to the net, its service line 21 ft from it;
  // a pickleball court is 20 ft by 22 ft to the net with 7 ft of non-volley zone
  test.each([
    ['tennis', 27, 39, 21],
    ['pickleball', 20, 22, 7],
  ] as const)('%s: the halves, the deep and the short part make up the court', (sport, widthFt, depthFt, shortFt) => {
    const whole = areaTarget(sport, 'anywhere')!;
    expect(whole.widthM).toBeCloseTo(widthFt * 0.3048, 2);
    expect(whole.depthM).toBeCloseTo(depthFt * 0.3048, 2);
    expect(areaTarget(sport, 'short')!.depthM).toBeCloseTo(shortFt * 0.3048, 2);
    fc.assert(
      fc.property(fc.double({ min: -0.49, max: 0.49, noNaN: true }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (across, along) => {
        const spot = { x: across * whole.widthM, y: along * whole.depthM };
        const isIn = (area: (typeof AREAS)[number]) => outcomeAt(areaTarget(sport, area)!, spot) === 'in';
        expect(isIn('anywhere')).toBe(true);
        // on the line between two it is in both
        expect(isIn('left-half') || isIn('right-half')).toBe(true);
        expect(isIn('deep') || isIn('short')).toBe(true);
      }),
    );
    for (const area of AREAS) expect(areaOf(sport, areaTarget(sport, area)!)).toBe(area);
  });
  test('a square is no part, and a field has none', () => {
    expect(areaOf('tennis', { x: -3, y: 10.5, widthM: 2, depthM: 2 })).toBeNull();
    expect(areaTarget('baseball', 'anywhere')).toBeNull();
  });
});

describe('another goal in a round', () => {
  const target = { x: -3, y: 10.5, widthM: 2, depthM: 2 };
  test('in, then the half the target lies in, then the target itself', () => {
    expect(GOAL_STEPS.map((step) => goalTarget('tennis', corner, feed!, { step, times: 1 }))).toEqual([
      areaTarget('tennis', 'anywhere'),
      areaTarget('tennis', 'left-half'),
      null,
      target,
    ]);
    const short = { ...corner, targetAt: { x: 0, y: 3 } };
    expect(goalTarget('tennis', short, feed!, { step: 'side', times: 1 })).toEqual(areaTarget('tennis', 'short'));
  });
  test('wider by a quarter, inside the lines; nothing where the coach says where to', () => {
    const wider = goalTarget('tennis', corner, feed!, { step: 'target', times: 1.25 })!;
    expect([wider.widthM, wider.depthM]).toEqual([2.5, 2.5]);
    const { targetAt: _none, ...open } = corner;
    expect(goalTarget('tennis', open, { ...feed!, targetAt: undefined } as never, { step: 'anywhere', times: 1 })).toBeNull();
    expect(goalTarget('baseball', corner, feed!, { step: 'anywhere', times: 1 })).toBeNull();
  });
  test('three running open the next; one missed begins anew; the last stays', () => {
    const rung = { goalRun: 3 };
    expect(nextGoalStep(rung, 'anywhere', [true, true])).toBe('anywhere');
    expect(nextGoalStep(rung, 'anywhere', [false, true, true, true])).toBe('side');
    expect(nextGoalStep(rung, 'side', [true, true, false, true])).toBe('side');
    expect(nextGoalStep(rung, 'target', [true, true, true])).toBe('target');
  });
  test('where the card asks for spin, the target alone is a step before it, and opens no gate', () => {
    const spun: RungDocument = { ...corner, hitWith: 'topspin', goalRun: 2 };
    expect(nextGoalStep(spun, 'target', [true, true])).toBe('spin');
    expect(nextGoalStep(spun, 'spin', [true, true])).toBe('spin');
    const flat = goalTarget('tennis', spun, feed!, { step: 'target', times: 1 });
    expect(flat).toEqual(target);
    expect(goalTarget('tennis', spun, feed!, { step: 'spin', times: 1 })).toBeNull();
    expect(goalTarget('tennis', spun, feed!, { step: 'spin', times: 1.25 })).toMatchObject({ widthM: 2.5 });
    const [two, three] = [
      [ball(1, 'in', flat), ball(2, 'in', flat)],
      [ball(1, 'in', flat), ball(2, 'in'), ball(3, 'in')],
    ];
    expect(scoreForGate(spun, two).longestRun).toBe(0);
    expect(scoreForGate(spun, three).longestRun).toBe(2);
    // another ask is another card
    expect(sameCard(spun, { ...spun, hitWith: 'underspin' })).toBe(false);
  });
  test('a hit to an easier goal is a hit of the round, and opens no gate', () => {
    const easy = areaTarget('tennis', 'anywhere');
    const results = [
      ...[1, 2, 3, 4, 5, 6].map((seq) => ball(seq, 'in', easy)),
      ball(7, 'in'),
      ball(8, 'out'),
      ball(9, 'out'),
      ball(10, 'out'),
    ];
    expect(scoreRound(corner, results)).toMatchObject({ hits: 7, balls: 10 });
    expect(scoreForGate(corner, results)).toMatchObject({ hits: 1, balls: 4 });
    const rung = { ...corner, ballsPerRound: 10, gate: { hits: 7, of: 10 } };
    expect(nextStepOn(rung, 'earn-it', [{ card: rung, results }]).verdict).toBe('stay');
    expect(nextStepOn(rung, 'earn-it', [{ card: rung, results: results.map(({ seq, outcome }) => ({ seq, outcome })) }]).verdict).toBe(
      'climb',
    );
  });
  test('the scatter learns from the target that was asked', () => {
    const learnt = attemptsOf(corner, 'tennis', [ball(1, 'in', { ...target, widthM: 4 }), ball(2, 'in'), ball(3, 'out')], {
      day: 1,
      demand: 0,
    });
    expect(learnt.map(({ widthM, hits, balls }) => [widthM, hits, balls])).toEqual([
      [4, 1, 1],
      [2, 1, 2],
    ]);
  });
  test('a rung that climbs its goals opens by a run in the target; of two in turn it asks what it asked', () => {
    const climbing = { ...corner, ballsPerRound: 12, goalRun: 3, gate: { hits: 7, of: 10 } };
    expect(gateOf(climbing)).toEqual({ streak: 3 });
    expect(gateOf({ ...climbing, ballsPerRound: 20, hitters: 2 })).toEqual({ hits: 7, of: 10 });
  });
});

describe('match points', () => {
  const rung = { ...corner, ballsPerRound: 10, matchPoints: 3, seed: 4 };
  test('as many as asked, the last ball among them, none while one settles in, and the same for the same seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 8, max: 40 }), fc.nat(), (matchPoints, ballsPerRound, seed) => {
        const all = matchPointsOf({ ...rung, matchPoints, ballsPerRound, seed });
        expect(all).toHaveLength(matchPoints);
        expect(all.at(-1)).toBe(ballsPerRound);
        expect(all[0]).toBeGreaterThan(2);
        expect(new Set(all).size).toBe(matchPoints);
        expect(matchPointsOf({ ...rung, matchPoints, ballsPerRound, seed })).toEqual(all);
      }),
    );
    const { matchPoints: _none, ...without } = rung;
    expect(matchPointsOf(without)).toEqual([]);
  });
  test('a spare that is only hit away is none', () => {
    const spare = { ...feed!, id: 'spare' as never, counts: false };
    const two = { ...rung, feeds: [feed!, spare], order: { kind: 'fixed' as const } };
    expect(matchPointsOf(two).every((seq) => seq % 2 === 1)).toBe(true);
  });
});

describe('heat', () => {
  const codes = (temperatureC: number, relativeHumidity: number, around = {}) => {
    const judged = judgeRung(corner, judgeWith({ sport: 'tennis', machine: { profile: kindOf(KIND) } }));
    return hazardsInSight(corner, 'tennis', judged, { weather: { ...corner.weather, temperatureC, relativeHumidity }, ...around })
      .filter(({ code }) => code.startsWith('heat'))
      .map(({ code, figures }) => [code, Math.round((figures as { wbgtC: number }).wbgtC)]);
  };
  // the weather service's own table of its approximation, to the degree, quoted from memory
  test.each([
    [24, 0.5, []],
    [30, 0.5, [['heat', 29]]],
    [35, 0.4, [['heat-stop', 33]]],
    [40, 0.3, [['heat-stop', 35]]],
  ] as const)('%f °C at a humidity of %f', (t, humidity, found) => {
    expect(codes(t, humidity)).toEqual(found);
  });
  test('a child stops sooner', () => {
    expect(codes(32, 0.5)).toEqual([['heat', 31]]);
    expect(codes(32, 0.5, { ageYears: 10 })).toEqual([['heat-stop', 31]]);
  });
});
