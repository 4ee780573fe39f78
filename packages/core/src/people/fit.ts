import type { RungDocument } from '../drill/index.ts';
import type { RungId } from '../ids.ts';
import { type PlanDocument, scheduleOf } from './plan.ts';

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
const MOST_LINES = 2;
/** Fewer rounds in such steps of what was planned. */
const STEP = 0.05;

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
 * once; fewer rounds of every rung, at least one.
 * @param rungs of the plan, in its order, each with its rounds
 * @returns those that fit, each by itself or together; none when not even one round each fits, and none when the plan fits as it is
 */
export function fitPlan(plan: PlanDocument, rungs: readonly PlannedRung[], minutes: number): PlanFit[] {
  const most = minutes * 60;
  if (rungs.length === 0 || endsS(plan, rungs) <= most) return [];
  const here = plan.playerIds.length - plan.absentIds.length;
  const picks =
    here > plan.lines && !plan.stations.includes('picking up')
      ? { ...plan, stations: [...plan.stations, 'picking up' as const].slice(-3) }
      : null;
  const pairs = here > 1 && plan.lines < MOST_LINES ? { ...plan, lines: MOST_LINES } : null;
  const ways: { by: FitBy[]; plan: PlanDocument }[] = [
    ...(picks ? [{ by: ['picking-up' as const], plan: picks }] : []),
    ...(pairs ? [{ by: ['lines' as const], plan: pairs }] : []),
  ];
  const fits = ways.map((way) => ({ ...way, endsS: endsS(way.plan, rungs) })).filter((way) => way.endsS <= most);
  const fewer = (way: { by: FitBy[]; plan: PlanDocument }): PlanFit | null => {
    for (let share = 1 - STEP; share > 0; share -= STEP) {
      const cut = rungs.map(({ id, document }, i) => {
        const part = partOf(way.plan, id, i);
        return { ...part, rungId: id, rounds: Math.max(1, Math.round((part?.rounds ?? document.rounds) * share)) };
      });
      const shorter = { ...way.plan, rungs: cut };
      const ends = endsS(shorter, rungs);
      if (ends <= most) return { by: [...way.by, 'rounds'], plan: shorter, endsS: ends };
    }
    return null;
  };
  // only where nothing else does it are both asked for
  const alone = fewer({ by: [], plan });
  const together = alone === null && fits.length === 0 && pairs ? fewer({ by: ['lines'], plan: pairs }) : null;
  return [...fits, ...(alone ? [alone] : []), ...(together ? [together] : [])];
}
