import { diamondOf } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'too-far', { farthestM: number }>;

/** A machine pitches from farther than the sport's farthest place. */
export const rule: Rule<Hazard> = ({ sport, balls }) => {
  const farthestM = diamondOf(sport)?.farthestY_m;
  if (farthestM === undefined || !balls.some(({ target, launch }) => target.kind === 'plane' && launch.y > farthestM + 0.01)) return null;
  return { code: 'too-far', weight: 'grave', figures: { farthestM } };
};
