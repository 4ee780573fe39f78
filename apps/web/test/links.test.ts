import type { AddressInfo, Server } from 'node:net';
import { serveMachine } from '@good-arc/simulator';
import { afterEach, describe, expect, test } from 'vitest';
import { handClock } from '../../../packages/line/test/support.ts';
import { type CourtsideEvent, links, MachineLink } from '../src/server/links.ts';
import { profileOf } from './support/rig.ts';
import { until } from './support/until.ts';

const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const program = { launches: [launch], intervalS: 4, count: 40 };
let server: Server;
afterEach(() => {
  links.closeAll();
  server.close();
});

const settle = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
/** By itself the machine would go on without a heartbeat for long: what holds it here is the line. */
const patienceMs = 12_000;

/** A feeding machine with one page that listens. */
async function feeding() {
  server = await serveMachine({ port: 0, profile: profileOf('Two-wheel portable'), seed: 1, timeFactor: 20, patienceMs });
  const events: CourtsideEvent[] = [];
  const link = links.of('m1', 'club', `127.0.0.1:${(server.address() as AddressInfo).port}`);
  const close = link.listen((event) => events.push(event), 'driver');
  const state = () => events.filter((event) => event.event === 'status').at(-1)?.state;
  await until(() => events.some((event) => event.event === 'link' && event.up));
  await link.send({ do: 'arm', program }, 'driver');
  await until(() => state() === 'ready');
  await link.send({ do: 'feed' }, 'driver');
  await until(() => events.some(({ event }) => event === 'release'));
  const watcher: CourtsideEvent[] = [];
  return { link, close, events, state, watcher };
}

describe('a page and its machine', () => {
  test('when the last page closes, the machine is held', async () => {
    const { link, close, watcher } = await feeding();
    close();
    await settle(300);
    const again = link.listen((event) => watcher.push(event), 'onlooker');
    await until(() => watcher.some((event) => event.event === 'status' && event.state === 'held'));
    again();
  });
  test('while somebody attends it goes on; three seconds without a sign of life hold it', async () => {
    const { link, state } = await feeding();
    for (let i = 0; i < 8; i++) {
      link.attend('driver');
      await settle(500);
    }
    expect(state()).toBe('feeding');
    const silent = Date.now();
    // no nearer bound: a processor that is taken away lengthens it; what the machine does by itself comes later
    await until(() => state() === 'held', patienceMs - 1000);
    expect(Date.now() - silent).toBeGreaterThan(2500); // the last sign of life was half a second before
  });
  test('when the page that drives it closes, the machine is held though another looks on and says it is there', async () => {
    const { link, close, watcher } = await feeding();
    const onlooker = link.listen((event) => watcher.push(event), 'onlooker');
    close();
    link.attend('onlooker');
    await until(() => watcher.some((event) => event.event === 'status' && event.state === 'held'));
    onlooker();
  });
  test('an onlooker’s sign of life is none for the page that drives', async () => {
    const { link, state } = await feeding();
    const beat = setInterval(() => link.attend('onlooker'), 300);
    await until(() => state() === 'held');
    clearInterval(beat);
    expect((await link.send({ do: 'resume' }, 'onlooker')).ok).toBe(true); // the driver has fallen silent: whoever resumes it drives from then on
    await until(() => state() === 'feeding');
  });
  test('a command that is refused, or fills the hopper, makes nobody the driver: a frozen one is noticed all the same', async () => {
    const { link, state } = await feeding();
    const meddle = setInterval(() => {
      void link.send({ do: 'refill' }, 'onlooker');
      void link.send({ do: 'feed' }, 'onlooker');
      void link.send({ do: 'arm', program }, 'onlooker'); // busy: refused
      link.attend('onlooker');
    }, 300);
    await until(() => state() === 'held', patienceMs - 1000);
    clearInterval(meddle);
  });
  test('a machine is known to its own club only', async () => {
    const { link } = await feeding();
    expect(links.open('m1', 'club')).toBe(link);
    expect(links.open('m1', 'another')).toBeUndefined();
  });
});

/** A line on a clock by hand: no page is heard of unless the test says so. */
async function armed() {
  server = await serveMachine({ port: 0, profile: profileOf('Two-wheel portable'), seed: 1, timeFactor: 20, patienceMs });
  const clock = handClock();
  const events: CourtsideEvent[] = [];
  const link = new MachineLink(`127.0.0.1:${(server.address() as AddressInfo).port}`, clock);
  const close = link.listen((event) => events.push(event), 'driver');
  const state = () => events.filter((event) => event.event === 'status').at(-1)?.state;
  await until(() => events.some((event) => event.event === 'link' && event.up));
  await link.send({ do: 'arm', program }, 'driver', 'ladder');
  await until(() => state() === 'ready');
  return { link, clock, close, state };
}

describe('a machine that is ready, its wheels turning', () => {
  test('is stowed after a minute without its driver, whoever else looks on', async () => {
    const { link, clock, close, state } = await armed();
    link.listen(() => {}, 'onlooker');
    close();
    clock.pass(59_000);
    link.attend('onlooker');
    await settle(100);
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
    await settle(100);
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
    expect((await link.send({ do: 'resume' }, 'another')).ok).toBe(true);
    link.close();
  });
  test('stands down when its ladder is deleted', async () => {
    const { link, state } = await armed();
    expect(link.isFor('ladder')).toBe(true);
    expect(link.isFor('another')).toBe(false);
    link.standDown('its ladder was deleted');
    await until(() => state() === 'stowed');
    expect(link.isFor('ladder')).toBe(false);
    link.close();
  });
});

test('a machine that was archived, or got another address, is held and its line closed; of another club it is not touched', async () => {
  const { link, events, state } = await feeding();
  links.keepOnly('m1', 'another', '');
  links.keepOnly('m1', 'club', link.address);
  expect(links.open('m1', 'club')).toBe(link);
  links.keepOnly('m1', 'club', '');
  expect(links.open('m1', 'club')).toBeUndefined();
  await until(() => state() === 'held' || events.some((event) => event.event === 'link' && !event.up));
});
