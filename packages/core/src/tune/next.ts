import { inverse, Matrix } from 'ml-matrix';
import { curveAt, curveGradient, curveVariance, readingsOf, type Scale, shareOf } from '../dial/index.ts';
import type { Fit } from './fit.ts';

/** Balls a next dial value is judged by. */
const NEXT_BALLS = 3;
/** The ends of a dial are seldom thrown, and some machines jam or stall there: the curve is wanted between these shares. */
const [FROM, TO] = [0.1, 0.9];
const GRID = Array.from({ length: 17 }, (_, i) => FROM + ((TO - FROM) * i) / 16);

/**
 * The dial value whose next balls would narrow the curve most where it is used, relative to what it gives there; among equals the lower
 * reading, which is the gentler one.
 */
export function mostUsefulReading(scale: Scale, fit: Fit): number {
  const information = inverse(new Matrix(fit.covariance));
  let best = { reading: scale.lo, variance: Number.POSITIVE_INFINITY };
  const all = readingsOf(scale, 41);
  const inner = all.filter((reading) => shareOf(scale, reading) >= FROM && shareOf(scale, reading) <= TO);
  for (const reading of inner.length > 0 ? inner : all) {
    const gradient = Matrix.columnVector(curveGradient(fit, shareOf(scale, reading)));
    const more = Matrix.add(information, gradient.mmul(gradient.transpose()).mul(NEXT_BALLS / fit.ballSigma ** 2));
    const covariance = inverse(more).to2DArray();
    const variance = GRID.reduce((sum, u) => sum + curveVariance(fit, covariance, u) / Math.max(1, Math.abs(curveAt(fit, u))) ** 2, 0);
    if (variance < best.variance * (1 - 1e-6)) best = { reading, variance };
  }
  return best.reading;
}

/** A first plan of dial values before any ball: a quarter, a half and three quarters up the scale. */
export const firstReadings = (scale: Scale): number[] => [
  ...new Set(
    [0.25, 0.5, 0.75].map((u) => {
      const all = readingsOf(scale);
      return all[Math.round(u * (all.length - 1))]!;
    }),
  ),
];
