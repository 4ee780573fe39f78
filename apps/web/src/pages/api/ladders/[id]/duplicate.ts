import { duplicateBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { duplicateLadder } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

export const POST = endpoint(duplicateBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await duplicateLadder(store, id, body);
});
