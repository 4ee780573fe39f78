import type { RoundAhead } from '../../../../api/rows.ts';
import { ladder, player } from '../../../../db/schema.ts';
import { readComers } from '../../../../server/comers.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { readKit, toPlayer } from '../../../../server/kit.ts';
import { readRung } from '../../../../server/ladders.ts';
import { halfFor } from '../../../../server/next-outing.ts';
import { Refusal } from '../../../../server/problem.ts';
import { spoiledIn } from '../../../../ui/judge.ts';

/** Before a round on a rung: the target that half of a player’s balls would hit now, and what the machine’s own spread takes. */
export const GET = endpoint(null, async ({ store, id, context }): Promise<RoundAhead> => {
  const one = await store.one(player, id, 'player');
  const asked = context.url.searchParams.get('rung') ?? '';
  if (!/^[0-9a-f-]{36}$/.test(asked)) throw new Refusal(400, 'Bad input', [{ pointer: '/rung', detail: 'The id of a rung.' }]);
  const row = await readRung(store, asked);
  const [{ sport }, kit] = await Promise.all([store.one(ladder, row.ladderId, 'ladder'), readKit(store)]);
  const [comer] = await readComers(store, kit, [toPlayer(store, one)]);
  return { half: halfFor(kit, sport, row, comer!, new Date()), spoiled: spoiledIn(kit, sport, row.document) };
});
