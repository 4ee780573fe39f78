import type { RoundId } from '@good-arc/core';
import { wishBody } from '../../../../api/live.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { wishLive } from '../../../../server/live.ts';

/** Another device asks the one that runs the round for other balls. */
export const POST = endpoint(wishBody, ({ body, id, store }) => wishLive(store, id as RoundId, body));
