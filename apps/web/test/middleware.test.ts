import { type AddressInfo, connect, createServer } from 'node:net';
import { sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest';
import { club, session } from '../src/db/schema.ts';
import { isSeeded, seedDemo, wipe } from '../src/db/seed.ts';
import { gather, whole } from '../src/islands/apart.ts';
import { sentToScripts } from '../src/islands/sent.ts';
import { type Db, database, inTransaction, isDatabaseGone, openDatabase, rowsOf, untilThrough } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { problemOf } from '../src/server/problem.ts';
import { readRounds } from '../src/server/read-rounds.ts';
import { demoVisitor, makeToken } from '../src/server/session.ts';
import { Store } from '../src/server/store.ts';
import { emptyDatabase, makeClub } from './support/rig.ts';
import { visit } from './support/visit.ts';

let db: Db;
beforeAll(async () => {
  db = await emptyDatabase();
});
afterEach(() => vi.unstubAllEnvs());

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
  test('behind a proxy the public address counts as this site, and no other does', async () => {
    const write = (origin: string) => visit('/api/me', { method: 'PATCH', headers: { ...json, origin } });
    expect(await write('https://arc.example.org')).toMatchObject({ status: 403 });
    vi.stubEnv('GOODARC_ORIGIN', 'https://arc.example.org');
    expect(await write('https://arc.example.org')).toMatchObject({ passed: true });
    expect(await write('https://arc.example.org.evil.example')).toMatchObject({ status: 403 });
    expect(await write('http://arc.example.org')).toMatchObject({ status: 403 });
  });
  test('a page of another site hears no machine, by whatever its browser says of it', async () => {
    const hear = (headers: Record<string, string>) => visit('/api/machines/m/link', { headers });
    expect(await hear({ origin: 'https://elsewhere.example' })).toMatchObject({ status: 403 });
    expect(await hear({ 'sec-fetch-site': 'cross-site' })).toMatchObject({ status: 403 });
    expect(await hear({ origin: 'http://127.0.0.1:4321', 'sec-fetch-site': 'same-origin' })).toMatchObject({ passed: true });
  });
  test('a page knows at once whether kit or ladders are others than before; who only asks an endpoint pays nothing for it', async () => {
    const { scope } = await makeClub(db, 'Marked');
    const cookie = await makeToken(db, scope, false);
    const page = await visit('/ladders', { cookie });
    expect(page).toMatchObject({ passed: true, scope, marks: { kit: expect.stringMatching(/\d/), ladders: expect.stringMatching(/\d/) } });
    expect(await visit('/api/me', { cookie })).toMatchObject({ passed: true, scope, marks: null });
  });
  test('a page that its scripts draw is whole, and as long as it says; one that the server drew is sent as it is', async () => {
    const cookie = await makeToken(db, (await makeClub(db, 'Drawn')).scope, false);
    const html = '<html><head></head><body>Räder</body></html>';
    const drawn = (isByScripts: boolean) => (locals: App.Locals) => {
      locals.isByScripts = isByScripts;
      return new Response(html, { headers: { 'content-type': 'text/html', 'content-length': '3' } });
    };
    const byScripts = await visit('/bench', { cookie, answer: drawn(true) });
    expect([byScripts.text, byScripts.headers.get('content-type'), byScripts.headers.get('content-length')]).toEqual([
      html,
      'text/html',
      null,
    ]);
    expect((await visit('/kit', { cookie, answer: drawn(false) })).headers.get('content-length')).toBe('3');
  });
  test('what scripts draw is in the head of the page, whoever puts the page together', async () => {
    const cookie = await makeToken(db, (await makeClub(db, 'Carried')).scope, false);
    const html = '<html><head><title>Räder</title></head><body></body></html>';
    const carried = html.replace('</head>', '<script type="application/json" id="sent">{"name":"ø \\u003cb>"}</script></head>');
    const by = (answer: (request: Request) => void) =>
      visit('/logbook', {
        cookie,
        answer: (locals, request) => {
          locals.isByScripts = true;
          sentToScripts(locals as { sent?: string }, { name: 'ø <b>' });
          answer(request);
          return new Response(html);
        },
      });
    expect((await by(() => undefined)).text).toBe(carried);
    let gathered: Request | undefined;
    const page = await by((request) => {
      gather(request);
      gathered = request;
    });
    expect(page.text).toBe(html);
    expect(new TextDecoder().decode(whole(gathered!, page.text))).toBe(carried);
  });
  test('hold, stow and the sign of life go by who was signed in a moment ago, without asking the database; nothing else does', async () => {
    const { scope } = await makeClub(db, 'Holding');
    const cookie = await makeToken(db, scope, false);
    const headers = { ...json, origin: 'http://127.0.0.1:4321' };
    const tell = (what: string, body: unknown) => visit(`/api/machines/m/${what}`, { method: 'POST', headers, cookie, body });
    // never seen before: who it is must be looked up
    expect((await tell('command', { do: 'hold' })).scope).toMatchObject({ personId: scope.personId });
    await db.delete(session);
    expect((await tell('command', { do: 'hold' })).scope).toMatchObject({ personId: scope.personId });
    expect((await tell('command', { do: 'stow' })).scope).toMatchObject({ personId: scope.personId });
    expect((await tell('beat', {})).scope).toMatchObject({ personId: scope.personId });
    expect((await tell('command', { do: 'feed' })).scope).toBeUndefined();
    // by then it is known that nobody is signed in any more
    expect((await tell('command', { do: 'hold' })).scope).toBeUndefined();
  });
  test('a page without a session says how to sign in; health is open', async () => {
    expect(await visit('/bench')).toMatchObject({ status: 401, passed: false });
    expect(await visit('/api/health')).toMatchObject({ passed: true });
    expect(await visit('/api/alive')).toMatchObject({ passed: true });
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
    const store = new Store(db, scope!);
    const rounds = await readRounds(store, { most: 100 });
    const kit = await readKit(store);
    expect([kit.courts.length, kit.machines.length, (await readLadders(store)).length > 4]).toEqual([7, 6, true]);
    expect(store.setAside).toEqual([]);
    expect(rounds.length).toBeGreaterThan(25);
    expect(rounds.every(({ startedAt }) => Date.parse(startedAt) < now.getTime())).toBe(true);
    const outcomes = rounds.map(({ results }) => results.map(({ outcome }) => outcome).join());
    await wipe(db);
    await seedDemo(db, now);
    const again = await readRounds(new Store(db, (await demoVisitor(db))!.scope), { most: 100 });
    expect(again.map(({ results }) => results.map(({ outcome }) => outcome).join())).toEqual(outcomes);
  });
});

describe('a database that is there and does not answer', () => {
  test('no statement is waited for beyond its limit, and the next one is answered by itself', async () => {
    const { db: impatient, close } = openDatabase(process.env.DATABASE_URL!, 300);
    const stuck = await impatient.execute(sql`select sleep(30)`).catch((error: unknown) => error);
    expect(isDatabaseGone(stuck)).toBe(true);
    expect(problemOf(stuck, () => {}).status).toBe(503);
    const within = inTransaction(impatient, (tx) => tx.execute(sql`select sleep(30)`));
    expect(isDatabaseGone(await within.catch((error: unknown) => error))).toBe(true);
    const [[row]] = (await impatient.execute(sql`select 7 as seven`)) as unknown as [[{ seven: number }]];
    expect(row.seven).toBe(7);
    await close();
  });
  test('one of our own words neither, whether the database falls silent before it has read it or after', async () => {
    const far = new URL(process.env.DATABASE_URL!);
    let isSilent = false;
    const between = createServer((near) => {
      const database = connect(Number(far.port), far.hostname);
      near.on('data', (asked) => isSilent || database.write(asked)).on('close', () => database.destroy());
      database.on('data', (told) => near.write(told)).on('error', () => near.destroy());
    });
    await new Promise<void>((done) => between.listen(0, '127.0.0.1', done));
    const { db: impatient, close } = openDatabase(
      Object.assign(new URL(far), { port: (between.address() as AddressInfo).port, search: '' }).href,
      1000,
    );
    const one = () => rowsOf(impatient, 'SELECT 1 AS one FROM DUAL WHERE 1 = ?', [1]);
    const [known, another] = [one, () => rowsOf(impatient, 'SELECT 2 AS two FROM DUAL WHERE 1 = ?', [1])];
    expect(await known()).toEqual([{ one: 1 }]);
    for (const asked of [known, another]) {
      isSilent = true;
      expect(isDatabaseGone(await asked().catch((error: unknown) => error))).toBe(true);
      isSilent = false;
      expect(await one()).toEqual([{ one: 1 }]);
    }
    await close();
    between.close();
  });
  test('a line that is lost within a transaction takes with it what was begun, and is not used again', async () => {
    const { db, close } = openDatabase(process.env.DATABASE_URL!);
    const [before] = await db.select({ name: club.name }).from(club).limit(1);
    const lost = await inTransaction(db, async (tx) => {
      await tx.update(club).set({ name: 'Half written' });
      await tx.execute(sql.raw('KILL CONNECTION_ID()'));
    }).catch((error: unknown) => error);
    expect(lost).toBeInstanceOf(Error);
    for (let n = 0; n < 3; n++)
      expect(await inTransaction(db, (tx) => tx.select({ name: club.name }).from(club).limit(1))).toEqual([before]);
    await close();
  });
  test('writes that met another’s locks are done again; a node that is not ready is a 503', async () => {
    const met = (errno: number) => Object.assign(new Error('failed query'), { cause: Object.assign(new Error('no'), { errno }) });
    for (const errno of [1213, 1205]) {
      let tries = 0;
      const done = await untilThrough(async () => {
        if (++tries < 4) throw met(errno);
        return 'done';
      });
      expect([done, tries]).toEqual(['done', 4]);
    }
    let once = 0;
    const refused = untilThrough(async () => {
      once++;
      throw met(1452);
    });
    await expect(refused).rejects.toThrow('failed query');
    expect(once).toBe(1);
    expect(problemOf(met(1047), () => {}).status).toBe(503);
    expect(problemOf(met(1213), () => {}).status).toBe(503);
  });
});

describe('the database is gone', () => {
  test('is told apart from a refusal, and answered with 503 and a promise that can be kept', async () => {
    const { db: away, close } = openDatabase('mysql://nobody:x@127.0.0.1:9/none');
    const error = await demoVisitor(away).catch((each: unknown) => each);
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
    const { $client } = db as unknown as { $client: Record<'query' | 'execute', () => Promise<never>> };
    const spies = (['query', 'execute'] as const).map((how) => vi.spyOn($client, how).mockRejectedValue(gone));
    expect(await visit('/api/machines/x/command', { cookie: token })).toMatchObject({ passed: true, scope: { clubId: scope.clubId } });
    expect(await visit('/api/machines/x/command', { cookie: uuidv7() })).toMatchObject({ status: 503 });
    expect(await visit('/bench', { cookie: token })).toMatchObject({ status: 503 });
    for (const spy of spies) spy.mockRestore();
  });
});
