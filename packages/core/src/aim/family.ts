import { radToDeg } from '../quantity/index.ts';
import { arcAtElevation, blockedBy } from './arcs.ts';
import { type Arc, Probe, type Start } from './probe.ts';
import { type AimQuestion, type ReasonCode, WIDEST_LIMITS } from './types.ts';

/** One arc of a family: its launch, and whether the machine can throw it. */
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

/** A stretch of the family that cannot be thrown, and why. */
export interface BlockedPart {
  code: ReasonCode;
  elevationDeg: [number, number];
  speedMps: [number, number];
}

const SCAN = 61;

/**
 * Exactly `count` arcs spread evenly over the elevations that can be thrown, and the stretches that cannot.
 * Above the slowest arc of a family higher ones are faster again: it begins there, unless the limits leave only those.
 * @returns from the slowest and highest to the fastest and flattest; no arcs when nothing can be thrown
 */
export function possibleArcs(question: AimQuestion, count: number): { arcs: Arc[]; blocked: BlockedPart[] } {
  const probe = new Probe(question);
  const sampled = arcFamily(question, SCAN, Math.min(WIDEST_LIMITS.elevationDeg[1], question.limits.elevationDeg[1]));
  const first = sampled.findIndex(({ blocked }) => blocked === null);
  const last = sampled.findLastIndex(({ blocked }) => blocked === null);
  if (first < 0) return { arcs: [], blocked: blockedParts(sampled) };
  let slowest = first;
  for (let i = first; i <= last; i++) if (sampled[i]!.blocked === null && sampled[i]!.speedMps < sampled[slowest]!.speedMps) slowest = i;
  const turns = slowest > first && slowest < last;
  const lowest = edge(probe, sampled[first]!, sampled[first - 1]);
  const highest = turns
    ? slowestBetween(probe, sampled[slowest - 1]!, sampled[slowest + 1]!)
    : edge(probe, sampled[last]!, sampled[last + 1]);
  const arcs: Arc[] = [];
  for (let i = 0; i < count; i++) {
    const share = count === 1 ? 0 : i / (count - 1);
    const arc = arcAtElevation(probe, highest.elevationDeg + (lowest.elevationDeg - highest.elevationDeg) * share);
    if (arc && blockedBy(question, arc) === null) arcs.push(arc);
  }
  return { arcs, blocked: blockedParts(turns ? sampled.slice(0, slowest + 1) : sampled) };
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The slowest arc between two elevations (golden section). */
function slowestBetween(probe: Probe, below: Arc, above: Arc): Arc {
  let [lo, hi] = [below.elevationDeg, above.elevationDeg];
  let best = below;
  for (let i = 0; i < 18; i++) {
    const [a, b] = [hi - GOLDEN * (hi - lo), lo + GOLDEN * (hi - lo)].map((deg) => arcAtElevation(probe, deg)) as [Arc | null, Arc | null];
    if (!a || !b) break;
    if (a.speedMps < b.speedMps) hi = b.elevationDeg;
    else lo = a.elevationDeg;
    best = a.speedMps < b.speedMps ? a : b;
  }
  return best;
}

/** Halves its way from a possible arc toward a blocked neighbour. */
function edge(probe: Probe, good: Arc, bad: Arc | undefined): Arc {
  if (!bad) return good;
  let [best, beyond] = [good, bad.elevationDeg];
  for (let i = 0; i < 14; i++) {
    const middle = (best.elevationDeg + beyond) / 2;
    const arc = arcAtElevation(probe, middle);
    if (arc && blockedBy(probe.question, arc) === null) best = arc;
    else beyond = middle;
  }
  return best;
}

function blockedParts(sampled: readonly FamilyArc[]): BlockedPart[] {
  const parts: BlockedPart[] = [];
  sampled.forEach((arc, i) => {
    if (arc.blocked === null) return;
    const part = sampled[i - 1]?.blocked === arc.blocked ? parts.at(-1) : undefined;
    if (!part) {
      parts.push({ code: arc.blocked, elevationDeg: [arc.elevationDeg, arc.elevationDeg], speedMps: [arc.speedMps, arc.speedMps] });
      return;
    }
    part.elevationDeg[1] = arc.elevationDeg;
    part.speedMps = [Math.min(part.speedMps[0], arc.speedMps), Math.max(part.speedMps[1], arc.speedMps)];
  });
  return parts;
}
