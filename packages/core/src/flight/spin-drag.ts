import { FELT } from './laws.ts';

const { still, spun } = FELT.spinDrag;
const exact = (s: number): number => s * (still + spun * s ** 2.5) ** -0.4;

/** Spin parameters beyond this are computed, not looked up. */
const LARGEST_S = 3;
const PER_UNIT = 512;

/** The cubic of each cell, in the share of the cell: within 1e−8 of the law, at a tenth of the cost of its power. */
const CUBICS = ((): Float64Array => {
  const value = (i: number): number => exact(i / PER_UNIT);
  const slope = (i: number): number => {
    const s = i / PER_UNIT;
    const inner = still + spun * s ** 2.5;
    return (inner ** -0.4 - 0.4 * spun * 2.5 * s ** 2.5 * inner ** -1.4) / PER_UNIT;
  };
  const cells = new Float64Array(4 * LARGEST_S * PER_UNIT);
  for (let i = 0; i < LARGEST_S * PER_UNIT; i++) {
    const rise = value(i + 1) - value(i);
    cells.set([value(i), slope(i), 3 * rise - 2 * slope(i) - slope(i + 1), slope(i) + slope(i + 1) - 2 * rise], 4 * i);
  }
  return cells;
})();

/**
 * What spin adds to the drag coefficient of a felt ball.
 * @param d holds the spin parameter Rω⊥/v, at least 0, at `at`; the answer takes its place (a returned double would be allocated)
 */
export function spinDragAt(d: number[], at: number): void {
  const place = d[at]! * PER_UNIT;
  const i = Math.floor(place);
  if (i < LARGEST_S * PER_UNIT) {
    const u = place - i;
    d[at] = CUBICS[4 * i]! + u * (CUBICS[4 * i + 1]! + u * (CUBICS[4 * i + 2]! + u * CUBICS[4 * i + 3]!));
  } else d[at] = exact(d[at]!);
}
