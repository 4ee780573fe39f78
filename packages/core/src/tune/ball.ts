import { z } from 'zod';
import { ballIdSchema, surfaceIdSchema } from '../catalog/index.ts';
import { nameSchema, weatherSchema } from '../drill/index.ts';

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
