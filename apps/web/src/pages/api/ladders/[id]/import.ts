import { importBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { importLadder } from '../../../../server/ladders.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** Makes a ladder of a setup card that was read back. */
export const POST = endpoint(importBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await importLadder(store, id, body);
});
