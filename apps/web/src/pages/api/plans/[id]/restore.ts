import { z } from 'zod';
import { plan } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

export const POST = endpoint(z.strictObject({}), async ({ id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await store.restore(plan, id, 'plan');
});
