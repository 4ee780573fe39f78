import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  airEffect,
  arrange,
  arrangeInParts,
  bestPlace,
  closestToGame,
  conditionsOf,
  contactBand,
  FIT_FIGURES,
  familyInParts,
  familyOf,
  firstSetup,
  fitOf,
  flightsOf,
  fly,
  GAME_BOOK,
  gameBallById,
  type Hazard,
  hazardsOfRung,
  hazardsOfSetup,
  isProposable,
  judgeContact,
  judgeRung,
  LEVEL_NEEDS,
  LEVELS,
  MACHINE_KINDS,
  type MachineProfile,
  reactionNeededS,
  rungFromSetup,
  rungSchema,
  type Setup,
  SPORT_RECORDS,
  SPORTS,
  SURFACES,
  setupFromRung,
  setupSchema,
  setupToMeet,
  throwBall,
} from '../src/index.ts';

const ids = { court: '0190f3a0-0000-7000-8000-000000000001', machine: '0190f3a0-0000-7000-8000-000000000002' };
const kind = (name: string): MachineProfile => MACHINE_KINDS.find((each) => each.kind === name)!;
const bramble = kind('Two-wheel portable');
const tennis = (over: Partial<Setup> = {}): Setup => ({
  ...firstSetup(
    { id: ids.court, sport: 'tennis', surfaceId: 'tennis-acrylic-medium' },
    { id: ids.machine, profile: bramble },
    'Building',
    900,
  ),
  ...over,
});
const choices = { name: 'Deep', focalPoint: 'Early.', ballsPerRound: 10, rounds: 2, gate: { hits: 5, of: 10 } };

describe('a first look', () => {
  const cases = SPORTS.flatMap((sport) =>
    MACHINE_KINDS.filter(({ sports }) => sports.includes(sport)).flatMap((profile) =>
      LEVELS.map((level) => [sport, profile.kind, level, profile] as const),
    ),
  );
  test.each(cases)('%s, %s, %s: is a valid set-up, and is thrown or says why not and what is nearest', (sport, _kind, level, profile) => {
    const surfaceId = SURFACES.find((each) => each.sport === sport)!.id;
    const setup = firstSetup({ id: ids.court, sport, surfaceId }, { id: ids.machine, profile }, level, 300);
    expect(setupSchema.safeParse(setup).success).toBe(true);
    const { thrown, reason, game } = arrange(setup, profile);
    expect(game).not.toBeNull();
    if (thrown) expect(reason).toBeNull();
    else expect(reason!.nearest).not.toBeNull();
  });
});

describe('what the bench shows is what the core computes', () => {
  test('the ball lands on the spot, and the arrival is the flight at the player’s plane', () => {
    const setup = tennis();
    const { thrown, solution } = arrange(setup, bramble);
    const again = fly(conditionsOf(setup), thrown!.launch, { planesY: [setup.player.y], maxBounces: 1 });
    expect(Math.hypot(again.bounces[0]!.x - setup.target.x, again.bounces[0]!.y - (setup.target as { y: number }).y)).toBeLessThan(0.001);
    const [crossing] = again.crossings;
    expect(thrown!.arrival).toMatchObject({ timeS: crossing!.t, heightM: crossing!.z, leg: 1 });
    expect(thrown!.launch.elevationDeg).toBe(solution!.elevationDeg);
  });
  test('a player in front of the landing spot volleys; behind it, plays a groundstroke with the spin off the court', () => {
    const volley = arrange(tennis({ player: { x: 1, y: -4 } }), bramble);
    expect(volley.stroke).toBe('volley');
    expect(volley.thrown!.arrival).toMatchObject({ leg: 0, topspinRpm: 600 });
    const ground = arrange(tennis(), bramble);
    expect(ground.stroke).toBe('groundstroke');
    expect(ground.thrown!.arrival!.topspinRpm).toBeCloseTo(ground.thrown!.flight.bounces[0]!.spinOutRpm!, 9);
  });
  test('a ball that bounces twice before the player arrives as nothing, and has no comfort', () => {
    const { thrown, comfort } = arrange(
      tennis({ target: { kind: 'landing', x: 0.5, y: -2.5 }, hold: { elevationDeg: 35 }, player: { x: 0.5, y: -14.5 } }),
      bramble,
    );
    expect(thrown).not.toBeNull();
    expect(thrown!.arrival).toBeNull();
    expect(comfort).toBeNull();
  });
  test('comfort is the budget of the level: time to react over what it needs', () => {
    const { comfort, thrown } = arrange(tennis(), bramble);
    expect(comfort).toMatchObject({ needS: reactionNeededS('Building', 'groundstroke', 0), timeS: thrown!.arrival!.timeS, band: null });
    const rushed = arrange(tennis({ intervalS: 0.75 }), bramble).comfort!;
    expect(['rushed', 'too quick']).toContain(rushed.word);
    expect(rushed.shortestIntervalS).toBe(comfort!.shortestIntervalS);
  });
  test('says when a feed clears the net by less than the level should have', () => {
    const low = arrange(tennis({ hold: { elevationDeg: 9 } }), bramble);
    expect(low.solution!.netClearanceM).toBeLessThan(LEVEL_NEEDS.Building.netClearanceM);
    expect(low.lowOverNet).toBe(true);
    expect(arrange(tennis({ hold: { elevationDeg: 25 } }), bramble).lowOverNet).toBe(false);
  });
  test('part by part it comes to the same, and stops often enough for a phone to do something else', () => {
    const setup = tennis({ hold: { elevationDeg: 20 } });
    /** What the work comes to, and how often it stopped. */
    const inParts = <T>(parts: Generator<void, T>, stops = 0): { value: T; stops: number } => {
      const part = parts.next();
      return part.done ? { value: part.value, stops } : inParts(parts, stops + 1);
    };
    const arranged = inParts(arrangeInParts(setup, bramble));
    expect(arranged.value).toEqual(arrange(setup, bramble));
    expect(arranged.stops).toBe(3);
    expect(inParts(arrangeInParts({ ...setup, gameBallId: '' }, bramble)).value.game).toBeNull();
    const family = inParts(familyInParts(setup, bramble, arranged.value.stroke));
    expect(family.value).toEqual(familyOf(setup, bramble, arranged.value.stroke));
    expect(family.stops).toBeGreaterThanOrEqual(5);
  });
  test('the family keeps the spot: every arc of it comes down there, blocked ones with their reason', () => {
    const setup = tennis();
    const family = familyOf(setup, bramble, arrange(setup, bramble).stroke);
    expect(family.some(({ blocked }) => blocked === 'elevation-too-high')).toBe(true);
    expect(family.some(({ blocked }) => blocked === null)).toBe(true);
    for (const { speedMps, elevationDeg, bearingDeg } of family) {
      const [spot] = fly(
        conditionsOf(setup),
        { ...setup.from, topspinRpm: 600, sidespinRpm: 0, gyroRpm: 0, speedMps, elevationDeg, bearingDeg },
        { maxBounces: 0 },
      ).bounces;
      expect(Math.hypot(spot!.x - setup.target.x, spot!.y - (setup.target as { y: number }).y)).toBeLessThan(0.001);
    }
  });
  test('wind is the player’s day, not the game ball’s: the book stays in still air', () => {
    const still = arrange(tennis(), bramble);
    const windy = arrange(tennis({ weather: { ...tennis().weather, windXMps: 5 } }), bramble);
    expect(windy.game!.arrival).toEqual(still.game!.arrival);
    expect(windy.solution!.bearingDeg).not.toBeCloseTo(still.solution!.bearingDeg, 1);
  });
  test('thin air asks for less speed to the same spot', () => {
    const at = (altitudeM: number): number => arrange(tennis({ weather: { ...tennis().weather, altitudeM } }), bramble).solution!.speedMps;
    expect(at(2500)).toBeLessThan(at(0));
  });
  test('a game ball that would bounce twice first is met behind its bounce', () => {
    const { game } = arrange(tennis({ gameBallId: 'tennis-short-ball-starting' }), bramble);
    expect(game!.arrival).not.toBeNull();
    expect(game!.arrival!.y).toBeGreaterThan(tennis().player.y);
  });
  test('a game ball of another sport, or none, is left out', () => {
    expect(arrange(tennis({ gameBallId: 'baseball-fastball-college' }), bramble).game).toBeNull();
    expect(arrange(tennis({ gameBallId: '' }), bramble).game).toBeNull();
  });
  test('at a held speed the arc asked for is thrown', () => {
    const flint = kind('Two-wheel pitching machine');
    const setup = firstSetup(
      { id: ids.court, sport: 'baseball', surfaceId: 'baseball-turf' },
      { id: ids.machine, profile: flint },
      'Building',
      0,
    );
    const low = arrange({ ...setup, arc: 'low' }, flint).solution!;
    const high = arrange({ ...setup, hold: { speedMps: 12.5 }, arc: 'high' }, flint).solution!;
    expect(low.arc).toBe('low');
    expect(high.arc).toBe('high');
    expect(high.elevationDeg).toBeGreaterThan(45);
  });
});

describe('a set-up becomes a rung, and back', () => {
  const spot = fc.record({ x: fc.double({ min: -3, max: 3, noNaN: true }), y: fc.double({ min: -10, max: -6, noNaN: true }) });
  test('any set-up that can be thrown is a valid rung that flies to the same spot, and opens as it was', () => {
    fc.assert(
      fc.property(
        spot,
        fc.double({ min: 14, max: 40, noNaN: true }),
        fc.integer({ min: -1500, max: 1500 }),
        (target, elevationDeg, topspinRpm) => {
          const setup = tennis({ target: { kind: 'landing', ...target }, hold: { elevationDeg }, topspinRpm });
          const arrangement = arrange(setup, bramble);
          const document = rungFromSetup(setup, arrangement, choices);
          if (!document) {
            expect(arrangement.reason).not.toBeNull();
            return;
          }
          expect(rungSchema.parse(JSON.parse(JSON.stringify(document)))).toEqual(document);
          const [flown] = flightsOf(document);
          expect(Math.hypot(flown!.flight.bounces[0]!.x - target.x, flown!.flight.bounces[0]!.y - target.y)).toBeLessThan(0.001);
          const back = setupFromRung(document, { sport: 'tennis' });
          expect(setupSchema.safeParse(back).success).toBe(true);
          expect(arrange(back, bramble).solution!.speedMps).toBeCloseTo(arrangement.solution!.speedMps, 4);
        },
      ),
      { seed: 9, numRuns: 60 },
    );
  });
  test('what cannot be thrown is no rung', () => {
    const setup = tennis({ hold: { elevationDeg: 2 } });
    expect(rungFromSetup(setup, arrange(setup, bramble), choices)).toBeNull();
  });
});

test('every court plan holds its own machine, landing spot and player, and its lines', () => {
  for (const sport of SPORTS) {
    const { view, machine, landing, player, lines } = SPORT_RECORDS[sport].court;
    for (const { x, y } of [
      machine,
      landing,
      player,
      ...lines.flatMap(({ x1, y1, x2, y2 }) => [
        { x: x1, y: y1 },
        { x: x2, y: y2 },
      ]),
    ]) {
      expect(x).toBeGreaterThanOrEqual(view.x1);
      expect(x).toBeLessThanOrEqual(view.x2);
      expect(y).toBeGreaterThanOrEqual(view.y1);
      expect(y).toBeLessThanOrEqual(view.y2);
    }
  }
});

describe('closest to the game', () => {
  const ball = (id: string) => gameBallById(id)!;
  test('a tennis feed is brought nearer to the rally ball, and never leaves the court or the machine’s limits', () => {
    const setup = tennis();
    const drive = ball('tennis-rally-drive-building');
    const before = arrange(setup, bramble);
    const match = closestToGame(setup, bramble, drive)!;
    const after = arrange(match.setup, bramble);
    expect(match.fit).toBeGreaterThan(fitOf(before.thrown!.arrival!, before.game!.arrival!));
    expect(fitOf(after.thrown!.arrival!, after.game!.arrival!)).toBeCloseTo(match.fit, 6);
    expect(after.solution!.netClearanceM).toBeGreaterThan(0);
    expect(Math.abs(after.spin.topspinRpm)).toBeLessThanOrEqual(2000);
  });
  test('a ball that bends is only like the game’s when it bends as far; a machine that can gives it the spin', () => {
    const [curve] = GAME_BOOK.flatMap((each) => (each.kind === 'pitch' && Math.abs(each.sidespinRpm) > 600 ? [each] : []));
    const machine = MACHINE_KINDS.find(({ kind }) => kind === 'Three-wheel pitching machine')!;
    const { sport, level } = curve!;
    const surfaceId = SPORT_RECORDS[sport].surfaces[0]!.id;
    const setup = firstSetup({ id: ids.court, surfaceId, sport }, { id: ids.machine, profile: machine }, level, 0);
    const match = closestToGame(setup, machine, curve!)!;
    expect(match.spin.sidespinRpm / curve!.sidespinRpm).toBeGreaterThan(0.8);
    const { arrival } = match;
    expect(fitOf({ ...arrival, breakM: arrival.breakM + 0.4 }, arrival)).toBeLessThan(60);
  });
  test('what another part of the screen forbids is not proposed: too close, or at the shins', () => {
    const setup = { ...tennis(), level: 'Starting' as const };
    const drive = ball('tennis-rally-drive-starting');
    for (const { setup: found } of bestPlace(setup, bramble, drive, { allows: (each) => isProposable(each, bramble) })) {
      const codes = hazardsOfSetup(found, arrange(found, bramble)).map(({ code }) => code);
      for (const code of ['unkind', 'in-front', 'fence', 'unsafe', 'not-judged'] as const) expect(codes).not.toContain(code);
    }
    expect(closestToGame(setup, bramble, drive, () => false)).toBeNull();
  });
  test('the same ball fits 100; each figure that is off takes from it', () => {
    const { arrival } = arrange(tennis(), bramble).thrown!;
    expect(fitOf(arrival!, arrival!)).toBe(100);
    for (const figure of FIT_FIGURES) expect(fitOf({ ...arrival!, [figure]: arrival![figure] * 1.3 + 0.1 }, arrival!)).toBeLessThan(100);
  });
  test('the best place is the best of all, and at least as good as where it stands', () => {
    const setup = { ...tennis(), from: { x: 0.6, y: 2, z: 0.6 } };
    const drive = ball('tennis-rally-drive-building');
    const shares: number[] = [];
    const places = bestPlace(setup, bramble, drive, { onProgress: (share) => shares.push(share) });
    expect(places[0]!.fit).toBeGreaterThanOrEqual(closestToGame(setup, bramble, drive)!.fit);
    expect(places.map(({ fit }) => fit)).toEqual(places.map(({ fit }) => fit).sort((a, b) => b - a));
    expect(shares.at(-1)).toBe(1);
  });
  test('a game ball of the coach’s own counts instead of the book’s', () => {
    const own = { ...ball('tennis-lob-building'), id: 'own' };
    expect(arrange(tennis(), bramble, own).game!.ball.id).toBe('own');
    expect(arrange(tennis({ gameBallId: 'gone' }), bramble).game).toBeNull();
  });
});

describe('air', () => {
  const { launch } = arrange(tennis(), bramble).thrown!;
  test('hot and high carries farther, a wind in its face shortens it, a wind across drifts it', () => {
    const weather = tennis().weather;
    const high = airEffect(tennis({ weather: { ...weather, temperatureC: 35, altitudeM: 2000 } }), launch)!;
    expect(high.fartherM).toBeGreaterThan(0.2);
    expect(high.densityKgM3).toBeLessThan(high.usualDensityKgM3);
    const usual = { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5, windXMps: 0, windYMps: 0 };
    expect(airEffect(tennis({ weather: usual }), launch)!.fartherM).toBeCloseTo(0, 9);
    expect(airEffect(tennis({ weather: { ...usual, windYMps: 4 } }), launch)!.fartherM).toBeLessThan(-0.3);
    // the ball travels toward −y: +x is on its left
    expect(airEffect(tennis({ weather: { ...usual, windXMps: 4 } }), launch)!.rightM).toBeLessThan(-0.1);
  });
  test('a station pressure counts instead of the altitude', () => {
    const usual = { temperatureC: 20, altitudeM: 3000, relativeHumidity: 0.5, windXMps: 0, windYMps: 0, pressureHpa: 1013.25 };
    expect(airEffect(tennis({ weather: usual }), launch)!.fartherM).toBeCloseTo(0, 3);
  });
});

describe('hazards', () => {
  const flint = kind('Two-wheel pitching machine');
  const plate = (over: Partial<Setup> = {}): Setup => ({
    ...firstSetup({ id: ids.court, sport: 'baseball', surfaceId: 'baseball-turf' }, { id: ids.machine, profile: flint }, 'Starting', 0),
    ...over,
  });
  const found = (setup: Setup, machine: MachineProfile) =>
    hazardsOfSetup(setup, arrange(setup, machine), { widestBallM: machine.widestBallM });
  test('a sound feed has none', () => {
    expect(found(tennis({ hold: { elevationDeg: 26 }, player: { x: -1, y: -10 } }), bramble)).toEqual([]);
  });
  test.each<[string, Setup, MachineProfile, Hazard['code'], Hazard['weight']]>([
    ['a fast hard ball from near', plate({ from: { x: 0, y: 9, z: 1.35 }, hold: { speedMps: 33 } }), flint, 'unsafe', 'grave'],
    ['a player just in front of the muzzle', tennis({ player: { x: 0.65, y: 4.5 } }), bramble, 'in-front', 'grave'],
    [
      'a lob that flies over the fence',
      tennis({ target: { kind: 'landing', x: 1, y: -24 }, hold: { elevationDeg: 50 }, player: { x: 1, y: -26 } }),
      bramble,
      'fence',
      'grave',
    ],
    [
      'a low hall',
      tennis({
        hold: { elevationDeg: 26 },
        ceilingM: arrange(tennis({ hold: { elevationDeg: 26 } }), bramble).thrown!.flight.apex.z + 0.3,
      }),
      bramble,
      'near-ceiling',
      'note',
    ],
    ['an arc that touches the ceiling', tennis({ hold: { elevationDeg: 48 }, ceilingM: 3 }), bramble, 'ceiling', 'note'],
    ['a machine beyond 55 ft', plate({ from: { x: 0, y: 18, z: 1.35 } }), flint, 'too-far', 'grave'],
    ['a ball wider than the machine takes', tennis({ ballId: 'tennis-stage3-red', hold: { elevationDeg: 26 } }), bramble, 'jam', 'note'],
    ['a gale', tennis({ weather: { ...tennis().weather, windXMps: 9 } }), bramble, 'windy', 'note'],
  ])('%s', (_name, setup, machine, code, weight) => {
    expect(found(setup, machine)).toContainEqual(expect.objectContaining({ code, weight }));
  });
  test('one distance in front of the muzzle, whoever asks: 3 m for a soft ball, 25 ft for a hard one (common practice, no source)', () => {
    const at = (y: number) => {
      const setup = tennis({
        from: { x: 0, y: 6, z: 0.6 },
        target: { kind: 'landing', x: 0, y: -8 },
        player: { x: 0, y },
        hold: { elevationDeg: 26 },
      });
      const arrangement = arrange(setup, bramble);
      const rung = rungFromSetup(setup, arrangement, { name: 'R', focalPoint: '', ballsPerRound: 5, rounds: 1, gate: { hits: 3, of: 5 } })!;
      const judgement = judgeRung(rung, { sport: 'tennis', machine: bramble, gameBall: () => undefined });
      const has = (hazards: readonly Hazard[]) => hazards.some(({ code }) => code === 'in-front');
      return [has(hazardsOfSetup(setup, arrangement)), has(hazardsOfRung(rung, 'tennis', judgement))];
    };
    expect(at(6 - 2.9)).toEqual([true, true]);
    expect(at(6 - 3.1)).toEqual([false, false]);
  });
});

test('a basket with more drag takes more speed to the same spot, on the bench and as a rung', () => {
  const worn = tennis({ hold: { elevationDeg: 26 }, dragShare: 1.2 });
  const [fresh, old] = [arrange(tennis({ hold: { elevationDeg: 26 } }), bramble), arrange(worn, bramble)];
  expect(old.solution!.speedMps).toBeGreaterThan(fresh.solution!.speedMps * 1.01);
  const rung = rungFromSetup(worn, old, { name: 'Worn', focalPoint: '', ballsPerRound: 10, rounds: 1, gate: { hits: 5, of: 10 } })!;
  expect(rung.dragShare).toBe(1.2);
  expect(setupFromRung(rung, { sport: 'tennis' }).dragShare).toBe(1.2);
  const [touch] = throwBall(conditionsOf(rung), rung.feeds[0]!.launch, rung.player.start.y).flight.bounces;
  expect(worn.target.kind === 'landing' && Math.hypot(touch!.x - worn.target.x, touch!.y - worn.target.y)).toBeLessThan(0.01);
});

test('held net clearance and flight time reach the screen as what was asked', () => {
  const clear = arrange(tennis({ hold: { netClearanceM: 1.4 } }), bramble);
  expect(clear.solution!.netClearanceM).toBeCloseTo(1.4, 3);
  const timed = arrange(tennis({ hold: { flightTimeS: 1.25 } }), bramble);
  expect(timed.thrown!.flight.bounces[0]!.t).toBeCloseTo(1.25, 3);
});

describe('the meeting of ball and body', () => {
  const solved = (setup: Setup) => arrange(setup, bramble);
  test.each([
    ['elevation held', tennis()],
    ['speed held', tennis({ hold: { speedMps: 17 } })],
    ['at the net, before it bounces', tennis({ player: { x: 0.8, y: -3 } })],
  ])('%s: the ball comes to the height that was asked for, and where it lands follows', (_what, setup) => {
    for (const heightM of [0.7, 0.95]) {
      const next = setupToMeet(setup, bramble, solved(setup), heightM)!;
      const { thrown, solution } = solved(next);
      expect(thrown!.arrival!.heightM).toBeCloseTo(heightM, 2);
      expect(thrown!.arrival!.leg).toBe(solved(setup).thrown!.arrival!.leg);
      if ('elevationDeg' in setup.hold && 'elevationDeg' in next.hold)
        expect(solution!.elevationDeg).toBeCloseTo(next.hold.elevationDeg, 6);
    }
  });
  test('a height that no ball of the machine reaches changes nothing; a pitch has its zone instead', () => {
    expect(setupToMeet(tennis(), { ...bramble, speedMps: [5, 6] }, solved(tennis()), 1)).toBeNull();
    const baseball = firstSetup(
      { id: ids.court, sport: 'baseball', surfaceId: 'baseball-turf' },
      { id: ids.machine, profile: kind('Two-wheel pitching machine') },
      'Building',
      0,
    );
    expect(setupToMeet(baseball, kind('Two-wheel pitching machine'), arrange(baseball, kind('Two-wheel pitching machine')), 1)).toBeNull();
  });
  test('at the shins it is said so, and never calm', () => {
    const low = setupToMeet(tennis(), bramble, solved(tennis()), 0.33)!;
    const arrangement = solved(low);
    expect(arrangement.comfort).toMatchObject({ word: 'working', height: { word: 'unkind', part: 'shins' } });
    expect(hazardsOfSetup(low, arrangement).map(({ code }) => code)).toContain('unkind');
  });
});

describe('bands of the body (common practice, no source)', () => {
  test('a tenth outside is a caution, three tenths are unkind; they go by the height of the player', () => {
    expect(judgeContact('groundstroke', 'Building', 0.9).word).toBe('good');
    expect(judgeContact('groundstroke', 'Building', 0.6).word).toBe('off');
    expect(judgeContact('groundstroke', 'Building', 0.45)).toMatchObject({ word: 'unkind', part: 'knees' });
    expect(judgeContact('groundstroke', 'Building', 1.5).word).toBe('unkind');
    expect(judgeContact('groundstroke', 'Building', 0.6, 1.3).word).toBe('good');
    expect(contactBand('low-volley', 'Starting')).toBeNull();
  });
});
