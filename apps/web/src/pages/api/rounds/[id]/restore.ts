import { z } from 'zod';
import { round } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';

export const POST = endpoint(z.strictObject({}), ({ id, store }) => store.restore(round, id, 'round'));
