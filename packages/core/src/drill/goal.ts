import { SPORT_RECORDS, type Sport } from '../catalog/index.ts';
import type { Feed, RungDocument } from './schema.ts';
import { type PlayerTarget, resizeTarget, targetOf } from './target.ts';
import { away } from './timing.ts';

/** Large parts of a court to hit to, where a square is too much to ask yet. */
export const AREAS = ['anywhere', 'left-half', 'right-half', 'deep', 'short'] as const;
/** A part of a court; see `AREAS`. */
export type Area = (typeof AREAS)[number];

/** A part of the court of a sport that is played over a net, as a target: m, in the frame of the court. Null for a field. */
export function areaTarget(sport: Sport, area: Area): PlayerTarget | null {
  const { play, court } = SPORT_RECORDS[sport];
  if (play.kind !== 'net') return null;
  const { x1, x2, y2 } = court.inPlay;
  const [widthM, depthM] = [x2 - x1, y2];
  switch (area) {
    case 'anywhere':
      return { x: 0, y: depthM / 2, widthM, depthM };
    case 'left-half':
    case 'right-half':
      return { x: ((area === 'left-half' ? -1 : 1) * widthM) / 4, y: depthM / 2, widthM: widthM / 2, depthM };
    case 'deep':
      return { x: 0, y: (play.shortM + y2) / 2, widthM, depthM: y2 - play.shortM };
    case 'short':
      return { x: 0, y: play.shortM / 2, widthM, depthM: play.shortM };
  }
}

/** As near as this, m, it is the same target. */
const SAME_M = 0.05;

/** Which part of the court a target is; null when it is none of them. */
export function areaOf(sport: Sport, target: PlayerTarget): Area | null {
  return (
    AREAS.find((area) => {
      const whole = areaTarget(sport, area);
      return (
        whole !== null &&
        away(whole, target) < SAME_M &&
        Math.abs(whole.widthM - target.widthM) < SAME_M &&
        Math.abs(whole.depthM - target.depthM) < SAME_M
      );
    }) ?? null
  );
}

/** What is asked of a ball, the easiest first: over the net and in, on the right side, in the target itself, there with the spin that is asked. */
export const GOAL_STEPS = ['anywhere', 'side', 'target', 'spin'] as const;
/** What is asked of a ball in a round; see `GOAL_STEPS`. */
export type GoalStep = (typeof GOAL_STEPS)[number];

/** Nearer to the middle than this, m, a target has no side: it is deep or short. */
const MIDDLE_M = 0.5;

/** The part of the court that a target lies in. */
function sideOf(sport: Sport, { x, y }: PlayerTarget): Area {
  const { play } = SPORT_RECORDS[sport];
  if (Math.abs(x) > MIDDLE_M) return x < 0 ? 'left-half' : 'right-half';
  return play.kind === 'net' && y < play.shortM ? 'short' : 'deep';
}

/** What is asked while a round goes on, where it is not what the card asks: how large a step of it, or the target so many times as wide. */
export interface Goal {
  step: GoalStep;
  /** Of the target’s width and depth; 1 as on the card. */
  times: number;
}

/** What a card itself asks of its balls. */
export const cardGoal = ({ hitWith }: Pick<RungDocument, 'hitWith'>): Goal => ({ step: hitWith ? 'spin' : 'target', times: 1 });

/** Whether a goal is no other than the card’s. */
export const isCardGoal = (rung: Pick<RungDocument, 'hitWith'>, { step, times }: Goal): boolean =>
  times === 1 && step === cardGoal(rung).step;

/** As wide and as narrow as a target gets in a round. */
export const GOAL_TIMES = { least: 0.4, most: 3, by: 1.25 } as const;

/**
 * Where a ball is to be hit to under another goal than the card’s.
 * @returns null where the goal changes nothing: it is the card’s own, the rung leaves the place open, or the sport has no such part
 */
export function goalTarget(
  sport: Sport,
  rung: Pick<RungDocument, 'targetAt' | 'targetSize' | 'hitWith'>,
  feed: Pick<Feed, 'targetAt'>,
  goal: Goal,
): PlayerTarget | null {
  const target = targetOf(rung, feed);
  if (!target || isCardGoal(rung, goal)) return null;
  const { step, times } = goal;
  if (step === 'anywhere' || step === 'side') return areaTarget(sport, step === 'anywhere' ? 'anywhere' : sideOf(sport, target));
  const { widthM, depthM } = target;
  const { targetSize, targetAt } = resizeTarget(
    sport,
    { targetAt: { x: target.x, y: target.y }, targetSize: { widthM, depthM } },
    { widthM: widthM * times, depthM: depthM * times },
  );
  return { ...targetAt!, ...targetSize };
}

/**
 * The goal of the next ball of a round that climbs its goals: so many hits running at one step open the next.
 * @param hits of the balls judged at this step, the newest last @returns the step itself until it is done, and what the card asks for good
 */
export function nextGoalStep(rung: Pick<RungDocument, 'goalRun' | 'hitWith'>, step: GoalStep, hits: readonly boolean[]): GoalStep {
  const { goalRun } = rung;
  const isDone = goalRun !== undefined && hits.length >= goalRun && hits.slice(-goalRun).every(Boolean);
  return isDone && step !== cardGoal(rung).step ? GOAL_STEPS[GOAL_STEPS.indexOf(step) + 1]! : step;
}
