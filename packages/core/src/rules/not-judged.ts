import type { Found, Rule, Subject } from './subject/subject.ts';

export type Hazard = Found<'not-judged', { why: Subject['notJudged'] }>;

/** What could not be judged is a hazard of its own, and never silence. */
export const rule: Rule<Hazard> = ({ notJudged: why }) => {
  if (why.length === 0) return null;
  return { code: 'not-judged', weight: why.every(({ code }) => code === 'nothing-on') ? 'note' : 'grave', figures: { why } };
};
