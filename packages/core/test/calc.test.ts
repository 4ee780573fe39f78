import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { CALC_VERBS, calc, calcJsonSchemas, type Problem } from '../src/calc/index.ts';

/** The examples of the calc interface, as written there. */
const FLY = {
  ball: 'tennis-standard',
  air: { temperatureC: 20, altitudeM: 0, relativeHumidity: 0.5 },
  wind: { xMps: 0, yMps: 0 },
  surface: { restitution: 0.75, friction: 0.6, tangentialRestitution: 0 },
  launch: { x: 0, y: 11.9, z: 0.7, speedMps: 30, elevationDeg: 8, bearingDeg: 180, topspinRpm: 1500, sidespinRpm: 0, gyroRpm: 0 },
  planesY: [0, -11.885],
  maxBounces: 1,
};
const AIM = {
  ball: 'tennis-standard',
  air: FLY.air,
  wind: FLY.wind,
  surface: 'tennis-clay',
  from: { x: 0, y: 11.9, z: 0.7 },
  spin: { topspinRpm: 1500, sidespinRpm: 0, gyroRpm: 0 },
  target: { kind: 'landing', x: 1, y: -9 },
  hold: { elevationDeg: 12 },
  limits: { speedMps: [5, 40], elevationDeg: [0, 50] },
};
const { hold: _hold, ...FAMILY } = { ...AIM, count: 9 };
const { planesY: _planes, ...SPREAD_FLIGHT } = FLY;
const SPREAD = {
  ...SPREAD_FLIGHT,
  repeatability: { speedPct: 1.5, elevationDeg: 0.4, bearingDeg: 0.4, spinPct: 7 },
  gustMps: 0.5,
  target: { kind: 'rect', x: 0, y: -7.4, widthM: 2, depthM: 2 },
  samples: 1000,
  seed: 1,
};
const RATIO = { mode: 'ratio', machine: { speedMps: 32.187, distanceM: 13.41 }, game: { distanceM: 16.764 } };
const PACE = {
  mode: 'flight',
  ball: 'baseball',
  air: FLY.air,
  contact: { y: 0.43, z: 0.7 },
  game: { speedMps: 40.2, releaseM: 16.76, heightM: 1.8, topspinRpm: -2000 },
  machine: { releaseM: 13.4, heightM: 1.4, topspinRpm: -1500 },
};
const TOO_FAR = { ...PACE, game: { ...PACE.game, speedMps: 119, releaseM: 6 }, machine: { ...PACE.machine, releaseM: 60 } };
const INTERVAL = {
  level: 'Building',
  stroke: 'groundstroke',
  doubtBits: 0,
  intervalS: 4,
  balls: [{ flightS: 1.3, contact: { x: 0, y: -12 } }],
  recover: null,
  shadowSwings: 0,
};

const answer = (verb: string, document: unknown): Record<string, never> => {
  const result = calc(verb, document);
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.answer as Record<string, never>;
};
const problem = (verb: string, document: unknown): Problem => {
  const result = calc(verb, document);
  if (result.ok) throw new Error('was accepted');
  return result.problem;
};

describe('answers', () => {
  test('gate: a verdict with its reason in words, and how little ten balls say', () => {
    const reason = (approach: string, hits: number, part: object = {}) => answer('gate', { approach, hits, balls: 10, ...part }).reason;
    expect(reason('earn-it', 7, { need: { hits: 7, of: 10 } })).toBe('7 of 10: somewhere between 40 % and 89 %. 7 of 10 is met.');
    expect(reason('in-a-row', 9, { need: { streak: 5 }, longestRun: 4 })).toContain('the rung asks for 5 in a row: again.');
    expect(reason('coachs-eye', 10)).toContain('coach’s call');
    expect(
      [reason('sweet-spot', 9), reason('sweet-spot', 2), reason('sweet-spot', 5)].map((each) => /That is (.*?)[:.]/.exec(each!)![1]),
    ).toEqual(['too easy to learn from', 'too hard to learn from', 'where one learns']);
    expect(answer('gate', { approach: 'coachs-eye', hits: 0, balls: 0 }).reason).toBe('No ball has counted yet.');
  });
  test('fly: one bounce more than allowed, without its “out” figures; crossings in order of time', () => {
    const out = answer('fly', FLY) as unknown as {
      bounces: Record<string, unknown>[];
      crossings: { planeY: number; leg: number; t: number }[];
      airDensityKgM3: number;
    };
    expect(out.airDensityKgM3).toBeCloseTo(1.199, 3);
    expect(out.bounces).toHaveLength(2);
    expect(out.bounces[0]).toHaveProperty('spinOutRpm');
    expect(out.bounces[1]).not.toHaveProperty('spinOutRpm');
    expect(out.crossings.map(({ planeY, leg }) => [planeY, leg])).toEqual([
      [0, 0],
      [-11.885, 1],
    ]);
  });
  test('an answer to an aim, flown, gives the landing spot', () => {
    const { solutions } = answer('aim', AIM) as unknown as { solutions: Record<string, number>[] };
    const { speedMps, elevationDeg, bearingDeg } = solutions[0]!;
    const flown = answer('fly', {
      ...FLY,
      surface: 'tennis-clay',
      launch: { ...FLY.launch, speedMps, elevationDeg, bearingDeg },
    }) as unknown as { bounces: { x: number; y: number }[] };
    expect(Math.hypot(flown.bounces[0]!.x - 1, flown.bounces[0]!.y + 9)).toBeLessThan(0.001);
  });
  test('an impossible question is answered with no solutions and a reason', () => {
    const out = answer('aim', { ...AIM, hold: { elevationDeg: 60 } }) as unknown as { solutions: unknown[]; reason: { code: string } };
    expect(out.solutions).toEqual([]);
    expect(out.reason.code).toBe('elevation-too-high');
  });
  test('interval: available and needed time of one repeating ball', () => {
    const out = answer('interval', INTERVAL) as unknown as { balls: Record<string, number>[] } & Record<string, unknown>;
    // met after 1.3 s, 0.5 s to follow through, 0.25 s to split; a third of 0.3 s to see and 0.58 s to prepare
    expect(out.balls[0]).toMatchObject({ availableS: 1.3, word: 'calm' });
    expect(out.balls[0]!.spareS).toBeCloseTo(4 - 2.05, 9);
    expect(out.balls[0]!.needS).toBeCloseTo(0.68, 9);
    expect(out.balls[0]!.ratio).toBeCloseTo(1.3 / 0.68, 9);
    expect(out).toMatchObject({ word: 'calm', shortestWorkingS: 2.05, shortestCalmS: 2.75 });
  });
  test('family: the number of arcs asked for, highest and slowest first, each of them an answer of aim', () => {
    const { arcs } = answer('family', FAMILY) as unknown as { arcs: Record<string, number>[] };
    expect(arcs).toHaveLength(9);
    expect(arcs.map(({ elevationDeg }) => elevationDeg)).toEqual(arcs.map(({ elevationDeg }) => elevationDeg!).sort((a, b) => b - a));
    expect(arcs.map(({ speedMps }) => speedMps)).toEqual(arcs.map(({ speedMps }) => speedMps!).sort((a, b) => a - b));
    for (const arc of arcs) {
      const { solutions } = answer('aim', { ...AIM, hold: { elevationDeg: arc.elevationDeg } }) as unknown as {
        solutions: Record<string, number>[];
      };
      expect(solutions[0]!.speedMps).toBeCloseTo(arc.speedMps!, 3);
      expect(solutions[0]!.netClearanceM).toBeCloseTo(arc.netClearanceM!, 3);
    }
  });
  test('family: the part that hits the net is blocked with its reason; without limits it ends at the slowest arc', () => {
    const low = { ...FAMILY, from: { x: 0, y: 5, z: 0.5 }, target: { kind: 'landing', x: 0, y: -6 }, limits: {} };
    const { arcs, blocked } = answer('family', low) as unknown as {
      arcs: { speedMps: number }[];
      blocked: { code: string; elevationDeg: number[] }[];
    };
    expect(blocked.map(({ code }) => code)).toContain('net');
    expect(arcs[0]!.speedMps).toBe(Math.min(...arcs.map(({ speedMps }) => speedMps)));
  });
  test('family: out of reach is an answer without arcs', () => {
    const { arcs, blocked } = answer('family', { ...FAMILY, limits: { speedMps: [1, 5] } }) as unknown as {
      arcs: [];
      blocked: { code: string }[];
    };
    expect(arcs).toEqual([]);
    expect(blocked[0]!.code).toBe('speed-too-high');
  });
  test('spread: shares of 1, the linear answer near the counted one', () => {
    const out = answer('spread', SPREAD) as unknown as {
      chance: Record<string, number>;
      mean: { y: number };
      linear: { mean: { y: number }; chanceInTarget: number };
    };
    expect(out.linear.chanceInTarget).toBeCloseTo(out.chance.inTarget!, 1);
    expect(out.linear.mean.y).toBeCloseTo(out.mean.y, 0);
  });
  test('pace: the document comes back with the unknown filled in, and what the ratio would have said', () => {
    const ratio = answer('pace', RATIO) as unknown as { game: { speedMps: number; distanceM: number }; timeS: number };
    expect(ratio.game.speedMps).toBeCloseTo((32.187 * 16.764) / 13.41, 9);
    const flight = answer('pace', PACE) as unknown as {
      machine: { speedMps: number; timeS: number };
      game: { timeS: number };
      ratioAnswer: number;
    };
    expect(flight.machine.timeS).toBe(flight.game.timeS);
    expect(flight.ratioAnswer).toBeCloseTo((40.2 * 13.4) / 16.76, 9);
    expect(flight.machine.speedMps).toBeLessThan(flight.ratioAnswer);
    expect(answer('pace', TOO_FAR)).toMatchObject({ reason: { code: 'out-of-reach' } });
  });
  test('pitch: the bands’ game times, and who must not be thrown it', () => {
    // game times of the design notes, common practice, no source: 8U 0.72 s, 9–10 0.60, 11–12 0.50 and 0.55, high school 0.48, college 0.43, professional 0.40
    const game = (band: string, rubberFt?: number) =>
      (answer('pitch', { sport: 'baseball', band, timeToPlateS: 0.5, hard: true, rubberFt }) as unknown as { gameTimeS: number }).gameTimeS;
    expect(game('8-and-under')).toBeCloseTo(0.72, 1);
    expect(game('11-12')).toBeCloseTo(0.5, 1);
    expect(game('11-12', 50) - game('11-12', 46)).toBeCloseTo(0.05, 1);
    expect(game('professional')).toBeCloseTo(0.4, 1);
    for (const band of ['8-and-under', '9-10', '11-12', '13-14', 'high-school'])
      expect(answer('pitch', { sport: 'baseball', band, timeToPlateS: 0.34, hard: true }), band).toMatchObject({
        word: 'too quick',
        unsafe: true,
      });
    expect(answer('pitch', { sport: 'baseball', band: '11-12', timeToPlateS: 0.34, hard: false })).toMatchObject({ unsafe: false });
    expect(answer('pitch', { sport: 'softball', band: '11-12', timeToPlateS: 0.6, hard: true })).toMatchObject({ word: 'calm' });
  });
  test('target: the sizes a coach would put down', () => {
    // design notes, common practice, no source: 20 m Competing 2.3 × 3.3, Advanced 1.5 × 2.3; 12 m Building 2.0 × 2.8, Competing 1.4 × 2.0
    const size = (level: string, distanceM: number) =>
      answer('target', { level, distanceM }) as unknown as { widthM: number; depthM: number };
    for (const [level, distanceM, widthM, depthM] of [
      ['Competing', 20, 2.3, 3.3],
      ['Advanced', 20, 1.5, 2.3],
      ['Building', 12, 2.0, 2.8],
      ['Competing', 12, 1.4, 2.0],
    ] as const) {
      expect(Math.abs(size(level, distanceM).widthM - widthM), `${level} ${distanceM}`).toBeLessThan(0.06);
      expect(Math.abs(size(level, distanceM).depthM - depthM), `${level} ${distanceM}`).toBeLessThan(0.06);
    }
    const own = answer('target', { scatter: { sideDeg: 3.4, depthShare: 0.085 }, distanceM: 20, share: 0.45 });
    expect(own).toEqual(size('Competing', 20));
  });
  test('verdict: all rounds on the card count, not the last alone', () => {
    const verdict = (hits: number[]) =>
      answer('verdict', { approach: 'sweet-spot', need: { hits: 8, of: 10 }, rounds: hits.map((each) => ({ hits: each, balls: 10 })) });
    expect(verdict([8, 7])).toMatchObject({ verdict: 'climb' });
    expect(verdict([8, 3, 4])).toMatchObject({ verdict: 'stay' });
    expect(verdict([2])).toMatchObject({ verdict: 'stay', code: 'one-round' });
    expect(verdict([2, 3])).toMatchObject({ verdict: 'loosen' });
    expect(answer('verdict', { approach: 'earn-it', need: null, rounds: [{ hits: 0, balls: 0 }] })).toMatchObject({ verdict: 'climb' });
  });
  test('every answer fits its own schema', () => {
    for (const [verb, document] of [
      ['fly', FLY],
      ['aim', AIM],
      ['interval', INTERVAL],
      ['family', FAMILY],
      ['spread', SPREAD],
      ['pace', RATIO],
      ['pace', PACE],
      ['pace', TOO_FAR],
      ['family', { ...FAMILY, limits: { speedMps: [1, 5] } }],
      ['pitch', { sport: 'softball', band: 'college', timeToPlateS: 0.4, hard: true }],
      ['target', { level: 'Building', distanceM: 12 }],
      ['verdict', { approach: 'in-a-row', need: { streak: 5 }, rounds: [{ hits: 6, balls: 10, longestRun: 5 }] }],
    ] as const) {
      expect(CALC_VERBS[verb]!.output.safeParse(answer(verb, document)).success, verb).toBe(true);
    }
  });
});

describe('bad input names the field, what was wrong and what would be right', () => {
  test.each<[string, string, unknown, string, RegExp]>([
    ['unknown key', 'fly', { ...FLY, windy: 1 }, '/windy', /not known/],
    ['unknown key inside', 'fly', { ...FLY, launch: { ...FLY.launch, speedMph: 3 } }, '/launch/speedMph', /not known/],
    ['wrong type', 'fly', { ...FLY, launch: { ...FLY.launch, speedMps: '30' } }, '/launch/speedMps', /number/],
    ['missing', 'aim', { ...AIM, from: { x: 0, y: 1 } }, '/from/z', /number/],
    ['no such ball', 'fly', { ...FLY, ball: 'golf' }, '/ball', /tennis-standard/],
    ['in the ground', 'fly', { ...FLY, launch: { ...FLY.launch, z: 0 } }, '/launch/z', /radius/],
    ['two holds', 'aim', { ...AIM, hold: { speedMps: 20, elevationDeg: 10 } }, '/hold', /exactly one/],
    ['limits the wrong way round', 'aim', { ...AIM, limits: { speedMps: [40, 5] } }, '/limits/speedMps', /lower limit/],
    ['on the same spot', 'aim', { ...AIM, target: { kind: 'landing', x: 0, y: 11.9 } }, '/target', /5 cm/],
    ['altitude and pressure', 'fly', { ...FLY, air: { ...FLY.air, pressureHpa: 1000 } }, '/air/pressureHpa', /not both/],
    ['nothing to solve', 'pace', { ...RATIO, game: { speedMps: 30, distanceM: 16 } }, '/machine/speedMps', /left out/],
    ['two to solve', 'pace', { ...RATIO, game: {} }, '/game/distanceM', /left out/],
    ['one sample', 'spread', { ...SPREAD, samples: 1 }, '/samples', /2/],
    ['no arcs', 'family', { ...FAMILY, count: 0 }, '/count', /1/],
    ['no balls', 'interval', { ...INTERVAL, balls: [] }, '/balls', /1/],
    ['not an object', 'fly', 7, '', /object/],
    ['no such band', 'pitch', { sport: 'baseball', band: 'adult', timeToPlateS: 0.4, hard: true }, '/band', /college/],
    ['not that field', 'pitch', { sport: 'baseball', band: '9-10', timeToPlateS: 0.4, hard: true, rubberFt: 60.5 }, '/rubberFt', /46 ft/],
    ['neither level nor scatter', 'target', { distanceM: 12 }, '/level', /level or scatter/],
    [
      'a streak without runs',
      'verdict',
      { approach: 'in-a-row', need: { streak: 3 }, rounds: [{ hits: 3, balls: 5 }] },
      '/rounds',
      /longest run/,
    ],
    ['no such verb', 'bend', {}, '', /fly, aim, family, spread, pace, interval/],
  ])('%s', (_name, verb, document, pointer, detail) => {
    const { errors, status } = problem(verb, document);
    expect(status).toBe(400);
    expect(errors.map((each) => each.pointer)).toContain(pointer);
    expect(errors.map((each) => each.detail).join(' ')).toMatch(detail);
  });
});

test('the JSON Schemas in docs/schema are those of the code (./arc schemas writes them)', () => {
  for (const [name, schema] of Object.entries(calcJsonSchemas())) {
    expect(JSON.parse(readFileSync(new URL(`../../../docs/schema/${name}`, import.meta.url), 'utf8')), name).toEqual(
      JSON.parse(JSON.stringify(schema)),
    );
  }
});
