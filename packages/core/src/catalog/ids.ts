import { z } from 'zod';
import { BALLS } from './balls.ts';
import { SURFACES } from './surfaces.ts';

const idOf = (records: readonly { id: string }[]) => z.enum(records.map(({ id }) => id) as [string, ...string[]]);

/** Id of a built-in ball. */
export const ballIdSchema = idOf(BALLS);
/** Id of a built-in surface. */
export const surfaceIdSchema = idOf(SURFACES);
