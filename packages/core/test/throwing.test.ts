import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  buildLadder,
  conditionsOf,
  fly,
  GAME_BOOK,
  LEVEL_NEEDS,
  LEVELS,
  MOTION,
  netBetween,
  netHeightAt,
  type RungDocument,
  reachS,
  throwInTime,
  throwLikeGame,
  throwTo,
} from '../src/index.ts';
import { buildQuestion, judgedWhole, judgeWith, kindOf, venueOf, WEATHER } from './support/club.ts';

const conditions = (ballId: string, surfaceId: string) => conditionsOf({ ballId, surfaceId, weather: WEATHER });
const tennis = conditions('tennis-standard', 'tennis-acrylic-medium');
const baseball = conditions('baseball', 'baseball-dirt');

describe('a ball thrown to a spot by what the machine can do', () => {
  const venue = venueOf('tennis', kindOf('Two-wheel portable'), 'Building');
  test('lands there to the millimetre, within the limits, a safe height over the net', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: 3, max: 11, noNaN: true }),
        fc.double({ min: 6, max: 12, noNaN: true }),
        fc.integer({ min: 5, max: 45 }),
        fc.integer({ min: -1500, max: 1500 }),
        (x, depth, y, elevationDeg, topspinRpm) => {
          const thrown = throwTo(venue, { x: 0, y, z: 0.55 }, { kind: 'landing', x, y: -depth }, { elevationDeg, topspinRpm });
          if (!thrown) return;
          const flight = fly(tennis, thrown.launch, { planesY: [0], maxBounces: 0 });
          const [spot] = flight.bounces;
          expect(Math.hypot(spot!.x - x, spot!.y + depth)).toBeLessThan(0.002);
          const [net] = flight.crossings;
          expect(net!.z).toBeGreaterThan(netHeightAt(netBetween('tennis', y, -depth)!, net!.x));
          expect(thrown.launch.speedMps).toBeLessThanOrEqual(venue.machine.profile.speedMps[1] + 1e-9);
        },
      ),
      { seed: 21, numRuns: 60 },
    ));
  test('takes the wanted elevation where it can, else the nearest that clears the net as a feed for the level should', () => {
    const from = { x: 0, y: 6.6, z: 0.55 };
    const wanted = throwTo(venue, from, { kind: 'landing', x: 0, y: -8 }, { elevationDeg: 24, topspinRpm: 0 })!;
    expect(wanted.launch.elevationDeg).toBeCloseTo(24, 6);
    const flat = throwTo(venue, from, { kind: 'landing', x: 0, y: -8 }, { elevationDeg: 2, topspinRpm: 0 })!;
    expect(flat.launch.elevationDeg).toBeGreaterThan(4);
    const [net] = fly(tennis, flat.launch, { planesY: [0], maxBounces: 0 }).crossings;
    // bottom of the ball over the middle of the net
    expect(net!.z - 0.033 - 0.914).toBeGreaterThan(LEVEL_NEEDS.Building.netClearanceM * 0.75);
  });
  test('a machine of one speed and three heights puts it near the spot, and says where', () => {
    const pocket = venueOf('tennis', kindOf('Pocket tosser'), 'Starting');
    const thrown = throwTo(pocket, { x: 0, y: -1.2, z: 0.35 }, { kind: 'landing', x: 0, y: -4.9 }, { elevationDeg: 40, topspinRpm: 0 });
    expect(thrown).not.toBeNull();
    expect([20, 40, 60]).toContain(thrown!.launch.elevationDeg);
    const [spot] = fly(tennis, thrown!.launch, { maxBounces: 0 }).bounces;
    expect(spot!.y).toBeCloseTo(thrown!.target.kind === 'landing' ? thrown!.target.y : 0, 3);
    expect(throwTo(pocket, { x: 0, y: 11, z: 0.35 }, { kind: 'landing', x: 0, y: -9 }, { elevationDeg: 40, topspinRpm: 0 })).toBeNull();
  });
});

describe('a game ball’s own shape, and a pitch in the game’s own time', () => {
  test.each(LEVELS)('rally drive, %s: as deep and as far over the net from a machine as from a player', (level) => {
    const game = GAME_BOOK.find(({ id }) => id === `tennis-rally-drive-${level.toLowerCase()}`)!;
    const venue = venueOf('tennis', kindOf('Programmable court machine'), level);
    const thrown = throwLikeGame(venue, { x: 0.5, y: 11.5, z: 0.9 }, game)!;
    const flight = fly(tennis, thrown.launch, { planesY: [0], maxBounces: 0 });
    expect(game.kind === 'shaped' && flight.bounces[0]!.y + game.landsPastM).toBeCloseTo(0, 2);
    // same height of release as the book: the same ball, whose speed is a check value of the book (± 2 %, rounded to a mile)
    const mph = thrown.launch.speedMps / 0.44704;
    expect(game.kind === 'shaped' && Math.abs(mph / game.checkMph! - 1)).toBeLessThan(0.03);
  });
  test('a pitch is there when it is asked to be; slower or quicker than the machine can is as near as it can', () => {
    const venue = venueOf('baseball', kindOf('Two-wheel pitching machine'), 'Competing');
    const from = { x: 0.5, y: 14, z: 1.35 };
    const target = { kind: 'plane' as const, planeY: 0.43, x: 0, z: 0.8 };
    for (const timeS of [0.5, 0.6, 0.75]) {
      const thrown = throwInTime(venue, from, target, timeS, { topspinRpm: -1500, sidespinRpm: 0 })!;
      const [pass] = fly(baseball, thrown.launch, { planesY: [0.43], maxBounces: 0 }).crossings;
      expect(pass!.t).toBeCloseTo(timeS, 3);
      expect(pass!.z).toBeCloseTo(0.8, 2);
    }
    const [, hi] = venue.machine.profile.speedMps;
    expect(throwInTime(venue, from, target, 0.2, { topspinRpm: -1500, sidespinRpm: 0 })!.launch.speedMps).toBeCloseTo(hi, 6);
    // the slowest of all does not carry 14 m: the slowest that does
    expect(throwInTime(venue, from, target, 3, { topspinRpm: -1500, sidespinRpm: 0 })!.timeS).toBeGreaterThan(0.95);
  });
  test('a machine with pins takes the pin whose time is nearest', () => {
    const venue = venueOf('baseball', kindOf('Lever-arm thrower'), 'Starting');
    const thrown = throwInTime(venue, { x: 0.5, y: 11.6, z: 1 }, { kind: 'plane', planeY: 0.43, x: 0, z: 0.6 }, 0.7, {
      topspinRpm: 0,
      sidespinRpm: 0,
    })!;
    expect(venue.machine.profile.speedSteps!.some((step) => Math.abs(step - thrown.launch.speedMps) < 1e-9)).toBe(true);
    expect(thrown.launch.topspinRpm).toBe(-600); // its arm gives it, whatever is asked
  });
});

describe('what a machine needs between two balls', () => {
  const ball = { bearingDeg: 180, elevationDeg: 10, speedMps: 20 };
  test('nothing but the latch for the same ball; the slower of turning and spinning up for another', () => {
    expect(reachS(ball, ball)).toBe(MOTION.latchS);
    expect(reachS(ball, { ...ball, bearingDeg: 205 })).toBeCloseTo(MOTION.latchS + 1, 9);
    expect(reachS(ball, { ...ball, bearingDeg: 205, speedMps: 38 })).toBeCloseTo(MOTION.latchS + 2, 9);
    expect(reachS({ ...ball, bearingDeg: 350 }, { ...ball, bearingDeg: 10 })).toBeCloseTo(MOTION.latchS + 20 / MOTION.slewDegPerS, 9);
  });
  test('two machines do not wait for one another: each has the time since its own last ball', () => {
    const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
    const game = buildLadder(question).rungs.find(({ name }) => name === 'Rally drive')!;
    const [feed] = game.feeds;
    const turned = { ...feed!, launch: { ...feed!.launch, bearingDeg: feed!.launch.bearingDeg + 8, speedMps: feed!.launch.speedMps + 1 } };
    const rung = (machineId?: string): RungDocument => ({
      ...game,
      intervalS: 3,
      order: { kind: 'alternate' },
      feeds: [feed!, { ...turned, ...(machineId && { machineId }) }],
    });
    const needs = (each: RungDocument): number => judgedWhole(each, judgeWith(question)).machine.needsS;
    expect(needs(rung())).toBeGreaterThan(MOTION.latchS + 0.3);
    expect(needs(rung('0190f3a0-0000-7000-8000-00000000aac9'))).toBe(MOTION.latchS);
  });
});

test('the ritual of a serve begins so long before the release that the next ball meets a player who is ready', () => {
  const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
  const game = buildLadder(question).rungs.find(({ name }) => name === 'Rally drive')!;
  const ritual = { bounces: 4, bounceS: 0.7, tossS: 1.8, readyS: 0.5 };
  const judged = judgedWhole({ ...game, ritual }, judgeWith(question));
  const { followThroughS, courtSpeedMps, prepareS } = LEVEL_NEEDS.Building;
  const [ball] = judged.balls;
  const way = Math.hypot(ball!.contact.x - game.player.start.x, ball!.contact.y - game.player.start.y);
  // by hand: 4 × 0.7 + 1.8 of ritual, landing, the way, half the preparation, the rest; less the flight
  const expected = 4.6 + followThroughS + way / courtSpeedMps + prepareS.groundstroke / 2 + 0.5 - ball!.flightS;
  expect(judged.ritualBeforeS).toBeCloseTo(expected, 9);
  expect(judgedWhole(game, judgeWith(question)).ritualBeforeS).toBeNull();
});
