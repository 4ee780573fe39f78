import { type Judgement, once, type RungDocument, sameCard } from '@good-arc/core';
import type { BriefRound, BroughtVerdict } from '../api/rows.ts';
import { frozen } from '../db/parsed.ts';
import { gateScoreOf } from './read-rounds.ts';

/** Whether JSON carries it as it is: it knows no number that is not finite. */
const isCarried = (value: unknown): boolean =>
  typeof value === 'object' && value !== null ? Object.values(value).every(isCarried) : typeof value !== 'number' || Number.isFinite(value);

/** A verdict as a page brings it along, so that a phone need not judge what it draws first; null for one that the phone must give itself. */
export const verdictToSend = once((judgement: Judgement): Judgement | null => (isCarried(judgement) ? frozen(judgement) : null));

/** As `verdictToSend`, with what has to be minded; null where the phone must find either itself. */
export function broughtVerdict({
  judged,
  level,
  around,
  inSight,
}: Omit<BroughtVerdict, 'judgement'> & { judged: Judgement }): BroughtVerdict | null {
  const judgement = verdictToSend(judged);
  return judgement && isCarried(inSight) ? { judgement, level, around, inSight } : null;
}

/** What rounds on a rung tell of it as it is set up now, but for those with a target of their own; the same list of the same rounds. */
export const pastOn = once((rounds: readonly BriefRound[]) =>
  once((document: RungDocument) =>
    frozen(
      rounds
        .filter(({ card }) => !card.ownTarget)
        .map((each) => ({ id: each.id, playerId: each.playerId, same: sameCard(each.card, document), ...gateScoreOf(each) })),
    ),
  ),
);
