import type { Goal } from '@good-arc/core';
import { sayGoal } from '../../words/goals.ts';
import { type Run, thrownOf } from './run.ts';

/** Another goal of a round from its next ball on. */
export function goalChange(run: Run, goal: Goal) {
  const seq = thrownOf(run) + 1;
  const goals = [...run.goals.filter((each) => each.seq < seq), { seq, ...goal }];
  return { kind: 'changed', part: { goals }, about: 'goal', said: sayGoal(goal, run.card) } as const;
}
