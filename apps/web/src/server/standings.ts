import { nextStepOn } from '@good-arc/core';
import type { BriefRound, LadderRow, Standing } from '../api/rows.ts';
import { dayOf } from '../ui/day.ts';
import { sayStep } from '../words/progress.ts';
import { gateScoreOf } from './read-rounds.ts';

/** A player has stalled who has been on a rung for so many days, with so many rounds. */
const STALLED = { days: 21, rounds: 5 };

function standOn(rounds: readonly BriefRound[], ladders: readonly LadderRow[], today: number): Standing[] {
  const places = new Map(ladders.flatMap((ladder) => ladder.rungs.map(({ id }, at) => [id, { ladder, at }] as const)));
  const seen = new Set<string>();
  return rounds.flatMap(({ rungId, startedAt }): Standing[] => {
    const place = places.get(rungId);
    if (!place || seen.has(place.ladder.id)) return [];
    const { ladder, at } = place;
    seen.add(ladder.id);
    const { document } = ladder.rungs[at]!;
    const here = rounds.filter((each) => each.rungId === rungId);
    const step = nextStepOn(document, ladder.approach, here, gateScoreOf);
    const since = here.at(-1)!.startedAt;
    const days = today - dayOf(since);
    return [
      {
        ladderId: ladder.id,
        ladderName: ladder.name,
        rungId,
        rungName: document.name,
        number: at + 1,
        of: ladder.rungs.length,
        verdict: step.verdict,
        reason: sayStep(step),
        since,
        last: startedAt,
        rounds: here.length,
        isStalled: step.verdict !== 'climb' && days >= STALLED.days && here.length >= STALLED.rounds,
      },
    ];
  });
}

const areSame = (a: readonly LadderRow[], b: readonly LadderRow[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i] || isSame(each, b[i]!));
const isSame = (a: LadderRow, b: LadderRow): boolean =>
  a.id === b.id &&
  a.version === b.version &&
  a.name === b.name &&
  a.approach === b.approach &&
  a.rungs.length === b.rungs.length &&
  // the same text is read as the same document
  a.rungs.every(({ id, document }, i) => id === b.rungs[i]!.id && document === b.rungs[i]!.document);

/** What was worked out last of the same rounds: they are the same list until one of them is another. */
const worked = new WeakMap<readonly BriefRound[], { ladders: readonly LadderRow[]; today: number; standings: Standing[] }>();

/** Where a player stands on every ladder they have climbed on, the last first. @param rounds of the player, newest first */
export function standingsOf(rounds: readonly BriefRound[], ladders: readonly LadderRow[], now: Date): readonly Standing[] {
  const today = dayOf(now.toISOString());
  const before = worked.get(rounds);
  if (before && before.today === today && areSame(before.ladders, ladders)) return before.standings;
  const standings = standOn(rounds, ladders, today);
  worked.set(rounds, { ladders, today, standings });
  return standings;
}
