import { type ChildProcess, spawn } from 'node:child_process';
import type { AddressInfo } from 'node:net';
import type { MachineId } from '@good-arc/core';
import { serveMachine } from '@good-arc/simulator';
import { afterEach, describe, expect, test } from 'vitest';
import { freePort } from '../../../tools/lib/children.mjs';
import { redisCommand } from '../../../tools/lib/redis.mjs';
import { type Broker, redisBroker } from '../src/server/broker.ts';
import { Links } from '../src/server/links.ts';
import type { CourtsideEvent, Line } from '../src/server/machine-link.ts';
import { SharedLink } from '../src/server/shared-link.ts';
import { aPostOffice } from './support/brokers.ts';
import { profileOf } from './support/rig.ts';
import { until } from './support/until.ts';

const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const program = { id: 'p1', name: 'Deep and kind, Ines', launches: [launch], intervalS: 4, count: 40 };
/** Nobody falls silent here but who is told to: neither a machine's nor a page's patience ends by itself on a busy processor. */
const patienceMs = 30_000;
const id = 'm1' as MachineId;

const cleanUp: (() => void)[] = [];
afterEach(() => {
  for (const each of cleanUp.splice(0).reverse()) each();
});

async function aMachine(): Promise<string> {
  const server = await serveMachine({ port: 0, profile: profileOf('Two-wheel portable'), seed: 1, timeFactor: 20, patienceMs });
  cleanUp.push(() => server.close());
  return `127.0.0.1:${(server.address() as AddressInfo).port}`;
}

/** What a page hears of a machine. */
function listening(line: Line, page: string) {
  const events: CourtsideEvent[] = [];
  const end = line.listen((event) => events.push(event), page);
  const links = () => events.filter((event) => event.event === 'link');
  return {
    events,
    end,
    isUp: () => links().at(-1)?.up === true,
    state: () => events.filter((event) => event.event === 'status').at(-1)?.state,
  };
}

/** Two servers with a page each at one machine, the first of which has it. */
async function twoServers() {
  const office = aPostOffice();
  const address = await aMachine();
  const [a, b] = [office.server('a'), office.server('b')];
  const lines = [a, b].map(({ broker }) => {
    const line = new SharedLink({ id, address, broker, patienceMs });
    cleanUp.push(() => line.close());
    return line;
  }) as [SharedLink, SharedLink];
  const atA = listening(lines[0], 'page-a');
  await until(() => atA.isUp());
  const atB = listening(lines[1], 'page-b');
  await until(() => atB.isUp() && atB.state() !== undefined);
  return { office, address, a, b, lineA: lines[0], lineB: lines[1], atA, atB };
}

/** The same, feeding for a page at the server that does not have the machine. */
async function fedFromB() {
  const rest = await twoServers();
  const { lineB, atB } = rest;
  expect(await lineB.send({ do: 'arm', program }, 'page-b', 'ladder')).toMatchObject({ ok: true });
  await until(() => atB.state() === 'ready');
  expect(await lineB.send({ do: 'feed' }, 'page-b')).toMatchObject({ ok: true });
  await until(() => atB.state() === 'feeding');
  return rest;
}

describe('a machine that two servers share', () => {
  test('is armed and fed from the server that does not have it, and both see each ball', async () => {
    const { office, atA, atB } = await fedFromB();
    expect(office.owner(id)).toBe('a');
    const balls = ({ events }: typeof atA) => events.filter((event) => event.event === 'release').map(({ seq }) => seq);
    await until(() => balls(atA).length >= 2 && balls(atB).length >= 2);
    expect(balls(atB).slice(0, 2)).toEqual(balls(atA).slice(0, 2));
    expect(office.fences()).toBe(1);
  });
  test('belongs to the page that armed it, wherever that is: another’s feed is refused, hold is everybody’s', async () => {
    const { lineA, lineB, atA } = await twoServers();
    await lineB.send({ do: 'arm', program }, 'page-b');
    await until(() => atA.state() === 'ready');
    expect(await lineA.send({ do: 'feed' }, 'page-a')).toMatchObject({ ok: false, code: 'driver-taken' });
    expect(await lineA.send({ do: 'hold' }, 'page-a')).toMatchObject({ ok: true });
    await until(() => atA.state() === 'held');
  });
  test('is held when the page that drives it is closed at the other server', async () => {
    const { atA, atB } = await fedFromB();
    atB.end();
    await until(() => atA.state() === 'held');
  });
  test('is held when the other server, whose page drives it, dies', async () => {
    const { b, atA } = await fedFromB();
    b.cutOff();
    await until(() => atA.state() === 'held');
  });
  test('is taken over when its server dies, by a higher fence; what that one still believes moves nothing', async () => {
    const { office, a, lineA, lineB, atA, atB } = await fedFromB();
    a.cutOff();
    a.lapse();
    await until(() => office.owner(id) === 'b' && atB.state() === 'held');
    expect(office.fences()).toBe(2);
    await until(() => !atA.isUp());
    expect(await lineA.send({ do: 'feed' }, 'page-b')).toMatchObject({ ok: false, code: 'link-lost' });
    expect(await lineB.send({ do: 'resume', program: 'p1' }, 'page-b')).toMatchObject({ ok: true });
    await until(() => atB.state() === 'feeding');
    // it is back, looks whose the machine is, and hears of it from the other
    a.back();
    await lineA.lapsed();
    await until(() => atA.isUp() && atA.state() === 'feeding');
    expect(office.owner(id)).toBe('b');
    expect(await lineA.send({ do: 'refill' }, 'page-a')).toMatchObject({ ok: true });
  });
  test('a server that lapsed while nobody took its machine goes on with it', async () => {
    const { office, a, lineA, atA } = await fedFromB();
    a.lapse();
    await lineA.lapsed();
    expect(office.owner(id)).toBe('a');
    expect(atA.state()).toBe('feeding');
  });
  test('a broker that forgot everything is told by the server that has the machine; no other gets it meanwhile', async () => {
    const { office, lineA, lineB, atA } = await fedFromB();
    office.forget();
    expect(await lineB.send({ do: 'refill' }, 'page-b')).toMatchObject({ ok: false, code: 'link-lost' });
    await lineA.lapsed();
    expect(office.owner(id)).toBe('a');
    expect(await lineB.send({ do: 'refill' }, 'page-b')).toMatchObject({ ok: true });
    expect(atA.state()).toBe('feeding');
  });
  test('with the broker away the server that has it goes on; the other says so, and holds it all the same', async () => {
    const { a, b, lineA, lineB, atA } = await twoServers();
    await lineA.send({ do: 'arm', program }, 'page-a');
    await until(() => atA.state() === 'ready');
    a.cutOff();
    b.cutOff();
    await lineA.lapsed();
    expect(await lineA.send({ do: 'feed' }, 'page-a')).toMatchObject({ ok: true });
    await until(() => atA.state() === 'feeding');
    expect(await lineB.send({ do: 'resume', program: 'p1' }, 'page-b')).toMatchObject({ ok: false, code: 'link-lost' });
    expect(await lineB.send({ do: 'hold' }, 'page-b')).toMatchObject({ ok: true, state: 'held' });
    await until(() => atA.state() === 'held');
  });
  test('is let go when its server ends, and the other has it at once', async () => {
    const { office, lineA, lineB, atB } = await twoServers();
    lineA.close();
    await until(() => office.owner(id) === 'b' && atB.isUp());
    expect(await lineB.send({ do: 'arm', program }, 'page-b')).toMatchObject({ ok: true });
  });
});

test('a ladder that is deleted, and a machine that is archived, at one server concern the machine that another has', async () => {
  const office = aPostOffice();
  const address = await aMachine();
  const [first, second] = ['a', 'b'].map((name) => {
    const { broker } = office.server(name);
    const links = new Links(() => broker);
    cleanUp.push(() => links.closeAll());
    return links;
  }) as [Links, Links];
  const line = first.of(id, 'club', address);
  const page = listening(line, 'page');
  await until(() => page.isUp());
  await line.send({ do: 'arm', program }, 'page', 'ladder');
  await until(() => page.state() === 'ready');
  const onlooker = listening(second.of(id, 'club', address), 'onlooker');
  await until(() => onlooker.isUp());
  second.standDownLadder('ladder', 'another');
  second.standDownLadder('another', 'club');
  second.standDownLadder('ladder', 'club');
  await until(() => page.state() === 'stowed');
  second.keepOnly(id, 'another', '');
  expect(first.open(id, 'club')).toBe(line);
  second.keepOnly(id, 'club', '');
  await until(() => first.open(id, 'club') === undefined && !page.isUp() && !onlooker.isUp());
});

function startRedis(port: number): ChildProcess {
  const [program, ...args] = redisCommand(port);
  const child = spawn(program, args, { stdio: 'ignore' });
  cleanUp.push(() => child.kill('SIGKILL'));
  return child;
}

describe('Redis as the broker', () => {
  const server = (port: number): Broker => {
    const broker = redisBroker(`redis://127.0.0.1:${port}`);
    cleanUp.push(() => broker.close());
    return broker;
  };
  /** Tries until it is answered. */
  async function answered<T>(ask: () => Promise<T>): Promise<T> {
    let answer: { value: T } | null = null;
    await until(async () => {
      answer = await ask().then(
        (value) => ({ value }),
        () => null,
      );
      return answer !== null;
    });
    return answer!.value;
  }
  const fenceOf = async (broker: Broker, line: string): Promise<number> => {
    let fence = 0;
    await until(async () => {
      const taken = await answered(() => broker.take(line));
      if ('owner' in taken && taken.owner !== '') throw new Error(`${taken.owner} has it`);
      if ('fence' in taken) fence = taken.fence;
      return fence > 0;
    });
    return fence;
  };

  test('gives a line to one server that lives, by fences that only rise, also when it has forgotten everything', async () => {
    const port = await freePort();
    const redis = startRedis(port);
    const [a, b] = [server(port), server(port)];
    const first = await fenceOf(a, 'm1');
    expect(await answered(() => b.take('m1'))).toEqual({ owner: a.self });
    // whoever has it may ask again
    const second = await fenceOf(a, 'm1');
    expect(second).toBeGreaterThan(first);
    expect(await b.live()).toBe(false);
    expect(await b.live()).toBe(true);
    await a.leave('m1');
    await b.leave('m2');
    const third = await fenceOf(b, 'm1');
    expect(third).toBeGreaterThan(second);
    await a.leave('m1');
    expect(await a.take('m1')).toEqual({ owner: b.self });

    redis.kill('SIGKILL');
    await until(async () => b.live().then(Boolean, () => true));
    startRedis(port);
    // one that has just begun waits for who has it to say so
    expect(await answered(() => a.take('m1'))).toEqual({ owner: '' });
    const taken = await answered(() => b.take('m1', true));
    expect('fence' in taken && taken.fence).toBeGreaterThan(third);
    expect(await a.take('m1')).toEqual({ owner: b.self });
  });
  test('a server that says nothing for a while has its lines no more', async () => {
    const port = await freePort();
    startRedis(port);
    const [a, b] = [server(port), server(port)];
    await fenceOf(a, 'm1');
    await until(async () => 'fence' in (await answered(() => b.take('m1'))));
    expect(await a.live()).toBe(false);
    expect(await a.take('m1')).toEqual({ owner: b.self });
  });
  test('what is said is heard by who listens, and by nobody after that; a broker that is away says so at once', async () => {
    const port = await freePort();
    const redis = startRedis(port);
    const [a, b] = [server(port), server(port)];
    await answered(() => a.live());
    const heard: unknown[] = [];
    const end = b.hear('topic', (message) => heard.push(message));
    await until(async () => {
      await a.say('topic', { n: 1, text: '“deep and kind”' });
      return heard.length > 0;
    });
    expect(heard[0]).toEqual({ n: 1, text: '“deep and kind”' });
    end();
    const said = heard.length;
    await a.say('topic', { n: 2 });
    await a.live();
    expect(heard).toHaveLength(said);
    redis.kill('SIGKILL');
    await until(async () =>
      a.live().then(
        () => false,
        () => true,
      ),
    );
    await expect(a.say('topic', {})).rejects.toThrow();
  });
});
