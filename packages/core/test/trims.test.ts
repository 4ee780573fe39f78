import { describe, expect, test } from 'vitest';
import {
  acceptance,
  arrange,
  conditionsOf,
  type Dial,
  firstDials,
  firstSetup,
  fly,
  ftToM,
  isTrimOf,
  type MachineTrim,
  mphToMps,
  NO_TRIM,
  nextTrim,
  rungFromSetup,
  trimAll,
  type Zone,
} from '../src/index.ts';
import { drillOn, kindOf } from './support/club.ts';

const KIND = 'Two-wheel portable';
const profile = kindOf(KIND);
const plain = drillOn('tennis-baseline-groove', KIND)[0]!;
/** A straight curve from `lo` to `hi`, well known. */
const straight = (lo: number, hi: number): Dial['curve'] => ({
  params: [(lo + hi) / 2, ...Array<number>(5).fill(Math.log(hi - lo))],
  covariance: Array.from({ length: 6 }, () => Array<number>(6).fill(0)),
  df: 20,
  falling: false,
  tunedAt: '2026-05-01T10:00:00.000Z',
  balls: 15,
  ballId: 'tennis-standard',
  temperatureC: 20,
});
const tuned = firstDials(profile).map((dial): Dial => {
  if (dial.moves === 'topspin') return dial;
  return { ...dial, curve: dial.moves === 'elevation' ? straight(...profile.elevationDeg) : straight(...profile.speedMps) };
});
const machine = { profile, dials: tuned };
const readings = { speed: 5.5, elevation: 3.5 };
/** Of test balls: two metres square, about the origin. */
const zone: Zone = { x: 0, y: 0, widthM: 2, depthM: 2 };
const at = (x: number, y: number, setting = 0) => ({ x, y, setting });

describe('what test balls say', () => {
  test('nothing before the first; one that missed by a little asks for another; one far off says enough', () => {
    expect(acceptance(zone, [], 0, 2)).toEqual({ kind: 'none' });
    expect(acceptance(zone, [at(0, -1.5)], 0, 2)).toEqual({ kind: 'one-more' });
    expect(acceptance(zone, [at(0, -4)], 0, 2)).toEqual({ kind: 'turn', miss: { xM: 0, alongM: -4 }, balls: 1 });
  });
  test('two are averaged: their middle is what is turned for, or is no reason to turn anything', () => {
    expect(acceptance(zone, [at(0, -1.5), at(0.2, -2.1)], 0, 2)).toEqual({ kind: 'turn', miss: { xM: 0.1, alongM: -1.8 }, balls: 2 });
    expect(acceptance(zone, [at(0, 1.2), at(0, -1.3)], 0, 2)).toEqual({ kind: 'scatter' });
  });
  test('in the zone: again, until as many in a row as are asked for; balls before a change say nothing', () => {
    expect(acceptance(zone, [at(0, 0.5)], 0, 2)).toEqual({ kind: 'in' });
    expect(acceptance(zone, [at(0, 0.5), at(0, 0.2)], 0, 2)).toEqual({ kind: 'right' });
    expect(acceptance(zone, [at(0, 0.5), at(0, 0.2)], 0, 3)).toEqual({ kind: 'in' });
    expect(acceptance(zone, [at(0, 0.5), at(0, 0.2)], 1, 2)).toEqual({ kind: 'none' });
  });
});

describe('the one thing to turn', () => {
  const next = (miss: { xM: number; alongM: number }, by = machine, stand: Record<string, number> = readings) =>
    nextTrim(plain, 'tennis', by, stand, zone, miss);
  test('a ball that fell short: the elevation up in clicks, or the speed', () => {
    const short = next({ xM: 0, alongM: 1.6 })!;
    expect(short.first).toMatchObject({ by: 'clicks', trim: { name: 'Elevation' } });
    expect(short.first.by === 'clicks' && short.first.trim.clicks).toBeGreaterThan(0);
    expect(short.or).toMatchObject({ by: 'clicks', trim: { name: 'Speed' } });
  });
  test('long: down; without tuned dials in degrees; less than a hand can set: nothing', () => {
    const { first } = next({ xM: 0, alongM: -1.6 })!;
    expect(first.by === 'clicks' && first.trim.clicks).toBeLessThan(0);
    expect(next({ xM: 0, alongM: 1.6 }, { profile, dials: [] }, {})).toMatchObject({ first: { by: 'elevation' }, or: { by: 'speed' } });
    expect(next({ xM: 0, alongM: 0.02 })).toBeNull();
  });
  test('whichever is more, to a side or along, is turned first', () => {
    expect(next({ xM: 1.5, alongM: 0.6 })).toMatchObject({ first: { by: 'turn' }, or: null });
    expect(next({ xM: 0.6, alongM: 1.5 })!.first.by).toBe('clicks');
  });
  test('what it says brings the ball back to its spot, whatever the machine does: the same turn moves it as far the other way', () => {
    const off: MachineTrim = { elevationDeg: -0.8, speedShare: 1, turnDeg: 1.1 };
    const wrong = trimAll(plain, off, profile)!;
    const landing = (rung: typeof plain) => fly(conditionsOf(rung), rung.feeds[0]!.launch, { maxBounces: 1, sampleS: 0 }).bounces[0]!;
    const { target } = plain.feeds[0]!;
    if (target.kind !== 'landing') throw new Error('a ball that lands');
    const missed = landing(wrong);
    const miss = { xM: missed.x - target.x, alongM: missed.y - target.y };
    const aside = next(miss, { profile, dials: [] }, {})!;
    const turnDeg = aside.first.by === 'turn' ? aside.first.deg : 0;
    expect(turnDeg).toBeCloseTo(-off.turnDeg, 0);
    const along = next({ ...miss, xM: 0 }, { profile, dials: [] }, {})!;
    expect(along.first.by === 'elevation' && along.first.deg).toBeGreaterThan(0.5);
    const elevationDeg = along.first.by === 'elevation' ? along.first.deg : 0;
    const back = landing(trimAll(wrong, { elevationDeg, speedShare: 1, turnDeg }, profile)!);
    // within a quarter of what it was off by: the next ball says the rest
    expect(Math.hypot(back.x - target.x, back.y - target.y)).toBeLessThan(Math.hypot(miss.xM, miss.alongM) / 4);
  });
});

describe('a hard ball', () => {
  const field = kindOf('Three-wheel pitching machine');
  /** A pitch from 42 ft at so many mph, to a hitter of 11 or 12. */
  const pitch = (mph: number) => {
    const court = { id: 'c', sport: 'baseball' as const, surfaceId: 'baseball-turf' as const };
    const setup = firstSetup(court, { id: 'm', profile: field }, 'Building', 0);
    const held = {
      ...setup,
      from: { ...setup.from, y: ftToM(42) },
      hold: { speedMps: mphToMps(mph) },
      gameBallId: 'baseball-fastball-11-12',
    };
    return rungFromSetup(held, arrange(held, field), { name: 'P', focalPoint: '', ballsPerRound: 5, rounds: 1, gate: { hits: 3, of: 5 } })!;
  };
  const faster = (mph: number): boolean => {
    const advice = nextTrim(
      pitch(mph),
      'baseball',
      { profile: field, dials: [] },
      {},
      { widthM: 0.5, depthM: 0.5 },
      { xM: 0, alongM: -0.5 },
    );
    return [advice?.first, advice?.or].some((each) => each?.by === 'speed');
  };
  test('is made quicker only where a hitter of that age still has the time', () => {
    expect(faster(45) || faster(50)).toBe(true);
    expect(faster(66)).toBe(false);
  });
});

describe('a rung trimmed as a whole', () => {
  test('every ball of its machine by as much, and none of another machine', () => {
    const [feed] = plain.feeds;
    const other = { ...feed!, id: 'b', machineId: 'another' };
    const two = { ...plain, feeds: [feed!, { ...feed!, id: 'c' }, other] };
    const trimmed = trimAll(two, { elevationDeg: 0.5, speedShare: 1.02, turnDeg: -1 }, profile)!;
    for (const i of [0, 1]) {
      expect(trimmed.feeds[i]!.launch.elevationDeg).toBeCloseTo(feed!.launch.elevationDeg + 0.5, 9);
      expect(trimmed.feeds[i]!.launch.speedMps).toBeCloseTo(feed!.launch.speedMps * 1.02, 9);
    }
    expect(trimmed.feeds[2]).toEqual(other);
    expect(isTrimOf(trimmed, two)).toBe(true);
    expect(trimAll(plain, NO_TRIM, profile)).toBe(plain);
  });
  test('not beyond a trim, nor beyond the machine', () => {
    expect(trimAll(plain, { ...NO_TRIM, elevationDeg: 13 }, profile)).toBeNull();
    expect(trimAll(plain, { ...NO_TRIM, speedShare: 1.2 }, profile)).toBeNull();
    const { speedMps } = plain.feeds[0]!.launch;
    expect(trimAll(plain, { ...NO_TRIM, speedShare: 1.03 }, { ...profile, speedMps: [5, speedMps * 1.01] })).toBeNull();
  });
});
