import { surface } from '../../surface.ts';
import type { Sourced } from '../../types.ts';
import type { Sport } from '../names.ts';

/** What a diamond is laid with: bounce, and how a grounder slows down. */
export const surfaces = (sport: Sport) => [
  surface(sport, 'dirt', 'Infield dirt', 0.45, 0.45, 1.6),
  surface(sport, 'grass', 'Natural grass', 0.4, 0.45, 2.4),
  surface(sport, 'turf', 'Turf', 0.5, 0.4, 1.2),
];

/** Where the deceleration of a rolling ball comes from. */
export const ROLL_SOURCE: Sourced = {
  what: 'roll',
  source: 'A steady deceleration of 1.2 (turf), 1.6 (dirt) or 2.4 m/s² (grass): our assumption, no source',
  assumption: true,
};
