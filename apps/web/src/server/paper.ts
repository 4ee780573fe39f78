import { type OutingId, type ResultId, type RoundId, type RungDocument, rungSchema } from '@good-arc/core';
import type { z } from 'zod';
import type { paperBody } from '../api/schemas.ts';
import { outing, result, round, rung } from '../db/schema.ts';
import { notFound, Refusal } from './problem.ts';
import { scored } from './rounds.ts';
import type { Scope } from './scope.ts';
import type { Store } from './store.ts';
import { sumUp } from './sums.ts';

/** An id for a ball of a round that came without one: the same each time, and older than any that is made later to put it right. */
const resultIdOf = (roundId: RoundId, seq: number): ResultId => (roundId.slice(0, -4) + seq.toString(16).padStart(4, '0')) as ResultId;

/** The rung as it is kept now: a round that says more balls is of a card with as many. */
const cardFor = (kept: RungDocument, balls: number): RungDocument =>
  balls <= kept.ballsPerRound ? kept : { ...kept, ballsPerRound: balls };

/**
 * Rounds that were played without the app. All are kept or none; sent twice they are the same rounds. Each is of its rung as it stands now.
 * @throws Refusal 404 for a rung that is gone, or an id that another club has taken
 */
export const addPaperRounds = (store: Store, scope: Scope, { rounds }: z.output<typeof paperBody>): Promise<void> =>
  store.transaction(async (tx) => {
    const kept = new Map(
      (
        await tx.any(
          rung,
          rounds.map(({ rungId }) => rungId),
        )
      ).map(({ id, document }) => [id as string, rungSchema.safeParse(document)]),
    );
    const firsts = new Map<OutingId, string>();
    for (const { outingId, startedAt } of rounds) {
      const first = firsts.get(outingId);
      if (first === undefined || startedAt < first) firsts.set(outingId, startedAt);
    }
    await tx.addAll(
      outing,
      [...firsts].map(([id, startedAt]) => ({ id, personId: scope.personId, startedAt: new Date(startedAt) })),
    );
    const documents = rounds.map(({ rungId, outcomes }, i) => {
      const read = kept.get(rungId);
      if (!read?.success)
        throw new Refusal(404, 'There is no such rung any more.', [
          { pointer: `/rounds/${i}/rungId`, detail: 'This rung cannot be read.' },
        ]);
      return cardFor(read.data, outcomes.length);
    });
    await tx.addAll(
      round,
      rounds.map(({ id, outingId, rungId, playerId, startedAt, notes, source }, i) => {
        const card = documents[i]!;
        const moment = new Date(startedAt);
        const { machineId, courtId, weather } = card;
        return {
          id,
          outingId,
          rungId,
          playerId,
          machineId,
          courtId,
          card,
          weather,
          notes,
          source,
          startedAt: moment,
          finishedAt: moment,
        };
      }),
    );
    // an id that another club has was passed over
    for (const [table, ids, what] of [
      [outing, [...firsts.keys()], 'outing'],
      [round, rounds.map(({ id }) => id), 'round'],
    ] as const)
      if ((await tx.any(table, ids)).length < new Set<string>(ids).size) throw notFound(what);
    await tx.addAll(
      result,
      rounds.flatMap(({ id, outcomes }, i) =>
        outcomes.flatMap((outcome, at) => {
          const seq = at + 1;
          return outcome === null
            ? []
            : [{ id: resultIdOf(id, seq), roundId: id, seq, outcome, ...scored(documents[i]!, { seq, outcome }) }];
        }),
      ),
    );
    await sumUp(
      tx,
      rounds.map(({ id }) => id),
    );
  });
