import { scoreForGate, scoreRound } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { round } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import * as paper from '../src/pages/api/rounds/index.ts';
import { database } from '../src/server/db.ts';
import { readRound } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { wrongSums } from '../src/server/sums.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, roundBody } from './support/rig.ts';

let scope: Scope;
let store: Store;
let ids: OneRung;
beforeAll(async () => {
  ({ scope, store } = await makeClub(await emptyDatabase(), 'Ours'));
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
});

/** What is kept with a round, and what its balls come to by the core. */
async function both(id: string) {
  const [kept] = await store.list(round, eq(round.id, id));
  const { hits, balls, swings, gateHits, gateBalls } = kept!;
  const { card, results: of } = (await readRound(store, id))!;
  const [all, gate] = [scoreRound(card, of), scoreForGate(card, of)];
  return {
    kept: { hits, balls, swings, gateHits, gateBalls },
    told: {
      hits: all.hits,
      balls: all.balls,
      swings: of.filter(({ outcome }) => outcome !== 'let-go' && outcome !== 'not-fed').length,
      gateHits: gate.hits,
      gateBalls: gate.balls,
    },
  };
}

const OUTCOMES = ['in', 'near', 'out', 'let-go', 'not-fed'] as const;
const outcome = fc.constantFrom(...OUTCOMES);
const seq = fc.integer({ min: 1, max: 5 });
const write = fc.oneof(
  fc.record({ do: fc.constant('put' as const), seq, outcome, toGoal: fc.boolean() }),
  // the same letter again, as a phone sends it that heard no answer, or another word on it
  fc.record({ do: fc.constant('again' as const), nth: fc.nat(9), outcome }),
  fc.record({ do: fc.constant('take back' as const), nth: fc.nat(9) }),
  fc.record({ do: fc.constant('put right' as const), seq, outcome: fc.option(outcome) }),
);
const target = { x: 1, y: 8, widthM: 3, depthM: 3 };
const thrown = { speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null };

test('what a round comes to is kept with every ball that is put, repeated, taken back or put right', () =>
  fc.assert(
    fc.asyncProperty(fc.array(write, { minLength: 1, maxLength: 9 }), async (writes) => {
      const id = uuidv7();
      await call(rounds.PUT, { scope, params: { id }, body: roundBody(ids) });
      const sent: { resultId: string; seq: number }[] = [];
      for (const each of writes) {
        if (each.do === 'put right') {
          await call(rounds.PATCH, { scope, params: { id }, body: { balls: [{ id: uuidv7(), seq: each.seq, outcome: each.outcome }] } });
          continue;
        }
        const of = each.do === 'put' ? { resultId: uuidv7(), seq: each.seq } : sent[each.nth % Math.max(1, sent.length)];
        if (!of) continue;
        const params = { id, resultId: of.resultId };
        if (each.do === 'take back') await call(results.DELETE, { scope, params });
        else {
          const goal = each.do === 'put' && each.toGoal ? { target } : {};
          const { status } = await call(results.PUT, { scope, params, body: { seq: of.seq, outcome: each.outcome, ...thrown, ...goal } });
          expect(status).toBeLessThan(300);
          sent.push(of);
        }
      }
      const { kept, told } = await both(id);
      expect(kept).toEqual(told);
    }),
    { seed: 16, numRuns: 25 },
  ));

test('a round from paper has them at once; a sum that is not that of its balls is found', async () => {
  const id = uuidv7();
  const outcomes = OUTCOMES.flatMap((each) => [each, each]);
  const { startedAt, weather: _air, ...of } = roundBody(ids);
  const body = { rounds: [{ ...of, id, startedAt, outcomes }] };
  const answer = await call(paper.POST, { scope, body });
  expect(answer).toMatchObject({ status: 204 });
  const { kept, told } = await both(id);
  expect(kept).toEqual(told);
  expect(kept).toMatchObject({ hits: 2, balls: 6, swings: 6 });
  expect(await wrongSums(database())).toEqual([]);
  await store.change(round, eq(round.id, id), { hits: 3 });
  expect(await wrongSums(database())).toEqual([{ id, kept: [3, 6, 6, 2, 6], told: [2, 6, 6, 2, 6] }]);
});
