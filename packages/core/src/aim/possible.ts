import { arcAtElevation, blockedBy } from './arcs.ts';
import { arcsAt, evenly, type FamilyArc, flattestDeg, HIGHEST_DEG } from './family.ts';
import { type Arc, Probe } from './probe.ts';
import type { AimQuestion, ReasonCode } from './types.ts';

/** A stretch of the family that cannot be thrown, and why. */
export interface BlockedPart {
  code: ReasonCode;
  elevationDeg: [number, number];
  speedMps: [number, number];
}

const SCAN = 61;
const SCAN_ALL = 30;

/** Arcs to one target that can be thrown; where there is none, why. */
export interface PossibleArcs<A extends FamilyArc = FamilyArc> {
  arcs: A[];
  blocked: BlockedPart[];
  /** What stands in the way of most of them; null when there are arcs. */
  reason: ReasonCode | null;
}

/**
 * Exactly `count` arcs spread evenly over the elevations that can be thrown, and the stretches that cannot.
 * Above the slowest arc of a family higher ones are faster again: it begins there, unless the limits leave only those.
 * @returns from the slowest to the fastest, which is from the highest to the flattest unless only arcs above the slowest are left
 */
export function possibleArcs(question: AimQuestion, count: number): PossibleArcs {
  const probe = new Probe(question);
  const [lowestDeg, highestDeg] = question.limits.elevationDeg;
  const flattest = flattestDeg(probe);
  // close together where the machine can throw, however little that is
  const inLimits = evenly(SCAN, Math.max(flattest, lowestDeg), Math.min(HIGHEST_DEG, highestDeg));
  const all = [...inLimits, ...evenly(SCAN_ALL, flattest, HIGHEST_DEG)].filter((deg) => deg >= flattest && deg <= HIGHEST_DEG);
  const sampled = arcsAt(
    probe,
    [...new Set(all)].sort((a, b) => a - b),
  );
  const solve = (deg: number): FamilyArc | null => {
    const arc = arcAtElevation(probe, deg);
    return arc && { ...arc, blocked: blockedBy(question, arc) };
  };
  return possibleOf(solve, sampled, count);
}

/** As `possibleArcs`, for any family of arcs by their elevation. @param sampled from the flattest to the highest */
export function possibleOf<A extends FamilyArc>(
  solve: (elevationDeg: number) => A | null,
  sampled: readonly A[],
  count: number,
): PossibleArcs<A> {
  const first = sampled.findIndex(({ blocked }) => blocked === null);
  const last = sampled.findLastIndex(({ blocked }) => blocked === null);
  const blocked = blockedParts(solve, sampled);
  if (first < 0) return { arcs: [], blocked, reason: mostly(sampled) };
  let slowest = first;
  for (let i = first; i <= last; i++) if (sampled[i]!.blocked === null && sampled[i]!.speedMps < sampled[slowest]!.speedMps) slowest = i;
  const turns = slowest > first && slowest < last;
  const lowest = edge(solve, sampled[first]!, sampled[first - 1]);
  const highest = turns
    ? slowestBetween(solve, sampled[slowest - 1]!, sampled[slowest + 1]!)
    : edge(solve, sampled[last]!, sampled[last + 1]);
  const arcs: A[] = [];
  for (let i = 0; i < count; i++) {
    const share = count === 1 ? 0 : i / (count - 1);
    const arc = solve(highest.elevationDeg + (lowest.elevationDeg - highest.elevationDeg) * share);
    if (arc && arc.blocked === null) arcs.push(arc);
  }
  const top = turns ? highest.elevationDeg : Number.POSITIVE_INFINITY;
  return {
    arcs: arcs.sort((a, b) => a.speedMps - b.speedMps),
    blocked: blocked.filter(({ elevationDeg }) => elevationDeg[0] < top),
    reason: null,
  };
}

/** The reason of most arcs. */
function mostly(sampled: readonly FamilyArc[]): ReasonCode {
  const count = new Map<ReasonCode, number>();
  for (const { blocked } of sampled) if (blocked) count.set(blocked, (count.get(blocked) ?? 0) + 1);
  return [...count].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'out-of-reach';
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** The slowest arc between two elevations (golden section). */
function slowestBetween<A extends FamilyArc>(solve: (deg: number) => A | null, below: A, above: A): A {
  let [lo, hi] = [below.elevationDeg, above.elevationDeg];
  let best = below;
  for (let i = 0; i < 18; i++) {
    const [a, b] = [hi - GOLDEN * (hi - lo), lo + GOLDEN * (hi - lo)].map(solve) as [A | null, A | null];
    if (!a || !b) break;
    if (a.speedMps < b.speedMps) hi = b.elevationDeg;
    else lo = a.elevationDeg;
    best = a.speedMps < b.speedMps ? a : b;
  }
  return best;
}

/** Halves its way from one arc toward a neighbour whose answer is another. @returns the last with its own answer */
function edge<A extends FamilyArc>(solve: (deg: number) => A | null, from: A, other: A | undefined): A {
  if (!other) return from;
  let [best, beyond] = [from, other.elevationDeg];
  for (let i = 0; i < 14; i++) {
    const middle = (best.elevationDeg + beyond) / 2;
    const arc = solve(middle);
    if (arc && arc.blocked === from.blocked) best = arc;
    else beyond = middle;
  }
  return best;
}

function blockedParts<A extends FamilyArc>(solve: (deg: number) => A | null, sampled: readonly A[]): BlockedPart[] {
  const parts: { code: ReasonCode; arcs: Arc[] }[] = [];
  sampled.forEach((arc, i) => {
    const code = arc.blocked;
    if (code === null) return;
    const goesOn = sampled[i - 1]?.blocked === code;
    if (!goesOn) parts.push({ code, arcs: [edge(solve, arc, sampled[i - 1])] });
    const { arcs } = parts.at(-1)!;
    arcs.push(arc);
    if (sampled[i + 1]?.blocked !== code) arcs.push(edge(solve, arc, sampled[i + 1]));
  });
  const range = (values: number[]): [number, number] => [Math.min(...values), Math.max(...values)];
  return parts.map(({ code, arcs }) => ({
    code,
    elevationDeg: range(arcs.map(({ elevationDeg }) => elevationDeg)),
    speedMps: range(arcs.map(({ speedMps }) => speedMps)),
  }));
}
