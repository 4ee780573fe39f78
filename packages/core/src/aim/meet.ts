import { wrapDeg } from '../quantity/index.ts';
import { aim } from './aim.ts';
import { type HopArc, HopProbe } from './hop.ts';
import { possibleArcs, possibleOf } from './possible.ts';
import type { Arc } from './probe.ts';
import type { AimQuestion, Point3, ReasonCode } from './types.ts';

/** How a ball is met: before it bounces; after one bounce, before its top; after one bounce, at or after the top. */
export const MEETINGS = ['volley', 'rise', 'fall'] as const;
/** How a ball is met; see `MEETINGS`. */
export type Meeting = (typeof MEETINGS)[number];

/** A point of the body, m, and how the ball is to come to it; the rest as in `AimQuestion`. */
export interface MeetQuestion extends Omit<AimQuestion, 'target'> {
  meet: Point3 & { on: Meeting };
  /** Arcs beyond the limits are not looked for, which is quicker: what stands in the way is not told then. */
  insideOnly?: boolean;
}

/** What is kept: the speed, the elevation, or the time from release to the meeting. */
export type MeetHold = { speedMps: number } | { elevationDeg: number } | { timeS: number };

/** A throw that is met there. Metres, seconds, degrees. */
export interface MeetSolution {
  speedMps: number;
  elevationDeg: number;
  bearingDeg: number;
  /** From release to the meeting. */
  timeS: number;
  /** Where it bounces before; null for a volley. */
  landing: { x: number; y: number } | null;
  netClearanceM: number | null;
  /** At the meeting, positive when falling. */
  descentDeg: number;
  /** Top of the ball’s centre after the bounce; null for a volley. */
  topAfterBounceM: number | null;
}

/** All throws that were asked for, or why there is none. */
export interface MeetAnswer {
  solutions: MeetSolution[];
  reason: ReasonCode | null;
}

/**
 * The throw that brings the ball to a point of the player’s body: contact first, the landing follows. Every solution passes the point within 2 mm,
 * clears the net and keeps the limits.
 * @param hold null for `count` arcs, from the slowest to the fastest
 * @throws RangeError when machine and player are less than 5 cm apart (along the court, for a volley)
 */
export function meetBall(question: MeetQuestion, hold: MeetHold | null, count = 25): MeetAnswer {
  const { meet, ...rest } = question;
  const { on } = meet;
  if (Math.hypot(meet.x - question.from.x, meet.y - question.from.y) < 0.05)
    throw new RangeError('meet: must be at least 5 cm from the machine');
  if (on === 'volley') return volley({ ...rest, target: { kind: 'plane', planeY: meet.y, x: meet.x, z: meet.z } }, hold, count);
  const probe = new HopProbe({ ...rest, meet: { ...meet, on } });
  if (hold === null) {
    const solve = walking(probe);
    const { arcs, reason } = possibleOf(
      solve,
      elevationsToTry(question).flatMap((deg) => solve(deg) ?? []),
      count,
    );
    return { solutions: arcs.map(hopSolution), reason };
  }
  const arcs =
    'speedMps' in hold
      ? probe.atSpeed(hold.speedMps)
      : 'elevationDeg' in hold
        ? probe.atElevation(hold.elevationDeg)
        : soonest(probe, hold.timeS, question);
  const good = arcs.filter(({ blocked }) => blocked === null).sort((a, b) => a.timeS - b.timeS);
  return { solutions: good.map(hopSolution), reason: good.length > 0 ? null : (arcs[0]?.blocked ?? 'out-of-reach') };
}

const LOWEST_DEG = -60;
const HIGHEST_DEG = 85;
const STEP_DEG = 5;

/** From flat to high; close together where the machine can throw. */
function elevationsToTry({ limits }: MeetQuestion): number[] {
  const [lo, hi] = [Math.max(LOWEST_DEG, limits.elevationDeg[0]), Math.min(HIGHEST_DEG, limits.elevationDeg[1])];
  const inside = Math.max(8, Math.ceil((hi - lo) / STEP_DEG));
  const all = [
    ...Array.from({ length: inside + 1 }, (_, i) => lo + ((hi - lo) * i) / inside),
    ...Array.from({ length: 15 }, (_, i) => LOWEST_DEG + ((HIGHEST_DEG - LOWEST_DEG) * i) / 14),
  ];
  return [...new Set(all)].sort((a, b) => a - b);
}

/** The first arc at an elevation, looked for around the last one that was found. */
function walking(probe: HopProbe): (elevationDeg: number) => HopArc | null {
  let near: number | undefined;
  return (deg) => {
    const arc = probe.atElevation(deg, near)[0] ?? null;
    near = arc?.speedMps;
    return arc;
  };
}

/** Where the machine can throw first; beyond only to say what stands in the way. */
function soonest(probe: HopProbe, timeS: number, question: MeetQuestion): HopArc[] {
  const all = elevationsToTry(question);
  const [lo, hi] = question.limits.elevationDeg;
  const inside = inTime(
    probe,
    timeS,
    all.filter((deg) => deg >= lo && deg <= hi),
  );
  return inside.length > 0 || question.insideOnly ? inside : inTime(probe, timeS, all);
}

/** Halvings to where a family of arcs ends: there its ball just reaches the height. */
const TO_THE_EDGE = 9;

/** The arcs that are there at a time: later the higher they go. */
function inTime(probe: HopProbe, timeS: number, elevations: readonly number[]): HopArc[] {
  const solve = walking(probe);
  const sampled = elevations.map((deg) => ({ deg, arc: solve(deg) }));
  // between an arc and none the family ends somewhere, and the time may lie on the last bit of it
  const arcs = sampled.flatMap(({ deg, arc }, i): HopArc[] => {
    if (arc) return [arc];
    const [before, after] = [sampled[i - 1]?.arc, sampled[i + 1]?.arc];
    return [before && lastBefore(solve, before, deg), after && lastBefore(solve, after, deg)].filter((each) => each != null);
  });
  const found: HopArc[] = [];
  arcs.slice(1).forEach((next, i) => {
    let [a, b] = [arcs[i]!, next];
    if (a.timeS > timeS === b.timeS > timeS) return;
    let best: HopArc | null = null;
    for (let n = 0; n < 40 && (!best || Math.abs(best.timeS - timeS) > 1e-6); n++) {
      // the secant, kept off the ends so that the bracket shrinks from both
      const share = Math.min(0.95, Math.max(0.05, (timeS - a.timeS) / (b.timeS - a.timeS)));
      const arc = solve(a.elevationDeg + share * (b.elevationDeg - a.elevationDeg));
      if (!arc) break;
      best = !best || Math.abs(arc.timeS - timeS) < Math.abs(best.timeS - timeS) ? arc : best;
      if (arc.timeS > timeS === a.timeS > timeS) a = arc;
      else b = arc;
    }
    if (best && Math.abs(best.timeS - timeS) < 1e-3) found.push(best);
  });
  return found;
}

/** The last arc of a family toward an elevation that has none. */
function lastBefore(solve: (deg: number) => HopArc | null, arc: HopArc, noneDeg: number): HopArc {
  let [best, beyond] = [arc, noneDeg];
  for (let i = 0; i < TO_THE_EDGE; i++) {
    const middle = (best.elevationDeg + beyond) / 2;
    const found = solve(middle);
    if (found) best = found;
    else beyond = middle;
  }
  return best;
}

function volley(question: AimQuestion, hold: MeetHold | null, count: number): MeetAnswer {
  if (hold === null) {
    const { arcs, reason } = possibleArcs(question, count);
    return { solutions: arcs.map((arc) => ({ ...common(arc), landing: null, topAfterBounceM: null })), reason };
  }
  const { solutions, reason } = aim(question, 'timeS' in hold ? { flightTimeS: hold.timeS } : hold);
  return {
    solutions: solutions.map(({ flightTimeS, arc: _arc, ...rest }) => ({
      ...rest,
      timeS: flightTimeS,
      landing: null,
      topAfterBounceM: null,
    })),
    reason: reason?.code ?? null,
  };
}

const common = ({ speedMps, elevationDeg, bearingDeg, timeS, clearanceM, descentDeg }: Arc) => ({
  speedMps,
  elevationDeg,
  bearingDeg: wrapDeg(bearingDeg),
  timeS,
  netClearanceM: clearanceM,
  descentDeg,
});

const hopSolution = (arc: HopArc): MeetSolution => ({ ...common(arc), landing: arc.landing, topAfterBounceM: arc.topAfterBounceM });
