import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  buildLadder,
  callSheet,
  countAt,
  fitDrill,
  fitPlan,
  LIBRARY,
  type PlanDocument,
  planSchema,
  rotate,
  STATIONS,
  scheduleOf,
  type Turn,
} from '../src/index.ts';
import { buildQuestion, kindOf, venueOf } from './support/club.ts';

const spread = (counts: readonly number[]): number => Math.max(...counts) - Math.min(...counts);
const named = (count: number): string[] => Array.from({ length: count }, (_, i) => `0190f3a0-0000-7000-8000-00000000000${i.toString(16)}`);
const everyone = (turn: Turn): string[] => STATIONS.flatMap((station) => turn[station]);

describe('rotation', () => {
  const asked = fc.record({
    count: fc.integer({ min: 1, max: 12 }),
    lines: fc.integer({ min: 1, max: 4 }),
    stations: fc.uniqueArray(fc.constantFrom('feeding' as const, 'calling' as const, 'picking up' as const)),
    turns: fc.integer({ min: 1, max: 40 }),
  });
  test('everybody is somewhere once a turn, and hits as often as everybody else, to within one', () =>
    fc.assert(
      fc.property(asked, ({ count, lines, stations, turns }) => {
        const players = named(count);
        const plan = rotate({ players, lines, stations, turns });
        expect(plan).toHaveLength(turns);
        for (const turn of plan) {
          expect([...everyone(turn)].sort()).toEqual([...players].sort());
          expect(turn.hitting).toHaveLength(Math.min(lines, count));
        }
        for (const station of ['hitting', ...stations] as const) expect(spread(countAt(plan, station, players))).toBeLessThanOrEqual(1);
      }),
    ));
  test('a missing player takes a station away, the rest goes on as before', () => {
    const three = rotate({ players: ['a', 'b', 'c'], lines: 2, stations: ['picking up'], turns: 3 });
    expect(three.every((turn) => turn['picking up'].length === 1 && turn.hitting.length === 2)).toBe(true);
    const two = rotate({ players: ['a', 'b'], lines: 2, stations: ['picking up'], turns: 3 });
    expect(two.every((turn) => turn['picking up'].length === 0 && turn.hitting.length === 2)).toBe(true);
    expect(rotate({ players: [], lines: 2, stations: [], turns: 3 })).toEqual([]);
  });
  test('who picks up comes next to nobody twice running in a group of three', () => {
    const turns = rotate({ players: ['a', 'b', 'c'], lines: 2, stations: ['picking up'], turns: 6 });
    const pickers = turns.map((turn) => turn['picking up'][0]);
    expect(new Set(pickers.slice(0, 3)).size).toBe(3);
    expect(pickers.slice(0, 3)).toEqual(pickers.slice(3));
  });
});

describe('the plan by the clock', () => {
  const { rungs } = buildLadder(buildQuestion('pickleball-drive-building', 'Holed-ball court machine'));
  const [ladderId, ...playerIds] = named(5);
  const plan: PlanDocument = {
    name: 'Thursday',
    ladderId: ladderId!,
    startsAt: '2026-04-16T17:30',
    playerIds,
    absentIds: [playerIds[3]!],
    lines: 2,
    stations: ['picking up'],
    rotateBy: { kind: 'balls', balls: 10 },
    capBalls: 28,
    notes: '',
  };
  const schedule = scheduleOf(plan, rungs);
  test('turns follow one another, rungs from the bottom up, nobody who is absent', () => {
    expect(planSchema.safeParse(plan).success).toBe(true);
    let end = 0;
    for (const turn of schedule.turns) {
      expect(turn.atS).toBeGreaterThanOrEqual(end);
      end = turn.atS + turn.lastsS;
      expect(everyone(turn.stations)).not.toContain(playerIds[3]);
    }
    expect(schedule.endsS).toBeCloseTo(end, 9);
    expect(schedule.turns.map(({ rung }) => rung)).toEqual(schedule.turns.map(({ rung }) => rung).sort((a, b) => a - b));
  });
  test('fair to within one turn over the whole outing', () => {
    expect(spread(schedule.share.map(({ turns }) => turns))).toBeLessThanOrEqual(1);
    expect(schedule.share).toHaveLength(3);
  });
  test('never more than the cap of balls without a stop', () => {
    let since = 0;
    const alone = scheduleOf({ ...plan, stations: [] }, rungs);
    for (const { balls, pickUpAfter } of alone.turns) {
      since += balls;
      expect(since).toBeLessThanOrEqual(plan.capBalls);
      if (pickUpAfter) since = 0;
    }
    // who picks up meanwhile spares everybody the stop
    expect(schedule.turns.some(({ pickUpAfter }) => pickUpAfter)).toBe(false);
    expect(schedule.endsS).toBeLessThan(alone.endsS);
  });
  test('brought into the minutes there are: each way fits, everybody hits, every rung has a round, and nothing is offered where it fits already', () => {
    const named = rungs.map((document, i) => ({ id: `0190f3a0-0000-7000-8000-0000000000${10 + i}`, document }));
    const slow = { ...plan, lines: 1, stations: [] };
    const whole = scheduleOf(slow, rungs).endsS / 60;
    expect(fitPlan(slow, named, whole + 1).ways).toEqual([]);
    for (const share of [0.9, 0.7, 0.5, 0.35]) {
      const { ways } = fitPlan(slow, named, whole * share);
      expect(ways.length, `${share}`).toBeGreaterThan(0);
      for (const way of ways) {
        expect(planSchema.safeParse(way.plan).success).toBe(true);
        const documents = rungs.map((rung, i) => ({ ...rung, rounds: way.plan.rungs?.[i]?.rounds ?? rung.rounds }));
        const schedule = scheduleOf(way.plan, documents);
        expect(schedule.endsS).toBeCloseTo(way.endsS, 6);
        expect(schedule.endsS / 60).toBeLessThanOrEqual(whole * share);
        expect(new Set(schedule.turns.map(({ rung }) => rung)).size).toBe(rungs.length);
        expect(Math.min(...schedule.share.map(({ balls }) => balls))).toBeGreaterThan(0);
      }
    }
    expect(fitPlan(slow, named, whole * 0.9).ways[0]!.by).toEqual(['picking-up']); // what changes least first
    const { ways, leastS } = fitPlan(slow, named, 1);
    expect(ways).toEqual([]);
    expect(fitPlan(slow, named, (leastS + 1) / 60).ways.length).toBeGreaterThan(0);
    expect(fitPlan(slow, named, (leastS - 1) / 60).ways).toEqual([]);
  });
  test('by minutes: every turn lasts as long, to a ball', () => {
    const timed = scheduleOf({ ...plan, rotateBy: { kind: 'minutes', minutes: 2 } }, rungs);
    for (const { lastsS } of timed.turns) {
      expect(lastsS).toBeLessThanOrEqual(120);
      expect(lastsS).toBeGreaterThan(110);
    }
  });
  test('nobody there, nothing planned; bad input names its field', () => {
    expect(scheduleOf({ ...plan, absentIds: playerIds }, rungs).turns).toEqual([]);
    const bad = planSchema.safeParse({ ...plan, startsAt: 'tomorrow', lines: 0, playerIds: [] });
    expect(bad.success ? [] : bad.error.issues.map(({ path }) => path.join('.'))).toEqual(['startsAt', 'playerIds', 'lines']);
  });
});

test('the call sheet of two machines: ball by ball which throws, the same for the same seed', () => {
  const drill = LIBRARY.find(({ id }) => id === 'baseball-two-machines-one-voice')!;
  const second = { id: '0190f3a0-0000-7000-8000-00000000aac2', profile: kindOf('Two-wheel pitching machine') };
  const venue = venueOf('baseball', kindOf('Three-wheel pitching machine'), 'Advanced');
  const called = fitDrill(drill, { ...venue, second, hand: 'right', heightM: 1.8, approach: 'sweet-spot' }).rungs[2]!;
  const sheet = callSheet(called, 10);
  expect(sheet.map(({ feed }) => feed + 1)).toEqual([1, 1, 2, 1, 2, 2, 1, 1, 2, 1]);
  expect(sheet.map(({ machineId }) => machineId !== null)).toEqual(sheet.map(({ feed }) => feed === 1));
  expect(callSheet({ ...called, order: { kind: 'bag' }, seed: 9 }, 20)).toEqual(
    callSheet({ ...called, order: { kind: 'bag' }, seed: 9 }, 20),
  );
});
