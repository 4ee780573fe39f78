import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { buildLadder, ftToM, mphToMps, type RungDocument, type SpoiledBalls, spoiledBy } from '../src/index.ts';
import { buildQuestion, judgedWhole, judgeWith, kindOf } from './support/club.ts';

const NONE = { speedPct: 0, elevationDeg: 0, bearingDeg: 0, spinPct: 0 };
const question = buildQuestion('tennis-rally-drive-building', 'Two-wheel portable');
const context = judgeWith(question);
const { rungs } = buildLadder(question);
const spoiled = (rung: RungDocument, repeatability: Partial<typeof NONE> = {}, of = context): SpoiledBalls =>
  spoiledBy(rung, judgedWhole(rung, of), of, () => ({ ...NONE, ...repeatability }))!;
const own = kindOf('Two-wheel portable').repeatability;

describe('what a machine’s own spread takes of a rung', () => {
  test('nothing of a machine that throws the same ball every time, in still air; what a gust does is counted with it', () => {
    const game = rungs.at(-1)!;
    expect(spoiled(game)).toEqual({ share: 0, parts: { net: 0, out: 0, beyond: 0 }, within90: { acrossM: 0, heightM: 0, timeS: 0 } });
    const gusty = { ...game, weather: { ...game.weather, gustMps: 2 } };
    expect(spoiled(gusty).within90.acrossM).toBeGreaterThan(0.1);
  });
  test('how many pitches miss the plate follows from the angle over the way and the normal law', () => {
    const pitch = buildQuestion('baseball-fastball-13-14', 'Two-wheel pitching machine');
    const game = buildLadder(pitch).rungs.at(-1)!;
    const { launch, target } = game.feeds[0]!;
    const wayM = launch.y - (target.kind === 'plane' ? target.planeY : 0);
    const { within90, parts } = spoiled(game, { bearingDeg: 1 }, judgeWith(pitch));
    // balls that leave the strike zone are not among those that are hit: the others lie nearer
    expect(wayM).toBeGreaterThan(ftToM(40));
    expect(within90.acrossM).toBeLessThan(1.645 * wayM * (Math.PI / 180));
    // half a plate is 17 in / 2, and the ball (radius 3.66 cm) may touch it; 1 rad is 57.3°
    const z = (0.2159 + 0.0366) / (wayM / 57.3);
    const outside = 2 * (1 - phi(z));
    // 160 throws: three standard errors
    expect(Math.abs(parts.out - outside)).toBeLessThan(3 * Math.sqrt((outside * (1 - outside)) / 160));
  });
  test('a less steady machine takes more; from near the net hardly a ball', () => {
    const [kind, game] = [rungs[0]!, rungs.at(-1)!];
    const times = (k: number) => ({
      speedPct: own.speedPct * k,
      elevationDeg: own.elevationDeg * k,
      bearingDeg: own.bearingDeg * k,
      spinPct: own.spinPct * k,
    });
    const shares = [0.5, 1, 2].map((k) => spoiled(game, times(k)).share);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares[2]).toBeGreaterThan(0.1);
    expect(spoiled(kind, own).share).toBeLessThan(0.03);
  });
  test('what the ball of the set-up already is, it does not take: a serve set long is long by the hand that set it', () => {
    const game = rungs.at(-1)!;
    const [feed] = game.feeds;
    const long = { ...game, feeds: [{ ...feed!, launch: { ...feed!.launch, speedMps: feed!.launch.speedMps + mphToMps(15) } }] };
    expect(spoiled(long, own).parts.out).toBe(0);
  });
  test('the parts sum to the share, the same question has the same answer, and none of a rung without a machine', () => {
    fc.assert(
      fc.property(fc.constantFrom(...rungs), fc.double({ min: 0, max: 4, noNaN: true }), (rung, speedPct) => {
        const one = spoiled(rung, { speedPct });
        expect(one.parts.net + one.parts.out + one.parts.beyond).toBeCloseTo(one.share, 9);
        expect(one.share).toBeLessThanOrEqual(1);
        expect(spoiled(rung, { speedPct })).toEqual(one);
      }),
      { seed: 5, numRuns: 15 },
    );
    const rung = rungs[0]!;
    expect(spoiledBy(rung, judgedWhole(rung, context), context, () => null)).toBeNull();
    const off = { ...rung, feeds: rung.feeds.map((feed) => ({ ...feed, counts: false })) };
    expect(spoiledBy(off, judgedWhole(off, context), context, () => own)).toBeNull();
  });
});

/** The normal law by Abramowitz and Stegun 26.2.17 (error under 1e-7), beside the library’s. */
function phi(z: number): number {
  const t = 1 / (1 + 0.2316419 * z);
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return 1 - (Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
}
