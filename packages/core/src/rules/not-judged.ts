import type { Found, Rule, Subject } from './subject.ts';

export type NotJudgedHazard = Found<'not-judged', { why: Subject['notJudged'] }>;

/** What could not be judged is a hazard of its own, and never silence. */
export const notJudgedRule: Rule<NotJudgedHazard> = ({ notJudged: why }) => {
  if (why.length === 0) return null;
  return { code: 'not-judged', weight: why.every(({ code }) => code === 'nothing-on') ? 'note' : 'grave', figures: { why } };
};
