import type { Sourced, Sport } from './types.ts';

/** A playing surface as the ball meets it. */
export interface Surface {
  id: string;
  name: string;
  sport: Sport;
  /** Normal restitution e. */
  restitution: number;
  /** Sliding friction μ. */
  friction: number;
  /** Tangential restitution e_x; 0 grips without rebound. */
  tangentialRestitution: number;
  source: Sourced;
}

const representative: Sourced = {
  what: 'bounce',
  source: 'Representative value; bounce law after Brody 1984 and R. Cross 2002, quoted from memory. Two courts of one kind differ.',
  assumption: true,
};
const surface = (id: string, name: string, sport: Sport, restitution: number, friction: number): Surface => ({
  id,
  name,
  sport,
  restitution,
  friction,
  tangentialRestitution: 0,
  source: representative,
});

export const SURFACES: readonly Surface[] = [
  surface('tennis-clay', 'Clay', 'tennis', 0.85, 0.75),
  surface('tennis-acrylic-medium', 'Acrylic, medium', 'tennis', 0.81, 0.62),
  surface('tennis-acrylic-fast', 'Acrylic, fast', 'tennis', 0.79, 0.57),
  surface('tennis-carpet', 'Indoor carpet', 'tennis', 0.78, 0.58),
  surface('tennis-grass', 'Grass', 'tennis', 0.76, 0.55),
  surface('pickleball-acrylic', 'Acrylic', 'pickleball', 0.63, 0.45),
  surface('pickleball-wood', 'Wood gym floor', 'pickleball', 0.64, 0.38),
  surface('baseball-dirt', 'Infield dirt', 'baseball', 0.45, 0.45),
  surface('baseball-grass', 'Natural grass', 'baseball', 0.4, 0.45),
  surface('baseball-turf', 'Turf', 'baseball', 0.5, 0.4),
];

/** @throws RangeError for an id that is not built in. */
export function surfaceById(id: string): Surface {
  const found = SURFACES.find((each) => each.id === id);
  if (!found) throw new RangeError(`no surface “${id}”`);
  return found;
}

/** ITF court pace rating, CPR = 100(1 − μ) + 150(0.81 − e) (ITF court-pace programme; quoted from memory). */
export const courtPaceRating = (restitution: number, friction: number): number => 100 * (1 - friction) + 150 * (0.81 - restitution);
