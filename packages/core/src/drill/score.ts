import type { FeedId } from '../ids.ts';
import { once } from '../once.ts';
import {
  type Approach,
  longestRun,
  type Need,
  type NextStep,
  nextStep,
  type Outcome,
  outcomesByNumber,
  type RoundCount,
} from '../progress/index.ts';
import { shortTurnDeg } from '../quantity/index.ts';
import { programOf } from './order.ts';
import type { Feed, RungDocument } from './schema.ts';
import type { PlayerTarget } from './target.ts';
import { ROUNDING } from './timing.ts';

/** What a ball counts as; null for one that is no attempt: a misfeed, a spare, a ball let go where nobody asked to choose. */
export type Score = 'hit' | 'miss' | null;

/**
 * Outcome and intent together: where some balls of a rung are to be let go, letting one of them go is right and swinging at it is not, and letting
 * another one go is wrong.
 */
export function scoreOf({ feeds }: Pick<RungDocument, 'feeds'>, feed: Feed | undefined, outcome: Outcome): Score {
  if (outcome === 'not-fed' || outcome === 'not-judged' || feed?.counts === false) return null;
  const wasLetGo = outcome === 'let-go';
  if (feed?.letGo) return wasLetGo ? 'hit' : 'miss';
  if (wasLetGo) return feeds.some((each) => each.on && each.letGo) ? 'miss' : null;
  return outcome === 'in' ? 'hit' : 'miss';
}

type Card = Parameters<typeof programOf>[0];

/** What became of one ball: its number in the round, from 1, and which ball of the card it was, where that is known. */
interface Result {
  seq: number;
  feedId?: FeedId | null;
}

const dealtOf = once((card: Card) => programOf(card));

/** The feed that a result of a round is of: the one it names, else the one that was dealt at its number; undefined beyond the round. */
export function feedsOf(card: Card): (result: Result) => Feed | undefined {
  const program = dealtOf(card);
  return ({ seq, feedId }) => card.feeds.find(({ id }) => id === feedId) ?? card.feeds[program[seq - 1]?.index ?? -1];
}

/** What a round came to. @param results in the order of their balls */
export function scoreRound(card: Card, results: readonly (Result & { outcome: Outcome })[]): RoundCount {
  const feedOf = feedsOf(card);
  const scores = results.flatMap((result) => scoreOf(card, feedOf(result), result.outcome) ?? []);
  const hits = scores.filter((each) => each === 'hit').length;
  return { hits, balls: scores.length, longestRun: longestRun(scores.map((each) => (each === 'hit' ? 'in' : 'out'))) };
}

/** Whether the goal of a round grows; of several who hit in turn nobody would know whose it is. */
export const climbsGoals = ({ goalRun, hitters = 1 }: Pick<RungDocument, 'goalRun' | 'hitters'>): boolean =>
  goalRun !== undefined && hitters === 1;

/** Where a ball was to be hit to, when that was another goal than its card’s. */
export interface Aimed {
  target?: PlayerTarget | null;
}

/** What a round came to for the gate of its rung: a ball that was hit to another goal than the card’s opens nothing. */
export const scoreForGate = (card: Card, results: readonly (Result & Aimed & { outcome: Outcome })[]): RoundCount =>
  scoreRound(
    card,
    results.filter(({ target }) => !target),
  );

/**
 * The gate of a rung, of balls that count: what was asked of more balls than a round counts is asked of as great a share of them.
 * @returns null when none counts
 */
export function gateOf(card: Card & Pick<RungDocument, 'gate' | 'hitters' | 'goalRun'>): Need | null {
  const all = programOf(card).filter(({ index }) => card.feeds[index]!.counts !== false).length;
  const counted = Math.floor(all / (card.hitters ?? 1));
  const { gate } = card;
  if (counted === 0) return null;
  if (climbsGoals(card)) return { streak: Math.min(card.goalRun!, counted) };
  if ('streak' in gate) return { streak: Math.min(gate.streak, counted) };
  return gate.of <= counted ? gate : { hits: Math.ceil((gate.hits * counted) / gate.of - 1e-9), of: counted };
}

/** All of a card that is the same for the same card, but how quick its balls are. */
const essence = once(({ name: _n, focalPoint: _f, weather: _w, rounds: _r, seed: _s, gate: _g, feeds, ...rest }: RungDocument): string =>
  JSON.stringify([
    rest,
    feeds.map(({ id: _id, name: _name, cue: _cue, hold: _h, arc: _a, launch, ...feed }) => {
      const { elevationDeg: _e, bearingDeg: _b, speedMps: _m, ...from } = launch;
      return [from, feed];
    }),
  ]),
);

/**
 * Whether two rounds were run off the same card: the same balls from the same place in the same order, to the same target. Words and weather may differ,
 * and with the weather the elevation, the direction and a little of the speed that bring the same ball to its spot.
 */
export function sameCard(a: RungDocument, b: RungDocument): boolean {
  if (a === b) return true;
  const isAsFast = a.feeds.every(
    ({ launch }, i) => Math.abs((b.feeds[i]?.launch.speedMps ?? 0) / launch.speedMps - 1) <= SAME_SPEED + ROUNDING,
  );
  return isAsFast && essence(a) === essence(b);
}

/** A ball so much faster or slower is the same to a player (our judgement). */
export const SAME_SPEED = 0.06;

/** As much may be turned of a ball to bring it to its spot, or off it by a little: beyond that it is another ball (our judgement). °, share, °. */
export const TRIM = { elevationDeg: 12, speedShare: SAME_SPEED, turnDeg: 15 } as const;

type Turn = Pick<RungDocument['feeds'][number]['launch'], 'elevationDeg' | 'bearingDeg'>;
/** Whether a launch is turned from what is set no further than a trim may, ° of elevation and bearing. */
export const isSlightTurn = (launch: Turn, set: Turn): boolean =>
  Math.abs(launch.elevationDeg - set.elevationDeg) <= TRIM.elevationDeg + ROUNDING &&
  Math.abs(shortTurnDeg(launch.bearingDeg - set.bearingDeg)) <= TRIM.turnDeg + ROUNDING;

/** Whether what is thrown is a card trimmed: the same balls in the same order, and no launch turned further than a trim may. */
export function isTrimOf(rung: RungDocument, card: RungDocument): boolean {
  const untrimmed = ({ weather: _air, feeds, ...rest }: RungDocument): string =>
    JSON.stringify([
      rest,
      feeds.map(({ launch: { elevationDeg: _e, bearingDeg: _b, speedMps: _s, ...launch }, ...feed }) => ({ ...feed, launch })),
    ]);
  return (
    untrimmed(rung) === untrimmed(card) &&
    rung.feeds.every(({ launch }, i) => {
      const set = card.feeds[i]!.launch;
      return isSlightTurn(launch, set) && Math.abs(launch.speedMps / set.speedMps - 1) <= TRIM.speedShare + ROUNDING;
    })
  );
}

/** Whether a round off this card is learnt from and opens no gate: its target was sized for who hits, or its speeds are secret. */
export const isForLearning = ({ ownTarget, secret }: Pick<RungDocument, 'ownTarget' | 'secret'>): boolean =>
  ownTarget === true || secret !== undefined;

/** What is said after a round for learning, by itself: it opens nothing, and the verdict on the others stays as it was; null after another round. */
export function learntFrom(card: RungDocument, approach: Approach, count: RoundCount): NextStep | null {
  if (!isForLearning(card)) return null;
  const forLearning = card.secret ? 'secret-speeds' : 'own-target';
  return nextStep({ approach, need: gateOf(card), roundsAsked: card.rounds, rounds: [count], forLearning });
}

/** A card as its rung has it: without slower and quicker balls, and whatever it is hit to where that was sized for who hits. */
const asKept = ({ secret, order, feeds, ...rest }: RungDocument, isSized: boolean): RungDocument => {
  const { ownTarget: _own, targetAt, targetSize, ...asked } = rest;
  return {
    ...asked,
    ...(isSized ? { targetSize: { widthM: 1, depthM: 1 } } : { targetSize, ...(targetAt && { targetAt }) }),
    order: secret?.order ?? order,
    feeds: feeds.filter(({ variantOf }) => variantOf === undefined),
  };
};

/**
 * Whether the machine throws for this card what the rung has it throw: trimmed at most, whatever the balls are hit to, and each so much slower or quicker at
 * most as its secret says.
 */
export function isThrownFrom(card: RungDocument, rung: RungDocument): boolean {
  const byMps = card.secret?.byMps ?? 0;
  const areNear = card.feeds.every(({ variantOf, launch }) => {
    if (variantOf === undefined) return true;
    const set = card.feeds.find(({ id }) => id === variantOf)?.launch;
    return (
      set !== undefined &&
      launch.x === set.x &&
      launch.y === set.y &&
      launch.z === set.z &&
      Math.abs(launch.speedMps - set.speedMps) <= byMps * (1 + TRIM.speedShare) + ROUNDING &&
      isSlightTurn(launch, set)
    );
  });
  const isSized = card.ownTarget === true;
  return areNear && isTrimOf(asKept(card, isSized), asKept(rung, isSized));
}

/**
 * The verdict on a player’s rounds on a rung as it is now: those run off another card are of before the last change, those for learning open no gate.
 * @param rounds newest first @param scoreOf `scoreForGate` of one, for who keeps that
 */
export function nextStepOn<R extends { card: RungDocument; results: readonly (Result & Aimed & { outcome: Outcome })[] }>(
  rung: RungDocument,
  approach: Approach,
  rounds: readonly R[],
  scoreOf: (round: R) => RoundCount = ({ card, results }) => scoreForGate(card, results),
): NextStep {
  const forGate = rounds.filter(({ card }) => !isForLearning(card) || isForLearning(rung));
  const changed = forGate.findIndex(({ card }) => !sameCard(card, rung));
  const since = changed < 0 ? forGate : forGate.slice(0, changed);
  return nextStep({
    approach,
    need: gateOf(rung),
    roundsAsked: rung.rounds,
    rounds: since.map(scoreOf),
  });
}

/** What was counted of one kind of ball: which feed of the card, and how many of how many were right. */
export interface KindCount extends Pick<RoundCount, 'hits' | 'balls'> {
  index: number;
}

/** Balls of each kind that a round of the card deals and counts, in the order of the feeds. */
export function kindsOf(card: Card): { index: number; balls: number }[] {
  const program = programOf(card);
  return card.feeds
    .map((feed, index) => ({ index, balls: feed.counts === false ? 0 : program.filter((each) => each.index === index).length }))
    .filter(({ balls }) => balls > 0);
}

/**
 * Outcomes of a round of which only numbers are known, kind by kind, as the card deals them; null for a ball that was not thrown. Of a kind that is to be
 * let go, those that were are right.
 * @throws RangeError for a count that is none, or of more balls than the card deals
 */
export function outcomesByKind(card: Card, counts: readonly KindCount[]): (Outcome | null)[] {
  const of = new Map<number, (Outcome | null)[]>();
  for (const { index, balls: dealt } of kindsOf(card)) {
    const { hits, balls } = counts.find((each) => each.index === index) ?? { hits: 0, balls: 0 };
    if (balls > dealt) throw new RangeError(`balls: ${balls} of a kind of which ${dealt} are dealt`);
    const letGo = card.feeds[index]!.letGo === true;
    const known = outcomesByNumber(hits, balls).map((outcome) => (letGo ? (outcome === 'in' ? 'let-go' : 'in') : outcome));
    of.set(index, [...known, ...Array<null>(dealt - balls).fill(null)]);
  }
  return programOf(card).map(({ index }) => of.get(index)?.shift() ?? null);
}
