import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'fielders'>;

/** Several players look up at once. */
export const rule: Rule<Hazard> = ({ fielding, balls, load }) =>
  load && fielding && balls.length > 0 ? { code: 'fielders', weight: 'note', figures: {} } : null;
