import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  airDensity,
  ballById,
  bounce,
  coefficients,
  courtPaceRating,
  fly,
  ftToM,
  groundOf,
  inToM,
  isaPressurePa,
  type Launch,
  mphToMps,
  mpsToMph,
  netHeightAt,
  PLATE,
  SPORT_RECORDS,
  seededRandom,
  spinDragAt,
  surfaceById,
} from '../src/index.ts';
import { oracleFlight } from './support/oracle.ts';
import { everyBall, randomFlight } from './support/random.ts';

const still = { xMps: 0, yMps: 0 };
const clay = surfaceById('tennis-clay');
const straight: Launch = { x: 0, y: 11, z: 1, speedMps: 25, elevationDeg: 10, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };

describe('air', () => {
  test('density of dry air at sea level: 1.2250 kg/m³ at 15 °C, 1.2041 at 20 °C (ISA tables; quoted from memory)', () => {
    expect(airDensity({ temperatureC: 15, altitudeM: 0, relativeHumidity: 0 })).toBeCloseTo(1.225, 3);
    expect(airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0 })).toBeCloseTo(1.2041, 3);
  });
  test('pressure at 1,600 m is about 835 hPa (ISA table; quoted from memory)', () => {
    expect(isaPressurePa(1600) / 100).toBeCloseTo(835, 0);
  });
  test('moist air is lighter, and a station pressure stands in for the altitude', () => {
    const dry = airDensity({ temperatureC: 30, altitudeM: 0, relativeHumidity: 0 });
    expect(airDensity({ temperatureC: 30, altitudeM: 0, relativeHumidity: 1 })).toBeLessThan(dry);
    expect(airDensity({ temperatureC: 30, pressureHpa: 1013.25, relativeHumidity: 0 })).toBeCloseTo(dry, 9);
    expect(airDensity({ temperatureC: 30, relativeHumidity: 0, densityKgM3: 1 })).toBe(1);
  });
});

describe('flight against odex, an independent integrator', () => {
  test.each(everyBall().map((ball, i) => [ball.id, ball, i] as const))('%s: 500 random launches, 1 mm and 0.1 ms', (_id, ball, i) => {
    for (let n = 0; n < 500; n++) {
      const seed = 1000 * i + n;
      const { conditions, launch } = randomFlight(ball, seededRandom(seed));
      const planes = [0, -11.885];
      const ours = fly(conditions, launch, { planesY: planes, maxBounces: 1 });
      const theirs = oracleFlight(conditions, launch, planes);
      const where = theirs.map(({ kind, t, state, leg, planeY }) =>
        kind === 'bounce' ? { kind, t, a: state[0]!, b: state[1]!, leg } : { kind, t, a: state[0]!, b: state[2]!, leg, planeY },
      );
      const mine = [
        ...ours.bounces.map(({ t, x, y }, leg) => ({ kind: 'bounce', t, a: x, b: y, leg })),
        ...ours.crossings.map(({ t, x, z, leg, planeY }) => ({ kind: 'plane', t, a: x, b: z, leg, planeY })),
      ].sort((a, b) => a.t - b.t);
      expect(
        mine.map(({ kind, leg }) => `${kind}${leg}`),
        `seed ${seed}`,
      ).toEqual(where.map(({ kind, leg }) => `${kind}${leg}`));
      mine.forEach((event, j) => {
        expect(Math.hypot(event.a - where[j]!.a, event.b - where[j]!.b), `seed ${seed}, event ${j}: place`).toBeLessThan(0.001);
        expect(Math.abs(event.t - where[j]!.t), `seed ${seed}, event ${j}: time`).toBeLessThan(0.0001);
      });
    }
  });
});

test('the looked-up spin drag of a tennis ball is the published law, over the whole range', () => {
  for (let s = 0; s < 4; s += 0.0007) {
    const law = s === 0 ? 0 : (22.503 + 4.196 * s ** -2.5) ** -0.4;
    const d = [s];
    spinDragAt(d, 0);
    expect(Math.abs(d[0]! - law)).toBeLessThan(2e-8);
  }
});

describe('flight against handbook values', () => {
  test('90 mph fastball from 55 ft: about 0.43 s to the plate, 8–9 mph slower (common practice, no source)', () => {
    const conditions = { ball: ballById('baseball'), airDensityKgM3: 1.2, wind: still, ground: clay };
    const launch = { ...straight, y: ftToM(55), z: 1.8, speedMps: mphToMps(90), elevationDeg: -2, topspinRpm: -2000, gyroRpm: 900 };
    const [plate] = fly(conditions, launch, { planesY: [PLATE.frontY_m], maxBounces: 0 }).crossings;
    expect(plate!.t).toBeGreaterThan(0.42);
    expect(plate!.t).toBeLessThan(0.45);
    expect(90 - mpsToMph(plate!.speedMps)).toBeGreaterThan(7.5);
    expect(90 - mpsToMph(plate!.speedMps)).toBeLessThan(9.5);
  });
  test('without air it is the parabola of the textbook', () => {
    const conditions = { ball: ballById('tennis-standard'), airDensityKgM3: 0, wind: still, ground: clay };
    const flight = fly(conditions, { ...straight, topspinRpm: 2000 }, { maxBounces: 0 });
    const [vy, vz] = [25 * Math.cos(Math.PI / 18), 25 * Math.sin(Math.PI / 18)];
    const t = (vz + Math.sqrt(vz ** 2 + 2 * 9.80665 * (1 - 0.033))) / 9.80665;
    expect(flight.bounces[0]!.t).toBeCloseTo(t, 6);
    expect(flight.bounces[0]!.y).toBeCloseTo(11 - vy * t, 5);
    expect(flight.apex.z).toBeCloseTo(1 + vz ** 2 / (2 * 9.80665), 5);
  });
  test('terminal speed is where drag equals weight', () => {
    const ball = ballById('baseball');
    const k = (1.2 * Math.PI * ball.radiusM ** 2) / 2;
    const terminal = Math.sqrt((ball.massKg * 9.80665) / (k * coefficients(ball, 40, 0, 0).cd));
    const flight = fly(
      { ball, airDensityKgM3: 1.2, wind: still, ground: clay },
      { ...straight, z: 600, speedMps: 0, elevationDeg: 0 },
      { maxBounces: 0 },
    );
    expect(flight.bounces[0]!.speedInMps).toBeCloseTo(terminal, 1);
  });
});

describe('what spin, drag and wind do', () => {
  const conditions = { ball: ballById('tennis-standard'), airDensityKgM3: 1.2, wind: still, ground: clay };
  const landing = (launch: Partial<Launch>, wind = still) =>
    fly({ ...conditions, wind }, { ...straight, ...launch }, { maxBounces: 0 }).bounces[0]!;
  test('topspin dips, backspin carries, positive sidespin curves to the right of the travel, gyro does little', () => {
    expect(landing({ topspinRpm: 1500 }).y).toBeGreaterThan(landing({}).y);
    expect(landing({ topspinRpm: -1500 }).y).toBeLessThan(landing({}).y);
    expect(landing({ sidespinRpm: 1500 }).x).toBeLessThan(-0.2); // traveling toward −y, right is −x
    expect(Math.abs(landing({ gyroRpm: 1500 }).x)).toBeLessThan(0.3);
  });
  test('a wind along +x carries the ball to +x, a wind in its face shortens it', () => {
    expect(landing({}, { xMps: 4, yMps: 0 }).x).toBeGreaterThan(0.1);
    expect(landing({}, { xMps: 0, yMps: 5 }).y).toBeGreaterThan(landing({}).y);
  });
  test('more drag never lands farther', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        (speedMps, elevationDeg, factor) => {
          const ball = { ...conditions.ball, dragFactor: factor };
          const more = fly({ ...conditions, ball }, { ...straight, speedMps, elevationDeg }, { maxBounces: 0 }).bounces[0]!;
          expect(more.y).toBeGreaterThanOrEqual(landing({ speedMps, elevationDeg }).y - 1e-9);
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });
  test('mirror symmetry: left and right are alike', () => {
    for (let seed = 0; seed < 60; seed++) {
      const { conditions: c, launch } = randomFlight(conditions.ball, seededRandom(seed));
      const a = fly(c, launch, { maxBounces: 1, planesY: [0] });
      const mirrored = {
        ...launch,
        x: -launch.x,
        bearingDeg: -launch.bearingDeg,
        sidespinRpm: -launch.sidespinRpm,
        gyroRpm: -launch.gyroRpm,
      };
      const b = fly({ ...c, wind: { xMps: -c.wind.xMps, yMps: c.wind.yMps } }, mirrored, { maxBounces: 1, planesY: [0] });
      a.bounces.forEach((touch, i) => {
        expect(b.bounces[i]!.x).toBeCloseTo(-touch.x, 8);
        expect(b.bounces[i]!.y).toBeCloseTo(touch.y, 8);
      });
    }
  });
  test('the path goes through launch, net plane and bounces, evenly spaced in time', () => {
    const flight = fly(conditions, straight, { planesY: [0], maxBounces: 1, sampleS: 0.02 });
    expect(flight.path[0]).toEqual([0, 0, 11, 1]);
    expect(flight.path.at(-1)![0]).toBeCloseTo(flight.bounces[1]!.t, 9);
    const near = flight.path.reduce((a, b) => (Math.abs(b[2]) < Math.abs(a[2]) ? b : a));
    expect(Math.abs(near[3] - flight.crossings[0]!.z)).toBeLessThan(0.05);
  });
  test('each plane on the way is crossed once, a plane that the ball starts on is not', () => {
    const flight = fly(conditions, straight, { planesY: [11, 10, 0, -5, 20], maxBounces: 0 });
    expect(flight.crossings.map(({ planeY }) => planeY)).toEqual([10, 0, -5]);
    const back = fly(conditions, { ...straight, y: -11, bearingDeg: 0 }, { planesY: [-11, 0], maxBounces: 0 });
    expect(back.crossings.map(({ planeY }) => planeY)).toEqual([0]);
  });
  test('a launch in the ground or without a number is refused', () => {
    expect(() => fly(conditions, { ...straight, z: 0.01 })).toThrow(/launch.z/);
    expect(() => fly(conditions, { ...straight, speedMps: Number.NaN })).toThrow(/finite/);
  });
});

describe('bounce', () => {
  const falling = { vx: 0, vy: -20, vz: -6, wx: 0, wy: 0, wz: 0 };
  test('grip without spin leaves 1/(1+α) = 0.645 of the level speed, rolling (Brody 1984; quoted from memory)', () => {
    const after = bounce(falling, 0.033, 0.55, { restitution: 0.8, friction: 5, tangentialRestitution: 0 });
    expect(after.contact).toBe('grip');
    expect(after.vy / -20).toBeCloseTo(0.645, 3);
    expect(after.vy + 0.033 * after.wx).toBeCloseTo(0, 9);
    expect(after.vz).toBeCloseTo(4.8, 9);
  });
  test('sliding takes μ(1+e)|vz| off the level speed', () => {
    const after = bounce(falling, 0.033, 0.55, { restitution: 0.8, friction: 0.3, tangentialRestitution: 0 });
    expect(after.contact).toBe('slide');
    expect(after.vy).toBeCloseTo(-20 + 0.3 * 1.8 * 6, 9);
  });
  test('angular momentum about the contact point is kept, whatever the spin', () => {
    fc.assert(
      fc.property(fc.double({ min: -400, max: 400, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (wx, friction) => {
        const after = bounce({ ...falling, wx }, 0.033, 0.55, { restitution: 0.8, friction, tangentialRestitution: 0 });
        // per unit mass: αR²ωx − R·vy
        expect(0.55 * 0.033 ** 2 * after.wx - 0.033 * after.vy).toBeCloseTo(0.55 * 0.033 ** 2 * wx - 0.033 * -20, 9);
      }),
      { seed: 3, numRuns: 100 },
    );
  });
  test('drop tests: e = 0.729–0.761 gives a tennis rebound of 135–147 cm from 254 cm (ITF), 0.620–0.660 a pickleball one of 30–34 in from 78 in (USAP)', () => {
    const vacuum = { ball: ballById('tennis-standard'), airDensityKgM3: 0, wind: still };
    const rebound = (restitution: number, heightM: number): number => {
      const flight = fly(
        { ...vacuum, ground: { restitution, friction: 0.6, tangentialRestitution: 0 } },
        { ...straight, z: heightM + 0.033, speedMps: 0 },
        { sampleS: 0.002, maxBounces: 1 },
      );
      return Math.max(...flight.path.filter(([t]) => t > flight.bounces[0]!.t).map(([, , , z]) => z)) - 0.033;
    };
    expect(rebound(0.729, 2.54)).toBeCloseTo(1.35, 2);
    expect(rebound(0.761, 2.54)).toBeCloseTo(1.47, 2);
    expect(rebound(0.62, inToM(78)) / inToM(1)).toBeCloseTo(30, 0);
    expect(rebound(0.66, inToM(78)) / inToM(1)).toBeCloseTo(34, 0);
  });
  test('dropped on a court a ball comes up as its own test allows, with drag (ITF 135–147 cm from 254 cm, USAP 30–34 in from 78 in; quoted from memory)', () => {
    const rebound = (surfaceId: string, ballId: string, heightM: number): number => {
      const ball = ballById(ballId);
      const conditions = { ball, airDensityKgM3: 1.2, wind: still, ground: groundOf(surfaceById(surfaceId), ball) };
      const flight = fly(conditions, { ...straight, z: heightM + ball.radiusM, speedMps: 0 }, { sampleS: 0.002, maxBounces: 1 });
      return Math.max(...flight.path.filter(([t]) => t > flight.bounces[0]!.t).map(([, , , z]) => z)) - ball.radiusM;
    };
    for (const surface of ['clay', 'acrylic-medium', 'acrylic-fast', 'carpet']) {
      expect(rebound(`tennis-${surface}`, 'tennis-standard', 2.54), surface).toBeGreaterThan(1.35);
      expect(rebound(`tennis-${surface}`, 'tennis-standard', 2.54), surface).toBeLessThan(1.47);
    }
    for (const [stage, lo, hi] of [
      ['stage1-green', 1.2, 1.35],
      ['stage2-orange', 1.05, 1.2],
      ['stage3-red', 0.9, 1.05],
    ] as const) {
      expect(rebound('tennis-clay', `tennis-${stage}`, 2.54), stage).toBeGreaterThan(lo);
      expect(rebound('tennis-clay', `tennis-${stage}`, 2.54), stage).toBeLessThan(hi);
    }
    for (const [surface, ball] of [
      ['acrylic', 'outdoor'],
      ['wood', 'indoor'],
    ] as const) {
      expect(rebound(`pickleball-${surface}`, `pickleball-${ball}`, inToM(78)) / inToM(1)).toBeGreaterThan(30);
      expect(rebound(`pickleball-${surface}`, `pickleball-${ball}`, inToM(78)) / inToM(1)).toBeLessThan(34);
    }
  });
  test('a shallow ball has the surface’s own restitution, one given by numbers at any steepness', () => {
    const out = (ground: Parameters<typeof bounce>[3], vx: number, vz: number) =>
      bounce({ vx, vy: 0, vz, wx: 0, wy: 0, wz: 0 }, 0.033, 0.55, ground).vz / -vz;
    const court = groundOf(surfaceById('tennis-clay'), ballById('tennis-standard'));
    expect(out(court, 30, -30 * Math.tan((15 * Math.PI) / 180))).toBeCloseTo(0.85, 9);
    expect(out(court, 0, -7)).toBeCloseTo(0.772, 9);
    expect(out(court, 7, -7)).toBeLessThan(0.85);
    expect(out(surfaceById('tennis-clay'), 0, -7)).toBeCloseTo(0.85, 9);
  });
  test('court pace rating puts the representative surfaces in the order the ITF classes have', () => {
    const rating = (id: string): number => courtPaceRating(surfaceById(id).restitution, surfaceById(id).friction);
    expect(rating('tennis-clay')).toBeCloseTo(19, 6);
    expect(rating('tennis-acrylic-medium')).toBeCloseTo(38, 6);
    expect(rating('tennis-acrylic-fast')).toBeCloseTo(46, 6);
    expect(rating('tennis-grass')).toBeCloseTo(52.5, 6);
  });
});

test('net heights: 3 ft at the centre and 3 ft 6 in at the posts; 34 and 36 in in pickleball (ITF, USAP; quoted from memory)', () => {
  const [tennis, pickleball] = [SPORT_RECORDS.tennis.court, SPORT_RECORDS.pickleball.court];
  expect(netHeightAt(tennis.net!, 0)).toBeCloseTo(ftToM(3), 9);
  expect(netHeightAt(tennis.net!, ftToM(21))).toBeCloseTo(ftToM(3.5), 9);
  expect(netHeightAt(pickleball.net!, -ftToM(10))).toBeCloseTo(inToM(36), 9);
  expect(netHeightAt(pickleball.net!, ftToM(5))).toBeCloseTo(inToM(35), 9);
});
