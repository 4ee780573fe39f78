// Written by ./arc from the files beside it: add a file, and it is listed.
import { kind as holedBallCourtMachine } from './holed-ball-court-machine.ts';
import { kind as leverArmThrower } from './lever-arm-thrower.ts';
import { kind as oneWheelPortable } from './one-wheel-portable.ts';
import { kind as pocketTosser } from './pocket-tosser.ts';
import { kind as programmableCourtMachine } from './programmable-court-machine.ts';
import { kind as programmableFieldMachine } from './programmable-field-machine.ts';
import { kind as programmableHoledBallMachine } from './programmable-holed-ball-machine.ts';
import { kind as programmableSoftballFieldMachine } from './programmable-softball-field-machine.ts';
import { kind as threeWheelPitchingMachine } from './three-wheel-pitching-machine.ts';
import { kind as twoWheelPitchingMachine } from './two-wheel-pitching-machine.ts';
import { kind as twoWheelPortable } from './two-wheel-portable.ts';
import { kind as twoWheelSoftballMachine } from './two-wheel-softball-machine.ts';

export const KINDS = [
  holedBallCourtMachine,
  leverArmThrower,
  oneWheelPortable,
  pocketTosser,
  programmableCourtMachine,
  programmableFieldMachine,
  programmableHoledBallMachine,
  programmableSoftballFieldMachine,
  threeWheelPitchingMachine,
  twoWheelPitchingMachine,
  twoWheelPortable,
  twoWheelSoftballMachine,
];
