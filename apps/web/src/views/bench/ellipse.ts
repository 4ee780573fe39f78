import type { Covariance } from '@good-arc/core';

/** Nineteen of twenty balls of a two-dimensional normal lie inside this many σ (χ² with two degrees of freedom: √5.991). */
const NINETEEN_OF_TWENTY = 2.4477;
const CORNERS = 48;

/** Outline inside which 19 of 20 balls land, in the units of the mean. */
export function ellipse(mean: { x: number; y: number }, { xx, xy, yy }: Covariance): { x: number; y: number }[] {
  // Cholesky: the unit circle to the ellipse
  const a = Math.sqrt(Math.max(0, xx));
  const b = a > 0 ? xy / a : 0;
  const c = Math.sqrt(Math.max(0, yy - b * b));
  return Array.from({ length: CORNERS }, (_, i) => {
    const angle = (2 * Math.PI * i) / CORNERS;
    const [u, v] = [NINETEEN_OF_TWENTY * Math.cos(angle), NINETEEN_OF_TWENTY * Math.sin(angle)];
    return { x: mean.x + a * u, y: mean.y + b * u + c * v };
  });
}
