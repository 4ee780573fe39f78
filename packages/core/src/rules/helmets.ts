import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'helmets', { ball: string }>;

/** A hard ball is hit back faster than it was thrown. */
export const rule: Rule<Hazard> = ({ ball, fielding, load }) =>
  load && ball.hard && !fielding ? { code: 'helmets', weight: 'grave', figures: { ball: ball.name } } : null;
