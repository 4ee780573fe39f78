import { z } from 'zod';
import { machine } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { links } from '../../../../server/links.ts';

/** A page says every second that somebody is there; three seconds without hold the machine. */
export const POST = endpoint(z.strictObject({}), async ({ id, store }) => {
  const { linkAddress } = await store.one(machine, id, 'machine');
  if (linkAddress !== '') links.of(id, linkAddress).attend();
});
