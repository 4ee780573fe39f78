import { createServer, type IncomingMessage } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { Readable } from 'node:stream';
import { expect, test } from 'vitest';
import { comesFrom, textOf } from '../src/server/body.ts';
import { Refusal } from '../src/server/problem.ts';

const LONG = 20_000;

/** A request whose body comes in these parts. */
function inParts(...parts: Uint8Array[]): Request {
  const request = new Request('http://127.0.0.1/api', { method: 'PUT' });
  comesFrom(request, Readable.from(parts));
  return request;
}

test('a letter that comes in two parts is one letter; who asks again gets the same text', async () => {
  const bytes = new TextEncoder().encode('Øst');
  const request = inParts(bytes.slice(0, 1), bytes.slice(1));
  expect(await textOf(request, 10)).toBe('Øst');
  expect(await textOf(request, 10)).toBe('Øst');
});

test('a request that no server handed on has a body of its own, or none', async () => {
  expect(await textOf(new Request('http://127.0.0.1/api', { method: 'PUT', body: 'of its own' }))).toBe('of its own');
  expect(await textOf(new Request('http://127.0.0.1/api'))).toBe('');
});

test('it is read no further than it may go, whatever is still to come, and who sent it is told', async () => {
  const server = createServer(async (asked: IncomingMessage, response) => {
    const request = new Request('http://127.0.0.1/api', { method: 'PUT' });
    comesFrom(request, asked);
    const said = await textOf(request, LONG).catch((error: unknown) => error);
    response.writeHead(said instanceof Refusal ? said.problem.status : typeof said === 'string' ? 204 : 500).end();
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  const put = (body: string) => fetch(`http://127.0.0.1:${port}`, { method: 'PUT', body });
  expect((await put('x'.repeat(LONG))).status).toBe(204);
  expect((await put('x'.repeat(LONG + 1))).status).toBe(413);
  expect((await put('x')).status).toBe(204);
  // one that goes away in the middle harms nobody else
  const gone = connect(port, '127.0.0.1', () => {
    gone.write('PUT / HTTP/1.1\r\nhost: x\r\ncontent-length: 100\r\n\r\nhalf');
    gone.resume().end();
  });
  await new Promise((done) => gone.on('close', done));
  expect((await put('x')).status).toBe(204);
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
});
