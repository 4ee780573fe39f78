import { finishBody } from '../../../../api/schemas.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { finishRound } from '../../../../server/rounds.ts';

export const POST = endpoint(finishBody, ({ body, id, store }) => finishRound(store, id, body));
