import { endpoint } from '../../server/endpoint.ts';
import { findables } from '../../server/find.ts';

/** What can be found by a word, of the whole club. */
export const GET = endpoint(null, ({ store }) => findables(store));
