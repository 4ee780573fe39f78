import { tuneUpBody } from '../../../../api/schemas.ts';
import { tuneUp } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';
import { keepTuneUp } from '../../../../server/tuneUps.ts';

/** Keeps a tune-up and puts its curve with the dial. */
export const PUT = endpoint(tuneUpBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'kit');
  await keepTuneUp(store, scope, id, body);
});

/** Forgets the balls of a tune-up; the curve stays with the dial until it is tuned again or deleted there. */
export const DELETE = endpoint(null, async ({ id, store, scope }) => {
  mustBeAllowed(scope, 'kit');
  await store.remove(tuneUp, id, 'tune-up');
});
