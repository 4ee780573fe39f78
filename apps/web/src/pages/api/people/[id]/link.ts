import type { PersonId } from '@good-arc/core';
import { z } from 'zod';
import { database } from '../../../../server/db.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { signInToken } from '../../../../server/people.ts';

/** A link that signs one browser in, once. */
export const POST = endpoint(z.strictObject({}), async ({ id, scope }) => ({
  token: await signInToken(database(), scope, id as PersonId),
}));
