import { z } from 'zod';
import { dialsSchema } from '../dial/index.ts';
import { nameSchema } from '../drill/index.ts';
import { machineProfileSchema } from '../machine/index.ts';
import { type ReadResult, readJson } from './read.ts';

/** A machine as an open file: its record, its dials, and what they were learnt to do. */
export const machineFileSchema = z.strictObject({
  format: z.literal('good-arc-machine', 'Not a machine file of Good Arc: “format” must be good-arc-machine'),
  version: z.literal(1, 'A newer version: this Good Arc reads version 1'),
  name: nameSchema,
  notes: z.string().max(500, 'At most 500 characters').default(''),
  profile: machineProfileSchema,
  dials: dialsSchema,
});
export type MachineFile = z.infer<typeof machineFileSchema>;

export const writeMachineFile = ({ name, notes, profile, dials }: Pick<MachineFile, 'name' | 'notes' | 'profile' | 'dials'>): string =>
  `${JSON.stringify({ format: 'good-arc-machine', version: 1, name, notes, profile, dials } satisfies MachineFile, null, 2)}\n`;

export const readMachineFile = (text: string): ReadResult<MachineFile> => readJson(text, machineFileSchema, 'machine file');
