import { beforeAll, describe, expect, test, vi } from 'vitest';
import * as signOutPage from '../src/pages/api/sign-out.ts';
import { GET, POST } from '../src/pages/enter.ts';
import type { Db } from '../src/server/db.ts';
import type { Scope } from '../src/server/scope.ts';
import { makeToken, SESSION_COOKIE } from '../src/server/session.ts';
import { addressOf, secondsToWait } from '../src/server/tries.ts';
import { emptyDatabase, makeClub, scopeOfToken } from './support/rig.ts';
import { visit } from './support/visit.ts';

const DAY_MS = 86_400_000;
let db: Db;
let scope: Scope;
beforeAll(async () => {
  db = await emptyDatabase();
  ({ scope } = await makeClub(db, 'Linked'));
});

/** Presses the button of a one-time link. */
async function press(token: string, address = '127.0.0.1'): Promise<{ status: number; cookie: string | undefined }> {
  const url = new URL('http://127.0.0.1:4321/enter');
  const set: Record<string, string> = {};
  const response = await POST({
    url,
    clientAddress: address,
    request: new Request(url, { method: 'POST', body: new URLSearchParams({ token }) }),
    cookies: { set: (name: string, value: string) => Object.assign(set, { [name]: value }) },
    redirect: (to: string, status: number) => new Response(null, { status, headers: { location: to } }),
  } as never);
  return { status: response.status, cookie: set[SESSION_COOKIE] };
}

describe('the way in', () => {
  test('a link signs in once, when its button is pressed; looking at it uses nothing up', async () => {
    const token = await makeToken(db, scope, true);
    for (let looks = 0; looks < 3; looks++) {
      const page = (await GET({ url: new URL(`http://127.0.0.1:4321/enter?token=${token}`) } as never)) as Response;
      expect(await page.text()).toContain(`value="${token}"`);
      expect(page.headers.get('content-security-policy')).toContain("default-src 'none'");
    }
    const { status, cookie } = await press(token);
    expect(status).toBe(303);
    expect((await press(token)).status).toBe(410);
    expect(await visit('/bench', { cookie: cookie! })).toMatchObject({ passed: true, scope: { clubId: scope.clubId, role: 'owner' } });
    expect(await visit('/bench', { cookie: 'made-up' })).toMatchObject({ status: 401 });
    expect(await visit('/bench', { cookie: token })).toMatchObject({ status: 401 }); // the link itself is no session
  });
  test('what is no token is not drawn into the page', async () => {
    const url = new URL('http://127.0.0.1:4321/enter');
    url.searchParams.set('token', '"><script>alert(1)</script>');
    const page = (await GET({ url } as never)) as Response;
    expect([page.status, (await page.text()).includes('<script>')]).toEqual([400, false]);
    expect((await press('x'.repeat(5000), '192.0.2.9')).status).toBe(410);
  });
  test('a new link ends the older ones', async () => {
    const [older, newer] = [await makeToken(db, scope, true), await makeToken(db, scope, true)];
    expect((await press(older)).status).toBe(410);
    expect((await press(newer)).status).toBe(303);
  });
  test('ten tries a minute from one address; another address is free', async () => {
    for (let tries = 0; tries < 10; tries++) expect((await press('x'.repeat(43), '192.0.2.1')).status).toBe(410);
    const token = await makeToken(db, scope, true);
    expect((await press(token, '192.0.2.1')).status).toBe(429);
    expect(await secondsToWait('192.0.2.1')).toBeGreaterThan(0);
    expect((await press(token, '192.0.2.2')).status).toBe(303);
  });
  test('behind proxies of ours the address is what the outermost of them saw, and nobody makes one up', () => {
    const asked = (forwarded: string) => ({
      request: new Request('http://127.0.0.1/', { headers: { 'x-forwarded-for': forwarded } }),
      clientAddress: '127.0.0.1',
    });
    expect(addressOf(asked('203.0.113.9'))).toBe('127.0.0.1');
    vi.stubEnv('GOODARC_HOPS', '1');
    expect(addressOf(asked('10.9.9.9, 203.0.113.9'))).toBe('203.0.113.9');
    vi.stubEnv('GOODARC_HOPS', '2');
    expect(addressOf(asked('10.9.9.9, 203.0.113.9, 192.0.2.7'))).toBe('203.0.113.9');
    vi.unstubAllEnvs();
  });
});

describe('a sign-in', () => {
  test('ends when it is not used for thirty days; each use keeps it; after ninety days it ends whatever was done', async () => {
    const token = await makeToken(db, scope, false);
    const after = (days: number) => scopeOfToken(db, token, new Date(Date.now() + days * DAY_MS));
    for (const days of [29, 58, 87]) expect(await after(days)).toMatchObject({ personId: scope.personId });
    expect(await after(91)).toBeNull();
    const idle = await makeToken(db, scope, false);
    expect(await scopeOfToken(db, idle, new Date(Date.now() + 31 * DAY_MS))).toBeNull();
  });
  test('is ended by its browser, or all of them at once; another person’s goes on', async () => {
    const [one, other, third] = [await makeToken(db, scope, false), await makeToken(db, scope, false), await makeToken(db, scope, false)];
    const { scope: stranger } = await makeClub(db, 'Other');
    const theirs = await makeToken(db, stranger, false);
    const leave = async (token: string, everywhere: boolean): Promise<string[]> => {
      const gone: string[] = [];
      const cookies = { get: () => ({ value: token }), delete: (name: string) => gone.push(name) };
      const request = new Request('http://127.0.0.1/', { method: 'POST', body: JSON.stringify({ everywhere }) });
      const answer = (await signOutPage.POST({
        request,
        params: {},
        locals: { scope },
        cookies,
        url: new URL(request.url),
      } as never)) as Response;
      expect(answer.status).toBe(204);
      return gone;
    };
    const hold = { method: 'POST', headers: { 'content-type': 'application/json', origin: 'http://127.0.0.1:4321' }, body: { do: 'hold' } };
    // it was known a moment ago: signed out, it is not believed any more even where nobody waits for the database
    expect(await visit('/api/machines/m/command', { ...hold, cookie: one })).toMatchObject({ passed: true });
    expect(await leave(one, false)).toEqual([SESSION_COOKIE]);
    expect((await visit('/api/machines/m/command', { ...hold, cookie: one })).scope).toBeUndefined();
    expect(await visit('/bench', { cookie: other })).toMatchObject({ passed: true });
    await leave(other, true);
    for (const token of [one, other, third]) expect(await visit('/bench', { cookie: token })).toMatchObject({ status: 401 });
    expect(await visit('/bench', { cookie: theirs })).toMatchObject({ passed: true });
  });
});
