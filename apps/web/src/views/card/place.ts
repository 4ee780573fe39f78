import { COURT_PLANS, type RungDocument, type Sport, shortTurnDeg } from '@good-arc/core';
import { describeSpot } from '../../ui/place.ts';

/** A mark this near counts as the mark, m: a hand's breadth. */
const ON_MARK_M = 0.1;
/** Farther than this a painted mark is no help, m. */
const NEAR_MARK_M = 0.8;

/** Where the machine stands, by the painted marks of a cage where there are any near, else by the nearest lines. */
export function sayMachine(
  sport: Sport,
  { x, y }: { x: number; y: number },
  marksM: readonly number[],
  length: (m: number) => string,
): string {
  const [near] = [...marksM].sort((a, b) => Math.abs(a - y) - Math.abs(b - y));
  if (sport !== 'baseball' || near === undefined || Math.abs(near - y) > NEAR_MARK_M)
    return describeSpot(COURT_PLANS[sport], { x, y }, length);
  const off = y - near;
  const along =
    Math.abs(off) <= ON_MARK_M
      ? `on the painted ${length(near)} mark`
      : `${length(Math.abs(off))} ${off > 0 ? 'behind' : 'in front of'} the painted ${length(near)} mark`;
  const across = Math.abs(x) < 0.05 ? 'on the middle line' : `${length(Math.abs(x))} ${x > 0 ? 'right' : 'left'} of the middle line`;
  return `${along}, ${across}`;
}

/** The turn of the barrel from straight along the court: `13° left`, seen from behind the machine. */
export function sayTurn(bearingDeg: number): string {
  const straight = Math.cos((bearingDeg * Math.PI) / 180) > 0 ? 0 : 180;
  const turn = shortTurnDeg(bearingDeg - straight);
  if (Math.abs(turn) < 0.5) return 'straight';
  return `${Math.abs(turn).toFixed(0)}° ${turn > 0 ? 'right' : 'left'}`;
}

/** Where the target is, as a box on the ground or a window at the plate. */
export function sayTarget(
  { feeds, targetSize }: Pick<RungDocument, 'feeds' | 'targetSize'>,
  sport: Sport,
  length: (m: number) => string,
): string {
  const { target } = feeds[0]!;
  const size = `${length(targetSize.widthM)} × ${length(targetSize.depthM)}`;
  if (target.kind === 'plane') return `window ${size} over the plate`;
  return `box ${size}: ${describeSpot(COURT_PLANS[sport], target, length)}`;
}
