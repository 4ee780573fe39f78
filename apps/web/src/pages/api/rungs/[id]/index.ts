import { rungBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { putRung } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** A rung as it was made on the bench. */
export const PUT = endpoint(rungBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await putRung(store, id, body);
});
