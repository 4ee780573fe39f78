import { FELT } from './laws.ts';

const { still, spun } = FELT.spinDrag;
const exact = (s: number): number => s * (still + spun * s ** 2.5) ** -0.4;

/** Spin parameters beyond this are computed, not looked up. */
const LARGEST_S = 3;
const PER_UNIT = 512;

/** The cubic of each cell, in the share of the cell: within 1e−8 of the law, at a tenth of the cost of its power. A slope of 0 marks one that no ball needed yet. */
const CUBICS = new Float64Array(4 * LARGEST_S * PER_UNIT);

/** The law at s, and how it rises there over a cell. */
function lawAt(s: number): [value: number, slope: number] {
  const ofSpin = spun * s ** 2.5;
  const inner = still + ofSpin;
  const root = inner ** -0.4;
  return [s * root, (root * (1 - ofSpin / inner)) / PER_UNIT];
}

/** Works out a cell: all of them as a page opens took a phone longer than the flights that it draws. */
function fill(i: number): void {
  const [value, slope] = lawAt(i / PER_UNIT);
  const [nextValue, nextSlope] = lawAt((i + 1) / PER_UNIT);
  const rise = nextValue - value;
  CUBICS.set([value, slope, 3 * rise - 2 * slope - nextSlope, slope + nextSlope - 2 * rise], 4 * i);
}

/**
 * What spin adds to the drag coefficient of a felt ball.
 * @param d holds the spin parameter Rω⊥/v, at least 0, at `at`; the answer takes its place (a returned double would be allocated)
 */
export function spinDragAt(d: number[], at: number): void {
  const place = d[at]! * PER_UNIT;
  const i = Math.floor(place);
  if (i < LARGEST_S * PER_UNIT) {
    if (CUBICS[4 * i + 1] === 0) fill(i);
    const u = place - i;
    d[at] = CUBICS[4 * i]! + u * (CUBICS[4 * i + 1]! + u * (CUBICS[4 * i + 2]! + u * CUBICS[4 * i + 3]!));
  } else d[at] = exact(d[at]!);
}
