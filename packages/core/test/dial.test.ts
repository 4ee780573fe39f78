import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  ballById,
  type CurveShape,
  capability,
  clicksFor,
  curveAt,
  curveGradient,
  type Dial,
  type DialCurve,
  dialSchema,
  dialValue,
  expectedRange,
  FIRST_SCALE,
  firstDials,
  MACHINE_KINDS,
  machineProfileSchema,
  onClick,
  parseReading,
  printReading,
  readingFor,
  readingsOf,
  SCALE_KINDS,
  type Scale,
  scaleSchema,
  spinAxisDeg,
  throwOf,
  wheelsFor,
} from '../src/index.ts';

const kindOf = (kind: string) => MACHINE_KINDS.find((each) => each.kind === kind)!;
const scale = fc.constantFrom(...SCALE_KINDS).map((kind): Scale => FIRST_SCALE[kind]);
const shape = fc
  .tuple(
    fc.double({ min: -20, max: 40, noNaN: true }),
    fc.array(fc.double({ min: -2, max: 4, noNaN: true }), { minLength: 5, maxLength: 5 }),
    fc.boolean(),
  )
  .map(([middle, slopes, falling]): CurveShape => ({ params: [middle, ...slopes], falling }));
const curve = (params: number[], falling = false): DialCurve => ({
  params,
  covariance: params.map((_, i) => params.map((__, j) => (i === j ? 1e-4 : 0))),
  df: 20,
  falling,
  tunedAt: '2026-05-01T10:00:00.000Z',
  balls: 15,
  ballId: 'tennis-standard',
  temperatureC: 20,
});
/** A straight curve from `lo` to `hi` over the scale. */
const straight = (lo: number, hi: number): DialCurve =>
  curve([(lo + hi) / 2, ...Array<number>(5).fill(Math.log(Math.abs(hi - lo)))], hi < lo);

describe('scales', () => {
  test('what is printed is read back, for every mark of every kind of scale', () => {
    for (const kind of SCALE_KINDS)
      for (const reading of readingsOf(FIRST_SCALE[kind])) {
        const said = printReading(FIRST_SCALE[kind], reading);
        expect(parseReading(FIRST_SCALE[kind], said), `${kind}: ${said}`).toBeCloseTo(reading, 9);
      }
  });
  test.each([
    ['numbers', '4½', 4.5],
    ['numbers', '4 1/2', 4.5],
    ['numbers', '4,5', 4.5],
    ['fractions', 'a third', 1 / 3],
    ['fractions', '5/8', 0.625],
    ['pins', 'pin 3', 3],
    ['notches', 'Notch 2', 2],
    ['colours', 'Orange', 3],
    ['turns', '1⅛ turns out', 1.125],
    ['turns', '1/8 turn in', -0.125],
    ['turns', 'at zero', 0],
    ['numbers', '−2', -2],
    ['numbers', '', null],
    ['numbers', 'fast', null],
    ['numbers', '-', null],
    ['fractions', '1/0', null],
  ] as const)('%s: “%s”', (kind, said, reading) => {
    const read = parseReading(FIRST_SCALE[kind], said);
    if (reading === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(reading, 9);
  });
  test('a reading is set on the nearest click inside the scale', () => {
    fc.assert(
      fc.property(scale, fc.double({ min: -50, max: 50, noNaN: true }), (each, reading) => {
        const set = onClick(each, reading);
        expect(set).toBeGreaterThanOrEqual(each.lo);
        expect(set).toBeLessThanOrEqual(each.hi);
        if (reading > each.lo && reading < each.hi) expect(Math.abs(set - reading)).toBeLessThanOrEqual(each.click / 2 + 1e-9);
        expect(onClick(each, set)).toBe(set);
      }),
    );
  });
  test.each([
    [{ ...FIRST_SCALE.numbers, hi: 0 }, '/hi'],
    [{ ...FIRST_SCALE.numbers, click: 0 }, '/click'],
    [{ ...FIRST_SCALE.numbers, click: 20 }, '/click'],
    [{ ...FIRST_SCALE.colours, names: ['red'] }, '/names'],
  ])('a scale that cannot be is refused at its field', (bad, field) => {
    const { error } = scaleSchema.safeParse(bad);
    expect(error!.issues.map(({ path }) => `/${path.join('/')}`)).toContain(field);
  });
});

describe('curves', () => {
  test('rise all the way, or fall all the way, whatever their parameters', () => {
    fc.assert(
      fc.property(shape, (each) => {
        for (let u = 0; u < 1; u += 0.05) expect(Math.sign(curveAt(each, u + 0.05) - curveAt(each, u))).toBe(each.falling ? -1 : 1);
      }),
    );
  });
  test('gradients agree with differences', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0, max: 1, noNaN: true }), (each, u) => {
        curveGradient(each, u).forEach((slope, i) => {
          const moved = (by: number): number => curveAt({ ...each, params: each.params.map((p, j) => (j === i ? p + by : p)) }, u);
          const difference = (moved(1e-4) - moved(-1e-4)) / 2e-4;
          expect(Math.abs(slope - difference)).toBeLessThan(1e-5 * (1 + Math.abs(difference)));
        });
      }),
    );
  });
  test('the reading for a value gives that value', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0, max: 1, noNaN: true }), (each, u) => {
        const wanted = curveAt(each, u);
        const { reading, beyond } = readingFor(FIRST_SCALE.numbers, each, wanted);
        expect(beyond).toBe(0);
        expect(Math.abs(curveAt(each, reading / 10) - wanted)).toBeLessThan(1e-6 * (1 + Math.abs(wanted)));
      }),
    );
  });
});

describe('wheels', () => {
  const radiusM = ballById('baseball').radiusM;
  test.each([
    ['two, above and below', [0, 180], { speedMps: 30, topspinRpm: -1800, sidespinRpm: 0 }],
    ['two, left and right', [270, 90], { speedMps: 30, topspinRpm: 0, sidespinRpm: 900 }],
    ['three', [300, 60, 180], { speedMps: 35, topspinRpm: -1500, sidespinRpm: 1100 }],
  ] as const)('%s: a throw and back', (_name, angles, thrown) => {
    const back = throwOf(wheelsFor(thrown, angles, radiusM), angles, radiusM);
    expect(back.speedMps).toBeCloseTo(thrown.speedMps, 9);
    expect(back.topspinRpm).toBeCloseTo(thrown.topspinRpm, 6);
    expect(back.sidespinRpm).toBeCloseTo(thrown.sidespinRpm, 6);
  });
  test('the faster wheel on top makes topspin; a right wheel that is faster curves it left', () => {
    expect(throwOf([32, 28], [0, 180], radiusM).topspinRpm).toBeGreaterThan(0);
    expect(throwOf([28, 32], [270, 90], radiusM).sidespinRpm).toBeLessThan(0);
    expect(spinAxisDeg({ speedMps: 30, topspinRpm: 500, sidespinRpm: 0 })).toBe(0);
    expect(spinAxisDeg({ speedMps: 30, topspinRpm: 0, sidespinRpm: 500 })).toBe(270);
    expect(spinAxisDeg({ speedMps: 30, topspinRpm: 0, sidespinRpm: 0 })).toBeNull();
  });
  // handbook of mechanics, quoted from memory: a ball gripped without slip between wheels of skin speed w1 and w2 spins at (w1 − w2)/2R
  test('two wheels 5 mph apart give (w1 − w2)/2R', () => {
    const [w1, w2] = [31.1, 28.9];
    const { topspinRpm } = throwOf([w1, w2], [0, 180], radiusM);
    expect(topspinRpm).toBeCloseTo((((w1 - w2) / (2 * radiusM)) * 60) / (2 * Math.PI), 6);
  });
});

describe('every generic kind', () => {
  test.each(MACHINE_KINDS.map((profile) => [profile.kind, profile] as const))(
    '%s: its record and its dials are whole',
    (_kind, profile) => {
      expect(machineProfileSchema.parse(profile)).toEqual(profile);
      const dials = firstDials(profile);
      for (const dial of dials) {
        expect(dialSchema.parse(dial)).toEqual(dial);
        const [lo, hi] = expectedRange(profile, dial.moves);
        expect(lo).toBeLessThanOrEqual(hi);
        if (dial.wheel) expect(dial.wheel).toBeLessThanOrEqual(profile.wheelsDeg.length);
      }
      expect(new Set(dials.map(({ id }) => id)).size).toBe(dials.length);
      if (profile.spin.kind === 'topspin') expect(profile.wheelsDeg).toHaveLength(2);
    },
  );
  test('a record of before a field was added takes its default', () => {
    const { wheelsDeg: _w, power: _p, safety: _s, massKg: _m, widestBallM: _b, bearingReachDeg: _r, ...old } = kindOf('Two-wheel portable');
    expect(machineProfileSchema.parse(old)).toMatchObject({ wheelsDeg: [], power: 'battery', safety: '' });
  });
});

describe('capability', () => {
  const profile = kindOf('Two-wheel portable');
  const dials = firstDials(profile).map(
    (dial): Dial => ({
      ...dial,
      curve:
        dial.moves === 'interval' ? straight(12, 2) : dial.moves === 'topspin' ? null : straight(...expectedRange(profile, dial.moves)),
    }),
  );
  const launch = { speedMps: 17, elevationDeg: 20, bearingDeg: 185, topspinRpm: 600, sidespinRpm: 0 };
  const radiusM = ballById('tennis-standard').radiusM;

  test('dial values on their clicks, what they give, and what is not tuned', () => {
    const { can, settings, untuned, short } = capability({ profile, dials }, launch, radiusM, 180, 4);
    expect(can).toBe(true);
    expect(short).toEqual([]);
    expect(settings.map(({ name }) => name)).toEqual(['Speed', 'Elevation', 'Feed']);
    for (const { dialId, reading, gives, off, text } of settings) {
      const dial = dials.find(({ id }) => id === dialId)!;
      expect(onClick(dial.scale, reading)).toBe(reading);
      expect(dialValue(dial.scale, dial.curve!, reading).value).toBeCloseTo(gives, 9);
      const [a, b] = [dial.scale.lo, dial.scale.lo + dial.scale.click].map((at) => dialValue(dial.scale, dial.curve!, at).value);
      expect(Math.abs(off)).toBeLessThanOrEqual(Math.abs(b! - a!) / 2 + 1e-6);
      expect(text).toBe(printReading(dial.scale, reading));
    }
    expect(untuned.map(({ name }) => name)).toEqual(['Spin']);
  });
  test('what it cannot do, with the nearest it can, and who has to walk', () => {
    const { can, short, byHand, settings } = capability(
      { profile, dials },
      { ...launch, speedMps: 40, topspinRpm: 3000, sidespinRpm: 500 },
      radiusM,
    );
    expect(can).toBe(false);
    expect(short).toEqual([
      { what: 'speed', wanted: 40, nearest: profile.speedMps[1] },
      { what: 'topspin', wanted: 3000, nearest: 2000 },
      { what: 'sidespin', wanted: 500, nearest: 0 },
    ]);
    expect(byHand).toContain('walk');
    expect(settings.find(({ name }) => name === 'Speed')!.reading).toBe(10);
  });
  test('a turn beyond its sweep is made by hand; a program turns only so far', () => {
    expect(capability({ profile, dials }, { ...launch, bearingDeg: 210 }, radiusM, 180).byHand).toContain('turn');
    expect(capability({ profile, dials }, { ...launch, bearingDeg: 190 }, radiusM, 180).byHand).not.toContain('turn');
    const programmable = kindOf('Programmable court machine');
    const far = capability({ profile: programmable, dials: [] }, { ...launch, bearingDeg: 210 }, radiusM, 180);
    expect(far.short).toEqual([{ what: 'bearing', wanted: 30, nearest: 20 }]);
    expect(far.byHand).toEqual(['program']);
  });
  test('slower for today: a higher mark for the same ball', () => {
    const at = (speedShare: number): number => capability({ profile, dials, speedShare }, launch, radiusM).settings[0]!.reading;
    expect(at(0.9)).toBeGreaterThan(at(1));
  });
  test('a hole and a fine screw: the hole first, the screw makes up the rest', () => {
    const thrower = kindOf('Lever-arm thrower');
    const both = firstDials(thrower)
      .filter(({ id }) => id === 'release' || id === 'screw')
      .map((dial): Dial => ({ ...dial, curve: dial.id === 'release' ? straight(0, 20) : straight(-3, 3) }));
    const { settings } = capability({ profile: thrower, dials: both }, { ...launch, speedMps: 16.5, elevationDeg: 11.6 }, radiusM);
    const total = settings.reduce((sum, { gives }) => sum + gives, 0);
    expect(settings.find(({ dialId }) => dialId === 'release')!.reading).toBe(3);
    expect(Math.abs(total - 11.6)).toBeLessThan(0.1);
  });
  test('a trim in this machine’s own clicks, the finest dial first; less than half a click is none', () => {
    const [speed, , elevation] = dials as [Dial, Dial, Dial];
    const readings = { [speed.id]: 5, [elevation.id]: 4 };
    const [up] = clicksFor(dials, 'elevation', 3, readings);
    expect(up).toMatchObject({ dialId: elevation.id, clicks: 1, reading: 4.5 });
    expect(up!.change).toBeCloseTo(2.5, 6);
    expect(clicksFor(dials, 'elevation', -6, readings)[0]).toMatchObject({ clicks: -2 });
    expect(clicksFor(dials, 'elevation', 0.4, readings)).toEqual([]);
    expect(clicksFor(dials, 'topspin', 500, readings)).toEqual([]);
  });
  test('wheels: two dials for speed and spin together', () => {
    const pitching = kindOf('Two-wheel pitching machine');
    const wheels = firstDials(pitching).map((dial): Dial => ({ ...dial, curve: dial.moves === 'wheel' ? straight(8, 40) : null }));
    const { settings } = capability(
      { profile: pitching, dials: wheels },
      { ...launch, speedMps: 30, topspinRpm: -1500, sidespinRpm: 0 },
      ballById('baseball').radiusM,
    );
    const [top, bottom] = settings;
    expect(bottom!.gives - top!.gives).toBeGreaterThan(8); // backspin: the lower wheel is the faster one
    expect(throwOf([top!.gives, bottom!.gives], [0, 180], ballById('baseball').radiusM).speedMps).toBeCloseTo(30, 0);
  });
});
