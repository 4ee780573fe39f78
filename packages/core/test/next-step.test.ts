import { describe, expect, test } from 'vitest';
import {
  APPROACHES,
  fitDrill,
  gateOf,
  LIBRARY,
  longestRun,
  type NextQuestion,
  nextStep,
  nextStepOn,
  type Outcome,
  programOf,
  type RungDocument,
  sameCard,
  scoreOf,
  scoreRound,
  seededRandom,
} from '../src/index.ts';
import { kindOf, venueOf } from './support/club.ts';

const round = (hits: number, balls = 10, run = hits) => ({ hits, balls, longestRun: run });
const ask = (part: Partial<NextQuestion>): NextQuestion => ({
  approach: 'sweet-spot',
  need: { hits: 8, of: 10 },
  roundsAsked: 2,
  rounds: [],
  ...part,
});

describe('the one verdict (common practice, no source)', () => {
  test('7 of 10 at the sweet spot stays, whatever the gate says; as an earned count it climbs', () => {
    expect(nextStep(ask({ need: { hits: 7, of: 10 }, rounds: [round(7)] }))).toMatchObject({ verdict: 'stay', code: 'good' });
    expect(nextStep(ask({ approach: 'earn-it', need: { hits: 7, of: 10 }, rounds: [round(7)] })).verdict).toBe('climb');
    expect(nextStep(ask({ rounds: [round(7)] })).figures).toMatchObject({ rounds: 1, hits: 7, balls: 10, best: { hits: 7, balls: 10 } });
  });
  test('eight of ten climbs, unless the rounds before speak against it', () => {
    expect(nextStep(ask({ rounds: [round(8)] })).verdict).toBe('climb');
    expect(nextStep(ask({ rounds: [round(8), round(4), round(5)] })).verdict).toBe('stay');
    expect(nextStep(ask({ rounds: [round(9), round(8), round(3), round(3), round(3)] })).verdict).toBe('climb');
  });
  test('one bad round loosens nothing, two do', () => {
    expect(nextStep(ask({ rounds: [round(2)] }))).toMatchObject({ verdict: 'stay', code: 'one-round' });
    expect(nextStep(ask({ rounds: [round(2), round(3)] })).verdict).toBe('loosen');
    for (const approach of ['earn-it', 'in-a-row'] as const)
      expect(nextStep(ask({ approach, need: { hits: 7, of: 10 }, rounds: [round(1), round(1)] })).verdict).toBe('stay');
  });
  test('a round broken off after a ball or two moves nobody, up or down; with those before it, it counts', () => {
    expect(nextStep(ask({ rounds: [round(1, 1)] }))).toMatchObject({ verdict: 'stay', code: 'few-balls' });
    expect(nextStep(ask({ rounds: [round(0, 2), round(0, 2)] }))).toMatchObject({ verdict: 'stay', code: 'few-balls' });
    expect(nextStep(ask({ rounds: [round(4, 5)] })).verdict).toBe('climb');
    expect(nextStep(ask({ rounds: [round(2, 2), round(8)] })).verdict).toBe('climb');
    expect(nextStep(ask({ rounds: [round(2, 2), round(4)] }))).toMatchObject({ verdict: 'stay', code: 'good' });
    expect(nextStep(ask({ rounds: [round(0, 2), round(2)] })).verdict).toBe('loosen');
    // of a gate of two both are enough, and a count that was met is met
    expect(nextStep(ask({ need: { hits: 2, of: 2 }, rounds: [round(2, 2)] })).verdict).toBe('climb');
    expect(nextStep(ask({ approach: 'in-a-row', need: { streak: 2 }, rounds: [round(2, 2)] })).verdict).toBe('climb');
  });
  test('what was earned stays earned; a streak is the best of any round', () => {
    expect(nextStep(ask({ approach: 'earn-it', rounds: [round(4), round(8)] })).verdict).toBe('climb');
    expect(nextStep(ask({ approach: 'in-a-row', need: { streak: 5 }, rounds: [round(7, 10, 3), round(6, 10, 5)] })).verdict).toBe('climb');
    expect(nextStep(ask({ approach: 'in-a-row', need: { streak: 5 }, rounds: [round(9, 10, 4)] })).verdict).toBe('stay');
  });
  test('where no ball counts the rung is climbed by rounds done, under every approach', () => {
    for (const approach of APPROACHES) {
      expect(nextStep(ask({ approach, need: null, rounds: [round(0, 0)] }))).toMatchObject({ verdict: 'stay', code: 'rounds-left' });
      expect(nextStep(ask({ approach, need: null, rounds: [round(0, 0), round(0, 0)] })).verdict).toBe('climb');
    }
  });
  test('no ball, no verdict; the coach’s eye only advises', () => {
    expect(nextStep(ask({ rounds: [] })).code).toBe('no-ball');
    expect(nextStep(ask({ rounds: [round(0, 0)] })).code).toBe('no-ball');
    expect(nextStep(ask({ approach: 'coachs-eye', rounds: [round(10)] })).verdict).toBe('stay');
  });
  test('a player at one in two is moved within six rounds less than once in five, one at 80 % climbs within three nine times in ten', () => {
    const random = seededRandom(5);
    const moved = (rate: number, rounds: number): number => {
      let count = 0;
      for (let player = 0; player < 4000; player++) {
        const played: ReturnType<typeof round>[] = [];
        for (let i = 0; i < rounds; i++) {
          played.unshift(round(Array.from({ length: 10 }, random).filter((each) => each < rate).length));
          if (nextStep(ask({ rounds: played })).verdict === 'stay') continue;
          count++;
          break;
        }
      }
      return count / 4000;
    };
    expect(moved(0.5, 6)).toBeLessThan(0.2);
    expect(moved(0.8, 3)).toBeGreaterThan(0.9);
  });
});

const fitted = (id: string, kind: string): RungDocument[] => {
  const drill = LIBRARY.find((each) => each.id === id)!;
  return fitDrill(drill, { ...venueOf(drill.sport, kindOf(kind), drill.level), hand: 'right', heightM: 1.75, approach: 'sweet-spot' })
    .rungs;
};

describe('what a ball counts as', () => {
  test('a ball let go on purpose can count: right when it should be left, wrong when it was a strike', () => {
    const rung = fitted('baseball-strike-or-chase', 'Programmable field machine')[0]!;
    const [strike, chase] = rung.feeds;
    expect(chase!.letGo).toBe(true);
    expect(scoreOf(rung, chase, 'let-go')).toBe('hit');
    expect(scoreOf(rung, chase, 'in')).toBe('miss');
    expect(scoreOf(rung, strike, 'let-go')).toBe('miss');
    expect(scoreOf(rung, strike, 'in')).toBe('hit');
    expect(scoreOf(rung, chase, 'not-fed')).toBeNull();
    // every choice right: all of them count, none is “0 of 0”
    const results = programOf(rung).map(({ index }, i) => ({ seq: i + 1, outcome: (index === 1 ? 'let-go' : 'in') as Outcome }));
    expect(scoreRound(rung, results)).toEqual({ hits: 8, balls: 8, longestRun: 8 });
  });
  test('elsewhere a ball that is let go was no attempt', () => {
    const rung = fitted('baseball-velocity-climb', 'Programmable field machine')[0]!;
    expect(
      scoreRound(rung, [
        { seq: 1, outcome: 'in' },
        { seq: 2, outcome: 'let-go' },
        { seq: 3, outcome: 'near' },
      ]),
    ).toEqual({ hits: 1, balls: 2, longestRun: 1 });
    expect(longestRun(['in', 'let-go', 'in'])).toBe(2);
  });
  test('a spare is in no gate: the gate of a combination asks for balls that count, and can be met', () => {
    const rung = LIBRARY.flatMap((drill) =>
      drill.rungs.some(({ balls }) => balls.some(({ counts }) => counts === false) && balls.some(({ counts }) => counts !== false))
        ? fitted(
            drill.id,
            drill.sport === 'baseball'
              ? 'Programmable field machine'
              : drill.sport === 'tennis'
                ? 'Programmable court machine'
                : 'Programmable holed-ball machine',
          )
        : [],
    ).find(({ feeds }) => feeds.some(({ counts }) => counts === false) && feeds.some(({ counts }) => counts !== false))!;
    const all = { ...rung, gate: { hits: rung.ballsPerRound, of: rung.ballsPerRound } };
    const counted = programOf(rung).filter(({ index }) => rung.feeds[index]!.counts !== false).length;
    expect(counted).toBeLessThan(rung.ballsPerRound);
    expect(gateOf(all)).toEqual({ hits: counted, of: counted });
    expect(gateOf({ ...rung, gate: { hits: 1, of: counted } })).toEqual({ hits: 1, of: counted });
    const perfect = programOf(rung).map(({ index }, i) => ({
      seq: i + 1,
      outcome: (rung.feeds[index]!.counts === false ? 'let-go' : 'in') as Outcome,
    }));
    expect(nextStepOn(all, 'earn-it', [{ card: all, results: perfect }]).verdict).toBe('climb');
  });
  test('a rung that is only watched has no gate', () => {
    const watch = fitted('baseball-loaded-at-release', 'Programmable field machine')[0]!;
    expect(gateOf(watch)).toBeNull();
    expect(
      nextStepOn(watch, 'sweet-spot', [
        { card: watch, results: [] },
        { card: watch, results: [] },
      ]).verdict,
    ).toBe('climb');
  });
});

describe('since the last change', () => {
  const [rung] = fitted('tennis-baseline-groove', 'Programmable court machine');
  const results = (hits: number) => Array.from({ length: 10 }, (_, i) => ({ seq: i + 1, outcome: (i < hits ? 'in' : 'out') as Outcome }));
  test('rounds on another card do not count, words and weather do not make one', () => {
    const wider = { ...rung!, targetSize: { widthM: rung!.targetSize.widthM + 1, depthM: rung!.targetSize.depthM } };
    const renamed = { ...rung!, name: 'Other words', focalPoint: 'Look up', weather: { ...rung!.weather, windXMps: 3 } };
    expect(sameCard(rung!, wider)).toBe(false);
    expect(sameCard(rung!, renamed)).toBe(true);
    const step = nextStepOn(rung!, 'sweet-spot', [
      { card: renamed, results: results(8) },
      { card: wider, results: results(2) },
      { card: rung!, results: results(2) },
    ]);
    expect(step).toMatchObject({ verdict: 'climb', figures: { rounds: 1, hits: 8, balls: 10 } });
  });
});
