import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'long-run', { balls: number }>;

/** The same ball so often running is a shoulder's work, not a player's (common practice, no source). */
const LONG_RUN = 10;

export const rule: Rule<Hazard> = ({ load }) =>
  load && load.feeds > 1 && load.longestRun > LONG_RUN ? { code: 'long-run', weight: 'note', figures: { balls: load.longestRun } } : null;
