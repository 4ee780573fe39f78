import { studentT975 } from '../progress/student.ts';
import { curveAt, curveVariance, shareOf } from './curve.ts';
import type { DialCurve } from './curve-schema.ts';
import type { Scale } from './scale-schema.ts';

/** What the dial gives at a reading, with its 95 % interval (for the mean of many balls, not for one). */
export interface DialValue {
  value: number;
  lo: number;
  hi: number;
  /** 1 σ. */
  sd: number;
}

/** What a dial gives at a reading, with its 95 % interval. */
export function dialValue(scale: Pick<Scale, 'lo' | 'hi'>, curve: DialCurve, reading: number): DialValue {
  const u = shareOf(scale, reading);
  const value = curveAt(curve, u);
  const sd = Math.sqrt(curveVariance(curve, curve.covariance, u));
  const half = studentT975(curve.df) * sd;
  return { value, lo: value - half, hi: value + half, sd };
}
