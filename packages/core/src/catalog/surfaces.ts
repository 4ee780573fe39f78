import type { Surface } from './record.ts';
import { SPORT_RECORDS } from './sports/index.ts';

/** Every built-in surface. */
export const SURFACES: readonly Surface[] = Object.values(SPORT_RECORDS).flatMap(({ surfaces }) => surfaces);

/** @throws RangeError for an id that is not built in. */
export function surfaceById(id: string): Surface {
  const found = SURFACES.find((each) => each.id === id);
  if (!found) throw new RangeError(`no surface “${id}”`);
  return found;
}

/** ITF court pace rating, CPR = 100(1 − μ) + 150(0.81 − e) (ITF court-pace programme; quoted from memory). */
export const courtPaceRating = (restitution: number, friction: number): number => 100 * (1 - friction) + 150 * (0.81 - restitution);
