import { type Approach, judgeGate, type Need, wilsonRate } from '@good-arc/core';

export interface FinishedRound {
  roundId: string;
  hits: number;
  balls: number;
  longestRun: number;
}

/** A round that is over: what it came to, how sure that is, and what the approach says of it. */
export function Finished({
  finished: { roundId, hits, balls, longestRun },
  approach,
  gate,
  next,
}: {
  finished: FinishedRound;
  approach: Approach;
  gate: Need;
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
}) {
  const { interval } = wilsonRate(hits, balls);
  const { verdict, reason } = judgeGate({ approach, hits, balls, longestRun, need: gate });
  return (
    <div role="status" className="mb-3 border-l-4 border-secondary bg-base-200 p-3 text-lg">
      <b>
        Round finished: {hits} of {balls} in.
      </b>{' '}
      {balls > 0 && `True rate somewhere from ${Math.round(interval[0] * 100)} to ${Math.round(interval[1] * 100)} %. `}
      <a className="font-semibold underline" href={`/logbook?round=${roundId}`}>
        See it in the logbook
      </a>
      {balls > 0 && (
        <p className="mt-1">
          <b className="first-letter:uppercase">{verdict}.</b> {reason}{' '}
          {next && (verdict === 'climb' || verdict === 'tighten' || approach === 'coachs-eye') && (
            <a className="font-semibold underline" href={`/courtside?rung=${next.id}`}>
              Climb to “{next.name}”
            </a>
          )}
        </p>
      )}
    </div>
  );
}
