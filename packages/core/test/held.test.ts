import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  arrange,
  conditionsOf,
  diamondOf,
  fieldingSetup,
  firstSetup,
  MACHINE_KINDS,
  type MachineProfile,
  makeCard,
  matchCard,
  mphToMps,
  type RungDocument,
  readFile,
  rungFromSetup,
  type Setup,
  SPORT_RECORDS,
  SPORTS,
  type Sport,
  setupFromRung,
  throwBall,
  writeBallList,
  writeCardText,
} from '../src/index.ts';
import { kindOf } from './support/club.ts';

const COURT = '0190f3a0-0000-7000-8000-00000000c0a7';
const MACHINE = '0190f3a0-0000-7000-8000-00000000aac1';
const CHOICES = { name: 'A', focalPoint: '', ballsPerRound: 10, rounds: 1, gate: { hits: 5, of: 10 } };
/** Every machine kind with every sport it throws. */
const PAIRS = MACHINE_KINDS.flatMap((profile) => profile.sports.map((sport) => ({ sport, profile })));
const courtOf = (sport: Sport, ceilingM: number | null = null) => ({
  id: COURT,
  name: 'Court',
  sport,
  surfaceId: SPORT_RECORDS[sport].surfaces[0]!.id,
  indoor: ceilingM !== null,
  ceilingM,
});

interface Case {
  setup: Setup;
  profile: MachineProfile;
  court: ReturnType<typeof courtOf>;
}
const firstOf = ({ sport, profile }: (typeof PAIRS)[number], ceilingM: number | null = null): Case => {
  const court = courtOf(sport, ceilingM);
  return { setup: firstSetup(court, { id: MACHINE, profile }, 'Building', 0), profile, court };
};
const pairOf = (sport: Sport, kind: string) => ({ sport, profile: kindOf(kind) });
const FIELD = pairOf('baseball', 'Programmable field machine');
const COURTSIDE = pairOf('tennis', 'Programmable court machine');

/** A set-up saved as a rung; null when the machine cannot throw it. */
const saved = ({ setup, profile }: Case) => rungFromSetup(setup, arrange(setup, profile), CHOICES);

/** Where a launch comes down, or passes the plane. */
function goesTo(setup: Setup, launch: Parameters<typeof throwBall>[1]): readonly [number, number] {
  const { flight } = throwBall(conditionsOf(setup), launch, setup.target.kind === 'plane' ? setup.target.planeY : setup.player.y);
  if (setup.target.kind === 'plane') return [flight.crossings[0]!.x, flight.crossings[0]!.z];
  return [flight.bounces[0]!.x, flight.bounces[0]!.y];
}

/** Every field as it was, what is held of the same kind, and thrown to the millimetre to the same spot. @param roundedM a card is to the millimetre */
function expectSame({ setup, profile }: Case, after: Setup, roundedM = 0): void {
  const [a, b] = [setup, after].map((each) => arrange(each, profile));
  const { launch } = a!.thrown!;
  // at one speed there may have been only the other arc
  const arc = 'speedMps' in setup.hold && a!.solution!.arc !== 'only' ? a!.solution!.arc : after.arc;
  const flat = (each: Setup) =>
    JSON.parse(JSON.stringify({ ...each, hold: Object.keys(each.hold), arc: null, topspinRpm: null, sidespinRpm: null }), (_, value) =>
      typeof value === 'number' ? Math.round(value * 200) / 200 : value,
    );
  expect(flat(after)).toEqual(flat(setup));
  // what the machine's own law made of the spin is what was thrown; where it follows the speed, a card's rounding is in it
  for (const spin of ['topspinRpm', 'sidespinRpm'] as const) expect(Math.abs(after[spin] - launch[spin])).toBeLessThan(0.5);
  expect(after.arc).toBe(arc);
  const [here, there] = [goesTo(setup, launch), goesTo(setup, b!.thrown!.launch)];
  expect(Math.hypot(here[0] - there[0], here[1] - there[1])).toBeLessThan(0.001 + roundedM);
}

/** The rung by way of a card sent as text to the same club. */
function byCard(rung: RungDocument, { court, profile, setup: { sport } }: Case): RungDocument {
  const machine = { id: MACHINE, name: 'Heron', profile, dials: [] };
  const head = { name: 'C', sport, level: 'Building' as const, approach: 'earn-it' as const };
  const card = readFile('card', writeCardText(makeCard(head, [rung], court, machine)));
  if (!card.ok) throw new Error(card.problems[0]!.detail);
  const { rungs, unmatched } = matchCard(card.value, { machines: [machine], courts: [court] })!;
  // to the millimetre a machine of one speed and three heights has no arc to the spot: the nearest it can is put in
  expect(unmatched.filter(({ code }) => !(code === 'reach' && profile.elevationSteps))).toEqual([]);
  return rungs[0]!;
}

describe('a ball is one document: what was held, the arc and all the rest come back', () => {
  test('a saved pop-up is a pop-up when it is opened again, on the bench and from a card', () => {
    for (const ball of diamondOf('baseball')!.fieldingBalls) {
      const start = firstOf(FIELD);
      const one = { ...start, setup: fieldingSetup(start.setup, start.profile, ball) };
      const rung = saved(one)!;
      expectSame(one, setupFromRung(rung, one.court));
      expectSame(one, setupFromRung(byCard(rung, one), one.court), 0.001);
      // a rung of before anything was kept with its balls
      const bare = { ...rung, feeds: rung.feeds.map(({ hold: _h, arc: _a, ...feed }) => feed) };
      expect(setupFromRung(bare, one.court).hold).toEqual({ elevationDeg: rung.feeds[0]!.launch.elevationDeg });
    }
  });
  const holds = fc.oneof(
    fc.record({ elevationDeg: fc.double({ min: 4, max: 50, noNaN: true }) }),
    fc.record({ speedMps: fc.double({ min: 7, max: 24, noNaN: true }) }),
    fc.record({ netClearanceM: fc.double({ min: 0.4, max: 3, noNaN: true }) }),
    fc.record({ flightTimeS: fc.double({ min: 0.6, max: 1.6, noNaN: true }) }),
  );
  test.each(SPORTS)(
    '%s: whatever is held, on either arc, on every kind of machine: set-up → rung → set-up, → card, → ball list',
    (sport) => {
      const pairs = PAIRS.filter((each) => each.sport === sport);
      const thrown = new Map<string, number>();
      fc.assert(
        fc.property(
          fc.constantFrom(...pairs),
          holds,
          fc.constantFrom('low' as const, 'high' as const),
          fc.record({
            ceilingM: fc.constantFrom(null, 12),
            dragShare: fc.constantFrom(undefined, 1.15),
            raisedM: fc.constantFrom(0, 0.3),
            intervalS: fc.constantFrom(4.5, 7),
            batterHeightM: fc.constantFrom(undefined, 1.42),
            sidespinRpm: fc.constantFrom(0, 350),
          }),
          (pair, hold, arc, { ceilingM, dragShare, raisedM, intervalS, batterHeightM, sidespinRpm }) => {
            if (diamondOf(sport) && 'netClearanceM' in hold) return;
            const start = firstOf(pair, ceilingM);
            const { profile } = pair;
            // a machine with few settings holds one of those; with one speed only, the ball it was set up with
            const oneSpeed = profile.speedMps[0] === profile.speedMps[1];
            const held =
              'speedMps' in hold && profile.speedSteps
                ? { speedMps: profile.speedSteps[2]! }
                : 'elevationDeg' in hold && profile.elevationSteps
                  ? { elevationDeg: profile.elevationSteps[1]! }
                  : hold;
            const setup: Setup = {
              ...start.setup,
              ...(!oneSpeed && { hold: held, arc, sidespinRpm }),
              intervalS,
              ...(!oneSpeed && { from: { ...start.setup.from, z: start.setup.from.z + raisedM } }),
              ...(dragShare !== undefined && !oneSpeed && { dragShare }),
              ...(batterHeightM !== undefined && { batterHeightM }),
            };
            const one = { ...start, setup };
            const rung = saved(one);
            if (!rung) return;
            thrown.set(profile.kind, (thrown.get(profile.kind) ?? 0) + 1);
            expectSame(one, setupFromRung(rung, one.court));
            expectSame(one, setupFromRung(byCard(rung, one), one.court), 0.001);
            const list = readFile('balls', writeBallList(rung.feeds));
            expect(list.ok && list.value).toEqual(rung.feeds);
          },
        ),
        { seed: 11, numRuns: 36 * pairs.length },
      );
      // every kind threw some of them
      for (const { profile } of pairs) expect(thrown.get(profile.kind) ?? 0, profile.kind).toBeGreaterThan(1);
    },
  );
  test('a ball that was aimed anew since is found as it is, not as it was held', () => {
    const start = firstOf(COURTSIDE);
    const held = (arc: 'low' | 'high') => saved({ ...start, setup: { ...start.setup, hold: { speedMps: mphToMps(31) }, arc } })!;
    const [rung, low] = [held('high'), held('low')];
    expect(rung.feeds[0]!.launch.elevationDeg).toBeGreaterThan(low.feeds[0]!.launch.elevationDeg + 5);
    const reaimed = { ...rung, feeds: [{ ...rung.feeds[0]!, launch: low.feeds[0]!.launch }] };
    expect(setupFromRung(reaimed, start.court)).toMatchObject({ arc: 'low', hold: { speedMps: low.feeds[0]!.launch.speedMps } });
  });
  test('a ball list carries them, and what is right to let go', () => {
    const start = firstOf(COURTSIDE);
    const [feed] = saved({ ...start, setup: { ...start.setup, hold: { netClearanceM: 1.5 }, arc: 'high' } })!.feeds;
    const read = readFile('balls', writeBallList([{ ...feed!, letGo: true }, feed!]));
    expect(read.ok && read.value.map(({ hold, arc, letGo }) => [hold, arc, letGo])).toEqual([
      [{ netClearanceM: 1.5 }, 'high', true],
      [{ netClearanceM: 1.5 }, 'high', undefined],
    ]);
    const bad = readFile('balls', writeBallList([feed!]).replace('clearance_m,1.5', 'height,1.5'));
    expect(bad.ok ? '' : bad.problems[0]!.detail).toMatch(/Line 2, hold: “height”/);
  });
});
