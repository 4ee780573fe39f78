import { LEVEL_NEEDS } from '../catalog/index.ts';
import { away, isIn, type RungDocument, SAME_SPEED, type Spot } from '../drill/index.ts';
import { chanceOf } from '../progress/index.ts';

/** What may change from one rung to the next. */
export const CHANGES = ['placement', 'pace', 'spin', 'interval', 'order', 'target'] as const;
/** In what one rung differs from another. */
export type Change = (typeof CHANGES)[number];

/** Below these it is the same (our judgement). */
const SAME = { placementM: 0.5, pace: SAME_SPEED, spinRpm: 250, intervalS: 0.26, target: 0.12, chance: 0.08, targetM: 1 };

/** Another size. */
const resized = ({ targetSize: a }: RungDocument, { targetSize: b }: RungDocument): boolean =>
  Math.abs(b.widthM / a.widthM - 1) > SAME.target || Math.abs(b.depthM / a.depthM - 1) > SAME.target;

/** Chance of the rung's level to hit its target from where its player waits. */
function chanceIn({ level, player, targetAt, targetSize }: RungDocument): number {
  const distanceM = targetAt ? away(player.start, targetAt) : USUAL_DISTANCE_M;
  return chanceOf(LEVEL_NEEDS[level].scatter, Math.max(1, distanceM), targetSize);
}
/** Where no target is placed, its size alone is compared, m. */
const USUAL_DISTANCE_M = 20;

/** Another place: a larger target at the same line has its middle elsewhere, too. */
function moved(a: RungDocument, b: RungDocument): boolean {
  if (!a.targetAt || !b.targetAt) return false;
  const grown = Math.hypot(a.targetSize.widthM - b.targetSize.widthM, a.targetSize.depthM - b.targetSize.depthM) / 2;
  return away(a.targetAt, b.targetAt) - grown > SAME.targetM;
}

/** What changes between two rungs. */
export function changesBetween(a: RungDocument, b: RungDocument): Change[] {
  const [from, to] = [summary(a), summary(b)];
  const apart = (p: Spot, q: Spot): boolean => away(p, q) > SAME.placementM;
  const is: Record<Change, boolean> = {
    placement: apart(from.place, to.place) || apart(a.player.start, b.player.start) || a.machineId !== b.machineId,
    pace: Math.abs(to.speedMps / from.speedMps - 1) > SAME.pace,
    spin: (Math.abs(to.spinRpm - from.spinRpm) > SAME.spinRpm && !follows(from, to)) || Math.abs(to.sideRpm - from.sideRpm) > SAME.spinRpm,
    interval: Math.abs(b.intervalS - a.intervalS) > SAME.intervalS,
    order:
      from.members !== to.members || (from.members > 1 && a.order.kind !== b.order.kind) || (a.sweep?.kind ?? '') !== (b.sweep?.kind ?? ''),
    target: (resized(a, b) && Math.abs(chanceIn(b) - chanceIn(a)) > SAME.chance) || moved(a, b),
  };
  return CHANGES.filter((each) => is[each]);
}

/** One wheel: the spin follows the speed, nobody changed it. */
const follows = (a: { spinRpm: number; speedMps: number }, b: { spinRpm: number; speedMps: number }): boolean =>
  a.spinRpm !== 0 && Math.abs(b.spinRpm / b.speedMps / (a.spinRpm / a.speedMps) - 1) < 0.02;

function summary({ feeds, absent }: RungDocument) {
  const members = feeds.filter((feed) => isIn(feed, absent));
  const list = members.length > 0 ? members : feeds;
  const mean = (of: (feed: (typeof feeds)[number]) => number): number => list.reduce((sum, each) => sum + of(each), 0) / list.length;
  return {
    place: { x: mean(({ launch }) => launch.x), y: mean(({ launch }) => launch.y) },
    speedMps: mean(({ launch }) => launch.speedMps),
    spinRpm: mean(({ launch }) => launch.topspinRpm),
    sideRpm: mean(({ launch }) => launch.sidespinRpm),
    members: members.length,
  };
}

/** A jump of demand that is too much for one step, and the most changes it may make (drill model; common practice, no source). */
export const GAP_DEMAND = 20;
export const GAP_CHANGES = 2;

/** From one rung to the next: how much more it asks, in what it differs, and whether that is a step, a gap, or down. */
export interface Step {
  rise: number;
  changes: Change[];
  kind: 'step' | 'gap' | 'down';
}

/** From one judged rung to the next one up. */
export function stepBetween(a: { document: RungDocument; demand: number }, b: { document: RungDocument; demand: number }): Step {
  const rise = b.demand - a.demand;
  const changes = changesBetween(a.document, b.document);
  const kind = rise > GAP_DEMAND || changes.length > GAP_CHANGES ? 'gap' : rise < -0.5 ? 'down' : 'step';
  return { rise, changes, kind };
}
