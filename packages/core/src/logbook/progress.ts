import { ballById, diamondOf, type Level, netPlayOf, type Sport, type Stroke } from '../catalog/index.ts';
import {
  type Aimed,
  attemptsOf,
  type Feed,
  feedsOf,
  isForLearning,
  isToFielders,
  metAt,
  type RungDocument,
  sameCard,
  scoreOf,
  scoreRound,
  targetOf,
} from '../drill/index.ts';
import type { BallId, FeedId } from '../ids.ts';
import { once } from '../once.ts';
import {
  type Comparison,
  type Count,
  compareRates,
  type Outcome,
  type OwnScatter,
  ownScatter,
  type ScatterNow,
} from '../progress/index.ts';

/** A round as it is looked back at. */
export interface LoggedRound {
  sport: Sport;
  /** Whole days, any that grow by 1 a day. */
  day: number;
  card: RungDocument;
  results: readonly (Aimed & { seq: number; feedId?: FeedId | null; outcome: Outcome; landing?: { x: number; y: number } | null })[];
  /** The air at the time; that of the card without. */
  weather?: RungDocument['weather'];
  /** What its balls ask of a player, target and load apart: 0 kind to 1, the game and more. */
  demand: number;
  /** Only one number is known of the whole round: of several kinds of balls nobody knows which were hit. */
  isOneNumber?: boolean;
}

/** Whether it is known of which kind each hit was. */
const tellsKinds = ({ card, isOneNumber }: LoggedRound): boolean => !isOneNumber || card.feeds.filter(({ on }) => on).length === 1;

/** A day on which a stroke was played to targets: what was hit, and what was known of the scatter after it. */
export interface StrokeDay extends Count {
  day: number;
  scatter: ScatterNow;
  /** What else was different on that day. */
  marks: DayMarks;
}

/** What may lie behind a better or a worse day. */
export interface DayMarks {
  /** Strongest wind of a round, m/s. */
  windMps: number;
  /** A card was run that had not been run before; never of the first day. */
  isNewCard: boolean;
  /** Another kind of ball than on the day before; null while it is the same. */
  ballId: BallId | null;
}

/** How a player’s scatter with one stroke went. */
export interface StrokeProgress {
  sport: Sport;
  stroke: Stroke;
  /** Usual way from where it is met to the target, m: the middle of all rounds. */
  distanceM: number;
  days: StrokeDay[];
  own: OwnScatter;
  trend: Trend;
}

/** Against four weeks before, or the first day: whether the scatter is another, or nobody can tell yet. */
export type Trend = 'better' | 'worse' | 'same' | 'too-early';

/** How a player’s hitting or fielding went, where no target is: what was hit on each day. */
export interface RateProgress {
  sport: Sport;
  kind: 'hitting' | 'fielding';
  days: (Count & { day: number })[];
}

/** What is put side by side: by the wing a ball comes to, by the way it goes, by the half and by the depth it is hit to. */
const SIDES = [
  ['wing', 'forehand', 'backhand'],
  ['direction', 'cross', 'line'],
  ['half', 'left', 'right'],
  ['depth', 'deep', 'short'],
] as const;
/** One of two sides. */
export type SideName = (typeof SIDES)[number][1 | 2];

/** Two kinds of balls side by side. */
export interface SideBySide {
  sport: Sport;
  of: (typeof SIDES)[number][0];
  a: Count & { name: SideName };
  b: Count & { name: SideName };
  /** Of b over a. */
  comparison: Comparison;
  /** So many more balls at these rates would tell them apart; 0 when they are, null when thousands would not. */
  ballsToTell: number | null;
}

/** What a player’s rounds come to. */
export interface PlayerProgress {
  strokes: StrokeProgress[];
  rates: RateProgress[];
  sides: SideBySide[];
  /** Swings, oldest day first. */
  load: { day: number; swings: number }[];
  /** Longest run of hits, and the day it was. */
  bestRun: { length: number; day: number } | null;
}

/** A trend looks so many days back. */
const BACK_DAYS = 28;
/** Days of a stroke before there is a trend. */
const LEAST_DAYS = 3;
/** One-sided 95 %. */
const SURE = 1.645;

const swung = ({ outcome }: { outcome: Outcome }): boolean => outcome !== 'not-fed' && outcome !== 'let-go';

/** 1 σ of log σ, off its 90 % interval. */
const logSd = ({ interval90: [lo, hi] }: ScatterNow): number => Math.log(hi / lo) / (2 * SURE);

function trendOf(days: readonly StrokeDay[]): Trend {
  const last = days.at(-1);
  if (!last || days.length < LEAST_DAYS) return 'too-early';
  const before = [...days].reverse().find(({ day }) => day <= last.day - BACK_DAYS) ?? days[0]!;
  const change = Math.log(last.scatter.sideDeg / before.scatter.sideDeg);
  const doubt = Math.hypot(logSd(last.scatter), logSd(before.scatter));
  if (Math.abs(change) < SURE * doubt) return 'same';
  return change < 0 ? 'better' : 'worse';
}

/** So many balls nobody throws to know. */
const MOST_TO_TELL = 4000;

/** So many more balls, at the rates so far, until two counts are told apart; null for more than anybody throws. */
export function ballsToTell(a: Count, b: Count): number | null {
  const total = a.balls + b.balls;
  if (a.balls === 0 || b.balls === 0) return null;
  const grown = ({ hits, balls }: Count, times: number): Count => ({ hits: Math.round(hits * times), balls: Math.round(balls * times) });
  const more = (times: number) => compareRates(grown(a, times), grown(b, times));
  if (more(1).different) return 0;
  for (let times = 1.1; (times - 1) * total <= MOST_TO_TELL; times *= 1.1)
    if (more(times).different) return Math.ceil(((times - 1) * total) / 10) * 10;
  return null;
}

/** A ball met so far to a side of where the player waits is of that wing, m; a target so far over the middle is across. */
const ASIDE_M = 0.25;
const ACROSS_M = 0.5;

/** Of which side a ball is, by where it is met and where it is hit to; null in the middle, and where the coach says where to. */
export function sideOf(
  card: RungDocument,
  feed: Feed,
  hand: 'left' | 'right',
): {
  wing: 'forehand' | 'backhand' | null;
  direction: 'cross' | 'line' | null;
  half: 'left' | 'right' | null;
  depth: 'deep' | 'short' | null;
} {
  const play = netPlayOf(ballById(card.ballId).sport);
  const met = metAt(card, feed);
  const right = met.x - card.player.start.x;
  const target = targetOf(card, feed);
  const isAcross = target !== null && Math.min(Math.abs(met.x), Math.abs(target.x)) >= ACROSS_M;
  return {
    wing: Math.abs(right) < ASIDE_M ? null : right > 0 === (hand === 'right') ? 'forehand' : 'backhand',
    direction: isAcross ? (Math.sign(met.x) === Math.sign(target.x) ? 'line' : 'cross') : null,
    half: target === null || Math.abs(target.x) < ACROSS_M ? null : target.x < 0 ? 'left' : 'right',
    depth: target === null || !play ? null : target.y > play.shortM ? 'deep' : 'short',
  };
}

/** What the balls of a round came to by side, of a player of one hand and of the other. */
const countsIn = (hand: 'left' | 'right') =>
  once(({ sport, card, results }: LoggedRound): ReadonlyMap<SideName, Count> => {
    const counts = new Map<SideName, Count>();
    if (diamondOf(sport)) return counts;
    const feedOf = feedsOf(card);
    for (const result of results) {
      const feed = feedOf(result);
      const score = scoreOf(card, feed, result.outcome);
      // what was hit to an easier goal would speak for the side it came from
      if (!feed || score === null || result.target) continue;
      const { wing, direction, half, depth } = sideOf(card, feed, hand);
      for (const name of [wing, direction, half, depth]) if (name) counts.set(name, added(counts.get(name), Number(score === 'hit'), 1));
    }
    return counts;
  });
const COUNTS_IN = { left: countsIn('left'), right: countsIn('right') };
const added = (before: Count | undefined, hits: number, balls: number): Count => ({
  hits: (before?.hits ?? 0) + hits,
  balls: (before?.balls ?? 0) + balls,
});

function sidesOf(rounds: readonly LoggedRound[], hand: 'left' | 'right'): SideBySide[] {
  const bySport = new Map<Sport, Map<SideName, { hits: number; balls: number }>>();
  for (const round of rounds) {
    const counts = bySport.get(round.sport) ?? new Map<SideName, { hits: number; balls: number }>();
    bySport.set(round.sport, counts);
    for (const [name, { hits, balls }] of COUNTS_IN[hand](round)) {
      const sum = counts.get(name);
      if (!sum) counts.set(name, { hits, balls });
      else {
        sum.hits += hits;
        sum.balls += balls;
      }
    }
  }
  return [...bySport].flatMap(([sport, counts]) =>
    SIDES.flatMap(([of, first, second]): SideBySide[] => {
      const [a, b] = [counts.get(first), counts.get(second)];
      if (!a || !b) return [];
      return [
        {
          sport,
          of,
          a: { hits: a.hits, balls: a.balls, name: first },
          b: { hits: b.hits, balls: b.balls, name: second },
          comparison: compareRates(a, b),
          ballsToTell: ballsToTell(a, b),
        },
      ];
    }),
  );
}

const middleOf = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const isOn = ({ acrossM, alongM }: { acrossM: number; alongM: number }, widthM: number, depthM: number): boolean =>
  Math.abs(acrossM) <= widthM / 2 && Math.abs(alongM) <= depthM / 2;

/** What was different on each day on which a stroke was played. @param played its rounds, oldest first */
function marksOf(played: readonly LoggedRound[]): Map<number, DayMarks> {
  const marks = new Map<number, DayMarks>();
  // years of rounds share a few cards
  const before = new Set<RungDocument>();
  let last: LoggedRound | undefined;
  for (const [day, today] of byDay(played)) {
    const wind = today.map(({ card, weather = card.weather }) => Math.hypot(weather.windXMps, weather.windYMps));
    const isNew = (card: RungDocument): boolean => !before.has(card) && ![...before].some((each) => sameCard(each, card));
    const { ballId } = today[0]!.card;
    marks.set(day, {
      windMps: Math.max(0, ...wind),
      isNewCard: last !== undefined && today.some(({ card }) => !isForLearning(card) && isNew(card)),
      ballId: last && ballId !== last.card.ballId ? ballId : null,
    });
    for (const { card } of today) before.add(card);
    last = today.at(-1);
  }
  return marks;
}

/** In the order of their days. */
function byDay<T extends { day: number }>(all: readonly T[]): Map<number, T[]> {
  const days = new Map<number, T[]>();
  for (const each of all) {
    const today = days.get(each.day);
    if (today) today.push(each);
    else days.set(each.day, [each]);
  }
  return days;
}

/** The same of the same round, so that what was learnt of it is known to be the same. */
const attemptsIn = once(({ card, sport, results, day, demand }: LoggedRound) => attemptsOf(card, sport, results, { day, demand }));

function strokesOf(rounds: readonly LoggedRound[], level: Level, answers: readonly number[] | undefined): StrokeProgress[] {
  const found = new Map<string, { sport: Sport; stroke: Stroke; all: ReturnType<typeof attemptsOf> }>();
  for (const round of rounds)
    for (const attempt of attemptsIn(round)) {
      const { sport } = round;
      const key = `${sport} ${attempt.stroke}`;
      const before = found.get(key);
      if (before) before.all.push(attempt);
      else found.set(key, { sport, stroke: attempt.stroke, all: [attempt] });
    }
  return [...found.values()].map(({ sport, stroke, all }) => {
    let own = ownScatter(level, answers);
    const days: StrokeDay[] = [];
    const marks = marksOf(rounds.filter(({ sport: of, card }) => of === sport && card.feeds.some((feed) => feed.stroke === stroke)));
    for (const [day, today] of byDay(all)) {
      own = own.learn(today);
      const sum = (of: 'hits' | 'balls'): number => today.reduce((total, each) => total + each[of], 0);
      const landed = today.flatMap(({ landings = [], widthM, depthM }) => landings.map((each) => isOn(each, widthM, depthM)));
      days.push({
        day,
        hits: sum('hits') + landed.filter(Boolean).length,
        balls: sum('balls') + landed.length,
        scatter: own.on(),
        marks: marks.get(day)!,
      });
    }
    return { sport, stroke, distanceM: middleOf(all.map(({ distanceM }) => distanceM)), days, own, trend: trendOf(days) };
  });
}

function ratesOf(rounds: readonly LoggedRound[]): RateProgress[] {
  const found = new Map<string, RateProgress>();
  for (const round of rounds) {
    const { sport, card, day } = round;
    if (!diamondOf(sport)) continue;
    const kind = card.feeds.some(({ target }) => isToFielders(sport, target)) ? 'fielding' : 'hitting';
    const { hits, balls } = ranIn(round);
    if (balls === 0) continue;
    const key = `${sport} ${kind}`;
    const rate = found.get(key) ?? { sport, kind, days: [] };
    const last = rate.days.at(-1);
    if (last?.day === day) Object.assign(last, { hits: last.hits + hits, balls: last.balls + balls });
    else rate.days.push({ day, hits, balls });
    found.set(key, rate);
  }
  return [...found.values()];
}

const ranIn = once(({ card, results }: LoggedRound) => ({ swings: results.filter(swung).length, ...scoreRound(card, results) }));

/**
 * What a player’s rounds come to: scatter by stroke, rates where no target is, one side against the other, the load of each day, the best run.
 * @param rounds oldest first @param answers to demand, how usual each is in the club
 */
export function progressOf(
  rounds: readonly LoggedRound[],
  { level, hand }: { level: Level; hand: 'left' | 'right' },
  answers?: readonly number[],
): PlayerProgress {
  const load = new Map<number, number>();
  let bestRun: PlayerProgress['bestRun'] = null;
  for (const round of rounds) {
    const { day } = round;
    const { swings, longestRun: length } = ranIn(round);
    load.set(day, (load.get(day) ?? 0) + swings);
    if (length > (bestRun?.length ?? 0)) bestRun = { length, day };
  }
  return {
    strokes: strokesOf(rounds.filter(tellsKinds), level, answers),
    rates: ratesOf(rounds),
    sides: sidesOf(rounds.filter(tellsKinds), hand),
    load: [...load].map(([day, swings]) => ({ day, swings })),
    bestRun,
  };
}
