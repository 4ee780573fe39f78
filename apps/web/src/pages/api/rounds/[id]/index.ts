import { roundBody } from '../../../../api/schemas.ts';
import { round } from '../../../../db/schema.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { startRound } from '../../../../server/rounds.ts';

/** Begins a round. */
export const PUT = endpoint(roundBody, ({ body, id, store, scope }) => startRound(store, scope, id, body));

export const DELETE = endpoint(null, ({ id, store }) => store.remove(round, id, 'round'));
