import type { Scatter } from '../catalog/index.ts';
import { FIRST_SHARE, type Size, scatterAt } from './players.ts';
import { rateAt, widthAt } from './width.ts';

/**
 * The rectangle that a player of this scatter hits so often from this distance: as many σ to each side as in depth. Checks: from 20 m a Competing player
 * (3.4°, 0.085) has 2.3 × 3.3 m at 0.45.
 * @param distanceM from where the ball is met to the middle of the target @param share 0 to 1, both excluded
 */
export function targetFor(scatter: Scatter, distanceM: number, share = FIRST_SHARE): Size {
  const sigma = scatterAt(scatter, distanceM);
  const each = Math.sqrt(share);
  return { widthM: widthAt(sigma.widthM, each), depthM: widthAt(sigma.depthM, each) };
}

/** Chance of a player of this scatter to hit a rectangle at this distance; both errors are taken as normal. */
export function chanceOf(scatter: Scatter, distanceM: number, { widthM, depthM }: Size): number {
  const sigma = scatterAt(scatter, distanceM);
  return rateAt(sigma.widthM, widthM) * rateAt(sigma.depthM, depthM);
}
