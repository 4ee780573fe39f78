import { ladderBody } from '../../../../api/schemas.ts';
import { ladder } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { links } from '../../../../server/links.ts';
import { mustBeAllowed } from '../../../../server/scope.ts';

/** Makes or changes a ladder; its rungs are not touched. */
export const PUT = endpoint(ladderBody, async ({ body, id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await store.put(ladder, { id, ...body }, 'ladder');
});

export const DELETE = endpoint(null, async ({ id, store, scope }) => {
  mustBeAllowed(scope, 'plans');
  await store.remove(ladder, id, 'ladder');
  links.standDownLadder(id, scope.clubId);
});
