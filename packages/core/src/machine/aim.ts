import { type AimAnswer, type AimQuestion, aim, type Hold, type Spin } from '../aim/index.ts';
import { type MachineProfile, spinFor } from './profile.ts';

/** Speeds agree to this, m/s, before a spin that follows the speed counts as settled: under 0.1 mm at the landing spot. */
const SETTLED_MPS = 1e-5;

export interface MachineAim extends AimAnswer {
  /** The spin the machine really gives with the first solution (or the nearest possibility). */
  spin: Spin;
}

/**
 * Aims with what a machine can do: its limits, and a spin it may not be free to choose.
 * A spin tied to the speed is found by going round: aim, take the spin of that speed, aim again.
 * @param wanted the spin asked for; machines that cannot choose give their own
 */
export function aimMachine(
  machine: Pick<MachineProfile, 'speedMps' | 'elevationDeg' | 'spin'>,
  question: Omit<AimQuestion, 'limits' | 'spin'>,
  wanted: { topspinRpm: number; sidespinRpm: number },
  hold: Hold,
  preferred: 'low' | 'high' = 'low',
): MachineAim {
  const limits = { speedMps: machine.speedMps, elevationDeg: machine.elevationDeg };
  const middle = (machine.speedMps[0] + machine.speedMps[1]) / 2;
  let speedMps = 'speedMps' in hold ? hold.speedMps : middle;
  for (let round = 0; ; round++) {
    const spin = spinFor(machine.spin, wanted, speedMps);
    const answer = aim({ ...question, limits, spin }, hold);
    const chosen = answer.solutions.find(({ arc }) => arc === preferred) ?? answer.solutions[0];
    const next = chosen?.speedMps ?? answer.blocked[0]?.speedMps ?? answer.reason?.nearest?.speedMps ?? speedMps;
    if (machine.spin.kind !== 'tied' || Math.abs(next - speedMps) < SETTLED_MPS || round === 25) return { ...answer, spin };
    speedMps = next;
  }
}
