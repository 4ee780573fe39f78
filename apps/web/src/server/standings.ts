import { nextStepOn } from '@good-arc/core';
import type { BriefRound, LadderRow, Standing } from '../api/rows.ts';
import { dayOf } from '../ui/day.ts';
import { sayStep } from '../words/progress.ts';

/** A player has stalled who has been on a rung for so many days, with so many rounds. */
const STALLED = { days: 21, rounds: 5 };

/** Where a player stands on every ladder they have climbed on, the last first. @param rounds of the player, newest first */
export function standingsOf(rounds: readonly BriefRound[], ladders: readonly LadderRow[], now: Date): Standing[] {
  const seen = new Set<string>();
  return rounds.flatMap(({ rungId, startedAt }): Standing[] => {
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === rungId));
    if (!ladder || seen.has(ladder.id)) return [];
    seen.add(ladder.id);
    const at = ladder.rungs.findIndex(({ id }) => id === rungId);
    const { document } = ladder.rungs[at]!;
    const here = rounds.filter((each) => each.rungId === rungId);
    const step = nextStepOn(document, ladder.approach, here);
    const since = here.at(-1)!.startedAt;
    const days = dayOf(now.toISOString()) - dayOf(since);
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
