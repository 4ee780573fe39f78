import type { PersonId } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Role } from '../src/api/roles.ts';
import * as clubPage from '../src/pages/api/club.ts';
import * as peoplePage from '../src/pages/api/people/[id]/index.ts';
import * as linkPage from '../src/pages/api/people/[id]/link.ts';
import type { Db } from '../src/server/db.ts';
import { clubFacts } from '../src/server/people.ts';
import type { Scope } from '../src/server/scope.ts';
import { redeem } from '../src/server/session.ts';
import { call, emptyDatabase, makeClub, scopeOfToken } from './support/rig.ts';

const aPersonId = (): PersonId => uuidv7();

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
afterEach(() => vi.unstubAllEnvs());

const put = (id: PersonId, name: string, role: Role, who = scope) =>
  call(peoplePage.PUT, { scope: who, params: { id }, body: { name, role } });
const remove = (id: PersonId, who = scope) => call(peoplePage.DELETE, { scope: who, params: { id } });
const link = (id: PersonId, who = scope) => call(linkPage.POST, { scope: who, params: { id }, body: {} });
const names = async (who = scope) => (await clubFacts(db, who)).people?.map(({ name, role }) => `${name}, ${role}`);
/** Signs in by a new link. @returns the session's token */
const signedIn = async (id: PersonId, who = scope) => (await redeem(db, (await link(id, who)).body.token as string))!;

describe('who belongs to a club', () => {
  test('somebody is added, signs in by a link as what they are, and is called otherwise later', async () => {
    const id = aPersonId();
    expect((await put(id, 'Tam Orrel', 'helper')).status).toBe(204);
    expect((await put(id, 'Tam Orrel', 'helper')).status).toBe(204);
    const token = await signedIn(id);
    expect(await scopeOfToken(db, token)).toMatchObject({ clubId: scope.clubId, personId: id, personName: 'Tam Orrel', role: 'helper' });
    await put(id, 'Tam Orrel-Voss', 'coach');
    expect(await scopeOfToken(db, token)).toMatchObject({ personName: 'Tam Orrel-Voss', role: 'coach' });
    expect(await names()).toContain('Tam Orrel-Voss, coach');
  });
  test('who is removed is signed out everywhere, and no link signs them in; back again, they sign in anew', async () => {
    const id = aPersonId();
    await put(id, 'Tam Orrel', 'coach');
    const token = await signedIn(id);
    const unused = (await link(id)).body.token as string;
    expect((await remove(id)).status).toBe(204);
    expect(await scopeOfToken(db, token)).toBeNull();
    expect(await redeem(db, unused)).toBeNull();
    expect((await link(id)).status).toBe(404);
    expect(await names()).not.toContain('Tam Orrel, coach');
    expect((await remove(id)).status).toBe(404);
    await put(id, 'Tam Orrel', 'coach');
    expect(await scopeOfToken(db, token)).toBeNull();
    expect(await scopeOfToken(db, await signedIn(id))).toMatchObject({ role: 'coach' });
  });
  test('an owner cannot give the club away or lock themselves out; another owner can change what they are', async () => {
    expect((await put(scope.personId, 'Me', 'helper')).status).toBe(409);
    expect((await remove(scope.personId)).status).toBe(409);
    expect((await put(scope.personId, 'Me, renamed', 'owner')).status).toBe(204);
    const second = { ...scope, personId: aPersonId() };
    await put(second.personId, 'Second', 'owner');
    expect((await put(scope.personId, 'First', 'coach', second)).status).toBe(204);
    expect(await names()).toEqual(['First, coach', 'Second, owner']);
  });
  test('nobody of another club is touched, whatever id is given', async () => {
    for (const { status } of [await put(foreign.personId, 'Mine', 'helper'), await remove(foreign.personId), await link(foreign.personId)])
      expect(status).toBe(404);
    expect(await names(foreign)).toEqual(['Theirs owner, owner']);
    // nor one who was theirs and was removed
    const gone = aPersonId();
    await put(gone, 'Theirs', 'coach', foreign);
    await remove(gone, foreign);
    expect((await put(gone, 'Mine', 'coach')).status).toBe(404);
  });
  test('a link for oneself is everybody’s, for others the owner’s; a new one ends the older', async () => {
    const coach = { ...scope, personId: aPersonId(), role: 'coach' as const };
    await put(coach.personId, 'Tam', 'coach');
    expect((await link(coach.personId, coach)).status).toBe(200);
    expect((await link(scope.personId, coach)).status).toBe(403);
    const older = (await link(coach.personId)).body.token as string;
    await link(coach.personId);
    expect(await redeem(db, older)).toBeNull();
  });
  test('who is no owner is told the club, not who belongs to it; in the demo there is nobody to sign in', async () => {
    expect(await clubFacts(db, { ...scope, role: 'coach' })).toMatchObject({ name: 'Ours', mayChange: false, people: null });
    vi.stubEnv('GOODARC_DEMO', '1');
    expect((await clubFacts(db, scope)).people).toBeNull();
    expect((await link(scope.personId)).status).toBe(409);
  });
});

describe('the club itself', () => {
  test('its name and its height are changed by the owner, and are what everybody’s next page begins with', async () => {
    const change = (body: unknown, who = scope) => call(clubPage.PATCH, { scope: who, body });
    const token = await signedIn(scope.personId);
    expect((await change({ name: 'Larkfield', altitudeM: 1609 })).status).toBe(204);
    expect(await scopeOfToken(db, token)).toMatchObject({ clubName: 'Larkfield', altitudeM: 1609 });
    expect((await change({})).status).toBe(204);
    const refused = await change({ altitudeM: 9000 });
    expect([refused.status, refused.body.errors]).toEqual([400, [{ pointer: '/altitudeM', detail: 'At most 6,000 m (19,700 ft).' }]]);
    expect((await change({ altitudeM: 10 }, { ...scope, role: 'coach' })).body.title).toBe(
      'A coach may not change the club. Ask the owner of the club.',
    );
    expect(await scopeOfToken(db, token)).toMatchObject({ altitudeM: 1609 });
  });
});
