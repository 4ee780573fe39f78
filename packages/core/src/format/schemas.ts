import { z } from 'zod';
import { cardSchema } from './card-schema.ts';
import { machineFileSchema } from './machine-schema.ts';

/** JSON Schemas of the open files, by file name; written to docs/schema. */
export const formatJsonSchemas = (): Record<string, unknown> => ({
  'setup-card.json': z.toJSONSchema(cardSchema),
  'machine-file.json': z.toJSONSchema(machineFileSchema, { io: 'input' }),
});
