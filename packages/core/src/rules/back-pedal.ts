import { diamondOf } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'back-pedal', { behindM: number }>;

/** Steps back from a waiting place that are still a step, m. */
const STEP_BACK_M = 1.5;

/** A ball over the head: people run backwards for it. */
export const rule: Rule<Hazard> = ({ sport, fielding, load }) => {
  if (!load) return null;
  const { behindM, overHead, chasedFar } = load;
  const found = (!diamondOf(sport) && (behindM > STEP_BACK_M || overHead)) || (fielding && chasedFar);
  return found ? { code: 'back-pedal', weight: 'grave', figures: { behindM } } : null;
};
