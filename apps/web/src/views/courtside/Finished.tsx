import type { Approach, NextStep, RoundCount } from '@good-arc/core';
import { courtsideLink } from '../../ui/links.ts';
import { sayStep } from '../../words/progress.ts';

export interface FinishedRound extends RoundCount {
  roundId: string;
  playerId: string;
  /** The one verdict, on all rounds of this player on this card. */
  step: NextStep;
}

/** A round that is over: what it came to, and what is next. */
export function Finished({
  finished: { roundId, playerId, hits, balls, step },
  approach,
  next,
}: {
  finished: FinishedRound;
  approach: Approach;
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
}) {
  return (
    <div role="status" className="mb-3 border-l-4 border-secondary bg-base-200 p-3 text-lg">
      <b>
        Round finished: {hits} of {balls}.
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
  );
}
