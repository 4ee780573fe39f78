import type { RoundId } from '@good-arc/core';
import { correctionBody, roundBody } from '../../../../api/schemas.ts';
import { round } from '../../../../db/schema.ts';
import { correctRound } from '../../../../server/corrections.ts';
import { endpoint } from '../../../../server/endpoint.ts';
import { notFound } from '../../../../server/problem.ts';
import { readRound } from '../../../../server/read-rounds.ts';
import { startRound } from '../../../../server/rounds.ts';

/** Begins a round. */
export const PUT = endpoint(roundBody, ({ body, id, store, scope }) => startRound(store, scope, id, body));

/** All of it, with every ball. */
export const GET = endpoint(null, async ({ store, id }) => {
  const row = await readRound(store, id);
  if (!row) throw notFound('round');
  return row;
});

export const DELETE = endpoint(null, ({ id, store }) => store.remove(round, id, 'round'));

/** Puts right what is wrong in it; its history keeps what it was. */
export const PATCH = endpoint(correctionBody, ({ body, id, store, scope }) => correctRound(store, scope, id as RoundId, body));
