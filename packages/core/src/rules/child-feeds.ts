import { diamondOf } from '../catalog/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'child-feeds', { ageYears: number | null; fromYears: number; handFed: boolean }>;

/** Who feeds, adjusts or carries a pitching machine is grown up (common practice, no source). */
const FROM_YEARS = 16;

/** A pitching machine, or one that is fed by hand, among children: a grown-up feeds it. */
export const rule: Rule<Hazard> = ({ sport, level, ball, around: { ageYears = null, handFed } }) => {
  if (handFed === undefined || !(handFed || (ball.hard && diamondOf(sport)))) return null;
  // without an age the lowest level may be a child's
  const young = ageYears === null ? ball.hard && level === 'Starting' : ageYears < FROM_YEARS;
  return young ? { code: 'child-feeds', weight: 'grave', figures: { ageYears, fromYears: FROM_YEARS, handFed } } : null;
};
