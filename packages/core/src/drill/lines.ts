import { degToRad, radToDeg } from '../quantity/index.ts';
import type { Feed, RungDocument } from './schema.ts';
import { metAt } from './target.ts';
import { away, type Spot } from './timing.ts';

/** Two who hit side by side stand at least so far apart, m (common practice, no source). */
export const TOGETHER_M = 3;

type Lines = Pick<RungDocument, 'feeds' | 'sweep' | 'hitters' | 'player'>;

/** Across between the two lines of a machine, where several hit in turn, m; null for others. */
export function apartOf({ feeds, sweep, hitters = 1, player }: Lines): number | null {
  if (sweep?.kind !== 'two-line' || hitters < 2) return null;
  const { launch, meet = player.start } = feeds.find(({ on }) => on) ?? feeds[0]!;
  return 2 * away(launch, meet) * Math.tan(degToRad(sweep.halfDeg));
}

/** Where a ball is met on each line of a machine that turns between two, or at both ends of a sweep; at one spot without. */
export function metsOf(rung: Pick<RungDocument, 'player' | 'sweep'>, feed: Pick<Feed, 'launch' | 'meet' | 'target'>): Spot[] {
  const met = metAt(rung, feed);
  if (!rung.sweep) return [met];
  const [dx, dy] = [met.x - feed.launch.x, met.y - feed.launch.y];
  return [-1, 1].map((side) => {
    const turn = degToRad(side * rung.sweep!.halfDeg);
    // bearings grow clockwise, seen from above
    return {
      x: feed.launch.x + dx * Math.cos(turn) + dy * Math.sin(turn),
      y: feed.launch.y - dx * Math.sin(turn) + dy * Math.cos(turn),
    };
  });
}

/** How far to each side two lines must turn, °, so that their players stand far enough apart. @param distanceM from the machine to them */
export const linesHalfDeg = (distanceM: number): number => radToDeg(Math.atan(TOGETHER_M / 2 / distanceM));
