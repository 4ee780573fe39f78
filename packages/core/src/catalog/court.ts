import type { CourtLine, Net } from './record.ts';

/** A line of a court; `edge` for one that bounds it. */
export const line = (id: string, name: string, x1: number, y1: number, x2: number, y2: number, edge = false): CourtLine => ({
  id,
  name,
  x1,
  y1,
  x2,
  y2,
  edge,
});

/** Top of the net at x, in metres; straight between the heights at centre and edge, level beyond the edge. */
export function netHeightAt(net: Net, x: number): number {
  const share = Math.min(1, Math.abs(x) / net.edgeX_m);
  return net.centreHeightM + (net.edgeHeightM - net.centreHeightM) * share;
}

/** Targets by their places: the three deep ones, then the three short ones. */
export const targetNames = (deep: readonly [string, string, string], short: readonly [string, string, string]) => ({
  'deep-left': deep[0],
  'deep-middle': deep[1],
  'deep-right': deep[2],
  'short-left': short[0],
  'short-middle': short[1],
  'short-right': short[2],
});
