import { minutesOf, type RungDocument } from '@good-arc/core';
import { Notice } from '../../ui/Notice.tsx';
import type { useCourtTime } from './useCourtTime.ts';

/** From so many minutes on they are counted. */
const SOON_MIN = 60;

const minutes = (count: number): string => `${count} ${count === 1 ? 'minute' : 'minutes'}`;

/** What is left of it: small while there is enough, loud when what is left to throw does not fit. */
export function CourtTimeLeft({
  time: { until, leftMin },
  document,
  everyS,
  thrown,
}: {
  time: Pick<ReturnType<typeof useCourtTime>, 'until' | 'leftMin'>;
  document: RungDocument;
  everyS: number;
  /** Balls thrown of the round; null before it begins. */
  thrown: number | null;
}) {
  if (leftMin === null) return null;
  const left = document.ballsPerRound - (thrown ?? 0);
  const needMin = Math.max(0, minutesOf({ intervalS: everyS, ballsPerRound: left, rounds: 1 }));
  const what = thrown === null ? 'this round takes' : 'the rest of this round takes';
  if (leftMin < 0) return <Late says="The time on this court is over: finish, pick up and put away." />;
  if (needMin > leftMin)
    return (
      <Late says={`${minutes(leftMin)} of court left, and ${what} ${minutes(Math.ceil(needMin))}: fewer balls, or the next group waits.`} />
    );
  return (
    <p className="mt-1 text-quiet" data-testid="court-left">
      {leftMin > SOON_MIN
        ? `The court is ours until ${until}.`
        : `${minutes(leftMin)} of court left; ${what} ${minutes(Math.max(1, Math.ceil(needMin)))}.`}
    </p>
  );
}

const Late = ({ says }: { says: string }) => (
  <Notice tone="warning" role="status" className="mt-2">
    {says}
  </Notice>
);
