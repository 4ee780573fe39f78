import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  APPROACHES,
  type BuildQuestion,
  buildLadder,
  COMFORTS,
  chanceOf,
  chanceToMeet,
  changesBetween,
  conditionsOf,
  DEMAND_PARTS,
  evenOut,
  firstShareFor,
  firstTargetFor,
  fly,
  ftToM,
  GAME_BOOK,
  LEVEL_NEEDS,
  LEVELS,
  minutesOf,
  mphToMps,
  netBetween,
  netHeightAt,
  normals,
  type RungDocument,
  rungSchema,
  SPORT_RECORDS,
  SPORTS,
  scatterAt,
  seededRandom,
  sizedTarget,
  stepBetween,
  targetFor,
} from '../src/index.ts';
import { buildQuestion, judgedWhole, judgeWith, kindOf, kindsFor } from './support/club.ts';

const ladderOf = (question: BuildQuestion): RungDocument[] => buildLadder(question).rungs;
const judge = (rung: RungDocument, question: BuildQuestion) => judgedWhole(rung, judgeWith(question));

/** Random ladders that are built: a few each time, 2,000 when asked for (`GOODARC_LADDERS=2000`, some minutes). */
const LADDERS = Number(process.env.GOODARC_LADDERS) || 24;

/** Any game ball of the book on any machine of its sport. */
const anyQuestion = fc
  .record({
    ball: fc.constantFrom(...GAME_BOOK),
    machine: fc.nat(20),
    approach: fc.constantFrom(...APPROACHES),
    wanted: fc.constantFrom('calm' as const, 'working' as const, 'rushed' as const),
    wing: fc.constantFrom('forehand' as const, 'backhand' as const),
    hand: fc.constantFrom('left' as const, 'right' as const),
    minutes: fc.integer({ min: 5, max: 90 }),
    hopperBalls: fc.integer({ min: 4, max: 200 }),
  })
  .map(({ ball, machine, ...part }) => {
    const kinds = kindsFor(ball.sport);
    return buildQuestion(ball.id, kinds[machine % kinds.length]!.kind, part);
  });

describe('a ladder to a game ball', () => {
  test('every rung: inside the machine’s limits, over the net, no worse in time than wanted, demand rising, a document that can be saved', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { speedMps, elevationDeg, intervalS } = question.machine.profile;
        let below = -1;
        for (const rung of ladderOf(question)) {
          expect(rungSchema.safeParse(rung).success).toBe(true);
          const { demand, comfort } = judge(rung, question);
          expect(COMFORTS.indexOf(comfort)).toBeLessThanOrEqual(COMFORTS.indexOf(question.wanted));
          expect(demand.total).toBeGreaterThan(below);
          below = demand.total;
          expect(rung.intervalS).toBeGreaterThanOrEqual(intervalS[0]);
          expect(rung.intervalS).toBeLessThanOrEqual(intervalS[1]);
          expect(rung.ballsPerRound).toBeLessThanOrEqual(question.hopperBalls);
          for (const { launch, target } of rung.feeds) {
            expect(launch.speedMps).toBeGreaterThanOrEqual(speedMps[0] - 1e-6);
            expect(launch.speedMps).toBeLessThanOrEqual(speedMps[1] + 1e-6);
            expect(launch.elevationDeg).toBeGreaterThanOrEqual(elevationDeg[0] - 1e-6);
            expect(launch.elevationDeg).toBeLessThanOrEqual(elevationDeg[1] + 1e-6);
            const targetY = target.kind === 'landing' ? target.y : target.planeY;
            const net = netBetween(question.sport, launch.y, targetY);
            if (!net) continue;
            const [crossing] = fly(conditionsOf(rung), launch, { planesY: [0], maxBounces: 0 }).crossings;
            expect(crossing!.z).toBeGreaterThan(netHeightAt(net, crossing!.x));
          }
        }
      }),
      { seed: 5, numRuns: LADDERS },
    ));
  test('it keeps the minutes asked for within a tenth in 95 of 100 questions, begins calm, and meets every ball where its level should', () => {
    const random = seededRandom(3);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
    let [asked, kept] = [0, 0];
    for (let i = 0; i < LADDERS + 20; i++) {
      const ball = pick(GAME_BOOK);
      const minutes = 10 + Math.floor(80 * random());
      const question = buildQuestion(ball.id, pick(kindsFor(ball.sport)).kind, { minutes, approach: pick(APPROACHES) });
      const { rungs, missing } = buildLadder(question);
      if (rungs.length === 0) {
        expect(missing.map(({ code }) => code)).toContain('no-arc');
        continue;
      }
      asked++;
      const total = rungs.reduce((sum, rung) => sum + minutesOf(rung), 0);
      expect(total).toBeLessThanOrEqual(minutes * 1.1);
      if (Math.abs(total / minutes - 1) <= 0.1) kept++;
      expect(judge(rungs[0]!, question).comfort).toBe('calm');
      for (const rung of rungs)
        for (const { height } of judge(rung, question).balls) expect(height?.word ?? 'good', `${ball.id} ${rung.name}`).toBe('good');
    }
    expect(asked).toBeGreaterThan(30);
    expect(kept / asked).toBeGreaterThanOrEqual(0.95);
  });
  test('the same question gives the same ladder', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        expect(buildLadder(question)).toEqual(buildLadder(structuredClone(question)));
      }),
      { seed: 8, numRuns: 8 },
    ));
  test.each(LEVELS)('%s: four to eight rungs, each changing one or two things, up to the rally drive', (level) => {
    const question = buildQuestion(`tennis-rally-drive-${level.toLowerCase()}`, 'Programmable court machine');
    const { rungs, reached, missing } = buildLadder(question);
    expect(rungs.length).toBeGreaterThanOrEqual(4);
    expect(rungs.length).toBeLessThanOrEqual(8);
    for (const [i, rung] of rungs.slice(1).entries()) {
      const changes = changesBetween(rungs[i]!, rung);
      expect(changes.length).toBeGreaterThanOrEqual(1);
      expect(changes.length).toBeLessThanOrEqual(2);
    }
    expect(reached).toBe(true);
    expect(missing).toEqual([]);
  });
  test('for a beginner it starts near the net, on the player’s own side; for an advanced player where the ball comes from (common practice, no source)', () => {
    const first = (level: string) => ladderOf(buildQuestion(`tennis-rally-drive-${level}`, 'Two-wheel portable'))[0]!.feeds[0]!.launch.y;
    expect(Math.abs(first('starting'))).toBeLessThan(2);
    expect(first('advanced')).toBeGreaterThan(11);
  });
  test('a machine that cannot reach the game ball stops at the nearest, and says what is missing and what would help', () => {
    const { reached, missing, help, rungs } = buildLadder(buildQuestion('tennis-rally-drive-advanced', 'Two-wheel portable'));
    expect(rungs.length).toBeGreaterThan(2);
    expect(reached).toBe(false);
    // two wheels have the right sign of spin, not the pace
    expect(missing.map(({ code }) => code)).toEqual(['time', 'speed']);
    expect(help.map(({ code }) => code)).toContain('faster');
    const slice = buildLadder(buildQuestion('tennis-slice-rally-competing', 'One-wheel portable'));
    expect(slice.missing.map(({ code }) => code)).toContain('spin');
    expect(slice.help.map(({ code }) => code)).toContain('more-spin');
    const tosser = buildLadder(buildQuestion('tennis-rally-drive-starting', 'Pocket tosser'));
    expect(tosser.missing.map(({ code }) => code)).toEqual(['no-arc']);
    expect(tosser.help.map(({ code }) => code)).toContain('closer');
  });
  test('a machine with pins takes them in order and skips none', () => {
    const { speedSteps } = kindOf('Lever-arm thrower');
    for (const { id } of GAME_BOOK.filter(({ kind, sport }) => kind === 'pitch' && sport === 'baseball')) {
      const { rungs } = buildLadder(buildQuestion(id, 'Lever-arm thrower', { minutes: 40 }));
      const pins = rungs.map(({ feeds }) => speedSteps!.findIndex((mps) => Math.abs(mps - feeds[0]!.launch.speedMps) < 0.1));
      expect(pins).not.toContain(-1);
      pins.slice(1).forEach((pin, i) => {
        expect(pin - pins[i]!, `${id}: pins ${pins.map((each) => each + 1).join(', ')}`).toBeGreaterThanOrEqual(0);
        expect(pin - pins[i]!).toBeLessThanOrEqual(1);
      });
    }
  });
  test('left-handed backhand is where a right-handed forehand is', () => {
    const spot = (hand: 'left' | 'right', wing: 'forehand' | 'backhand') =>
      ladderOf(buildQuestion('tennis-rally-drive-building', 'Two-wheel portable', { hand, wing }))[0]!.feeds[0]!.target;
    expect(spot('left', 'backhand')).toEqual(spot('right', 'forehand'));
    expect(spot('right', 'backhand').x).toBeCloseTo(-spot('right', 'forehand').x, 6);
  });
  test('a pitch comes closer when the machine is too slow, and then in the same time to the hitter', () => {
    const rungs = ladderOf(buildQuestion('baseball-fastball-college', 'Two-wheel pitching machine'));
    const top = rungs.find(({ name }) => name === 'Fastball')!;
    expect(top.feeds[0]!.launch.y).toBeLessThan(15);
    expect(judge(top, buildQuestion('baseball-fastball-college', 'Two-wheel pitching machine')).share!.timeS).toBeCloseTo(1, 1);
  });
  test('a machine that can do it stands where the game’s pitcher lets go: the ball is as quick as the game’s, not only as soon there', () => {
    // of 11 and 12 from a plate at 46 ft: let go at 42 ft (the field’s own table), 58 mph
    const rungs = ladderOf(buildQuestion('baseball-fastball-11-12', 'Two-wheel pitching machine'));
    const { launch } = rungs.find(({ name }) => name === 'Fastball')!.feeds[0]!;
    expect(launch.y).toBeCloseTo(ftToM(42), 2);
    expect(Math.abs(launch.speedMps / mphToMps(58) - 1)).toBeLessThan(0.03);
  });
});

describe('demand and steps', () => {
  const question = buildQuestion('tennis-rally-drive-competing', 'Programmable court machine');
  const rungs = ladderOf(question);
  const [easy, game] = [rungs[0]!, rungs.find(({ name }) => name === 'Rally drive')!];
  test('the parts add up, and none gives more than its most', () => {
    for (const rung of rungs) {
      const { total, parts } = judge(rung, question).demand;
      expect(Object.values(parts).reduce((sum, each) => sum + each, 0)).toBeCloseTo(total, 9);
      for (const [part, most] of Object.entries(DEMAND_PARTS)) {
        expect(parts[part as keyof typeof parts]).toBeGreaterThanOrEqual(0);
        expect(parts[part as keyof typeof parts]).toBeLessThanOrEqual(most);
      }
    }
  });
  test('less time, a smaller target, more doubt and more balls each make it harder', () => {
    const total = (part: Partial<RungDocument>): number => judge({ ...game, ...part }, question).demand.total;
    expect(total({ intervalS: game.intervalS * 0.6 })).toBeGreaterThan(total({}));
    expect(total({ targetSize: { widthM: 0.4, depthM: 0.4 } })).toBeGreaterThan(total({}));
    expect(total({ sweep: { kind: 'wide', halfDeg: 5 } })).toBeGreaterThan(total({}));
    expect(total({ rounds: game.rounds + 6 })).toBeGreaterThan(total({}));
  });
  test('too many changes at once is a gap, and so is a jump of more than 20; falling demand is a step down', () => {
    const at = (document: RungDocument, demand: number) => ({ document, demand });
    expect(stepBetween(at(easy, 20), at(easy, 41)).kind).toBe('gap');
    expect(stepBetween(at(easy, 20), at(easy, 39)).kind).toBe('step');
    expect(stepBetween(at(easy, 40), at(easy, 30)).kind).toBe('down');
    const all = { ...game, intervalS: easy.intervalS - 1, targetSize: { widthM: 0.5, depthM: 0.5 } };
    expect(stepBetween(at(easy, 20), at(all, 30))).toMatchObject({ kind: 'gap', changes: expect.arrayContaining(['interval', 'target']) });
  });
  test('a spin that follows the speed of one wheel is no change of its own', () => {
    const one = ladderOf(buildQuestion('tennis-rally-drive-building', 'One-wheel portable'));
    expect(changesBetween(one[0]!, one[1]!)).not.toContain('spin');
  });
  test('evening out fills a gap with rungs in between, and doing it again changes nothing', () => {
    const gapped = [easy, { ...game, intervalS: easy.intervalS - 0.5, targetSize: { widthM: 0.9, depthM: 0.7 } }];
    const once = evenOut(gapped, question, judgeWith(question));
    expect(once.length).toBeGreaterThan(2);
    expect(once[0]).toEqual(easy);
    expect(once.at(-1)).toEqual(gapped[1]);
    const demands = once.map((rung) => judge(rung, question).demand.total);
    expect(demands).toEqual([...demands].sort((a, b) => a - b));
    expect(evenOut(once, question, judgeWith(question))).toEqual(once);
  });
  test('evening out is idempotent whatever ladder it is given', () =>
    fc.assert(
      fc.property(anyQuestion, fc.double({ min: 0.5, max: 1.5, noNaN: true }), fc.nat(3), (asked, scale, skip) => {
        const built = ladderOf(asked);
        const torn = built.filter((_, i) => i % (skip + 1) === 0).map((rung, i) => ({ ...rung, intervalS: rung.intervalS + i * scale }));
        const once = evenOut(torn, asked, judgeWith(asked));
        expect(evenOut(once, asked, judgeWith(asked))).toEqual(once);
      }),
      { seed: 3, numRuns: 15 },
    ));
});

describe('targets (common practice, no source)', () => {
  test.each(SPORTS.flatMap((sport) => LEVELS.map((level) => [sport, level] as const)))(
    'the first target for %s, %s is hit four or five times of ten',
    (sport, level) => {
      const met = SPORT_RECORDS[sport].court.player;
      const { scatter } = LEVEL_NEEDS[level];
      const { targetAt, targetSize } = sizedTarget(sport, 'deep-middle', met, (distanceM) => firstTargetFor(scatter, distanceM));
      const chance = chanceOf(scatter, Math.hypot(targetAt.x - met.x, targetAt.y - met.y), targetSize);
      expect(chance).toBeGreaterThanOrEqual(0.38);
      expect(chance).toBeLessThanOrEqual(0.52);
    },
  );
  test('a gate that must be earned has a target that lets it be met within three rounds; a sweet spot begins at four or five of ten', () => {
    // 7 of 10 at 0.6: 0.382 (binomial table); a run of 5 in 10 at 0.75: 0.54 by the recurrence of runs, counted here over all 1,024 rounds
    expect(chanceToMeet({ hits: 7, of: 10 }, 10, 0.6)).toBeCloseTo(0.3823, 4);
    let counted = 0;
    for (let round = 0; round < 1024; round++) {
      const hits = Array.from({ length: 10 }, (_, i) => ((round >> i) & 1) === 1);
      if (!/1{5}/.test(hits.map(Number).join(''))) continue;
      counted += hits.reduce((chance, hit) => chance * (hit ? 0.75 : 0.25), 1);
    }
    expect(chanceToMeet({ streak: 5 }, 10, 0.75)).toBeCloseTo(counted, 9);
    expect(firstShareFor('sweet-spot', { hits: 8, of: 10 }, 10)).toBe(0.45);
    for (const [approach, need] of [
      ['earn-it', { hits: 7, of: 10 }],
      ['in-a-row', { streak: 5 }],
      ['sweet-spot', { streak: 10 }],
    ] as const) {
      const share = firstShareFor(approach, need, 12);
      expect(chanceToMeet(need, 12, share)).toBeGreaterThanOrEqual(1 / 3);
      expect(chanceToMeet(need, 12, share - 0.02)).toBeLessThan(1 / 3);
    }
  });
  test('the rectangle of a share is hit that often (normal errors, counted)', () => {
    const random = normals(seededRandom(9));
    const { scatter } = LEVEL_NEEDS.Building;
    for (const share of [0.3, 0.45, 0.75]) {
      const { widthM, depthM } = targetFor(scatter, 20, share);
      const sigma = scatterAt(scatter, 20);
      const hit = Array.from(
        { length: 4000 },
        () => Math.abs(random() * sigma.widthM) < widthM / 2 && Math.abs(random() * sigma.depthM) < depthM / 2,
      );
      expect(hit.filter(Boolean).length / 4000).toBeCloseTo(share, 1);
      expect(chanceOf(scatter, 20, { widthM, depthM })).toBeCloseTo(share, 6);
    }
    expect(firstTargetFor(scatter, 20).widthM).toBeCloseTo(targetFor(scatter, 20).widthM, 3);
  });
});
