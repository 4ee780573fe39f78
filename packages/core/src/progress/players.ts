import type { Scatter } from '../catalog/index.ts';
import { degToRad } from '../quantity/index.ts';

/** Across and in depth, m. */
export interface Size {
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
