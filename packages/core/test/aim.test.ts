import { describe, expect, test } from 'vitest';
import {
  type AimQuestion,
  aim,
  aimMachine,
  airDensity,
  arcFamily,
  BALLS,
  ballById,
  fly,
  GAME_BOOK,
  gameBallLabel,
  gameLaunch,
  type Hold,
  MACHINE_KINDS,
  mphToMps,
  mpsToMph,
  possibleArcs,
  questionFor,
  type Solution,
  SPORT_RECORDS,
  seededRandom,
  spinAt,
  surfaceById,
  WIDEST_LIMITS,
} from '../src/index.ts';
import { randomFlight } from './support/random.ts';

const question = (over: Partial<AimQuestion> = {}): AimQuestion => ({
  conditions: {
    ball: ballById('tennis-standard'),
    airDensityKgM3: 1.1,
    wind: { xMps: 0, yMps: 0 },
    ground: surfaceById('tennis-acrylic-medium'),
  },
  from: { x: 0.6, y: 6.7, z: 0.6 },
  spin: { topspinRpm: 900, sidespinRpm: 0, gyroRpm: 0 },
  target: { kind: 'landing', x: 1.2, y: -8.4 },
  limits: { speedMps: [mphToMps(10), mphToMps(45)], elevationDeg: [0, 40] },
  net: SPORT_RECORDS.tennis.court.net,
  ...over,
});

const reflown = (q: AimQuestion, { speedMps, elevationDeg, bearingDeg }: Pick<Solution, 'speedMps' | 'elevationDeg' | 'bearingDeg'>) =>
  fly(
    q.conditions,
    { ...q.from, ...spinAt(q, speedMps), speedMps, elevationDeg, bearingDeg },
    { planesY: [q.target.kind === 'plane' ? q.target.planeY : 0], maxBounces: 0 },
  );

describe('a re-flown solution lands within 1 mm', () => {
  const holdOf = (random: () => number): Hold => (random() < 0.5 ? { speedMps: 14 + 16 * random() } : { elevationDeg: 2 + 45 * random() });
  test.each(BALLS.map((ball, i) => [ball.id, ball, i] as const))('%s: 120 random landing spots, wind and spin', (_id, ball, i) => {
    let solved = 0;
    for (let n = 0; n < 120; n++) {
      const random = seededRandom(5000 * i + n);
      const { conditions, launch } = randomFlight(ball, random);
      const { x, y, z, topspinRpm, sidespinRpm, gyroRpm } = launch;
      const reach = ball.sport === 'pickleball' ? 0.5 : 1;
      const q = question({
        conditions,
        from: { x, y: y * reach, z },
        spin: { topspinRpm, sidespinRpm, gyroRpm },
        target: { kind: 'landing', x: 4 * random() - 2, y: -2 - 8 * random() * reach },
        limits: { speedMps: [1, 75], elevationDeg: [-30, 85] },
        net: null,
      });
      for (const solution of aim(q, holdOf(random)).solutions) {
        solved++;
        const [spot] = reflown(q, solution).bounces;
        expect(Math.hypot(spot!.x - q.target.x, spot!.y - (q.target as { y: number }).y), `seed ${5000 * i + n}`).toBeLessThan(0.001);
        expect(spot!.t).toBeCloseTo(solution.flightTimeS, 4);
      }
    }
    expect(solved).toBeGreaterThan(100);
  });
  test('a point over the plate, with both arcs', () => {
    const q = question({
      conditions: { ...question().conditions, ball: ballById('baseball') },
      from: { x: 0.5, y: 14, z: 1.5 },
      spin: { topspinRpm: -1800, sidespinRpm: 400, gyroRpm: 0 },
      target: { kind: 'plane', planeY: 0.4318, x: -0.1, z: 0.8 },
      limits: { speedMps: [10, 45], elevationDeg: [-10, 85] },
      net: null,
    });
    const { solutions } = aim(q, { speedMps: 30 });
    expect(solutions.map(({ arc }) => arc)).toEqual(['low', 'high']);
    for (const solution of solutions) {
      const [crossing] = reflown(q, solution).crossings;
      expect(Math.hypot(crossing!.x + 0.1, crossing!.z - 0.8)).toBeLessThan(0.001);
      expect(crossing!.t).toBeCloseTo(solution.flightTimeS, 4);
    }
  });
});

describe('what is held stays held', () => {
  test.each<[string, Hold, (s: Solution) => number, number]>([
    ['speed', { speedMps: 18 }, (s) => s.speedMps, 18],
    ['elevation', { elevationDeg: 22 }, (s) => s.elevationDeg, 22],
    ['net clearance', { netClearanceM: 1.1 }, (s) => s.netClearanceM!, 1.1],
    ['flight time', { flightTimeS: 1.25 }, (s) => s.flightTimeS, 1.25],
  ])('%s', (_name, hold, read, wanted) => {
    const [solution] = aim(question(), hold).solutions;
    expect(read(solution!)).toBeCloseTo(wanted, 3);
    expect(Math.hypot(reflown(question(), solution!).bounces[0]!.x - 1.2, reflown(question(), solution!).bounces[0]!.y + 8.4)).toBeLessThan(
      0.001,
    );
  });
  test('net clearance is from the bottom of the ball to the top of the net where it passes', () => {
    const [solution] = aim(question(), { elevationDeg: 20 }).solutions;
    const [over] = reflown(question(), solution!).crossings;
    const net = SPORT_RECORDS.tennis.court.net!;
    const top = net.centreHeightM + (net.edgeHeightM - net.centreHeightM) * (Math.abs(over!.x) / net.edgeX_m);
    expect(solution!.netClearanceM).toBeCloseTo(over!.z - 0.033 - top, 3);
  });
  test('slower means higher along the family, down to the slowest arc', () => {
    const family = arcFamily(question(), 25, 40);
    expect(family.length).toBeGreaterThan(20);
    family.slice(1).forEach((arc, i) => {
      expect(arc.elevationDeg).toBeGreaterThan(family[i]!.elevationDeg);
      expect(arc.speedMps).toBeLessThan(family[i]!.speedMps);
      expect(arc.timeS).toBeGreaterThan(family[i]!.timeS);
    });
  });
});

describe('what cannot be done says why, and what is nearest', () => {
  const code = (over: Partial<AimQuestion>, hold: Hold): string | undefined => aim(question(over), hold).reason?.code;
  test('each limit by its name', () => {
    expect(code({}, { elevationDeg: 4 })).toBe('speed-too-high');
    expect(code({}, { elevationDeg: 45 })).toBe('elevation-too-high');
    expect(code({}, { speedMps: 30 })).toBe('speed-too-high');
    expect(code({}, { speedMps: 8 })).toBe('out-of-reach');
    expect(code({ limits: { speedMps: [5, 40], elevationDeg: [0, 40] } }, { elevationDeg: 4 })).toBe('net');
    expect(code({ target: { kind: 'landing', x: 0.6, y: 3 } }, { netClearanceM: 1 })).toBe('no-net');
    expect(code({ limits: { speedMps: [25, 40], elevationDeg: [0, 40] } }, { elevationDeg: 30 })).toBe('speed-too-low');
    expect(code({ limits: { speedMps: [5, 40], elevationDeg: [25, 40] } }, { elevationDeg: 20 })).toBe('elevation-too-low');
  });
  test('the nearest is inside the limits, clears the net and reaches the spot', () => {
    const q = question();
    const { nearest } = aim(q, { elevationDeg: 4 }).reason!;
    expect(nearest!.missM).toBe(0);
    expect(nearest!.speedMps).toBeLessThanOrEqual(q.limits.speedMps[1] + 1e-6);
    expect(nearest!.speedMps).toBeGreaterThan(q.limits.speedMps[1] - 0.2);
    expect(nearest!.netClearanceM).toBeGreaterThan(0);
    const [spot] = reflown(q, nearest!).bounces;
    expect(Math.hypot(spot!.x - 1.2, spot!.y + 8.4)).toBeLessThan(0.001);
  });
  test('out of reach altogether: the nearest spot, with its distance', () => {
    const q = question({ limits: { speedMps: [5, 11], elevationDeg: [0, 40] }, target: { kind: 'landing', x: 0, y: -11 } });
    const { nearest } = aim(q, { speedMps: 11 }).reason!;
    expect(nearest!.missM).toBeGreaterThan(1);
    expect(Math.hypot(nearest!.x - 0, nearest!.y + 11)).toBeCloseTo(nearest!.missM, 6);
  });
  test('“no arc” is true: a search of all speeds and bearings finds none either', () => {
    let unreachable = 0;
    for (let n = 0; n < 60; n++) {
      const random = seededRandom(90_000 + n);
      const { conditions, launch } = randomFlight(ballById('pickleball-indoor'), random);
      const { x, y, z, topspinRpm, sidespinRpm, gyroRpm } = launch;
      const q = question({
        conditions,
        from: { x, y: y / 2, z },
        spin: { topspinRpm, sidespinRpm, gyroRpm },
        target: { kind: 'landing', x: 0, y: -6 },
        limits: { speedMps: [1, 75], elevationDeg: [-30, 85] },
        net: null,
      });
      const elevationDeg = 30 + 25 * random();
      if (aim(q, { elevationDeg }).solutions.length > 0) continue;
      unreachable++;
      expect(smallestMiss(q, elevationDeg), `seed ${90_000 + n}`).toBeGreaterThan(0.01);
    }
    expect(unreachable).toBeGreaterThan(0);
  });
});

/** Best of a grid of speeds and bearings, polished by a shrinking pattern search. Knows nothing of how `aim` works. */
function smallestMiss(q: AimQuestion, elevationDeg: number): number {
  const miss = (speedMps: number, bearingDeg: number): number => {
    if (speedMps < 1 || speedMps > 75) return Number.POSITIVE_INFINITY;
    const [spot] = reflown(q, { speedMps, elevationDeg, bearingDeg }).bounces;
    return Math.hypot(spot!.x, spot!.y + 6);
  };
  let best = { v: 0, b: 0, m: Number.POSITIVE_INFINITY };
  const consider = (v: number, b: number): void => {
    const m = miss(v, b);
    if (m < best.m) best = { v, b, m };
  };
  for (let v = 2; v <= 74; v += 2) for (let b = 140; b <= 220; b += 5) consider(v, b);
  for (let [dv, db] = [1, 2.5]; dv > 1e-4; dv *= 0.7, db *= 0.7) {
    const { v, b } = best;
    for (const [sv, sb] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
      [1, 1],
      [-1, -1],
      [1, -1],
      [-1, 1],
    ] as const)
      consider(v + sv * dv, b + sb * db);
  }
  return best.m;
}

describe('a spin that follows the speed', () => {
  const oneWheel = MACHINE_KINDS.find(({ kind }) => kind === 'One-wheel portable')!;
  test('the spin belongs to the solved speed, and the ball still lands on the spot', () => {
    const { limits: _limits, spin: _spin, ...rest } = question();
    const answer = aimMachine(oneWheel, rest, { topspinRpm: 0, sidespinRpm: 0 }, { elevationDeg: 18 });
    const [solution] = answer.solutions;
    expect(answer.spin.topspinRpm).toBeCloseTo(55 * solution!.speedMps, 2);
    const [spot] = reflown(question({ spin: answer.spin }), solution!).bounces;
    expect(Math.hypot(spot!.x - 1.2, spot!.y + 8.4)).toBeLessThan(0.001);
  });
  test('a spin beyond the wheels is cut to what they give', () => {
    const twoWheel = MACHINE_KINDS.find(({ kind }) => kind === 'Two-wheel portable')!;
    const { limits: _limits, spin: _spin, ...rest } = question();
    expect(aimMachine(twoWheel, rest, { topspinRpm: 9000, sidespinRpm: 500 }, { elevationDeg: 18 }).spin).toEqual({
      topspinRpm: 2000,
      sidespinRpm: 0,
      gyroRpm: 0,
    });
  });
});

describe('the game book', () => {
  const airDensityKgM3 = airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 });
  test.each(GAME_BOOK.map((game) => [gameBallLabel(game), game] as const))(
    '%s can be flown, at the speed the book gives',
    (_label, game) => {
      const solved = gameLaunch(game, {
        ball: SPORT_RECORDS[game.sport].balls[0]!,
        airDensityKgM3,
        wind: { xMps: 0, yMps: 0 },
        ground: surfaceById('tennis-clay'),
      });
      expect(solved).not.toBeNull();
      const mph = mpsToMph(solved!.launch.speedMps);
      // the book holds within 2 %, and rounds to whole mph on top of that
      const check = game.kind === 'shaped' ? game.checkMph! : game.speedMph;
      expect(Math.abs(mph - check)).toBeLessThanOrEqual(0.5 + 0.02 * check);
    },
  );
});

describe('machines that are not free', () => {
  const kind = (name: string) => MACHINE_KINDS.find((each) => each.kind === name)!;
  const place = ({ limits: _limits, spin: _spin, ...rest } = question()) => rest;
  const wanted = { topspinRpm: 0, sidespinRpm: 0 };
  const oneWheel = kind('One-wheel portable');
  test.each<[string, Hold]>([
    ['elevation', { elevationDeg: 24 }],
    ['speed', { speedMps: 17.5 }],
    ['net clearance', { netClearanceM: 1.5 }],
    ['flight time', { flightTimeS: 1.3 }],
  ])('one wheel, %s held: the spin is that of the solved speed, and the ball lands on the spot', (_name, hold) => {
    const { solutions, spin } = aimMachine(oneWheel, place(), wanted, hold);
    const solution = solutions[0]!;
    expect(spin.topspinRpm).toBeCloseTo(55 * solution.speedMps, 6);
    const [spot] = fly(place().conditions, { ...question().from, ...spin, ...solution }, { maxBounces: 0 }).bounces;
    expect(Math.hypot(spot!.x - 1.2, spot!.y + 8.4)).toBeLessThan(0.001);
  });
  test('every arc of a one-wheel machine’s family carries its own spin', () => {
    const q = questionFor(oneWheel, place(), wanted);
    for (const arc of arcFamily(q, 8, 60)) {
      const [spot] = fly(q.conditions, { ...q.from, ...spinAt(q, arc.speedMps), ...arc }, { maxBounces: 0 }).bounces;
      expect(Math.hypot(spot!.x - 1.2, spot!.y + 8.4)).toBeLessThan(0.001);
    }
  });
  test('pins: a speed between two is refused, with the nearest pin that reaches the spot', () => {
    const lever = kind('Lever-arm thrower');
    const plate = {
      conditions: { ...place().conditions, ball: ballById('baseball') },
      from: { x: 0, y: 12, z: 1 },
      target: { kind: 'plane', planeY: 0.43, x: 0, z: 0.8 } as const,
      net: null,
    };
    const { solutions, reason } = aimMachine(lever, plate, wanted, { speedMps: mphToMps(40) });
    expect(solutions).toEqual([]);
    expect(reason).toMatchObject({ code: 'between-steps' });
    expect([37, 44]).toContain(Math.round(mpsToMph(reason!.nearest!.speedMps)));
    expect(reason!.nearest!.missM).toBe(0);
    expect(aimMachine(lever, plate, wanted, { speedMps: mphToMps(44) }).solutions.length).toBeGreaterThan(0);
  });
  test('one speed and three heights: says which of them comes nearest, and by how much it misses', () => {
    const tosser = kind('Pocket tosser');
    const near = { ...place(), from: { x: 0.4, y: -1.2, z: 0.35 }, target: { kind: 'landing', x: 0, y: -4 } as const };
    const { solutions, reason } = aimMachine(tosser, near, wanted, { elevationDeg: 33 });
    expect(solutions).toEqual([]);
    expect([20, 40, 60]).toContain(reason!.nearest!.elevationDeg);
    expect(reason!.nearest!.missM).toBeGreaterThan(0);
    expect(reason!.nearest!.missM).toBeLessThan(3);
  });
});

test('a ceiling blocks the arcs that touch it, and the nearest answer stays below', () => {
  const q = question({ ceilingM: 3 });
  const family = arcFamily(q, 25, 60);
  expect(family.some(({ blocked }) => blocked === 'ceiling')).toBe(true);
  for (const { apexM, blocked } of family)
    expect(blocked === 'ceiling').toBe(blocked !== null && blocked !== 'ceiling' ? false : apexM + 0.033 > 3);
  const { solutions, reason } = aim(q, { elevationDeg: 38 });
  expect(solutions).toEqual([]);
  expect(reason!.code).toBe('ceiling');
  const { speedMps, elevationDeg, bearingDeg } = reason!.nearest!;
  expect(fly(q.conditions, { ...q.from, ...spinAt(q, speedMps), speedMps, elevationDeg, bearingDeg }).apex.z).toBeLessThan(3);
  expect(aim({ ...q, ceilingM: null }, { elevationDeg: 38 }).solutions).toHaveLength(1);
});

describe('arcs that were denied', () => {
  const pitch = (over: Partial<AimQuestion> = {}): AimQuestion => ({
    conditions: {
      ball: ballById('baseball'),
      airDensityKgM3: airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 }),
      wind: { xMps: 0, yMps: 0 },
      ground: { restitution: 0.5, friction: 0.5, tangentialRestitution: 0 },
    },
    from: { x: 0, y: 17, z: 1 },
    spin: { topspinRpm: 1500, sidespinRpm: 0, gyroRpm: 0 },
    target: { kind: 'plane', planeY: 9, x: 0, z: 1.2 },
    limits: { speedMps: [5, 60], elevationDeg: [-30, 60] },
    net: null,
    ...over,
  });
  test('a point in a plane that is passed on the way up', () => {
    // the reference: flown with fly, 4.09° passes 9 m at 1.2 m
    const [solution] = aim(pitch(), { speedMps: 35 }).solutions;
    expect(solution!.elevationDeg).toBeCloseTo(4.1, 1);
    expect(reflown(pitch(), solution!).crossings[0]!.z).toBeCloseTo(1.2, 3);
  });
  test('a landing steeper than the machine goes is too low for it, not out of reach', () => {
    const near = pitch({ from: { x: 0, y: 17, z: 3 }, target: { kind: 'landing', x: 0, y: 15.5 } });
    expect(aim(near, { speedMps: 20 }).reason!.code).toBe('elevation-too-low');
    expect(aim({ ...near, limits: WIDEST_LIMITS }, { speedMps: 20 }).solutions[0]!.elevationDeg).toBeLessThan(-30);
  });
  test('what is beyond the search is not blamed on the machine', () => {
    const far = pitch({ target: { kind: 'landing', x: 0, y: -180 }, limits: WIDEST_LIMITS });
    expect(aim(far, { elevationDeg: 4 }).reason!.code).toBe('out-of-reach');
  });
});

describe('a family and what is beside it', () => {
  test('only arcs above the slowest are left: still from the slowest', () => {
    const { arcs } = possibleArcs(question({ limits: { speedMps: [1, 60], elevationDeg: [62, 80] } }), 9);
    expect(arcs).toHaveLength(9);
    arcs.slice(1).forEach((arc, i) => {
      expect(arc.speedMps).toBeGreaterThan(arcs[i]!.speedMps);
    });
  });
  test('a blocked stretch ends where the arcs begin', () => {
    const { arcs, blocked } = possibleArcs(question({ limits: { speedMps: [1, 60], elevationDeg: [12.3, 30.1] } }), 5);
    const [below, above] = [
      blocked.find(({ code }) => code === 'elevation-too-low')!,
      blocked.find(({ code }) => code === 'elevation-too-high')!,
    ];
    expect(below.elevationDeg[1]).toBeCloseTo(12.3, 2);
    expect(above.elevationDeg[0]).toBeCloseTo(30.1, 2);
    expect(arcs.map(({ elevationDeg }) => elevationDeg)).toSatisfy((all: number[]) => all.every((deg) => deg > 12.29 && deg < 30.11));
  });
  test('an empty answer has a reason', () => {
    expect(possibleArcs(question({ limits: { speedMps: [1, 5], elevationDeg: [0, 60] } }), 5)).toMatchObject({
      arcs: [],
      reason: 'speed-too-high',
    });
  });
});
