import { type AddressInfo, connect, createServer, type Server, type Socket } from 'node:net';
import { afterEach, describe, expect, test } from 'vitest';
import {
  type Clock,
  commandSchema,
  type LinkEvent,
  LONGEST_LINE,
  MachineClient,
  machineEventSchema,
  PROTOCOL_VERSION,
  programSchema,
  readLines,
  replySchema,
  writeLine,
} from '../src/index.ts';
import { handClock, until } from './support.ts';

/** A machine that says only what the test tells it to. Without a clock by hand the client is patient: a busy processor is no silent machine. */
async function scripted(
  answer: (command: { id: string; do: string }, socket: Socket) => void,
  options: { clock: Clock } | { patienceMs: number } = { patienceMs: 8000 },
) {
  const sockets: Socket[] = [];
  const heard: { id: string; do: string }[] = [];
  const server: Server = createServer((socket) => {
    sockets.push(socket);
    socket.on('error', () => socket.destroy());
    readLines(socket, (value) => {
      const command = value as { id: string; do: string };
      heard.push(command);
      answer(command, socket);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const events: LinkEvent[] = [];
  const { port } = server.address() as AddressInfo;
  const client = new MachineClient({
    host: '127.0.0.1',
    port,
    onEvent: (event) => events.push(event),
    ...options,
  });
  cleanUp.push(() => {
    client.close();
    for (const socket of sockets) socket.destroy();
    server.close();
  });
  return { client, sockets, heard, events, port };
}

/** A few turns of the loop, in which whatever is due now is done. */
async function turns(): Promise<void> {
  for (let i = 0; i < 5; i++) await new Promise((resolve) => setImmediate(resolve));
}

const cleanUp: (() => void)[] = [];
afterEach(() => {
  for (const each of cleanUp.splice(0)) each();
});

const ok = (socket: Socket, id: string, state = 'idle', more: object = {}): void =>
  writeLine(socket, { re: id, ok: true, state, version: PROTOCOL_VERSION, ...more });
const named = { id: 'p1', name: 'Deep and kind, Ines' };
const status = {
  event: 'status',
  state: 'idle',
  why: '',
  hopper: 70,
  battery: 0.8,
  thrown: 0,
  count: 0,
  program: null,
  intervalS: null,
  next: null,
  nextInS: null,
};

/** A machine that greets back and then says nothing. */
async function silent(clock: Clock) {
  const r = await scripted(
    ({ id, do: what }, socket) => {
      if (what === 'hello') ok(socket, id);
    },
    { clock },
  );
  await until(() => r.client.isUp);
  return r;
}

describe('the client', () => {
  test('does not drive a machine that speaks another version, or none', async () => {
    for (const version of [PROTOCOL_VERSION + 1, undefined]) {
      const r = await scripted(({ id, do: what }, socket) => {
        if (what === 'hello') ok(socket, id, 'idle', { version });
      });
      await until(() => r.heard.some(({ do: what }) => what === 'hello'));
      await until(() => r.sockets[0]!.destroyed || r.sockets[0]!.readableEnded);
      expect(r.client.isUp).toBe(false);
      expect(await r.client.send({ do: 'feed' })).toMatchObject({ ok: false, code: 'link-lost' });
    }
  });
  test('a machine that does not answer the greeting is not there, and an answer that comes for a line that is gone changes nothing', async () => {
    const clock = handClock();
    const hellos: { id: string; socket: Socket }[] = [];
    const r = await scripted(({ id, do: what }, socket) => void (what === 'hello' && hellos.push({ id, socket })), { clock });
    await until(() => hellos.length === 1);
    clock.pass(1000); // no answer in time
    expect(r.client.isUp).toBe(false);
    expect(r.events).toEqual([]);
    await until(() => r.sockets[0]!.destroyed || r.sockets[0]!.readableEnded);
    // it asks again, and is taken
    await until(() => {
      clock.pass(100);
      return hellos.length >= 2;
    });
    ok(hellos[1]!.socket, hellos[1]!.id, 'idle', { extensions: ['lamp'] });
    await until(() => r.client.isUp);
    expect(r.events).toEqual([{ event: 'link', up: true }]);
  });
  test('sends what is meant for an extension only to a machine that named it', async () => {
    const launch = { x: 0, y: 6, z: 0.6, speedMps: 15, elevationDeg: 20, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
    const program = { id: 'p1', name: 'One ball', launches: [launch], intervalS: 4, count: 1, extra: { lamp: { on: true }, horn: {} } };
    const r = await scripted(({ id, do: what }, socket) => ok(socket, id, 'idle', what === 'hello' ? { extensions: ['lamp'] } : {}));
    await until(() => r.client.isUp);
    expect(await r.client.send({ do: 'extra', of: 'horn', with: {} })).toMatchObject({ ok: false, code: 'cannot' });
    expect(await r.client.send({ do: 'extra', of: 'lamp', with: { on: true } })).toMatchObject({ ok: true });
    await r.client.send({ do: 'arm', program });
    expect(r.heard.find(({ do: what }) => what === 'arm')).toMatchObject({ program: { extra: { lamp: { on: true } } } });
    expect(JSON.stringify(r.heard)).not.toContain('horn');
  });
  test('greets as the driver, and sends a heartbeat about four times a second', async () => {
    const clock = handClock();
    const r = await scripted(({ id }, socket) => ok(socket, id), { clock });
    await until(() => r.client.isUp);
    expect(r.heard[0]).toMatchObject({ do: 'hello', role: 'driver' });
    const beats = () => r.heard.filter((command) => command.do === 'heartbeat').length;
    for (let second = 1; second <= 3; second++) {
      clock.pass(1000);
      await until(() => beats() >= 4 * second);
      expect(beats()).toBe(4 * second);
    }
  });
  test('replies find their commands, in whatever order they come', async () => {
    const late: { id: string; socket: Socket }[] = [];
    const r = await scripted((command, socket) => {
      if (command.do === 'hold') late.push({ id: command.id, socket });
      else ok(socket, command.id, command.do === 'stow' ? 'stowed' : 'idle');
    });
    await until(() => r.client.isUp);
    const hold = r.client.send({ do: 'hold' });
    expect(await r.client.send({ do: 'stow' })).toMatchObject({ ok: true, state: 'stowed' });
    ok(late[0]!.socket, late[0]!.id, 'held');
    expect(await hold).toMatchObject({ ok: true, state: 'held' });
  });
  test('a command that is not answered in a second comes back as a time-out, and the link lives on', async () => {
    const clock = handClock();
    const r = await scripted(
      ({ id, do: what }, socket) => {
        if (what !== 'feed') ok(socket, id);
      },
      { clock },
    );
    await until(() => r.client.isUp);
    const asked = r.client.send({ do: 'feed' });
    clock.pass(900);
    writeLine(r.sockets[0]!, status);
    await until(() => r.events.some(({ event }) => event === 'status'));
    expect(await Promise.race([asked, 'still waiting'])).toBe('still waiting');
    clock.pass(150);
    expect(await asked).toMatchObject({ ok: false, code: 'timeout' });
    expect(r.client.isUp).toBe(true);
  });
  test('what it does not understand is left aside: noise, unknown events, half a line, a line without end', async () => {
    const r = await scripted(({ id }, socket) => ok(socket, id));
    await until(() => r.client.isUp);
    const [socket] = r.sockets;
    socket!.write('noise\n{"event":"dance"}\n{"event":"status"}\n');
    socket!.write(`${'x'.repeat(LONGEST_LINE + 10)}\n`);
    const text = `${JSON.stringify(status)}\n`;
    await new Promise<void>((resolve) => void socket!.write(text.slice(0, 20), () => resolve()));
    await turns();
    socket!.write(text.slice(20));
    await until(() => r.events.some(({ event }) => event === 'status'));
    expect(r.events.filter(({ event }) => event !== 'link')).toEqual([status]);
  });
  test('a machine that has another driver is tried again until it is free', async () => {
    let taken = true;
    const r = await scripted(({ id }, socket) =>
      taken ? writeLine(socket, { re: id, ok: false, state: 'idle', code: 'driver-taken', text: 'taken' }) : ok(socket, id),
    );
    await until(() => r.heard.length >= 1);
    expect(r.client.isUp).toBe(false);
    expect(await r.client.send({ do: 'arm', program: { launches: [], intervalS: 4, count: 1 } as never })).toMatchObject({
      ok: false,
      code: 'link-lost',
    });
    taken = false;
    await until(() => r.client.isUp);
  });
  test('what a machine says before it answers the greeting is not passed on; the line after the answer is', async () => {
    let greeting = '';
    const r = await scripted(({ id, do: what }, socket) => {
      if (what !== 'hello') return ok(socket, id);
      greeting = id;
      writeLine(socket, status);
    });
    await until(() => greeting !== '');
    const answer = { re: greeting, ok: true, state: 'held', version: PROTOCOL_VERSION };
    r.sockets[0]!.write(`${JSON.stringify(answer)}\n${JSON.stringify({ ...status, state: 'held' })}\n`);
    await until(() => r.client.isUp && r.events.length > 1);
    expect(r.events).toEqual([
      { event: 'link', up: true },
      { ...status, state: 'held' },
    ]);
  });
  test('commands that wait when the link is lost are answered as lost', async () => {
    const r = await scripted(({ id, do: what }, socket) => {
      if (what === 'feed') socket.destroy();
      else ok(socket, id);
    });
    await until(() => r.client.isUp);
    expect(await r.client.send({ do: 'feed' })).toMatchObject({ ok: false, code: 'link-lost' });
    expect(r.events.at(-1)).toEqual({ event: 'link', up: false });
  });
  test('a machine that falls silent counts as gone within 1.5 s of the client’s clock, and not within a second', async () => {
    const clock = handClock();
    const r = await silent(clock);
    clock.pass(1000);
    await turns();
    expect(r.client.isUp).toBe(true);
    clock.pass(500);
    await until(() => !r.client.isUp);
  });
  test('a machine is not taken as gone for the time in which the client itself did not run', async () => {
    const clock = handClock();
    const r = await silent(clock);
    const asked = r.client.send({ do: 'feed' });
    clock.sleep(5000);
    writeLine(r.sockets[0]!, status); // what it said meanwhile, read only now
    ok(r.sockets[0]!, r.heard.find((command) => command.do === 'feed')?.id ?? 'c2', 'feeding');
    expect(await asked).toMatchObject({ ok: true, state: 'feeding' });
    clock.pass(900);
    expect(r.client.isUp).toBe(true);
    clock.pass(600);
    await until(() => !r.client.isUp); // and from here on the silence is the machine's
  });
  test('once closed it does not come back', async () => {
    const clock = handClock();
    const r = await scripted(({ id }, socket) => ok(socket, id), { clock });
    await until(() => r.client.isUp);
    r.client.close();
    await until(() => !r.client.isUp);
    const before = r.sockets.length;
    clock.pass(60_000);
    // whoever had asked before is let in before
    const later = connect({ host: '127.0.0.1', port: r.port });
    cleanUp.push(() => later.destroy());
    await until(() => r.sockets.length > before);
    expect(r.sockets).toHaveLength(before + 1);
  });
});

describe('the lines', () => {
  const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
  test.each([
    ['a program without balls', { ...named, launches: [launch], intervalS: 4, count: 0 }],
    ['a program without launches', { ...named, launches: [], intervalS: 4, count: 3 }],
    ['an interval no machine has', { ...named, launches: [launch], intervalS: 0.1, count: 3 }],
    ['a launch faster than any', { ...named, launches: [{ ...launch, speedMps: 200 }], intervalS: 4, count: 3 }],
    ['an unknown key', { ...named, launches: [launch], intervalS: 4, count: 3, mode: 'x' }],
  ])('%s is refused', (_name, program) => {
    expect(programSchema.safeParse(program).success).toBe(false);
    expect(commandSchema.safeParse({ id: '1', do: 'arm', program }).success).toBe(false);
  });
  test('a command without an id, or with one too long, is refused', () => {
    expect(commandSchema.safeParse({ do: 'hold' }).success).toBe(false);
    expect(commandSchema.safeParse({ id: 'x'.repeat(65), do: 'hold' }).success).toBe(false);
    expect(commandSchema.safeParse({ id: '1', do: 'hold' }).success).toBe(true);
  });
  test('replies and events are told apart by their shape', () => {
    const reply = { re: 'c1', ok: true, state: 'held' };
    expect(replySchema.safeParse(reply).success).toBe(true);
    expect(machineEventSchema.safeParse(reply).success).toBe(false);
    expect(replySchema.safeParse(status).success).toBe(false);
    expect(machineEventSchema.safeParse(status).success).toBe(true);
    expect(machineEventSchema.safeParse({ event: 'release', seq: 1, feed: 0, launch }).success).toBe(true);
  });
});
