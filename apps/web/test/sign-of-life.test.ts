import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { knownTokens } from '../src/server/known.ts';
import { links } from '../src/server/links.ts';
import { takeSignOfLife } from '../src/server/sign-of-life.ts';
import { aScope } from './support/rig.ts';

const scope = aScope('Signs');
const machineId = uuidv7();
const TOKEN = 'a-token';
/** What the server that stands before Astro answers here to what goes the long way. */
const LONG_WAY = 599;

let server: Server;
let attended: string[];
beforeEach(async () => {
  attended = [];
  const line = { attend: (page: string) => attended.push(page) };
  vi.spyOn(links, 'open').mockImplementation((id, clubId) => (id === machineId && clubId === scope.clubId ? (line as never) : undefined));
  knownTokens.remember(TOKEN, scope);
  server = createServer((asked, answer) => void (takeSignOfLife(asked, answer) || answer.writeHead(LONG_WAY).end()));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterEach(async () => {
  vi.restoreAllMocks();
  vi.unstubAllEnvs();
  knownTokens.forget(TOKEN, null);
  await new Promise((resolve) => server.close(resolve));
});

interface Sign {
  method?: string;
  path?: string;
  body?: string;
  /** Undefined leaves one out. */
  headers?: Record<string, string | undefined>;
}

/** Sends one as a browser does, but for what is named. */
function send({ method = 'POST', path = `/api/machines/${machineId}/beat?page=p1`, body = '{}', headers = {} }: Sign = {}) {
  const { port } = server.address() as AddressInfo;
  const all = {
    host: `127.0.0.1:${port}`,
    origin: `http://127.0.0.1:${port}`,
    'sec-fetch-site': 'same-origin',
    'content-type': 'application/json',
    'content-length': String(Buffer.byteLength(body)),
    cookie: `theme=dusk; good_arc_session=${TOKEN}`,
    ...headers,
  };
  return new Promise<{ status: number; text: string }>((resolve, reject) => {
    const sent = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as Record<string, string>,
      },
      (answer) => {
        let text = '';
        answer.on('data', (part) => {
          text += part;
        });
        answer.on('end', () => resolve({ status: answer.statusCode!, text }));
      },
    );
    sent.on('error', reject);
    sent.end(body);
  });
}

test('a page of this site, signed in a moment ago, whose line is open: it is taken at once, for that page', async () => {
  expect((await send()).status).toBe(204);
  expect((await send({ path: `/api/machines/${machineId}/beat?page=other-2` })).status).toBe(204);
  expect(attended).toEqual(['p1', 'other-2']);
});

test('behind a proxy, the public address counts as this site', async () => {
  vi.stubEnv('GOODARC_ORIGIN', 'https://arc.example.org');
  const headers = { host: 'arc.example.org', origin: 'https://arc.example.org' };
  expect((await send({ headers })).status).toBe(204);
  expect((await send({ headers: { ...headers, origin: 'https://arc.example.org.evil.example' } })).status).toBe(LONG_WAY);
});

test.each<[string, Sign]>([
  ['of another site', { headers: { origin: 'https://elsewhere.example' } }],
  ['of another site, by what its browser says', { headers: { 'sec-fetch-site': 'cross-site' } }],
  ['to a name that is not ours', { headers: { host: 'evil.example', origin: 'http://evil.example' } }],
  ['without saying whose page it is', { headers: { origin: undefined } }],
  ['not as JSON', { headers: { 'content-type': 'text/plain' } }],
  ['longer than a sign of life', { body: '{"a":1}' }],
  ['by nobody', { headers: { cookie: undefined } }],
  ['by somebody unknown', { headers: { cookie: 'good_arc_session=another' } }],
  ['by another cookie with its name at the end', { headers: { cookie: `x_good_arc_session=${TOKEN}` } }],
  ['to no machine of the club', { path: `/api/machines/${uuidv7()}/beat?page=p1` }],
  ['to an id that is none', { path: '/api/machines/one/beat?page=p1' }],
  ['without a page', { path: `/api/machines/${machineId}/beat` }],
  ['a command', { path: `/api/machines/${machineId}/command?page=p1` }],
  ['only asked for', { method: 'GET' }],
])('%s: it is not taken, and goes the long way', async (_, sign) => {
  expect((await send(sign)).status).toBe(LONG_WAY);
  expect(attended).toEqual([]);
});

test('signed in too long ago, or signed out: who it is must be looked up', async () => {
  const later = performance.now() + 300_001;
  const clock = vi.spyOn(performance, 'now').mockReturnValue(later);
  expect((await send()).status).toBe(LONG_WAY);
  clock.mockRestore();
  expect((await send()).status).toBe(204);
  knownTokens.forget(TOKEN, scope.personId);
  expect((await send()).status).toBe(LONG_WAY);
});

test('a body that says something else is told what would be right', async () => {
  const { status, text } = await send({ body: '[]' });
  expect([status, JSON.parse(text).errors]).toEqual([400, [{ pointer: '', detail: 'The body must be {}.' }]]);
  expect(attended).toEqual([]);
});
