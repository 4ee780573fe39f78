import type { Target } from '../aim/index.ts';

/** A zone on the ground (or a window in a plane): its middle, and its size across and along. */
export interface Zone {
  x: number;
  y: number;
  widthM: number;
  depthM: number;
}

/** How many in a row make it right: two, or three for the careful. Common practice, no source. */
export const IN_A_ROW = [2, 3] as const;

/** Whether a spot lies in the zone that balls should come down in. */
export const isInZone = (zone: Zone, mark: { x: number; y: number }): boolean =>
  Math.abs(mark.x - zone.x) <= zone.widthM / 2 && Math.abs(mark.y - zone.y) <= zone.depthM / 2;

/** Balls in the zone since the last that missed it, or since the last change of a dial. */
export function inARow(zone: Zone, marks: readonly { x: number; y: number; setting: number }[]): number {
  let count = 0;
  const setting = marks.at(-1)?.setting;
  for (let i = marks.length - 1; i >= 0 && marks[i]!.setting === setting && isInZone(zone, marks[i]!); i--) count++;
  return count;
}

/** One ball is as much its own scatter as the machine’s aim: so many of one setting are averaged before anything is turned. Common practice, no source. */
const BALLS_TO_TURN = 2;
/** One ball so many halves of the zone off says enough. Our own figure. */
const FAR_OFF = 3;
/** A mean inside so much of the zone is scatter, and no reason to turn anything. Our own figure. */
const MIDDLE = 0.5;

/** What the balls so far say: thrown at this setting, nothing yet; in the zone; in a row; too few; about the middle; or turn something for so large a miss. */
export type Acceptance =
  | { kind: 'none' | 'in' | 'right' | 'one-more' | 'scatter' }
  /** How far from the middle of the zone they went on average, m: to +x, and along +y (up, in a window). */
  | { kind: 'turn'; miss: { xM: number; alongM: number }; balls: number };

/**
 * What to make of test balls: throw, mark, and turn something only when they say so.
 * @param setting counts up with every change of a dial
 * @param need so many in a row make it right
 */
export function acceptance(
  zone: Zone,
  marks: readonly { x: number; y: number; setting: number }[],
  setting: number,
  need: number,
): Acceptance {
  const current = marks.filter((mark) => mark.setting === setting);
  const last = current.at(-1);
  if (!last) return { kind: 'none' };
  if (inARow(zone, marks) >= need) return { kind: 'right' };
  if (isInZone(zone, last)) return { kind: 'in' };
  /** In halves of the zone. */
  const off = ({ x, y }: { x: number; y: number }): number =>
    Math.max(Math.abs(x - zone.x) / (zone.widthM / 2), Math.abs(y - zone.y) / (zone.depthM / 2));
  if (current.length < BALLS_TO_TURN && off(last) < FAR_OFF) return { kind: 'one-more' };
  const mean = {
    x: current.reduce((sum, { x }) => sum + x, 0) / current.length,
    y: current.reduce((sum, { y }) => sum + y, 0) / current.length,
  };
  if (off(mean) <= MIDDLE) return { kind: 'scatter' };
  return { kind: 'turn', miss: { xM: mean.x - zone.x, alongM: mean.y - zone.y }, balls: current.length };
}

/** The zone about a landing target. */
export const zoneOf = (target: Extract<Target, { kind: 'landing' }>, { widthM, depthM }: { widthM: number; depthM: number }): Zone => ({
  x: target.x,
  y: target.y,
  widthM,
  depthM,
});
