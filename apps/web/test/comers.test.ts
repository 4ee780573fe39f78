import type { LadderId, SeasonDocument } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { z } from 'zod';
import type { LadderRow } from '../src/api/rows.ts';
import { parsedOnce } from '../src/db/parsed.ts';
import { player } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import * as putRung from '../src/pages/api/rungs/[id]/index.ts';
import { readComers } from '../src/server/comers.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { laddersOf, readLadders } from '../src/server/ladders.ts';
import { readHeads } from '../src/server/list-rounds.ts';
import { readBrief, readRound, roundsOn } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import { seasonFacts } from '../src/server/season.ts';
import { standingsOf } from '../src/server/standings.ts';
import type { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, putBall, roundBody } from './support/rig.ts';

const aSeason: Omit<SeasonDocument, 'from'> = {
  ladderId: uuidv7() as LadderId,
  to: '2099-12-31',
  weekdays: [1],
  restsArm: false,
  ballsAWeek: 90,
  fromRung: 0,
};
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

test('the newest rounds of a player on a rung, and no more than are asked for', async () => {
  const newest = (most = 2) => roundsOn(store, ids.player as never, ids.rung as never, most);
  const made = [await newRound(), await newRound(), await newRound()];
  const ball = uuidv7();
  await putBall(scope, made[2]!, ball, 1, 'in');
  const first = await newest();
  expect(first).toHaveLength(2);
  expect(await newest(3)).toHaveLength(3);
  const outcomes = async () => (await newest()).flatMap(({ results: balls }) => balls.map(({ outcome }) => outcome));
  expect(await outcomes()).toEqual(['in']);
  await putBall(scope, made[2]!, ball, 1, 'out');
  expect(await outcomes()).toEqual(['out']);
  await call(rounds.DELETE, { scope, params: { id: made[2]! } });
  expect(await outcomes()).toEqual([]);
  expect(await newest()).toHaveLength(2);
});

test('of a player’s rounds only those that are others than before are read again', async () => {
  const [kept, touched, removed] = [await newRound(), await newRound(), await newRound()];
  const ball = uuidv7();
  await putBall(scope, touched, ball, 1, 'in');
  const rungRounds = async () =>
    new Map((await readBrief(store, { rungId: ids.rung as never, most: 50 })).map((each) => [each.id as string, each]));
  const before = await rungRounds();
  await putBall(scope, touched, ball, 1, 'out');
  await call(rounds.DELETE, { scope, params: { id: removed } });
  const after = await rungRounds();
  expect(after.get(kept)).toBe(before.get(kept));
  expect(before.get(touched)!.results.map(({ outcome }) => outcome)).toEqual(['in']);
  expect(after.get(touched)!.results.map(({ outcome }) => outcome)).toEqual(['out']);
  expect([before.has(removed), after.has(removed)]).toEqual([true, false]);
  // with the whole record of the player it is the same rounds
  expect((await comer()).rounds.find(({ id }) => id === kept)).toBe(after.get(kept));
});

test('where a player stands is worked out once, and again with another round, rung or day', async () => {
  const now = new Date('2026-11-24T10:00:00Z');
  const stands = async (on = now) => standingsOf((await comer()).rounds, await readLadders(store), on);
  const first = await stands();
  expect(first[0]).toMatchObject({ rungName: 'Deep and kind', number: 1, of: 1 });
  expect(await stands()).toBe(first);
  expect(await stands(new Date('2026-11-25T10:00:00Z'))).not.toBe(first);
  const [{ id, rungs }] = (await readLadders(store)) as [LadderRow];
  const document = { ...rungs[0]!.document, name: 'Deeper' };
  expect((await call(putRung.PUT, { scope, params: { id: rungs[0]!.id }, body: { ladderId: id, document } })).status).toBeLessThan(300);
  expect((await stands())[0]).toMatchObject({ rungName: 'Deeper' });
  await newRound();
  expect((await stands())[0]!.rounds).toBe(first[0]!.rounds + 1);
});

test('what a season may be on is found once, and again with another round, ladder, day or beginning', async () => {
  const now = new Date('2026-11-24T10:00:00Z');
  const facts = async (from: string | null = null, on = now) => {
    const { rounds, player } = await comer();
    const season = from === null ? null : { ...aSeason, from };
    return seasonFacts({ ...player, season }, { rounds }, await readLadders(store), await laddersOf(store, rounds), on);
  };
  const first = await facts();
  expect(await facts()).toBe(first);
  expect(await facts(null, new Date('2026-12-24T10:00:00Z'))).not.toBe(first);
  const early = await facts('2026-01-01');
  expect(await facts('2099-01-01')).toEqual({ ladders: early.ladders, runs: [] });
  await newRound();
  expect((await facts('2026-01-01')).runs).toHaveLength(early.runs.length + 1);
  const [{ id, name }] = (await readLadders(store)) as [LadderRow];
  expect(first.ladders).toMatchObject([{ id, name, at: 0 }]);
  await oneRung(scope, { name: 'Another', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  expect((await facts()).ladders).toHaveLength(2);
});

test('of the newest rounds it says whose they are, newest first, and no more than are asked for', async () => {
  const began = ['2026-11-21T15:00:00.000Z', '2026-11-23T15:00:00.000Z', '2026-11-22T15:00:00.000Z'];
  const made: string[] = [];
  for (const startedAt of began) {
    made.push(uuidv7());
    await call(rounds.PUT, { scope, params: { id: made.at(-1)! }, body: { ...roundBody(ids), startedAt } });
  }
  const heads = await readHeads(store, 2);
  expect(heads.map(({ id, playerName }) => [id, playerName])).toEqual([
    [made[1], 'Ines'],
    [made[2], 'Ines'],
  ]);
  const { store: theirs } = await makeClub(db, 'Theirs');
  expect(await readHeads(theirs, 2)).toEqual([]);
});

test('an id in other letters than ids have is nobody’s, and no fault of the database', async () => {
  const round = await newRound();
  for (const id of ['spät', '球', `${round}é`, '’'.repeat(36)]) expect(await readRound(store, id)).toBeUndefined();
  expect(await readRound(store, round)).toMatchObject({ id: round });
  expect(await store.any(player, ['spät'])).toEqual([]);
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
