import { nextStepOn, once } from '@good-arc/core';
import type { BriefRound, LadderRow, Standing } from '../api/rows.ts';
import { frozen } from '../db/parsed.ts';
import { dayOf } from '../ui/day.ts';
import { sayStep } from '../words/progress.ts';
import { placesOf } from './ladders.ts';
import { gateScoreOf } from './read-rounds.ts';

/** A player has stalled who has been on a rung for so many days, with so many rounds. */
const STALLED = { days: 21, rounds: 5 };

function standOn(rounds: readonly BriefRound[], ladders: readonly LadderRow[], today: number): Standing[] {
  const seen = new Set<string>();
  return rounds.flatMap(({ rungId, startedAt }): Standing[] => {
    const place = placesOf(ladders).get(rungId);
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

/** What was worked out last of the same rounds and ladders: they are the same lists until one of them is another. */
const worked = once((_: readonly BriefRound[]) =>
  once((__: readonly LadderRow[]): { day: number; standings: readonly Standing[] } => ({ day: Number.NaN, standings: [] })),
);

/** Where a player stands on every ladder they have climbed on, the last first; the same list on the same day. @param rounds of the player, newest first */
export function standingsOf(rounds: readonly BriefRound[], ladders: readonly LadderRow[], now: Date): readonly Standing[] {
  const day = dayOf(now.toISOString());
  const last = worked(rounds)(ladders);
  if (last.day !== day) Object.assign(last, { day, standings: frozen(standOn(rounds, ladders, day)) });
  return last.standings;
}
