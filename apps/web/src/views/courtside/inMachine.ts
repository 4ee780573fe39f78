import type { Launch, programOf } from '@good-arc/core';
import type { Status } from '@good-arc/line';
import type { Run } from './run.ts';

/** Finer than any machine turns, m/s and °. */
const SAME = 0.02;
const isSameBall = (a: Pick<Launch, 'speedMps' | 'elevationDeg' | 'bearingDeg'>, b: typeof a): boolean =>
  (['speedMps', 'elevationDeg', 'bearingDeg'] as const).every((key) => Math.abs(a[key] - b[key]) <= SAME);

/** What is in the machine, compared with what the page shows. */
export function inMachine({
  run,
  program,
  armedFor,
  state,
  status,
  isComparable,
}: {
  run: Run | null;
  /** Of the round, ball by ball, as it stands. */
  program: ReturnType<typeof programOf>;
  /** The round that this device armed it for last. */
  armedFor: string;
  state: string;
  status: Status | null;
  /** One machine throws all of the round. */
  isComparable: boolean;
}) {
  const inIt = ['arming', 'feeding', 'held'].includes(state) ? (status?.program ?? null) : null;
  // it echoes the ball it turns to: that is compared with the ball of its own count, so that a ball on its way is no difference
  const echoed = run && isComparable && status?.program?.id === run.roundId ? status : null;
  const shown = run && echoed && program[run.offset + echoed.thrown]?.launch;
  return {
    /** A round that somebody else armed: whose it is is said, and nobody goes on with it unawares. */
    others: inIt && inIt.id !== run?.roundId && inIt.id !== armedFor ? inIt : null,
    /** It turns to another ball than the one that is shown as the next. */
    isAnotherBall: Boolean(echoed?.next && shown && !isSameBall(echoed.next, shown)),
  };
}
