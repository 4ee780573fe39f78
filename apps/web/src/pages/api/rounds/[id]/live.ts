import type { RoundId } from '@good-arc/core';
import { liveBody } from '../../../../api/live.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { followLive, showLive } from '../../../../server/live.ts';

/** The device that runs a round shows how it stands. */
export const PUT = endpoint(liveBody, ({ body, id, store }) => showLive(store, id as RoundId, body, new Date()));

/** How it stands, for the others. */
export const GET = endpoint(null, ({ id, store }) => followLive(store, id as RoundId, new Date()));
