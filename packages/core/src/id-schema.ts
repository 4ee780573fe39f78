import { z } from 'zod';
import type { IdOf } from './ids.ts';

/** A schema of text whose output knows what it is the id of. */
export const idSchema = <Id extends string>(schema: z.ZodType<string>): z.ZodType<Id, Id> => schema as unknown as z.ZodType<Id, Id>;

/** Schema of the id of a row. */
export const rowId = <Kind extends string>(): z.ZodType<IdOf<Kind>, IdOf<Kind>> => idSchema(z.uuid());
