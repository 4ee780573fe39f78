import { atOnce } from '../parts.ts';
import { radToDeg } from '../quantity/index.ts';
import { arcAtElevation, blockedBy } from './arcs.ts';
import { type Arc, Probe, type Start } from './probe.ts';
import { type AimQuestion, type ReasonCode, WIDEST_LIMITS } from './types.ts';

/** One arc of a family: its launch, and whether the machine can throw it. */
export interface FamilyArc extends Arc {
  /** Why this arc cannot be thrown here, or null. */
  blocked: ReasonCode | null;
}

/** Higher arcs are hardly one another’s neighbours: they come straight down. */
export const HIGHEST_DEG = 85;
const ARCS_AT_ONCE = 8;

/**
 * All arcs to one target: `count` elevations spread evenly between the line of sight and `highestDeg`, those without an arc left out.
 * @returns from the fastest and flattest to the slowest and highest, blocked ones marked
 */
export const arcFamily = (question: AimQuestion, count: number, highestDeg?: number): FamilyArc[] =>
  atOnce(arcFamilyInParts(question, count, highestDeg));

/** As `arcFamily`, for whoever has something else to do in between: it stops after every few arcs. */
export function arcFamilyInParts(question: AimQuestion, count: number, highestDeg = HIGHEST_DEG): Generator<void, FamilyArc[]> {
  const probe = new Probe(question);
  return arcsInParts(probe, evenly(count, flattestDeg(probe), highestDeg));
}

/** Just above the line of sight. */
export const flattestDeg = ({ question, targetZ, distanceM }: Probe): number =>
  radToDeg(Math.atan2(targetZ - question.from.z, distanceM)) + 0.5;

/** So many values, both ends among them. */
export const evenly = (count: number, from: number, to: number): number[] =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** The arcs at these elevations, from the lowest; each search goes on from its neighbour above. */
export const arcsAt = (probe: Probe, elevationsDeg: readonly number[]): FamilyArc[] => atOnce(arcsInParts(probe, elevationsDeg));

function* arcsInParts(probe: Probe, elevationsDeg: readonly number[]): Generator<void, FamilyArc[]> {
  const arcs: FamilyArc[] = [];
  let start: Start | null = null;
  for (const [i, elevationDeg] of [...elevationsDeg].reverse().entries()) {
    if (i % ARCS_AT_ONCE === ARCS_AT_ONCE - 1) yield;
    const arc = arcAtElevation(probe, elevationDeg, start);
    if (!arc || arc.speedMps > WIDEST_LIMITS.speedMps[1]) continue;
    start = { free: 1 / arc.speedMps ** 2, bearingDeg: arc.bearingDeg };
    arcs.push({ ...arc, blocked: blockedBy(probe.question, arc) });
  }
  return arcs.reverse();
}
