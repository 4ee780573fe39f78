import { radToDeg } from '../quantity/index.ts';
import { arcAtElevation, blockedBy } from './arcs.ts';
import { type Arc, Probe, type Start } from './probe.ts';
import { type AimQuestion, type ReasonCode, WIDEST_LIMITS } from './types.ts';

export interface FamilyArc extends Arc {
  /** Why this arc cannot be thrown here, or null. */
  blocked: ReasonCode | null;
}

/**
 * All arcs to one target: `count` elevations spread evenly between the line of sight and `highestDeg`, those without an arc left out.
 * @returns from the fastest and flattest to the slowest and highest, blocked ones marked
 */
export function arcFamily(question: AimQuestion, count: number, highestDeg = WIDEST_LIMITS.elevationDeg[1]): FamilyArc[] {
  const probe = new Probe(question);
  const sightDeg = radToDeg(Math.atan2(probe.targetZ - question.from.z, probe.distanceM));
  const lowestDeg = sightDeg + 0.5;
  const arcs: FamilyArc[] = [];
  let start: Start | null = null;
  for (let i = count - 1; i >= 0; i--) {
    const elevationDeg = lowestDeg + ((highestDeg - lowestDeg) * i) / (count - 1);
    const arc = arcAtElevation(probe, elevationDeg, start);
    if (!arc || arc.speedMps > WIDEST_LIMITS.speedMps[1]) continue;
    start = { free: 1 / arc.speedMps ** 2, bearingDeg: arc.bearingDeg };
    arcs.push({ ...arc, blocked: blockedBy(question, arc) });
  }
  return arcs.reverse();
}
