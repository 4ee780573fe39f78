import type { Found, Rule } from './subject/subject.ts';

export type Hazard = Found<'wrong-ball', { ball: string; indoors: boolean }>;

/** A ball for the open in a hall, or the other way round: it flies and bounces otherwise than the one that is played with here. */
export const rule: Rule<Hazard> = ({ ball, around: { indoors } }) => {
  if (indoors === undefined || !ball.playedIn || (ball.playedIn === 'hall') === indoors) return null;
  return { code: 'wrong-ball', weight: 'note', figures: { ball: ball.name, indoors } };
};
