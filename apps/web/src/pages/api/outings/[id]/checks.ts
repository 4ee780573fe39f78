import { outingChecksBody } from '../../../../api/schemas.ts';
import { tickChecks } from '../../../../server/checks.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** What was ticked of the checklist on this outing. */
export const PUT = endpoint(outingChecksBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'rounds');
  await tickChecks(store, scope, id, body);
});
