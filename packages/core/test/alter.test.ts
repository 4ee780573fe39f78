import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  buildLadder,
  changesBetween,
  conditionsOf,
  fly,
  hazardsOfRung,
  intoThirds,
  mirrorRung,
  type RungDocument,
  readFile,
  rungAtLevel,
  rungSchema,
  writeBallList,
} from '../src/index.ts';
import { buildQuestion, drillOn, judgedWhole, judgeWith, kindOf, venueOf } from './support/club.ts';

const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
const game = buildLadder(question).rungs.find(({ name }) => name === 'Rally drive')!;
const landing = (rung: RungDocument, i = 0) => fly(conditionsOf(rung), rung.feeds[i]!.launch, { maxBounces: 0 }).bounces[0]!;

describe('a rung bent by hand', () => {
  test('in a mirror the ball lands on the mirrored spot, and twice mirrored is the same rung', () => {
    const rung = { ...game, weather: { ...game.weather, windXMps: 2 } };
    const mirrored = mirrorRung(rung);
    expect(landing(mirrored).x).toBeCloseTo(-landing(rung).x, 9);
    expect(landing(mirrored).y).toBeCloseTo(landing(rung).y, 9);
    expect(mirrorRung(mirrored)).toEqual(rung);
    const [wide] = drillOn('tennis-out-and-home', 'Programmable court machine');
    expect(mirrorRung(wide!).player.recover!.x).toBeCloseTo(-wide!.player.recover!.x, 12);
  });
  test('a level up: the level’s own game ball, quicker and with more spin, a smaller target; and still workable', () => {
    const up = rungAtLevel(game, 'Competing', venueOf('tennis', kindOf('Programmable court machine'), 'Building'));
    expect(up.feeds[0]!.gameBallId).toBe('tennis-rally-drive-competing');
    expect(up.feeds[0]!.launch.speedMps).toBeGreaterThan(game.feeds[0]!.launch.speedMps * 1.1);
    expect(up.feeds[0]!.launch.topspinRpm).toBeCloseTo(1600, -1);
    expect(up.targetSize.widthM).toBeLessThan(game.targetSize.widthM);
    expect(['calm', 'working']).toContain(judgedWhole(up, judgeWith(question)).comfort);
    const pitch = buildQuestion('baseball-fastball-high-school', 'Three-wheel pitching machine');
    const [easy] = buildLadder(pitch).rungs;
    const college = rungAtLevel(easy!, 'Advanced', pitch);
    expect(college.feeds[0]!.launch.speedMps / easy!.feeds[0]!.launch.speedMps).toBeGreaterThan(1.07);
  });
  test('into thirds: three spots across, shuffled, all inside the court', () => {
    const thirds = intoThirds(game, question)!;
    expect(thirds.order.kind).toBe('bag');
    const xs = [0, 1, 2].map((i) => landing(thirds, i).x);
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
    expect(Math.max(...xs.map(Math.abs))).toBeLessThan(4.1);
    expect(changesBetween(game, thirds)).toContain('order');
  });
});

describe('hazards of a rung', () => {
  const ids = (rung: RungDocument, asked = question) =>
    hazardsOfRung(rung, asked.sport, judgedWhole(rung, judgeWith(asked))).map(({ code }) => code);
  test('a plain rung has none; too quick, too many and too young each are found', () => {
    expect(ids(game)).toEqual([]);
    expect(ids({ ...game, intervalS: 1 })).toContain('survival');
    expect(ids({ ...game, ballsPerRound: 40 })).toContain('long-round');
    expect(ids({ ...game, level: 'Starting', rounds: 20 })).toContain('juniors');
  });
  test('helmets and a screen with a hard ball; a hard ball with no time is unsafe', () => {
    const pitch = buildQuestion('baseball-fastball-college', 'Three-wheel pitching machine');
    const [easy] = buildLadder(pitch).rungs;
    expect(ids(easy!, pitch)).toContain('helmets');
    const close = {
      ...easy!,
      feeds: easy!.feeds.map((feed) => ({ ...feed, launch: { ...feed.launch, y: 6, speedMps: 34, elevationDeg: -4 } })),
    };
    expect(ids(close, pitch)).toEqual(expect.arrayContaining(['unsafe', 'in-front']));
  });
  test('lobs, volleys at the line, several looking up: from the library', () => {
    const asked = { ...buildQuestion('pickleball-drive-building', 'Holed-ball court machine') };
    expect(ids(drillOn('pickleball-up-and-over', 'Holed-ball court machine')[1]!, asked)).toContain('back-pedal');
    expect(ids(drillOn('pickleball-two-lines', 'Holed-ball court machine')[0]!, asked)).toContain('non-volley');
    const field = buildQuestion('baseball-fastball-college', 'Programmable field machine');
    expect(ids(drillOn('baseball-between-two-gloves', 'Programmable field machine')[0]!, field)).toContain('fielders');
  });
});

describe('the ball list as CSV', () => {
  const rungs = [
    ...['tennis-in-behind-it', 'tennis-out-and-home', 'tennis-five-markers'].flatMap((id) => drillOn(id, 'Programmable court machine')),
    ...drillOn('baseball-between-two-gloves', 'Programmable field machine'),
  ];
  test('written and read back, the same balls', () => {
    for (const { feeds } of rungs) {
      expect(readFile('balls', writeBallList(feeds))).toEqual({ ok: true, value: feeds });
    }
  });
  test('whatever the names and cues are', () =>
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 40 }), fc.string({ maxLength: 60 }), (name, cue) => {
        fc.pre(name.trim() !== '' && !/^'[=+\-@]/.test(name.trim()) && !/^'[=+\-@]/.test(cue.trim()));
        const feeds = [{ ...game.feeds[0]!, name: name.trim(), cue: cue.trim() }];
        expect(readFile('balls', writeBallList(feeds))).toEqual({ ok: true, value: feeds });
      }),
      { seed: 4, numRuns: 200 },
    ));
  test('every bad row is named with its line and column, and none is taken', () => {
    const lines = writeBallList([game.feeds[0]!, game.feeds[0]!, game.feeds[0]!]).trimEnd().split('\n');
    const bad = [
      lines[0],
      lines[1]!.replace('groundstroke', 'forehand'),
      lines[2],
      lines[3]!.replace(/landing,[^,]*/, 'landing,wide'),
    ].join('\n');
    const read = readFile('balls', bad);
    expect(read.ok).toBe(false);
    const said = (read as { problems: { detail: string }[] }).problems.map(({ detail }) => detail).join('\n');
    expect(said).toContain('Line 2, stroke: “forehand” is none of groundstroke, volley, swing');
    expect(said).toContain('Line 4, target_x_m: “wide”');
    expect(said).not.toContain('Line 3');
  });
  test.each([
    ['', 'The first line must name the columns'],
    ['name,speed_mps\nx,3', 'missing: target'],
    [writeBallList([]), 'no ball'],
    ['x'.repeat(70_000), 'Too long'],
  ])('what is no ball list is refused: %#', (text, said) => {
    const read = readFile('balls', text);
    expect(read.ok ? '' : read.problems[0]!.detail).toContain(said);
  });
  test('a ball keeps its id; a row that was copied, or that names none, gets one that is free', () => {
    const three = ['serve', 'b1', 'b2'].map((id) => ({ ...game.feeds[0]!, id }));
    const [head, first, ...others] = writeBallList(three).trimEnd().split('\n');
    const read = readFile('balls', [head, first, first, ...others, first!.replace(/^serve/, '')].join('\n'));
    expect(read.ok && read.value.map(({ id }) => id)).toEqual(['serve', 'b3', 'b1', 'b2', 'b4']);
  });
  test('a cell that looks like a formula stays text', () => {
    const feeds = [{ ...game.feeds[0]!, name: '=1+1', cue: '@now' }];
    expect(writeBallList(feeds)).not.toMatch(/,=|^=/m);
    expect(readFile('balls', writeBallList(feeds))).toEqual({ ok: true, value: feeds });
  });
  test('a rung of the list is a document that can be saved', () => {
    const read = readFile('balls', writeBallList(game.feeds));
    expect(rungSchema.safeParse({ ...game, feeds: read.ok ? read.value : [] }).success).toBe(true);
  });
});
