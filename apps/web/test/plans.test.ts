import type { AddressInfo, Server } from 'node:net';
import { fitDrill, LIBRARY, type RungDocument, scheduleOf } from '@good-arc/core';
import { serveMachine } from '@good-arc/simulator';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { person, rung } from '../src/db/schema.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as ladderImport from '../src/pages/api/ladders/[id]/import.ts';
import * as whole from '../src/pages/api/ladders/[id]/whole.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import * as me from '../src/pages/api/me.ts';
import * as plans from '../src/pages/api/plans/[id]/index.ts';
import * as planRestore from '../src/pages/api/plans/[id]/restore.ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { links } from '../src/server/links.ts';
import type { CourtsideEvent } from '../src/server/machine-link.ts';
import { readPlans } from '../src/server/plans.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { calendarOf } from '../src/views/plan/calendar.ts';
import { clockAt } from '../src/views/plan/clock.ts';
import { call, emptyDatabase, makeClub, profileOf } from './support/rig.ts';
import { until } from './support/until.ts';

let db: Db;
let scope: Scope;
let store: Store;
const ids = { court: '', first: '', second: '', a: '', b: '', c: '', ladder: '' };
const servers: Server[] = [];

beforeAll(async () => {
  db = await emptyDatabase();
});

const drill = LIBRARY.find(({ id }) => id === 'baseball-two-machines-one-voice')!;
const weather = { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 };
const fitted = (): RungDocument[] =>
  fitDrill(drill, {
    sport: 'baseball',
    court: { id: ids.court, surfaceId: 'baseball-turf' },
    machine: { id: ids.first, profile: profileOf('Three-wheel pitching machine') },
    second: { id: ids.second, profile: profileOf('Two-wheel pitching machine') },
    ballId: 'baseball',
    level: 'Advanced',
    weather,
    hand: 'right',
    heightM: 1.8,
    approach: 'earn-it',
  }).rungs;

/** A cage with two machines on lines of their own, three hitters, and the two-machine drill as a ladder. */
beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  for (const key of Object.keys(ids) as (keyof typeof ids)[]) ids[key] = uuidv7();
  const put = (kind: string, id: string, body: unknown) => call(kit.PUT, { scope, params: { kind, id }, body });
  await put('courts', ids.court, { name: 'Cage', sport: 'baseball', surfaceId: 'baseball-turf', indoor: true });
  for (const [id, kind] of [
    [ids.first, 'Three-wheel pitching machine'],
    [ids.second, 'Two-wheel pitching machine'],
  ] as const) {
    const profile = profileOf(kind);
    const server = await serveMachine({ port: 0, profile: { ...profile, hopper: 40 }, seed: 3, timeFactor: 15, patienceMs: 12_000 });
    servers.push(server);
    await put('machines', id, { name: kind, profile, linkAddress: `127.0.0.1:${(server.address() as AddressInfo).port}` });
  }
  for (const [id, name] of [
    [ids.a, 'Ada'],
    [ids.b, 'Bea'],
    [ids.c, 'Cy'],
  ] as const)
    await put('players', id, { name, level: 'Advanced', hand: 'right', heightM: 1.8, goals: 'Hit it', avoid: '' });
  const body = {
    ladder: { name: 'Called', sport: 'baseball', level: 'Advanced', approach: 'earn-it' },
    rungs: fitted().map((document) => ({ id: uuidv7(), document })),
    drillId: drill.id,
  };
  expect((await call(ladderImport.POST, { scope, params: { id: ids.ladder }, body })).status).toBe(204);
});
afterEach(() => {
  links.closeAll();
  for (const server of servers.splice(0)) server.close();
});

const planBody = (part: Record<string, unknown> = {}) => ({
  name: 'Tuesday cage',
  ladderId: ids.ladder,
  startsAt: '2026-12-01T18:05',
  playerIds: [ids.a, ids.b, ids.c],
  absentIds: [ids.c],
  lines: 1,
  stations: ['calling'],
  rotateBy: { kind: 'balls', balls: 10 },
  capBalls: 28,
  notes: 'Cage 1, lights on.',
  ...part,
});

describe('a copy of a built-in drill', () => {
  test('keeps a link to it and to its rungs as they came', async () => {
    const [ladder] = await readLadders(store);
    expect(ladder!.origin!.drillId).toBe(drill.id);
    expect(ladder!.origin!.rungs).toEqual(ladder!.rungs.map(({ document }) => document));
  });
  test('a change of one rung shows against them; the whole is saved at once', async () => {
    const [ladder] = await readLadders(store);
    const rungs = ladder!.rungs.map(({ id, document }, i) => ({ id, document: i === 1 ? { ...document, intervalS: 9 } : document }));
    const { name, sport, level, approach, version } = ladder!;
    const body = { version, ladder: { name, sport, level, approach }, rungs };
    expect((await call(whole.PUT, { scope, params: { id: ids.ladder }, body })).status).toBe(200);
    const [after] = await readLadders(store);
    expect(after!.rungs.map(({ document }, i) => document.intervalS === after!.origin!.rungs[i]!.intervalS)).toEqual([true, false, true]);
  });
  test('an order of before the orders were several is read as one of the list', async () => {
    const [row] = await db.select().from(rung).where(eq(rung.ladderId, ids.ladder));
    expect(row!.document.order.kind).toBe('blocks');
  });
});

describe('a hard ball that leaves too little time', () => {
  test('is armed only with the name of who confirms it', async () => {
    const [ladder] = await readLadders(store);
    const called = ladder!.rungs[0]!;
    const feeds = called.document.feeds.map((feed) => ({
      ...feed,
      machineId: ids.first,
      launch: { ...feed.launch, speedMps: 60, elevationDeg: -2 },
    }));
    const body = { ladderId: ladder!.id, document: { ...called.document, level: 'Starting', machineId: ids.first, feeds } };
    expect((await call(rungs.PUT, { scope, params: { id: called.id }, body })).status).toBe(204);
    const arm = (confirmedBy?: string) =>
      call(command.POST, {
        scope,
        params: { id: ids.first },
        body: { do: 'arm', rungId: called.id, ...(confirmedBy !== undefined && { confirmedBy }) },
      });
    const refused = await arm();
    expect([refused.status, refused.body.errors![0]!.pointer]).toEqual([409, '/confirmedBy']);
    expect((await arm(' ')).status).toBe(400);
    await until(async () => (await arm('Orla Fenwick')).body.ok === true);
  });
});

describe('two machines on one rung', () => {
  // the two run on their own clocks from their own start: a pause of the processor between the two commands is an order of its own
  test('each is armed with its own balls, and they come in the order that is called', { retry: 2 }, async () => {
    const [ladder] = await readLadders(store);
    const called = ladder!.rungs[2]!;
    const thrown: { by: string; at: number }[] = [];
    const tell = (id: string, body: unknown) => call(command.POST, { scope, params: { id }, body });
    const armed = async (id: string): Promise<boolean> => {
      const { body } = await tell(id, { do: 'arm', rungId: called.id });
      return body.ok === true;
    };
    await until(() => armed(ids.first));
    await until(() => armed(ids.second));
    // the lines are open now: whoever listens hears both
    const states = new Map<string, string>();
    const listen = (id: string, by: string): (() => void) =>
      links.open(id, scope.clubId)!.listen((event: CourtsideEvent) => {
        if (event.event === 'status') states.set(by, event.state);
        if (event.event === 'release') thrown.push({ by, at: performance.now() });
      }, '');
    const stops = [listen(ids.first, '1'), listen(ids.second, '2')];
    await until(() => states.get('1') === 'ready' && states.get('2') === 'ready');
    const fed = await Promise.all([ids.first, ids.second].map((id) => tell(id, { do: 'feed' })));
    expect(fed.map(({ body }) => body.ok)).toEqual([true, true]);
    await until(() => {
      // somebody is with both machines as long as it takes
      for (const id of [ids.first, ids.second]) links.open(id, scope.clubId)?.attend('');
      return thrown.length >= 10;
    });
    for (const stop of stops) stop();
    expect(
      thrown
        .sort((a, b) => a.at - b.at)
        .map(({ by }) => by)
        .join(' '),
    ).toBe('1 1 2 1 2 2 1 1 2 1');
  });
});

describe('plans', () => {
  test('kept, read back, changed, deleted and restored; another club does not see them', async () => {
    const id = uuidv7();
    expect((await call(plans.PUT, { scope, params: { id }, body: planBody() })).body).toEqual({ version: 1 });
    expect(await readPlans(store, { from: '' })).toEqual([{ id, version: 1, document: planBody() }]);
    await call(plans.PUT, { scope, params: { id }, body: planBody({ lines: 2 }), seen: 1 });
    const stale = await call(plans.PUT, { scope, params: { id }, body: planBody({ lines: 3 }), seen: 1 });
    expect(stale).toMatchObject({ status: 409, body: { current: { version: 2, document: { lines: 2 } } } });
    expect((await readPlans(store, { from: '' }))[0]!.document.lines).toBe(2);
    const [day = ''] = planBody().startsAt.split('T');
    expect(await readPlans(store, { on: day })).toHaveLength(1);
    expect(await readPlans(store, { on: '2001-01-01' })).toEqual([]);
    expect(await readPlans(store, { from: '2999-01-01' })).toEqual([]);
    expect(await readPlans(store, { id })).toHaveLength(1);
    await call(plans.DELETE, { scope, params: { id } });
    expect(await readPlans(store, { from: '' })).toEqual([]);
    await call(planRestore.POST, { scope, params: { id } });
    expect(await readPlans(store, { from: '' })).toHaveLength(1);
    const { scope: foreign, store: foreignStore } = await makeClub(db, 'Theirs');
    expect(await readPlans(foreignStore, { from: '' })).toEqual([]);
    expect((await call(plans.PUT, { scope: foreign, params: { id }, body: planBody() })).status).toBe(404);
  });
  test.each([
    [{ startsAt: 'tomorrow' }, '/startsAt'],
    [{ playerIds: [] }, '/playerIds'],
    [{ lines: 0 }, '/lines'],
    [{ rotateBy: { kind: 'balls', balls: 0 } }, '/rotateBy/balls'],
    [{ stations: ['resting'] }, '/stations/0'],
  ])('bad input names its field: %j', async (part, pointer) => {
    const { status, body } = await call(plans.PUT, { scope, params: { id: uuidv7() }, body: planBody(part) });
    expect(status).toBe(400);
    expect(body.errors!.map((each) => each.pointer)).toContain(pointer);
  });
  test('a player of nobody’s is not planned with, and nothing is half saved', async () => {
    const { status } = await call(plans.PUT, { scope, params: { id: uuidv7() }, body: planBody({ playerIds: [uuidv7()] }) });
    expect(status).toBe(404);
    expect(await readPlans(store, { from: '' })).toEqual([]);
  });
  test('the calendar file: one event at the local time, with the turns in words (RFC 5545)', async () => {
    const [ladder] = await readLadders(store);
    const rungs = ladder!.rungs.map(({ document }) => document);
    const plan = planBody() as Parameters<typeof scheduleOf>[0];
    const schedule = scheduleOf(plan, rungs);
    const { players } = await readKit(store);
    const text = calendarOf({ id: ids.ladder, plan, schedule, rungs, nameOf: (id) => players.find((each) => each.id === id)!.name });
    const lines = text.replaceAll('\r\n\t', '').replaceAll('\r\n ', '').split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines).toContain('DTSTART:20261201T180500');
    expect(lines).toContain('SUMMARY:Tuesday cage');
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
    const words = lines.find((line) => line.startsWith('DESCRIPTION:'))!;
    expect(words).toContain('18:05 Five from each\\, 10 balls: Ada');
    expect(words).not.toContain('Cy');
  });
  test('the clock runs past the hour and past midnight', () => {
    expect(clockAt('2026-12-01T18:05', 56 * 60)).toBe('19:01');
    expect(clockAt('2026-12-01T23:50', 1200)).toBe('00:10');
  });
});

test('squads and favourites are kept', async () => {
  const id = uuidv7();
  const body = { name: 'Cage group', playerIds: [ids.a, ids.b], notes: '' };
  expect((await call(kit.PUT, { scope, params: { kind: 'squads', id }, body })).status).toBe(200);
  expect((await readKit(store)).squads).toEqual([{ id, version: 1, ...body }]);
  const empty = await call(kit.PUT, { scope, params: { kind: 'squads', id: uuidv7() }, body: { ...body, playerIds: [] } });
  expect([empty.status, empty.body.errors![0]]).toEqual([400, { pointer: '/playerIds', detail: expect.stringContaining('at least one') }]);
  for (const favourite of [ids.ladder, drill.id])
    expect((await call(me.PATCH, { scope, body: { favourite: { id: favourite, kept: true } } })).status).toBe(204);
  const [row] = await db.select({ favourites: person.favourites }).from(person).where(eq(person.id, scope.personId));
  expect(row!.favourites).toEqual([ids.ladder, drill.id]);
});
