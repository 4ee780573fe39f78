import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type AimQuestion,
  aim,
  aimMachine,
  arrange,
  ballById,
  battedBall,
  diamondOf,
  fieldingSetup,
  firstSetup,
  fly,
  ftToM,
  GAME_BOOK,
  gameBallLabel,
  gameLaunch,
  hitterEye,
  MACHINE_KINDS,
  type MachineProfile,
  machineProfileSchema,
  mphToMps,
  ownGameBallSchema,
  planOf,
  possibleArcs,
  questionFor,
  SPORT_RECORDS,
  setupSchema,
  spinAt,
  spinFor,
  strikeZone,
  surfaceById,
} from '../src/index.ts';

const diamond = diamondOf('baseball')!;
const kind = (name: string): MachineProfile => MACHINE_KINDS.find((each) => each.kind === name)!;
const ids = { court: '0190f3a0-0000-7000-8000-000000000001', machine: '0190f3a0-0000-7000-8000-000000000002' };
const ball = ballById('tennis-standard');
const conditions = { ball, airDensityKgM3: 1.2, wind: { xMps: 0, yMps: 0 }, ground: surfaceById('tennis-clay') };
const place = {
  conditions,
  from: { x: 0, y: 7, z: 0.6 },
  target: { kind: 'landing', x: 0.5, y: -8 } as const,
  net: SPORT_RECORDS.tennis.court.net,
};
const none = { topspinRpm: 0, sidespinRpm: 0 };

describe('profiles', () => {
  test.each(MACHINE_KINDS.map((profile) => [profile.kind, profile] as const))(
    '%s is a valid record; its steps lie inside its limits',
    (_name, profile) => {
      expect(machineProfileSchema.safeParse(profile).success).toBe(true);
      for (const step of profile.speedSteps ?? []) {
        expect(step).toBeGreaterThanOrEqual(profile.speedMps[0] - 1e-9);
        expect(step).toBeLessThanOrEqual(profile.speedMps[1] + 1e-9);
      }
      for (const step of profile.elevationSteps ?? []) {
        expect(step).toBeGreaterThanOrEqual(profile.elevationDeg[0]);
        expect(step).toBeLessThanOrEqual(profile.elevationDeg[1]);
      }
    },
  );
  test('no machine gives more spin than it can, and one that cannot choose gives its own', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MACHINE_KINDS),
        fc.double({ min: -9000, max: 9000, noNaN: true }),
        fc.double({ min: -9000, max: 9000, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        ({ spin }, topspinRpm, sidespinRpm, mps) => {
          const given = spinFor(spin, { topspinRpm, sidespinRpm }, mps);
          if (spin.kind === 'tied') expect(given).toEqual({ topspinRpm: spin.rpmPerMps * mps, sidespinRpm: 0, gyroRpm: 0 });
          else if (spin.kind === 'none') expect(given).toEqual({ topspinRpm: spin.topspinRpm, sidespinRpm: 0, gyroRpm: 0 });
          else {
            expect(Math.abs(given.topspinRpm)).toBeLessThanOrEqual(spin.maxRpm);
            expect(Math.abs(given.sidespinRpm)).toBeLessThanOrEqual(spin.kind === 'any' ? spin.maxRpm : 0);
          }
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });
});

describe('what a machine throws stays within what it can', () => {
  test.each(MACHINE_KINDS.filter(({ sports }) => sports.includes('tennis')).map((profile) => [profile.kind, profile] as const))(
    '%s, forty spots: solutions inside the limits and on the steps, and otherwise a reason',
    (_name, profile) => {
      let thrown = 0;
      fc.assert(
        fc.property(
          fc.integer({ min: -30, max: 30 }),
          fc.integer({ min: 40, max: 110 }),
          fc.integer({ min: 0, max: 100 }),
          (decimetresX, decimetresY, percent) => {
            const [x, y, share] = [decimetresX / 10, -decimetresY / 10, percent / 100];
            const {
              elevationDeg: [lo, hi],
            } = profile;
            const question = { ...place, target: { kind: 'landing', x, y } as const };
            const { solutions, reason, spin } = aimMachine(profile, question, none, { elevationDeg: lo + share * (hi - lo) });
            if (solutions.length === 0) {
              expect(reason!.code).toBeTruthy();
              return;
            }
            thrown++;
            for (const solution of solutions) {
              expect(solution.speedMps).toBeGreaterThanOrEqual(profile.speedMps[0] - 1e-3);
              expect(solution.speedMps).toBeLessThanOrEqual(profile.speedMps[1] + 1e-3);
              const [spot] = fly(conditions, { ...question.from, ...spin, ...solution }, { maxBounces: 0 }).bounces;
              expect(Math.hypot(spot!.x - x, spot!.y - y)).toBeLessThan(0.002);
            }
          },
        ),
        { seed: 5, numRuns: 40 },
      );
      // a tosser across the net throws nothing at all; the others most of them
      if (profile.speedMps[1] > mphToMps(30)) expect(thrown).toBeGreaterThan(5);
    },
  );
});

test('what is offered as nearest can be taken: a tosser that throws to it throws it', () => {
  const tosser = kind('Pocket tosser');
  for (const elevationDeg of [24, 33, 52]) {
    const near = { ...place, from: { x: 0.4, y: -1.2, z: 0.35 }, target: { kind: 'landing', x: 0, y: -4 } as const };
    const { nearest } = aimMachine(tosser, near, none, { elevationDeg }).reason!;
    const there = { ...near, target: { kind: 'landing', x: nearest!.x, y: nearest!.y } as const };
    const { solutions } = aimMachine(tosser, there, none, { elevationDeg: nearest!.elevationDeg });
    expect(solutions[0]!.speedMps).toBeCloseTo(mphToMps(15), 2);
  }
});

describe('the arcs that can be thrown', () => {
  const asked: AimQuestion = questionFor(kind('Two-wheel portable'), place, { topspinRpm: 800, sidespinRpm: 0 });
  test.each([1, 2, 7, 40])('exactly %i of them, from the highest to the flattest, each an arc that aim finds too', (count) => {
    const { arcs } = possibleArcs(asked, count);
    expect(arcs).toHaveLength(count);
    arcs.forEach((arc, i) => {
      if (i > 0) expect(arc.elevationDeg).toBeLessThan(arcs[i - 1]!.elevationDeg);
      const [solution] = aim(asked, { elevationDeg: arc.elevationDeg }).solutions;
      expect(solution!.speedMps).toBeCloseTo(arc.speedMps, 3);
      const flown = fly(conditions, { ...asked.from, ...spinAt(asked, arc.speedMps), ...arc }, { maxBounces: 0 });
      expect(flown.apex.z).toBeCloseTo(arc.apexM, 2);
    });
  });
  test('slower means higher, down to the slowest arc', () => {
    const { arcs } = possibleArcs({ ...asked, limits: { speedMps: [1, 75], elevationDeg: [-30, 85] } }, 12);
    const speeds = arcs.map(({ speedMps }) => speedMps);
    expect(speeds).toEqual([...speeds].sort((a, b) => a - b));
  });
  test('limits that leave only the lobs beyond the slowest arc give those', () => {
    const { arcs } = possibleArcs({ ...asked, limits: { speedMps: [1, 75], elevationDeg: [58, 80] } }, 5);
    expect(arcs).toHaveLength(5);
    // above the slowest arc the higher ones are the faster ones
    expect(arcs[0]!.elevationDeg).toBeCloseTo(58, 1);
    expect(arcs.at(-1)!.elevationDeg).toBeCloseTo(80, 1);
  });
  test('with the limits all below reach there are none, and the stretch says why', () => {
    const { arcs, blocked } = possibleArcs({ ...asked, limits: { speedMps: [1, 6], elevationDeg: [0, 50] } }, 9);
    expect(arcs).toEqual([]);
    expect(new Set(blocked.map(({ code }) => code))).toEqual(new Set(['speed-too-high']));
    for (const { elevationDeg } of blocked) expect(elevationDeg[1]).toBeGreaterThanOrEqual(elevationDeg[0]);
  });
});

describe('a game ball of one’s own', () => {
  const shaped = {
    kind: 'shaped',
    sport: 'tennis',
    level: 'Building',
    from: { y: 11.5, z: 1 },
    topspinRpm: 1800,
    landsPastM: 8,
    clearsByM: 2,
  };
  const pitch = {
    kind: 'pitch',
    sport: 'baseball',
    level: 'Building',
    band: 'own',
    releaseFt: 44,
    speedMph: 50,
    topspinRpm: -1500,
    sidespinRpm: 200,
    gyroRpm: 0,
  };
  test('is flown as an entry of the book is: over the net by so much, down at so deep', () => {
    const own = { ...ownGameBallSchema.parse(shaped), id: 'own', name: 'Loop' };
    const solved = gameLaunch(own, conditions)!;
    const flight = fly(conditions, solved.launch, { planesY: [0], maxBounces: 0 });
    expect(flight.bounces[0]!.y).toBeCloseTo(-8, 3);
    expect(flight.crossings[0]!.z - 0.033 - ftToM(3)).toBeCloseTo(2, 3);
    expect(gameBallLabel(own)).toBe('Loop, Building');
    const thrown = gameLaunch(
      { ...ownGameBallSchema.parse(pitch), id: 'own', name: 'Lefty' },
      { ...conditions, ball: ballById('baseball') },
    )!;
    expect(thrown.launch.speedMps).toBeCloseTo(mphToMps(50), 6);
  });
  test.each<[string, Record<string, unknown>]>([
    ['through the net', { ...shaped, clearsByM: -0.2 }],
    ['out of another sport', { ...shaped, sport: 'baseball' }],
    ['a pitch from the outfield', { ...pitch, releaseFt: 200 }],
    ['without a speed', { ...pitch, speedMph: undefined }],
    ['with a field too many', { ...shaped, speedMph: 40 }],
  ])('%s is refused', (_name, document) => {
    expect(ownGameBallSchema.safeParse(document).success).toBe(false);
  });
  test('every entry of the book would pass as one’s own, but for serves', () => {
    for (const { id: _id, name: _name, ...entry } of GAME_BOOK) {
      if (entry.kind === 'serve') continue;
      // marks of the book, not figures
      const marks = new Set(['checkMph', 'soft', 'metAtNet', 'confidence']);
      const rest = Object.fromEntries(Object.entries(entry).filter(([key]) => !marks.has(key)));
      expect(ownGameBallSchema.safeParse(rest).success).toBe(true);
    }
  });
});

describe('balls to the fielders', () => {
  const machines = MACHINE_KINDS.filter(({ sports }) => sports.includes('baseball'));
  const cases = machines.flatMap((profile) => diamond.fieldingBalls.map((each) => [profile.kind, each.name, profile, each] as const));
  test.each(cases)('%s, %s: a valid set-up, thrown or with its reason, on the plan of the field', (_kind, _name, profile, each) => {
    const pitch = firstSetup(
      { id: ids.court, sport: 'baseball', surfaceId: 'baseball-grass' },
      { id: ids.machine, profile },
      'Building',
      0,
    );
    const setup = fieldingSetup(pitch, profile, each);
    expect(setupSchema.safeParse(setup).success).toBe(true);
    expect(planOf(setup)).toBe(diamond.field);
    expect(planOf(pitch)).toBe(SPORT_RECORDS.baseball.court);
    const { thrown, reason } = arrange(setup, profile, null);
    if (!thrown) expect(reason).not.toBeNull();
    else if (profile.elevationDeg[1] >= each.elevationDeg && profile.elevationDeg[0] <= each.elevationDeg)
      expect(battedBall(thrown.launch.elevationDeg).toLowerCase()).toBe(each.name.toLowerCase());
  });
  test('the nine stand on the field: infielders near their bases, outfielders beyond', () => {
    expect(diamond.positions).toHaveLength(9);
    const at = (short: string) => diamond.positions.find((each) => each.short === short)!;
    expect(Math.hypot(at('1B').x, at('1B').y)).toBeGreaterThan(ftToM(90));
    expect(at('3B').x).toBeCloseTo(-at('1B').x, 9);
    expect(at('CF').y).toBeGreaterThan(at('SS').y);
    for (const { x, y } of diamond.positions) {
      expect(Math.abs(x)).toBeLessThan(diamond.field.view.x2);
      expect(y).toBeLessThan(diamond.field.view.y2);
    }
  });
});

test('strike zone: 53.5 and 27 % of the height (the automated-zone proportion; quoted from memory); the eye is above it', () => {
  expect(strikeZone(1.8)).toEqual({ bottomM: 0.27 * 1.8, topM: 0.535 * 1.8 });
  expect(hitterEye(1.8, -0.75).z).toBeGreaterThan(strikeZone(1.8).topM);
});
