import type { DialPlace } from '@good-arc/core';
import { seededRandom } from '@good-arc/core';
import type { Command, MachineEvent, Program } from '@good-arc/line';
import { describe, expect, test } from 'vitest';
import { handClock } from '../../line/test/support.ts';
import { dialsOf } from '../src/extension.ts';
import { dialLaw, SimulatedMachine, seedOfName, withDials } from '../src/index.ts';

const launch = { x: 0, y: 6, z: 0.6, speedMps: 15, elevationDeg: 20, bearingDeg: 180, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 };
const still = { speedPct: 0, elevationDeg: 0, bearingDeg: 0, spinPct: 0 };
const speedAt = (share: number): DialPlace => ({ moves: 'speed', share, expected: [5, 29] });

/** What one ball of a program really leaves with, on a machine without scatter. */
function thrown(dials: DialPlace[] | undefined, seed = 11): typeof launch {
  const events: MachineEvent[] = [];
  const clock = handClock();
  const machine = new SimulatedMachine({
    profile: { hopper: 10, repeatability: still },
    clock,
    random: seededRandom(1),
    emit: (event) => events.push(event),
    law: dialLaw(seed),
  });
  const program: Program = { id: 'p1', name: 'Test balls', launches: [launch], intervalS: 4, count: 1, ...(dials && withDials(dials)) };
  const give = (body: Record<string, unknown>) => machine.handle({ id: '1', ...body } as Exclude<Command, { do: 'hello' }>);
  const answer = give({ do: 'arm', program });
  if (!answer.ok) throw new Error(answer.text);
  for (let i = 0; i < 200 && !events.some(({ event }) => event === 'release'); i++) {
    give({ do: 'heartbeat' });
    clock.pass(100);
    if (machine.state === 'ready') give({ do: 'feed' });
  }
  const released = events.find(({ event }) => event === 'release');
  if (released?.event !== 'release') throw new Error('no ball left');
  return released.launch;
}

describe('a simulated machine on dials', () => {
  test('without a word of dials it throws what it is told', () => expect(thrown(undefined)).toEqual(launch));
  test('with the dials turned up it throws faster, by a law that is not the maker’s', () => {
    const speeds = [0, 0.25, 0.5, 0.75, 1].map((share) => thrown([speedAt(share)]).speedMps);
    expect([...speeds].sort((a, b) => a - b)).toEqual(speeds);
    expect(new Set(speeds).size).toBe(5);
    const law = dialLaw(11);
    expect(speeds[2]).toBeCloseTo(law.value(speedAt(0.5)), 9);
    expect(Math.abs(speeds[4]! - 29)).toBeGreaterThan(0.3);
  });
  test('its elevation lies a little off what was read, unless a dial sets it', () => {
    const { zeroDeg } = dialLaw(11);
    expect(Math.abs(zeroDeg)).toBeLessThan(0.25);
    expect(thrown([speedAt(0.5)]).elevationDeg).toBeCloseTo(20 + zeroDeg, 9);
    const screw: DialPlace = { moves: 'elevation', share: 0.5, expected: [0, 40] };
    expect(thrown([speedAt(0.5), screw]).elevationDeg).toBeCloseTo(dialLaw(11).value(screw), 9);
  });
  test('two dials of one thing add up; wheels alike throw at the speed of their skin', () => {
    const fine: DialPlace = { moves: 'elevation', share: 0.25, expected: [-3, 3] };
    const coarse: DialPlace = { moves: 'elevation', share: 0.5, expected: [0, 20] };
    const law = dialLaw(11);
    expect(thrown([coarse, fine]).elevationDeg).toBeCloseTo(law.value(coarse) + law.value(fine), 9);
    const wheel: DialPlace = { moves: 'wheel', share: 0.6, expected: [8, 40] };
    expect(thrown([wheel, wheel]).speedMps).toBeCloseTo(law.value(wheel), 9);
  });
  test('every machine has a law of its own, the same each time', () => {
    expect(dialLaw(11).value(speedAt(0.5))).toBe(dialLaw(11).value(speedAt(0.5)));
    expect(dialLaw(11).value(speedAt(0.5))).not.toBe(dialLaw(12).value(speedAt(0.5)));
    for (let seed = 0; seed < 200; seed++) {
      const values = [0, 0.2, 0.4, 0.6, 0.8, 1].map((share) => dialLaw(seed).value(speedAt(share)));
      for (let i = 1; i < values.length; i++) expect(values[i]).toBeGreaterThan(values[i - 1]!);
    }
  });
  test('a seed stays with a name', () => {
    expect(seedOfName('Bramble')).toBe(seedOfName('Bramble'));
    expect(new Set(['Bramble', 'Wren', 'Thistle', 'Flint', 'Heron'].map(seedOfName)).size).toBe(5);
    // the hash of Fowler, Noll and Vo, 32 bits, 1a: published test values for "" and "a", quoted from memory
    expect(seedOfName('')).toBe(0x811c9dc5);
    expect(seedOfName('a')).toBe(0xe40c292c);
  });
});

test.each([
  ['a place beyond the scale', [{ ...speedAt(0.5), share: 1.2 }]],
  ['a thing no dial moves', [{ ...speedAt(0.5), moves: 'colour' }]],
  ['more dials than a machine has', Array.from({ length: 13 }, () => speedAt(0.5))],
])('%s is refused', (_name, dials) => {
  expect(
    dialsOf({ id: 'p1', name: 'Test balls', launches: [launch], intervalS: 4, count: 1, ...withDials(dials as DialPlace[]) }),
  ).toBeNull();
  expect(() => thrown(dials as DialPlace[])).toThrow('These are no dials of this machine.');
});
