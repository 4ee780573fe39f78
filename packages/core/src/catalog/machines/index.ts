import type { Dial } from '../../dial/index.ts';
import type { MachineProfile } from '../../machine/profile.ts';
import type { MachineKind } from '../machine-kind.ts';
import { holedBallCourtMachine } from './holed-ball-court-machine.ts';
import { leverArmThrower } from './lever-arm-thrower.ts';
import { oneWheelPortable } from './one-wheel-portable.ts';
import { pocketTosser } from './pocket-tosser.ts';
import { programmableCourtMachine } from './programmable-court-machine.ts';
import { programmableFieldMachine } from './programmable-field-machine.ts';
import { programmableSoftballFieldMachine } from './programmable-softball-field-machine.ts';
import { threeWheelPitchingMachine } from './three-wheel-pitching-machine.ts';
import { twoWheelPitchingMachine } from './two-wheel-pitching-machine.ts';
import { twoWheelPortable } from './two-wheel-portable.ts';
import { twoWheelSoftballMachine } from './two-wheel-softball-machine.ts';

const KINDS: readonly MachineKind[] = [
  pocketTosser,
  oneWheelPortable,
  twoWheelPortable,
  programmableCourtMachine,
  holedBallCourtMachine,
  leverArmThrower,
  twoWheelPitchingMachine,
  threeWheelPitchingMachine,
  programmableFieldMachine,
  twoWheelSoftballMachine,
  programmableSoftballFieldMachine,
];

/** Generic kinds to start a machine record from. Common practice, from memory: every figure is meant to be edited. */
export const MACHINE_KINDS: readonly MachineProfile[] = KINDS.map(({ profile }) => profile);

/** Dials to start from, for a machine of this kind; common practice, from memory. A programmable machine is set in figures and has none. */
export const firstDials = ({ kind }: Pick<MachineProfile, 'kind'>): Dial[] =>
  (KINDS.find(({ profile }) => profile.kind === kind)?.dials ?? []).map((each) => ({ ...each, scale: { ...each.scale } }));
