import { z } from 'zod';
import { dialsSchema } from '../dial/index.ts';
import { nameSchema } from '../drill/index.ts';
import { machineProfileSchema } from '../machine/index.ts';

/** A machine as an open file: its record, its dials, and what they were learnt to do. */
export const machineFileSchema = z.strictObject({
  format: z.literal('good-arc-machine', 'Not a machine file of Good Arc: “format” must be good-arc-machine'),
  version: z.literal(1, 'A newer version: this Good Arc reads version 1'),
  name: nameSchema,
  notes: z.string().max(500, 'At most 500 characters').default(''),
  profile: machineProfileSchema,
  dials: dialsSchema,
});
/** A machine with its dials as a file; see `machineFileSchema`. */
export type MachineFile = z.infer<typeof machineFileSchema>;
