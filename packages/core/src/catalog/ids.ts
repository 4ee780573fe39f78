import { z } from 'zod';
import { idSchema } from '../id-schema.ts';
import { BALLS } from './balls.ts';
import { SURFACES } from './surfaces.ts';

const idOf = <Id extends string>(records: readonly { id: Id }[]) =>
  idSchema<Id>(z.enum(records.map(({ id }) => id) as unknown as [string, ...string[]]));

/** Id of a built-in ball. */
export const ballIdSchema = idOf(BALLS);
/** Id of a built-in surface. */
export const surfaceIdSchema = idOf(SURFACES);
