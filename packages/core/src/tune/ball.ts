import { z } from 'zod';
import { ballIdSchema, surfaceIdSchema } from '../catalog/index.ts';
import { nameSchema, weatherSchema } from '../drill/index.ts';

/** How well a spot is known, 1 σ in m. Our own figures, common practice, no source. */
export const MARK_SIGMA_M = { eye: 0.3, measured: 0.05 } as const;
/** Two touches on a stopwatch, s: common practice, no source. */
export const STOPWATCH_SIGMA_S = 0.1;
/** A hand-held radar gun, m/s (about ½ mph): common practice, no source. */
export const RADAR_SIGMA_MPS = 0.22;
/** How well an elevation is known, 1 σ in °: by a level or a phone laid on the barrel, off the machine's own scale (whose zero is rarely checked), by eye. */
export const ELEVATION_SIGMA_DEG = { level: 0.2, scale: 1.5, eye: 2 } as const;

/** One test ball: what the dial read, and what was seen of it. */
export const testBallSchema = z.strictObject({
  id: z.string().min(1).max(40),
  reading: z.number().min(-1000).max(1000),
  /** Where it first touched; `sideways` is false when only the distance is known. */
  mark: z
    .strictObject({
      x: z.number().min(-200).max(200),
      y: z.number().min(-200).max(200),
      sigmaM: z.number().min(0.005).max(5),
      sideways: z.boolean(),
    })
    .nullable()
    .default(null),
  /** From release to the first touch. */
  timeS: z.number().min(0.05, 'No ball lands so soon').max(12, 'No ball flies so long').nullable().default(null),
  radarMps: z.number().min(1, 'At least 1 m/s').max(75, 'At most 75 m/s').nullable().default(null),
  /** What the dial moves, measured by itself (an angle by a level, an interval by a watch), with its 1 σ. */
  direct: z
    .strictObject({ value: z.number().min(-10_000).max(10_000), sigma: z.number().positive().max(1000) })
    .nullable()
    .default(null),
  /** Kept out of the fit by choice. */
  leftOut: z.boolean().default(false),
});
/** A test ball; see `testBallSchema`. */
export type TestBall = z.infer<typeof testBallSchema>;

/** A tune-up of one dial: its day, its balls, how the machine stood, and every test ball. */
export const tuneUpSchema = z.strictObject({
  dialId: z.string().min(1).max(40),
  dialName: nameSchema,
  courtId: z.string().max(40),
  ballId: ballIdSchema,
  ballStockId: z.string().max(40).nullable(),
  surfaceId: surfaceIdSchema,
  weather: weatherSchema,
  from: z.strictObject({ x: z.number().min(-60).max(60), y: z.number().min(-60).max(150), z: z.number().min(0.05).max(4) }),
  elevationDeg: z.number().min(-30).max(89),
  elevationKnown: z.enum(['level', 'scale', 'eye']),
  bearingDeg: z.number().min(-360).max(720),
  battery: z.enum(['full', 'half', 'low', 'mains']),
  /** Also find this ball's drag (holed or worn balls). */
  fitDrag: z.boolean(),
  balls: z.array(testBallSchema).max(400),
});
/** A tune-up; see `tuneUpSchema`. */
export type TuneUp = z.infer<typeof tuneUpSchema>;
