import { z } from 'zod';
import { endpoint } from '../../../../server/endpoint.ts';
import { links } from '../../../../server/links.ts';

/** A page says every second that somebody is there; three seconds without hold the machine. */
export const POST = endpoint(z.strictObject({}), async ({ id, scope }) => {
  links.open(id, scope.clubId)?.attend();
});
