import { SPORTS } from '@good-arc/core';
import { player } from '../../../../db/schema.ts';
import { readScatter } from '../../../../server/comers.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { readKit, toPlayer } from '../../../../server/kit.ts';
import { Refusal } from '../../../../server/problem.ts';

/** A player’s own scatter by stroke in a sport. */
export const GET = endpoint(null, async ({ store, id, context }) => {
  const one = await store.one(player, id, 'player');
  const asked = context.url.searchParams.get('sport');
  const sport = SPORTS.find((each) => each === asked);
  if (!sport) throw new Refusal(400, 'Bad input', [{ pointer: '/sport', detail: `“${asked ?? ''}” is none of ${SPORTS.join(', ')}.` }]);
  return readScatter(store, await readKit(store), toPlayer(store, one), sport, new Date());
});
