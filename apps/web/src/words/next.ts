import { type NextOuting, type PartReason, type PartRole, printShare, sayNeed } from '@good-arc/core';

export const ROLE_NAMES: Record<PartRole, string> = { 'warm-up': 'Warm-up', main: 'Main', test: 'Test' };

/** Why a rung is part of what comes next. @param isGroup several come: shares are their mean */
export function sayReason(reason: PartReason, isGroup = false): string {
  const mean = isGroup ? ' on average' : '';
  switch (reason.code) {
    case 'kind':
      return `Most will succeed (${printShare(reason.share)}${mean}): find the timing.`;
    case 'easiest':
      return `The easiest that is here: about ${printShare(reason.share)} will succeed${mean}.`;
    case 'fading':
      return `Won ${reason.days} days ago: once more, so that it stays.`;
    case 'half':
      return `About half will succeed (${printShare(reason.share)}${mean}): that is where one learns.`;
    case 'weaker-side':
      return `The side that is hit less, and about half will succeed (${printShare(reason.share)}).`;
    case 'nearest':
      return `Nearest to half that is here: ${printShare(reason.share)} will succeed${mean}.`;
    case 'gate':
      return `One round that counts: ${sayNeed(reason.need)}; the chance is ${printShare(reason.chance)}.`;
  }
}

/** What kept it from being longer. */
export const ENDS_WORDS: Record<NextOuting['endsBy'], string> = {
  minutes: '',
  swings: 'It ends early: more swings today would be too many for the youngest who comes.',
  rungs: 'There is no more here to learn from in one go: four rounds of one rung are enough.',
};
