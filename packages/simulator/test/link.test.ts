import { type AddressInfo, connect, type Server } from 'node:net';
import { type LinkEvent, MachineClient, type Program, readLines } from '@good-arc/line';
import { afterEach, describe, expect, test } from 'vitest';
import { until } from '../../line/test/support.ts';
import { serveMachine, serveRadar, simulateFault } from '../src/index.ts';

const profile = { hopper: 70, repeatability: { speedPct: 2, elevationDeg: 0.5, bearingDeg: 0.5, spinPct: 8 } };
const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const program: Program = { id: 'p1', name: 'Deep and kind, Ines', launches: [launch], intervalS: 4, count: 40 };

const cleanUp: (() => void)[] = [];
afterEach(() => {
  for (const each of cleanUp.splice(0)) each();
});

const portOf = (server: Server): number => (server.address() as AddressInfo).port;

/** Patience as in the browser tests: what a second without a heartbeat does is for its own test, and for the machine's on a clock by hand. */
async function rig(timeFactor = 20, patienceMs = 8000) {
  const server = await serveMachine({ port: 0, profile, seed: 1, timeFactor, patienceMs });
  const events: LinkEvent[] = [];
  const client = new MachineClient({ host: '127.0.0.1', port: portOf(server), patienceMs, onEvent: (event) => events.push(event) });
  cleanUp.push(() => {
    client.close();
    server.close();
  });
  await until(() => client.isUp);
  const last = (name: string) => events.filter(({ event }) => event === name).at(-1);
  const state = () => {
    const status = last('status');
    return status?.event === 'status' ? status : undefined;
  };
  return { server, client, events, last, state };
}

async function feeding(patienceMs?: number) {
  const r = await rig(20, patienceMs);
  expect(await r.client.send({ do: 'arm', program })).toMatchObject({ ok: true, state: 'arming' });
  await until(() => r.state()?.state === 'ready');
  expect(await r.client.send({ do: 'feed' })).toMatchObject({ ok: true, state: 'feeding' });
  await until(() => r.last('release'));
  return r;
}

describe('over a real socket', () => {
  test('arm, feed, hold: confirmed one by one, with every release told', async () => {
    const r = await feeding();
    const other = await feeding();
    expect(await r.client.send({ do: 'hold' })).toMatchObject({ ok: true, state: 'held' });
    const thrownBy = ({ events }: typeof r) => events.filter(({ event }) => event === 'release').length;
    const [count, threeMore] = [thrownBy(r), thrownBy(other) + 3];
    // one that is not held throws on meanwhile
    await until(() => thrownBy(other) >= threeMore);
    expect(thrownBy(r)).toBe(count);
    expect(await r.client.send({ do: 'feed' })).toMatchObject({ ok: false, code: 'not-ready' });
  });
  test('a driver that stops its heartbeat finds the machine on hold', async () => {
    const r = await feeding(4000);
    r.client.alive = false;
    await until(() => r.state()?.state === 'held');
    expect(r.state()).toMatchObject({ why: 'no heartbeat' });
  });
  test('a dropped link is seen, the machine holds, and the client comes back by itself', async () => {
    const r = await feeding();
    void r.client.send(simulateFault('drop-link'));
    await until(() => !r.client.isUp);
    expect(await r.client.send({ do: 'hold' })).toMatchObject({ ok: false, code: 'link-lost' });
    await until(() => r.client.isUp);
    await until(() => r.state()?.state === 'held');
    expect(r.state()).toMatchObject({ why: 'link lost' });
  });
  test('a machine that falls silent counts as gone', async () => {
    const r = await feeding(4000);
    void r.client.send(simulateFault('silence'));
    await until(() => !r.client.isUp);
  });
  test('a second driver is turned away; anyone may hold', async () => {
    const r = await feeding();
    const socket = connect({ host: '127.0.0.1', port: portOf(r.server) });
    cleanUp.push(() => socket.destroy());
    const heard: Record<string, unknown>[] = [];
    readLines(socket, (value) => heard.push(value as Record<string, unknown>));
    socket.write(
      '{"id":"a","do":"hello","role":"driver"}\n{"id":"b","do":"feed"}\nnot json\n{"id":"d","do":"dance"}\n{"id":"c","do":"hold"}\n',
    );
    await until(() => heard.some(({ re }) => re === 'c'));
    const reply = (id: string) => heard.find(({ re }) => re === id);
    expect(reply('a')).toMatchObject({ ok: false, code: 'driver-taken' });
    expect(reply('b')).toMatchObject({ ok: false, code: 'not-driver' });
    expect(reply('')).toMatchObject({ ok: false, code: 'bad-line' });
    expect(reply('d')).toMatchObject({ ok: false, code: 'bad-line' });
    expect(reply('c')).toMatchObject({ ok: true, state: 'held' });
  });
  test('a line that is half open does not keep its seat: who says nothing for a second is not the driver any more', async () => {
    const server = await serveMachine({ port: 0, profile, seed: 1, timeFactor: 20 });
    cleanUp.push(() => server.close());
    const silent = connect({ host: '127.0.0.1', port: portOf(server) });
    cleanUp.push(() => silent.destroy());
    const heard: Record<string, unknown>[] = [];
    readLines(silent, (value) => heard.push(value as Record<string, unknown>));
    silent.write('{"id":"a","do":"hello","role":"driver"}\n');
    await until(() => heard.some(({ re, ok }) => re === 'a' && ok === true));
    const events: LinkEvent[] = [];
    const next = new MachineClient({ host: '127.0.0.1', port: portOf(server), patienceMs: 8000, onEvent: (event) => events.push(event) });
    cleanUp.push(() => next.close());
    await until(() => next.isUp);
    expect(events[0]).toEqual({ event: 'link', up: false, why: 'driver-taken' });
  });
  test('a machine with a code on its display is driven by nobody who did not read it there; anyone may hold', async () => {
    const server = await serveMachine({ port: 0, profile, seed: 1, code: 'K7Q4MD', timeFactor: 20, patienceMs: 8000 });
    const events: LinkEvent[] = [];
    const connectWith = (code: string): MachineClient =>
      new MachineClient({ host: '127.0.0.1', port: portOf(server), code, patienceMs: 8000, onEvent: (event) => events.push(event) });
    const stranger = connectWith('AAAAAA');
    cleanUp.push(() => server.close());
    cleanUp.push(() => stranger.close());
    await until(() => events.length > 0);
    expect(events).toEqual([{ event: 'link', up: false, why: 'wrong-code' }]);
    expect(await stranger.send({ do: 'arm', program })).toMatchObject({ ok: false, text: expect.stringContaining('display') });
    const owner = connectWith('K7Q4MD');
    cleanUp.push(() => owner.close());
    await until(() => owner.isUp);
    expect(await owner.send({ do: 'arm', program })).toMatchObject({ ok: true });
    // a line of its own, without any code
    const socket = connect({ host: '127.0.0.1', port: portOf(server) });
    cleanUp.push(() => socket.destroy());
    const heard: Record<string, unknown>[] = [];
    readLines(socket, (value) => heard.push(value as Record<string, unknown>));
    socket.write('{"id":"a","do":"feed"}\n{"id":"b","do":"hold"}\n');
    await until(() => heard.some(({ re }) => re === 'b'));
    expect(heard.find(({ re }) => re === 'a')).toMatchObject({ ok: false, code: 'not-driver' });
    expect(heard.find(({ re }) => re === 'b')).toMatchObject({ ok: true });
  });
  test('the radar reads what was really thrown, within its noise', async () => {
    const r = await rig(40);
    const radar = await serveRadar({ port: 0, machines: [{ id: 'm1', port: portOf(r.server) }], seed: 3 });
    const socket = connect({ host: '127.0.0.1', port: portOf(radar) });
    cleanUp.push(() => {
      socket.destroy();
      radar.close();
    });
    const readings: { machineId: string; seq: number; speedMps: number }[] = [];
    readLines(socket, (value) => readings.push(value as never));
    await until(() => socket.readyState === 'open');
    await r.client.send({ do: 'arm', program });
    await until(() => r.state()?.state === 'ready');
    await r.client.send({ do: 'feed' });
    await until(() => readings.length >= 8);
    for (const { machineId, seq, speedMps } of readings) {
      const thrown = r.events.find((event) => event.event === 'release' && event.seq === seq);
      expect(machineId).toBe('m1');
      expect(thrown?.event === 'release' && Math.abs(thrown.launch.speedMps - speedMps)).toBeLessThan(0.7);
    }
  });
});
