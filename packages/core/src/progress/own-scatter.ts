import { LEVEL_NEEDS, type Level, type Scatter } from '../catalog/index.ts';
import { onceBy } from '../once.ts';
import { scatterAt } from './players.ts';
import { rateAt } from './width.ts';

/** From so many balls on a player’s own scatter is taken instead of the level’s (our judgement). */
export const OWN_FROM_BALLS = 30;

/** A target as a player hits to it: its size, how far away, and how hard the ball is that comes. */
export interface Attempt {
  /** Any number that grows by 1 a day. */
  day: number;
  distanceM: number;
  widthM: number;
  depthM: number;
  /** 0 kind to 1, the game and more. */
  demand: number;
}

/** What became of the balls of a round. */
export interface AttemptRound extends Attempt {
  hits: number;
  balls: number;
  /** Balls of which it is known where they came down, off the middle of the target, m: each tells more than a hit or a miss. They are not in `balls`. */
  landings?: readonly { acrossM: number; alongM: number }[];
}

/** 1 σ of log σ among the players of a level, before any ball. */
const LEVEL_SD = 0.4;
/** From day to day a player drifts so far (1 σ of log σ for one day) and gets better by so much. */
const WALK_SD = 0.045;
const BETTER_A_DAY = 0.005;
/** A longer break counts as one of so many days: more of it unlearns no more. */
const LONGEST_BREAK = 60;
/** Practice of so many days at most is taken to have gone on unseen. */
const LONGEST_GAIN = 7;
/** A good or a bad day, 1 σ of log σ, shared by the rounds of that day and gone the next. */
const DAY_SD = 0.12;
/** log σ grows by so much from a kind ball to the game’s: three answers to demand, since players differ. */
const DEMANDS = [0.1, 0.35, 0.6] as const;
/** How usual each of the answers is among players, before any round (our judgement). */
const FIRST_ANSWERS = [0.25, 0.5, 0.25] as const;
/** The first weights count as so many players of the club (our judgement). */
const FIRST_WORTH = 6;
/** A share of the balls goes astray, so many times as far: errors have heavier tails than a normal law. */
const ASTRAY = 0.1;
const ASTRAY_TIMES = 2.2;

const STEP = 0.1;
const LOW = -2.5;
const POINTS = 51;
const DAY_REACH = Math.round((2.4 * DAY_SD) / STEP);
const dayWeights = normalised(Array.from({ length: 2 * DAY_REACH + 1 }, (_, i) => gaussian(((i - DAY_REACH) * STEP) / DAY_SD)));

function gaussian(z: number): number {
  return Math.exp(-0.5 * z * z);
}
function normalised(weights: readonly number[]): number[] {
  const sum = weights.reduce((total, each) => total + each, 0);
  return weights.map((each) => each / sum);
}

/** Chance of ±z σ, out of a table: a round asks for it hundreds of times. */
const TABLE_STEP = 0.01;
const TABLE_END = 7;
let table: readonly number[] | null = null;
function within(z: number): number {
  if (z >= TABLE_END) return 1;
  table ??= Array.from({ length: TABLE_END / TABLE_STEP + 2 }, (_, i) => rateAt(1, 2 * i * TABLE_STEP));
  const at = z / TABLE_STEP;
  const i = Math.floor(at);
  return table[i]! + (at - i) * (table[i + 1]! - table[i]!);
}

/** Log of how likely a ball comes down so far off, of a player whose scatter is exp(v) times that of the level, but for a constant. */
function landingLog(
  level: Scatter,
  { distanceM, demand }: Attempt,
  { acrossM, alongM }: { acrossM: number; alongM: number },
  v: number,
  perDemand: number,
): number {
  const sigma = scatterAt(level, distanceM);
  const times = Math.exp(v + perDemand * demand);
  const z2 = (acrossM / sigma.widthM) ** 2 + (alongM / sigma.depthM) ** 2;
  const density = (wide: number): number => Math.exp(-0.5 * (z2 / (times * wide) ** 2)) / (times * wide) ** 2;
  return Math.log((1 - ASTRAY) * density(1) + ASTRAY * density(ASTRAY_TIMES) + 1e-300);
}

/** Of one answer to demand, over log σ; all together they sum to 1. */
type Belief = readonly (readonly number[])[];

const valueAt = (i: number): number => LOW + i * STEP;

/** Chance of one ball to be in, of a player whose scatter is exp(v) times that of the level. */
function chanceAt(level: Scatter, { distanceM, widthM, depthM, demand }: Attempt, v: number, perDemand: number): number {
  const sigma = scatterAt(level, distanceM);
  const times = Math.exp(v + perDemand * demand);
  const [x, y] = [widthM / (2 * sigma.widthM * times), depthM / (2 * sigma.depthM * times)];
  return (1 - ASTRAY) * within(x) * within(y) + ASTRAY * within(x / ASTRAY_TIMES) * within(y / ASTRAY_TIMES);
}

const prior = (answers: readonly number[]): Belief => {
  const weights = normalised(Array.from({ length: POINTS }, (_, i) => gaussian(valueAt(i) / LEVEL_SD)));
  return answers.map((weight) => weights.map((each) => each * weight));
};

/** What is known so many days later. */
function later(belief: Belief, days: number): Belief {
  if (days <= 0) return belief;
  const sd = WALK_SD * Math.sqrt(Math.min(days, LONGEST_BREAK));
  const shift = BETTER_A_DAY * Math.min(days, LONGEST_GAIN);
  const reach = Math.ceil((3 * sd + shift) / STEP) || 1;
  const kernel = normalised(Array.from({ length: 2 * reach + 1 }, (_, i) => gaussian(((i - reach) * STEP + shift) / sd)));
  return belief.map((mass) => {
    const next = Array<number>(POINTS).fill(0);
    mass.forEach((each, i) => {
      kernel.forEach((weight, k) => {
        const to = Math.min(POINTS - 1, Math.max(0, i + k - reach));
        next[to]! += each * weight;
      });
    });
    return next;
  });
}

/** What is known after the rounds of one day, which share how good a day it was. */
function after(belief: Belief, level: Scatter, rounds: readonly AttemptRound[]): Belief {
  const weighed = belief.map((mass, m) => {
    const perDemand = DEMANDS[m]!;
    const logs = Array.from({ length: POINTS + 2 * DAY_REACH }, (_, i) =>
      rounds.reduce((sum, round) => {
        const chance = Math.min(1 - 1e-4, Math.max(1e-4, chanceAt(level, round, valueAt(i - DAY_REACH), perDemand)));
        const landed = (round.landings ?? []).reduce(
          (total, each) => total + landingLog(level, round, each, valueAt(i - DAY_REACH), perDemand),
          0,
        );
        return sum + landed + round.hits * Math.log(chance) + (round.balls - round.hits) * Math.log(1 - chance);
      }, 0),
    );
    return { mass, logs };
  });
  // against the likeliest, so that a day of a hundred balls does not run out of digits
  const top = Math.max(...weighed.flatMap(({ logs }) => logs));
  const next = weighed.map(({ mass, logs }) =>
    mass.map((each, i) => each * dayWeights.reduce((sum, weight, k) => sum + weight * Math.exp(logs[i + k]! - top), 0)),
  );
  const total = next.flat().reduce((sum, each) => sum + each, 0);
  return next.map((mass) => mass.map((each) => each / total));
}

type Weighed = readonly [value: number, weight: number];

const meanOf = (values: readonly Weighed[]): number =>
  values.reduce((sum, [value, weight]) => sum + value * weight, 0) / values.reduce((sum, [, weight]) => sum + weight, 0);

/** The middle, and what nine of ten may well be between, of values with their weights. */
function quantiles(values: readonly Weighed[]): { lo: number; middle: number; hi: number } {
  const sorted = [...values].sort(([a], [b]) => a - b);
  const total = sorted.reduce((sum, [, weight]) => sum + weight, 0);
  const at = (share: number): number => {
    let sum = 0;
    for (const [value, weight] of sorted) {
      sum += weight;
      if (sum >= share * total) return value;
    }
    return sorted.at(-1)![0];
  };
  return { lo: at(0.05), middle: at(0.5), hi: at(0.95) };
}

/** A player’s own scatter with a stroke, and what nine of ten may well be. */
export interface ScatterNow extends Scatter {
  /** Of `sideDeg`, 90 %. */
  interval90: readonly [lo: number, hi: number];
}

/** A chance of a ball to be in, and what it may well be on that day, 90 %. */
export interface ScatterChance {
  share: number;
  interval90: readonly [lo: number, hi: number];
}

/** How far one player’s shots scatter with one stroke, learnt round by round. Nothing in it changes: what it learns is another. */
export interface OwnScatter {
  /** After these rounds, of one day or of several, oldest first and none before what is known. @throws RangeError for one that is */
  learn(rounds: readonly AttemptRound[]): OwnScatter;
  /** On that day; on the day of the last round without. */
  on(day?: number): ScatterNow;
  chance(attempt: Attempt): ScatterChance;
  /** As `chance`, without what it may well be: a third of the work. */
  share(attempt: Attempt): number;
  /** How likely each of the answers to demand is, before any round and now. */
  answers(): AnswersTold;
}

/** What a player’s rounds told of the answers to demand: their weights before and after. */
export interface AnswersTold {
  before: readonly number[];
  after: readonly number[];
}

/**
 * How usual each answer to demand is among the players of a club, by what each of their strokes told: the most likely weights, where the first ones count as
 * six players (Dempster, Laird and Rubin’s EM, quoted from memory). @returns as many weights as there are answers; they sum to 1
 */
export function clubAnswers(told: readonly AnswersTold[]): number[] {
  let weights: number[] = [...FIRST_ANSWERS];
  // far beyond the second digit for any club
  for (let i = 0; i < 60; i++) {
    const sums = FIRST_ANSWERS.map((each) => each * FIRST_WORTH);
    for (const { before, after } of told) {
      const shares = normalised(weights.map((each, m) => (each * after[m]!) / before[m]!));
      shares.forEach((share, m) => {
        sums[m]! += share;
      });
    }
    weights = normalised(sums);
  }
  return weights;
}

/** How many times as far shots scatter off a game ball as off a kind one, with answers so usual. */
export const demandTimes = (answers: readonly number[] = FIRST_ANSWERS): number =>
  Math.exp(DEMANDS.reduce<number>((sum, each, m) => sum + each * answers[m]!, 0));

/** Players before any round, by level and answers: what is learnt of the same one is known to be the same. So many clubs’ are kept. */
const first = onceBy<OwnScatter>(200);

/**
 * A player of a level before any round. Hidden is log σ over the level’s own scatter: it walks from day to day, a little better each, with good and bad
 * days on top; each round tells of it through the size and the distance of its target. Exact on a grid, so that it needs no seed.
 * @param answers to demand, how usual each is in the club; see `clubAnswers`
 */
export function ownScatter(level: Level, answers: readonly number[] = FIRST_ANSWERS): OwnScatter {
  return first(`${level} ${answers.join(' ')}`, () => known(LEVEL_NEEDS[level].scatter, answers, prior(answers), null, []));
}

/**
 * What was learnt last of rounds that ended with this one, out of what was known before them: years of a player are looked back at again with each ball of
 * today, and all days before it are the same.
 */
const learnt = new WeakMap<AttemptRound, { from: OwnScatter; rounds: readonly AttemptRound[]; own: OwnScatter }>();

/** @param answers how usual each answer to demand was taken to be @param before what was known before the last day @param today the rounds of that day */
function known(level: Scatter, answers: readonly number[], before: Belief, day: number | null, today: readonly AttemptRound[]): OwnScatter {
  let made: Belief | null = null;
  const belief = (): Belief => {
    made ??= today.length === 0 ? before : after(before, level, today);
    return made;
  };
  const at = (on: number): Belief => later(belief(), day === null ? 0 : on - day);
  const learn = (rounds: readonly AttemptRound[]): OwnScatter => {
    let [now, on, group] = [before, day, today];
    for (const round of rounds) {
      if (on !== null && round.day < on) throw new RangeError(`day: ${round.day} is before day ${on}`);
      if (on !== null && round.day > on) {
        const then = group === today ? belief() : after(now, level, group);
        now = later(then, round.day - on);
        group = [];
      }
      group = [...group, round];
      on = round.day;
    }
    return known(level, answers, now, on, group);
  };
  let onLast: ScatterNow | null = null;
  const scatterOn = (asked: number): ScatterNow => {
    const values = at(asked).flatMap((mass) => mass.map((weight, i) => [valueAt(i), weight] as const));
    const { lo, hi } = quantiles(values);
    const times = Math.exp(values.reduce((sum, [value, weight]) => sum + value * weight, 0));
    const { sideDeg, depthShare } = level;
    return { sideDeg: sideDeg * times, depthShare: depthShare * times, interval90: [sideDeg * Math.exp(lo), sideDeg * Math.exp(hi)] };
  };
  const chancesOn = (attempt: Attempt): Weighed[] =>
    at(attempt.day).flatMap((mass, m) =>
      Array.from({ length: POINTS + 2 * DAY_REACH }, (_, i): Weighed => {
        const weight = dayWeights.reduce((sum, each, k) => sum + each * (mass[i - k] ?? 0), 0);
        return [chanceAt(level, attempt, valueAt(i - DAY_REACH), DEMANDS[m]!), weight];
      }),
    );
  const self: OwnScatter = {
    learn(rounds) {
      const last = rounds.at(-1);
      if (!last) return self;
      const told = learnt.get(last);
      if (told?.from === self && told.rounds.length === rounds.length && told.rounds.every((each, i) => each === rounds[i]))
        return told.own;
      const own = learn(rounds);
      learnt.set(last, { from: self, rounds: [...rounds], own });
      return own;
    },
    on(asked) {
      if (asked !== undefined && asked !== day) return scatterOn(asked);
      onLast ??= scatterOn(day ?? 0);
      return onLast;
    },
    answers: () => ({ before: answers, after: belief().map((mass) => mass.reduce((sum, each) => sum + each, 0)) }),
    share: (attempt) => meanOf(chancesOn(attempt)),
    chance(attempt) {
      const chances = chancesOn(attempt);
      const { lo, hi } = quantiles(chances);
      return { share: meanOf(chances), interval90: [lo, hi] };
    },
  };
  return self;
}
