import { seededRandom } from '../random.ts';
import type { Feed, Order, RungDocument } from './schema.ts';

type Dealt = Pick<RungDocument, 'feeds' | 'order' | 'seed' | 'absent'>;

/** Whether a feed is thrown today: switched on, and somebody is there to take it. */
export const isIn = ({ on, positions }: Feed, absent: readonly string[] = []): boolean =>
  on && (!positions?.length || positions.some((each) => !absent.includes(each)));

/**
 * The order of the next balls, as indexes of the feeds. Feeds that are left out are skipped and leave no empty beat; the same seed gives the
 * same deal, and a longer one begins with the shorter.
 * @returns `count` indexes; empty when every feed is left out
 */
export function deal({ feeds, order, seed = 1, absent }: Dealt, count: number): number[] {
  const members = feeds.flatMap((feed, i) => (isIn(feed, absent) ? [i] : []));
  if (members.length === 0) return [];
  const next = dealer(order, members, seed);
  return Array.from({ length: count }, (_, ball) => next(ball));
}

/** Gives the feed of each ball, asked one after the other from 0. */
function dealer(order: Order, members: readonly number[], seed: number): (ball: number) => number {
  const turn = (list: readonly number[]) => (ball: number) => list[ball % list.length]!;
  switch (order.kind) {
    case 'fixed':
      return turn(members);
    case 'player':
      return turn(members.slice(0, 1));
    case 'alternate': {
      const [first, ...others] = members as [number, ...number[]];
      return others.length < 2 ? turn(members) : turn(others.flatMap((each) => [first, each]));
    }
    case 'blocks':
      return turn(members.flatMap((each) => Array<number>(order.size).fill(each)));
    case 'calls': {
      const called = order.list.map((number) => number - 1).filter((i) => members.includes(i));
      return turn(called.length > 0 ? called : members);
    }
    case 'bag':
      return bag(members, seed);
    case 'weighted':
      return weighted(members, order.weights, order.longestRun, seed);
  }
}

/** Shuffles by a number for each feed, so that leaving one out does not disturb the order of the others. */
function bag(members: readonly number[], seed: number): (ball: number) => number {
  const random = seededRandom(seed);
  const highest = Math.max(...members) + 1;
  let now: number[] = [];
  return (ball) => {
    const at = ball % members.length;
    if (at === 0) {
      const last = now.at(-1);
      const keys = Array.from({ length: highest }, random);
      now = [...members].sort((a, b) => keys[a]! - keys[b]!);
      // no feed twice running across the seam; of two that would leave nothing but turn about
      if (now.length > 2 && now[0] === last) now = [...now.slice(1), now[0]!];
    }
    return now[at]!;
  };
}

function weighted(members: readonly number[], weights: readonly number[], longestRun: number, seed: number): (ball: number) => number {
  const random = seededRandom(seed);
  const weightOf = (i: number): number => weights[i] ?? 1;
  const any = members.some((i) => weightOf(i) > 0);
  let last = -1;
  let run = 0;
  return () => {
    const may = members.filter((i) => (any ? weightOf(i) > 0 : true) && (i !== last || run < longestRun));
    // a single member has nobody to break its run
    const from = may.length > 0 ? may : members.filter((i) => i !== last).slice(0, 1);
    const list = from.length > 0 ? from : [last];
    let left = random() * list.reduce((sum, i) => sum + (any ? weightOf(i) : 1), 0);
    let chosen = list.at(-1)!;
    for (const each of list) {
      left -= any ? weightOf(each) : 1;
      if (left >= 0) continue;
      chosen = each;
      break;
    }
    run = chosen === last ? run + 1 : 1;
    last = chosen;
    return chosen;
  };
}

/** The feeds of one round in the order they are thrown. */
export const ballsOf = (rung: Dealt & Pick<RungDocument, 'ballsPerRound'>): Feed[] =>
  deal(rung, rung.ballsPerRound).map((i) => rung.feeds[i]!);

/**
 * What the machine throws in one round: the feeds in order, turned as the sweep has it, each with the seconds to the next release.
 * @param dealt the feed of each ball, by index; without, as the rung deals them
 */
export function programOf(
  rung: Dealt & Pick<RungDocument, 'ballsPerRound' | 'intervalS' | 'sweep'>,
  dealt: readonly number[] = deal(rung, rung.ballsPerRound),
) {
  const random = seededRandom((rung.seed ?? 1) ^ 0x5eed);
  return dealt.map((index, ball) => {
    const feed = rung.feeds[index]!;
    const turnDeg = rung.sweep ? (rung.sweep.kind === 'wide' ? 2 * random() - 1 : ball % 2 === 0 ? -1 : 1) * rung.sweep.halfDeg : 0;
    return {
      index,
      launch: turnDeg === 0 ? feed.launch : { ...feed.launch, bearingDeg: feed.launch.bearingDeg + turnDeg },
      thenS: feed.thenS ?? rung.intervalS,
    };
  });
}

/** Which of the players who hit in turn a ball is for, from 0. @param ball its number in the round, from 1 */
export const hitterOf = ({ hitters = 1 }: Pick<RungDocument, 'hitters'>, ball: number): number => (ball - 1) % hitters;

/** The first balls of a round are for settling in: none of them is a match point. */
const SETTLING = 2;

/**
 * Balls of a round that are match points, by number from 1, rising: the last one, and others dealt from the rung’s seed, never of the first two and never
 * one that only is hit away. Empty where the rung has none.
 */
export function matchPointsOf(rung: Dealt & Pick<RungDocument, 'ballsPerRound' | 'matchPoints'>, dealt?: readonly number[]): number[] {
  const { matchPoints = 0, seed = 1, ballsPerRound, feeds } = rung;
  if (matchPoints === 0) return [];
  const order = dealt ?? deal(rung, ballsPerRound);
  const counted = order.flatMap((index, i) => (feeds[index]?.counts === false ? [] : [i + 1]));
  const last = counted.at(-1);
  if (last === undefined) return [];
  const random = seededRandom(seed ^ 0x9a3e);
  const others = counted.filter((ball) => ball > SETTLING && ball !== last).map((ball) => [random(), ball] as const);
  const chosen = others.sort(([a], [b]) => a - b).slice(0, matchPoints - 1);
  return [...chosen.map(([, ball]) => ball), last].sort((a, b) => a - b);
}

/** How often each feed comes, its longest run, and the pair that is heard most. */
export interface Balance {
  /** How often each feed comes, by its index. */
  counts: number[];
  longestRun: { feed: number; length: number };
  /** The pair that follows one another most often; null for fewer than two balls. */
  pair: { from: number; to: number; times: number } | null;
}

/** How even a sequence is. @param sequence indexes of feeds, as `deal` gives them */
export function balanceOf(sequence: readonly number[], feeds: number): Balance {
  const counts = Array<number>(feeds).fill(0);
  const pairs = new Map<string, NonNullable<Balance['pair']>>();
  let longestRun = { feed: sequence[0] ?? 0, length: 0 };
  let run = 0;
  sequence.forEach((feed, i) => {
    counts[feed]! += 1;
    run = i > 0 && sequence[i - 1] === feed ? run + 1 : 1;
    if (run > longestRun.length) longestRun = { feed, length: run };
    if (i === 0) return;
    const key = `${sequence[i - 1]} ${feed}`;
    const pair = pairs.get(key) ?? { from: sequence[i - 1]!, to: feed, times: 0 };
    pairs.set(key, { ...pair, times: pair.times + 1 });
  });
  const [pair = null] = [...pairs.values()].sort((a, b) => b.times - a.times);
  return { counts, longestRun, pair };
}

/** A sweep at random is a ball that is not known: this many bits at least. */
const SWEEP_BITS = 1;

/**
 * Doubt about the next ball, bits. What can be learnt by heart (fixed, alternate, blocks, one ball) is known; a bag tells more the emptier it is; a
 * call list is known to the caller only.
 */
export function doubtBits(rung: Dealt & Pick<RungDocument, 'sweep'>): number {
  const { order, feeds, absent, sweep } = rung;
  const members = feeds.flatMap((feed, i) => (isIn(feed, absent) ? [i] : []));
  const ofOrder = (): number => {
    switch (order.kind) {
      case 'bag': {
        const n = members.length;
        let bits = 0;
        for (let left = n; left > 1; left--) bits += Math.log2(left);
        return n === 0 ? 0 : bits / n;
      }
      case 'weighted':
        return entropy(members.map((i) => order.weights[i] ?? 1));
      case 'calls':
        return entropy(members.map((i) => order.list.filter((number) => number - 1 === i).length));
      default:
        return 0;
    }
  };
  return Math.max(ofOrder(), sweep?.kind === 'wide' ? SWEEP_BITS : 0);
}

function entropy(weights: readonly number[]): number {
  const total = weights.reduce((sum, each) => sum + each, 0);
  return weights.reduce((bits, each) => (each > 0 ? bits - (each / total) * Math.log2(each / total) : bits), 0);
}

/** Balls thrown without a stop for a word and a look (common practice, no source). */
export const CAP_BALLS = 28;

/** Rest between two rounds, s (common practice, no source). */
export const REST_S = 45;

/** Minutes a rung takes: its rounds ball by ball, and a rest between them. */
export function minutesOf(
  rung: Pick<RungDocument, 'intervalS' | 'ballsPerRound' | 'rounds'> & Partial<Pick<RungDocument, 'feeds'>>,
  restS = REST_S,
): number {
  const { intervalS, ballsPerRound, rounds, feeds = [] } = rung;
  const members = feeds.filter(({ on }) => on);
  const mean = members.length === 0 ? intervalS : members.reduce((sum, { thenS }) => sum + (thenS ?? intervalS), 0) / members.length;
  return (rounds * ballsPerRound * mean + (rounds - 1) * restS) / 60;
}
