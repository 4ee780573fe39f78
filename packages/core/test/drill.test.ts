import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { comfortOf, LEVELS, reactionNeededS, type TimingQuestion, tally, timeBudget, wilsonRate } from '../src/index.ts';

const one = (over: Partial<TimingQuestion> = {}): TimingQuestion => ({
  level: 'Starting',
  stroke: 'groundstroke',
  doubtBits: 0,
  intervalS: 4,
  balls: [{ flightS: 1, contact: { x: 0, y: -6.4 } }],
  recover: null,
  shadowSwings: 0,
  ...over,
});

describe('time budget (common practice, no source)', () => {
  test('a kind feed of about a second to a Starting player on the service line is working', () => {
    expect(comfortOf(timeBudget(one()).balls[0]!.reactionRatio)).toBe('working');
  });
  test('a 90 mph game pitch (0.43 s) is rushed for Competing and working for Advanced', () => {
    const ratio = (level: 'Competing' | 'Advanced'): number => 0.43 / reactionNeededS(level, 'swing', 1);
    expect(comfortOf(ratio('Competing'))).toBe('rushed');
    expect(comfortOf(ratio('Advanced'))).toBe('working');
  });
  test('4 s for a beginner is calm or working, 2 s is rushed or worse', () => {
    const corners = (intervalS: number) =>
      timeBudget(
        one({
          intervalS,
          balls: [
            { flightS: 1.2, contact: { x: -1, y: -7 } },
            { flightS: 1.2, contact: { x: 1, y: -7 } },
          ],
          recover: { x: 0, y: -7.5 },
        }),
      );
    expect(['calm', 'working']).toContain(corners(4).comfort);
    expect(['rushed', 'too quick']).toContain(corners(2).comfort);
  });
  test('the sums, by hand: follow-through 0.6 + half of 0.7 + 4 m at 2 m/s, with a slower next ball', () => {
    const timing = timeBudget(
      one({
        balls: [
          { flightS: 1, contact: { x: 0, y: 0 } },
          { flightS: 1.5, contact: { x: 4, y: 0 } },
        ],
      }),
    );
    expect(timing.balls[0]).toMatchObject({ availableS: 4.5, neededS: 2.95 });
    expect(timing.balls[1]).toMatchObject({ availableS: 3.5, neededS: 2.95 });
    expect(timing.shortestIntervalS).toBeCloseTo(1.1 * 2.95 + 0.5, 9);
  });
  test('the shortest interval is just working: any list, any level', () => {
    const spot = fc.record({ x: fc.double({ min: -4, max: 4, noNaN: true }), y: fc.double({ min: -12, max: 0, noNaN: true }) });
    const balls = fc.array(fc.record({ flightS: fc.double({ min: 0.4, max: 2.5, noNaN: true }), contact: spot }), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(
        balls,
        fc.constantFrom(...LEVELS),
        fc.option(spot),
        fc.integer({ min: 0, max: 2 }),
        (list, level, recover, shadowSwings) => {
          const question = one({ balls: list, level, recover, shadowSwings });
          const { shortestIntervalS } = timeBudget(question);
          const ratios = timeBudget({ ...question, intervalS: shortestIntervalS }).balls.map((ball) => ball.turnaroundRatio);
          expect(Math.min(...ratios)).toBeCloseTo(1.1, 6);
        },
      ),
      { seed: 11, numRuns: 200 },
    );
  });
  test('no balls is a misuse', () => {
    expect(() => timeBudget(one({ balls: [] }))).toThrow(RangeError);
  });
});

describe('rate', () => {
  test('Wilson for 7 of 10 is 0.397 to 0.892 (textbook value; quoted from memory)', () => {
    const [lo, hi] = wilsonRate(7, 10).interval;
    expect(lo).toBeCloseTo(0.397, 3);
    expect(hi).toBeCloseTo(0.892, 3);
  });
  test('stays within 0 and 1, holds the rate, and narrows with more balls', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.double({ min: 0, max: 1, noNaN: true }), (balls, share) => {
        const hits = Math.round(share * balls);
        const { rate, interval } = wilsonRate(hits, balls);
        expect(interval[0]).toBeGreaterThanOrEqual(0);
        expect(interval[1]).toBeLessThanOrEqual(1);
        expect(interval[0] - 1e-12).toBeLessThanOrEqual(rate);
        expect(interval[1] + 1e-12).toBeGreaterThanOrEqual(rate);
        const more = wilsonRate(4 * hits, 4 * balls).interval;
        expect(more[1] - more[0]).toBeLessThan(interval[1] - interval[0]);
      }),
      { seed: 2, numRuns: 200 },
    );
    expect(wilsonRate(0, 0).interval).toEqual([0, 1]);
    expect(() => wilsonRate(3, 2)).toThrow(RangeError);
  });
  test('balls let go and misfeeds are no attempts', () => {
    expect(tally(['in', 'near', 'out', 'let-go', 'not-fed', 'in'])).toEqual({ hits: 2, near: 1, balls: 4, letGo: 1 });
  });
});
