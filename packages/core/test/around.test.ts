import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type Around,
  ageIn,
  apartOf,
  away,
  beatOf,
  buildLadder,
  canThrowInOrder,
  fitDrill,
  gateOf,
  hazardsInSight,
  hazardsOfRung,
  hitterOf,
  judgeRung,
  LIBRARY,
  longestRun,
  metAt,
  metsOf,
  mostSwings,
  nextBeatS,
  outcomesByNumber,
  type RungDocument,
  tally,
} from '../src/index.ts';
import { buildQuestion, drillOn, judgedWhole, judgeWith, kindOf, venueOf } from './support/club.ts';

const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
const game = buildLadder(question).rungs.find(({ name }) => name === 'Rally drive')!;

describe('what is known beside a rung', () => {
  const found = (rung: RungDocument, around: Around, asked = question) =>
    hazardsOfRung(rung, asked.sport, judgedWhole(rung, judgeWith(asked)), around);
  const codes = (...given: Parameters<typeof found>) => found(...given).map(({ code }) => code);
  const pitch = buildQuestion('baseball-fastball-9-10', 'Two-wheel pitching machine');
  const [easy] = buildLadder(pitch).rungs;

  test('a child feeds no machine that is fed by hand, nor a pitching machine; a grown-up does', () => {
    expect(codes(easy!, { handFed: true, ageYears: 11 }, pitch)).toContain('child-feeds');
    expect(codes(easy!, { handFed: false, ageYears: 11 }, pitch)).toContain('child-feeds');
    expect(codes(easy!, { handFed: true, ageYears: 34 }, pitch)).not.toContain('child-feeds');
    // nobody said how old: at the lowest level it may be a child
    expect(codes(easy!, { handFed: true, ageYears: null }, pitch)).toContain('child-feeds');
    expect(codes(game, { handFed: false, ageYears: 11 })).not.toContain('child-feeds');
    expect(codes(game, { handFed: true, ageYears: 11 })).toContain('child-feeds');
  });
  test('swings of a day count over all rounds; the cap goes by the age, and a grown-up has none (common practice, no source)', () => {
    const fewer = { ...game, rounds: 2, ballsPerRound: 20 };
    expect(codes(fewer, { ageYears: 9, swingsBefore: 140 })).not.toContain('juniors');
    expect(found(fewer, { ageYears: 9, swingsBefore: 141 }).find(({ code }) => code === 'juniors')!.figures).toEqual({
      swingsEach: 40,
      swingsBefore: 141,
      mostSwings: 180,
      ageYears: 9,
    });
    expect([9, 12, 14, 17, 18].map((age) => mostSwings(age, 'Building', 'baseball'))).toEqual([60, 75, 90, 120, null]);
    // strokes over a net are lighter: a child’s lesson of an hour has some 200
    expect([9, 12, 18].map((age) => mostSwings(age, 'Building', 'tennis'))).toEqual([180, 225, null]);
    expect([mostSwings(null, 'Starting', 'pickleball'), mostSwings(null, 'Building', 'pickleball')]).toEqual([180, null]);
    expect(codes(fewer, { ageYears: 40, swingsBefore: 500 })).not.toContain('juniors');
    // born in 2012: somewhere in 2026 fourteen, until then thirteen
    expect([ageIn(2012, 2026), ageIn(null, 2026)]).toEqual([13, null]);
  });
  test('in a hall wind is a slip, and the ball for the open is the wrong one; out of doors the other', () => {
    const blown = { ...game, weather: { ...game.weather, windXMps: 2 } };
    expect(codes(blown, { indoors: true })).toContain('wind-indoors');
    expect(codes(blown, { indoors: false })).not.toContain('wind-indoors');
    const asked = buildQuestion('pickleball-drive-building', 'Holed-ball court machine');
    const [rung] = buildLadder(asked).rungs;
    const wrong = (ballId: string, around: Around) => codes({ ...rung!, ballId }, around, asked).includes('wrong-ball');
    expect([wrong('pickleball-outdoor', { indoors: true }), wrong('pickleball-outdoor', { indoors: false })]).toEqual([true, false]);
    expect([wrong('pickleball-indoor', { indoors: false }), wrong('pickleball-indoor', {})]).toEqual([true, false]);
  });
  test('a ball that goes over the fence behind is said of a rung as of a set-up', () => {
    const [feed] = game.feeds;
    const lob = { ...game, feeds: [{ ...feed!, launch: { ...feed!.launch, speedMps: 34, elevationDeg: 24 } }] };
    const said = hazardsInSight(lob, 'tennis', judgeRung(lob, judgeWith(question)), {}).map(({ code }) => code);
    expect(said).toContain('fence');
  });
});

describe('two who hit in turn', () => {
  const asked = buildQuestion('pickleball-drive-building', 'Holed-ball court machine');
  const lines = drillOn('pickleball-two-lines', 'Holed-ball court machine')[1]!;
  test('each has the time of both balls, half of the swings, and a gate of their own balls', () => {
    expect(lines.hitters).toBe(2);
    const { hitters: _, ...alone } = lines;
    const [one, two] = [alone, lines].map((rung) => judgedWhole(rung, judgeWith(asked)));
    expect(two!.readyIntervalS).toBeLessThanOrEqual(one!.readyIntervalS);
    expect(two!.worst.spareS).toBeCloseTo(one!.worst.spareS + lines.intervalS, 9);
    expect(two!.swingsEach * 2).toBe(one!.swingsEach);
    expect(gateOf(lines)).toMatchObject({ of: lines.ballsPerRound / 2 });
    expect([1, 2, 3].map((ball) => hitterOf(lines, ball))).toEqual([0, 1, 0]);
  });
  test('a volley for each of two comes every 2 to 2.5 s and is no survival pace (common practice, no source)', () => {
    const judged = judgedWhole({ ...lines, intervalS: 2.5 }, judgeWith(asked));
    expect(judged.survival).toBe(false);
    expect(judged.shortestIntervalS!).toBeLessThanOrEqual(2.5);
  });
  test('each line has its own place, as far from the machine as the middle one', () => {
    const [feed] = lines.feeds;
    const places = metsOf(lines, feed!);
    expect(away(places[0]!, places[1]!)).toBeCloseTo(
      2 * away(feed!.launch, metAt(lines, feed!)) * Math.sin((lines.sweep!.halfDeg * Math.PI) / 180),
      6,
    );
    // turned to the right of its throw, seen from the machine: toward smaller x when it throws toward the player
    expect(Math.sign(places[1]!.x - places[0]!.x)).toBe(Math.sign(Math.cos((feed!.launch.bearingDeg * Math.PI) / 180)));
    const { sweep: _, ...still } = lines;
    expect(metsOf(still, feed!)).toEqual([metAt(still, feed!)]);
  });
  test('they stand three metres apart; closer is a hazard', () => {
    const codes = (rung: RungDocument) => hazardsOfRung(rung, 'pickleball', judgedWhole(rung, judgeWith(asked))).map(({ code }) => code);
    expect(apartOf(lines)).toBeGreaterThan(2.95);
    expect(codes(lines)).not.toContain('close-together');
    expect(codes({ ...lines, sweep: { kind: 'two-line', halfDeg: 6 } })).toContain('close-together');
  });
});

describe('the beat of a machine without a line', () => {
  test('three taps tell it; a tap that was missed, and a hand that is a little off, do not disturb it', () => {
    expect(beatOf([10, 14])).toBeNull();
    expect(beatOf([10, 14, 18])).toEqual({ intervalS: 4, atS: 10 });
    expect(beatOf([10, 14, 22, 26])!.intervalS).toBeCloseTo(4, 9);
    const taps = Array.from({ length: 8 }, (_, i) => 3 + 3.7 * i + 0.08 * Math.sin(7 * i));
    expect(Math.abs(beatOf(taps)!.intervalS - 3.7)).toBeLessThan(0.03);
  });
  test('taps without a rhythm are none', () => {
    expect(beatOf([0, 4, 5.5])).toBeNull();
    expect(beatOf([0, 0, 4])).toBeNull();
  });
  test('the next ball leaves after now, a whole number of beats from the taps', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 12, noNaN: true }), fc.double({ min: 0, max: 500, noNaN: true }), (intervalS, nowS) => {
        const next = nextBeatS({ intervalS, atS: 7 }, nowS);
        expect(next).toBeGreaterThanOrEqual(nowS - 1e-9);
        expect(next - nowS).toBeLessThanOrEqual(intervalS + 1e-9);
        expect(Math.abs((next - 7) / intervalS - Math.round((next - 7) / intervalS))).toBeLessThan(1e-6);
      }),
      { seed: 3, numRuns: 200 },
    ));
});

describe('balls of which only a number is known', () => {
  test('as many hits as were said, and no longer run than there must be', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.nat({ max: 40 }), (balls, some) => {
        const hits = Math.min(some, balls);
        const outcomes = outcomesByNumber(hits, balls);
        expect(tally(outcomes)).toMatchObject({ hits, balls });
        expect(longestRun(outcomes)).toBeLessThanOrEqual(Math.ceil(hits / (balls - hits + 1)));
      }),
      { seed: 5, numRuns: 300 },
    ));
  test('a count that is none is refused', () => expect(() => outcomesByNumber(4, 3)).toThrow(RangeError));
});

describe('what a machine throws ball by ball', () => {
  const two = drillOn('tennis-out-and-home', 'Programmable court machine').at(-1)!;
  const may = (kind: string, order: RungDocument['order'], feeds = two.feeds) => canThrowInOrder({ feeds, order }, kindOf(kind));
  test('one that is programmed anything; one with dials blocks, and its sweep to and fro between two lines', () => {
    expect(may('Programmable court machine', { kind: 'bag' })).toBe(true);
    expect(may('One-wheel portable', { kind: 'bag' })).toBe(false);
    expect(may('One-wheel portable', { kind: 'blocks', size: 2 })).toBe(false);
    expect(may('One-wheel portable', { kind: 'blocks', size: 5 })).toBe(true);
    const level = two.feeds.map((feed) => ({ ...feed, launch: { ...two.feeds[0]!.launch, bearingDeg: feed.launch.bearingDeg } }));
    expect(may('One-wheel portable', { kind: 'alternate' }, level)).toBe(true);
    expect(may('One-wheel portable', { kind: 'bag' }, level)).toBe(false);
    expect(may('Lever-arm thrower', { kind: 'alternate' }, level)).toBe(false);
  });
  test('a drill that needs more says so on a machine with dials', () => {
    const drill = LIBRARY.find(({ id }) => id === 'tennis-out-and-home')!;
    const { problems } = fitDrill(drill, {
      ...venueOf('tennis', kindOf('One-wheel portable'), 'Building'),
      hand: 'right',
      heightM: 1.7,
      approach: 'sweet-spot',
    });
    expect(problems.map(({ why }) => why.code)).toContain('ball-by-ball');
  });
});
