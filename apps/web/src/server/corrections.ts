import { once, type ResultId, type RoundId } from '@good-arc/core';
import { and, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import type { CorrectionRow } from '../api/rows.ts';
import type { correctionBody } from '../api/schemas.ts';
import { type CorrectionOf, correction, person, player, result, round } from '../db/schema.ts';
import type { Db } from './db.ts';
import { targetIn } from './read-rounds.ts';
import { cardOf, writeResult } from './rounds.ts';
import type { Scope } from './scope.ts';
import { ofClub, type Store } from './store.ts';
import { sumUp } from './sums.ts';

/**
 * Puts right what is wrong in a round: whose it is, when it was, its notes, what became of its balls. What it was before is kept beside it, with who put
 * it right.
 * @throws Refusal 404 for a round or a player that is not the club’s
 */
export const correctRound = (store: Store, scope: Scope, id: RoundId, body: z.output<typeof correctionBody>): Promise<void> =>
  store.transaction(async (tx) => {
    const kept = await tx.lock(round, id, 'round');
    const note = async (what: CorrectionOf, was: string, became: string, seq: number | null = null): Promise<void> => {
      if (was !== became) await tx.add(correction, { id: uuidv7(), roundId: id, personId: scope.personId, what, seq, was, became });
    };
    const { playerId, startedAt, notes, balls = [] } = body;
    if (playerId !== undefined) {
      const names = await tx.any(player, [kept.playerId, playerId]);
      const nameOf = (of: string): string => names.find((each) => each.id === of)?.name ?? '';
      if (playerId !== kept.playerId) await note('player', nameOf(kept.playerId), nameOf(playerId));
    }
    if (startedAt !== undefined) await note('moment', kept.startedAt.toISOString(), new Date(startedAt).toISOString());
    if (notes !== undefined) await note('notes', kept.notes, notes);
    const head = {
      ...(playerId && { playerId }),
      ...(startedAt && { startedAt: new Date(startedAt) }),
      ...(notes !== undefined && { notes }),
    };
    if (Object.keys(head).length > 0) await tx.change(round, eq(round.id, id), head);
    const card = cardOf(kept);
    for (const { id: resultId, seq, outcome } of balls) {
      const [before] = await tx.list(result, and(eq(result.roundId, id), eq(result.seq, seq)));
      await note('ball', before?.outcome ?? '', outcome ?? '', seq);
      if (outcome === null) {
        if (before) await tx.change(result, eq(result.id, before.id), { deletedAt: new Date() });
      } else if (before?.outcome !== outcome) await writeResult(tx, id, card, resultId as ResultId, { ...thrown(before), seq, outcome });
    }
    if (balls.length > 0) await sumUp(tx, [id]);
  });

/** What the machine said of the ball stays, whatever became of it. */
const thrown = (before: typeof result.$inferSelect | undefined) => ({
  feedId: before?.feedId ?? null,
  speedMps: before?.speedMps ?? null,
  elevationDeg: before?.elevationDeg ?? null,
  bearingDeg: before?.bearingDeg ?? null,
  topspinRpm: before?.topspinRpm ?? null,
  sidespinRpm: before?.sidespinRpm ?? null,
  gyroRpm: before?.gyroRpm ?? null,
  radarMps: before?.radarMps ?? null,
  target: before ? targetIn(before) : null,
  landXM: before?.landXM ?? null,
  landYM: before?.landYM ?? null,
});

/** Asked for each page of a round: put together once for a database. */
const CORRECTIONS = once((db: Db) =>
  db
    .select({ row: correction, personName: person.name })
    .from(correction)
    .innerJoin(person, eq(person.id, correction.personId))
    .where(and(ofClub(correction), eq(correction.roundId, sql.placeholder('roundId'))))
    .orderBy(correction.createdAt, correction.id)
    .prepare(),
);

/** What was put right in a round, the last first. */
export async function readCorrections(store: Store, roundId: string): Promise<CorrectionRow[]> {
  const rows = await store.ask(CORRECTIONS, { roundId });
  return rows
    .map(({ row: { id, createdAt, what, seq, was, became }, personName }) => ({
      id,
      at: createdAt.toISOString(),
      personName,
      what,
      seq,
      was,
      became,
    }))
    .reverse();
}
