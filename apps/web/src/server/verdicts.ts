import { type Judgement, once } from '@good-arc/core';
import { frozen } from '../db/parsed.ts';

/** Whether JSON carries it as it is: it knows no number that is not finite. */
const isCarried = (value: unknown): boolean =>
  typeof value === 'object' && value !== null ? Object.values(value).every(isCarried) : typeof value !== 'number' || Number.isFinite(value);

/** A verdict as a page brings it along, so that a phone need not judge what it draws first; null for one that the phone must give itself. */
export const verdictToSend = once((judgement: Judgement): Judgement | null => (isCarried(judgement) ? frozen(judgement) : null));
