import { z } from 'zod';
import { endpoint } from '../../../../server/endpoint.ts';
import { links, pageOf } from '../../../../server/links.ts';

/** The page that drives a machine says four times a second that somebody is there; nearly a second without holds the machine. */
export const POST = endpoint(z.strictObject({}), async ({ id, scope, context }) => {
  links.open(id, scope.clubId)?.attend(pageOf(context.url));
});
