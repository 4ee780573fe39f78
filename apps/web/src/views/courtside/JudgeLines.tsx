import type { Goal, RungDocument } from '@good-arc/core';
import { sayGoal } from '../../words/goals.ts';

/** What the ball that is judged next was to do, and whose it was, where that is not plain. */
export function JudgeLines({
  goal,
  document,
  ball,
  hitBy,
}: {
  /** Null while it is what the card asks. */
  goal: Goal | null;
  document: RungDocument;
  /** Its number, when it waits. */
  ball: number | null;
  /** Empty where it was hit by whoever is called next. */
  hitBy: string;
}) {
  return (
    <>
      {goal && (
        <p className="mt-2 text-lg font-bold" role="status">
          Goal now: {sayGoal(goal, document)}.
        </p>
      )}
      {ball !== null && hitBy !== '' && (
        <p className="mt-1 font-semibold">
          Ball {ball} was hit by {hitBy}.
        </p>
      )}
    </>
  );
}
