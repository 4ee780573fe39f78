import { endpoint } from '../../server/endpoint.ts';
import { pagesToKeep } from '../../server/offline.ts';

/** What a device keeps to work without a network. */
export const GET = endpoint(null, ({ store, scope }) => pagesToKeep(store, scope, new Date().toISOString().slice(0, 10)));
