import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, expect, test } from 'vitest';
import { handOn } from '../hand-on.mjs';

const open: Server[] = [];
afterEach(() => {
  for (const server of open.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

async function listening(server: Server): Promise<number> {
  open.push(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return (server.address() as AddressInfo).port;
}

/** A process that answers the first request on a line and ends the line at the second, as one does whose patience ran out. @returns what it heard */
async function endsItsLines(): Promise<{ port: number; heard: string[] }> {
  const heard: string[] = [];
  const lines = new WeakSet();
  const port = await listening(
    createServer((request, response) => {
      heard.push(`${request.method} ${request.url}`);
      if (lines.has(request.socket)) request.socket.destroy();
      else {
        lines.add(request.socket);
        response.end(`drawn ${request.url}`);
      }
    }),
  );
  return { port, heard };
}

async function before(portNow: () => number): Promise<string> {
  const pass = handOn(portNow);
  return `http://127.0.0.1:${await listening(createServer((request, response) => pass(request, response)))}`;
}

test('a page that is asked for on a line that just ended is asked for again, and comes', async () => {
  const { port, heard } = await endsItsLines();
  const here = await before(() => port);
  expect(await (await fetch(`${here}/a`)).text()).toBe('drawn /a');
  const second = await fetch(`${here}/b`);
  expect([second.status, await second.text()]).toEqual([200, 'drawn /b']);
  expect(heard).toEqual(['GET /a', 'GET /b', 'GET /b']);
});

test('what is written is never sent twice: the answer says to try again', async () => {
  const { port, heard } = await endsItsLines();
  const here = await before(() => port);
  await (await fetch(`${here}/a`)).text();
  const second = await fetch(`${here}/b`, { method: 'POST', body: 'x' });
  expect(second.status).toBe(503);
  await second.text();
  expect(heard).toEqual(['GET /a', 'POST /b']);
});

test('with nobody behind it, a page says so and tries again', async () => {
  const here = await before(() => 0);
  const answer = await fetch(here);
  expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '1']);
  expect(await answer.text()).toContain('tries again by itself');
});
