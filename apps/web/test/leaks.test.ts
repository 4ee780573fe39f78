import { firstDials } from '@good-arc/core';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Role } from '../src/api/roles.ts';
import { demoTuneUp } from '../src/db/demo-tune-ups.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as plans from '../src/pages/api/plans/[id]/index.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as live from '../src/pages/api/rounds/[id]/live.ts';
import type { Db } from '../src/server/db.ts';
import { links } from '../src/server/links.ts';
import type { Scope } from '../src/server/scope.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, profileOf, putBall, roundBody, rungDocument } from './support/rig.ts';

/**
 * Every endpoint, asked by another club, by each role, and by nobody. The list is made from the files, so that a new endpoint without a line here fails.
 */

const METHODS = ['GET', 'PUT', 'POST', 'PATCH', 'DELETE'] as const;
const FILES = import.meta.glob<Record<string, never>>('../src/pages/api/**/*.ts', { eager: true });
const ENDPOINTS = Object.entries(FILES).flatMap(([file, module]) =>
  METHODS.filter((method) => method in module).map((method) => ({
    name: `${method} ${file.replace('../src/pages/api/', '').replace(/(\/index)?\.ts$/, '')}`,
    route: module[method]!,
  })),
);

const HEAD = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' } as const;
let db: Db;
let scope: Scope;
let foreign: Scope;
let own: OneRung;
let made: { round: string; result: string; plan: string; outing: string };

beforeAll(async () => {
  db = await emptyDatabase();
  ({ scope } = await makeClub(db, 'Ours'));
  ({ scope: foreign } = await makeClub(db, 'Theirs'));
  own = await oneRung(scope, HEAD);
  made = { round: uuidv7(), result: uuidv7(), plan: uuidv7(), outing: '' };
  const body = roundBody(own);
  made.outing = body.outingId;
  await call(rounds.PUT, { scope, params: { id: made.round }, body });
  await putBall(scope, made.round, made.result, 1, 'in');
  await call(live.PUT, { scope, params: { id: made.round }, body: shown() });
  await call(plans.PUT, { scope, params: { id: made.plan }, body: plan() });
  // a machine on a line: without one nobody would be told more than that
  const lined = { name: 'Bramble', profile: profileOf('Two-wheel portable'), linkAddress: '127.0.0.1:9' };
  await call(kit.PUT, { scope, params: { kind: 'machines', id: own.machine }, body: lined, seen: 1 });
});
afterAll(() => links.closeAll());

const plan = () => ({
  name: 'Thursday',
  ladderId: own.ladder,
  startsAt: '2026-11-26T17:00',
  playerIds: [own.player],
  absentIds: [],
  lines: 1,
  stations: [],
  rotateBy: { kind: 'balls', balls: 10 },
  capBalls: 28,
  notes: '',
});
const paper = () => {
  const { weather: _weather, ...head } = roundBody(own);
  return { id: uuidv7(), ...head, outcomes: ['in', 'out'] };
};
const player = { name: 'A', level: 'Building', hand: 'left', heightM: 1.7, goals: '', avoid: '', notes: '' };

const shown = () => ({
  rungName: 'Deep and kind',
  courtName: 'Court 1',
  machines: [{ name: 'Bramble', lineOf: own.machine }],
  players: ['Ines'],
  scores: [{ hits: 1, balls: 2 }],
  thrown: 2,
  of: 10,
  streak: 1,
  last: 'in',
  state: 'by hand',
  everyS: 4,
  nextInS: 2.5,
  whose: '',
  kinds: [{ index: 0, name: 'Deep' }],
  coming: [{ index: 0, machine: 0 }],
});

interface Line {
  /** Of our club. */
  params?: () => Record<string, string>;
  body?: () => unknown;
  /** Whether a helper may, too. */
  helper: boolean;
  /** It is the person's own, or says nothing of any club: every signed-in person gets an answer. */
  forAll?: boolean;
}
const at = (id: () => string, more: Omit<Line, 'params'>): Line => ({ params: () => ({ id: id() }), ...more });

const LINES: Record<string, Line> = {
  'GET health': { helper: true, forAll: true },
  'GET alive': { helper: true, forAll: true },
  'GET offline': { helper: true, forAll: true },
  'GET find': { helper: true, forAll: true },
  'PATCH me': { helper: true, forAll: true, body: () => ({ units: 'metric' }) },
  'PATCH club': { helper: false, forAll: true, body: () => ({ altitudeM: 1200 }) },
  'PUT people/[id]': at(() => scope.personId, { body: () => ({ name: 'Ines', role: 'owner' }), helper: false }),
  'DELETE people/[id]': at(() => scope.personId, { helper: false }),
  'POST people/[id]/link': at(() => scope.personId, { body: () => ({}), helper: true }),
  'POST sign-out': { helper: true, forAll: true, body: () => ({ everywhere: false }) },
  'PUT checklist': { helper: false, forAll: true, body: () => ({ before: ['a'], after: [] }) },
  'DELETE checklist': { helper: false, forAll: true },
  'PUT kit/[kind]/[id]': { params: () => ({ kind: 'players', id: own.player }), body: () => player, helper: false },
  'DELETE kit/[kind]/[id]': { params: () => ({ kind: 'players', id: own.player }), helper: false },
  'POST kit/[kind]/[id]/restore': { params: () => ({ kind: 'players', id: own.player }), helper: false },
  'PUT ladders/[id]': at(() => own.ladder, { body: () => HEAD, helper: false }),
  'DELETE ladders/[id]': at(() => own.ladder, { helper: false }),
  'POST ladders/[id]/restore': at(() => own.ladder, { helper: false }),
  'PUT ladders/[id]/whole': at(() => own.ladder, {
    body: () => ({ version: 1, ladder: HEAD, rungs: [{ id: own.rung, document: rungDocument(own.court, own.machine) }] }),
    helper: false,
  }),
  'POST ladders/[id]/duplicate': at(() => own.ladder, {
    body: () => ({ newId: uuidv7(), rungIds: [{ from: own.rung, to: uuidv7() }] }),
    helper: false,
  }),
  'POST ladders/[id]/import': at(() => own.ladder, {
    body: () => ({ ladder: HEAD, rungs: [{ id: uuidv7(), document: rungDocument(own.court, own.machine) }] }),
    helper: false,
  }),
  'PUT rungs/[id]': at(() => own.rung, {
    body: () => ({ ladderId: own.ladder, document: rungDocument(own.court, own.machine) }),
    helper: false,
  }),
  'PUT plans/[id]': at(() => made.plan, { body: plan, helper: false }),
  'DELETE plans/[id]': at(() => made.plan, { helper: false }),
  'POST plans/[id]/restore': at(() => made.plan, { helper: false }),
  'PUT tune-ups/[id]': at(() => uuidv7(), {
    body: () => ({ machineId: own.machine, tunedAt: '2026-11-20T15:00:00.000Z', document: tuneUp() }),
    helper: false,
  }),
  'DELETE tune-ups/[id]': at(() => own.rung, { helper: false }),
  'PUT rounds/[id]': at(() => uuidv7(), { body: () => roundBody(own), helper: true }),
  'DELETE rounds/[id]': at(() => made.round, { helper: true }),
  'POST rounds/[id]/restore': at(() => made.round, { helper: true }),
  'PATCH rounds/[id]': at(() => made.round, { body: () => ({ notes: 'Bent knees.' }), helper: true }),
  'GET rounds': { helper: true, forAll: true },
  'POST rounds': { body: () => ({ rounds: [paper()] }), helper: true },
  'PUT rounds/[id]/live': at(() => made.round, { body: shown, helper: true }),
  'GET rounds/[id]/live': at(() => made.round, { helper: true }),
  'POST rounds/[id]/wish': at(() => made.round, { body: () => ({ id: uuidv7(), change: { kind: 'skip' } }), helper: true }),
  'POST rounds/[id]/finish': at(() => made.round, { body: () => ({ finishedAt: '2026-11-20T15:09:00.000Z' }), helper: true }),
  'PUT rounds/[id]/results/[resultId]': {
    params: () => ({ id: made.round, resultId: made.result }),
    body: () => ({ seq: 1, outcome: 'out', speedMps: null, elevationDeg: null, bearingDeg: null, radarMps: null }),
    helper: true,
  },
  'DELETE rounds/[id]/results/[resultId]': { params: () => ({ id: made.round, resultId: made.result }), helper: true },
  'PUT outings/[id]/checks': at(() => made.outing, {
    body: () => ({ startedAt: '2026-11-20T15:00:00.000Z', checks: { before: ['a'], after: [] } }),
    helper: true,
  }),
  'GET players/[id]/scatter': at(() => own.player, { helper: true }),
  'GET rounds/[id]': at(() => made.round, { helper: true }),
  'GET rounds/[id]/spoiled': at(() => made.round, { helper: true }),
  'GET players/[id]/half': at(() => own.player, { helper: true }),
  'GET machines/[id]/link': at(() => own.machine, { helper: true }),
  'POST machines/[id]/command': at(() => own.machine, { body: () => ({ do: 'hold' }), helper: true }),
  'POST machines/[id]/beat': at(() => own.machine, { body: () => ({}), helper: true }),
};

function tuneUp() {
  const profile = profileOf('Two-wheel portable');
  const dial = firstDials(profile).find(({ id }) => id === 'speed')!;
  return { ...demoTuneUp({ name: 'Bramble', profile }, dial, { courtId: own.court, ballStockId: '' }), ballStockId: null };
}

/** Where a foreign id is no error, since there is nothing to do: a sign of life, and taking back what is not there. */
const SILENT = ['POST machines/[id]/beat', 'DELETE rounds/[id]/results/[resultId]'];

/** Everything that is ours, as the database has it. */
async function ours(): Promise<string> {
  const tables = [
    'player',
    'court',
    'machine',
    'ladder',
    'rung',
    'round',
    'result',
    'outing',
    'plan',
    'tune_up',
    'squad',
    'ball_stock',
    'game_ball',
    'correction',
    'live',
    'membership',
  ];
  const rows = await Promise.all(
    tables.map(async (table) => (await db.execute(sql.raw(`SELECT * FROM ${table} WHERE club_id = '${scope.clubId}' ORDER BY id`)))[0]),
  );
  const [club] = await db.execute(sql.raw(`SELECT * FROM club WHERE id = '${scope.clubId}'`));
  return JSON.stringify([rows, club]);
}

const ask = (name: string, route: never, who: Scope | undefined) => {
  const { params, body } = LINES[name]!;
  return call(route, { scope: who, ...(params && { params: params() }), ...(body && { body: body() }) });
};

test('every endpoint has a line here', () => {
  expect(ENDPOINTS.map(({ name }) => name).sort()).toEqual(Object.keys(LINES).sort());
});

describe.each(ENDPOINTS)('$name', ({ name, route }) => {
  test.skipIf(name === 'GET health' || name === 'GET alive')('nobody is told anything before signing in', async () => {
    expect((await ask(name, route, undefined)).status).toBe(401);
  });
  test.skipIf(LINES[name]?.forAll)('another club is told nothing of ours, and changes nothing', async () => {
    const before = await ours();
    for (const role of ['owner', 'coach', 'helper'] as const satisfies readonly Role[]) {
      const { status, body } = await ask(name, route, { ...foreign, role });
      if (SILENT.includes(name)) continue;
      expect({ status, text: JSON.stringify(body) }).toEqual({
        status: expect.any(Number),
        text: expect.not.stringMatching(/Bramble|Ines|Climb|Thursday/),
      });
      expect([400, 403, 404, 409]).toContain(status);
    }
    expect(await ours()).toBe(before);
  });
  test.skipIf(name === 'GET machines/[id]/link')('a helper may run rounds, and no more', async () => {
    const { status } = await ask(name, route, { ...scope, role: 'helper' });
    if (LINES[name]!.helper) expect(status).not.toBe(403);
    else expect(status).toBe(403);
  });
});
