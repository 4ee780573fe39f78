import { z } from 'zod';
import { CURVE_PARAMS } from './curve-shape.ts';

const row = z.array(z.number()).length(CURVE_PARAMS);
/** A learnt curve: its parameters, how sure they are, and what it rests on. */
export const dialCurveSchema = z.strictObject({
  params: row,
  /** Of the parameters, with what they share with the elevation’s zero and the ball’s drag. */
  covariance: z.array(row).length(CURVE_PARAMS),
  /** Degrees of freedom of the scatter behind it. */
  df: z.number().min(1).max(10_000),
  /** A higher reading gives less. */
  falling: z.boolean(),
  tunedAt: z.iso.datetime(),
  /** Test balls it rests on. */
  balls: z.int().min(0).max(10_000),
  ballId: z.string().max(40),
  temperatureC: z.number().min(-30).max(55),
});
/** A curve that was learnt; see `dialCurveSchema`. */
export type DialCurve = z.infer<typeof dialCurveSchema>;
/** As much of a curve as its shape needs. */
export type CurveShape = Pick<DialCurve, 'params' | 'falling'>;
