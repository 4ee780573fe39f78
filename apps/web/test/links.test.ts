import type { AddressInfo, Server } from 'node:net';
import { serveMachine } from '@good-arc/machine-link';
import { afterEach, describe, expect, test } from 'vitest';
import { type CourtsideEvent, links } from '../src/server/links.ts';
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
    await link.send({ do: 'resume' }, 'onlooker'); // whoever gives a command drives from then on
    await until(() => state() === 'feeding');
  });
  test('a machine is known to its own club only', async () => {
    const { link } = await feeding();
    expect(links.open('m1', 'club')).toBe(link);
    expect(links.open('m1', 'another')).toBeUndefined();
  });
});
