import { fly } from '../flight/index.ts';
import { wrapDeg } from '../quantity/index.ts';
import { arcAtElevation, blockedBy } from './arcs.ts';
import { arcFamily, type FamilyArc } from './family.ts';
import { type Arc, Probe } from './probe.ts';
import { type AimQuestion, type Hold, type Nearest, type Solution, spinAt } from './types.ts';

const SAMPLES = 41;

/**
 * The nearest thing this machine can do instead: first another arc to the same spot, as close as possible to the held value;
 * where there is none, the spot nearest to the target along the same line.
 */
export function nearestPossible(question: AimQuestion, hold: Hold): Nearest | null {
  const family = arcFamily(question, SAMPLES);
  const possible = family.filter((arc) => arc.blocked === null);
  if (possible.length > 0) {
    const best = possible.reduce((a, b) => (distanceTo(hold, b) < distanceTo(hold, a) ? b : a));
    const arc = towardHold(question, hold, family, best);
    const { target } = question;
    return {
      ...settings(arc),
      netClearanceM: arc.clearanceM,
      x: target.x,
      y: target.kind === 'landing' ? target.y : target.planeY,
      missM: 0,
    };
  }
  return nearestSpot(question);
}

const settings = ({ speedMps, elevationDeg, bearingDeg }: Arc): Pick<Nearest, 'speedMps' | 'elevationDeg' | 'bearingDeg'> => ({
  speedMps,
  elevationDeg,
  bearingDeg,
});

/** How far a solved throw is from the value that was held, in that value's unit. */
export function distanceToHold(hold: Hold, thrown: Pick<Solution, 'speedMps' | 'elevationDeg' | 'netClearanceM' | 'flightTimeS'>): number {
  if ('speedMps' in hold) return Math.abs(thrown.speedMps - hold.speedMps);
  if ('elevationDeg' in hold) return Math.abs(thrown.elevationDeg - hold.elevationDeg);
  if ('netClearanceM' in hold) return Math.abs((thrown.netClearanceM ?? 0) - hold.netClearanceM);
  return Math.abs(thrown.flightTimeS - hold.flightTimeS);
}

const distanceTo = (hold: Hold, arc: Arc): number =>
  distanceToHold(hold, { ...arc, netClearanceM: arc.clearanceM, flightTimeS: arc.timeS });

/** Goes from the best sample toward its blocked neighbour on the side of the held value, by halving, while it stays possible. */
function towardHold(question: AimQuestion, hold: Hold, family: FamilyArc[], best: FamilyArc): Arc {
  const i = family.indexOf(best);
  const neighbours = [family[i - 1], family[i + 1]].filter((arc) => arc !== undefined);
  const toward = neighbours.find((arc) => distanceTo(hold, arc) < distanceTo(hold, best));
  if (!toward) return best;
  const probe = new Probe(question);
  let good: Arc = best;
  let badDeg = toward.elevationDeg;
  for (let n = 0; n < 10; n++) {
    const middle = arcAtElevation(probe, (good.elevationDeg + badDeg) / 2);
    if (middle && blockedBy(question, middle) === null) good = middle;
    else badDeg = (good.elevationDeg + badDeg) / 2;
  }
  return good;
}

/** No arc reaches the target inside the limits: tries slowest to fastest and flat to steep along the line to it. */
function nearestSpot(question: AimQuestion): Nearest | null {
  const { conditions, from, target, limits } = question;
  const probe = new Probe(question);
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  let best: Nearest | null = null;
  for (let i = 0; i <= 6; i++) {
    const speedMps = limits.speedMps[0] + ((limits.speedMps[1] - limits.speedMps[0]) * i) / 6;
    for (let j = 0; j <= 24; j++) {
      const elevationDeg = limits.elevationDeg[0] + ((limits.elevationDeg[1] - limits.elevationDeg[0]) * j) / 24;
      const launch = { ...from, speedMps, elevationDeg, bearingDeg: probe.straightDeg, ...spinAt(question, speedMps) };
      const there = probe.shoot(speedMps, elevationDeg, probe.straightDeg, true);
      const clears = probe.clearanceM === null || probe.clearanceM >= 0;
      if (!clears) continue;
      const flight = fly(conditions, launch, { maxBounces: 0 });
      const spot = flight.bounces[0];
      if (!spot || (question.ceilingM != null && flight.apex.z + conditions.ball.radiusM > question.ceilingM)) continue;
      // a ball that comes down on its own side of the net is no answer either
      if (question.net !== null && from.y > 0 !== targetY > 0 && spot.y > 0 === from.y > 0) continue;
      const missM =
        target.kind === 'landing'
          ? Math.hypot(spot.x - target.x, spot.y - target.y)
          : there
            ? Math.hypot(probe.up, probe.right)
            : Number.POSITIVE_INFINITY;
      if (best && missM >= best.missM) continue;
      const x = target.kind === 'landing' ? spot.x : target.x;
      const y = target.kind === 'landing' ? spot.y : targetY;
      best = { speedMps, elevationDeg, bearingDeg: wrapDeg(probe.straightDeg), netClearanceM: probe.clearanceM, x, y, missM };
    }
  }
  return best && Number.isFinite(best.missM) ? best : null;
}
