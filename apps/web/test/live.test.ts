import type { RoundId } from '@good-arc/core';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import type { LiveRow, LiveShown, LiveWish } from '../src/api/live.ts';
import * as finish from '../src/pages/api/rounds/[id]/finish.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as live from '../src/pages/api/rounds/[id]/live.ts';
import * as wish from '../src/pages/api/rounds/[id]/wish.ts';
import type { Db } from '../src/server/db.ts';
import { followLive, forgetLive, openLive, showLive, wishLive } from '../src/server/live.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, oneRung, roundBody } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let roundId: string;
const shown: LiveShown = {
  rungName: 'Turn about',
  courtName: 'Cage 1',
  machines: [
    { name: 'Heron', lineOf: null },
    { name: 'Flint', lineOf: null },
  ],
  players: ['Rafe Dunmore'],
  scores: [{ hits: 3, balls: 5 }],
  thrown: 5,
  of: 10,
  streak: 2,
  last: 'in',
  state: 'by hand',
  everyS: 8,
  nextInS: 4.2,
  whose: '',
  kinds: [
    { index: 0, name: 'Fastball' },
    { index: 1, name: 'Slider' },
  ],
  coming: [{ index: 1, machine: 1 }],
};
const show = (body: unknown = shown, who = scope) => call(live.PUT, { scope: who, params: { id: roundId }, body });

beforeAll(async () => {
  db = await emptyDatabase();
  ({ scope, store } = await makeClub(db, 'Ours'));
  const own = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' });
  roundId = uuidv7();
  expect((await show()).status).toBe(404); // the round has not arrived yet
  await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody(own) });
});

test('what a device shows is followed by others; it learns that somebody looks, and what they ask for, once more and again', async () => {
  expect(await call(live.GET, { scope, params: { id: roundId } })).toMatchObject({ status: 404 });
  expect((await show()).body).toEqual({ isFollowed: false, wish: null });
  const { body: followed } = await call(live.GET, { scope, params: { id: roundId } });
  const { shown: seen, ageS, isFinished } = followed as unknown as LiveRow;
  expect([seen, isFinished]).toEqual([shown, false]);
  expect(ageS).toBeLessThan(10);
  expect((await show()).body).toEqual({ isFollowed: true, wish: null });
  const asked = { id: uuidv7(), change: { kind: 'next', index: 0 } };
  expect((await call(wish.POST, { scope, params: { id: roundId }, body: asked })).status).toBe(204);
  expect((await show({ ...shown, thrown: 6 })).body).toMatchObject({ wish: asked });
  expect((await followLive(store, roundId, new Date())).shown.thrown).toBe(6);
  const later = { id: uuidv7(), change: { kind: 'skip' } };
  await call(wish.POST, { scope, params: { id: roundId }, body: later });
  expect((await show()).body).toMatchObject({ wish: later });
});
test('two devices show the only round of a club, whose clocks differ, while others ask: each finds it every time', async () => {
  // one row: by what it now knows of the table the database would look for it among the club's, where it moves with the time it was shown
  await show();
  await db.execute(sql`ANALYZE TABLE live`);
  const base = Date.now();
  const lane = async (back: number): Promise<void> => {
    for (let i = 0; i < 60; i++) await showLive(store, roundId as RoundId, { ...shown, thrown: i % 10 }, new Date(base + i * 40 - back));
  };
  const asking = async (): Promise<void> => {
    for (let i = 0; i < 60; i++) await wishLive(store, roundId as RoundId, { id: uuidv7(), change: { kind: 'skip' } } as LiveWish);
  };
  await Promise.all([lane(0), lane(3000), lane(500), lane(7000), asking(), asking(), asking()]);
  expect((await followLive(store, roundId as RoundId, new Date(base))).shown.rungName).toBe('Turn about');
});
test('nobody looked for a while: it need not tell so often; a device that is silent has no round on', async () => {
  const now = Date.now();
  const later = (s: number): Date => new Date(now + s * 1000);
  expect(await showLive(store, roundId, shown, later(60))).toMatchObject({ isFollowed: false });
  expect(await openLive(store, later(90))).toMatchObject([{ id: roundId, ageS: 30 }]);
  expect(await openLive(store, later(140))).toEqual([]);
});
test('bad input names its field, and nothing of it is shown', async () => {
  const bad = await show({ ...shown, thrown: -1 });
  expect([bad.status, bad.body.errors![0]!.pointer]).toEqual([400, '/thrown']);
  const odd = await call(wish.POST, { scope, params: { id: roundId }, body: { id: uuidv7(), change: { kind: 'next', index: 99 } } });
  expect([odd.status, odd.body.errors![0]!.pointer]).toEqual([400, '/change/index']);
  expect((await followLive(store, roundId, new Date())).shown.thrown).toBe(5);
});
test('when the round is over it says so, and is not among those that go on', async () => {
  await show();
  expect(await openLive(store, new Date())).toHaveLength(1);
  await call(finish.POST, { scope, params: { id: roundId }, body: { finishedAt: new Date().toISOString() } });
  expect(await openLive(store, new Date())).toEqual([]);
  expect(await followLive(store, roundId, new Date())).toMatchObject({ isFinished: true });
});
test('after a day nothing is left of what was shown', async () => {
  const hours = (many: number): Date => new Date(Date.now() + many * 3_600_000);
  await forgetLive(store, hours(23));
  expect(await followLive(store, roundId, new Date())).toMatchObject({ isFinished: true });
  await forgetLive(store, hours(25));
  await expect(followLive(store, roundId, new Date())).rejects.toMatchObject({ problem: { status: 404 } });
});
