import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { calc } from '../src/calc/index.ts';
import {
  ballsToCount,
  ballsToStreak,
  compareRates,
  judgeGate,
  operatingTable,
  rateAt,
  roundWidthFor,
  seededRandom,
  widthAdvice,
  widthAt,
  widthFor,
} from '../src/index.ts';

const round = (approach: 'sweet-spot' | 'earn-it' | 'coachs-eye', hits: number, balls = 10) =>
  judgeGate({ approach, hits, balls, longestRun: 0, need: { hits: 7, of: 10 } });

describe('four approaches', () => {
  test.each([
    [8, 'tighten'],
    [7, 'stay'],
    [4, 'stay'],
    [3, 'loosen'],
  ] as const)('sweet spot: %i of 10 says %s', (hits, verdict) => expect(round('sweet-spot', hits).verdict).toBe(verdict));
  test('sweet spot: one of one says nothing yet', () => {
    expect(round('sweet-spot', 1, 1).verdict).toBe('stay');
    expect(round('sweet-spot', 0, 4).verdict).toBe('stay');
    expect(round('sweet-spot', 0, 5).verdict).toBe('loosen');
  });
  test('earn it: the count opens the next rung, and nothing sends down', () => {
    expect(round('earn-it', 7).verdict).toBe('climb');
    expect(round('earn-it', 7, 8).verdict).toBe('climb'); // seven are in before ten were thrown
    expect(round('earn-it', 13, 20).verdict).toBe('stay'); // 65 % of more balls than it asks for
    expect(round('earn-it', 0).verdict).toBe('stay');
  });
  test('in a row: the longest run counts, not the rate', () => {
    const inARow = (longestRun: number) => judgeGate({ approach: 'in-a-row', hits: 9, balls: 12, longestRun, need: { streak: 5 } });
    expect(inARow(5).verdict).toBe('climb');
    expect(inARow(4).verdict).toBe('stay');
  });
  test('the coach’s eye is never overruled', () => {
    expect(round('coachs-eye', 10).verdict).toBe('stay');
  });
  test('ten balls say little', () => {
    // Wilson for 7 of 10, textbook value 0.397 to 0.892
    const [lo, hi] = round('earn-it', 7).interval;
    expect([lo, hi].map((each) => Math.round(1000 * each))).toEqual([397, 892]);
  });
});

describe('target width', () => {
  test('nine of ten at 3 m: 1.4 m for one in two', () => {
    expect(widthFor(3, 9, 10, 0.5).widthM).toBeCloseTo(1.36, 2);
  });
  test('nine of ten asks for a gate about 0.36–0.45 as wide for one in two (common practice, no source)', () => {
    const share = Number(widthFor(1, 9, 10, 0.5).widthM.toFixed(2));
    expect(share).toBeGreaterThanOrEqual(0.36);
    expect(share).toBeLessThanOrEqual(0.45);
  });
  test('a rate of its own gives back its own width; a harder rate a narrower one', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(60), fc.double({ min: 0.1, max: 9, noNaN: true }), (balls, k, widthM) => {
        const hits = k % (balls + 1);
        expect(widthFor(widthM, hits, balls, (hits + 0.5) / (balls + 1)).widthM).toBeCloseTo(widthM, 9);
        expect(widthFor(widthM, hits, balls, 0.7).widthM).toBeGreaterThan(widthFor(widthM, hits, balls, 0.4).widthM);
        expect(roundWidthFor(widthM, hits, balls, (hits + 0.5) / (balls + 1)).widthM).toBeCloseTo(widthM, 9);
      }),
    ));
  test('the chance of a width is what a crowd of seeded misses gives, straight and round', () => {
    const random = seededRandom(7);
    const normal = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const [straight, round_] = [widthAt(0.6, 0.45), roundWidthFor(2, 50, 99, 0.45)];
    let [inStraight, inRound] = [0, 0];
    for (let i = 0; i < 20_000; i++) {
      if (Math.abs(0.6 * normal()) < straight / 2) inStraight++;
      if (Math.hypot(round_.sigmaM * normal(), round_.sigmaM * normal()) < round_.widthM / 2) inRound++;
    }
    expect(inStraight / 20_000).toBeCloseTo(0.45, 1);
    expect(inRound / 20_000).toBeCloseTo(0.45, 1);
  });
  test.each([
    [11, 10, 0.5],
    [1, 0, 0.5],
    [5, 10, 1],
  ])('%i of %i at %f is refused', (hits, balls, rate) => expect(() => widthFor(3, hits, balls, rate)).toThrow(RangeError));
});

describe('comparing two rates', () => {
  test('the example of Newcombe 1998, method 10 (from memory): 56 of 70 against 48 of 80', () => {
    const { difference, interval, different } = compareRates({ hits: 48, balls: 80 }, { hits: 56, balls: 70 });
    expect(difference).toBeCloseTo(0.2, 12);
    expect(interval[0]).toBeCloseTo(0.0524, 4);
    expect(interval[1]).toBeCloseTo(0.3339, 4);
    expect(different).toBe(true);
  });
  test('6 of 10 and 8 of 10 are not told apart, and the order only turns the sign', () => {
    const one = compareRates({ hits: 6, balls: 10 }, { hits: 8, balls: 10 });
    const other = compareRates({ hits: 8, balls: 10 }, { hits: 6, balls: 10 });
    expect(one.different).toBe(false);
    expect(other.interval[0]).toBeCloseTo(-one.interval[1], 12);
  });
});

describe('balls to climb', () => {
  test('a streak: 6.4 for three and 115 for ten at 70 %', () => {
    expect(ballsToStreak(0.7, 3)).toBeCloseTo(6.4, 1);
    expect(ballsToStreak(0.7, 10)).toBeCloseTo(114.7, 0);
    expect(ballsToStreak(1, 4)).toBe(4);
    expect(ballsToStreak(0, 4)).toBe(Number.POSITIVE_INFINITY);
  });
  test('s of the last s is a streak of s: both ways of counting agree', () => {
    for (const rate of [0.3, 0.55, 0.9]) for (const s of [1, 2, 5]) expect(ballsToCount(rate, s, s)).toBeCloseTo(ballsToStreak(rate, s), 4);
  });
  test('7 of the last 10 against seeded players', () => {
    const random = seededRandom(11);
    let sum = 0;
    for (let player = 0; player < 4000; player++) {
      const last: boolean[] = [];
      do last.push(random() < 0.55);
      while (last.slice(-10).filter(Boolean).length < 7);
      sum += last.length;
    }
    expect(sum / 4000 / ballsToCount(0.55, 7, 10)).toBeCloseTo(1, 1);
  });
  test('a hopeless gate is seen before', () => {
    expect(ballsToCount(0.2, 9, 10)).toBe(Number.POSITIVE_INFINITY);
    expect(ballsToCount(0.3, 18, 20)).toBe(Number.POSITIVE_INFINITY);
    expect(ballsToCount(0.9, 15, 20)).toBeLessThan(21);
  });
});

describe('./arc calc gate, width, compare, streak', () => {
  const ask = (verb: string, document: unknown) => calc(verb, document);
  test('the documents of the contract are answered', () => {
    expect(ask('gate', { approach: 'sweet-spot', hits: 7, balls: 10, longestRun: 4, need: { hits: 7, of: 10 } })).toMatchObject({
      ok: true,
      answer: { rate: 0.7, verdict: 'stay' },
    });
    expect(ask('width', { widthM: 3, hits: 9, balls: 10, wantedRate: 0.5 })).toMatchObject({ ok: true });
    expect(ask('compare', { a: { hits: 4, balls: 10 }, b: { hits: 9, balls: 10 } })).toMatchObject({ answer: { different: true } });
    expect(ask('streak', { rate: 0, streak: 3 })).toMatchObject({ ok: true, answer: { expectedBalls: null, reason: { code: 'never' } } });
    expect(ask('gate', { approach: 'coachs-eye', hits: 0, balls: 0 })).toMatchObject({ answer: { rate: null, interval: [0, 1] } });
  });
  test.each([
    ['gate', { approach: 'in-a-row', hits: 3, balls: 9, need: { streak: 3 } }, '/longestRun'],
    ['gate', { approach: 'earn-it', hits: 3, balls: 9, need: { streak: 3 } }, '/need'],
    ['gate', { approach: 'sweet-spot', hits: 11, balls: 9 }, '/hits'],
    ['width', { widthM: 3, hits: 9, balls: 10, wantedRate: 1 }, '/wantedRate'],
    ['compare', { a: { hits: 4, balls: 0 }, b: { hits: 9, balls: 10 } }, '/a/balls'],
    ['streak', { rate: 0.7, streak: 0 }, '/streak'],
  ])('%s names the field of bad input', (verb, document, pointer) => {
    const answer = ask(verb, document);
    expect(answer.ok).toBe(false);
    expect((answer as { problem: { errors: { pointer: string }[] } }).problem.errors.map((each) => each.pointer)).toContain(pointer);
  });
});

describe('the operating table of an approach', () => {
  test('at the sweet spot few who hit half are moved within six rounds, and who hits eight of ten climbs within three', () => {
    const at = (rate: number) => operatingTable('sweet-spot').find((each) => each.rate === rate)!;
    expect(at(0.5).sentUpInSix + at(0.5).sentDownInSix).toBeLessThan(0.2);
    expect(at(0.8).climbsInThree).toBeGreaterThan(0.9);
    expect(at(0.3).sentDownInSix).toBeGreaterThan(0.5);
  });
  test('a count and a streak send nobody down; the coach’s eye sends nobody anywhere', () => {
    for (const approach of ['earn-it', 'in-a-row'] as const) {
      const table = operatingTable(approach);
      expect(table.every(({ sentDownInSix }) => sentDownInSix === 0)).toBe(true);
      const climbs = table.map(({ sentUpInSix }) => sentUpInSix);
      expect(climbs).toEqual([...climbs].sort((a, b) => a - b));
    }
    expect(operatingTable('coachs-eye').every(({ sentUpInSix, sentDownInSix }) => sentUpInSix + sentDownInSix === 0)).toBe(true);
  });
});

describe('a width for one in two', () => {
  test('waits for enough balls: how sure it is grows with them', () => {
    const [few, some, many] = [10, 40, 160].map((balls) => widthAdvice(3, 0.7 * balls, balls));
    expect(few!.sure).toBeLessThan(0.6);
    expect(some!.sure).toBeGreaterThan(few!.sure);
    expect(many!.sure).toBeGreaterThan(0.95);
    expect(many!.widthM).toBeLessThan(3);
  });
  test('the chance is that of the simulated truth behind such a count', () => {
    // true rates drawn evenly, kept where ten balls come to seven; Jeffreys' prior is close to even there
    const random = seededRandom(5);
    const { widthM, sure } = widthAdvice(3, 7, 10);
    let [kept, right] = [0, 0];
    while (kept < 3000) {
      const rate = random();
      let hits = 0;
      for (let i = 0; i < 10; i++) hits += Number(random() < rate);
      if (hits !== 7) continue;
      kept++;
      const { sigmaM } = { sigmaM: 3 / widthAt(1, rate) };
      const there = rateAt(sigmaM, widthM);
      right += Number(there >= 0.4 && there <= 0.6);
    }
    expect(Math.abs(right / kept - sure)).toBeLessThan(0.05);
  });
});
