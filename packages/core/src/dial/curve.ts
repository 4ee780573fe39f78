import type { CurveShape } from './curve-schema.ts';
import { KNOTS } from './curve-shape.ts';
import type { Scale } from './scale-schema.ts';

/** ∫ exp(a + (b − a)·s) ds over s from 0 to `share`, a and b being g at the ends of one segment. */
function pieceTo(a: number, b: number, share: number): number {
  const bend = b - a;
  // below this the series is exact to the last digit
  if (Math.abs(bend * share) < 1e-5) return Math.exp(a) * share * (1 + (bend * share) / 2);
  return (Math.exp(a) * Math.expm1(bend * share)) / bend;
}

/** Rise from the bottom of the scale to the share u. */
function riseTo(params: readonly number[], u: number): number {
  let rise = 0;
  for (let k = 0; k < KNOTS - 1; k++) {
    const share = Math.min(1, u * (KNOTS - 1) - k);
    if (share <= 0) break;
    rise += pieceTo(params[k + 1]!, params[k + 2]!, share) / (KNOTS - 1);
  }
  return rise;
}

/** Share of the scale that a reading is at; readings beyond the ends count as the ends. */
export const shareOf = ({ lo, hi }: Pick<Scale, 'lo' | 'hi'>, reading: number): number =>
  Math.min(1, Math.max(0, (reading - lo) / (hi - lo)));

/** What the curve gives at the share u ∈ [0, 1] of the scale, in the unit of what the dial moves. */
export const curveAt = ({ params, falling }: CurveShape, u: number): number =>
  params[0]! + (falling ? -1 : 1) * (riseTo(params, u) - riseTo(params, 0.5));

/** ∂/∂a and ∂/∂b of `pieceTo`. */
function pieceSlopes(a: number, b: number, share: number): [number, number] {
  const bend = b - a;
  const whole = pieceTo(a, b, share);
  // ∫ exp(a + bend·s)·s ds: by parts, or by its series where the bend is small
  const first =
    Math.abs(bend) < 1e-3
      ? Math.exp(a) * (share ** 2 / 2 + (bend * share ** 3) / 3 + (bend ** 2 * share ** 4) / 8)
      : (Math.exp(a + bend * share) * share - whole) / bend;
  return [whole - first, first];
}

/** Change of the value at u with each parameter. */
export function curveGradient({ params, falling }: CurveShape, u: number): number[] {
  const gradient = params.map((_, i) => Number(i === 0));
  for (const [to, sign] of [
    [u, falling ? -1 : 1],
    [0.5, falling ? 1 : -1],
  ] as const)
    for (let k = 0; k < KNOTS - 1; k++) {
      const share = Math.min(1, to * (KNOTS - 1) - k);
      if (share <= 0) break;
      const [byA, byB] = pieceSlopes(params[k + 1]!, params[k + 2]!, share);
      gradient[k + 1]! += (sign * byA) / (KNOTS - 1);
      gradient[k + 2]! += (sign * byB) / (KNOTS - 1);
    }
  return gradient;
}

/** Variance of the curve at u. */
export function curveVariance(shape: CurveShape, covariance: readonly (readonly number[])[], u: number): number {
  const gradient = curveGradient(shape, u);
  let variance = 0;
  for (let i = 0; i < gradient.length; i++)
    for (let j = 0; j < gradient.length; j++) variance += gradient[i]! * gradient[j]! * covariance[i]![j]!;
  return Math.max(0, variance);
}

/**
 * The reading that gives a value, not rounded to clicks.
 * @returns the reading, and by how much the value lies beyond the scale (0 inside it; positive: more than the dial can give)
 */
export function readingFor(scale: Pick<Scale, 'lo' | 'hi'>, curve: CurveShape, value: number): { reading: number; beyond: number } {
  const bottom = curveAt(curve, curve.falling ? 1 : 0);
  const top = curveAt(curve, curve.falling ? 0 : 1);
  const at = (u: number): number => scale.lo + u * (scale.hi - scale.lo);
  if (value <= bottom) return { reading: at(curve.falling ? 1 : 0), beyond: value - bottom };
  if (value >= top) return { reading: at(curve.falling ? 0 : 1), beyond: value - top };
  let [a, b] = [0, 1];
  // forty halvings of the scale: far below any click
  for (let i = 0; i < 40; i++) {
    const middle = (a + b) / 2;
    if (curveAt(curve, middle) < value === !curve.falling) a = middle;
    else b = middle;
  }
  return { reading: at((a + b) / 2), beyond: 0 };
}
