import { rungBody } from '../../../../api/schemas.ts';
import { rung } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { putRung } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

export const PUT = endpoint(rungBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await putRung(store, id, body);
});

export const DELETE = endpoint(null, async ({ id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await store.remove(rung, id, 'rung');
});
