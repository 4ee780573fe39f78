import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { LEVELS, type TimingQuestion, tally, timeBudget, wilsonRate } from '../src/index.ts';

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
  const met = (flightS: number, x = 0) => ({ flightS, contact: { x, y: -8 } });
  test.each([
    ['Building', 'groundstroke', 1.5, 1, 2.6, 3.3],
    ['Competing', 'volley', 0.6, 0.5, 1.4, 1.9],
    ['Starting', 'volley', 1.0, 0.5, 2.1, 3.1],
  ] as const)(
    '%s, a %s met %s s after release with %s m home: working from about %s s, calm from %s',
    (level, stroke, flightS, home, working, calm) => {
      const timing = timeBudget(one({ level, stroke, balls: [met(flightS)], recover: { x: home, y: -8 } }));
      expect(timing.shortestWorkingS).toBeCloseTo(working, 1);
      expect(timing.shortestCalmS).toBeCloseTo(calm, 1);
    },
  );
  test('one second after it was thrown nobody plays the next, and 2 s for a beginner is survival pace', () => {
    const pace = (intervalS: number) => timeBudget(one({ intervalS, balls: [met(1.53)], recover: { x: 1, y: -8 } }));
    expect(pace(4).word).toBe('calm');
    expect(pace(2.5).balls[0]!.spareS).toBeLessThan(0);
    expect(['rushed', 'too quick']).toContain(pace(2.5).word);
    expect(pace(1).word).toBe('too quick');
    expect(pace(4).shortestWorkingS).toBeGreaterThan(2.5);
  });
  test('the sums, by hand: 1 s of flight, 0.6 s to follow through, 4 m at 2 m/s, 0.25 s to split; the next met after 1.5 s', () => {
    const timing = timeBudget(one({ balls: [met(1), met(1.5, 4)] }));
    expect(timing.balls[0]!.spareS).toBeCloseTo(4 - 3.85, 9);
    // ready in time: all of the next flight is there
    expect(timing.balls[0]!.availableS).toBeCloseTo(1.5, 9);
    // the other way round it leaves 0.35 s too soon, and a flight of 1 s is that much shorter
    expect(timing.balls[1]!.spareS).toBeCloseTo(-0.35, 9);
    expect(timing.balls[1]!.availableS).toBeCloseTo(0.65, 9);
    expect(timing.balls[1]!.needS).toBeCloseTo(0.35 / 3 + 0.7, 9);
  });
  test('waiting in the middle, what is left to run counts less half the preparation', () => {
    const [ball] = timeBudget(one({ balls: [met(1.5, 3)], recover: { x: 0, y: -8 } })).balls;
    expect(ball!.availableS).toBeCloseTo(1.5 - (3 / 2 - 0.35), 9);
  });
  test('at the shortest interval the list has its word, just below it has not: any list, any level', () => {
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
          const { shortestWorkingS, shortestCalmS } = timeBudget(question);
          const word = (intervalS: number): string => timeBudget({ ...question, intervalS }).word;
          if (shortestWorkingS === null) expect(['rushed', 'too quick']).toContain(word(600));
          else {
            expect(['calm', 'working']).toContain(word(shortestWorkingS));
            expect(['rushed', 'too quick']).toContain(word(shortestWorkingS - 0.01));
          }
          if (shortestCalmS === null) expect(word(600)).not.toBe('calm');
          else {
            expect(word(shortestCalmS)).toBe('calm');
            expect(word(shortestCalmS - 0.01)).not.toBe('calm');
          }
        },
      ),
      { seed: 11, numRuns: 300 },
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
