import { diamondOf } from '../catalog/index.ts';
import type { Found, Rule } from './subject.ts';

export type TooFar = Found<'too-far', { farthestM: number }>;

/** A machine pitches from farther than the sport's farthest place. */
export const tooFar: Rule<TooFar> = ({ sport, balls }) => {
  const farthestM = diamondOf(sport)?.farthestY_m;
  if (farthestM === undefined || !balls.some(({ target, launch }) => target.kind === 'plane' && launch.y > farthestM + 0.01)) return null;
  return { code: 'too-far', weight: 'grave', figures: { farthestM } };
};
