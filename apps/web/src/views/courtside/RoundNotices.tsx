import { isForLearning, printTime, type RungDocument, type RungId, sameCard } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { courtsideLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { openRuns, type Run } from './run.ts';

/** What a round on this device and what is shown of it may disagree about. */
export function RoundNotices({
  run,
  rungId,
  document,
  kept,
  everyS,
  thrownEveryS,
  isAnotherBall,
  others: inIt,
  isHeld,
  players,
}: {
  run: Run | null;
  rungId: RungId;
  /** The rung as it is shown, and as it is kept by now. */
  document: RungDocument;
  kept: RungDocument;
  /** Interval as it is shown, and of the program in a machine that is armed; null when none is. */
  everyS: number;
  thrownEveryS: number | null;
  /** What the machine turns to next is not the ball that is shown. */
  isAnotherBall: boolean;
  /** The program of another round in the machine; null when there is none. */
  others: { name: string } | null;
  isHeld: boolean;
  players: readonly { id: string; name: string }[];
}) {
  const [others, setOthers] = useState<Run[]>([]);
  useEffect(() => void openRuns().then((runs) => setOthers(runs.filter((each) => each.rungId !== rungId))), [rungId]);
  const every = (seconds: number): string => printTime(seconds, 1);
  return (
    <>
      {inIt && (
        <Notice role="status" tone="warning" loud className="mt-2">
          {isHeld ? 'Another round is on hold in the machine' : 'The machine throws another round'}: {inIt.name || 'nobody said whose'}.
          {isHeld && ' Taking it over throws this rung instead; the other one is not lost, but has to be armed again.'}
        </Notice>
      )}
      {run && thrownEveryS !== null && Math.abs(thrownEveryS - everyS) > 0.01 && (
        <Notice role="alert" tone="error" loud className="mt-2">
          Not what is shown: the machine’s program has {every(thrownEveryS)} between balls, this page {every(everyS)}. Hold it, then arm it
          again.
        </Notice>
      )}
      {run && isAnotherBall && (
        <Notice role="alert" tone="error" loud className="mt-2">
          Not what is shown: the machine turns to another ball than this page shows next. Hold it, then arm it again.
        </Notice>
      )}
      {run && !isForLearning(document) && !sameCard(document, kept) && (
        <Notice tone="warning" className="mt-2">
          This rung was changed meanwhile. The round goes on as it began, every {every(everyS)}; the next one takes the change.
        </Notice>
      )}
      {others.map((other) => (
        <Notice key={other.roundId} tone="warning" className="mt-2">
          A round is still open on this device:{' '}
          <a className="font-semibold underline" href={courtsideLink(other.rungId, other.playerId)}>
            {other.card.name}, {players.find(({ id }) => id === other.playerId)?.name ?? 'somebody'}
          </a>
        </Notice>
      ))}
    </>
  );
}
