import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { z } from 'zod';
import { parsedOnce } from '../src/db/parsed.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import { readComers } from '../src/server/comers.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, putBall, roundBody } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let ids: OneRung;
const newRound = async (playerId = ids.player): Promise<string> => {
  const id = uuidv7();
  await call(rounds.PUT, { scope, params: { id }, body: { ...roundBody(ids), playerId } });
  return id;
};
const comer = async (id = ids.player) => {
  const kit = await readKit(store);
  return (await readComers(store, kit, [kit.players.find((each) => each.id === id)!]))[0]!;
};
/** Balls in all, and how many of them were in. */
const seen = async (): Promise<[number, number]> => {
  const balls = (await comer()).rounds.flatMap((each) => each.results);
  return [balls.length, balls.filter(({ outcome }) => outcome === 'in').length];
};

beforeAll(async () => {
  db = await emptyDatabase();
  ({ scope, store } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
});

test('what rounds come to is worked out once, and again after every way in which a ball can change', async () => {
  const round = await newRound();
  const balls = [uuidv7(), uuidv7(), uuidv7()];
  for (const [i, id] of balls.entries()) await putBall(scope, round, id, i + 1, 'in');
  expect(await seen()).toEqual([3, 3]);
  expect((await comer()).progress).toBe((await comer()).progress);
  await putBall(scope, round, balls[2]!, 3, 'out');
  expect(await seen()).toEqual([3, 2]);
  await call(results.DELETE, { scope, params: { id: round, resultId: balls[2]! } });
  expect(await seen()).toEqual([2, 2]);
  await call(rounds.PATCH, { scope, params: { id: round }, body: { balls: [{ id: uuidv7(), seq: 1, outcome: 'near' }] } });
  expect(await seen()).toEqual([2, 1]);
  await call(rounds.PATCH, { scope, params: { id: round }, body: { balls: [{ id: uuidv7(), seq: 2, outcome: null }] } });
  expect(await seen()).toEqual([1, 0]);
  const second = await newRound();
  await putBall(scope, second, uuidv7(), 1, 'in');
  expect(await seen()).toEqual([2, 1]);
  await call(rounds.DELETE, { scope, params: { id: second } });
  expect(await seen()).toEqual([1, 0]);
});

test('a document of the same text is one object, parsed once, and nobody can change it for the others', async () => {
  const [first, second] = [await readLadders(store), await readLadders(store)];
  const document = first[0]!.rungs[0]!.document;
  expect(second[0]!.rungs[0]!.document).toBe(document);
  expect(() => Object.assign(document.player.start, { x: 99 })).toThrow(TypeError);
  const schema = z.object({ a: z.number() });
  const bad = { a: 'one' };
  expect(parsedOnce(schema, bad).success).toBe(false);
  expect(parsedOnce(schema, bad).success).toBe(false);
  expect(parsedOnce(schema, null).success).toBe(false);
});
