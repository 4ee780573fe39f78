import { conditionsOf } from '../bench/index.ts';
import { netBetween, type Sport } from '../catalog/index.ts';
import type { RungDocument } from '../drill/index.ts';
import type { BallId, SurfaceId } from '../ids.ts';
import type { MachineProfile, PlaceQuestion } from '../machine/index.ts';

/** Where and with what a ladder is thrown. */
export interface Venue {
  sport: Sport;
  court: { id: string; surfaceId: SurfaceId; ceilingM?: number | null };
  machine: { id: string; profile: MachineProfile };
  ballId: BallId;
  dragShare?: number;
  level: RungDocument['level'];
  weather: RungDocument['weather'];
}

/** Where a ball of a rung is to come. */
export type Target = RungDocument['feeds'][number]['target'];

/** What is asked of a machine there: a ball from a place to a spot. */
export const questionOf = (venue: Venue, from: { x: number; y: number; z: number }, target: Target): PlaceQuestion => ({
  conditions: conditionsOf({
    ballId: venue.ballId,
    surfaceId: venue.court.surfaceId,
    weather: venue.weather,
    ...(venue.dragShare !== undefined && { dragShare: venue.dragShare }),
  }),
  from,
  target,
  net: netBetween(venue.sport, from.y, target.kind === 'landing' ? target.y : target.planeY),
  ceilingM: venue.court.ceilingM ?? null,
});
