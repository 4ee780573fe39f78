import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  comeInFor,
  conditionsOf,
  deal,
  fly,
  isTrimOf,
  LIBRARY,
  type ListChange,
  nudged,
  programOf,
  redeal,
  retakeTurns,
  turnsOf,
} from '../src/index.ts';
import { drillOn, kindOf, venueOf } from './support/club.ts';

const KIND = 'Two-wheel portable';
const plain = drillOn('tennis-baseline-groove', KIND)[0]!;
/** Three kinds of ball, named by letters, in a shuffled order. */
const rung = {
  ...plain,
  feeds: ['a', 'b', 'c'].map((id) => ({ ...plain.feeds[0]!, id, name: id, on: true })),
  order: { kind: 'bag' as const },
  ballsPerRound: 12,
};
const dealt = deal(rung, rung.ballsPerRound);

describe('the list of a round, changed while it goes on', () => {
  test('one ball again: it comes next, the others after it, and the round is no longer', () => {
    const after = redeal(rung, dealt, 4, { kind: 'again' });
    expect(after).toEqual([...dealt.slice(0, 4), dealt[3], ...dealt.slice(4, 11)]);
    expect(redeal(rung, dealt, 0, { kind: 'again' })).toEqual(dealt);
  });
  test('the next is skipped: those after it move up, and the round is no shorter', () => {
    const after = redeal(rung, dealt, 4, { kind: 'skip' });
    expect(after.slice(0, 11)).toEqual([...dealt.slice(0, 4), ...dealt.slice(5)]);
    expect(after).toHaveLength(12);
  });
  test('the next by choice, and staying on a ball', () => {
    expect(redeal(rung, dealt, 4, { kind: 'next', index: 2 })).toEqual([...dealt.slice(0, 4), 2, ...dealt.slice(5)]);
    expect(redeal(rung, dealt, 4, { kind: 'stay' })).toEqual([...dealt.slice(0, 4), ...Array(8).fill(dealt[4])]);
    // and back to the deal of the card
    expect(redeal(rung, redeal(rung, dealt, 4, { kind: 'stay' }), 6, { kind: 'deal' }).slice(6)).toEqual(dealt.slice(6));
  });
  test('whatever is changed, whenever: what was thrown stays, the number of balls stays, and a ball that is out does not come', () => {
    const change = fc.oneof(
      fc.constantFrom<ListChange>({ kind: 'again' }, { kind: 'skip' }, { kind: 'stay' }, { kind: 'deal' }),
      fc.integer({ min: 0, max: 2 }).map((index): ListChange => ({ kind: 'next', index })),
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12 }), fc.array(change, { maxLength: 5 }), fc.subarray([0, 1, 2]), (thrown, changes, out) => {
        const changed = changes.reduce((list, each) => redeal(rung, list, thrown, each, out), dealt);
        expect(changed).toHaveLength(12);
        expect(changed.slice(0, thrown)).toEqual(dealt.slice(0, thrown));
        const anew = redeal(rung, changed, thrown, { kind: 'deal' }, out);
        if (out.length < 3) for (const each of anew.slice(thrown)) expect(out).not.toContain(each);
        // what the machine is told is this list
        expect(programOf(rung, anew).map(({ index }) => index)).toEqual(anew);
      }),
      { numRuns: 300 },
    );
  });
  test('somebody goes out: the others take turns from there on; back again, all do', () => {
    const turns = turnsOf({ hitters: 3, ballsPerRound: 9 });
    expect(turns).toEqual([0, 1, 2, 0, 1, 2, 0, 1, 2]);
    const without = retakeTurns([0, 1, 2], turns, 4, [1]);
    expect(without).toEqual([0, 1, 2, 0, 2, 0, 2, 0, 2]);
    expect(retakeTurns([0, 1, 2], without, 6, [])).toEqual([0, 1, 2, 0, 2, 0, 1, 2, 0]);
    expect(retakeTurns([0, 1, 2], turns, 4, [0, 1, 2])).toEqual(turns);
  });
  test('who stands on a line keeps its balls, whenever the other went out and came back', () => {
    const turns = turnsOf({ hitters: 2, ballsPerRound: 8 });
    for (let out = 0; out < 8; out++)
      for (let back = out; back < 8; back++) {
        const without = retakeTurns([0, 1], turns, out, [1], true);
        expect(without.slice(out)).toEqual(Array(8 - out).fill(0));
        expect(retakeTurns([0, 1], without, back, [], true).slice(back)).toEqual(turns.slice(back));
      }
  });
  test('a third comes in for one of two: the balls to come are theirs, and the other’s stay', () => {
    const turns = turnsOf({ hitters: 2, ballsPerRound: 8 });
    const third = comeInFor(turns, 3, 1, 2);
    expect(third).toEqual([0, 1, 0, 2, 0, 2, 0, 2]);
    // the second comes back in for the first
    expect(comeInFor(third, 5, 0, 1)).toEqual([0, 1, 0, 2, 0, 2, 1, 2]);
    expect(retakeTurns([1, 2], comeInFor(third, 5, 0, 1), 6, [])).toEqual([0, 1, 0, 2, 0, 2, 1, 2]);
  });
});

describe('a ball nudged', () => {
  const venue = { ...venueOf('tennis', kindOf(KIND), 'Building'), weather: plain.weather };
  const landing = (document: typeof plain) =>
    fly(conditionsOf(document), document.feeds[0]!.launch, { maxBounces: 1, sampleS: 0 }).bounces[0]!;
  test('it lands so much longer and to the side, flown anew, and is still a trim of the card', () => {
    const before = landing(plain);
    const longer = nudged(plain, plain, 0, { longM: 0.3, rightM: 0 }, venue)!;
    expect(Math.hypot(landing(longer).x - before.x, landing(longer).y - before.y)).toBeCloseTo(0.3, 1);
    const both = nudged(longer, plain, 0, { longM: 0, rightM: 0.3 }, venue)!;
    expect(Math.hypot(landing(both).x - before.x, landing(both).y - before.y)).toBeCloseTo(Math.hypot(0.3, 0.3), 1);
    expect(isTrimOf(both, plain)).toBe(true);
  });
  test('over a plate: higher is higher', () => {
    const pitch = LIBRARY.filter(({ sport }) => sport === 'baseball')
      .flatMap(({ id }) => drillOn(id, 'Two-wheel pitching machine'))
      .find(({ feeds }) => feeds[0]!.target.kind === 'plane')!;
    const at = (document: typeof pitch) => {
      const [feed] = document.feeds;
      const planesY = feed!.target.kind === 'plane' ? [feed!.target.planeY] : [];
      return fly(conditionsOf(document), feed!.launch, { planesY, maxBounces: 0, sampleS: 0 }).crossings[0]!;
    };
    const where = {
      ...venueOf('baseball', kindOf('Two-wheel pitching machine'), pitch.level, pitch.ballId),
      weather: pitch.weather,
    };
    const higher = nudged(pitch, pitch, 0, { longM: 0.05, rightM: 0 }, where)!;
    expect(at(higher).z - at(pitch).z).toBeCloseTo(0.05, 2);
  });
  test('nudges together are no more than a trim of the card: beyond that it is said to be another ball', () => {
    let now = plain;
    let steps = 0;
    for (; steps < 60; steps++) {
      const next = nudged(now, plain, 0, { longM: 0, rightM: 0.5 }, venue);
      if (!next) break;
      now = next;
    }
    expect(steps).toBeGreaterThan(3);
    expect(steps).toBeLessThan(30);
    expect(isTrimOf({ ...plain, intervalS: plain.intervalS + 1 }, plain)).toBe(false);
  });
});
