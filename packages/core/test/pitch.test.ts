import { describe, expect, test } from 'vitest';
import {
  type AimQuestion,
  aim,
  airDensity,
  ballById,
  battedBall,
  type Conditions,
  diamondOf,
  fieldBall,
  fly,
  forGap,
  ftToM,
  hitterEye,
  type Launch,
  LEVEL_NEEDS,
  mphToMps,
  mpsToMph,
  PLATE,
  paceFlight,
  paceRatio,
  reachM,
  surfaceById,
  twoPitches,
  WIDEST_LIMITS,
  wallChart,
} from '../src/index.ts';

const still = { xMps: 0, yMps: 0 };
const seaLevel = airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 });
const conditions = (airDensityKgM3 = seaLevel): Conditions => ({
  ball: ballById('baseball'),
  airDensityKgM3,
  wind: still,
  ground: surfaceById('baseball-grass'),
});
const { positions, farthestY_m } = diamondOf('baseball')!;
const contact = { y: PLATE.frontY_m, z: 0.7 };

function pitch(mph: number, releaseFt: number, topspinRpm = -1800): { conditions: Conditions; launch: Launch } {
  const question: AimQuestion = {
    conditions: conditions(),
    from: { x: 0, y: ftToM(releaseFt), z: 1.5 },
    spin: { topspinRpm, sidespinRpm: 0, gyroRpm: 0 },
    target: { kind: 'plane', planeY: contact.y, x: 0, z: contact.z },
    limits: WIDEST_LIMITS,
    net: null,
  };
  const { speedMps, elevationDeg, bearingDeg } = aim(question, { speedMps: mphToMps(mph) }).solutions[0]!;
  return {
    conditions: question.conditions,
    launch: { ...question.from, topspinRpm, sidespinRpm: 0, gyroRpm: 0, speedMps, elevationDeg, bearingDeg },
  };
}

describe('against handbook values', () => {
  test('terminal speed of a baseball about 95 mph (ball-flight texts say 90–95), of a tennis ball about 30 m/s after its drop in air; quoted from memory', () => {
    const terminal = (id: 'baseball' | 'tennis-standard', z: number): number =>
      fly(
        { ...conditions(1.2), ball: ballById(id) },
        { x: 0, y: 0, z, speedMps: 1, elevationDeg: -90, bearingDeg: 0, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 },
        { maxBounces: 0 },
      ).bounces[0]!.speedInMps;
    expect(mpsToMph(terminal('baseball', 1500))).toBeGreaterThan(88);
    expect(mpsToMph(terminal('baseball', 1500))).toBeLessThan(100);
    // sqrt(2mg/ρACd) with Cd 0.508: 23.3 m/s; wind-tunnel work with Cd near 0.55–0.65 gives 20–23
    expect(terminal('tennis-standard', 600)).toBeGreaterThan(21);
    expect(terminal('tennis-standard', 600)).toBeLessThan(25);
  });
  const fly400 = (density: number): number => {
    const launch: Launch = {
      x: 0,
      y: 0,
      z: 1,
      speedMps: mphToMps(100),
      elevationDeg: 28,
      bearingDeg: 0,
      topspinRpm: -2000,
      sidespinRpm: 0,
      gyroRpm: 0,
    };
    return fly(conditions(density), launch, { maxBounces: 0 }).bounces[0]!.y / ftToM(1);
  };
  test('100 mph at 28° with 2,000 rpm of backspin carries about 400 ft at sea level (batted-ball tables; quoted from memory)', () => {
    expect(fly400(airDensity({ temperatureC: 21, altitudeM: 0, relativeHumidity: 0.5 }))).toBeGreaterThan(385);
    expect(fly400(airDensity({ temperatureC: 21, altitudeM: 0, relativeHumidity: 0.5 }))).toBeLessThan(415);
  });
  test('in the air of 1,600 m it carries 5–7 % farther (common figure for a mile-high park; quoted from memory)', () => {
    const gain =
      fly400(airDensity({ temperatureC: 21, altitudeM: 1600, relativeHumidity: 0.3 })) /
        fly400(airDensity({ temperatureC: 21, altitudeM: 0, relativeHumidity: 0.5 })) -
      1;
    expect(gain).toBeGreaterThan(0.05);
    expect(gain).toBeLessThan(0.07);
  });
  test.each([80, 90, 95])('a %i mph fastball is 8–10 % slower at the plate (common practice, no source)', (mph) => {
    const { launch } = pitch(mph, 55, -2200);
    const [plate] = fly(conditions(), launch, { planesY: [PLATE.frontY_m] }).crossings;
    const lost = 1 - plate!.speedMps / launch.speedMps;
    expect(lost).toBeGreaterThan(0.08);
    expect(lost).toBeLessThan(0.1);
  });
});

describe('pace', () => {
  test('72 mph at 44 ft is 90 at 55 ft by the simple ratio (common practice, no source)', () => {
    const answer = paceRatio({ machine: { speedMps: mphToMps(72), distanceM: ftToM(44) }, game: { speedMps: null, distanceM: ftToM(55) } });
    expect(mpsToMph(answer.game.speedMps)).toBeCloseTo(90, 9);
    expect(answer.timeS).toBeCloseTo(ftToM(44) / mphToMps(72), 12);
  });
  const full = { machine: { speedMps: 20, distanceM: 10 }, game: { speedMps: 30, distanceM: 15 } };
  test.each([
    ['machine', 'speedMps'],
    ['machine', 'distanceM'],
    ['game', 'speedMps'],
    ['game', 'distanceM'],
  ] as const)('any one of the four: %s %s', (side, key) => {
    const answer = paceRatio({ ...full, [side]: { ...full[side], [key]: null } });
    expect(answer[side][key]).toBeCloseTo(full[side][key], 9);
  });
  test('two unknowns, none, or a speed of 0 are refused', () => {
    expect(() => paceRatio(full)).toThrow(/exactly one/);
    expect(() => paceRatio({ machine: { speedMps: null, distanceM: null }, game: full.game })).toThrow(/exactly one/);
    expect(() => paceRatio({ machine: { speedMps: 0, distanceM: null }, game: full.game })).toThrow(/above 0/);
  });

  const base = { ball: ballById('baseball'), airDensityKgM3: seaLevel, contact };
  const game = { speedMps: mphToMps(90), releaseM: ftToM(55), heightM: 1.75, topspinRpm: -1980 };
  const machine = { releaseM: ftToM(44), heightM: 1.4, topspinRpm: -1500 };
  test('drag-true: both balls, aimed and flown, take the same time to the plane', () => {
    const answer = paceFlight({ ...base, game, machine: { ...machine, speedMps: null } })!;
    const times = [answer.machine, answer.game].map(({ speedMps, releaseM, heightM, topspinRpm }) => {
      const { launch } = pitch(mpsToMph(speedMps), releaseM / ftToM(1), topspinRpm);
      const flown = aim(
        {
          conditions: conditions(),
          from: { x: 0, y: releaseM, z: heightM },
          spin: { topspinRpm, sidespinRpm: 0, gyroRpm: 0 },
          target: { kind: 'plane', planeY: contact.y, x: 0, z: contact.z },
          limits: WIDEST_LIMITS,
          net: null,
        },
        { speedMps },
      ).solutions[0]!;
      expect(launch.speedMps).toBeCloseTo(speedMps, 6);
      return flown.flightTimeS;
    });
    expect(times[0]).toBeCloseTo(times[1]!, 5);
    expect(answer.timeS).toBeCloseTo(times[0]!, 5);
    // from nearer, less speed is lost on the way: the true match is slower than the ratio says
    expect(mpsToMph(answer.machine.speedMps)).toBeGreaterThan(69);
    expect(answer.machine.speedMps).toBeLessThan(answer.ratioAnswer);
    expect(mpsToMph(answer.ratioAnswer)).toBeCloseTo(72, 6);
  });
  test.each(['machine speed', 'machine place', 'game speed', 'game place'] as const)('any one of the four, there and back: %s', (which) => {
    const known = paceFlight({ ...base, game, machine: { ...machine, speedMps: null } })!;
    const [side, key] = which.split(' ') as ['machine' | 'game', 'speed' | 'place'];
    const field = key === 'speed' ? 'speedMps' : 'releaseM';
    const asked = { ...base, machine: known.machine, game: known.game };
    const again = paceFlight({ ...asked, [side]: { ...known[side], [field]: null } })!;
    expect(again[side][field]).toBeCloseTo(known[side][field], 3);
  });
  test('without air the two methods agree, but for the way beyond the plane and the rise', () => {
    const vacuum = paceFlight({
      ...base,
      airDensityKgM3: 0,
      contact: { y: 0.06, z: 1.4 },
      game: { ...game, heightM: 1.4 },
      machine: { ...machine, speedMps: null },
    })!;
    expect(vacuum.machine.speedMps / vacuum.ratioAnswer).toBeCloseTo(1, 1);
  });
  test('what no speed can do is no answer', () => {
    expect(
      paceFlight({ ...base, game: { ...game, speedMps: 400, releaseM: ftToM(20) }, machine: { ...machine, releaseM: 40, speedMps: null } }),
    ).toBeNull();
  });
  test('wall chart: faster across, slower game farther away; the two methods stand side by side', () => {
    const chart = wallChart(base, game, machine, [38, 42, 46].map(ftToM), [40, 50, 60].map(mphToMps));
    for (const cells of [chart.ratio, chart.flight as number[][]]) {
      for (const row of cells) expect(row[2]!).toBeGreaterThan(row[0]!);
      expect(cells[0]![1]!).toBeGreaterThan(cells[2]![1]!);
    }
    expect(mpsToMph(chart.ratio[0]![0]!)).toBeCloseTo((40 * 55) / 38, 6);
  });
});

describe('two pitches', () => {
  const eye = hitterEye(1.75, -0.75);
  test('a fastball and a change-up: the gap in ms is the gap in frames, and the nearer they look the later they must be told apart', () => {
    const result = twoPitches(pitch(80, 55), pitch(71, 55), PLATE.frontY_m, 'Competing', eye)!;
    // 55 ft less the plate at about 76 and 67.5 mph on average: 50–60 ms (arithmetic)
    expect(result.gapMs).toBeGreaterThan(45);
    expect(result.gapMs).toBeLessThan(70);
    expect(result.frames[60]).toBeCloseTo((result.gapMs / 1000) * 60, 9);
    expect(result.frames[240]).toBeCloseTo(4 * result.frames[60], 9);
    expect(result.decideS).toBeCloseTo(result.a.timeS - 0.17, 9);
    expect(result.atDecision.b.y).toBeGreaterThan(result.atDecision.a.y);
    expect(result.separationDeg).toBeGreaterThan(0);
    expect(result.separationDeg).toBeLessThan(6);
    expect(result.plateSeparationM).toBeLessThan(0.001);
  });
  test('two balls are one to the eye until half a degree parts them: always for the same ball, never from two places', () => {
    const same = twoPitches(pitch(70, 46), pitch(70, 46), PLATE.frontY_m, 'Building', eye)!;
    expect(same.tunnel.untilS).toBeCloseTo(same.a.timeS, 1);
    expect(same.tunnel.toPlateM).toBeLessThan(0.3);
    const other = twoPitches(pitch(80, 55), pitch(71, 55), PLATE.frontY_m, 'Competing', eye)!;
    expect(other.tunnel.untilS).toBeGreaterThan(0.05);
    expect(other.tunnel.untilS).toBeLessThan(same.tunnel.untilS);
    expect(other.tunnel.toPlateM).toBeGreaterThan(1);
    // arms a metre apart, 55 ft away: 3.4° from the start (arithmetic)
    const right = pitch(80, 55);
    const left = { ...right, launch: { ...right.launch, x: right.launch.x + 1 } };
    expect(twoPitches(right, left, PLATE.frontY_m, 'Competing', eye)!.tunnel.untilS).toBe(0);
  });
  test('the same pitch twice has no gap and no separation; the order only turns the sign', () => {
    const same = twoPitches(pitch(70, 46), pitch(70, 46), PLATE.frontY_m, 'Building', eye)!;
    expect(same.gapMs).toBeCloseTo(0, 9);
    expect(same.separationDeg).toBeCloseTo(0, 6);
    const [ab, ba] = [
      twoPitches(pitch(70, 46), pitch(60, 46), PLATE.frontY_m, 'Building', eye)!,
      twoPitches(pitch(60, 46), pitch(70, 46), PLATE.frontY_m, 'Building', eye)!,
    ];
    expect(ab.gapMs).toBeCloseTo(-ba.gapMs, 9);
  });
  test('a wanted gap: another speed from the same place, or another place at the same speed, each gives it', () => {
    const a = pitch(70, 46);
    const target = { kind: 'plane', planeY: contact.y, x: 0, z: contact.z } as const;
    const { timeS } = twoPitches(a, a, contact.y, 'Building', eye)!.a;
    const question: AimQuestion = {
      conditions: conditions(),
      from: { x: 0, y: ftToM(46), z: 1.5 },
      spin: { topspinRpm: -1800, sidespinRpm: 0, gyroRpm: 0 },
      target,
      limits: { speedMps: [10, 40], elevationDeg: [-10, 60] },
      net: null,
    };
    const found = forGap(question, target, mphToMps(70), timeS, 60, farthestY_m);
    const slower = twoPitches(a, pitch(mpsToMph(found.speedMps!), 46), contact.y, 'Building', eye)!;
    expect(slower.gapMs).toBeCloseTo(60, 0);
    const farther = twoPitches(a, pitch(70, found.releaseY! / ftToM(1)), contact.y, 'Building', eye)!;
    expect(farther.gapMs).toBeCloseTo(60, 0);
    expect(found.releaseY!).toBeLessThan(farthestY_m);
    expect(forGap(question, target, mphToMps(70), timeS, 900, farthestY_m).releaseY).toBeNull();
  });
});

describe('fielding balls', () => {
  const hit = (mph: number, elevationDeg: number, surfaceId = 'baseball-grass') =>
    fieldBall(
      { ...conditions(), ground: surfaceById(surfaceId) },
      { sport: 'baseball', surfaceId },
      { x: 0, y: 0, z: 1, speedMps: mphToMps(mph), elevationDeg, bearingDeg: 10, topspinRpm: -1500, sidespinRpm: 0, gyroRpm: 0 },
      'Competing',
    );
  test('are called by their launch angle', () => {
    expect([-5, 15, 35, 60].map(battedBall)).toEqual(['grounder', 'line drive', 'fly ball', 'pop-up']);
  });
  test('a pop-up hangs longer than a line drive, which carries farther', () => {
    const [pop, line] = [hit(60, 65), hit(85, 15)];
    expect(pop.hangTimeS).toBeGreaterThan(line.hangTimeS + 1.5);
    expect(line.carryM).toBeGreaterThan(pop.carryM);
    expect(pop.fielder.inTheAir).toBe(true);
    expect(line.fielder.inTheAir).toBe(false);
  });
  test('a grounder hops lower and lower, rolls on slower and slower, and rests beyond; longer on turf than on grass', () => {
    const ball = hit(70, -4);
    expect(ball.hops.length).toBeGreaterThan(1);
    const speeds = ball.hops.map(({ speedInMps }) => speedInMps);
    expect(speeds).toEqual([...speeds].sort((a, b) => b - a));
    expect(ball.rest.t).toBeGreaterThan(ball.rollFrom.t);
    expect(Math.hypot(ball.rest.x, ball.rest.y)).toBeGreaterThan(Math.hypot(ball.rollFrom.x, ball.rollFrom.y));
    const roll = ({ rollFrom, rest }: typeof ball): number => Math.hypot(rest.x - rollFrom.x, rest.y - rollFrom.y);
    expect(roll(hit(70, -4, 'baseball-turf'))).toBeGreaterThan(roll(ball));
    // slowed by 2.4 m/s² and by the air: less than v²/2a; the sum of small steps is the reference
    let [v, s] = [ball.rollFrom.speedMps, 0];
    const { radiusM, massKg } = conditions().ball;
    const k = (conditions().airDensityKgM3 * Math.PI * radiusM ** 2 * 0.3008) / (2 * massKg);
    for (; v > 0; v -= (2.4 + k * v * v) * 1e-4) s += v * 1e-4;
    expect(roll(ball)).toBeCloseTo(s, 1);
    expect(roll(ball)).toBeLessThan(ball.rollFrom.speedMps ** 2 / 4.8);
    expect(ball.path.every(([t], i) => i === 0 || t >= ball.path[i - 1]![0])).toBe(true);
  });
  test('whoever plays it gets there by running at the level’s speed, and nobody earlier', () => {
    for (const ball of [hit(60, 65), hit(85, 15), hit(70, -4), hit(95, 30)]) {
      const { t, x, y, short, distanceM } = ball.fielder;
      const home = positions.find((each) => each.short === short)!;
      expect(distanceM).toBeCloseTo(Math.hypot(x - home.x, y - home.y), 9);
      expect(0.4 + distanceM / LEVEL_NEEDS.Competing.courtSpeedMps).toBeLessThanOrEqual(t + 1e-9);
      if (ball.fielder.inTheAir) expect(t).toBeCloseTo(ball.hangTimeS, 9);
      else expect(t).toBeGreaterThan(ball.hangTimeS);
    }
  });
  test('reach grows with hang time and level, and is nothing before the ball is read', () => {
    expect(reachM(0.3, 'Advanced')).toBe(0);
    expect(reachM(4, 'Advanced')).toBeGreaterThan(reachM(4, 'Starting'));
  });
});
