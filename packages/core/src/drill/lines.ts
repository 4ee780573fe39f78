import { degToRad, radToDeg } from '../quantity/index.ts';
import type { RungDocument } from './schema.ts';
import { away } from './timing.ts';

/** Two who hit side by side stand at least so far apart, m (common practice, no source). */
export const TOGETHER_M = 3;

type Lines = Pick<RungDocument, 'feeds' | 'sweep' | 'hitters' | 'player'>;

/** Across between the two lines of a machine, where several hit in turn, m; null for others. */
export function apartOf({ feeds, sweep, hitters = 1, player }: Lines): number | null {
  if (sweep?.kind !== 'two-line' || hitters < 2) return null;
  const { launch, meet = player.start } = feeds.find(({ on }) => on) ?? feeds[0]!;
  return 2 * away(launch, meet) * Math.tan(degToRad(sweep.halfDeg));
}

/** How far to each side two lines must turn, °, so that their players stand far enough apart. @param distanceM from the machine to them */
export const linesHalfDeg = (distanceM: number): number => radToDeg(Math.atan(TOGETHER_M / 2 / distanceM));
