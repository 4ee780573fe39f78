import { describe, expect, test } from 'vitest';
import { calc } from '../src/calc/index.ts';
import {
  BALLS,
  fly,
  MEETINGS,
  type MeetHold,
  type MeetQuestion,
  type MeetSolution,
  meetBall,
  netBetween,
  seededRandom,
  spinAt,
  WIDEST_LIMITS,
} from '../src/index.ts';
import { randomFlight } from './support/random.ts';

/** A random player in front of a random machine, and how the ball is to come. */
function randomMeeting(ball: (typeof BALLS)[number], random: () => number): MeetQuestion {
  const { conditions, launch } = randomFlight(ball, random);
  const { x, y, z, topspinRpm, sidespinRpm, gyroRpm } = launch;
  const from = { x, y: Math.min(y, 11), z };
  const meet = { x: -3 + 6 * random(), y: -4 - 5 * random(), z: 0.3 + 0.9 * random(), on: MEETINGS[Math.floor(3 * random())]! };
  const spin = { topspinRpm: topspinRpm / 2, sidespinRpm: sidespinRpm / 2, gyroRpm };
  return { conditions, from, spin, meet, net: netBetween(ball.sport, from.y, meet.y), limits: WIDEST_LIMITS };
}

/** How far the re-flown ball passes the point, m, at the time that was told; and whether it rises. */
function passing({ conditions, from, spin, meet }: MeetQuestion, { speedMps, elevationDeg, bearingDeg, timeS }: MeetSolution) {
  const launch = { ...from, ...spinAt({ spin }, speedMps), speedMps, elevationDeg, bearingDeg };
  const leg = meet.on === 'volley' ? 0 : 1;
  const { crossings, bounces } = fly(conditions, launch, { planesY: [meet.y], maxBounces: 1 });
  // a light ball may be blown back through a plane
  const off = ({ x, z }: { x: number; z: number }): number => Math.hypot(x - meet.x, z - meet.z);
  const [at] = crossings.filter((crossing) => crossing.leg === leg).sort((a, b) => off(a) - off(b));
  // a steep ball passes a plane much higher for a hair more of depth: across its path counts
  const steep = at ? Math.cos((at.descentDeg * Math.PI) / 180) : 1;
  return at ? { missM: Math.hypot(at.x - meet.x, (at.z - meet.z) * steep), lateS: at.t - timeS, descentDeg: at.descentDeg, bounces } : null;
}

describe('a re-flown ball passes the point of the body', () => {
  test.each(BALLS.filter(({ sport }) => sport !== 'softball').map((ball, i) => [ball.id, ball, i] as const))(
    '%s: within 2 mm, at its time, on the way that was asked for',
    (_id, ball, i) => {
      let solved = 0;
      for (let n = 0; n < 5; n++) {
        const random = seededRandom(900 * i + n);
        const question = randomMeeting(ball, random);
        const holds: MeetHold[] = [{ speedMps: 9 + 14 * random() }, { elevationDeg: 5 + 40 * random() }, { timeS: 0.7 + random() }];
        for (const hold of holds) {
          const { solutions, reason } = meetBall(question, hold);
          expect(reason === null).toBe(solutions.length > 0);
          for (const solution of solutions) {
            const passed = passing(question, solution)!;
            expect(passed.missM).toBeLessThan(0.002);
            expect(Math.abs(passed.lateS)).toBeLessThan(1e-3);
            if ('timeS' in hold) expect(solution.timeS).toBeCloseTo(hold.timeS, 3);
            if (question.meet.on === 'rise') expect(passed.descentDeg).toBeLessThan(0.01);
            if (question.meet.on === 'fall') expect(passed.descentDeg).toBeGreaterThan(-0.01);
            if (solution.netClearanceM !== null) expect(solution.netClearanceM).toBeGreaterThanOrEqual(0);
            if (solution.topAfterBounceM !== null) expect(solution.topAfterBounceM).toBeGreaterThanOrEqual(question.meet.z - 1e-3);
            solved++;
          }
        }
      }
      expect(solved).toBeGreaterThan(5);
    },
  );
});

const MEET = {
  ball: 'tennis-standard',
  air: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 },
  surface: { restitution: 0.75, friction: 0.6 },
  from: { x: 0.5, y: 6.6, z: 0.6 },
  meet: { x: 0.8, y: -12, z: 0.9, on: 'fall' },
};
const ask = (document: object): { solutions: MeetSolution[]; reason: { code: string; text: string } | null } => {
  const result = calc('meet', document);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.answer as ReturnType<typeof ask>;
};

describe('calc meet', () => {
  test('without anything held: as many as asked for, from the slowest to the fastest', () => {
    const { solutions, reason } = ask({ ...MEET, count: 9 });
    expect(reason).toBeNull();
    expect(solutions).toHaveLength(9);
    solutions.slice(1).forEach(({ speedMps, timeS }, i) => {
      expect(speedMps).toBeGreaterThan(solutions[i]!.speedMps);
      expect(timeS).toBeLessThan(solutions[i]!.timeS);
    });
    for (const { landing } of solutions) expect(landing!.y).toBeLessThan(0);
  });

  test('a half volley is met a little after it landed, the same height on the fall long after', () => {
    const at = (on: string) => ask({ ...MEET, meet: { ...MEET.meet, z: 0.3, on }, hold: { elevationDeg: 15 } }).solutions[0]!;
    expect(at('rise').landing!.y - -12).toBeLessThan(1);
    expect(at('fall').landing!.y - -12).toBeGreaterThan(4);
    expect(at('rise').speedMps).toBeGreaterThan(at('fall').speedMps);
  });

  test('what cannot be is an answer with its reason', () => {
    expect(ask({ ...MEET, hold: { speedMps: 4 } })).toMatchObject({ solutions: [], reason: { code: 'out-of-reach' } });
    expect(ask({ ...MEET, hold: { elevationDeg: 20 }, limits: { speedMps: [3, 8] } })).toMatchObject({
      reason: { code: 'speed-too-high' },
    });
    expect(ask({ ...MEET, hold: null, limits: { elevationDeg: [-20, -10] } }).solutions).toEqual([]);
  });

  test.each([
    ['in the ground', { meet: { ...MEET.meet, z: 0 } }, '/meet/z'],
    ['at the machine', { meet: { ...MEET.meet, x: 0.5, y: 6.6 } }, '/meet'],
    ['beside the machine', { meet: { ...MEET.meet, y: 6.6, on: 'volley' } }, '/meet/y'],
    ['no such way', { meet: { ...MEET.meet, on: 'top' } }, '/meet/on'],
    ['two things held', { hold: { speedMps: 10, timeS: 1 } }, '/hold'],
  ])('%s is told at its field', (_what, over, pointer) => {
    const result = calc('meet', { ...MEET, ...over });
    if (result.ok) throw new Error('taken');
    expect(result.problem.errors.map((each) => each.pointer)).toContain(pointer);
  });
});
