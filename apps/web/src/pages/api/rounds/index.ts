import { type PlayerId, rowId } from '@good-arc/core';
import { paperBody } from '../../../api/schemas.ts';
import { endpoint } from '../../../server/endpoint.ts';
import { addPaperRounds } from '../../../server/paper.ts';
import { Refusal } from '../../../server/problem.ts';
import { isTakenAs, takeOut } from '../../../server/take-out.ts';

/** Rounds from paper or a spreadsheet: as many as a club writes in a year. */
export const POST = endpoint(paperBody, ({ body, store, scope }) => addPaperRounds(store, scope, body), { longestBody: 2 * 1024 * 1024 });

/** All rounds to take along, of everybody or of one player: `?as=csv` or `?as=json`. */
export const GET = endpoint(null, async ({ store, context }) => {
  const { searchParams } = context.url;
  const as = searchParams.get('as') ?? 'csv';
  if (!isTakenAs(as)) throw new Refusal(400, 'Bad input', [{ pointer: '/as', detail: 'Either csv or json.' }]);
  const player = searchParams.get('player');
  if (player !== null && !rowId<'player'>().safeParse(player).success)
    throw new Refusal(400, 'Bad input', [{ pointer: '/player', detail: 'The id of a player must be a UUID.' }]);
  return takeOut(store, as, (player ?? undefined) as PlayerId | undefined);
});
