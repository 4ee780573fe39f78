import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest';
import { isSeeded, seedDemo, wipe } from '../src/db/seed.ts';
import { onRequest } from '../src/middleware.ts';
import { GET as enter } from '../src/pages/enter.ts';
import { type Db, database, isDatabaseGone, openDatabase } from '../src/server/db.ts';
import { problemOf } from '../src/server/problem.ts';
import { readRounds } from '../src/server/rounds.ts';
import { demoScope, makeToken, SESSION_COOKIE } from '../src/server/session.ts';
import { Store } from '../src/server/store.ts';
import { emptyDatabase, makeClub } from './support/rig.ts';

let db: Db;
beforeAll(async () => {
  db = await emptyDatabase();
});
afterEach(() => vi.unstubAllEnvs());

/** Runs the middleware as Astro would. */
async function visit(
  path: string,
  { method = 'GET', headers = {}, cookie }: { method?: string; headers?: Record<string, string>; cookie?: string } = {},
) {
  const url = new URL(`http://127.0.0.1:4321${path}`);
  const locals: App.Locals = {};
  const context = {
    request: new Request(url, { method, headers }),
    url,
    locals,
    cookies: { get: (name: string) => (name === SESSION_COOKIE && cookie ? { value: cookie } : undefined) },
  };
  const response = (await onRequest(context as never, async () => new Response('passed'))) as Response;
  return { status: response.status, passed: (await response.text()) === 'passed', scope: locals.scope };
}

describe('who may pass', () => {
  const json = { 'content-type': 'application/json' };
  test('a write from another site, or not as JSON, is turned away', async () => {
    expect(await visit('/api/me', { method: 'PATCH', headers: { ...json, origin: 'http://elsewhere.example' } })).toMatchObject({
      status: 403,
    });
    expect(await visit('/api/me', { method: 'PATCH', headers: json })).toMatchObject({ status: 403 });
    expect(
      await visit('/api/me', { method: 'PATCH', headers: { 'content-type': 'text/plain', origin: 'http://127.0.0.1:4321' } }),
    ).toMatchObject({ status: 403 });
    expect(await visit('/api/me', { method: 'PATCH', headers: { ...json, origin: 'http://127.0.0.1:4321' } })).toMatchObject({
      passed: true,
    });
  });
  test('a page without a session says how to sign in; health is open', async () => {
    expect(await visit('/bench')).toMatchObject({ status: 401, passed: false });
    expect(await visit('/api/health')).toMatchObject({ passed: true });
  });
  test('a one-time link signs in once, and the session is the person’s', async () => {
    const { scope } = await makeClub(db, 'Linked');
    const token = await makeToken(db, scope, true);
    const set: Record<string, string> = {};
    const open = () =>
      enter({
        url: new URL(`http://127.0.0.1:4321/enter?token=${token}`),
        cookies: { set: (name: string, value: string) => Object.assign(set, { [name]: value }) },
        redirect: () => new Response(null, { status: 302 }),
      } as never) as Promise<Response>;
    expect((await open()).status).toBe(302);
    expect((await open()).status).toBe(410);
    expect(await visit('/bench', { cookie: set[SESSION_COOKIE]! })).toMatchObject({
      passed: true,
      scope: { clubId: scope.clubId, role: 'owner' },
    });
    expect(await visit('/bench', { cookie: 'made-up' })).toMatchObject({ status: 401 });
    expect(await visit('/bench', { cookie: token })).toMatchObject({ status: 401 }); // the link itself is no session
  });
});

describe('the demo', () => {
  test('seeds an invented centre whose every rung and round can be read, the same way each time', async () => {
    const now = new Date('2026-11-25T08:00:00Z');
    await wipe(db);
    await seedDemo(db, now);
    expect(await isSeeded(db)).toBe(true);
    vi.stubEnv('GOODARC_DEMO', '1');
    const { scope } = await visit('/');
    expect(scope).toMatchObject({ clubName: 'Marrow Field Centre', altitudeM: 900, role: 'owner' });
    const rounds = await readRounds(new Store(db, scope!));
    expect(rounds.length).toBeGreaterThan(25);
    expect(rounds.every(({ startedAt }) => Date.parse(startedAt) < now.getTime())).toBe(true);
    const outcomes = rounds.map(({ results }) => results.map(({ outcome }) => outcome).join());
    await wipe(db);
    await seedDemo(db, now);
    const again = await readRounds(new Store(db, (await demoScope(db))!));
    expect(again.map(({ results }) => results.map(({ outcome }) => outcome).join())).toEqual(outcomes);
  });
});

describe('the database is gone', () => {
  test('is told apart from a refusal, and answered with 503 and a promise that can be kept', async () => {
    const { db: away, close } = openDatabase('mysql://nobody:x@127.0.0.1:9/none');
    const error = await demoScope(away).catch((each: unknown) => each);
    await close();
    expect(isDatabaseGone(error)).toBe(true);
    expect(problemOf(error, () => {})).toMatchObject({ status: 503, type: '/problems/database-gone' });
    const refused = await database()
      .execute('select no_such_column')
      .catch((each: unknown) => each);
    expect(isDatabaseGone(refused)).toBe(false);
    const logged: unknown[] = [];
    expect(problemOf(refused, (each) => logged.push(each))).toMatchObject({ status: 500 });
    expect(logged).toHaveLength(1);
  });
  test('a signed-in person is still known, so that a machine can be held', async () => {
    const { scope } = await makeClub(db, 'Holding');
    const token = await makeToken(db, scope, false);
    expect(await visit('/api/me', { cookie: token })).toMatchObject({ passed: true });
    const gone = Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' });
    const spy = vi.spyOn(db, 'select').mockImplementation(() => {
      throw gone;
    });
    expect(await visit('/api/machines/x/command', { cookie: token })).toMatchObject({ passed: true, scope: { clubId: scope.clubId } });
    expect(await visit('/api/machines/x/command', { cookie: uuidv7() })).toMatchObject({ status: 503 });
    expect(await visit('/bench', { cookie: token })).toMatchObject({ status: 503 });
    spy.mockRestore();
  });
});
