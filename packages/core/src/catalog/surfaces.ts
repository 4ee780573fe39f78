import type { Ground } from '../flight/bounce.ts';
import type { Ball, Surface } from './record.ts';
import { SPORT_RECORDS } from './sports/index.ts';

/** Every built-in surface. */
export const SURFACES: readonly Surface[] = Object.values(SPORT_RECORDS).flatMap(({ surfaces }) => surfaces);

/** @throws RangeError for an id that is not built in. */
export function surfaceById(id: string): Surface {
  const found = SURFACES.find((each) => each.id === id);
  if (!found) throw new RangeError(`no surface “${id}”`);
  return found;
}

/** How a surface answers a ball: its own restitution for shallow ones, the ball’s own for one that comes straight down, where that is less. */
export const groundOf = (surface: Surface, { dropRestitution }: Ball): Ground => ({
  restitution: surface.restitution,
  friction: surface.friction,
  tangentialRestitution: surface.tangentialRestitution,
  ...(dropRestitution !== undefined && { steepRestitution: Math.min(surface.restitution, dropRestitution) }),
});

/** ITF court pace rating, CPR = 100(1 − μ) + 150(0.81 − e) (ITF court-pace programme; quoted from memory). */
export const courtPaceRating = (restitution: number, friction: number): number => 100 * (1 - friction) + 150 * (0.81 - restitution);
