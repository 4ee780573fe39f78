import { type ResultId, rowId } from '@good-arc/core';
import { resultBody } from '../../../../../api/schemas.ts';
import { endpoint } from '../../../../../server/endpoint.ts';
import { notFound } from '../../../../../server/problem.ts';
import { putResult, removeResult } from '../../../../../server/rounds.ts';

const resultIdSchema = rowId<'result'>();
const idOf = (text: string | undefined): ResultId => {
  const parsed = resultIdSchema.safeParse(text);
  if (!parsed.success) throw notFound('result');
  return parsed.data;
};

/** Records what became of one ball; sent twice it counts once. */
export const PUT = endpoint(
  resultBody,
  ({ body, id, store, context, unproven }) => putResult(store, id, idOf(context.params.resultId), body, unproven),
  { proves: true },
);

/** Takes a result back. Taking it back twice is no error: a phone with a poor line may repeat itself. */
export const DELETE = endpoint(null, ({ id, store, context }) => removeResult(store, id, idOf(context.params.resultId)));
