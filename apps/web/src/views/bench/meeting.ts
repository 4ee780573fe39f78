import { type Arrangement, diamondOf, type FieldedBall, type Setup, setupToMeet } from '@good-arc/core';
import type { MachineRow } from '../../api/rows.ts';

/** A set-up on its machine, as far as its meeting with the body goes. */
interface Met {
  setup: Setup;
  machine: MachineRow;
  arrangement: Arrangement;
  field: FieldedBall | null;
}

/** Moves the meeting of ball and body; null where that cannot be: a pitch, a ball to fielders, a machine of fixed settings. */
export function meetingOf({
  setup,
  machine,
  arrangement,
  field,
}: Met): { heightM: number; moved: (heightM: number) => Setup | null } | null {
  const arrival = arrangement.thrown?.arrival;
  const { speedSteps, elevationSteps } = machine.profile;
  if (!arrival || field || diamondOf(setup.sport) || speedSteps?.length || elevationSteps?.length) return null;
  return { heightM: arrival.heightM, moved: (heightM) => setupToMeet(setup, machine.profile, arrangement, heightM) };
}
