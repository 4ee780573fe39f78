import { type AddressInfo, connect } from 'node:net';
import { MachineClient, readLines, stopMachine } from '@good-arc/line';
import { afterEach, expect, test } from 'vitest';
import { until } from '../../line/test/support.ts';
import { serveMachine } from '../src/index.ts';

const profile = { hopper: 70, repeatability: { speedPct: 1, elevationDeg: 0.3, bearingDeg: 0.3, spinPct: 5 } };
const launch = { x: 0, y: 6, z: 0.6, speedMps: 15, elevationDeg: 20, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
const program = { id: 'p1', name: 'Deep and kind, Ines', launches: [launch], intervalS: 4, count: 40 };
const cleanUp: (() => void)[] = [];
afterEach(() => {
  for (const each of cleanUp.splice(0).reverse()) each();
});

async function aMachine() {
  const server = await serveMachine({ port: 0, profile, seed: 1, timeFactor: 20, patienceMs: 8000 });
  cleanUp.push(() => server.close());
  const { port } = server.address() as AddressInfo;
  return {
    port,
    /** A server that was given the machine by this fence, or by nobody. */
    driver(fence?: number) {
      const said: string[] = [];
      const client = new MachineClient({
        host: '127.0.0.1',
        port,
        ...(fence !== undefined && { fence }),
        patienceMs: 8000,
        onEvent: (event) =>
          said.push(event.event === 'link' ? (event.up ? 'up' : (event.why ?? 'down')) : event.event === 'status' ? event.state : ''),
      });
      cleanUp.push(() => client.close());
      return { client, said };
    },
    /** One line by hand. @returns the replies to what is said on it */
    async saying(...commands: object[]) {
      const socket = connect({ host: '127.0.0.1', port });
      cleanUp.push(() => socket.destroy());
      const heard: Record<string, unknown>[] = [];
      readLines(socket, (value) => heard.push(value as Record<string, unknown>));
      commands.forEach((command, i) => void socket.write(`${JSON.stringify({ id: `x${i}`, ...command })}\n`));
      const replies = () => heard.filter(({ re }) => re !== undefined);
      await until(() => replies().length === commands.length);
      return { replies: replies(), isClosed: () => socket.readableEnded || socket.destroyed };
    },
  };
}

test('who was given the machine later takes it, moving or not: it is held, and the one before feeds it no more', async () => {
  const { driver } = await aMachine();
  const [first, second] = [driver(100), driver()];
  await until(() => first.client.isUp);
  await first.client.send({ do: 'arm', program });
  await until(() => first.said.includes('ready'));
  await first.client.send({ do: 'feed' });
  await until(() => first.said.includes('feeding'));
  // one that nobody gave it waits its turn, as ever
  await until(() => second.said.includes('driver-taken'));
  const third = driver(101);
  await until(() => third.said.includes('held'));
  await until(() => !first.client.isUp);
  expect(await first.client.send({ do: 'feed' })).toMatchObject({ ok: false, code: 'link-lost' });
  // it asks again, with the fence it has, and is told that it comes too late
  await until(() => first.said.includes('driver-taken'));
  expect(third.client.isUp).toBe(true);
});

test('a lower fence than any before is refused, also when nobody drives', async () => {
  const machine = await aMachine();
  const newer = machine.driver(200);
  await until(() => newer.client.isUp);
  newer.client.close();
  const hello = { do: 'hello', role: 'driver' };
  const { replies } = await machine.saying({ ...hello, fence: 199 }, { do: 'feed' });
  expect(replies[0]).toMatchObject({ ok: false, text: 'This machine was given to another server since.' });
  expect(replies[1]).toMatchObject({ ok: false, code: 'not-driver' });
  const again = machine.driver(200);
  await until(() => again.client.isUp);
});

test('a laptop that drives without a fence is not put out by a server with one', async () => {
  const machine = await aMachine();
  const laptop = machine.driver();
  await until(() => laptop.client.isUp);
  const { replies } = await machine.saying({ do: 'hello', role: 'driver', fence: 1_000_000 });
  expect(replies[0]).toMatchObject({ ok: false, code: 'driver-taken' });
  expect(laptop.client.isUp).toBe(true);
});

test('anyone holds and stows it on a line of their own; of a machine that is not there it is said', async () => {
  const { driver, port } = await aMachine();
  const { client, said } = driver(1);
  await until(() => client.isUp);
  await client.send({ do: 'arm', program });
  await until(() => said.includes('ready'));
  expect(await stopMachine({ host: '127.0.0.1', port }, 'hold')).toMatchObject({ ok: true, state: 'held' });
  await until(() => said.includes('held'));
  expect(await stopMachine({ host: '127.0.0.1', port }, 'stow')).toMatchObject({ ok: true, state: 'stowed' });
  expect(await stopMachine({ host: '127.0.0.1', port: 1 }, 'hold')).toMatchObject({ ok: false, code: 'link-lost' });
});
