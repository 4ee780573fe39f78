import { eq } from 'drizzle-orm';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { membership, person } from '../src/db/schema.ts';
import * as find from '../src/pages/api/find.ts';
import * as me from '../src/pages/api/me.ts';
import type { Db } from '../src/server/db.ts';
import type { Scope } from '../src/server/scope.ts';
import { Store } from '../src/server/store.ts';
import { readViews } from '../src/server/views.ts';
import { call, emptyDatabase, makeClub } from './support/rig.ts';

let db: Db;
let scope: Scope;
let foreign: Scope;
beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope } = await makeClub(db, 'Ours'));
  ({ scope: foreign } = await makeClub(db, 'Theirs'));
});

describe('what is a person’s own', () => {
  test('units', async () => {
    expect((await call(me.PATCH, { scope, body: { units: 'metric' } })).status).toBe(204);
    expect((await call(me.PATCH, { scope, body: { units: 'furlongs' } })).status).toBe(400);
  });
  test('favourites pressed on several pages at once are all kept', async () => {
    const press = (id: string, kept: boolean) => call(me.PATCH, { scope, body: { favourite: { id, kept } } });
    const kept = async () => (await db.select().from(person).where(eq(person.id, scope.personId)))[0]!.favourites;
    await Promise.all(['a', 'b', 'c', 'd'].map((id) => press(id, true)));
    expect((await kept()).toSorted()).toEqual(['a', 'b', 'c', 'd']);
    await Promise.all([press('a', false), press('c', false), press('b', true)]);
    expect((await kept()).toSorted()).toEqual(['b', 'd']);
  });
  test('views of the logbook: kept by name, replaced, taken out, found by a word; nobody else’s', async () => {
    const put = (name: string, query: string, kept = true) => call(me.PATCH, { scope, body: { view: { name, query, kept } } });
    await Promise.all([put('Ines', 'player=1'), put('Backhand, spring', 'ladder=2&from=2026-03-01'), put('Theo', 'player=3')]);
    await put('Ines', 'player=1&to=2026-06-30');
    await put('Theo', 'player=3', false);
    expect(await readViews(new Store(db, scope), scope)).toEqual([
      { name: 'Backhand, spring', query: 'ladder=2&from=2026-03-01' },
      { name: 'Ines', query: 'player=1&to=2026-06-30' },
    ]);
    expect(await readViews(new Store(db, foreign), foreign)).toEqual([]);
    const { body } = await call(find.GET, { scope });
    expect(body).toContainEqual({ what: 'view', name: 'Ines', more: 'logbook', href: '/logbook?player=1&to=2026-06-30' });
    expect((await put('Away', 'https://elsewhere.example')).body.errors![0]!.pointer).toBe('/view/query');
    expect((await put('', 'player=1')).status).toBe(400);
    for (let i = 0; i < 38; i++) await put(`View ${i}`, 'player=1');
    expect((await put('One more', 'player=1')).body.errors![0]!.detail).toMatch(/At most 40/);
    expect((await put('Ines', 'player=4')).status).toBe(204);
  });
  test('views that cannot be read are as good as none', async () => {
    await db
      .update(membership)
      .set({ views: [{ name: 'Old', query: 'a b' }] })
      .where(eq(membership.personId, scope.personId));
    expect(await readViews(new Store(db, scope), scope)).toEqual([]);
  });
});
