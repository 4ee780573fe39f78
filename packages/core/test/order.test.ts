import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  balanceOf,
  bouncesThatFit,
  deal,
  doubtBits,
  type Feed,
  minutesOf,
  type Order,
  programOf,
  ritualFromTaps,
  ritualS,
} from '../src/index.ts';

const launch = { x: 0, y: 6, z: 1, speedMps: 15, elevationDeg: 10, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
const feed = (name: string, part: Partial<Feed> = {}): Feed => ({
  id: name,
  name,
  launch,
  target: { kind: 'landing', x: 0, y: -8 },
  gameBallId: null,
  stroke: 'groundstroke',
  on: true,
  cue: '',
  ...part,
});
const rung = (order: Order, feeds: Feed[], seed = 1, absent: string[] = []) => ({ order, feeds, seed, absent });
const feedsOf = (on: readonly boolean[]): Feed[] => on.map((each, i) => feed(`f${i}`, { on: each }));
/** Feeds of which at least one is on, a seed and a number of balls. */
const dealt = fc.record({
  on: fc.array(fc.boolean(), { minLength: 1, maxLength: 7 }).filter((all) => all.some(Boolean)),
  seed: fc.nat(1_000_000),
  count: fc.integer({ min: 1, max: 120 }),
});
const order = fc.oneof(
  fc.constantFrom<Order>({ kind: 'fixed' }, { kind: 'alternate' }, { kind: 'bag' }, { kind: 'player' }),
  fc.integer({ min: 1, max: 5 }).map((size): Order => ({ kind: 'blocks', size })),
  fc
    .record({
      weights: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 7 }),
      longestRun: fc.integer({ min: 1, max: 4 }),
    })
    .map((all): Order => ({ kind: 'weighted', ...all })),
  fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 20 }).map((list): Order => ({ kind: 'calls', list })),
);
const runs = (sequence: readonly number[]): number[] =>
  sequence.reduce<number[]>((all, each, i) => {
    if (i > 0 && sequence[i - 1] === each) all[all.length - 1]! += 1;
    else all.push(1);
    return all;
  }, []);

describe('every order', () => {
  test('deals as many balls as asked, of members that are in, and the same for the same seed', () =>
    fc.assert(
      fc.property(dealt, order, ({ on, seed, count }, each) => {
        const sequence = deal(rung(each, feedsOf(on), seed), count);
        expect(sequence).toHaveLength(count);
        expect(sequence.every((i) => on[i])).toBe(true);
        expect(deal(rung(each, feedsOf(on), seed), count)).toEqual(sequence);
        expect(deal(rung(each, feedsOf(on), seed), count + 5).slice(0, count)).toEqual(sequence); // a longer deal begins with it
      }),
    ));
  test('nothing is dealt when every feed is off', () => {
    expect(deal(rung({ kind: 'bag' }, feedsOf([false, false])), 9)).toEqual([]);
  });
});

describe('orders one by one', () => {
  test.each<[string, Order, string]>([
    ['fixed', { kind: 'fixed' }, '012012012012'],
    ['alternate comes back to the first', { kind: 'alternate' }, '010201020102'],
    ['blocks of three', { kind: 'blocks', size: 3 }, '000111222000'],
    ['a call list', { kind: 'calls', list: [3, 3, 1] }, '220220220220'],
    ['the player’s choice', { kind: 'player' }, '000000000000'],
  ])('%s', (_, each, wanted) => expect(deal(rung(each, feedsOf([true, true, true])), 12).join('')).toBe(wanted));
  test('alternate of two is turn about', () => {
    expect(deal(rung({ kind: 'alternate' }, feedsOf([true, true])), 5)).toEqual([0, 1, 0, 1, 0]);
  });
  test('a bag: every member once before any comes twice, and none twice running across the seam', () =>
    fc.assert(
      fc.property(dealt, ({ on, seed, count }) => {
        const members = on.filter(Boolean).length;
        const sequence = deal(rung({ kind: 'bag' }, feedsOf(on), seed), count);
        for (let at = 0; at + members <= count; at += members) expect(new Set(sequence.slice(at, at + members)).size).toBe(members);
        if (members > 2) expect(Math.max(...runs(sequence))).toBe(1);
      }),
    ));
  test('a bag of two is no turn about: the same one may come twice, never three times', () => {
    const sequences = Array.from({ length: 40 }, (_, seed) => deal(rung({ kind: 'bag' }, feedsOf([true, true]), seed), 20));
    expect(Math.max(...sequences.flatMap((sequence) => runs(sequence)))).toBe(2);
    expect(sequences.filter((sequence) => Math.max(...runs(sequence)) === 2).length).toBeGreaterThan(35);
  });
  test('the five markers of a footwork circuit: each once before any again', () => {
    const sequence = deal(rung({ kind: 'bag' }, feedsOf([true, true, true, true, true]), 77), 20);
    expect([0, 5, 10, 15].map((at) => new Set(sequence.slice(at, at + 5)).size)).toEqual([5, 5, 5, 5]);
  });
  test('a bag keeps the order of the others when a member is switched off', () => {
    const all = deal(rung({ kind: 'bag' }, feedsOf([true, true, true, true]), 5), 4);
    const three = deal(rung({ kind: 'bag' }, feedsOf([true, true, false, true]), 5), 3);
    expect(three).toEqual(all.filter((i) => i !== 2));
  });
  test('weights: nothing of weight nought, no run longer than allowed, shares as asked', () =>
    fc.assert(
      fc.property(fc.nat(1e6), fc.integer({ min: 1, max: 4 }), (seed, longestRun) => {
        const sequence = deal(rung({ kind: 'weighted', weights: [3, 1, 0], longestRun }, feedsOf([true, true, true]), seed), 400);
        expect(sequence).not.toContain(2);
        expect(Math.max(...runs(sequence))).toBeLessThanOrEqual(longestRun);
        if (longestRun === 4) expect(balanceOf(sequence, 3).counts[0]! / 400).toBeGreaterThan(0.58);
      }),
      { numRuns: 40 },
    ));
  test('two seeds are two deals', () => {
    const of = (seed: number) => deal(rung({ kind: 'bag' }, feedsOf([true, true, true, true, true]), seed), 30).join('');
    expect(new Set([1, 2, 3, 4, 5].map(of)).size).toBeGreaterThan(3);
  });
});

describe('who is not there', () => {
  const routine = [
    feed('to short', { positions: ['SS'] }),
    feed('between short and left', { positions: ['SS', 'LF'] }),
    feed('to left', { positions: ['LF'] }),
  ];
  test('a ball is left out when all who should take it are absent, and nobody waits for it', () => {
    expect(deal(rung({ kind: 'fixed' }, routine, 1, ['SS']), 4)).toEqual([1, 2, 1, 2]);
    expect(deal(rung({ kind: 'calls', list: [1, 2, 3] }, routine, 1, ['SS', 'LF']), 4)).toEqual([]);
  });
});

describe('what the machine throws', () => {
  const base = { ballsPerRound: 8, intervalS: 4, feeds: [feed('a'), feed('b', { thenS: 1.5 })], order: { kind: 'fixed' } as Order };
  test('a combination has its own time after each ball', () => {
    expect(programOf(base).map(({ thenS }) => thenS)).toEqual([4, 1.5, 4, 1.5, 4, 1.5, 4, 1.5]);
    expect(minutesOf({ ...base, rounds: 1 })).toBeCloseTo((8 * 2.75) / 60, 9);
  });
  test('two lines: left, right, left, right; wide: anywhere inside', () => {
    const turns = (kind: 'wide' | 'two-line') =>
      programOf({ ...base, sweep: { kind, halfDeg: 6 } }).map((ball) => Math.round((ball.launch.bearingDeg - 180) * 100) / 100);
    expect(turns('two-line')).toEqual([-6, 6, -6, 6, -6, 6, -6, 6]);
    expect(Math.max(...turns('wide').map(Math.abs))).toBeLessThanOrEqual(6);
    expect(new Set(turns('wide')).size).toBe(8);
  });
  test('a round of one ball can be counted in minutes as ever', () => {
    expect(minutesOf({ intervalS: 4, ballsPerRound: 10, rounds: 3 })).toBeCloseTo((120 + 90) / 60, 9);
  });
});

describe('balance and doubt', () => {
  test('how often, the longest run, the pair that comes most', () => {
    const { counts, longestRun, pair } = balanceOf([0, 0, 1, 0, 0, 0, 1], 3);
    expect(counts).toEqual([5, 2, 0]);
    expect(longestRun).toEqual({ feed: 0, length: 3 });
    expect(pair).toEqual({ from: 0, to: 0, times: 3 });
  });
  test('what is known by heart leaves no doubt; a fair coin is one bit; a bag of two is half of one', () => {
    const two = feedsOf([true, true]);
    expect(doubtBits(rung({ kind: 'alternate' }, two))).toBe(0);
    expect(doubtBits(rung({ kind: 'weighted', weights: [1, 1], longestRun: 9 }, two))).toBeCloseTo(1, 12);
    expect(doubtBits(rung({ kind: 'bag' }, two))).toBeCloseTo(0.5, 12);
    expect(doubtBits(rung({ kind: 'calls', list: [1, 2, 2, 1] }, two))).toBeCloseTo(1, 12);
    expect(doubtBits({ ...rung({ kind: 'fixed' }, two), sweep: { kind: 'wide', halfDeg: 8 } })).toBe(1);
  });
});

describe('a ritual before a serve', () => {
  test('tapped along: three bounces, the toss, the hit', () => {
    expect(ritualFromTaps([10, 10.7, 11.4, 12.1, 13.9])).toEqual({
      bounces: 3,
      bounceS: expect.closeTo(0.7, 9),
      tossS: expect.closeTo(1.8, 9),
    });
    expect(ritualFromTaps([10, 11.5])).toMatchObject({ bounces: 0, tossS: 1.5 });
    expect(ritualFromTaps([10])).toBeNull();
    expect(ritualFromTaps([10, 10])).toBeNull();
  });
  test('how many bounces fit an interval that cannot be set freely', () => {
    const ritual = { bounces: 4, bounceS: 0.7, tossS: 1.8, readyS: 0.5 };
    expect(ritualS(ritual)).toBeCloseTo(4.6, 9);
    expect(bouncesThatFit(9, 9, ritual)).toBe(4);
    expect(bouncesThatFit(7, 9, ritual)).toBe(1); // 2 s too short: three bounces less
    expect(bouncesThatFit(11, 9, ritual)).toBe(6);
    expect(bouncesThatFit(4, 9, ritual)).toBeNull();
  });
});
