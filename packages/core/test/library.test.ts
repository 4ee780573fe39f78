import { describe, expect, test } from 'vitest';
import {
  buildLadder,
  changesBetween,
  type Drill,
  type DrillQuestion,
  deal,
  fitDrill,
  GAME_BOOK,
  LEVELS,
  LIBRARY,
  MACHINE_KINDS,
  type MachineProfile,
  PURPOSES,
  SPORTS,
} from '../src/index.ts';
import { buildQuestion, judgedWhole, judgeWith, kindOf, kindsFor, venueOf } from './support/club.ts';

const question = (drill: Drill, profile: MachineProfile, part: Partial<DrillQuestion> = {}): DrillQuestion => ({
  ...venueOf(drill.sport, profile, drill.level),
  hand: 'right',
  heightM: 1.7,
  approach: 'sweet-spot',
  ...part,
});
const drillOf = (id: string): Drill => LIBRARY.find((each) => each.id === id)!;

describe('the library', () => {
  test('twelve drills a sport at least, each of three to six rungs, each with all that a coach says of it', () => {
    for (const sport of SPORTS) expect(LIBRARY.filter((drill) => drill.sport === sport).length).toBeGreaterThanOrEqual(12);
    expect(new Set(LIBRARY.map(({ id }) => id)).size).toBe(LIBRARY.length);
    expect(new Set(LIBRARY.map(({ sport, name }) => `${sport} ${name}`)).size).toBe(LIBRARY.length);
    for (const drill of LIBRARY) {
      expect(drill.rungs.length).toBeGreaterThanOrEqual(3);
      expect(drill.rungs.length).toBeLessThanOrEqual(6);
      for (const words of [drill.why, drill.setUp, drill.easier, drill.harder, ...drill.cues, ...drill.faults, ...drill.cautions])
        expect(words.trim().length).toBeGreaterThan(3);
      expect(drill.cues.length * drill.faults.length * drill.cautions.length).toBeGreaterThan(0);
    }
    for (const purpose of PURPOSES) expect(LIBRARY.some((drill) => drill.purpose === purpose)).toBe(true);
  });

  test('a harder level gets a quicker ball from the same drill', () => {
    const speed = (level: (typeof LEVELS)[number]) =>
      fitDrill(
        drillOf('tennis-baseline-groove'),
        question(drillOf('tennis-baseline-groove'), kindOf('Programmable court machine'), { level }),
      ).rungs.at(-1)!.feeds[0]!.launch.speedMps;
    expect(LEVELS.map(speed)).toEqual(LEVELS.map(speed).sort((a, b) => a - b));
  });

  test('softer balls, another court and left hands change the launches, not the drill', () => {
    const drill = drillOf('tennis-out-and-home');
    const profile = kindOf('Programmable court machine');
    const usual = fitDrill(drill, question(drill, profile));
    const green = fitDrill(drill, question(drill, profile, { ballId: 'tennis-stage1-green' }));
    const left = fitDrill(drill, question(drill, profile, { hand: 'left' }));
    expect(green.rungs.map(({ name }) => name)).toEqual(usual.rungs.map(({ name }) => name));
    expect(green.rungs[0]!.feeds[0]!.launch.speedMps).not.toBeCloseTo(usual.rungs[0]!.feeds[0]!.launch.speedMps, 3);
    expect(left.rungs[0]!.feeds[0]!.target.x).toBeCloseTo(-usual.rungs[0]!.feeds[0]!.target.x, 9);
  });

  test('who bats left stands in the other box, before a machine that stays where it is; in the field nothing changes', () => {
    const fit = (id: string, hand: 'left' | 'right') =>
      fitDrill(drillOf(id), question(drillOf(id), kindOf('Programmable field machine'), { hand })).rungs[0]!;
    const [right, left] = [fit('baseball-velocity-climb', 'right'), fit('baseball-velocity-climb', 'left')];
    expect(right.player.start.x).toBeLessThan(0);
    expect(left.player.start).toEqual({ x: -right.player.start.x, y: right.player.start.y });
    expect(left.feeds[0]!.launch).toEqual(right.feeds[0]!.launch);
    expect(fit('baseball-between-two-gloves', 'left').player).toEqual(fit('baseball-between-two-gloves', 'right').player);
  });
  test('for a child every ball comes to a child’s own band, in drills and in built ladders', () => {
    const heightM = 1.3;
    const drill = drillOf('tennis-baseline-groove');
    const asked = { ...question(drill, kindOf('Programmable court machine'), { level: 'Starting' }), heightM };
    const build = buildQuestion('tennis-rally-drive-starting', 'Programmable court machine', { heightM });
    for (const [rungs, context] of [
      [fitDrill(drill, asked).rungs, judgeWith(asked)],
      [buildLadder(build).rungs, judgeWith(build)],
    ] as const) {
      expect(rungs.length).toBeGreaterThan(2);
      for (const rung of rungs)
        for (const { height } of judgedWhole(rung, context).balls) {
          expect(height).toMatchObject({ word: 'good' });
          expect(height!.heightM).toBeLessThan(1.0 * (heightM / 1.75) + 0.02);
        }
    }
  });

  test('what a machine cannot do is said, and its rung left out', () => {
    const { rungs, problems } = fitDrill(
      drillOf('baseball-flies-by-field'),
      question(drillOf('baseball-flies-by-field'), kindOf('Lever-arm thrower')),
    );
    expect(rungs).toEqual([]);
    expect(problems[0]!.why).toEqual({ code: 'cannot-throw', figures: { ball: 'Fly to LF', cure: null } });
  });
});

describe('special drills have their own timing', () => {
  const fitted = (id: string, kind: string) => {
    const asked = question(drillOf(id), kindOf(kind));
    return { asked, rungs: fitDrill(drillOf(id), asked).rungs };
  };
  test('approach and volley: two balls a few seconds apart, then the walk back', () => {
    const { rungs, asked } = fitted('tennis-in-behind-it', 'Programmable court machine');
    const [, combination] = rungs;
    const { balls, comfort } = judgedWhole(combination!, judgeWith(asked));
    // met at hand height, the short ball takes longer than one at the shins
    expect(balls[1]!.releaseS - balls[0]!.releaseS).toBeLessThan(4.5);
    expect(balls[2]!.releaseS - balls[1]!.releaseS).toBeGreaterThan(6);
    expect(['calm', 'working']).toContain(comfort);
    expect(balls[1]!.contact.y).toBeGreaterThan(-5); // the volley is met inside the court
  });
  test('a spare ball is hit away and does not count', () => {
    const { rungs, asked } = fitted('pickleball-return-reset-finish', 'Programmable holed-ball machine');
    const last = rungs.at(-1)!;
    expect(last.feeds.map(({ counts }) => counts ?? true)).toEqual([true, true, true, false]);
    expect(judgedWhole(last, judgeWith(asked)).swingsEach).toBe((last.rounds * last.ballsPerRound * 3) / 4);
  });
  test('serve and next ball: the ritual is in the interval', () => {
    const { rungs, asked } = fitted('tennis-serve-and-next', 'Programmable court machine');
    const judged = judgedWhole(rungs[1]!, judgeWith(asked));
    const without = judgedWhole({ ...rungs[1]!, ritual: undefined }, judgeWith(asked));
    expect(judged.shortestIntervalS).toBeGreaterThan(without.shortestIntervalS! + 4);
    expect(rungs[1]!.intervalS).toBeGreaterThanOrEqual(judged.shortestIntervalS! - 1e-9);
  });
  test('five markers: each before any again, and the way to them is counted', () => {
    const { rungs, asked } = fitted('tennis-five-markers', 'Two-wheel portable');
    expect(new Set(deal(rungs[1]!, 5)).size).toBe(5);
    expect(judgedWhole(rungs[1]!, judgeWith(asked)).demand.parts.ground).toBeGreaterThan(5);
  });
  test('two machines: each ball knows which throws, and the machines stand apart', () => {
    const drill = drillOf('baseball-two-machines-one-voice');
    const id = '0190f3a0-0000-7000-8000-00000000aac2';
    const second = { id, profile: kindOf('Two-wheel pitching machine') };
    const { rungs } = fitDrill(drill, question(drill, kindOf('Three-wheel pitching machine'), { second }));
    expect(rungs[2]!.feeds.map(({ machineId }) => machineId)).toEqual([undefined, id]);
    expect(rungs[2]!.feeds[0]!.launch.x).toBeCloseTo(-rungs[2]!.feeds[1]!.launch.x, 9);
    expect(changesBetween(rungs[0]!, rungs[1]!)).toContain('order');
  });
  test('fielding: balls of absent positions are left out, and a fly ball hangs', () => {
    const { rungs, asked } = fitted('baseball-whoever-is-there', 'Programmable field machine');
    const infield = { ...rungs[0]!, absent: ['SS', '1B', 'P'] };
    expect(new Set(deal(infield, 12).map((i) => infield.feeds[i]!.positions![0]))).toEqual(new Set(['3B', '2B']));
    const whole = { ...rungs[2]!, absent: ['P', 'C'] };
    const called = (rung: typeof whole) => new Set(deal(rung, 40).flatMap((i) => rung.feeds[i]!.positions ?? []));
    expect([...called({ ...whole, absent: [] })]).toEqual(expect.arrayContaining(['P', 'C', 'CF']));
    expect(['P', 'C'].some((each) => called(whole).has(each))).toBe(false);
    const flies = judgedWhole(rungs[1]!, judgeWith(asked));
    expect(Math.max(...flies.balls.map(({ flightS }) => flightS))).toBeGreaterThan(3.5);
  });
  test('a serve before every ball takes longer than a small machine waits: said, not squeezed', () => {
    const drill = drillOf('tennis-serve-and-next');
    const { problems } = fitDrill(drill, question(drill, kindOf('One-wheel portable')));
    expect(problems.map(({ why }) => why.code)).toContain('feeds-too-soon');
  });
  test('the built-ins stand for balls of the game book', () => {
    const ids = new Set(GAME_BOOK.map(({ id }) => id));
    for (const drill of LIBRARY)
      for (const { feeds } of fitDrill(drill, question(drill, kindsFor(drill.sport).at(-1)!)).rungs)
        for (const { gameBallId } of feeds) if (gameBallId !== null) expect(ids).toContain(gameBallId);
  });
});

test('every generic machine can do something of the library', () => {
  for (const profile of MACHINE_KINDS)
    expect(
      LIBRARY.filter((drill) => profile.sports.includes(drill.sport)).some(
        (drill) => fitDrill(drill, question(drill, profile)).rungs.length > 0,
      ),
    ).toBe(true);
});
