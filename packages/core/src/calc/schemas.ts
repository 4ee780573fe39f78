import { z } from 'zod';
import { launchSchema } from '../drill/index.ts';
import { ballIdSchema, LEVELS, STROKES, surfaceIdSchema } from '../sport/index.ts';

const finite = z.number();

const airSchema = z
  .strictObject({
    temperatureC: finite.min(-60).max(60).default(20).describe('°C'),
    altitudeM: finite.min(-500).max(9000).optional().describe('m above sea level; instead of pressureHpa'),
    pressureHpa: finite.min(300).max(1100).optional().describe('station pressure, hPa'),
    relativeHumidity: finite.min(0).max(1).default(0.5),
    densityKgM3: finite.min(0).max(2).optional().describe('kg/m³; overrides the rest'),
  })
  .refine((air) => air.altitudeM === undefined || air.pressureHpa === undefined, {
    path: ['pressureHpa'],
    message: 'give altitudeM or pressureHpa, not both',
  });

const windSchema = z.strictObject({ xMps: finite.min(-60).max(60), yMps: finite.min(-60).max(60) });

const surfaceSchema = z.union([
  surfaceIdSchema,
  z.strictObject({
    restitution: finite.min(0).max(1),
    friction: finite.min(0).max(2),
    tangentialRestitution: finite.min(0).max(1).default(0),
  }),
]);

const setting = {
  ball: ballIdSchema,
  air: airSchema,
  wind: windSchema.default({ xMps: 0, yMps: 0 }),
  surface: surfaceSchema,
};

const point = { x: finite.min(-500).max(500), y: finite.min(-500).max(500), z: finite.min(0).max(100) };
const calcLaunchSchema = launchSchema.extend({
  ...point,
  speedMps: finite.min(0).max(120),
  topspinRpm: finite.min(-12000).max(12000).default(0),
  sidespinRpm: finite.min(-12000).max(12000).default(0),
  gyroRpm: finite.min(-12000).max(12000).default(0),
});

export const flyInSchema = z.strictObject({
  ...setting,
  launch: calcLaunchSchema,
  planesY: z.array(finite).max(64).default([]),
  maxBounces: z.int().min(0).max(50).default(1),
});

const bounceOut = z.strictObject({
  t: finite,
  x: finite,
  y: finite,
  speedInMps: finite,
  angleInDeg: finite,
  speedOutMps: finite.optional(),
  angleOutDeg: finite.optional(),
  spinOutRpm: finite.optional(),
  contact: z.enum(['grip', 'slide']).optional(),
});
export const flyOutSchema = z.strictObject({
  airDensityKgM3: finite,
  apex: z.strictObject({ t: finite, x: finite, y: finite, z: finite }),
  bounces: z.array(bounceOut),
  crossings: z.array(
    z.strictObject({ planeY: finite, leg: z.int(), t: finite, x: finite, z: finite, speedMps: finite, descentDeg: finite }),
  ),
});

const pair = (lo: number, hi: number) =>
  z.tuple([finite.min(lo).max(hi), finite.min(lo).max(hi)]).refine(([a, b]) => a <= b, 'the lower limit comes first');

export const aimInSchema = z.strictObject({
  ...setting,
  surface: surfaceSchema.optional(),
  from: z.strictObject(point),
  spin: z
    .strictObject({
      topspinRpm: finite.min(-12000).max(12000),
      sidespinRpm: finite.min(-12000).max(12000),
      gyroRpm: finite.min(-12000).max(12000),
    })
    .partial()
    .default({}),
  target: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('landing'), x: point.x, y: point.y }),
    z.strictObject({ kind: z.literal('plane'), planeY: point.y, x: point.x, z: point.z }),
  ]),
  hold: z.union(
    [
      z.strictObject({ speedMps: finite.min(0.5).max(120) }),
      z.strictObject({ elevationDeg: finite.min(-89).max(89) }),
      z.strictObject({ netClearanceM: finite.min(-1).max(30) }),
      z.strictObject({ flightTimeS: finite.min(0.02).max(12) }),
    ],
    { error: 'exactly one of speedMps, elevationDeg, netClearanceM, flightTimeS, inside its range' },
  ),
  limits: z
    .strictObject({ speedMps: pair(0, 120), elevationDeg: pair(-90, 90) })
    .partial()
    .default({}),
});

const nearestOut = z.strictObject({
  speedMps: finite,
  elevationDeg: finite,
  bearingDeg: finite,
  netClearanceM: finite.nullable(),
  x: finite,
  y: finite,
  missM: finite,
});
export const aimOutSchema = z.strictObject({
  solutions: z.array(
    z.strictObject({
      arc: z.enum(['low', 'high', 'only']),
      speedMps: finite,
      elevationDeg: finite,
      bearingDeg: finite,
      flightTimeS: finite,
      netClearanceM: finite.nullable(),
    }),
  ),
  reason: z.strictObject({ code: z.string(), text: z.string(), nearest: nearestOut.nullable() }).nullable(),
});

const spot = z.strictObject({ x: finite, y: finite });
export const intervalInSchema = z.strictObject({
  level: z.enum(LEVELS),
  stroke: z.enum(STROKES),
  doubtBits: finite.min(0).max(20),
  intervalS: finite.min(0).max(600),
  balls: z
    .array(z.strictObject({ flightS: finite.min(0).max(30), contact: spot }))
    .min(1)
    .max(1000),
  recover: spot.nullable().default(null),
  shadowSwings: z.int().min(0).max(10).default(0),
});
export const intervalOutSchema = z.strictObject({
  balls: z.array(z.strictObject({ reactionRatio: finite, availableS: finite, neededS: finite, turnaroundRatio: finite })),
  comfort: z.enum(['calm', 'working', 'rushed', 'too quick']),
  shortestIntervalS: finite,
});
