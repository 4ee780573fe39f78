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

/** The zone about a landing target. */
export const zoneOf = (target: Extract<Target, { kind: 'landing' }>, { widthM, depthM }: { widthM: number; depthM: number }): Zone => ({
  x: target.x,
  y: target.y,
  widthM,
  depthM,
});
