import { describe, expect, test } from 'vitest';
import {
  attemptsOf,
  ballsToTell,
  buildLadder,
  compareRates,
  fitDrill,
  LIBRARY,
  type LoggedRound,
  type Outcome,
  programOf,
  progressOf,
  type RungDocument,
} from '../src/index.ts';
import { buildQuestion, kindOf, venueOf } from './support/club.ts';

const question = buildQuestion('tennis-rally-drive-building', 'Programmable court machine');
const rally = buildLadder(question).rungs.find(({ name }) => name === 'Rally drive')!;
const drill = LIBRARY.find(({ id }) => id === 'tennis-out-and-home')!;
const wings = fitDrill(drill, {
  ...venueOf('tennis', kindOf('Programmable court machine'), 'Building'),
  hand: 'right',
  heightM: 1.7,
  approach: 'sweet-spot',
}).rungs.at(-1)!;
const results = (outcomes: readonly Outcome[]) => outcomes.map((outcome, i) => ({ seq: i + 1, outcome }));
/** A round may be longer than the card’s: each ball names which it was. */
const ofOne = (card: RungDocument, outcomes: readonly Outcome[]) =>
  results(outcomes).map((each) => ({ ...each, feedId: card.feeds[0]!.id }));
const logged = (day: number, card: RungDocument, outcomes: readonly Outcome[], part: Partial<LoggedRound> = {}): LoggedRound => ({
  sport: 'tennis',
  day,
  card,
  results: card.feeds.length > 1 ? results(outcomes) : ofOne(card, outcomes),
  demand: 0.5,
  ...part,
});
const some = (hits: number, balls: number): Outcome[] => Array.from({ length: balls }, (_, i) => (i < hits ? 'in' : 'out'));
const player = { level: 'Building', hand: 'right' } as const;

describe('what a round tells of a player’s scatter', () => {
  const seen = { day: 3, demand: 0.4 };
  test('balls that count, by stroke and target, with the way from where they are met', () => {
    const [one, ...more] = attemptsOf(rally, 'tennis', results(['in', 'out', 'near', 'let-go', 'not-fed', 'not-judged']), seen);
    expect(more).toEqual([]);
    expect(one).toMatchObject({ stroke: 'groundstroke', hits: 1, balls: 3, day: 3, demand: 0.4, ...rally.targetSize });
    expect(one!.distanceM).toBeGreaterThan(12);
    expect(one!.distanceM).toBeLessThan(26);
  });
  test('a hitter’s round, and one where the coach says where to, tell nothing of it', () => {
    expect(attemptsOf(rally, 'baseball', results(['in']), seen)).toEqual([]);
    const { targetAt: _, ...open } = rally;
    expect(attemptsOf(open, 'tennis', results(['in']), seen)).toEqual([]);
  });
});

describe('what a player’s rounds come to', () => {
  test('a scatter that shrinks over weeks is clearly better; the same count all along is no change', () => {
    const better = [0, 4, 8, 14, 20, 26, 32, 38].map((day, i) => logged(day, rally, some(4 + 2 * i, 20)));
    const [stroke] = progressOf(better, player).strokes;
    expect(stroke).toMatchObject({ sport: 'tennis', stroke: 'groundstroke', trend: 'better' });
    expect(stroke!.days.map(({ day, hits }) => [day, hits])).toEqual(better.map(({ day }, i) => [day, 4 + 2 * i]));
    expect(stroke!.days.at(-1)!.scatter.sideDeg).toBeLessThan(stroke!.days[0]!.scatter.sideDeg);
    const same = better.map(({ day }) => logged(day, rally, some(9, 20)));
    expect(progressOf(same, player).strokes[0]!.trend).toBe('same');
    expect(progressOf(better.slice(0, 2), player).strokes[0]!.trend).toBe('too-early');
  });
  test('looked back at again, with a ball more, a day put right, a day less or other answers, it is what it is of rounds never seen before', () => {
    const first = [0, 4, 4, 8, 14, 20].map((day, i) => logged(day, i % 2 ? wings : rally, some(4 + 2 * i, 20)));
    const again = (rounds: readonly LoggedRound[], answers?: number[], hand: 'left' | 'right' = 'right'): void => {
      const numbers = (of: readonly LoggedRound[]) => {
        const { strokes, ...all } = progressOf(of, { ...player, hand }, answers);
        return { ...all, strokes: strokes.map(({ own, ...rest }) => ({ ...rest, next: own.on(40), answers: own.answers() })) };
      };
      expect(numbers(rounds)).toEqual(numbers(rounds.map((each) => ({ ...each }))));
    };
    again(first);
    again([...first.slice(0, -1), logged(20, rally, some(3, 21))]);
    again(first.map((each, i) => (i === 2 ? logged(4, rally, some(19, 20)) : each)));
    again(first.filter((_, i) => i !== 1));
    again(first, [0.1, 0.2, 0.7]);
    again(first, undefined, 'left');
    again(first);
  });
  test('two rounds of one day are one day; load counts swings; the best run has its day', () => {
    const { strokes, load, bestRun } = progressOf(
      [logged(1, rally, some(3, 10)), logged(1, rally, some(6, 10)), logged(4, rally, ['in', 'let-go', 'not-fed', 'not-judged', 'out'])],
      player,
    );
    expect(strokes[0]!.days.map(({ hits, balls }) => [hits, balls])).toEqual([
      [9, 20],
      [1, 2],
    ]);
    expect(load).toEqual([
      { day: 1, swings: 20 },
      { day: 4, swings: 3 },
    ]);
    expect(bestRun).toEqual({ length: 6, day: 1 });
  });
  test('forehand against backhand by the hand that plays, with how many more balls would tell', () => {
    const round = (hand: 'right' | 'left', hitRight: boolean) => {
      const program = programOf({ ...wings, ballsPerRound: 40 });
      const outcomes = program.map(({ index }): Outcome => (wings.feeds[index]!.target.x > 0 === hitRight ? 'in' : 'out'));
      return progressOf([logged(1, { ...wings, ballsPerRound: 40 }, outcomes)], { ...player, hand }).sides.find(({ of }) => of === 'wing')!;
    };
    expect(round('right', true)).toMatchObject({ a: { name: 'forehand', hits: 20 }, b: { name: 'backhand', hits: 0 }, ballsToTell: 0 });
    expect(round('left', true)).toMatchObject({ a: { name: 'forehand', hits: 0 }, b: { name: 'backhand', hits: 20 } });
  });
  test('target against target: the halves, and deep against short, each ball by where it was to be hit to', () => {
    const to = (x: number, y: number) => ({ ...rally, targetAt: { x, y } });
    const rounds = [logged(1, to(-3, 9), some(9, 10)), logged(2, to(3, 9), some(2, 10)), logged(3, to(3, 3), some(6, 10))];
    const sides = progressOf(rounds, player).sides;
    const named = (of: string) => sides.find((side) => side.of === of);
    expect(named('half')).toMatchObject({ a: { name: 'left', hits: 9, balls: 10 }, b: { name: 'right', hits: 8, balls: 20 } });
    expect(named('depth')).toMatchObject({ a: { name: 'deep', hits: 11, balls: 20 }, b: { name: 'short', hits: 6, balls: 10 } });
    expect(named('half')!.comparison.difference).toBeCloseTo(0.4 - 0.9, 9);
  });
  test('hitting and fielding have rates by day', () => {
    const pitch = buildLadder(buildQuestion('baseball-fastball-11-12', 'Two-wheel pitching machine')).rungs[0]!;
    const rounds = [logged(1, pitch, some(4, 8), { sport: 'baseball' }), logged(1, pitch, some(5, 8), { sport: 'baseball' })];
    expect(progressOf(rounds, player)).toMatchObject({ strokes: [], rates: [{ kind: 'hitting', days: [{ day: 1, hits: 9, balls: 16 }] }] });
  });
  test('nobody has played yet', () =>
    expect(progressOf([], player)).toEqual({ strokes: [], rates: [], sides: [], load: [], bestRun: null }));
});

describe('how many more balls would tell two rates apart', () => {
  test('none when they are told apart, more for a smaller difference, and never for none at all', () => {
    expect(ballsToTell({ hits: 30, balls: 40 }, { hits: 10, balls: 40 })).toBe(0);
    const [near, far] = [12, 8].map((hits) => ballsToTell({ hits: 14, balls: 20 }, { hits, balls: 20 })!);
    expect(near!).toBeGreaterThan(far!);
    expect(ballsToTell({ hits: 10, balls: 20 }, { hits: 10, balls: 20 })).toBeNull();
    expect(ballsToTell({ hits: 0, balls: 0 }, { hits: 10, balls: 20 })).toBeNull();
    // with so many more at the same rates the interval of their difference leaves zero
    const grown = (hits: number) => ({ hits: Math.round((hits * (40 + far!)) / 40), balls: Math.round((40 + far!) / 2) });
    expect(compareRates(grown(14), grown(8)).different).toBe(true);
  });
});
