import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Worker } from 'node:worker_threads';
import { afterEach, expect, test, vi } from 'vitest';
import { handOn } from '../hand-on.mjs';

const ends: (() => unknown)[] = [];
afterEach(async () => {
  vi.restoreAllMocks();
  for (const end of ends.splice(0)) await end();
});

/** Draws what it is asked for; ends at `/end`, fails at `/fail`. */
const DRAWS = `
  const { parentPort } = require('node:worker_threads');
  parentPort.on('message', ({ id, method, url, headers, address }) => {
    if (url === '/end') process.exit(0);
    if (url === '/fail') throw new Error('not drawn');
    const body = new TextEncoder().encode(\`drawn \${method} \${url} for \${headers['x-who']} at \${address}\`);
    const answered = { status: url === '/none' ? 404 : 200, headers: [['content-type', 'text/plain'], ['set-cookie', 'a=1'], ['set-cookie', 'b=2']] };
    parentPort.postMessage({ id, ...answered, body }, [body.buffer]);
  });
  parentPort.postMessage('ready');
`;

/** A server before such a thread. @returns where it listens, and how many threads were started */
async function before(code = DRAWS) {
  let started = 0;
  const start = () => {
    started++;
    return new Worker(code, { eval: true });
  };
  const { pass, ready, end } = handOn(start);
  const server: Server = createServer((request, response) => pass(request, response));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  ends.push(
    end,
    () => server.closeAllConnections(),
    () => server.close(),
  );
  return { at: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, ready, started: () => started };
}

test('a page is drawn by the thread, with all that it was asked with and all that it answers', async () => {
  const { at, ready } = await before();
  await ready;
  const page = await fetch(`${at}/a?b=1`, { headers: { 'x-who': 'Ines' } });
  expect([page.status, await page.text()]).toEqual([200, 'drawn GET /a?b=1 for Ines at 127.0.0.1']);
  expect([page.headers.get('content-type'), page.headers.getSetCookie()]).toEqual(['text/plain', ['a=1', 'b=2']]);
  const none = await fetch(`${at}/none`, { method: 'HEAD' });
  expect([none.status, await none.text()]).toEqual([404, '']);
  const many = await Promise.all(Array.from({ length: 20 }, async (_, n) => (await fetch(`${at}/${n}`)).text()));
  expect(many.map((text) => text.split(' ')[2])).toEqual(Array.from({ length: 20 }, (_, n) => `/${n}`));
});

test.each(['/end', '/fail'])('a thread that ends (%s) leaves a page that tries again, and another thread draws that', async (how) => {
  const said = vi.spyOn(console, 'error').mockImplementation(() => {});
  const { at, ready, started } = await before();
  await ready;
  const [lost, beside] = await Promise.all([fetch(`${at}${how}`), fetch(`${at}/never-drawn`)]);
  expect([lost.status, lost.headers.get('retry-after')]).toEqual([503, '1']);
  expect(await lost.text()).toContain('tries again by itself');
  // asked before or after it
  expect([200, 503]).toContain(beside.status);
  await vi.waitFor(async () => expect((await fetch(`${at}/a`)).status).toBe(200), { timeout: 5000 });
  expect(started()).toBe(2);
  expect(said).toHaveBeenCalledTimes(how === '/fail' ? 1 : 0);
});

test('while no thread is ready, a page says so and tries again', async () => {
  const { at } = await before('setInterval(() => {}, 1000)');
  const answer = await fetch(at);
  expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '1']);
  expect(await answer.text()).toContain('tries again by itself');
});

test('pages are read only', async () => {
  const { at, ready } = await before();
  await ready;
  const answer = await fetch(`${at}/a`, { method: 'POST', body: 'x' });
  expect([answer.status, answer.headers.get('allow')]).toEqual([405, 'GET, HEAD']);
});
