import type { RungDocument } from '../drill/index.ts';
import type { RungId } from '../ids.ts';
import { scheduleOf } from './plan.ts';
import type { PlanDocument } from './plan-schema.ts';

/** What is changed of a plan so that it fits the time. */
export type FitBy = 'picking-up' | 'lines' | 'rounds';

/** A plan that takes less time, and how. */
export interface PlanFit {
  by: FitBy[];
  plan: PlanDocument;
  endsS: number;
}

interface PlannedRung {
  id: RungId;
  document: RungDocument;
}

/** More at once on one court crowd one another (our judgement). */
const PAIR = 2;
/** As a plan may have. */
const MOST_STATIONS = 3;
const MOST_BALLS = 200;
const MOST_WAYS = 3;
/** What a plan says of its rung at a place; nothing where a rung before it was removed meanwhile. */
const partOf = (plan: PlanDocument, id: RungId, at: number) => (plan.rungs?.[at]?.rungId === id ? plan.rungs[at] : undefined);

/** How long a plan takes, s. @param rungs of the plan, in its order, each with its rounds */
const endsS = (plan: PlanDocument, rungs: readonly PlannedRung[]): number =>
  scheduleOf(
    plan,
    rungs.map(({ id, document }, i) => ({ ...document, rounds: partOf(plan, id, i)?.rounds ?? document.rounds })),
  ).endsS;

/**
 * Ways to bring a plan into the minutes there are, what changes least first: somebody picks up while the others hit, so that nobody stops for it; two hit at
 * once, in turns twice as long, so that fewer walk to and fro; fewer rounds of every rung, at least one.
 * @param rungs of the plan, in its order, each with its rounds
 * @returns those that fit, each by itself or together: none when the plan fits as it is; and the least time that a round of each rung takes, s
 */
export function fitPlan(plan: PlanDocument, rungs: readonly PlannedRung[], minutes: number): { ways: PlanFit[]; leastS: number } {
  const most = minutes * 60;
  const here = plan.playerIds.length - plan.absentIds.length;
  const canPick = here > plan.lines && plan.stations.length < MOST_STATIONS && !plan.stations.includes('picking up');
  const canPair = here > 1 && plan.lines < PAIR && plan.rotateBy.kind === 'balls' && 2 * plan.rotateBy.balls <= MOST_BALLS;
  const picks = (of: PlanDocument): PlanDocument => ({ ...of, stations: [...of.stations, 'picking up'] });
  const pairs = (of: PlanDocument): PlanDocument => ({
    ...of,
    lines: PAIR,
    ...(of.rotateBy.kind === 'balls' && { rotateBy: { kind: 'balls' as const, balls: 2 * of.rotateBy.balls } }),
  });
  const roundsIn = (of: PlanDocument): number[] => rungs.map(({ id, document }, i) => partOf(of, id, i)?.rounds ?? document.rounds);
  const withRounds = (of: PlanDocument, rounds: readonly number[]): PlanDocument => ({
    ...of,
    rungs: rungs.map(({ id }, i) => ({ ...partOf(of, id, i), rungId: id, rounds: rounds[i]! })),
  });
  const asItIs: { by: FitBy[]; plan: PlanDocument } = { by: [], plan };
  const others = [
    ...(canPick ? [{ by: ['picking-up' as const], plan: picks(plan) }] : []),
    ...(canPair ? [{ by: ['lines' as const], plan: pairs(plan) }] : []),
    ...(canPick && canPair && here > PAIR ? [{ by: ['picking-up' as const, 'lines' as const], plan: picks(pairs(plan)) }] : []),
  ];
  const leastS = Math.min(
    ...[asItIs, ...others].map((way) =>
      endsS(
        withRounds(
          way.plan,
          rungs.map(() => 1),
        ),
        rungs,
      ),
    ),
  );
  if (rungs.length === 0 || endsS(plan, rungs) <= most) return { ways: [], leastS };
  const fewer = (way: { by: FitBy[]; plan: PlanDocument }): PlanFit | null => {
    // a round at a time, of the rung that has most of them, the kindest first
    const rounds = roundsIn(way.plan);
    for (;;) {
      const at = rounds.indexOf(Math.max(...rounds));
      if (rounds[at]! <= 1) return null;
      rounds[at]! -= 1;
      const shorter = withRounds(way.plan, rounds);
      const ends = endsS(shorter, rungs);
      if (ends <= most) return { by: [...way.by, 'rounds'], plan: shorter, endsS: ends };
    }
  };
  const fits = others.map((way) => ({ ...way, endsS: endsS(way.plan, rungs) })).filter((way) => way.endsS <= most);
  const alone = fewer(asItIs);
  // several things at once only where nothing else does it
  const together = alone === null && fits.length === 0 ? others.flatMap((way) => fewer(way) ?? []) : [];
  return { ways: [...fits, ...(alone ? [alone] : []), ...together].slice(0, MOST_WAYS), leastS };
}
