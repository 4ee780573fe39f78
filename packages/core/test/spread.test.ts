import { describe, expect, test } from 'vitest';
import {
  aim,
  ballById,
  chanceInRectangle,
  endpointOf,
  fly,
  KNOBS,
  type Launch,
  linearSpread,
  MACHINE_KINDS,
  normalCdf,
  SPORT_RECORDS,
  type SpreadQuestion,
  sampledSpread,
  sensitivity,
  surfaceById,
  trim,
} from '../src/index.ts';

const conditions = {
  ball: ballById('tennis-standard'),
  airDensityKgM3: 1.15,
  wind: { xMps: 0.5, yMps: -1 },
  ground: surfaceById('tennis-acrylic-medium'),
};
const net = SPORT_RECORDS.tennis.court.net;
const machine = MACHINE_KINDS.find(({ kind }) => kind === 'Two-wheel portable')!;
const from = { x: 0.6, y: 6.7, z: 0.55 };
const target = { kind: 'landing', x: 1.2, y: -8.4 } as const;
const spin = { topspinRpm: 900, sidespinRpm: 300, gyroRpm: 0 };
const limits = { speedMps: machine.speedMps, elevationDeg: machine.elevationDeg };

function solved(elevationDeg = 22): Launch {
  const [solution] = aim({ conditions, from, spin, target, limits, net }, { elevationDeg }).solutions;
  const { speedMps, bearingDeg } = solution!;
  return { ...from, ...spin, speedMps, elevationDeg, bearingDeg };
}
const question = (over: Partial<SpreadQuestion> = {}): SpreadQuestion => ({
  conditions,
  launch: solved(),
  repeatability: machine.repeatability,
  gustMps: 0.6,
  target,
  size: { widthM: 2, depthM: 1.6 },
  net,
  ...over,
});

describe('sensitivity', () => {
  test('tells where a slightly different ball lands, for each knob', () => {
    const launch = solved();
    const effects = sensitivity(conditions, launch, target, net)!;
    const middle = endpointOf(conditions, launch, target, net)!;
    for (const [knob, by] of [
      ['speedMps', 0.2],
      ['elevationDeg', 0.3],
      ['bearingDeg', -0.4],
      ['topspinRpm', 60],
      ['sidespinRpm', -60],
    ] as const) {
      const [spot] = fly(conditions, { ...launch, [knob]: launch[knob] + by }, { maxBounces: 0 }).bounces;
      expect(middle.x + effects[knob].x * by, knob).toBeCloseTo(spot!.x, 2);
      expect(middle.along + effects[knob].along * by, knob).toBeCloseTo(spot!.y, 1);
    }
    const windier = { ...conditions, wind: { ...conditions.wind, yMps: conditions.wind.yMps + 0.5 } };
    expect(middle.along + 0.5 * effects.windYMps.along).toBeCloseTo(fly(windier, launch, { maxBounces: 0 }).bounces[0]!.y, 1);
  });
  test('in a vacuum the range changes with the speed as the parabola says: dR/dv for a level throw is 2R/v', () => {
    const vacuum = { ...conditions, airDensityKgM3: 0, wind: { xMps: 0, yMps: 0 } };
    const launch = { ...solved(), z: vacuum.ball.radiusM, elevationDeg: 45, bearingDeg: 180, speedMps: 12 };
    const range = 12 ** 2 / 9.80665;
    const effects = sensitivity(vacuum, launch, target, null)!;
    expect(effects.speedMps.along).toBeCloseTo((-2 * range) / 12, 4);
    expect(effects.topspinRpm.along).toBeCloseTo(0, 6);
    expect(effects.bearingDeg.x).toBeCloseTo((-range * Math.PI) / 180, 3);
  });
  test('is nothing for a ball that never reaches the plane of the target', () => {
    expect(sensitivity(conditions, { ...solved(), speedMps: 3 }, { kind: 'plane', planeY: -12, x: 0, z: 1 }, null)).toBeNull();
    expect(KNOBS).toHaveLength(8);
  });
});

describe('trim', () => {
  test.each([
    ['short and left', { xM: 0.3, alongM: 0.6 }],
    ['long', { xM: 0, alongM: -0.5 }],
    ['right', { xM: -0.4, alongM: 0 }],
  ])('%s: each correction lands as far to the other side, and elevation comes first', (_name, miss) => {
    const launch = solved();
    const corrections = trim(machine, { conditions, from, target, net }, spin, launch, miss);
    expect(corrections.map(({ by }) => by)).toEqual(['elevation', 'speed']);
    for (const { to, by, ...turn } of corrections) {
      const [spot] = fly(conditions, { ...launch, ...to }, { maxBounces: 0 }).bounces;
      // this machine has no sidespin: its ball is the one without
      const [plain] = fly(conditions, { ...launch, ...to, sidespinRpm: 0 }, { maxBounces: 0 }).bounces;
      expect(plain!.x).toBeCloseTo(target.x - miss.xM, 3);
      expect(plain!.y).toBeCloseTo(target.y - miss.alongM, 3);
      expect(spot).toBeDefined();
      expect(by === 'elevation' ? turn.speedMps : turn.elevationDeg).toBeCloseTo(0, 9);
    }
  });
  test('no miss, no correction; a miss no machine of this kind can answer has none', () => {
    const plain = { ...spin, sidespinRpm: 0 };
    const [solution] = aim({ conditions, from, spin: plain, target, limits, net }, { elevationDeg: 22 }).solutions;
    const [none] = trim(machine, { conditions, from, target, net }, plain, solution!, { xM: 0, alongM: 0 });
    expect(Math.abs(none!.elevationDeg) + Math.abs(none!.turnDeg)).toBeLessThan(0.01);
    expect(trim(machine, { conditions, from, target, net }, plain, solution!, { xM: 0, alongM: 60 })).toEqual([]);
  });
});

describe('spread', () => {
  test('normal curve: 0.8413 below one σ, 0.9772 below two (tables; quoted from memory)', () => {
    expect(normalCdf(1)).toBeCloseTo(0.8413447, 6);
    expect(normalCdf(2)).toBeCloseTo(0.9772499, 6);
    expect(normalCdf(-1) + normalCdf(1)).toBeCloseTo(1, 9);
  });
  test('chance in a square of ±1 σ is 0.6827², with and without a slant', () => {
    const box = [-1, 1] as const;
    expect(chanceInRectangle({ x: 0, y: 0 }, { xx: 1, xy: 0, yy: 1 }, box, box)).toBeCloseTo(0.6826895 ** 2, 4);
    // fully tied: both are inside together
    expect(chanceInRectangle({ x: 0, y: 0 }, { xx: 1, xy: 1, yy: 1 }, box, box)).toBeCloseTo(0.6826895, 2);
  });
  test('for small σ, 10,000 balls and the linear ellipse agree within their standard errors', () => {
    const small = question({
      repeatability: { speedPct: 0.3, elevationDeg: 0.08, bearingDeg: 0.1, spinPct: 1.5 },
      gustMps: 0.12,
      size: { widthM: 0.12, depthM: 0.35 },
    });
    const linear = linearSpread(small)!;
    const n = 10_000;
    const sampled = sampledSpread(small, n, 1);
    const of = (variance: number): number => Math.sqrt(variance / n);
    // four standard errors: of a mean, of a variance, of a share
    expect(Math.abs(sampled.mean.x - linear.mean.x)).toBeLessThan(4 * of(linear.cov.xx));
    expect(Math.abs(sampled.mean.y - linear.mean.y)).toBeLessThan(4 * of(linear.cov.yy));
    expect(Math.abs(sampled.cov.xx / linear.cov.xx - 1)).toBeLessThan(4 * Math.sqrt(2 / n));
    expect(Math.abs(sampled.cov.yy / linear.cov.yy - 1)).toBeLessThan(4 * Math.sqrt(2 / n));
    expect(Math.abs(sampled.chance.inTarget - linear.chance.inTarget)).toBeLessThan(4 * sampled.standardError.inTarget);
    expect(sampled.chance.inTarget).toBeGreaterThan(0.2);
    expect(sampled.chance.inTarget).toBeLessThan(0.95);
  });
  test('the chance of the net: many balls and the linear answer agree for a ball that just clears it', () => {
    const low = aim({ conditions, from, spin, target, limits, net }, { netClearanceM: 0.04 }).solutions[0]!;
    const launch = { ...from, ...spin, speedMps: low.speedMps, elevationDeg: low.elevationDeg, bearingDeg: low.bearingDeg };
    const q = question({ launch, repeatability: { speedPct: 0.6, elevationDeg: 0.3, bearingDeg: 0.3, spinPct: 3 }, gustMps: 0 });
    const sampled = sampledSpread(q, 10_000, 5);
    expect(Math.abs(sampled.chance.net - linearSpread(q)!.chance.net)).toBeLessThan(4 * sampled.standardError.net + 0.01);
    expect(sampled.chance.net).toBeGreaterThan(0.02);
  });
  test('the same seed gives the same balls, another seed others; the shares are shares of all balls', () => {
    const a = sampledSpread(question(), 2000, 3);
    expect(sampledSpread(question(), 2000, 3)).toEqual(a);
    expect(sampledSpread(question(), 2000, 4).mean).not.toEqual(a.mean);
    const { net: intoNet, inTarget, short, long, wide } = a.chance;
    for (const share of [intoNet, inTarget, short, long, wide]) expect(share).toBeGreaterThanOrEqual(0);
    expect(intoNet + inTarget).toBeLessThanOrEqual(1);
    expect(intoNet + inTarget + short + long + wide).toBeGreaterThanOrEqual(1);
  });
  test('a perfect machine in still air always hits; one aimed into the net never does', () => {
    const perfect = { speedPct: 0, elevationDeg: 0, bearingDeg: 0, spinPct: 0 };
    const sure = question({ repeatability: perfect, gustMps: 0 });
    expect(sampledSpread(sure, 50, 1).chance).toEqual({ net: 0, inTarget: 1, short: 0, long: 0, wide: 0 });
    expect(linearSpread(sure)!.chance).toEqual({ net: 0, inTarget: 1 });
    const into = { ...sure, launch: { ...sure.launch, elevationDeg: 0 } };
    expect(sampledSpread(into, 50, 1).chance).toMatchObject({ net: 1, inTarget: 0, long: 0 });
    expect(linearSpread(into)!.chance.net).toBe(1);
  });
  test('long and short follow the way the ball travels', () => {
    const long = question({ target: { ...target, y: -6.5 }, size: { widthM: 4, depthM: 1 } });
    expect(sampledSpread(long, 300, 1).chance.long).toBeGreaterThan(0.8);
    const back = {
      ...long,
      launch: { ...solved(), y: -6.7, x: -0.6, bearingDeg: solved().bearingDeg - 180 },
      target: { kind: 'landing' as const, x: -1.2, y: 6.5 },
    };
    expect(sampledSpread(back, 300, 1).chance.long).toBeGreaterThan(0.8);
  });
  test('more speed error makes the ellipse longer, not wider; the causes add up to it', () => {
    const a = linearSpread(question({ gustMps: 0 }))!;
    const b = linearSpread(question({ gustMps: 0, repeatability: { ...machine.repeatability, speedPct: 4 } }))!;
    expect(b.cov.yy).toBeGreaterThan(1.5 * a.cov.yy);
    expect(b.cov.xx).toBeLessThan(1.2 * a.cov.xx);
    expect(a.causes.reduce((sum, { alongM }) => sum + alongM ** 2, 0)).toBeCloseTo(a.cov.yy, 9);
  });
  test('a strike zone is a window in a plane', () => {
    const launch: Launch = {
      x: 0,
      y: 14,
      z: 1.4,
      speedMps: 30,
      elevationDeg: 1,
      bearingDeg: 180,
      topspinRpm: -1500,
      sidespinRpm: 0,
      gyroRpm: 0,
    };
    const ball = { ...conditions, ball: ballById('baseball'), wind: { xMps: 0, yMps: 0 } };
    const [pass] = fly(ball, launch, { planesY: [0.4318] }).crossings;
    const zone = { kind: 'plane', planeY: 0.4318, x: pass!.x, z: pass!.z } as const;
    const q = question({
      conditions: ball,
      launch,
      target: zone,
      size: { widthM: 0.43, depthM: 0.5 },
      net: null,
      gustMps: 0,
      repeatability: { speedPct: 1, elevationDeg: 0.35, bearingDeg: 0.35, spinPct: 5 },
    });
    const sampled = sampledSpread(q, 5000, 2);
    expect(Math.abs(sampled.chance.inTarget - linearSpread(q)!.chance.inTarget)).toBeLessThan(4 * sampled.standardError.inTarget + 0.005);
  });
});

test('the chance at once counts only balls that clear the net: it agrees with the thrown ones where a tenth, a half and most of them do not', () => {
  const wide = { widthM: 6, depthM: 4 };
  const flat = solved(12);
  for (const lower of [0.5, 1.5, 2.5]) {
    const elevationDeg = flat.elevationDeg - lower;
    const asked = question({
      launch: solved(elevationDeg),
      size: wide,
      repeatability: { speedPct: 4, elevationDeg: 1.2, bearingDeg: 0.5, spinPct: 5 },
      gustMps: 0,
    });
    const thrown = sampledSpread(asked, 6000, 4);
    const { chance } = linearSpread(asked)!;
    expect(thrown.chance.net).toBeGreaterThan(0.02);
    expect(thrown.chance.net).toBeLessThan(0.98);
    expect(Math.abs(chance.inTarget - thrown.chance.inTarget), `${elevationDeg}°, ${thrown.chance.net} into the net`).toBeLessThan(0.05);
  }
});
