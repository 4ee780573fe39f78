import {
  climbsGoals,
  type Feed,
  goalTarget,
  nextGoalStep,
  type Outcome,
  outcomeAt,
  type PlayerTarget,
  type RungDocument,
  type Sport,
  scoreOf,
  targetOf,
} from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { toast } from '../../ui/toast.ts';
import { sayGoal } from '../../words/goals.ts';
import { sayMark } from '../../words/marks.ts';
import { goalChange } from './goal.ts';
import { lastJudged, waitingBall } from './round.ts';
import { goalIn, matchPointsIn, type Run, thrownOf } from './run.ts';
import { say } from './signals.ts';
import type { useRound } from './useRound.ts';

/** Judging the balls of a round: which one waits, what it was to be hit to, and what follows from a hit. */
export function useJudging({
  current,
  tell,
  run,
  document,
  sport,
  hasLine,
  names,
  feedOf,
}: {
  current: ReturnType<typeof useRound>['current'];
  tell: ReturnType<typeof useRound>['tell'];
  run: Run | null;
  /** As it is thrown now. */
  document: RungDocument;
  sport: Sport;
  hasLine: boolean;
  /** Of outcomes, in the words of the sport. */
  names: Record<Outcome, string>;
  feedOf: (seq: number) => Feed | null;
}) {
  const pending = waitingBall(run);
  const nextByHand = (run?.balls.length ?? 0) + 1;
  const canJudge = run !== null && (pending !== undefined || (!hasLine && nextByHand <= document.ballsPerRound));
  const nextToJudge = (): number | undefined => (hasLine ? waitingBall(current.current)?.seq : nextByHand);

  /** Where a ball is to be hit to as the round stands; null where that is what the card says. */
  function anotherTarget(seq: number, feed: Feed | null): PlayerTarget | null {
    const goal = current.current && goalIn(current.current, seq);
    return feed && goal ? goalTarget(sport, document, feed, goal) : null;
  }

  /** After so many in a row the goal grows. */
  function climbGoal(): void {
    const now = current.current;
    const goal = now?.goals.at(-1);
    if (!now || !goal || !climbsGoals(now.card)) return;
    const { step, seq: since } = goal;
    const hits = now.balls.flatMap(({ seq, outcome }) => {
      const score = seq >= since && outcome ? scoreOf(now.card, feedOf(seq) ?? undefined, outcome) : null;
      return score === null ? [] : [score === 'hit'];
    });
    const next = nextGoalStep(now.card, step, hits);
    if (next === step) return;
    tell(goalChange(now, { step: next, times: 1 }));
    const said = `${now.card.goalRun} in a row. Now ${sayGoal({ step: next, times: 1 }, now.card)}.`;
    toast.success(said, { duration: 6000 });
    say(said);
  }

  function judge(outcome: Outcome, ball?: number, landing?: { x: number; y: number }): void {
    const seq = ball ?? nextToJudge();
    if (seq === undefined) return;
    const feed = feedOf(seq);
    const target = anotherTarget(seq, feed);
    tell({
      kind: 'judged',
      seq,
      outcome,
      resultId: uuidv7(),
      feedId: feed?.id ?? null,
      said: names[outcome].toLowerCase(),
      ...(landing && { landing }),
      ...(target && { target }),
    });
    climbGoal();
  }

  /** The ball that is judged next went there: that says what it counts as, too. */
  function judgeAt(spot: { x: number; y: number }): void {
    const seq = nextToJudge();
    if (seq === undefined) return;
    const feed = feedOf(seq);
    const target = feed && (anotherTarget(seq, feed) ?? targetOf(document, feed));
    if (target) judge(outcomeAt(target, spot), seq, spot);
  }

  const countByNumber = (results: readonly { seq: number; outcome: Outcome }[]): void =>
    results.forEach(({ seq, outcome }) => {
      judge(outcome, seq);
    });

  /** Something to look at on the film: which moment of the round, and which ball. */
  function mark(): void {
    const now = current.current;
    if (!now) return;
    const atS = Math.round((Date.now() - new Date(now.startedAt).getTime()) / 1000);
    tell({ kind: 'marked', atS: Math.max(0, atS), seq: Math.max(1, thrownOf(now)) });
    toast(`Marked: ${sayMark({ atS, seq: Math.max(1, thrownOf(now)) })}.`);
  }

  const points = run ? matchPointsIn(run) : [];
  const nextBall = pending?.seq ?? thrownOf(run) + 1;
  const goal = run && goalIn(run, nextBall);
  return {
    pending,
    canJudge,
    judge,
    judgeAt,
    countByNumber,
    mark,
    undoLast: (): void => tell({ kind: 'taken-back', byHand: !hasLine }),
    canUndo: lastJudged(run) !== undefined,
    /** Where each kind of ball is to be hit to under the goal of the round; empty where that is what the card says. */
    otherTargets: goal
      ? document.feeds.flatMap((feed) => (feed.on && feed.counts !== false ? (anotherTarget(nextBall, feed) ?? []) : []))
      : [],
    /** What is asked of the ball that is judged next, where that is not what the card asks. */
    goal,
    nextBall,
    isMatchPoint: (seq: number): boolean => points.includes(seq),
  };
}
