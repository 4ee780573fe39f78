import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { machine, round, rung } from '../src/db/schema.ts';
import * as whole from '../src/pages/api/ladders/[id]/whole.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders, readRung } from '../src/server/ladders.ts';
import { readRounds } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, roundBody, rungDocument } from './support/rig.ts';

const HEAD = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' } as const;
let db: Db;
let scope: Scope;
let ids: OneRung;
/** A reader of its own, as each page has one. */
const reader = (): Store => new Store(db, scope);

beforeEach(async () => {
  db = await emptyDatabase();
  ({ scope } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, HEAD);
});

describe('one document that cannot be read takes nothing else with it', () => {
  const broken = { ...rungDocument('x', 'y'), name: 'Half a rung', feeds: [] } as never;

  test('a rung: the ladder keeps the others, and the page is told which and why', async () => {
    const second = uuidv7();
    await call(rungs.PUT, {
      scope,
      params: { id: second },
      body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine) },
    });
    await db.update(rung).set({ document: broken }).where(eq(rung.id, second));
    const store = reader();
    const [ladder] = await readLadders(store);
    expect(ladder!.rungs.map(({ id }) => id)).toEqual([ids.rung]);
    expect(store.setAside).toEqual([expect.objectContaining({ what: 'rung', id: second, name: 'Half a rung' })]);
    expect(store.setAside[0]!.problem).toContain('courtId');
    await expect(readRung(reader(), second)).rejects.toMatchObject({ problem: { status: 404 } });
    // saving the ladder as the page shows it does not remove what it could not show
    const body = { version: ladder!.version, ladder: HEAD, rungs: ladder!.rungs.map(({ id, document }) => ({ id, document })) };
    expect((await call(whole.PUT, { scope, params: { id: ids.ladder }, body })).status).toBe(200);
    expect((await reader().list(rung, eq(rung.id, second))).length).toBe(1);
  });
  test('a machine: the kit goes on without it', async () => {
    await db.update(machine).set({ profile: { kind: 'Gone wrong' } as never });
    const store = reader();
    const kit = await readKit(store);
    expect([kit.machines.length, kit.courts.length, kit.players.length]).toEqual([0, 1, 1]);
    expect(store.setAside).toMatchObject([{ what: 'machine', name: 'Bramble' }]);
  });
  test('a round: the logbook shows the others', async () => {
    const [good, bad] = [uuidv7(), uuidv7()];
    for (const id of [good, bad]) await call(rounds.PUT, { scope, params: { id }, body: roundBody(ids) });
    await db.update(round).set({ card: broken }).where(eq(round.id, bad));
    const store = reader();
    expect((await readRounds(store, { most: 10 })).map(({ id }) => id)).toEqual([good]);
    expect(store.setAside).toMatchObject([{ what: 'round', id: bad }]);
  });
});
