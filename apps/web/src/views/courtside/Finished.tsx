import type { Approach, NextStep, PlayerId, RoundCount, RoundId } from '@good-arc/core';
import { courtsideLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { sayStep } from '../../words/progress.ts';

export interface FinishedRound extends RoundCount {
  roundId: RoundId;
  playerId: PlayerId;
  name: string;
  /** The one verdict, on all rounds of this player on this card. */
  step: NextStep;
}

/** A round that is over, of one player or of several who hit in turn: what it came to, and what is next. */
export function Finished({
  finished,
  approach,
  next,
}: {
  finished: readonly FinishedRound[];
  approach: Approach;
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
}) {
  return (
    <Notice role="status" tone="good" className="mb-3 text-lg">
      {finished.map(({ roundId, playerId, name, hits, balls, step }) => (
        <div key={roundId} className="mb-1 last:mb-0">
          <b>
            {finished.length > 1 ? name : 'Round finished'}: {hits} of {balls}.
          </b>{' '}
          <a className="font-semibold underline" href={`/logbook?round=${roundId}`}>
            See it in the logbook
          </a>
          <p className="mt-1">
            <b className="inline-block first-letter:uppercase">{step.verdict}.</b> {sayStep(step)}{' '}
            {next && (step.verdict === 'climb' || approach === 'coachs-eye') && (
              <a className="font-semibold underline" href={courtsideLink(next.id, playerId)}>
                Climb to “{next.name}”
              </a>
            )}
          </p>
        </div>
      ))}
    </Notice>
  );
}
