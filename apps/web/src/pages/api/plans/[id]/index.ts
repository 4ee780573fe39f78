import { planBody } from '../../../../api/schemas.ts';
import { plan } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { putPlan } from '../../../../server/plans.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** Makes or changes a planned outing. */
export const PUT = endpoint(planBody, async ({ body, id, store, scope, seen }) => {
  mustBeAllowed(scope, 'plans');
  return { version: await putPlan(store, id, body, seen) };
});

export const DELETE = endpoint(null, async ({ id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await store.remove(plan, id, 'plan');
});
