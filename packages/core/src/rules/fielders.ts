import type { Found, Rule } from './subject.ts';

export type Fielders = Found<'fielders'>;

/** Several players look up at once. */
export const fielders: Rule<Fielders> = ({ fielding, balls, load }) =>
  load && fielding && balls.length > 0 ? { code: 'fielders', weight: 'note', figures: {} } : null;
