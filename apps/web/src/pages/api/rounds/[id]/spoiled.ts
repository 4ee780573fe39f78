import { ballById } from '@good-arc/core';
import { endpoint } from '../../../../server/endpoint.ts';
import { readKit } from '../../../../server/kit.ts';
import { notFound } from '../../../../server/problem.ts';
import { readRound } from '../../../../server/read-rounds.ts';
import { spoiledIn } from '../../../../ui/judge.ts';

/** What the machine’s own spread took of a round, by the card it was run with; null where nobody can say. */
export const GET = endpoint(null, async ({ store, id }) => {
  const [kit, row] = await Promise.all([readKit(store), readRound(store, id)]);
  if (!row) throw notFound('round');
  return spoiledIn(kit, ballById(row.card.ballId).sport, row.card);
});
