import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { plan, round, squad } from '../src/db/schema.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as importCard from '../src/pages/api/ladders/[id]/import.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import * as plans from '../src/pages/api/plans/[id]/index.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, roundBody, rungDocument } from './support/rig.ts';

const HEAD = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' } as const;
let own: OneRung;
let theirs: OneRung;
let scope: Scope;
let store: Store;

beforeAll(async () => {
  const db = await emptyDatabase();
  const [ours, other] = [await makeClub(db, 'Ours'), await makeClub(db, 'Theirs')];
  ({ scope, store } = ours);
  [own, theirs] = [await oneRung(scope, HEAD), await oneRung(other.scope, HEAD)];
});

const planOf = (part: object) => ({
  name: 'Thursday',
  ladderId: own.ladder,
  startsAt: '2026-06-04T17:30',
  playerIds: [own.player],
  absentIds: [],
  lines: 1,
  stations: [],
  rotateBy: { kind: 'balls', balls: 20 },
  capBalls: 28,
  notes: '',
  ...part,
});
const twoMachines = (machineId: string) => {
  const document = rungDocument(own.court, own.machine);
  return { ...document, feeds: [document.feeds[0]!, { ...document.feeds[0]!, id: 'b2', machineId }] };
};

/** Writes whose body names something of another club, and the field that does. */
const CASES: [name: string, write: () => ReturnType<typeof call>, pointer: string][] = [
  [
    'a squad of theirs',
    () =>
      call(kit.PUT, {
        scope,
        params: { kind: 'squads', id: uuidv7() },
        body: { name: 'Mixed', playerIds: [own.player, theirs.player] },
      }),
    '/playerIds/1',
  ],
  [
    'a rung on their court',
    () =>
      call(rungs.PUT, {
        scope,
        params: { id: uuidv7() },
        body: { ladderId: own.ladder, document: rungDocument(theirs.court, own.machine) },
      }),
    '/document/courtId',
  ],
  [
    'a second ball from their machine',
    () => call(rungs.PUT, { scope, params: { id: uuidv7() }, body: { ladderId: own.ladder, document: twoMachines(theirs.machine) } }),
    '/document/feeds/1/machineId',
  ],
  [
    'a ladder read from a card for their machine',
    () =>
      call(importCard.POST, {
        scope,
        params: { id: uuidv7() },
        body: { ladder: HEAD, rungs: [{ id: uuidv7(), document: rungDocument(own.court, theirs.machine) }] },
      }),
    '/rungs/0/document/machineId',
  ],
  [
    'a plan of their ladder',
    () => call(plans.PUT, { scope, params: { id: uuidv7() }, body: planOf({ ladderId: theirs.ladder }) }),
    '/ladderId',
  ],
  [
    'a plan without their player',
    () => call(plans.PUT, { scope, params: { id: uuidv7() }, body: planOf({ absentIds: [theirs.player] }) }),
    '/absentIds/0',
  ],
  [
    'a round of their player',
    () =>
      call(rounds.PUT, {
        scope,
        params: { id: uuidv7() },
        body: { ...roundBody(own), playerId: theirs.player },
      }),
    '/playerId',
  ],
  [
    'a round run with a card of their court',
    () =>
      call(rounds.PUT, {
        scope,
        params: { id: uuidv7() },
        body: { ...roundBody(own), card: rungDocument(theirs.court, own.machine) },
      }),
    '/card/courtId',
  ],
  [
    'arming for their player',
    () => call(command.POST, { scope, params: { id: own.machine }, body: { do: 'arm', rungId: own.rung, playerId: theirs.player } }),
    '/playerId',
  ],
];

describe('ids inside bodies are of the club', () => {
  test.each(CASES)('%s is refused, and its field named', async (_, write, pointer) => {
    const { status, body } = await write();
    expect(status).toBe(404);
    expect(body.errors!.map((each) => each.pointer)).toEqual([pointer]);
  });
  test('nothing of it was saved', async () => {
    for (const table of [squad, round, plan]) expect(await store.list(table)).toEqual([]);
  });
  test('what was removed is still the club’s: its rounds were thrown', async () => {
    await call(kit.DELETE, { scope, params: { kind: 'players', id: own.player } });
    expect((await call(rounds.PUT, { scope, params: { id: uuidv7() }, body: roundBody(own) })).status).toBe(204);
  });
});
