import { describe, expect, test } from 'vitest';
import {
  arrange,
  type BuildQuestion,
  buildLadder,
  diamondOf,
  fieldingSetup,
  firstSetup,
  type fly,
  ftToM,
  hazardsOfRung,
  hazardsOfSetup,
  judgeRung,
  MACHINE_KINDS,
  mphToMps,
  needsName,
  notJudged,
  type RungDocument,
  rungFromSetup,
} from '../src/index.ts';
import { buildQuestion, judgedWhole, judgeWith } from './support/club.ts';

const ladderOf = (question: BuildQuestion): RungDocument[] => buildLadder(question).rungs;
const judge = (rung: RungDocument, question: BuildQuestion) => judgedWhole(rung, judgeWith(question));

describe('judging a rung', () => {
  const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
  const rungs = ladderOf(question);
  const game = rungs.find(({ name }) => name === 'Rally drive')!;
  test('4 s for a beginner is calm or working, 1.6 s is survival (common practice, no source)', () => {
    const beginner = buildQuestion('tennis-rally-drive-starting', 'Programmable court machine');
    const [kind] = ladderOf(beginner);
    expect(['calm', 'working']).toContain(judge({ ...kind!, intervalS: 4 }, beginner).comfort);
    expect(judge({ ...kind!, intervalS: 4 }, beginner).survival).toBe(false);
    expect(judge({ ...kind!, intervalS: 1.5 }, beginner)).toMatchObject({ survival: true, comfort: 'too quick' });
  });
  test('the shortest workable interval is working, the calm one calm', () => {
    const { shortestIntervalS, calmIntervalS } = judge(game, question);
    expect(['calm', 'working']).toContain(judge({ ...game, intervalS: shortestIntervalS! }, question).comfort);
    expect(judge({ ...game, intervalS: calmIntervalS! }, question).comfort).toBe('calm');
    // about what a coach would feed a Building rally ball at (common practice, no source)
    expect(shortestIntervalS).toBeGreaterThan(2.2);
    expect(calmIntervalS).toBeLessThan(4.2);
  });
  test('the game ball itself is the whole of the game, the kind ball a part of it', () => {
    expect(judge(game, question).share!.speedMps).toBeCloseTo(1, 1);
    expect(judge(rungs[0]!, question).share!.speedMps).toBeLessThan(0.75);
  });
  test('a marker that is touched on the way takes its time', () => {
    const circuit = { ...game, feeds: game.feeds.map((feed) => ({ ...feed, marker: { x: 5, y: -6 } })) };
    expect(judge(circuit, question).worst.spareS).toBeLessThan(judge(game, question).worst.spareS);
    expect(judge(circuit, question).balls[0]!.pathM).toBeGreaterThan(10);
  });
  test('a combination has its own beat: 0.9 s to the next ball is too quick, though the interval is long', () => {
    const [feed] = game.feeds;
    const combination = {
      ...game,
      intervalS: 8,
      feeds: [
        { ...feed!, thenS: 0.9 },
        { ...feed!, id: 'b2', name: 'then' },
      ],
    };
    const { balls, comfort } = judge(combination, question);
    expect(comfort).toBe('too quick');
    // the second is the one that comes too soon; after it there is time again
    expect(balls[1]!).toMatchObject({ comfort: 'too quick' });
    expect(balls[0]!.spareS).toBeLessThan(0);
    expect(balls[2]!.ratio).toBeGreaterThan(1.4);
    expect(balls.slice(0, 4).map(({ releaseS }) => releaseS)).toEqual([0, 0.9, 8.9, 9.8]);
  });
  test('a serve of one’s own before every ball needs the ritual, too', () => {
    const serve = { ...game, ritual: { bounces: 4, bounceS: 0.7, tossS: 1.6, readyS: 0.5 } };
    expect(judge(serve, question).shortestIntervalS! - judge(game, question).shortestIntervalS!).toBeGreaterThan(4);
  });
  test('a hard ball with too little time is unsafe; a soft one only too quick', () => {
    const pitch = buildQuestion('baseball-fastball-college', 'Three-wheel pitching machine', { level: 'Starting', wanted: 'rushed' });
    const [easy] = ladderOf(pitch);
    const close = {
      ...easy!,
      feeds: easy!.feeds.map((feed) => ({ ...feed, launch: { ...feed.launch, y: 5, speedMps: 30, elevationDeg: -4 } })),
    };
    expect(judge(close, pitch)).toMatchObject({ unsafe: true, comfort: 'too quick' });
    expect(judge({ ...game, intervalS: 0.6 }, question).unsafe).toBe(false);
  });
  test('what the machine needs: turning in time, its own intervals, its hopper', () => {
    const [feed] = game.feeds;
    const across = (turn: number) => ({ ...feed!, launch: { ...feed!.launch, bearingDeg: feed!.launch.bearingDeg + turn } });
    const wide = { ...game, intervalS: 1.2, feeds: [across(-12), across(12)], order: { kind: 'alternate' as const } };
    expect(judge(wide, question).machine.worries.map(({ code }) => code)).toContain('late');
    const codes = (rung: RungDocument, kind: string) =>
      judge(rung, {
        ...question,
        machine: { ...question.machine, profile: MACHINE_KINDS.find((each) => each.kind === kind)! },
      }).machine.worries.map(({ code }) => code);
    expect(codes({ ...game, intervalS: 1.6 }, 'Two-wheel portable')).toContain('too-often');
    expect(codes({ ...game, rounds: 20 }, 'Two-wheel portable')).toContain('hopper');
    expect(
      codes(
        { ...game, feeds: [feed!, { ...feed!, launch: { ...feed!.launch, speedMps: feed!.launch.speedMps * 0.97 } }] },
        'Two-wheel portable',
      ),
    ).toContain('one-setting');
    expect(codes({ ...game, sweep: { kind: 'wide', halfDeg: 25 } }, 'Two-wheel portable')).toContain('narrow-sweep');
  });
  test('shared by three with a shadow swing between: swings of each, pick-ups at the cap of 28', () => {
    const judged = judgedWhole({ ...game, rounds: 2, ballsPerRound: 40, shadowSwings: 1 }, { ...judgeWith(question), players: 3 });
    expect(judged.ballsInAll).toBe(80);
    expect(judged.swingsEach).toBe(54); // 160 over three, whole
    expect(judged.pickUps).toBe(3); // after 28 and 40 of the first round, and after 28 of the second
    const short = judgedWhole({ ...game, rounds: 6, ballsPerRound: 10 }, judgeWith(question));
    expect(short.pickUps).toBe(2); // after every second round of ten
  });
  test('what does not reach the player is not judged, is named, and is never safe', () => {
    const off = judgeRung({ ...game, feeds: game.feeds.map((feed) => ({ ...feed, on: false })) }, judgeWith(question));
    expect(off).toEqual({ kind: 'not-judged', why: [{ code: 'nothing-on' }], verdicts: [], rest: null });
    const pitch = buildQuestion('baseball-fastball-11-12', 'Three-wheel pitching machine', { level: 'Building' });
    const [easy] = ladderOf(pitch);
    const [feed] = easy!.feeds;
    const short = { ...feed!, id: 'b2', name: 'Dropped short', launch: { ...feed!.launch, speedMps: 6, elevationDeg: -20 } };
    const rung = { ...easy!, feeds: [feed!, short], order: { kind: 'alternate' as const } };
    const judgement = judgeRung(rung, judgeWith(pitch));
    expect(judgement).toMatchObject({ kind: 'not-judged', why: [{ code: 'does-not-arrive', feed: 1 }] });
    expect(needsName(rung, judgement)).toBe(true);
    const [first] = hazardsOfRung(rung, 'baseball', judgement);
    expect(first).toEqual({
      code: 'not-judged',
      weight: 'grave',
      figures: { why: [{ code: 'does-not-arrive', feed: 1, name: 'Dropped short' }] },
    });
    // a soft ball that was not judged asks for no name, but says so
    expect(needsName(game, notJudged({ code: 'no-machine' }))).toBe(false);
    expect(hazardsOfRung(game, 'tennis', notJudged({ code: 'no-machine' }))[0]).toMatchObject({ code: 'not-judged', weight: 'grave' });
  });
  test('every ball has a verdict or its reason, and the others are judged as if those were not thrown', () => {
    const pitch = buildQuestion('baseball-fastball-11-12', 'Three-wheel pitching machine', { level: 'Building' });
    const [easy] = ladderOf(pitch);
    const [feed] = easy!.feeds;
    const short = { ...feed!, launch: { ...feed!.launch, speedMps: 6, elevationDeg: -20 } };
    const gap = judgeRung({ ...easy!, feeds: [feed!, short], order: { kind: 'fixed' }, intervalS: 4 }, judgeWith(pitch));
    if (gap.kind !== 'not-judged') throw new Error('a ball that falls short was judged');
    expect(gap.verdicts.map(({ kind, feed: index }) => [kind, index])).toEqual(
      easy!.ballsPerRound % 2 === 0
        ? Array.from({ length: easy!.ballsPerRound }, (_, i) => (i % 2 === 0 ? ['judged', 0] : ['not-judged', 1]))
        : expect.anything(),
    );
    expect(gap.verdicts.map(({ releaseS }) => releaseS)).toEqual(gap.verdicts.map((_, i) => 4 * i));
    // without the short ones it is the same ball at twice the interval
    const alone = judgedWhole({ ...easy!, intervalS: 8, ballsPerRound: easy!.ballsPerRound / 2 }, judgeWith(pitch));
    expect(gap.rest!.comfort).toBe(alone.comfort);
    expect(gap.rest!.worst.ease).toBeCloseTo(alone.worst.ease, 9);
  });
  test('70 mph from 35 ft (0.34 s) is unsafe for everyone below college, whatever game ball stands beside it (judgement of hitters; common practice)', () => {
    for (const [level, ball] of [
      ['Starting', 'baseball-fastball-9-10'],
      ['Building', 'baseball-fastball-11-12'],
      ['Building', 'baseball-fastball-college'],
      ['Competing', 'baseball-fastball-high-school'],
    ] as const) {
      const asked = buildQuestion(ball, 'Three-wheel pitching machine', { level });
      const [any] = ladderOf(buildQuestion('baseball-fastball-college', 'Three-wheel pitching machine', { level: 'Advanced' }));
      const close = {
        ...any!.feeds[0]!,
        gameBallId: ball,
        launch: { ...any!.feeds[0]!.launch, y: ftToM(35), speedMps: mphToMps(70), elevationDeg: -2 },
      };
      const rung = { ...any!, level, feeds: [close] };
      const judged = judge(rung, asked);
      expect(judged.balls[0]!.flightS).toBeCloseTo(0.34, 1);
      expect(judged).toMatchObject({ unsafe: true, comfort: 'too quick', shortestIntervalS: null });
      expect(needsName(rung, judged)).toBe(true);
      expect(hazardsOfRung(rung, 'baseball', judged).find(({ code }) => code === 'unsafe')!.weight).toBe('grave');
    }
  });
  test('a ball that fielders do not get to is no danger; one that is there before it is read is', () => {
    const profile = MACHINE_KINDS.find(({ kind }) => kind === 'Programmable field machine')!;
    const court = { id: '0190f3a0-0000-7000-8000-00000000c0a7', sport: 'baseball' as const, surfaceId: 'baseball-grass' };
    const first = firstSetup(court, { id: '0190f3a0-0000-7000-8000-00000000aac1', profile }, 'Building', 0);
    const fly = fieldingSetup(first, profile, diamondOf('baseball')!.fieldingBalls[1]!);
    const far = { ...fly, player: { x: fly.player.x + 60, y: fly.player.y } };
    const at = (setup: typeof fly) => {
      const arrangement = arrange(setup, profile);
      const rung = rungFromSetup(setup, arrangement, { name: 'F', focalPoint: '', ballsPerRound: 5, rounds: 1, gate: { hits: 3, of: 5 } })!;
      return {
        judged: judgedWhole(rung, { sport: 'baseball', machine: profile, gameBall: () => undefined }),
        hazards: hazardsOfSetup(setup, arrangement),
      };
    };
    for (const setup of [fly, far]) {
      const { judged, hazards } = at(setup);
      expect(judged.unsafe).toBe(false);
      expect(hazards.map(({ code }) => code)).not.toContain('too-quick');
      expect(hazards.map(({ code }) => code)).not.toContain('not-judged');
    }
    const drive = {
      ...first,
      target: { kind: 'landing' as const, x: 0.5, y: 9 },
      hold: { speedMps: 38 },
      from: { x: 0, y: 2, z: 1.2 },
      player: { x: 0.5, y: 9 },
    };
    const { judged, hazards } = at(drive);
    expect(judged.unsafe).toBe(true);
    expect(hazards.find(({ code }) => code === 'unsafe')!.weight).toBe('grave');
  });
  test('a hitter of a lower level than the rung is judged by their own game', () => {
    const asked = buildQuestion('baseball-fastball-high-school', 'Three-wheel pitching machine', { level: 'Competing' });
    const top = ladderOf(asked).at(-1)!;
    expect(judge(top, asked).unsafe).toBe(false);
    expect(judgedWhole(top, { ...judgeWith(asked), playerLevel: 'Starting' }).unsafe).toBe(true);
    expect(judgedWhole(top, { ...judgeWith(asked), playerLevel: 'Advanced' }).unsafe).toBe(false);
  });
  test('a hitter needs time between balls: 6 s is calm, under 5 s survival pace, under 3.5 s too quick (common practice)', () => {
    const asked = buildQuestion('baseball-fastball-high-school', 'Programmable field machine', { level: 'Competing' });
    const [easy] = ladderOf(asked);
    const at = (intervalS: number) => judge({ ...easy!, intervalS }, asked);
    expect(at(6)).toMatchObject({ comfort: 'calm', survival: false, shortestIntervalS: 5, calmIntervalS: 6 });
    expect(at(4.5)).toMatchObject({ comfort: 'rushed', survival: true });
    expect(at(3)).toMatchObject({ comfort: 'too quick', survival: true });
  });
});
