import { type AimAnswer, type AimQuestion, aim, distanceToHold, type Hold, type Nearest, type Spin, spinAt } from '../aim/index.ts';
import { fly } from '../flight/index.ts';
import { radToDeg, wrapDeg } from '../quantity/index.ts';
import type { MachineProfile } from './profile.ts';
import { spinFor } from './spin.ts';

/** What of a machine bears on where it can throw. */
export type Thrower = Pick<MachineProfile, 'speedMps' | 'elevationDeg' | 'spin' | 'speedSteps' | 'elevationSteps'>;

/** A launch that a machine can throw, or the reasons and what is nearest. */
export interface MachineAim extends AimAnswer {
  /** The spin the machine really gives with the first solution (or the nearest possibility). */
  spin: Spin;
}

/** A question about where the ball goes, without what belongs to the machine. */
export type PlaceQuestion = Omit<AimQuestion, 'limits' | 'spin'>;

/** What a machine can do, as a question to the aim: its limits, and a spin that may follow the speed in every trial. */
export function questionFor(machine: Thrower, question: PlaceQuestion, wanted: { topspinRpm: number; sidespinRpm: number }): AimQuestion {
  const limits = { speedMps: machine.speedMps, elevationDeg: machine.elevationDeg };
  const { spin } = machine;
  return { ...question, limits, spin: spin.kind === 'tied' ? (mps) => spinFor(spin, wanted, mps) : spinFor(spin, wanted, 0) };
}

/**
 * Aims with what a machine can do: its limits, a spin it may not be free to choose, and settings that go in steps.
 * @param wanted the spin asked for; machines that cannot choose give their own
 */
export function aimMachine(
  machine: Thrower,
  question: PlaceQuestion,
  wanted: { topspinRpm: number; sidespinRpm: number },
  hold: Hold,
  preferred: 'low' | 'high' = 'low',
): MachineAim {
  const asked = questionFor(machine, question, wanted);
  const answer = onSteps(machine, asked, aim(asked, hold), hold);
  const chosen = answer.solutions.find(({ arc }) => arc === preferred) ?? answer.solutions[0];
  const speedMps = chosen?.speedMps ?? answer.reason?.nearest?.speedMps ?? answer.blocked[0]?.speedMps ?? machine.speedMps[0];
  return { ...answer, spin: spinFor(machine.spin, wanted, speedMps) };
}

/** Settings this close count as on the step: a millimetre or two at the landing spot. */
const ON_STEP = { speedMps: 1e-3, elevationDeg: 1e-2 };

/** The speeds a machine has, when it cannot throw any between; one for a machine whose lowest and highest speed are the same. */
export const speedsOf = ({ speedSteps, speedMps: [lo, hi] }: Thrower): readonly number[] | undefined =>
  speedSteps?.length ? speedSteps : lo === hi ? [lo] : undefined;

function fits(machine: Thrower, { speedMps, elevationDeg }: { speedMps: number; elevationDeg: number }): boolean {
  const on = (steps: readonly number[] | undefined, value: number, slack: number): boolean =>
    !steps?.length || steps.some((step) => Math.abs(step - value) <= slack);
  return on(speedsOf(machine), speedMps, ON_STEP.speedMps) && on(machine.elevationSteps, elevationDeg, ON_STEP.elevationDeg);
}

/** Keeps the solutions that the machine's steps allow; where none is left, says so and what is nearest. */
function onSteps(machine: Thrower, question: AimQuestion, answer: AimAnswer, hold: Hold): AimAnswer {
  if (!machine.speedSteps?.length && !machine.elevationSteps?.length) return answer;
  const solutions = answer.solutions.filter((solution) => fits(machine, solution));
  const nearestFits = answer.reason?.nearest && fits(machine, answer.reason.nearest);
  if (solutions.length > 0 || nearestFits) return { ...answer, solutions };
  const between = answer.solutions.map(({ speedMps, elevationDeg, netClearanceM }) => ({
    code: 'between-steps' as const,
    speedMps,
    elevationDeg,
    netClearanceM,
  }));
  const code = answer.reason?.code ?? 'between-steps';
  return {
    solutions,
    blocked: [...answer.blocked, ...between],
    reason: { code, nearest: nearestStep(machine, question, hold) },
  };
}

function nearestStep(machine: Thrower, question: AimQuestion, hold: Hold): Nearest | null {
  const speedSteps = speedsOf(machine);
  const { elevationSteps } = machine;
  if (speedSteps?.length && elevationSteps?.length) return nearestOfBoth(question, speedSteps, elevationSteps);
  const holds: Hold[] = speedSteps?.length
    ? speedSteps.map((speedMps) => ({ speedMps }))
    : (elevationSteps ?? []).map((elevationDeg) => ({ elevationDeg }));
  const [best] = holds.flatMap((each) => aim(question, each).solutions).sort((a, b) => distanceToHold(hold, a) - distanceToHold(hold, b));
  if (!best) return null;
  const { target } = question;
  const { speedMps, elevationDeg, bearingDeg, netClearanceM } = best;
  return {
    speedMps,
    elevationDeg,
    bearingDeg,
    netClearanceM,
    x: target.x,
    y: target.kind === 'landing' ? target.y : target.planeY,
    missM: 0,
  };
}

/** Both go in steps: the pair that comes nearest along the straight line to the target. */
function nearestOfBoth(question: AimQuestion, speeds: readonly number[], elevations: readonly number[]): Nearest | null {
  const { conditions, from, target, net } = question;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  const bearingDeg = wrapDeg(radToDeg(Math.atan2(target.x - from.x, targetY - from.y)));
  let best: Nearest | null = null;
  for (const speedMps of speeds)
    for (const elevationDeg of elevations) {
      const launch = { ...from, ...spinAt(question, speedMps), speedMps, elevationDeg, bearingDeg };
      const flight = fly(conditions, launch, { planesY: target.kind === 'plane' ? [targetY] : [], maxBounces: 0 });
      const [spot] = flight.bounces;
      const [pass] = flight.crossings;
      if (!spot || (net !== null && from.y > 0 !== targetY > 0 && from.y > 0 === spot.y > 0)) continue;
      const missM =
        target.kind === 'landing' ? Math.hypot(spot.x - target.x, spot.y - target.y) : pass ? Math.abs(pass.z - target.z) : null;
      if (missM === null || (best && missM >= best.missM)) continue;
      const [x, y] = target.kind === 'landing' ? [spot.x, spot.y] : [target.x, targetY];
      best = { speedMps, elevationDeg, bearingDeg, netClearanceM: null, x, y, missM };
    }
  return best;
}
