import { createServer, get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, expect, test } from 'vitest';
import { sendTo } from '../src/server/answer.ts';

const ends: (() => unknown)[] = [];
afterEach(async () => {
  for (const end of ends.splice(0)) await end();
});

/** A server that answers so, and what came of sending it. */
async function answering(answer: (gone: Promise<unknown>) => Response | Promise<Response>) {
  let sent: (outcome: unknown) => void = () => {};
  const outcome = new Promise<unknown>((done) => {
    sent = done;
  });
  const server = createServer(async (_, response) => {
    response.setHeader('x-same-of-all', 'yes');
    sendTo(response, await answer(new Promise((done) => response.on('close', done)))).then(() => sent('sent'), sent);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  ends.push(() => {
    server.closeAllConnections();
    server.close();
  });
  const asked = get({ host: '127.0.0.1', port: (server.address() as AddressInfo).port });
  const come = new Promise<IncomingMessage>((done, fail) => asked.on('response', done).on('error', fail));
  come.catch(() => {});
  return { asked, come, outcome };
}

async function textOf(message: IncomingMessage): Promise<string> {
  let text = '';
  for await (const part of message) text += part;
  return text;
}

/** Says one thing, then nothing. @returns it, and when it was told that nobody listens */
function quiet(first: string | null) {
  let tell: (told: string) => void = () => {};
  const told = new Promise<string>((done) => {
    tell = done;
  });
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => void (first !== null && controller.enqueue(new TextEncoder().encode(first))),
    cancel: () => tell('nobody listens'),
  });
  return { body, told };
}

test('status, headers, each cookie and the text arrive, beside what every answer carries', async () => {
  const { come, outcome } = await answering(() => {
    const answer = new Response('Räder', { status: 201, headers: { 'content-type': 'text/plain' } });
    for (const each of ['a=1', 'b=2']) answer.headers.append('set-cookie', each);
    return answer;
  });
  const message = await come;
  expect(message).toMatchObject({
    statusCode: 201,
    headers: { 'content-type': 'text/plain', 'set-cookie': ['a=1', 'b=2'], 'x-same-of-all': 'yes' },
  });
  expect(await textOf(message)).toBe('Räder');
  expect(await outcome).toBe('sent');
  expect((await (await answering(() => new Response(null, { status: 204 }))).come).statusCode).toBe(204);
});

test('it is read from where it comes no further ahead than it is taken', async () => {
  const [part, parts] = [new Uint8Array(1_000_000).fill(65), 200];
  let made = 0;
  let stands: () => void = () => {};
  const body = () =>
    new ReadableStream<Uint8Array>({
      pull(controller) {
        made++;
        // the first that are not taken: whoever waits sees that no more come
        if (made === 3) stands();
        if (made > parts) controller.close();
        else controller.enqueue(part);
      },
    });
  const begun = new Promise<void>((done) => {
    stands = done;
  });
  const { come } = await answering(() => new Response(body()));
  const message = await come;
  message.pause();
  await begun;
  // as many turns as all of it would take, if nobody minded
  for (let i = 0; i < 20 * parts; i++) await new Promise((done) => setImmediate(done));
  expect(made).toBeLessThan(parts / 4);
  message.resume();
  let bytes = 0;
  message.on('data', (each: Buffer) => (bytes += each.byteLength));
  await new Promise((done) => message.on('end', done));
  expect([bytes, made]).toEqual([parts * part.byteLength, parts + 1]);
});

test('who goes away is noticed at once by a stream that has nothing to say, and it is no fault', async () => {
  const { body, told } = quiet('here\n');
  const { asked, come, outcome } = await answering(() => new Response(body));
  await new Promise((done) => void come.then((message) => message.once('data', done)));
  asked.destroy();
  expect([await told, await outcome]).toEqual(['nobody listens', 'sent']);
});

test('so it is where they went before the answer began', async () => {
  const { body, told } = quiet(null);
  let leave: () => void = () => {};
  const { asked, outcome } = await answering(async (gone) => {
    leave();
    await gone;
    return new Response(body);
  });
  leave = () => asked.destroy();
  expect([await told, await outcome]).toEqual(['nobody listens', 'sent']);
});

test('one whose source fails is broken off, and says why', async () => {
  const body = new ReadableStream({
    pull(controller) {
      controller.enqueue(new TextEncoder().encode('half'));
      controller.error(new Error('the database is gone'));
    },
  });
  const { come, outcome } = await answering(() => new Response(body));
  expect(String(await outcome)).toContain('the database is gone');
  await expect(come.then(textOf)).rejects.toThrow();
});
