import { z } from 'zod';
import { MEETINGS } from '../aim/index.ts';
import { ballIdSchema, diamondOf, LEVELS, SPORTS, STROKES, surfaceIdSchema } from '../catalog/index.ts';
import { COMFORTS, launchSchema } from '../drill/index.ts';
import { APPROACHES, FIRST_SHARE, NEXT_CODES, VERDICTS } from '../progress/index.ts';

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

const questionOnly = {
  ...setting,
  from: z.strictObject(point),
  spin: z
    .strictObject({
      topspinRpm: finite.min(-12000).max(12000),
      sidespinRpm: finite.min(-12000).max(12000),
      gyroRpm: finite.min(-12000).max(12000),
    })
    .partial()
    .default({}),
  limits: z
    .strictObject({ speedMps: pair(0, 120), elevationDeg: pair(-90, 90) })
    .partial()
    .default({}),
};
const questionFields = {
  ...questionOnly,
  surface: surfaceSchema.optional(),
  target: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('landing'), x: point.x, y: point.y }),
    z.strictObject({ kind: z.literal('plane'), planeY: point.y, x: point.x, z: point.z }),
  ]),
};

export const aimInSchema = z.strictObject({
  ...questionFields,
  hold: z.union(
    [
      z.strictObject({ speedMps: finite.min(0.5).max(120) }),
      z.strictObject({ elevationDeg: finite.min(-89).max(89) }),
      z.strictObject({ netClearanceM: finite.min(-1).max(30) }),
      z.strictObject({ flightTimeS: finite.min(0.02).max(12) }),
    ],
    { error: 'exactly one of speedMps, elevationDeg, netClearanceM, flightTimeS, inside its range' },
  ),
});

const reasonOut = z.strictObject({ code: z.string(), text: z.string() });

export const meetInSchema = z.strictObject({
  ...questionOnly,
  meet: z.strictObject({ ...point, on: z.enum(MEETINGS) }),
  hold: z
    .union(
      [
        z.strictObject({ speedMps: finite.min(0.5).max(120) }),
        z.strictObject({ elevationDeg: finite.min(-89).max(89) }),
        z.strictObject({ timeS: finite.min(0.02).max(12) }),
      ],
      { error: 'exactly one of speedMps, elevationDeg, timeS, inside its range; null for all of them' },
    )
    .nullable()
    .default(null),
  count: z.int().min(1).max(200).default(25),
});
export const meetOutSchema = z.strictObject({
  solutions: z.array(
    z.strictObject({
      speedMps: finite,
      elevationDeg: finite,
      bearingDeg: finite,
      timeS: finite,
      landing: z.strictObject({ x: finite, y: finite }).nullable(),
      netClearanceM: finite.nullable(),
      descentDeg: finite,
      topAfterBounceM: finite.nullable(),
    }),
  ),
  reason: reasonOut.nullable(),
});

export const familyInSchema = z.strictObject({ ...questionFields, count: z.int().min(1).max(200).default(25) });
export const familyOutSchema = z.strictObject({
  arcs: z.array(
    z.strictObject({
      speedMps: finite,
      elevationDeg: finite,
      bearingDeg: finite,
      flightTimeS: finite,
      netClearanceM: finite.nullable(),
      descentDeg: finite,
      apexM: finite,
    }),
  ),
  blocked: z.array(
    z.strictObject({ code: z.string(), text: z.string(), elevationDeg: z.tuple([finite, finite]), speedMps: z.tuple([finite, finite]) }),
  ),
  /** Null when there are arcs. */
  reason: reasonOut.nullable(),
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
  /** Entry k is about getting from ball k to ball k + 1. */
  balls: z.array(z.strictObject({ spareS: finite, availableS: finite, needS: finite, ratio: finite, word: z.enum(COMFORTS) })),
  /** The worst of them. */
  word: z.enum(COMFORTS),
  /** Null when a ball itself is too quick for it. */
  shortestWorkingS: finite.nullable(),
  shortestCalmS: finite.nullable(),
});

export const spreadInSchema = flyInSchema.extend({
  repeatability: z.strictObject({
    speedPct: finite.min(0).max(50),
    elevationDeg: finite.min(0).max(20),
    bearingDeg: finite.min(0).max(20),
    spinPct: finite.min(0).max(100),
  }),
  gustMps: finite.min(0).max(30).default(0),
  target: z.strictObject({
    kind: z.literal('rect'),
    x: point.x,
    y: point.y,
    widthM: finite.min(0).max(200),
    depthM: finite.min(0).max(200),
  }),
  samples: z.int().min(2).max(200_000).default(10_000),
  seed: z.int().min(0).max(4_294_967_295).default(1),
});

const covOut = z.strictObject({ xx: finite, xy: finite, yy: finite });
const meanOut = z.strictObject({ x: finite, y: finite });
const chancesOut = z.strictObject({ net: finite, inTarget: finite, short: finite, long: finite, wide: finite });
export const spreadOutSchema = z.strictObject({
  mean: meanOut,
  cov: covOut,
  chance: chancesOut,
  standardError: chancesOut,
  linear: z.strictObject({ mean: meanOut, cov: covOut, chanceInTarget: finite }),
});

const speed = finite.gt(0).max(120);
const away = finite.gt(0).max(500);
const ratioSide = z.strictObject({ speedMps: speed.optional(), distanceM: away.optional() });
const release = z.strictObject({
  speedMps: speed.optional(),
  releaseM: away.optional(),
  heightM: finite.min(0.02).max(10),
  topspinRpm: finite.min(-12000).max(12000).default(0),
});
export const paceInSchema = z.discriminatedUnion('mode', [
  z.strictObject({ mode: z.literal('ratio'), machine: ratioSide, game: ratioSide }),
  z.strictObject({
    mode: z.literal('flight'),
    ball: ballIdSchema,
    air: airSchema,
    contact: z.strictObject({ y: finite.min(-50).max(50), z: finite.min(0.02).max(5) }),
    game: release,
    machine: release,
  }),
]);
const ratioSideOut = z.strictObject({ speedMps: finite, distanceM: finite, timeS: finite });
const releaseOut = z.strictObject({ speedMps: finite, releaseM: finite, heightM: finite, topspinRpm: finite, timeS: finite });
export const paceOutSchema = z.union([
  z.strictObject({ mode: z.literal('ratio'), machine: ratioSideOut, game: ratioSideOut, timeS: finite }),
  z.strictObject({
    mode: z.literal('flight'),
    ball: z.string(),
    air: airSchema,
    contact: z.strictObject({ y: finite, z: finite }),
    game: releaseOut,
    machine: releaseOut,
    timeS: finite,
    ratioAnswer: finite,
  }),
  z.strictObject({ mode: z.literal('flight'), reason: z.strictObject({ code: z.literal('out-of-reach'), text: z.string() }) }),
]);

const count = z.strictObject({ hits: z.int().min(0).max(100_000), balls: z.int().min(0).max(100_000) });
const hitsWithin = ({ hits, balls }: { hits: number; balls: number }): boolean => hits <= balls;
const NOT_MORE = { path: ['hits'], message: 'Must not be more than balls' };
const rateOut = z.tuple([finite, finite]);
const needIn = z.union([
  z
    .strictObject({ hits: z.int().min(1).max(1000), of: z.int().min(1).max(1000) })
    .refine(({ hits, of }) => hits <= of, { path: ['hits'], message: 'Must not be more than of' }),
  z.strictObject({ streak: z.int().min(1).max(1000) }),
]);
export const gateInSchema = count
  .extend({ approach: z.enum(APPROACHES), longestRun: z.int().min(0).max(100_000).optional(), need: needIn.optional() })
  .refine(hitsWithin, NOT_MORE)
  .refine(({ longestRun, hits }) => longestRun === undefined || longestRun <= hits, {
    path: ['longestRun'],
    message: 'Must not be more than hits',
  })
  .refine(({ approach, longestRun }) => approach !== 'in-a-row' || longestRun !== undefined, {
    path: ['longestRun'],
    message: 'In a row needs the longest run of hits',
  })
  .refine(({ approach, need }) => approach !== 'in-a-row' || (need !== undefined && 'streak' in need), {
    path: ['need'],
    message: 'In a row needs {"streak": a whole number}',
  })
  .refine(({ approach, need }) => approach !== 'earn-it' || (need !== undefined && 'hits' in need), {
    path: ['need'],
    message: 'Earn it needs {"hits", "of"}',
  });
export const gateOutSchema = z.strictObject({
  /** Null while no ball has counted. */
  rate: finite.nullable(),
  interval: rateOut,
  verdict: z.enum(VERDICTS),
  reason: z.string(),
});

export const widthInSchema = z
  .strictObject({
    widthM: finite.gt(0).max(1000),
    hits: z.int().min(0).max(100_000),
    balls: z.int().min(1).max(100_000),
    wantedRate: finite.gt(0).lt(1),
  })
  .refine(hitsWithin, NOT_MORE);
export const widthOutSchema = z.strictObject({ widthM: finite, sigmaM: finite });

const thrown = z.strictObject({ hits: z.int().min(0).max(100_000), balls: z.int().min(1).max(100_000) }).refine(hitsWithin, NOT_MORE);
export const compareInSchema = z.strictObject({ a: thrown, b: thrown });
export const compareOutSchema = z.strictObject({ difference: finite, interval: rateOut, different: z.boolean() });

export const streakInSchema = z.strictObject({ rate: finite.min(0).max(1), streak: z.int().min(1).max(1000) });
export const streakOutSchema = z.strictObject({
  /** Null when it never comes. */
  expectedBalls: finite.nullable(),
  reason: z.strictObject({ code: z.literal('never'), text: z.string() }).optional(),
});

const BAND_IDS = [...new Set(SPORTS.flatMap((sport) => diamondOf(sport)?.bands.map(({ id }) => id) ?? []))];
const HITTING = SPORTS.filter((sport) => diamondOf(sport));
export const pitchInSchema = z.strictObject({
  sport: z.enum(HITTING),
  band: z.enum(BAND_IDS),
  timeToPlateS: finite.gt(0).max(10),
  hard: z.boolean(),
  rubberFt: finite.gt(0).max(100).optional().describe('which of the band’s fields; its first without'),
});
export const pitchOutSchema = z.strictObject({ gameTimeS: finite, share: finite, word: z.enum(COMFORTS), unsafe: z.boolean() });

export const targetInSchema = z
  .strictObject({
    level: z.enum(LEVELS).optional(),
    scatter: z.strictObject({ sideDeg: finite.gt(0).max(45), depthShare: finite.gt(0).max(2) }).optional(),
    distanceM: finite.gt(0).max(200),
    share: finite.gt(0).lt(1).default(FIRST_SHARE),
  })
  .refine(({ level, scatter }) => (level === undefined) !== (scatter === undefined), {
    path: ['level'],
    message: 'Give level or scatter, one of the two',
  });
export const targetOutSchema = z.strictObject({ widthM: finite, depthM: finite });

const attempt = {
  day: finite.describe('any number that grows by 1 a day'),
  distanceM: finite.gt(0).max(200),
  widthM: finite.gt(0).max(200),
  depthM: finite.gt(0).max(200),
  demand: finite.min(0).max(1).describe('0 kind to 1, the game and more'),
};
const interval90 = z.tuple([finite, finite]);
export const scatterInSchema = z.strictObject({
  level: z.enum(LEVELS),
  rounds: z
    .array(count.extend(attempt).refine(hitsWithin, NOT_MORE))
    .max(10_000)
    .describe('one player, one stroke, oldest first')
    .refine(
      (rounds) => rounds.every(({ day }, i) => i === 0 || day >= rounds[i - 1]!.day),
      'Oldest first: a day must not be before the one above it',
    ),
  ask: z.array(z.strictObject(attempt)).max(1000).default([]),
});
export const scatterOutSchema = z.strictObject({
  now: z.strictObject({ sideDeg: finite, depthShare: finite, interval90 }),
  ask: z.array(z.strictObject({ share: finite, interval90 })),
});

export const verdictInSchema = z
  .strictObject({
    approach: z.enum(APPROACHES),
    need: needIn.nullable().describe('null where no ball counts'),
    rounds: z
      .array(
        count
          .extend({ longestRun: z.int().min(0).max(100_000).optional() })
          .refine(hitsWithin, NOT_MORE)
          .refine(({ longestRun, hits }) => longestRun === undefined || longestRun <= hits, {
            path: ['longestRun'],
            message: 'Must not be more than hits',
          }),
      )
      .max(10_000)
      .describe('newest first, all on one card'),
    roundsAsked: z.int().min(1).max(50).default(1),
  })
  .refine(({ need, rounds }) => need === null || !('streak' in need) || rounds.every(({ longestRun }) => longestRun !== undefined), {
    path: ['rounds'],
    message: 'A streak needs the longest run of hits of every round',
  });
export const verdictOutSchema = z.strictObject({
  verdict: z.enum(VERDICTS),
  code: z.enum(NEXT_CODES),
  figures: z.strictObject({
    rounds: z.int(),
    hits: z.int(),
    balls: z.int(),
    longestRun: z.int(),
    best: z.strictObject({ hits: z.int(), balls: z.int() }),
    need: needIn.nullable(),
    roundsAsked: z.int(),
  }),
});
