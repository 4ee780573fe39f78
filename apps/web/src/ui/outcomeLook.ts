import type { Outcome } from '@good-arc/core';

/** How a judged ball looks, courtside and in the logbook; each also carries a letter, a number or a word. */
export const OUTCOME_LOOK: Record<Outcome, string> = {
  in: 'bg-secondary text-secondary-content',
  near: 'border-2 border-base-content bg-base-100',
  out: 'bg-base-content text-base-100',
  'let-go': 'bg-base-300',
  'not-fed': 'bg-base-300 line-through',
  'not-judged': 'border-2 border-dotted border-base-content bg-base-100',
};
