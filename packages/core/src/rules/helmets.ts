import type { Found, Rule } from './subject.ts';

export type Helmets = Found<'helmets', { ball: string }>;

/** A hard ball is hit back faster than it was thrown. */
export const helmets: Rule<Helmets> = ({ ball, fielding, load }) =>
  load && ball.hard && !fielding ? { code: 'helmets', weight: 'grave', figures: { ball: ball.name } } : null;
