import { arcsFor, blockedBy, solutionOf } from './arcs.ts';
import { nearestPossible } from './nearest.ts';
import { Probe } from './probe.ts';
import type { AimAnswer, AimQuestion, Blocked, Hold, ReasonCode, Solution } from './types.ts';

/**
 * Solves the launch that reaches a target, with one value held and the bearing solved along.
 * A re-flown solution lands within 1 mm of the target. Arcs that hit the net or break a limit come back as `blocked`.
 * @param hold speed → the low and the high arc; elevation, net clearance or flight time → one arc
 * @throws RangeError when machine and target stand on the same spot
 */
export function aim(question: AimQuestion, hold: Hold): AimAnswer {
  const probe = new Probe(question);
  if (!(probe.distanceM > 0.05)) throw new RangeError('target: must be at least 5 cm from the machine');
  if ('netClearanceM' in hold && (question.net === null || !crossesNet(question))) {
    return {
      solutions: [],
      blocked: [],
      reason: { code: 'no-net', nearest: null },
    };
  }
  const arcs = arcsFor(probe, hold);
  const solutions: Solution[] = [];
  const blocked: Blocked[] = [];
  arcs.forEach((arc, i) => {
    const code = blockedBy(question, arc);
    if (code) blocked.push({ code, speedMps: arc.speedMps, elevationDeg: arc.elevationDeg, netClearanceM: arc.clearanceM });
    else solutions.push(solutionOf(arc, arcs.length === 2 ? (i === 0 ? 'low' : 'high') : 'only'));
  });
  if (solutions.length > 0) return { solutions, blocked, reason: null };
  const code = blocked[0]?.code ?? heldBeyond(question, hold) ?? 'out-of-reach';
  return { solutions, blocked, reason: { code, nearest: nearestPossible(question, hold) } };
}

const crossesNet = ({ from, target }: AimQuestion): boolean => from.y > 0 !== (target.kind === 'landing' ? target.y : target.planeY) > 0;

function heldBeyond({ limits }: AimQuestion, hold: Hold): ReasonCode | null {
  if ('speedMps' in hold)
    return hold.speedMps > limits.speedMps[1] ? 'speed-too-high' : hold.speedMps < limits.speedMps[0] ? 'speed-too-low' : null;
  if ('elevationDeg' in hold) {
    if (hold.elevationDeg > limits.elevationDeg[1]) return 'elevation-too-high';
    return hold.elevationDeg < limits.elevationDeg[0] ? 'elevation-too-low' : null;
  }
  return null;
}
