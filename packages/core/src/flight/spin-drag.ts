import { FELT } from './laws.ts';

const { still, spun } = FELT.spinDrag;
const exact = (s: number): number => s * (still + spun * s ** 2.5) ** -0.4;

/** Spin parameters beyond this are computed, not looked up. */
const LARGEST_S = 3;
const PER_UNIT = 512;

/** The cubic of each cell, in the share of the cell: within 1e−8 of the law, at a tenth of the cost of its power. Worked out as a page opens: two powers a cell. */
const CUBICS = ((): Float64Array => {
  const cells = new Float64Array(4 * LARGEST_S * PER_UNIT);
  // at s = 0, where the felt alone counts
  let value = 0;
  let slope = still ** -0.4 / PER_UNIT;
  for (let i = 0; i < LARGEST_S * PER_UNIT; i++) {
    const s = (i + 1) / PER_UNIT;
    const ofSpin = spun * s ** 2.5;
    const inner = still + ofSpin;
    const root = inner ** -0.4;
    const [nextValue, nextSlope] = [s * root, (root * (1 - ofSpin / inner)) / PER_UNIT];
    const rise = nextValue - value;
    cells[4 * i] = value;
    cells[4 * i + 1] = slope;
    cells[4 * i + 2] = 3 * rise - 2 * slope - nextSlope;
    cells[4 * i + 3] = slope + nextSlope - 2 * rise;
    [value, slope] = [nextValue, nextSlope];
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
