import type { Format } from '../format.ts';
import { type MachineFile, machineFileSchema } from '../machine-schema.ts';
import { type ReadResult, readJson } from '../read.ts';

/** A machine with its dials and curves as JSON. */
export const writeMachineFile = ({ name, notes, profile, dials }: Pick<MachineFile, 'name' | 'notes' | 'profile' | 'dials'>): string =>
  `${JSON.stringify({ format: 'good-arc-machine', version: 1, name, notes, profile, dials } satisfies MachineFile, null, 2)}\n`;

/** Reads a machine from its file; what does not fit is named by its field. */
export const readMachineFile = (text: string): ReadResult<MachineFile> => readJson(text, machineFileSchema, 'machine file');

export const format: Format<'machine'> = {
  what: 'machine',
  name: 'machine file',
  suffix: '.json',
  mediaType: 'application/json',
  isIt: () => true,
  read: readMachineFile,
};
