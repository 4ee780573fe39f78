import { ROUNDING } from '../drill/index.ts';
import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'survival', { intervalS: number; shortOfS: number; hitting: boolean; readyIntervalS: number | null }>;

/** A ball leaves before its player is ready to see it: survived, not practised. */
export const rule: Rule<Hazard> = ({ time }) => {
  if (!time || time.spareS === null || time.spareS >= -ROUNDING) return null;
  const { intervalS, spareS, hitting, readyIntervalS } = time;
  return { code: 'survival', weight: 'note', figures: { intervalS, shortOfS: -spareS, hitting, readyIntervalS } };
};
