import { type Checklist, firstChecklist, type PlanDocument } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import type { SavedView } from '../src/api/rows.ts';
import { ladder, plan, player, rung } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import { readChecks, writeChecks } from '../src/server/checks.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { laddersOf, ladderWith, readLadders } from '../src/server/ladders.ts';
import { putPlan, readPlans } from '../src/server/plans.ts';
import { readRound } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import { makeToken, visitorOfToken } from '../src/server/session.ts';
import { Store } from '../src/server/store.ts';
import { keepView, readViews } from '../src/server/views.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, profileOf, roundBody, rungDocument } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let ids: OneRung;
beforeAll(async () => {
  db = await emptyDatabase();
  const made = await makeClub(db, 'Ours');
  ({ scope, store } = made);
  ids = await oneRung(made.scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
});
const aPlan = (name: string, startsAt: string) =>
  ({
    name,
    ladderId: ids.ladder,
    startsAt,
    playerIds: [ids.player],
    absentIds: [],
    lines: 1,
    stations: ['calling'],
    rotateBy: { kind: 'balls', balls: 10 },
    capBalls: 28,
    notes: '',
  }) as PlanDocument;
const PROFILE = profileOf('Two-wheel portable');
const named = async (): Promise<string[]> => (await readKit(store)).players.map(({ name }) => name);
const rungs = async (): Promise<string[]> => (await readLadders(store)).flatMap((each) => each.rungs.map(({ document }) => document.name));

test('kit is read once, and again after every kind of change, whoever made it', async () => {
  expect(await readKit(store)).toBe(await readKit(store));
  const bo = { id: uuidv7(), name: 'Bo', level: 'Starting', hand: 'left', heightM: 1.5 } as const;
  await store.put(player, bo, 'player');
  expect(await named()).toEqual(['Bo', 'Ines']);
  await store.putFrom(player, { ...bo, name: 'Bodil' }, 'player', 1);
  expect(await named()).toEqual(['Bodil', 'Ines']);
  await store.remove(player, bo.id, 'player');
  expect(await named()).toEqual(['Ines']);
  await store.restore(player, bo.id, 'player');
  expect(await named()).toEqual(['Bodil', 'Ines']);
  // another server, past this one
  await db.update(player).set({ name: 'Bodil L.' }).where(eq(player.id, bo.id));
  expect(await named()).toEqual(['Bodil L.', 'Ines']);
});
test('ladders likewise: a rung that is changed, moved up or deleted', async () => {
  expect((await readLadders(store))[0]).toBe((await readLadders(store))[0]);
  const document = rungDocument(ids.court, ids.machine, 'Deeper');
  const id = uuidv7();
  await store.put(rung, { id, ladderId: ids.ladder, position: 1, document }, 'rung');
  expect(await rungs()).toEqual(['Deep and kind', 'Deeper']);
  await store.change(rung, eq(rung.id, id), {
    document: { ...document, name: 'Deeper yet' },
    updatedAt: new Date(Date.now() + 5),
  } as never);
  expect(await rungs()).toEqual(['Deep and kind', 'Deeper yet']);
  await store.remove(rung, id, 'rung');
  expect(await rungs()).toEqual(['Deep and kind']);
  await store.change(ladder, eq(ladder.id, ids.ladder), { name: 'Climbing' } as never);
  expect((await readLadders(store)).map(({ name }) => name)).toEqual(['Climbing']);
});
test('what is shared cannot be changed by one who reads it; within a transaction its own writes are seen, and forgotten with it', async () => {
  const kit = await readKit(store);
  expect(() => kit.players.push(kit.players[0]!)).toThrow(TypeError);
  await store
    .transaction(async (tx) => {
      await tx.remove(player, ids.player, 'player');
      expect((await readKit(tx)).players.map(({ id }) => id)).not.toContain(ids.player);
      throw new Error('taken back');
    })
    .catch(() => {});
  expect((await readKit(store)).players.map(({ id }) => id)).toContain(ids.player);
});
test('one club never sees what was read for another', async () => {
  const { store: theirs } = await makeClub(db, 'Theirs');
  await readKit(store);
  expect((await readKit(theirs)).players).toEqual([]);
  expect(await readLadders(theirs)).toEqual([]);
});

describe('a page knows by who asks for it whether anything is another', () => {
  /** As the middleware makes it: somebody is looked up, and what they may keep with them. */
  async function page(): Promise<Store> {
    const { scope: own, marks } = (await visitorOfToken(db, await makeToken(db, scope, false), { withMarks: true }))!;
    return new Store(db, own, { marks });
  }
  test('the same as by asking, and another after each change', async () => {
    expect(await readKit(await page())).toBe(await readKit(store));
    expect((await readLadders(await page()))[0]).toBe((await readLadders(store))[0]);
    const seen = [(await page()).marks!.kit, (await page()).marks!.ladders];
    await db.update(player).set({ name: 'Inessa' }).where(eq(player.id, ids.player));
    await db.update(ladder).set({ name: 'Climbed' }).where(eq(ladder.id, ids.ladder));
    const now = await page();
    expect([now.marks!.kit === seen[0], now.marks!.ladders === seen[1]]).toEqual([false, false]);
    expect((await readKit(now)).players.map(({ name }) => name)).toContain('Inessa');
    expect((await readLadders(now)).map(({ name }) => name)).toContain('Climbed');
  });
  test('planned outings, the checklist and views are as they are now, whichever way they are asked for', async () => {
    const day = (daysAhead: number) => `${new Date(Date.now() + daysAhead * 86_400_000).toISOString().slice(0, 10)}T17:00`;
    const put = (id: string, name: string, startsAt: string, seen: number | null = null) => putPlan(store, id, aPlan(name, startsAt), seen);
    const [past, next] = [uuidv7(), uuidv7()];
    const names = async (from: Store, asked: Parameters<typeof readPlans>[1]) =>
      (await readPlans(from, asked)).map(({ document: { name } }) => name);
    const everyWay = async () => {
      const asked = [{ from: day(0).slice(0, 10) }, { on: day(3).slice(0, 10) }, { from: day(-9).slice(0, 10) }, { id: next }];
      const [seen, alone] = [await page(), new Store(db, scope)];
      for (const each of asked) expect(await names(seen, each)).toEqual(await names(alone, each));
      for (const from of [seen, alone])
        expect([await readChecks(from, PROFILE), await readViews(from, scope)]).toEqual([checks ?? firstChecklist(PROFILE), views]);
      return Promise.all(asked.map((each) => names(seen, each)));
    };
    let checks: Checklist | null = null;
    const views: SavedView[] = [];
    expect(await everyWay()).toEqual([[], [], [], []]);
    await put(past, 'Long ago', day(-5));
    await put(next, 'Next', day(3));
    expect(await everyWay()).toEqual([['Next'], ['Next'], ['Long ago', 'Next'], ['Next']]);
    await put(next, 'Later', day(4), 1);
    checks = { before: ['gate | shut'], after: [] };
    await writeChecks(scope, checks, db);
    views.push({ name: 'Ines | Theo', query: 'player=1' });
    await keepView(db, scope, { ...views[0]!, kept: true });
    expect(await everyWay()).toEqual([['Later'], [], ['Long ago', 'Later'], ['Later']]);
    await store.remove(plan, next, 'plan');
    expect(await everyWay()).toEqual([[], [], ['Long ago'], []]);
  });
  test('who is looked up without a page gets none, and asks', async () => {
    const token = await makeToken(db, scope, false);
    expect(await visitorOfToken(db, token)).toMatchObject({ scope: { clubId: scope.clubId }, marks: null });
  });
  test('a round has its names, of kit and ladders that are gone, too', async () => {
    const id = uuidv7();
    await call(rounds.PUT, { scope, params: { id }, body: roundBody(ids) });
    const names = async (from: Store) => {
      const { playerName, machineName, courtName, ladderName } = (await readRound(from, id))!;
      return [playerName, machineName, courtName, ladderName];
    };
    const asked = await names(store);
    expect(asked).not.toContain('–');
    expect(await names(await page())).toEqual(asked);
    const gone = [
      [player, ids.player],
      [ladder, ids.ladder],
      [rung, ids.rung],
    ] as const;
    for (const [table, of] of gone) await store.remove(table, of, 'row');
    expect(await ladderWith(await page(), ids.rung)).toBeUndefined();
    expect(await names(await page())).toEqual(asked);
    for (const [table, of] of gone) await store.restore(table, of, 'row');
  });
});

test('of ladders only the one that changed is read again; each says what had to be left out of it, and no other does', async () => {
  const other = await oneRung(scope, { name: 'Other', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  const byId = async (): Promise<Map<string, object>> => new Map((await readLadders(store)).map((each) => [each.id, each]));
  const before = await byId();
  await db.update(ladder).set({ name: 'Another' }).where(eq(ladder.id, other.ladder));
  const after = await byId();
  expect(after.get(ids.ladder)).toBe(before.get(ids.ladder));
  expect(after.get(other.ladder)).toMatchObject({ name: 'Another' });
  await db
    .update(rung)
    .set({ document: { ...rungDocument('x', 'y'), feeds: [] } as never })
    .where(eq(rung.id, other.rung));
  const left = async (read: (from: Store) => Promise<unknown>): Promise<string[]> => {
    const reader = new Store(db, scope);
    await read(reader);
    return reader.setAside.map(({ id }) => id);
  };
  // said each time, not only when it is read
  for (let i = 0; i < 2; i++) {
    expect(await left((from) => readLadders(from))).toEqual([other.rung]);
    expect(await left((from) => readLadders(from, [other.ladder]))).toEqual([other.rung]);
    expect(await left((from) => readLadders(from, [ids.ladder]))).toEqual([]);
    expect(await left((from) => laddersOf(from, [{ rungId: ids.rung as never }]))).toEqual([]);
  }
});
