/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';
import { diamondOf, type Level, type Sport, type Stroke } from '../catalog/index.ts';
import { away, gateOf, isIn, metAt, type RungDocument, resizeTarget, targetOf } from '../drill/index.ts';
import type { LadderId, PlayerId, RungId } from '../ids.ts';
import { PLAN_ROLES, type PlanDocument, type Schedule, scheduleOf } from '../people/index.ts';
import { type Count, chanceToMeet, type Need, type OwnScatter, ownScatter, type ScatterChance, type Verdict } from '../progress/index.ts';

/** How likely a player is to hit a ball of a rung on a day, and of how many balls that is known: 0 where only the level tells. */
export interface RungChance extends ScatterChance {
  balls: number;
}

/** What is known of a player who is asked for. */
export interface KnownPlayer {
  level: Level;
  /** By stroke, in the sport of the rung. */
  strokes: readonly { stroke: Stroke; own: OwnScatter; balls: number }[];
}

/** Without a ball on a card a player is taken to hit so many of ten from kind to the game, as if so many balls had told it (our judgement). */
const FIRST_RATE = { kind: 0.75, game: 0.3, balls: 4 };

/** What the chance on a rung is asked by: the day, the demand of its balls (0 kind to 1, the game), and what this player hit on the card so far. */
export interface ChanceAsked {
  day: number;
  demand: number;
  onCard: Count;
}

/** The balls of a rung that are hit to a target, with whoever hits them; null where one of them is not. */
function attemptsOf(rung: RungDocument, sport: Sport, { level, strokes }: KnownPlayer, { day, demand }: ChanceAsked) {
  const fed = diamondOf(sport) ? [] : rung.feeds.filter((feed) => isIn(feed, rung.absent) && feed.counts !== false && !feed.letGo);
  const attempts = fed.flatMap((feed) => {
    const target = targetOf(rung, feed);
    if (!target) return [];
    const known = strokes.find(({ stroke }) => stroke === feed.stroke);
    const { widthM, depthM } = target;
    const attempt = { day, demand, distanceM: Math.max(0.5, away(metAt(rung, feed), target)), widthM, depthM };
    return [{ own: known?.own ?? ownScatter(level), balls: known?.balls ?? 0, attempt }];
  });
  return attempts.length > 0 && attempts.length === fed.length ? attempts : null;
}

const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / values.length;

/** Hits and balls on a card, with those of a player nothing is known of before them. */
function onCardWith(demand: number, { hits, balls }: Count): Count {
  const rate = FIRST_RATE.kind + (FIRST_RATE.game - FIRST_RATE.kind) * Math.min(1, demand);
  return { hits: hits + rate * FIRST_RATE.balls, balls: balls + FIRST_RATE.balls };
}

/** The chance of a ball of a rung to be hit: by the player’s own scatter where it is hit to a target, else by what was hit on this card. */
export function chanceOn(rung: RungDocument, sport: Sport, known: KnownPlayer, asked: ChanceAsked): RungChance {
  const attempts = attemptsOf(rung, sport, known, asked);
  if (attempts) {
    const chances = attempts.map(({ own, attempt }) => own.chance(attempt));
    return {
      share: mean(chances.map(({ share }) => share)),
      interval90: [mean(chances.map(({ interval90 }) => interval90[0])), mean(chances.map(({ interval90 }) => interval90[1]))],
      balls: Math.min(...attempts.map(({ balls }) => balls)),
    };
  }
  const { hits, balls } = onCardWith(asked.demand, asked.onCard);
  const at = (share: number): number => jStat.beta.inv(share, hits, balls - hits);
  return { share: hits / balls, interval90: [at(0.05), at(0.95)], balls: asked.onCard.balls };
}

/** As `chanceOn`, the share alone, which is asked for again and again for targets of many sizes. */
export function shareOn(rung: RungDocument, sport: Sport, known: KnownPlayer, asked: ChanceAsked): number {
  const attempts = attemptsOf(rung, sport, known, asked);
  if (attempts) return mean(attempts.map(({ own, attempt }) => own.share(attempt)));
  const { hits, balls } = onCardWith(asked.demand, asked.onCard);
  return hits / balls;
}

/** Targets are made so much smaller or larger at most. */
const TIMES = { least: 0.4, most: 2.5 };
/** Nearer to half than this nobody moves a cone: some 10 cm of a metre. */
const isNear = (share: number): boolean => Math.abs(share - 0.5) <= 0.05;

/**
 * A rung with the target at which half of the balls would be hit, marked as one’s own: what the chance is with another target is asked by `shareAt`. Null
 * where it is near half as it is, where no target inside the lines would do, where nothing is hit to a target, and where the goal of a round grows.
 */
export function atHalf(rung: RungDocument, sport: Sport, shareAt: (rung: RungDocument) => number): RungDocument | null {
  if (rung.goalRun !== undefined || !rung.feeds.some((feed) => targetOf(rung, feed)) || isNear(shareAt(rung))) return null;
  const { widthM, depthM } = rung.targetSize;
  const sized = (times: number): RungDocument => ({
    ...rung,
    ...resizeTarget(sport, rung, { widthM: widthM * times, depthM: depthM * times }),
    ownTarget: true,
  });
  let [lo, hi]: [number, number] = [TIMES.least, TIMES.most];
  if (shareAt(sized(lo)) > HALF.hi || shareAt(sized(hi)) < HALF.lo) return null;
  for (let i = 0; i < 6; i++) {
    const middle = Math.sqrt(lo * hi);
    if (shareAt(sized(middle)) > 0.5) hi = middle;
    else lo = middle;
  }
  return sized(Math.sqrt(lo * hi));
}

/** A rung that may be part of an outing, with what is known of each who comes. */
export interface OutingRung {
  rungId: RungId;
  ladderId: LadderId;
  document: RungDocument;
  /** It trains a side that is hit less than the other. */
  isWeaker: boolean;
  players: readonly (RungChance & {
    playerId: PlayerId;
    /** When it was last run, in whole days; null for never. */
    lastDay: number | null;
    verdict: Verdict | null;
    /** How wide their target would be for half to be hit; see `atHalf`. */
    halfWidthM: number | null;
  })[];
}

/** Who comes, for how long, to which rungs. */
export interface NextOutingQuestion {
  rungs: readonly OutingRung[];
  playerIds: readonly PlayerId[];
  minutes: number;
  /** Whole days, as `lastDay`. */
  day: number;
  /** Swings each may still have today: the least of those who come; null where nobody is counted. */
  swingsLeft: number | null;
}

/** What a part of an outing is for. */
export type PartRole = (typeof PLAN_ROLES)[number];

/** Why a rung is part of an outing. */
export type PartReason =
  /** Most of its balls will be hit. */
  | { code: 'kind'; share: number }
  /** Nothing kinder is there. */
  | { code: 'easiest'; share: number }
  /** Won so many days ago: once more, so that it stays. */
  | { code: 'fading'; days: number; share: number }
  /** About half of its balls will be hit; on the side that is hit less. */
  | { code: 'half' | 'weaker-side'; share: number }
  /** None is nearer to half. */
  | { code: 'nearest'; share: number }
  /** The gate, and the chance to meet it. */
  | { code: 'gate'; chance: number; need: Need };

/** A rung of an outing, so many rounds of it for each who comes. */
export interface OutingPart {
  role: PartRole;
  rungId: RungId;
  rounds: number;
  reason: PartReason;
  /** Each at the target that half of their own balls would hit. */
  half?: boolean;
}

/** An outing, and what it comes to by the clock. */
export interface NextOuting {
  parts: OutingPart[];
  minutes: number;
  /** Of each who comes. */
  swings: number;
  /** What kept it from being longer: time, the swings of a young player, or nothing left to learn from. */
  endsBy: 'minutes' | 'swings' | 'rungs';
}

/** Where one learns (`judgement`, sweet spot), and from where on a rung warms up. */
const HALF = { lo: 0.4, hi: 0.6 };
const KIND = 0.65;
/** Kinder than this a warm-up tells the body little. */
const WARM = 0.75;
/** What was won fades from so many days on (common practice, no source). */
const FADES_DAYS = 10;
/** A gate worth a try is met so likely. */
const TEST = { lo: 0.15, hi: 0.8 };
const MOST_ROUNDS = 4;
const MOST_MAIN = 3;
/** Beyond these a rung is no part of the main one, however little else is there. */
const LEARNT_FROM = { lo: 0.25, hi: 0.85 };
/** A rung of another ladder may be so much farther from half and still comes second, so that not one thing fills the hour. */
const OTHERWISE = 0.1;
/** A round more of the same is worth so much less. */
const ROUND_AGAIN = 0.03;
/** The side that is hit less goes before one that is so much nearer to half. */
const WEAKER = 0.06;

const meanShare = ({ players }: OutingRung): number => players.reduce((sum, { share }) => sum + share, 0) / players.length;
const fromHalf = (rung: OutingRung): number =>
  rung.players.reduce((sum, { share }) => sum + Math.abs(share - 0.5), 0) / rung.players.length - (rung.isWeaker ? WEAKER : 0);
const isWon = ({ players }: OutingRung): boolean => players.every(({ verdict }) => verdict === 'climb');
const isWithinHalf = (share: number): boolean => share >= HALF.lo && share <= HALF.hi;

/** Parts as a plan that is run from courtside. */
export const planOfParts = (
  parts: readonly OutingPart[],
  rungs: readonly Pick<OutingRung, 'rungId' | 'ladderId' | 'document'>[],
  head: Pick<PlanDocument, 'name' | 'startsAt' | 'playerIds'>,
): PlanDocument => {
  const of = (part: OutingPart) => rungs.find(({ rungId }) => rungId === part.rungId)!;
  const main = parts.find(({ role }) => role === 'main') ?? parts[0]!;
  return {
    ...head,
    ladderId: of(main).ladderId,
    rungs: parts.map(({ rungId, rounds, role, half }) => ({ rungId, rounds, role, ...(half && { half }) })),
    absentIds: [],
    lines: 1,
    stations: head.playerIds.length > 1 ? ['picking up'] : [],
    rotateBy: { kind: 'balls', balls: of(main).document.ballsPerRound },
    capBalls: 28,
    notes: '',
  };
};

const NOWHEN = { name: '-', startsAt: '2000-01-01T00:00' };

/** What parts of an outing come to by the clock, each part with so many rounds for each who comes. */
export function partsSchedule(
  parts: readonly OutingPart[],
  rungs: readonly Pick<OutingRung, 'rungId' | 'ladderId' | 'document'>[],
  playerIds: readonly PlayerId[],
): Schedule {
  if (parts.length === 0) return { turns: [], endsS: 0, share: playerIds.map((playerId) => ({ playerId, turns: 0, balls: 0 })) };
  const plan = planOfParts(parts, rungs, { ...NOWHEN, playerIds: [...playerIds] });
  const documents = parts.map(({ rungId, rounds }) => ({ ...rungs.find((each) => each.rungId === rungId)!.document, rounds }));
  return scheduleOf(plan, documents);
}

/** What is learnt from now: nearest to half first, the second of another ladder where there is one about as near. */
function mainOf(rungs: readonly OutingRung[]): OutingRung[] {
  const open = rungs.filter((rung) => !isWon(rung));
  const byHalf = [...(open.length > 0 ? open : rungs)].sort((a, b) => fromHalf(a) - fromHalf(b));
  const [first] = byHalf;
  if (!first) return [];
  const others = byHalf.slice(1);
  const otherwise = others.find((each) => each.ladderId !== first.ladderId);
  const second = otherwise && fromHalf(otherwise) <= fromHalf(others[0]!) + OTHERWISE ? otherwise : others[0];
  return [first, ...(second ? [second] : []), ...others.filter((each) => each !== second)];
}

/** A kind rung to begin with: one that was won a while ago before all, of the ladder that is learnt from before others. */
function warmUpOf(rungs: readonly OutingRung[], first: OutingRung, day: number): OutingPart | null {
  const others = rungs.filter((each) => each !== first && meanShare(each) > meanShare(first));
  const kind = others.filter(({ players }) => players.every(({ share }) => share >= KIND));
  const since = ({ players }: OutingRung): number => day - Math.max(...players.map(({ lastDay }) => lastDay ?? day));
  const near = (a: OutingRung, b: OutingRung): number =>
    Number(b.ladderId === first.ladderId) - Number(a.ladderId === first.ladderId) ||
    Math.abs(meanShare(a) - WARM) - Math.abs(meanShare(b) - WARM);
  const part = (rung: OutingRung, reason: PartReason): OutingPart => ({ role: 'warm-up', rungId: rung.rungId, rounds: 1, reason });
  const fading = kind.filter((each) => isWon(each) && since(each) >= FADES_DAYS).sort((a, b) => since(b) - since(a))[0];
  if (fading) return part(fading, { code: 'fading', days: since(fading), share: meanShare(fading) });
  const [kindest] = [...kind].sort(near);
  if (kindest) return part(kindest, { code: 'kind', share: meanShare(kindest) });
  const [easiest] = [...others].sort((a, b) => meanShare(b) - meanShare(a));
  return easiest && !isWithinHalf(meanShare(easiest)) ? part(easiest, { code: 'easiest', share: meanShare(easiest) }) : null;
}

/** The gate that is nearest to being met or not: of what was trained, or of a rung a little harder. */
function testOf(rungs: readonly OutingRung[], main: readonly OutingRung[]): OutingPart | null {
  const ladders = main.map(({ ladderId }) => ladderId);
  const tests = rungs
    .filter((each) => ladders.includes(each.ladderId) && !isWon(each))
    .flatMap((rung) => {
      const need = gateOf(rung.document);
      if (!need) return [];
      const { ballsPerRound, hitters = 1 } = rung.document;
      const chance = chanceToMeet(need, Math.floor(ballsPerRound / hitters), Math.min(0.99, Math.max(0.01, meanShare(rung))));
      return chance < TEST.lo || chance > TEST.hi ? [] : [{ rung, need, chance }];
    })
    .sort((a, b) => Math.abs(a.chance - 0.5) - Math.abs(b.chance - 0.5));
  const [best] = tests;
  return best
    ? { role: 'test', rungId: best.rung.rungId, rounds: 1, reason: { code: 'gate', chance: best.chance, need: best.need } }
    : null;
}

/** Whether somebody who comes would learn more from it with another target. */
export const mayHalve = ({ players }: OutingRung): boolean => players.some(({ halfWidthM }) => halfWidthM !== null);

/** Why a rung is in the main part, or would be. */
export function mainReason(rung: OutingRung): PartReason {
  const share = meanShare(rung);
  if (!isWithinHalf(share)) return { code: 'nearest', share };
  return { code: rung.isWeaker ? 'weaker-side' : 'half', share };
}

/**
 * The next outing: a warm-up, what sits at four to six of ten now, and a gate worth a try, within the minutes and the swings of the day. Every part
 * says why it is there.
 */
export function nextOuting({ rungs, playerIds, minutes, day, swingsLeft }: NextOutingQuestion): NextOuting {
  const known = rungs.filter(({ players }) => players.length > 0);
  const [first, ...others] = mainOf(known);
  if (!first || playerIds.length === 0) return { parts: [], minutes: 0, swings: 0, endsBy: 'rungs' };
  const warmUp = warmUpOf(known, first, day);
  const isLearntFrom = (rung: OutingRung): boolean =>
    rung.rungId !== warmUp?.rungId && meanShare(rung) >= LEARNT_FROM.lo && meanShare(rung) <= LEARNT_FROM.hi;
  const main = [first, ...others.filter(isLearntFrom)].slice(0, MOST_MAIN);
  const cost = (parts: readonly OutingPart[]): { minutes: number; swings: number } => {
    const { endsS, share } = partsSchedule(parts, known, playerIds);
    return { minutes: endsS / 60, swings: Math.max(...share.map(({ balls }) => balls)) };
  };
  const over = (parts: readonly OutingPart[]): NextOuting['endsBy'] | null => {
    const { minutes: asked, swings } = cost(parts);
    if (swingsLeft !== null && swings > swingsLeft) return 'swings';
    return asked > minutes ? 'minutes' : null;
  };
  const shareOf = ({ rungId }: OutingPart): number => meanShare(known.find((each) => each.rungId === rungId)!);
  const mainPart = (rung: OutingRung): OutingPart => ({
    role: 'main',
    rungId: rung.rungId,
    rounds: 1,
    reason: mainReason(rung),
    ...(mayHalve(rung) && { half: true }),
  });
  const inOrder = (parts: readonly OutingPart[]): OutingPart[] =>
    [...parts].sort((a, b) => PLAN_ROLES.indexOf(a.role) - PLAN_ROLES.indexOf(b.role) || shareOf(b) - shareOf(a));
  let parts: OutingPart[] = [mainPart(first)];
  let endsBy: NextOuting['endsBy'] = 'rungs';
  const may = (next: OutingPart[]): boolean => {
    const problem = over(next);
    if (problem) endsBy = problem;
    else parts = inOrder(next);
    return problem === null;
  };
  for (const extra of [warmUp, testOf(known, main)]) if (extra) may([...parts, extra]);
  // round by round of what is nearest to half; another rung comes in where it is about as near, and what is far from half only when that is used up
  const roundsOf = (rung: OutingRung): number => parts.find(({ role, rungId }) => role === 'main' && rungId === rung.rungId)?.rounds ?? 0;
  const worth = (rung: OutingRung): number => fromHalf(rung) + ROUND_AGAIN * roundsOf(rung) + (isWithinHalf(meanShare(rung)) ? 0 : 1);
  for (;;) {
    const [rung] = main.filter((each) => roundsOf(each) < MOST_ROUNDS).sort((x, y) => worth(x) - worth(y));
    if (!rung) break;
    const rounds = roundsOf(rung);
    const isOf = ({ role, rungId }: OutingPart): boolean => role === 'main' && rungId === rung.rungId;
    const next = rounds > 0 ? parts.map((each) => (isOf(each) ? { ...each, rounds: rounds + 1 } : each)) : [...parts, mainPart(rung)];
    if (!may(next)) break;
  }
  const full = main.every((rung) =>
    parts.some(({ role, rungId, rounds }) => role === 'main' && rungId === rung.rungId && rounds === MOST_ROUNDS),
  );
  return { parts, ...cost(parts), endsBy: full ? 'rungs' : endsBy };
}
