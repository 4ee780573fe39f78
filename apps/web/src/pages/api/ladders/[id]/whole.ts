import { wholeBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { putWhole } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** The ladder with its rungs as they stand in the page. */
export const PUT = endpoint(wholeBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  return { version: await putWhole(store, id, body) };
});
