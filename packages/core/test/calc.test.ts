import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { CALC_VERBS, calc, calcJsonSchemas, type Problem } from '../src/calc/index.ts';

/** The examples of the calc interface, as written there. */
const FLY = {
  ball: 'tennis-standard',
  air: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 },
  wind: { xMps: 0, yMps: 0 },
  surface: { restitution: 0.75, friction: 0.6, tangentialRestitution: 0 },
  launch: { x: 0, y: 11.9, z: 0.7, speedMps: 30, elevationDeg: 8, bearingDeg: 180, topspinRpm: 1500, sidespinRpm: 0, gyroRpm: 0 },
  planesY: [0, -11.885],
  maxBounces: 1,
};
const AIM = {
  ball: 'tennis-standard',
  air: FLY.air,
  wind: FLY.wind,
  surface: 'tennis-clay',
  from: { x: 0, y: 11.9, z: 0.7 },
  spin: { topspinRpm: 1500, sidespinRpm: 0, gyroRpm: 0 },
  target: { kind: 'landing', x: 1, y: -9 },
  hold: { elevationDeg: 12 },
  limits: { speedMps: [5, 40], elevationDeg: [0, 50] },
};
const INTERVAL = {
  level: 'Building',
  stroke: 'groundstroke',
  doubtBits: 0,
  intervalS: 4,
  balls: [{ flightS: 1.3, contact: { x: 0, y: -12 } }],
  recover: null,
  shadowSwings: 0,
};

const answer = (verb: string, document: unknown): Record<string, never> => {
  const result = calc(verb, document);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.answer as Record<string, never>;
};
const problem = (verb: string, document: unknown): Problem => {
  const result = calc(verb, document);
  if (result.ok) throw new Error('was accepted');
  return result.problem;
};

describe('answers', () => {
  test('fly: one bounce more than allowed, without its “out” figures; crossings in order of time', () => {
    const out = answer('fly', FLY) as unknown as {
      bounces: Record<string, unknown>[];
      crossings: { planeY: number; leg: number; t: number }[];
      airDensityKgM3: number;
    };
    expect(out.airDensityKgM3).toBeCloseTo(1.199, 3);
    expect(out.bounces).toHaveLength(2);
    expect(out.bounces[0]).toHaveProperty('spinOutRpm');
    expect(out.bounces[1]).not.toHaveProperty('spinOutRpm');
    expect(out.crossings.map(({ planeY, leg }) => [planeY, leg])).toEqual([
      [0, 0],
      [-11.885, 1],
    ]);
  });
  test('an answer to an aim, flown, gives the landing spot', () => {
    const { solutions } = answer('aim', AIM) as unknown as { solutions: Record<string, number>[] };
    const { speedMps, elevationDeg, bearingDeg } = solutions[0]!;
    const flown = answer('fly', {
      ...FLY,
      surface: 'tennis-clay',
      launch: { ...FLY.launch, speedMps, elevationDeg, bearingDeg },
    }) as unknown as { bounces: { x: number; y: number }[] };
    expect(Math.hypot(flown.bounces[0]!.x - 1, flown.bounces[0]!.y + 9)).toBeLessThan(0.001);
  });
  test('an impossible question is answered with no solutions and a reason', () => {
    const out = answer('aim', { ...AIM, hold: { elevationDeg: 60 } }) as unknown as { solutions: unknown[]; reason: { code: string } };
    expect(out.solutions).toEqual([]);
    expect(out.reason.code).toBe('elevation-too-high');
  });
  test('interval: available and needed time of one repeating ball', () => {
    const out = answer('interval', INTERVAL) as unknown as { comfort: string; balls: { availableS: number; neededS: number }[] };
    expect(out.balls[0]).toMatchObject({ availableS: 4, neededS: 0.5 + 0.29 });
    expect(out.comfort).toBe('calm');
  });
  test('every answer fits its own schema', () => {
    for (const [verb, document] of [
      ['fly', FLY],
      ['aim', AIM],
      ['interval', INTERVAL],
    ] as const) {
      expect(CALC_VERBS[verb]!.output.safeParse(answer(verb, document)).success, verb).toBe(true);
    }
  });
});

describe('bad input names the field, what was wrong and what would be right', () => {
  test.each<[string, string, unknown, string, RegExp]>([
    ['unknown key', 'fly', { ...FLY, windy: 1 }, '/windy', /not known/],
    ['unknown key inside', 'fly', { ...FLY, launch: { ...FLY.launch, speedMph: 3 } }, '/launch/speedMph', /not known/],
    ['wrong type', 'fly', { ...FLY, launch: { ...FLY.launch, speedMps: '30' } }, '/launch/speedMps', /number/],
    ['missing', 'aim', { ...AIM, from: { x: 0, y: 1 } }, '/from/z', /number/],
    ['no such ball', 'fly', { ...FLY, ball: 'golf' }, '/ball', /tennis-standard/],
    ['in the ground', 'fly', { ...FLY, launch: { ...FLY.launch, z: 0 } }, '/launch/z', /radius/],
    ['two holds', 'aim', { ...AIM, hold: { speedMps: 20, elevationDeg: 10 } }, '/hold', /exactly one/],
    ['limits the wrong way round', 'aim', { ...AIM, limits: { speedMps: [40, 5] } }, '/limits/speedMps', /lower limit/],
    ['on the same spot', 'aim', { ...AIM, target: { kind: 'landing', x: 0, y: 11.9 } }, '/target', /5 cm/],
    ['altitude and pressure', 'fly', { ...FLY, air: { ...FLY.air, pressureHpa: 1000 } }, '/air/pressureHpa', /not both/],
    ['no balls', 'interval', { ...INTERVAL, balls: [] }, '/balls', /1/],
    ['not an object', 'fly', 7, '', /object/],
    ['no such verb', 'bend', {}, '', /fly, aim, interval/],
  ])('%s', (_name, verb, document, pointer, detail) => {
    const { errors, status } = problem(verb, document);
    expect(status).toBe(400);
    expect(errors.map((each) => each.pointer)).toContain(pointer);
    expect(errors.map((each) => each.detail).join(' ')).toMatch(detail);
  });
});

test('the JSON Schemas in docs/schema are those of the code (./arc schemas writes them)', () => {
  for (const [name, schema] of Object.entries(calcJsonSchemas())) {
    expect(JSON.parse(readFileSync(new URL(`../../../docs/schema/${name}`, import.meta.url), 'utf8')), name).toEqual(
      JSON.parse(JSON.stringify(schema)),
    );
  }
});
