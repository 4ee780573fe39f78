/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';

/** Cumulative standard normal. */
export const normalCdf = (z: number): number => jStat.normal.cdf(z, 0, 1);

/** Standard normal numbers out of uniform ones (Box and Muller 1958). */
export function normals(uniform: () => number): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    const r = Math.sqrt(-2 * Math.log(1 - uniform()));
    const angle = 2 * Math.PI * uniform();
    spare = r * Math.sin(angle);
    return r * Math.cos(angle);
  };
}

/** Of two errors, m². */
export interface Covariance {
  xx: number;
  xy: number;
  yy: number;
}

const STRIPS = 400;

/** Chance that a two-dimensional normal falls in a rectangle: strips across x, the exact conditional in y for each. */
export function chanceInRectangle(
  mean: { x: number; y: number },
  { xx, xy, yy }: Covariance,
  [x1, x2]: readonly [number, number],
  [y1, y2]: readonly [number, number],
): number {
  const inY = (m: number, s: number): number =>
    s < 1e-9 ? (m >= y1 && m <= y2 ? 1 : 0) : normalCdf((y2 - m) / s) - normalCdf((y1 - m) / s);
  const sx = Math.sqrt(xx);
  if (sx < 1e-9) return mean.x >= x1 && mean.x <= x2 ? inY(mean.y, Math.sqrt(yy)) : 0;
  const slope = xy / xx;
  const rest = Math.sqrt(Math.max(0, yy - slope * xy));
  const from = Math.max(x1, mean.x - 8 * sx);
  const to = Math.min(x2, mean.x + 8 * sx);
  if (to <= from) return 0;
  let sum = 0;
  const width = (to - from) / STRIPS;
  for (let i = 0; i < STRIPS; i++) {
    const x = from + (i + 0.5) * width;
    const weight = normalCdf((x + width / 2 - mean.x) / sx) - normalCdf((x - width / 2 - mean.x) / sx);
    sum += weight * inY(mean.y + slope * (x - mean.x), rest);
  }
  return sum;
}
