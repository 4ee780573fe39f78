import { dialValue, firstDials, type TuneUp } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { demoTuneUp } from '../src/db/demo-tune-ups.ts';
import { outing } from '../src/db/schema.ts';
import * as checklist from '../src/pages/api/checklist.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as importCard from '../src/pages/api/ladders/[id]/import.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import * as outingChecks from '../src/pages/api/outings/[id]/checks.ts';
import * as tuneUps from '../src/pages/api/tune-ups/[id]/index.ts';
import { readChecks } from '../src/server/checks.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import type { Scope } from '../src/server/scope.ts';
import { Store } from '../src/server/store.ts';
import { readTuneUps } from '../src/server/tuneUps.ts';
import { call, emptyDatabase, makeClub, profileOf, rungDocument } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
const profile = profileOf('Two-wheel portable');
const ids = { court: '', machine: '', stock: '' };
const at = '2026-05-01T10:00:00.000Z';

beforeAll(async () => {
  db = await emptyDatabase();
});

beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  for (const key of Object.keys(ids) as (keyof typeof ids)[]) ids[key] = uuidv7();
  await call(kit.PUT, {
    scope,
    params: { kind: 'courts', id: ids.court },
    body: { name: 'Court 1', sport: 'tennis', surfaceId: 'tennis-clay', indoor: false },
  });
  await call(kit.PUT, {
    scope,
    params: { kind: 'machines', id: ids.machine },
    body: { name: 'Bramble', profile, dials: firstDials(profile) },
  });
  await call(kit.PUT, {
    scope,
    params: { kind: 'balls', id: ids.stock },
    body: { name: 'Basket', ballId: 'tennis-standard', count: 60, condition: 'good' },
  });
});

const machine = async () => (await readKit(store)).machines[0]!;
const document = (dialId = 'speed', over: Partial<TuneUp> = {}): TuneUp => ({
  ...demoTuneUp({ name: 'Bramble', profile }, firstDials(profile).find(({ id }) => id === dialId)!, {
    courtId: ids.court,
    ballStockId: ids.stock,
  }),
  ...over,
});
const keep = (body: unknown, id = uuidv7(), who = scope) => call(tuneUps.PUT, { scope: who, params: { id }, body });

describe('a tune-up that is kept', () => {
  test('puts its curve with the dial and its repeatability with the machine, and is told with who made it', async () => {
    expect((await keep({ machineId: ids.machine, tunedAt: at, document: document() })).status).toBe(204);
    const { dials, profile: learnt } = await machine();
    const [speed, spin] = dials;
    expect(speed!.curve).toMatchObject({ balls: 14, tunedAt: at, ballId: 'tennis-standard', falling: false });
    expect(spin!.curve).toBeNull();
    const { value, lo, hi } = dialValue(speed!.scale, speed!.curve!, 5);
    expect(hi - lo).toBeLessThan(2);
    expect(value).toBeGreaterThan(12);
    expect(value).toBeLessThan(20);
    expect(learnt.repeatability.speedPct).not.toBe(profile.repeatability.speedPct);
    expect(learnt.repeatability.elevationDeg).toBe(profile.repeatability.elevationDeg);
    const [told] = await readTuneUps(store, ids.machine, db);
    expect(told).toMatchObject({ machineId: ids.machine, personName: 'Ours owner', tunedAt: at });
    expect(told!.document.balls).toHaveLength(15);
  });
  test('sent twice it is one; a dial measured by itself leaves the repeatability alone', async () => {
    const id = uuidv7();
    const body = { machineId: ids.machine, tunedAt: at, document: document('elevation') };
    await keep(body, id);
    await keep(body, id);
    expect(await readTuneUps(store, ids.machine, db)).toHaveLength(1);
    const { dials, profile: same } = await machine();
    expect(dials.find(({ id: dialId }) => dialId === 'elevation')!.curve).not.toBeNull();
    expect(same.repeatability).toEqual(profile.repeatability);
  });
  test('a dial of which a higher mark gives less keeps its sense', async () => {
    await keep({ machineId: ids.machine, tunedAt: at, document: document('interval') });
    const feed = (await machine()).dials.find(({ id }) => id === 'interval')!;
    expect(feed.curve!.falling).toBe(true);
    expect(dialValue(feed.scale, feed.curve!, 2).value).toBeGreaterThan(dialValue(feed.scale, feed.curve!, 9).value);
  });
  test('asked for, the balls’ drag goes with their basket', async () => {
    await keep({ machineId: ids.machine, tunedAt: at, document: document('speed', { fitDrag: true }) });
    const [basket] = (await readKit(store)).balls;
    expect(basket!.dragShare).not.toBe(1);
    expect(basket!.dragShare).toBeGreaterThan(0.7);
    expect(basket!.dragShare).toBeLessThan(1.4);
  });
  test('its balls can be forgotten; the curve stays', async () => {
    const id = uuidv7();
    await keep({ machineId: ids.machine, tunedAt: at, document: document() }, id);
    expect((await call(tuneUps.DELETE, { scope, params: { id } })).status).toBe(204);
    expect(await readTuneUps(store, ids.machine, db)).toEqual([]);
    expect((await machine()).dials[0]!.curve).not.toBeNull();
  });
});

describe('what is not kept', () => {
  test.each([
    ['no ball', () => ({ balls: [] }), 409, '/document/balls'],
    ['every ball kept out', () => ({ balls: document().balls.map((ball) => ({ ...ball, leftOut: true })) }), 409, '/document/balls'],
    ['a dial that is gone', () => ({ dialId: 'gone' }), 409, ''],
    ['a ball that flew for an hour', () => ({ balls: [{ ...document().balls[0]!, timeS: 3600 }] }), 400, '/document/balls/0/timeS'],
  ])('%s', async (_name, change, status, field) => {
    const answer = await keep({ machineId: ids.machine, tunedAt: at, document: document('speed', change() as Partial<TuneUp>) });
    expect(answer.status).toBe(status);
    if (field) expect(answer.body.errors![0]!.pointer).toBe(field);
    expect((await machine()).dials.every(({ curve }) => curve === null)).toBe(true);
    expect(await readTuneUps(store, ids.machine, db)).toEqual([]);
  });
  test('another club’s machine, or by a helper', async () => {
    const { scope: foreign } = await makeClub(db, 'Theirs');
    const body = { machineId: ids.machine, tunedAt: at, document: document() };
    expect((await keep(body, uuidv7(), foreign)).status).toBe(404);
    expect((await keep(body, uuidv7(), { ...scope, role: 'helper' })).status).toBe(403);
    expect((await machine()).dials[0]!.curve).toBeNull();
  });
});

describe('a card read back', () => {
  const head = { name: 'From elsewhere', sport: 'tennis', level: 'Building', approach: 'sweet-spot' };
  test('becomes a ladder with its rungs in order, or nothing at all', async () => {
    const id = uuidv7();
    const rungs = ['One', 'Two'].map((name) => ({ id: uuidv7(), document: rungDocument(ids.court, ids.machine, name) }));
    expect((await call(importCard.POST, { scope, params: { id }, body: { ladder: head, rungs } })).status).toBe(204);
    expect((await readLadders(store))[0]).toMatchObject({
      id,
      name: 'From elsewhere',
      rungs: [{ document: { name: 'One' } }, { document: { name: 'Two' } }],
    });
    const stray = [rungs[0]!, { id: uuidv7(), document: rungDocument(ids.court, uuidv7()) }];
    expect((await call(importCard.POST, { scope, params: { id: uuidv7() }, body: { ladder: head, rungs: stray } })).status).toBe(404);
    expect(await readLadders(store)).toHaveLength(1);
    expect(
      (await call(importCard.POST, { scope, params: { id: uuidv7() }, body: { ladder: head, rungs: [] } })).body.errors![0]!.pointer,
    ).toBe('/rungs');
  });
});

test('painted marks, the day balls were opened and a machine’s today are kept', async () => {
  const today = { day: '2026-05-01', speedShare: 0.96 };
  await call(kit.PUT, {
    scope,
    params: { kind: 'machines', id: ids.machine },
    body: { name: 'Bramble', profile, dials: firstDials(profile), today },
  });
  await call(kit.PUT, {
    scope,
    params: { kind: 'courts', id: ids.court },
    body: { name: 'Cage', sport: 'baseball', surfaceId: 'baseball-turf', indoor: true, marksM: [12.19, 13.72] },
  });
  const { machines, courts } = await readKit(store);
  expect(machines[0]!.today).toEqual(today);
  expect(courts[0]!.marksM).toEqual([12.19, 13.72]);
  const bad = await call(kit.PUT, {
    scope,
    params: { kind: 'machines', id: ids.machine },
    body: { name: 'Bramble', profile, dials: [{ ...firstDials(profile)[0], scale: { kind: 'numbers', lo: 5, hi: 1, click: 1 } }] },
  });
  expect(bad.body.errors![0]!.pointer).toBe('/dials/0/scale/hi');
});

describe('the checklist', () => {
  const outingId = uuidv7();
  const tick = (checks: unknown, who = scope, id = outingId) =>
    call(outingChecks.PUT, { scope: who, params: { id }, body: { startedAt: at, checks } });
  const ticks = async (id = outingId) => (await store.list(outing)).find((row) => row.id === id)?.checks;

  test('comes with the machine, until the club writes its own, and again after that', async () => {
    expect((await readChecks(store, profile)).before).toContain('battery above half');
    expect((await readChecks(store, profileOf('Two-wheel pitching machine'))).before).toContain('helmets on');
    const own = { before: ['gate shut'], after: [] };
    expect((await call(checklist.PUT, { scope, body: own })).status).toBe(204);
    expect(await readChecks(store, profile)).toEqual(own);
    const { scope: other } = await makeClub(db, 'Theirs');
    expect((await readChecks(new Store(db, other), profile)).before).not.toContain('gate shut');
    expect((await call(checklist.DELETE, { scope })).status).toBe(204);
    expect((await readChecks(store, profile)).before).toContain('battery above half');
  });
  test('what is ticked makes the outing and stays with it; ticked again it is changed, not doubled', async () => {
    expect((await tick({ before: ['battery above half'], after: [] })).status).toBe(204);
    expect((await tick({ before: ['battery above half', 'wheels locked'], after: ['put away'] })).status).toBe(204);
    expect(await ticks()).toEqual({ before: ['battery above half', 'wheels locked'], after: ['put away'] });
    expect(await store.list(outing)).toHaveLength(1);
  });
  test('a helper may tick it and not change it; an empty line is refused at its place', async () => {
    const helper: Scope = { ...scope, role: 'helper' };
    const id = uuidv7();
    expect((await tick({ before: ['nets up'], after: [] }, helper, id)).status).toBe(204);
    expect((await call(checklist.PUT, { scope: helper, body: { before: [], after: [] } })).status).toBe(403);
    const bad = await call(checklist.PUT, { scope, body: { before: ['one', ' '], after: [] } });
    expect(bad.body.errors![0]!.pointer).toBe('/before/1');
  });
});

test('test balls: a program of one launch, with where the dials stand; a machine without a line takes none', async () => {
  const launch = { x: 0, y: 8, z: 0.6, speedMps: 15, elevationDeg: 20, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
  const answer = await call(command.POST, {
    scope,
    params: { id: ids.machine },
    body: { do: 'test', ballId: 'tennis-standard', launch, count: 4 },
  });
  expect(answer.status).toBe(409);
  const bad = await call(command.POST, {
    scope,
    params: { id: ids.machine },
    body: { do: 'test', ballId: 'tennis-standard', launch: { ...launch, speedMps: 300 }, count: 4 },
  });
  expect(bad.body.errors![0]!.pointer).toBe('/launch/speedMps');
  const many = await call(command.POST, {
    scope,
    params: { id: ids.machine },
    body: { do: 'test', ballId: 'tennis-standard', launch, count: 99 },
  });
  expect(many.body.errors![0]!.pointer).toBe('/count');
});
