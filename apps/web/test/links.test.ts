import type { AddressInfo, Server } from 'node:net';
import { serveMachine } from '@good-arc/simulator';
import { afterEach, describe, expect, test } from 'vitest';
import { handClock } from '../../../packages/line/test/support.ts';
import { links } from '../src/server/links.ts';
import { type CourtsideEvent, MachineLink } from '../src/server/machine-link.ts';
import { profileOf } from './support/rig.ts';
import { until } from './support/until.ts';

const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const program = { id: 'p1', name: 'Deep and kind, Ines', launches: [launch], intervalS: 4, count: 40 };
let server: Server;
afterEach(() => {
  links.closeAll();
  server.close();
});

/** What was told to the machine until now has reached it, and what it said to that has been heard: it answers in order. Twice, for what is told a turn later. */
async function settled(link: MachineLink): Promise<void> {
  for (let i = 0; i < 2; i++) expect(await link.send({ do: 'heartbeat' }, 'onlooker')).toMatchObject({ ok: true });
}
/** By itself the machine would go on without a heartbeat for long: what holds it here is the line. */
const patienceMs = 12_000;

/** A line on a clock by hand: no page is heard of unless the test says so. */
async function armed() {
  server = await serveMachine({ port: 0, profile: profileOf('Two-wheel portable'), seed: 1, timeFactor: 20, patienceMs });
  const clock = handClock();
  const events: CourtsideEvent[] = [];
  const link = new MachineLink(`127.0.0.1:${(server.address() as AddressInfo).port}`, { clock, patienceMs: 0 });
  const close = link.listen((event) => events.push(event), 'driver');
  const state = () => events.filter((event) => event.event === 'status').at(-1)?.state;
  await until(() => events.some((event) => event.event === 'link' && event.up));
  await link.send({ do: 'arm', program }, 'driver', 'ladder');
  await until(() => state() === 'ready');
  return { link, clock, close, state };
}

/** The same, feeding. */
async function feeding() {
  const rest = await armed();
  await rest.link.send({ do: 'feed' }, 'driver');
  await until(() => rest.state() === 'feeding');
  return rest;
}

/** What a page that comes later hears. */
function onlooker(link: MachineLink): { end: () => void; isHeld: () => boolean } {
  const seen: CourtsideEvent[] = [];
  const end = link.listen((event) => seen.push(event), 'onlooker');
  return { end, isHeld: () => seen.some((event) => event.event === 'status' && event.state === 'held') };
}

describe('a page and its machine', () => {
  test('when the last page closes, the machine is held', async () => {
    const { link, close } = await feeding();
    close();
    const { isHeld } = onlooker(link);
    await until(isHeld);
    link.close();
  });
  test('a page that listens twice and goes on with one of them is still there', async () => {
    const { link, close, state } = await feeding();
    const second = link.listen(() => {}, 'driver');
    second();
    await settled(link);
    expect(state()).toBe('feeding');
    close();
    await until(onlooker(link).isHeld);
    link.close();
  });
  test('while somebody attends it goes on; without a sign of life it is held within a second', async () => {
    const { link, clock, state } = await feeding();
    for (let beats = 0; beats < 40; beats++) {
      link.attend('driver');
      clock.pass(250);
    }
    await settled(link);
    expect(state()).toBe('feeding');
    clock.pass(700);
    await until(() => state() === 'held');
    link.close();
  });
  test('when the page that drives it closes, the machine is held though another looks on and says it is there', async () => {
    const { link, close } = await feeding();
    const { isHeld } = onlooker(link);
    close();
    link.attend('onlooker');
    await until(isHeld);
    link.close();
  });
  test('an onlooker’s sign of life is none for the page that drives', async () => {
    const { link, clock, state } = await feeding();
    for (let beats = 0; beats < 5; beats++) {
      link.attend('onlooker');
      clock.pass(250);
    }
    await until(() => state() === 'held');
    expect((await link.send({ do: 'resume', program: 'p1' }, 'onlooker')).ok).toBe(true); // the driver has fallen silent: whoever resumes it drives from then on
    await until(() => state() === 'feeding');
    link.close();
  });
  test('a command that is refused, or fills the hopper, makes nobody the driver: a frozen one is noticed all the same', async () => {
    const { link, clock, state } = await feeding();
    for (let beats = 0; beats < 4; beats++) {
      await link.send({ do: 'refill' }, 'onlooker');
      await link.send({ do: 'feed' }, 'onlooker');
      await link.send({ do: 'arm', program }, 'onlooker'); // busy: refused
      link.attend('onlooker');
      clock.pass(250);
    }
    await until(() => state() === 'held');
    link.close();
  });
});

describe('a machine that is ready, its wheels turning', () => {
  test('is stowed after a minute without its driver, whoever else looks on', async () => {
    const { link, clock, close, state } = await armed();
    link.listen(() => {}, 'onlooker');
    close();
    clock.pass(59_000);
    link.attend('onlooker');
    await settled(link);
    expect(state()).toBe('ready');
    clock.pass(2000);
    const seen: CourtsideEvent[] = [];
    link.listen((event) => seen.push(event), 'onlooker');
    await until(() => seen.some((event) => event.event === 'status' && event.state === 'stowed'));
    link.close();
  });
  test('stays ready while its driver is there', async () => {
    const { link, clock, state } = await armed();
    for (let second = 0; second < 90; second++) {
      clock.pass(1000);
      link.attend('driver');
    }
    await settled(link);
    expect(state()).toBe('ready');
    link.close();
  });
  test('is fed by the page that armed it; another’s feed is refused while that one is there', async () => {
    const { link, clock, state } = await armed();
    link.listen(() => {}, 'another');
    expect(await link.send({ do: 'feed' }, 'another')).toMatchObject({ ok: false, code: 'driver-taken' });
    expect(state()).toBe('ready');
    // hold is everybody's, always
    expect((await link.send({ do: 'hold' }, 'another')).ok).toBe(true);
    await until(() => state() === 'held');
    clock.pass(5000); // the one that armed it was not heard of
    expect((await link.send({ do: 'resume', program: 'p1' }, 'another')).ok).toBe(true);
    link.close();
  });
  test('stands down when its ladder is deleted', async () => {
    const { link, state } = await armed();
    link.standDownFor('another');
    await settled(link);
    expect(state()).toBe('ready');
    link.standDownFor('ladder');
    await until(() => state() === 'stowed');
    link.close();
  });
});

/** A machine as the server keeps its line. */
async function registered() {
  server = await serveMachine({ port: 0, profile: profileOf('Two-wheel portable'), seed: 1, timeFactor: 20, patienceMs });
  const events: CourtsideEvent[] = [];
  const link = links.of('m1', 'club', `127.0.0.1:${(server.address() as AddressInfo).port}`);
  link.listen((event) => events.push(event), 'driver');
  await until(() => events.some((event) => event.event === 'link' && event.up));
  return { link, isDown: () => events.some((event) => event.event === 'link' && !event.up) };
}

test('a machine is known to its own club only', async () => {
  const { link } = await registered();
  expect(links.open('m1', 'club')).toBe(link);
  expect(links.open('m1', 'another')).toBeUndefined();
});
test('the line of a machine that was archived, or got another address, is closed; of another club it is not touched', async () => {
  const { link, isDown } = await registered();
  links.keepOnly('m1', 'another', '');
  links.keepOnly('m1', 'club', link.address);
  expect(links.open('m1', 'club')).toBe(link);
  links.keepOnly('m1', 'club', '');
  expect(links.open('m1', 'club')).toBeUndefined();
  await until(isDown);
});
