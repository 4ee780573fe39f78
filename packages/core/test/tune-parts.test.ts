import fc from 'fast-check';
import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { describe, expect, test } from 'vitest';
import {
  airDensity,
  asideDeg,
  ballById,
  curveFrom,
  type Dial,
  dialCurveSchema,
  ELEVATION_SIGMA_DEG,
  FIRST_SCALE,
  firstDials,
  firstReadings,
  fitTuneUp,
  isFlown,
  isInZone,
  MACHINE_KINDS,
  MARK_SIGMA_M,
  questionOf,
  readingsOf,
  SCALE_KINDS,
  type Stand,
  speedFrom,
  speedShareOn,
  spotAt,
  standOf,
  studentT975,
  surfaceById,
  type TestBall,
  type TuneUp,
  testBallSchema,
  tuneUpSchema,
  zoneOf,
} from '../src/index.ts';
import { covarianceOf, learnBearingDeg, responseAt, times, whitenerOf } from '../src/tune/scatter.ts';
import { seenOf, sightOf } from '../src/tune/watch.ts';

const profile = MACHINE_KINDS.find(({ kind }) => kind === 'Two-wheel portable')!;
const standWith = (ballId: string, over: Partial<Stand> = {}): Stand => ({
  conditions: {
    ball: ballById(ballId),
    airDensityKgM3: airDensity({ temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 }),
    wind: { xMps: 0, yMps: 0 },
    ground: surfaceById('tennis-acrylic-medium'),
  },
  from: { x: 0.5, y: 11.9, z: 0.6 },
  elevationDeg: 20,
  bearingDeg: 180,
  spin: () => ({ topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 }),
  ...over,
});
const ball = (part: Partial<TestBall> = {}): TestBall => ({
  id: 'a',
  reading: 5,
  mark: null,
  timeS: null,
  radarMps: null,
  direct: null,
  leftOut: false,
  ...part,
});

// table of Student's t, two-sided 95 %, as in any statistics handbook; quoted from memory
test.each([
  [1, 12.706],
  [2, 4.303],
  [3, 3.182],
  [4, 2.776],
  [5, 2.571],
  [8, 2.306],
  [10, 2.228],
  [15, 2.131],
  [20, 2.086],
  [30, 2.042],
  [60, 2.0003],
  [10_000, 1.96],
])('Student’s t with %i degrees of freedom is %d', (df, t) => expect(studentT975(df) / t).toBeCloseTo(1, 3));

describe('what is seen of a ball', () => {
  test.each(['tennis-standard', 'pickleball-outdoor', 'baseball'])(
    '%s: the speed is found again from how far it lands and how long it flies',
    (id) => {
      fc.assert(
        fc.property(fc.double({ min: 6, max: 35, noNaN: true }), fc.double({ min: 5, max: 40, noNaN: true }), (speedMps, elevationDeg) => {
          const stand = standWith(id, { elevationDeg });
          const { distanceM, timeS } = sightOf(stand, speedMps, elevationDeg);
          expect(speedFrom(stand, 'distanceM', distanceM)).toBeCloseTo(speedMps, 2);
          expect(speedFrom(stand, 'timeS', timeS)).toBeCloseTo(speedMps, 2);
          expect(speedFrom(stand, 'radarMps', speedMps)).toBe(speedMps);
        }),
        { numRuns: 25 },
      );
    },
  );
  test('in a vacuum the distance on level ground is v² sin 2θ / g', () => {
    // closed form: a ball that leaves and lands at one height
    const stand = standWith('tennis-standard', { from: { x: 0, y: 0, z: 0.033 } });
    const vacuum: Stand = { ...stand, conditions: { ...stand.conditions, airDensityKgM3: 0 } };
    expect(sightOf(vacuum, 20, 30).distanceM).toBeCloseTo((20 ** 2 * Math.sin(Math.PI / 3)) / 9.80665, 2);
  });
  test('more drag lands shorter', () => {
    const stand = standWith('pickleball-outdoor');
    expect(sightOf(stand, 18, 20, 1.3).distanceM).toBeLessThan(sightOf(stand, 18, 20).distanceM - 0.3);
  });
  test('every way of seeing has its own uncertainty, and a ball seen in no way says nothing', () => {
    const from = { x: 0, y: 10 };
    expect(seenOf(ball(), from)).toEqual([]);
    const kinds = seenOf(ball({ mark: { x: 3, y: 6, sigmaM: 0.3, sideways: true }, timeS: 1.1, radarMps: 17 }), from);
    expect(kinds.map(({ kind, value }) => [kind, value])).toEqual([
      ['distanceM', 5],
      ['timeS', 1.1],
      ['radarMps', 17],
    ]);
    expect(kinds[0]!.sigma).toBe(MARK_SIGMA_M.eye);
  });
  test('a ball aside is told to the right of the throw; a taped distance lies along it and says nothing of its side', () => {
    const stand = standWith('tennis-standard', { from: { x: 0, y: 10, z: 0.5 } });
    // facing the near end, the right hand points to −x
    const at = (x: number) => asideDeg(ball({ mark: { x, y: 0, sigmaM: 0.3, sideways: true } }), stand);
    expect(at(-1)).toBeCloseTo((Math.atan(0.1) * 180) / Math.PI, 6);
    expect(at(1)).toBeCloseTo((-Math.atan(0.1) * 180) / Math.PI, 6);
    const spot = spotAt(stand, 8);
    expect(spot.x).toBeCloseTo(0, 9);
    expect(spot.y).toBeCloseTo(2, 9);
    expect(asideDeg(ball({ mark: { ...spot, sigmaM: 0.05, sideways: false } }), stand)).toBeNull();
    expect(asideDeg(ball({ radarMps: 17 }), stand)).toBeNull();
  });
});

describe('errors that belong together', () => {
  const seen = [
    { kind: 'distanceM', sigma: 0.3 },
    { kind: 'timeS', sigma: 0.1 },
    { kind: 'radarMps', sigma: 0.22 },
  ] as const;
  test.each([1, 2, 3])('%i of them: whitened they are independent, of 1 σ (against ml-matrix)', (count) => {
    fc.assert(
      fc.property(fc.double({ min: 8, max: 30, noNaN: true }), fc.double({ min: 0.3, max: 4, noNaN: true }), (speedMps, speedPct) => {
        const used = seen.slice(0, count);
        const covariance = covarianceOf(used, responseAt(standWith('tennis-standard'), speedMps), speedMps, {
          speedPct,
          elevationDeg: 0.5,
        });
        const whitener = new Matrix(whitenerOf(covariance));
        const unit = whitener.mmul(new Matrix(covariance)).mmul(whitener.transpose());
        for (let i = 0; i < count; i++) for (let j = 0; j < count; j++) expect(unit.get(i, j)).toBeCloseTo(i === j ? 1 : 0, 8);
        expect(Math.min(...new EigenvalueDecomposition(new Matrix(covariance)).realEigenvalues)).toBeGreaterThan(0);
      }),
      { numRuns: 20 },
    );
  });
  test('a faster ball lands farther and flies longer; slopes agree with a second look', () => {
    const stand = standWith('tennis-standard');
    const { perMps, perDeg, perLogDrag } = responseAt(stand, 18);
    const wide = (sightOf(stand, 19, 20).distanceM - sightOf(stand, 17, 20).distanceM) / 2;
    expect(perMps.distanceM / wide).toBeCloseTo(1, 1);
    expect(perMps.timeS).toBeGreaterThan(0);
    expect(perMps.radarMps).toBeCloseTo(1, 6);
    expect(perDeg.radarMps).toBe(0);
    expect(perLogDrag.distanceM).toBeLessThan(0);
  });
  test('a matrix times a vector', () =>
    expect(
      times(
        [
          [1, 2],
          [3, 4],
        ],
        [5, 6],
      ),
    ).toEqual([17, 39]));
  test('the scatter of direction comes without that of the marks', () => {
    const asides = [-1.2, 0.4, 0.9, -0.3, 0.2, 1.1, -0.8, 0].map((deg) => ({ deg: deg + 3, markDeg: 0 }));
    const sharp = learnBearingDeg(asides, 0.6);
    const blurred = learnBearingDeg(
      asides.map((each) => ({ ...each, markDeg: 0.7 })),
      0.6,
    );
    expect(sharp.meanDeg).toBeCloseTo(3.04, 2);
    expect(sharp.sigma).toBeGreaterThan(0.5);
    expect(sharp.sigma).toBeLessThan(1.1);
    expect(blurred.sigma).toBeLessThan(sharp.sigma);
    expect(sharp.interval[0]).toBeLessThan(sharp.sigma);
    expect(sharp.interval[1]).toBeGreaterThan(sharp.sigma);
  });
});

describe('a tune-up as it is kept', () => {
  const speed = firstDials(profile)[0]!;
  const tuneUp: TuneUp = tuneUpSchema.parse({
    dialId: speed.id,
    dialName: speed.name,
    courtId: 'c',
    ballId: 'tennis-standard',
    ballStockId: null,
    surfaceId: 'tennis-clay',
    weather: { temperatureC: 12, altitudeM: 900, relativeHumidity: 0.5, windXMps: 0, windYMps: 1 },
    from: { x: 0, y: 11, z: 0.55 },
    elevationDeg: 18,
    elevationKnown: 'scale',
    bearingDeg: 182,
    battery: 'half',
    fitDrag: false,
    balls: [3, 5, 8].map((reading) => ({ id: `b${reading}`, reading, radarMps: 4 + 2.4 * reading })),
  });
  test('asks the fit with its own air, balls and the machine’s limits', () => {
    const question = questionOf(tuneUp, speed, profile, 1.1);
    expect(question.expected).toEqual(profile.speedMps);
    expect(question.elevationSigmaDeg).toBe(ELEVATION_SIGMA_DEG.scale);
    expect(question.stand!.conditions.ball.dragFactor).toBeCloseTo(1.1, 9);
    expect(question.stand!.conditions.airDensityKgM3).toBeCloseTo(airDensity(tuneUp.weather), 9);
    expect(question.stand!.conditions.wind.yMps).toBe(1);
    expect(standOf(tuneUp, profile).spin(20)).toEqual({ topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 });
    const tied = MACHINE_KINDS.find(({ kind }) => kind === 'One-wheel portable')!;
    expect(standOf(tuneUp, tied).spin(20).topspinRpm).toBeCloseTo(1100, 6); // a wheel that cannot be without its spin
  });
  test('its curve is a whole record: parsed, dated, with its balls and its cold', () => {
    const fit = fitTuneUp(tuneUp, speed, profile)!;
    const kept = curveFrom(fit, tuneUp, '2026-02-03T09:00:00.000Z');
    expect(dialCurveSchema.parse(JSON.parse(JSON.stringify(kept)))).toEqual(kept);
    expect(kept).toMatchObject({ balls: 3, temperatureC: 12, tunedAt: '2026-02-03T09:00:00.000Z' });
    expect(fit.speedPct).toBeNull(); // no two balls alike: no scatter
    expect(fit.zero).toBeNull(); // radar alone says nothing of the elevation
  });
  test('only speeds and wheels are seen in the flight', () => {
    const moved = (moves: Dial['moves']): boolean => isFlown({ moves });
    expect((['speed', 'wheel', 'elevation', 'bearing', 'topspin', 'sidespin', 'interval'] as const).filter(moved)).toEqual([
      'speed',
      'wheel',
    ]);
  });
  test.each([
    ['a ball that lands before it leaves', { timeS: 0 }, '/timeS'],
    ['a reading no gun gives', { radarMps: 200 }, '/radarMps'],
    ['a mark that is known to the hair', { mark: { x: 0, y: 0, sigmaM: 0, sideways: true } }, '/mark/sigmaM'],
    ['a value without its uncertainty', { direct: { value: 4, sigma: 0 } }, '/direct/sigma'],
  ])('%s is refused at its field', (_name, part, field) => {
    const { error } = testBallSchema.safeParse({ id: 'a', reading: 1, ...part });
    expect(error!.issues.map(({ path }) => `/${path.join('/')}`)).toEqual([field]);
  });
});

describe('small things', () => {
  test.each(SCALE_KINDS)('first marks to try on %s: up to three, rising, each of which can be set', (kind) => {
    const marks = firstReadings(FIRST_SCALE[kind]);
    expect(marks.length).toBeGreaterThanOrEqual(2);
    expect(marks.length).toBeLessThanOrEqual(3);
    expect([...marks].sort((a, b) => a - b)).toEqual(marks);
    for (const mark of marks) expect(readingsOf(FIRST_SCALE[kind])).toContain(mark);
  });
  test('a shift counts on its own day only', () => {
    const today = { day: '2026-05-01', speedShare: 0.94 };
    expect(speedShareOn(today, '2026-05-01')).toBe(0.94);
    expect(speedShareOn(today, '2026-05-02')).toBe(1);
    expect(speedShareOn(null, '2026-05-01')).toBe(1);
  });
  test('the zone about a target holds its edges and nothing beyond', () => {
    const zone = zoneOf({ kind: 'landing', x: 1, y: -8 }, { widthM: 2, depthM: 1 });
    expect(isInZone(zone, { x: 2, y: -8.5 })).toBe(true);
    expect(isInZone(zone, { x: 2.01, y: -8 })).toBe(false);
    expect(isInZone(zone, { x: 1, y: -8.51 })).toBe(false);
  });
});
