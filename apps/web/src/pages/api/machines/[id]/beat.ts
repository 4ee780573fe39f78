import { z } from 'zod';
import { endpoint } from '../../../../server/endpoint.ts';
import { lineOf, links, pageOf } from '../../../../server/links.ts';

/** The page that drives a machine says four times a second that somebody is there; nearly a second without holds the machine. */
export const POST = endpoint(z.strictObject({}), async ({ id, store, scope, context }) => {
  const line = links.open(id, scope.clubId) ?? (await lineOf(store, id, scope));
  line.attend(pageOf(context.url));
});
