import { z } from 'zod';
import { BALLS } from './ball.ts';
import { SURFACES } from './surface.ts';

const idOf = (records: readonly { id: string }[]) => z.enum(records.map(({ id }) => id) as [string, ...string[]]);

/** Id of a built-in ball. */
export const ballIdSchema = idOf(BALLS);
/** Id of a built-in surface. */
export const surfaceIdSchema = idOf(SURFACES);
