import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  arrange,
  conditionsOf,
  diamondOf,
  fieldingSetup,
  firstSetup,
  makeCard,
  matchCard,
  mphToMps,
  readBallList,
  readCard,
  rungFromSetup,
  type Setup,
  setupFromRung,
  throwBall,
  writeBallList,
  writeCardText,
} from '../src/index.ts';
import { kindOf } from './support/club.ts';

const COURT = '0190f3a0-0000-7000-8000-00000000c0a7';
const MACHINE = '0190f3a0-0000-7000-8000-00000000aac1';
const PLACES = {
  tennis: { surfaceId: 'tennis-acrylic-medium', kind: 'Programmable court machine' },
  pickleball: { surfaceId: 'pickleball-acrylic', kind: 'Holed-ball court machine' },
  baseball: { surfaceId: 'baseball-dirt', kind: 'Programmable field machine' },
} as const;
type Sport = keyof typeof PLACES;
const courtOf = (sport: Sport) => ({ id: COURT, sport, surfaceId: PLACES[sport].surfaceId });
const machineOf = (sport: Sport) => ({ id: MACHINE, profile: kindOf(PLACES[sport].kind) });
const first = (sport: Sport): Setup => firstSetup(courtOf(sport), machineOf(sport), 'Building', 0);
const CHOICES = { name: 'A', focalPoint: '', ballsPerRound: 10, rounds: 1, gate: { hits: 5, of: 10 } };

/** A set-up saved as a rung; null when the machine cannot throw it. */
const saved = (setup: Setup, sport: Sport) => rungFromSetup(setup, arrange(setup, machineOf(sport).profile), CHOICES);

/** Where a launch comes down, or passes the plane. */
function goesTo(setup: Setup, launch: Parameters<typeof throwBall>[1]): readonly [number, number] {
  const { flight } = throwBall(conditionsOf(setup), launch, setup.target.kind === 'plane' ? setup.target.planeY : setup.player.y);
  if (setup.target.kind === 'plane') return [flight.crossings[0]!.x, flight.crossings[0]!.z];
  return [flight.bounces[0]!.x, flight.bounces[0]!.y];
}

function expectSame(before: Setup, after: Setup, sport: Sport): void {
  const profile = machineOf(sport).profile;
  const [a, b] = [before, after].map((setup) => arrange(setup, profile).thrown!.launch);
  expect(Object.keys(after.hold)).toEqual(Object.keys(before.hold));
  expect(b!.elevationDeg).toBeCloseTo(a!.elevationDeg, 2);
  expect(b!.speedMps).toBeCloseTo(a!.speedMps, 2);
  const [here, there] = [goesTo(before, a!), goesTo(before, b!)];
  expect(Math.hypot(here[0] - there[0], here[1] - there[1])).toBeLessThan(0.002);
}

describe('what was held, and the arc, are kept with the ball', () => {
  test('a saved pop-up is a pop-up when it is opened again, on the bench and from a card', () => {
    for (const ball of diamondOf('baseball')!.fieldingBalls) {
      const setup = fieldingSetup(first('baseball'), machineOf('baseball').profile, ball);
      const rung = saved(setup, 'baseball')!;
      const again = setupFromRung(rung, 'baseball');
      expectSame(setup, again, 'baseball');
      // a rung of before anything was kept with its balls
      const bare = { ...rung, feeds: rung.feeds.map(({ hold: _h, arc: _a, ...feed }) => feed) };
      expectSame(setup, setupFromRung(bare, 'baseball'), 'baseball');
      const head = { name: 'C', sport: 'baseball' as const, level: 'Building' as const, approach: 'earn-it' as const };
      const court = { ...courtOf('baseball'), name: 'Field', indoor: false };
      const machine = { ...machineOf('baseball'), name: 'Heron', dials: [] };
      const card = readCard(writeCardText(makeCard(head, [rung], court, machine)));
      expect(card.ok).toBe(true);
      const matched = card.ok ? matchCard(card.value, { machines: [machine], courts: [court] })! : null;
      expect(matched!.rungs[0]!.feeds[0]!.launch.elevationDeg).toBeCloseTo(rung.feeds[0]!.launch.elevationDeg, 1);
      expectSame(setup, setupFromRung(matched!.rungs[0]!, 'baseball'), 'baseball');
    }
  });
  test('every sport, whatever is held, on either arc: set-up → rung → set-up', () => {
    const holds = fc.oneof(
      fc.record({ elevationDeg: fc.double({ min: 4, max: 50, noNaN: true }) }),
      fc.record({ speedMps: fc.double({ min: 9, max: 24, noNaN: true }) }),
      fc.record({ netClearanceM: fc.double({ min: 0.4, max: 3, noNaN: true }) }),
      fc.record({ flightTimeS: fc.double({ min: 0.6, max: 1.6, noNaN: true }) }),
    );
    let thrown = 0;
    fc.assert(
      fc.property(
        fc.constantFrom<Sport>('tennis', 'pickleball', 'baseball'),
        holds,
        fc.constantFrom('low' as const, 'high' as const),
        (sport, hold, arc) => {
          if (sport === 'baseball' && 'netClearanceM' in hold) return;
          const setup: Setup = { ...first(sport), hold, arc };
          const rung = saved(setup, sport);
          if (!rung) return;
          thrown++;
          expectSame(setup, setupFromRung(rung, sport), sport);
        },
      ),
      { seed: 10, numRuns: 120 },
    );
    expect(thrown).toBeGreaterThan(40);
  });
  test('a ball that was aimed anew since is found as it is, not as it was held', () => {
    const setup: Setup = { ...first('tennis'), hold: { speedMps: mphToMps(31) }, arc: 'high' };
    const rung = saved(setup, 'tennis')!;
    const low = saved({ ...setup, arc: 'low' }, 'tennis')!;
    expect(rung.feeds[0]!.launch.elevationDeg).toBeGreaterThan(low.feeds[0]!.launch.elevationDeg + 5);
    const reaimed = { ...rung, feeds: [{ ...rung.feeds[0]!, launch: low.feeds[0]!.launch }] };
    expect(setupFromRung(reaimed, 'tennis')).toMatchObject({ arc: 'low', hold: { speedMps: low.feeds[0]!.launch.speedMps } });
  });
  test('a ball list carries them, and what is right to let go', () => {
    const [feed] = saved({ ...first('tennis'), hold: { netClearanceM: 1.5 }, arc: 'high' }, 'tennis')!.feeds;
    const read = readBallList(writeBallList([{ ...feed!, letGo: true }, feed!]));
    expect(read.ok && read.value.map(({ hold, arc, letGo }) => [hold, arc, letGo])).toEqual([
      [{ netClearanceM: 1.5 }, 'high', true],
      [{ netClearanceM: 1.5 }, 'high', undefined],
    ]);
    const bad = readBallList(writeBallList([feed!]).replace('clearance_m,1.5', 'height,1.5'));
    expect(bad.ok ? '' : bad.problems[0]!.detail).toMatch(/Line 2, hold: “height”/);
  });
});
