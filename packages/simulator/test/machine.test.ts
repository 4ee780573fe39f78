import { seededRandom } from '@good-arc/core';
import {
  type Action,
  type Command,
  MACHINE_STATES,
  type MachineEvent,
  type MachineState,
  type Program,
  programSchema,
  TRANSITIONS,
} from '@good-arc/line';
import { describe, expect, test } from 'vitest';
import { handClock } from '../../line/test/support.ts';
import { dialLaw, SimulatedMachine, simulateFault } from '../src/index.ts';

const launch = { x: 0, y: 6, z: 0.6, speedMps: 18, elevationDeg: 15, bearingDeg: 178, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0 };
const program: Program = { id: 'p1', name: 'Deep and kind, Ines', launches: [launch], intervalS: 4, count: 5 };

function rig(over: { hopper?: number } = {}) {
  const clock = handClock();
  const events: MachineEvent[] = [];
  const machine = new SimulatedMachine({
    profile: { hopper: over.hopper ?? 70, repeatability: { speedPct: 2, elevationDeg: 0.5, bearingDeg: 0.5, spinPct: 8 } },
    clock,
    random: seededRandom(1),
    law: dialLaw(1),
    emit: (event) => events.push(event),
  });
  const give = (body: Record<string, unknown>) => machine.handle({ id: '1', ...body } as Exclude<Command, { do: 'hello' }>);
  /** Lets time pass with a living driver behind it. */
  const live = (seconds: number): void => {
    for (let t = 0; t < seconds * 4; t++) {
      give({ do: 'heartbeat' });
      clock.pass(250);
    }
  };
  const releases = () => events.filter((event) => event.event === 'release');
  return { clock, machine, events, give, live, releases };
}

/** Brings a fresh machine into a state. */
function inState(state: MachineState) {
  const r = rig();
  const arm = (): void => {
    r.give({ do: 'arm', program });
    r.live(8);
  };
  if (state === 'arming') r.give({ do: 'arm', program });
  if (state === 'ready') arm();
  if (state === 'feeding' || state === 'held') {
    arm();
    r.give({ do: 'feed' });
    r.live(3);
  }
  if (state === 'held') r.give({ do: 'hold' });
  if (state === 'fault' || state === 'idle') r.give(simulateFault('flat-battery'));
  if (state === 'idle') r.give({ do: 'clear' });
  expect(r.machine.state).toBe(state);
  return r;
}

const actions: Action[] = ['arm', 'feed', 'hold', 'resume', 'stow', 'clear'];

describe('the whole state table', () => {
  test.each(MACHINE_STATES.flatMap((state) => actions.map((action) => [state, action] as const)))('%s: %s', (state, action) => {
    const r = inState(state);
    const expected = TRANSITIONS[state][action];
    const asked = action === 'arm' ? { do: action, program } : action === 'resume' ? { do: action, program: 'p1' } : { do: action };
    const answer = r.give(asked);
    if ('refused' in expected) {
      expect(answer).toEqual({ ok: false, code: expected.refused, text: expected.text });
      expect(r.machine.state).toBe(state);
    } else {
      expect(answer).toEqual({ ok: true });
      expect(r.machine.state).toBe(expected.to);
    }
  });
  test.each(MACHINE_STATES)('%s: hold and stow are always taken, and no ball leaves after either', (state) => {
    for (const action of ['hold', 'stow']) {
      const r = inState(state);
      expect(r.give({ do: action })).toEqual({ ok: true });
      const thrown = r.releases().length;
      r.live(30);
      expect(r.releases()).toHaveLength(thrown);
    }
  });
});

describe('feeding', () => {
  test('throws the count at the interval, then is ready for the next round', () => {
    const r = inState('ready');
    r.give({ do: 'feed' });
    const times: number[] = [];
    for (let t = 0; t < 30_000; t += 50) {
      const before = r.releases().length;
      if (t % 250 === 0) r.give({ do: 'heartbeat' });
      r.clock.pass(50);
      if (r.releases().length > before) times.push(t + 50);
    }
    expect(times).toEqual([2000, 6000, 10_000, 14_000, 18_000]);
    expect(r.machine.state).toBe('ready');
    // the program in it is what a screen is compared with
    expect(r.machine.status()).toMatchObject({ hopper: 65, intervalS: 4 });
    expect(rig().machine.status().intervalS).toBeNull();
  });
  test('scatters about what was set, by its repeatability', () => {
    const r = rig({ hopper: 500 });
    r.give({ do: 'arm', program: { ...program, count: 300 } });
    r.live(8);
    r.give({ do: 'feed' });
    r.live(1210);
    const speeds = r.releases().map((event) => (event.event === 'release' ? event.launch.speedMps : 0));
    expect(speeds).toHaveLength(300);
    const mean = speeds.reduce((a, b) => a + b) / speeds.length;
    const sigma = Math.sqrt(speeds.reduce((a, b) => a + (b - mean) ** 2, 0) / speeds.length);
    expect(Math.abs(mean - 18)).toBeLessThan(4 * (0.36 / Math.sqrt(300))); // four standard errors
    expect(sigma).toBeGreaterThan(0.3);
    expect(sigma).toBeLessThan(0.42);
  });
  test('hold keeps the place; resume goes on with the balls that are left', () => {
    const r = inState('held');
    expect(r.releases()).toHaveLength(1);
    expect(r.give({ do: 'resume', program: 'another' })).toMatchObject({
      ok: false,
      code: 'other-program',
      text: expect.stringContaining('Ines'),
    });
    r.give({ do: 'resume', program: 'p1' });
    r.live(40);
    expect(r.releases().map((event) => (event.event === 'release' ? event.seq : 0))).toEqual([1, 2, 3, 4, 5]);
    expect(r.machine.state).toBe('ready');
  });
  test('another interval holds from the next release on, for the round it names only', () => {
    const r = inState('feeding');
    expect(r.give({ do: 'pace', program: 'another', intervalS: 6 })).toMatchObject({ ok: false, code: 'other-program' });
    expect(r.give({ do: 'pace', program: 'p1', intervalS: 6 })).toEqual({ ok: true });
    expect(r.machine.status().intervalS).toBe(6);
    // the ball that is due leaves as it was due, three seconds from here; the next six seconds after it
    r.live(3);
    const left = r.releases().length;
    r.live(5.75);
    expect(r.releases()).toHaveLength(left);
    r.live(0.5);
    expect(r.releases()).toHaveLength(left + 1);
    expect(rig().give({ do: 'pace', program: 'p1', intervalS: 6 })).toMatchObject({ ok: false, code: 'nothing-armed' });
  });
  test('other balls from the next one on: in their order, after it has turned to them, and no more than it was told', () => {
    const r = inState('feeding'); // one has left
    const [left, right] = [170, 190].map((bearingDeg) => ({ ...launch, bearingDeg })) as [typeof launch, typeof launch];
    const rest = { do: 'rest', program: 'p1', after: 1, launches: [left, left, right], thenS: [4, 3, 4] };
    expect(r.give({ ...rest, after: 0 })).toMatchObject({ ok: false, code: 'too-late' });
    expect(r.give({ ...rest, program: 'another' })).toMatchObject({ ok: false, code: 'other-program' });
    expect(r.machine.status().next).toMatchObject({ bearingDeg: launch.bearingDeg });
    expect(r.give(rest)).toEqual({ ok: true });
    // it echoes what it turns to
    expect(r.machine.status()).toMatchObject({ count: 4, next: { bearingDeg: 170 } });
    r.live(30);
    const thrown = r.releases().map((event) => (event.event === 'release' ? Math.round(event.launch.bearingDeg / 5) * 5 : 0));
    expect(thrown.slice(1)).toEqual([170, 170, 190]);
    expect(r.machine.state).toBe('ready');
    expect(rig().give(rest)).toMatchObject({ ok: false, code: 'nothing-armed' });
  });
  test('with another machine it waits as long as it is told for its first; with none left it is done', () => {
    const r = inState('feeding');
    r.give({ do: 'rest', program: 'p1', after: 1, launches: [launch], thenS: [4], firstS: 9 });
    r.live(8.5);
    expect(r.releases()).toHaveLength(1);
    r.live(1);
    expect(r.releases()).toHaveLength(2);
    const done = inState('feeding');
    expect(done.give({ do: 'rest', program: 'p1', after: 1, launches: [], thenS: [] })).toEqual({ ok: true });
    done.live(20);
    expect([done.machine.state, done.releases().length]).toEqual(['ready', 1]);
  });
  test('told of a ball far away just before it is due, it waits until it points there', () => {
    const r = inState('feeding');
    r.live(2.75); // due in a moment
    const away = { ...launch, bearingDeg: 100 };
    r.give({ do: 'rest', program: 'p1', after: 1, launches: [away], thenS: [4] });
    r.live(0.5);
    expect(r.releases()).toHaveLength(1);
    r.live(12);
    expect(r.releases()).toHaveLength(2);
  });
  test('a long turn between two balls delays the second', () => {
    const r = rig();
    r.give({ do: 'arm', program: { ...program, launches: [launch, { ...launch, bearingDeg: 90 }], intervalS: 1, count: 2 } });
    r.live(8);
    r.give({ do: 'feed' });
    r.live(4);
    expect(r.releases()).toHaveLength(1);
    r.live(4);
    expect(r.releases()).toHaveLength(2);
  });
  test('an empty hopper holds and says so; after a refill it resumes', () => {
    const r = rig({ hopper: 2 });
    r.give({ do: 'arm', program });
    r.live(8);
    r.give({ do: 'feed' });
    r.live(20);
    expect(r.releases()).toHaveLength(2);
    expect(r.machine.status()).toMatchObject({ state: 'held', why: 'hopper empty', hopper: 0 });
    r.give({ do: 'refill' });
    r.give({ do: 'resume', program: 'p1' });
    r.live(12);
    expect(r.releases().length).toBeGreaterThan(2);
  });
});

describe('what goes wrong', () => {
  test.each<MachineState>(['arming', 'ready', 'feeding', 'held'])(
    '%s: nine tenths of a second after the last heartbeat it has stopped by itself',
    (state) => {
      const r = inState(state);
      r.give({ do: 'heartbeat' });
      r.clock.pass(899);
      expect(r.machine.status().why).toBe('');
      r.clock.pass(1);
      expect(r.machine.status()).toMatchObject({ state: 'held', why: 'no heartbeat' });
      const thrown = r.releases().length;
      r.clock.pass(60_000);
      expect(r.releases()).toHaveLength(thrown);
    },
  );
  test('a lost link holds at once', () => {
    const r = inState('feeding');
    r.machine.linkLost();
    expect(r.machine.status()).toMatchObject({ state: 'held', why: 'link lost' });
  });
  test('a jam is a fault: nothing but hold, stow and clear helps', () => {
    const r = inState('feeding');
    r.give(simulateFault('jam'));
    r.live(6);
    expect(r.machine.status()).toMatchObject({ state: 'fault', why: 'jam' });
    expect(r.give({ do: 'resume', program: 'p1' })).toMatchObject({ ok: false, code: 'fault' });
    r.give({ do: 'clear' });
    expect(r.machine.state).toBe('idle');
  });
  test('a misfeed is told and takes its beat, not a ball of the hopper', () => {
    const r = inState('ready');
    r.give({ do: 'feed' });
    r.give(simulateFault('misfeed'));
    r.live(30);
    expect(r.events.filter((event) => event.event === 'misfeed')).toEqual([{ event: 'misfeed', seq: 1 }]);
    expect(r.releases()).toHaveLength(4);
    expect(r.machine.status().hopper).toBe(66);
  });
});

describe('a program with times of its own', () => {
  const two: Program = {
    id: 'p2',
    name: 'Two lines, Ines',
    launches: [launch, { ...launch, speedMps: 20 }],
    intervalS: 6,
    count: 6,
    thenS: [1.5, 6],
  };
  /** When each ball left, in seconds since the first, to the step of the driver's heartbeat. */
  const leftAt = (given: Program): number[] => {
    const r = rig();
    r.give({ do: 'arm', program: given });
    r.live(8);
    r.give({ do: 'feed' });
    const times: number[] = [];
    let seen = 0;
    for (let step = 0; step < 50 * 4; step++) {
      r.live(0.25);
      for (; seen < r.releases().length; seen++) times.push(r.clock.nowMs() / 1000);
    }
    return times.map((at) => at - times[0]!);
  };
  test('a combination: each ball waits as long as it says, not the interval', () => {
    const times = leftAt(two);
    expect(times).toHaveLength(6);
    const waits = times.slice(1).map((at, i) => Math.round((at - times[i]!) * 4) / 4);
    expect(waits).toEqual([1.5, 6, 1.5, 6, 1.5]);
  });
  test('while another machine throws first, it waits longer for its first ball, and only for that', () => {
    const firstAt = (firstS: number): number => {
      const r = rig();
      r.give({ do: 'arm', program: { ...two, firstS } });
      r.live(8);
      r.give({ do: 'feed' });
      const before = r.clock.nowMs();
      while (r.releases().length === 0) r.live(0.25);
      return (r.clock.nowMs() - before) / 1000;
    };
    expect(firstAt(5) - firstAt(0)).toBeCloseTo(5, 6);
    expect(leftAt({ ...two, firstS: 5 })).toEqual(leftAt(two));
  });
  test('a wait that is too short to turn and spin up is lengthened, never a ball thrown before it points there', () => {
    const across = { ...two, launches: [launch, { ...launch, bearingDeg: launch.bearingDeg + 60 }], thenS: [0.5, 6] };
    const times = leftAt(across);
    expect(times[1]!).toBeGreaterThanOrEqual(2.75); // 60° at 25°/s, and the latch
  });
  test('times nobody could mean are refused before anything moves', () => {
    for (const bad of [{ thenS: [0.1, 4] }, { thenS: ['soon', 4] }, { firstS: -1 }, { firstS: 7200 }])
      expect(programSchema.safeParse({ ...two, ...bad }).success).toBe(false);
  });
});
