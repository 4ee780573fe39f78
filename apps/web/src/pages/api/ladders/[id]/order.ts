import { orderBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { orderRungs } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

export const PUT = endpoint(orderBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await orderRungs(store, id, body.rungIds);
});
