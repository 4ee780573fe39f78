import type { Scatter } from '../catalog/index.ts';
import { degToRad } from '../quantity/index.ts';
import { rateAt, widthAt } from './width.ts';

/** Across and in depth, m. */
interface Size {
  widthM: number;
  depthM: number;
}

/** A first attempt: four or five of ten (common practice, no source). */
export const FIRST_SHARE = 0.45;
/** Half of the side of a rectangle that is hit so often, in σ: Φ⁻¹((1 + √0.45)/2). Written out, so that the bench does without the statistics library. */
const FIRST_KAPPA = 0.97577;

/** 1 σ of a player’s own balls at this distance, m. */
export const scatterAt = ({ sideDeg, depthShare }: Scatter, distanceM: number): Size => ({
  widthM: distanceM * Math.tan(degToRad(sideDeg)),
  depthM: distanceM * depthShare,
});

/** The first target from this distance: the rectangle that is hit at `FIRST_SHARE`. */
export function firstTargetFor(scatter: Scatter, distanceM: number): Size {
  const { widthM, depthM } = scatterAt(scatter, distanceM);
  return { widthM: 2 * FIRST_KAPPA * widthM, depthM: 2 * FIRST_KAPPA * depthM };
}

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
