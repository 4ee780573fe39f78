import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'juniors', { swingsEach: number; mostSwings: number }>;

/** Swings, serves or throws of a young player in one rung before a coach should think (common practice, no source; editable by the club's own rule). */
const MOST_SWINGS = 60;

export const rule: Rule<Hazard> = ({ level, load }) => {
  if (level !== 'Starting' || !load || load.swingsEach <= MOST_SWINGS) return null;
  return { code: 'juniors', weight: 'note', figures: { swingsEach: load.swingsEach, mostSwings: MOST_SWINGS } };
};
