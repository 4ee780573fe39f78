import { type ResultId, rowId } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import { resultBody } from '../../../../../api/schemas.ts';
import { result } from '../../../../../db/schema.ts';
import { endpoint } from '../../../../../server/endpoint.ts';
import { notFound } from '../../../../../server/problem.ts';
import { putResult } from '../../../../../server/rounds.ts';

const idOf = (text: string | undefined): ResultId => {
  const parsed = rowId<'result'>().safeParse(text);
  if (!parsed.success) throw notFound('result');
  return parsed.data;
};

/** Records what became of one ball; sent twice it counts once. */
export const PUT = endpoint(resultBody, ({ body, id, store, context }) => putResult(store, id, idOf(context.params.resultId), body));

/** Takes a result back. Taking it back twice is no error: a phone with a poor line may repeat itself. */
export const DELETE = endpoint(null, async ({ id, store, context }) => {
  const resultId = idOf(context.params.resultId);
  const [known] = await store.list(result, eq(result.id, resultId));
  if (known && known.roundId === id) await store.remove(result, resultId, 'result');
});
