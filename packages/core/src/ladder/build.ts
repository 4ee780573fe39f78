import { diamondOf, isSoft, LEVEL_NEEDS, type Level, SPORT_RECORDS, type Sport } from '../catalog/index.ts';
import {
  CAP_BALLS,
  COMFORTS,
  type Comfort,
  type Feed,
  firstTargetAt,
  freeFeedId,
  minutesOf,
  type RungDocument,
  resizeTarget,
  type Spot,
  upToHalfS,
} from '../drill/index.ts';
import { heightKept } from '../pitch/index.ts';
import { firstShareFor, gateFor, type Need, targetFor } from '../progress/index.ts';
import { type BuildQuestion, type Candidate, type Last, pitches, strokes } from './candidates.ts';
import { changesBetween } from './change.ts';
import { evenOut } from './even.ts';
import { type JudgeContext, type JudgedRung, judgeRung, wholly } from './judge.ts';
import { HARDLY_SPINS_RPM } from './share.ts';
import { throwTo } from './throwing.ts';
import type { Venue } from './venue.ts';

/** What the last rung still lacks of the game ball, with its figures. */
export type Missing =
  | { code: 'comfort'; figures: { ball: string; comfort: Comfort } }
  | { code: 'no-arc' | 'not-aimed'; figures: Record<never, never> }
  | { code: 'time'; figures: { feedS: number; gameS: number } }
  | { code: 'speed'; figures: { share: number } }
  | { code: 'height'; figures: { higher: boolean } }
  | { code: 'spin'; figures: { feedRpm: number; gameRpm: number } };

/** What would help. */
export type Help =
  | { code: 'closer' | 'softer'; figures: Record<never, never> }
  | { code: 'more-spin'; figures: { rpm: number; kind: string } }
  | { code: 'faster'; figures: { kind: string } };

/** A ladder as it was built: its rungs from the easiest up, and what is missing to the game ball. */
export interface Built {
  rungs: RungDocument[];
  /** The last rung is the game ball, as near as makes no difference. */
  reached: boolean;
  missing: Missing[];
  /** What would help, when it was not reached. */
  help: Help[];
}

/** Seconds an interval begins with (common practice, no source: about 4 s for a beginner). */
const LEAST_INTERVAL_S: Record<Level, number> = { Starting: 4, Building: 3.5, Competing: 3, Advanced: 2.5 };
/** Between two pitches everyone breathes (common practice, no source). */
const PITCH_INTERVAL_S = 8;
const firstIntervalS = (sport: Sport, level: Level): number => (diamondOf(sport) ? PITCH_INTERVAL_S : LEAST_INTERVAL_S[level]);
const BALLS: Record<Level, number> = { Starting: 8, Building: 10, Competing: 10, Advanced: 12 };

/** A built ladder has about so many rungs. */
const MOST_BUILT = 6;
const FEWEST = 3;
/**
 * A ladder from a kind ball to a game ball, every rung aimed on this machine. The same question gives the same ladder.
 * Each rung changes one or two things, none is harder in time than wanted, and demand rises all the way.
 */
export function buildLadder(question: BuildQuestion): Built {
  const missing: Missing[] = [];
  const { candidates, last } = diamondOf(question.sport) ? pitches(question) : strokes(question);
  const context = contextOf(question);
  const shape = shapeOf(question, candidates);
  const kept: { document: RungDocument; judged: JudgedRung }[] = [];
  let atTop = false;
  /** @param first the worst comfort to begin with */
  const climb = (first: Comfort): void => {
    for (const candidate of candidates) {
      // whatever was wanted, a ladder begins calm
      const rung = timed(rungOf(question, candidate, shape), kept.length === 0 ? { ...question, wanted: 'calm' } : question, context);
      const judged = rung && wholly(judgeRung(rung, context));
      if (!rung || !judged) continue;
      if (kept.length === 0 && COMFORTS.indexOf(judged.comfort) > COMFORTS.indexOf(first)) continue;
      if (COMFORTS.indexOf(judged.comfort) > COMFORTS.indexOf(question.wanted)) {
        missing.push({ code: 'comfort', figures: { ball: candidate.name, comfort: judged.comfort } });
        // the next one is quicker still
        if (kept.length > 0) break;
        continue;
      }
      atTop = candidate === candidates.at(-1);
      const noStep = (): boolean => {
        const below = kept.at(-1);
        return below !== undefined && (below.judged.demand.total > judged.demand.total - 0.5 || same(below.document, rung));
      };
      // what is not harder than the rung below it is left out; under the game ball itself, the rung below
      if (!atTop && noStep()) continue;
      while (noStep()) kept.pop();
      kept.push({ document: rung, judged });
    }
  };
  climb('calm');
  // none of its balls can be calm on this machine: then as it was wanted
  if (kept.length === 0) climb(question.wanted);
  // nobody is hurried and slowed again on the way up
  for (let i = kept.length - 2; i >= 0; i--) {
    const [here, above] = [kept[i]!, kept[i + 1]!];
    if (here.document.intervalS >= above.document.intervalS) continue;
    const document = { ...here.document, intervalS: above.document.intervalS };
    const judged = wholly(judgeRung(document, context));
    if (judged) kept[i] = { document, judged };
  }
  if (atTop && kept.length > 0) kept.push(...further(kept.at(-1)!, question, context, MOST_BUILT - kept.length));
  while (kept.length > 0 && kept.length < FEWEST) {
    const easier = gentler(kept[0]!, question, context);
    if (!easier) break;
    kept.unshift(easier);
  }
  const rungs = inMinutes(
    evenOut(
      kept.map(({ document }) => document),
      question,
      context,
    ),
    question,
  );
  if (last === null) missing.push({ code: 'no-arc', figures: {} });
  else if (atTop) missing.push(...lacks(last, question.gameBall.kind === 'pitch'));
  else if (missing.length === 0) missing.push({ code: 'not-aimed', figures: {} });
  const reached = rungs.length > 0 && missing.length === 0;
  return { rungs, reached, missing, help: reached ? [] : helpFor(question, missing) };
}

const MOST_ROUNDS = 20;
/** Fewer balls than these make no round. */
const FEWEST_BALLS = 5;
/** A round grows by so much before there is another one. */
const LONGER_ROUND = 1.5;

const secondsOf = (rungs: readonly RungDocument[]): number => 60 * rungs.reduce((sum, rung) => sum + minutesOf(rung), 0);

/**
 * The rounds and balls that fill the minutes: the same for every rung, then one more round or ball for the upper ones. Never beyond the minutes, unless the
 * fewest balls of the fewest rungs are too long for them.
 */
function inMinutes(rungs: readonly RungDocument[], { minutes, approach, hopperBalls, level }: BuildQuestion): RungDocument[] {
  const wantedS = minutes * 60;
  const most = Math.max(1, Math.min(CAP_BALLS, hopperBalls, Math.ceil(BALLS[level] * LONGER_ROUND)));
  const fewest = Math.min(FEWEST_BALLS, most);
  const shaped = (rung: RungDocument, rounds: number, balls: number): RungDocument => ({
    ...rung,
    rounds,
    ballsPerRound: balls,
    gate: gateFor(approach, balls),
  });
  // too many rungs for the time: those in the middle go first
  let kept = [...rungs];
  while (kept.length > FEWEST && secondsOf(kept.map((rung) => shaped(rung, 1, fewest))) > wantedS) {
    const middle = Math.floor(kept.length / 2);
    kept = kept.filter((_, i) => i !== middle);
  }
  const tries: RungDocument[][] = [];
  for (let rounds = 1; rounds <= MOST_ROUNDS; rounds++) {
    const all = (balls: number): RungDocument[] => kept.map((rung) => shaped(rung, rounds, balls));
    if (rounds > 1 && secondsOf(all(fewest)) > wantedS) break;
    let balls = fewest;
    while (balls < most && secondsOf(all(balls + 1)) <= wantedS) balls++;
    tries.push(topped(all(balls), wantedS, most, shaped));
  }
  const usual = Math.min(BALLS[level], most);
  const cost = (made: RungDocument[]): number => {
    const off = Math.max(0, 1 - secondsOf(made) / wantedS - 0.03);
    const size = made.reduce((sum, { ballsPerRound }) => sum + Math.abs(ballsPerRound / usual - 1), 0) / made.length;
    return 20 * off + size;
  };
  return tries.reduce((a, b) => (cost(b) < cost(a) ? b : a), tries[0]!);
}

/** What time is left goes to the upper rungs, the topmost first: a round more, then a ball more in each round. */
function topped(
  rungs: RungDocument[],
  wantedS: number,
  most: number,
  shaped: (rung: RungDocument, rounds: number, balls: number) => RungDocument,
): RungDocument[] {
  const made = [...rungs];
  const more = (change: (rung: RungDocument) => RungDocument): void => {
    for (let i = made.length - 1; i >= 0; i--) {
      const before = made[i]!;
      made[i] = change(before);
      if (secondsOf(made) > wantedS) made[i] = before;
    }
  };
  more((rung) => shaped(rung, rung.rounds + 1, rung.ballsPerRound));
  more((rung) => shaped(rung, rung.rounds, Math.min(most, rung.ballsPerRound + 1)));
  return made;
}

/** More time and a larger target, for a game ball that is kind already. */
function gentler(
  { document, judged }: { document: RungDocument; judged: JudgedRung },
  { machine, sport }: BuildQuestion,
  context: JudgeContext,
): { document: RungDocument; judged: JudgedRung } | null {
  const easier: RungDocument = {
    ...document,
    name: `${document.name}, more time and room`.slice(0, 120),
    intervalS: Math.min(machine.profile.intervalS[1], document.intervalS + 1),
    ...resizeTarget(sport, document, scaled(document.targetSize, 1.4)),
  };
  const found = wholly(judgeRung(easier, context));
  return found && found.demand.total < judged.demand.total - 0.5 ? { document: easier, judged: found } : null;
}

const same = (a: RungDocument, b: RungDocument): boolean => changesBetween(a, b).length === 0;

/** Rungs above the game ball: where it comes is not known, it comes quicker, the target is smaller. Each changes one thing or two. */
function further(
  top: { document: RungDocument; judged: JudgedRung },
  question: BuildQuestion,
  context: JudgeContext,
  most: number,
): { document: RungDocument; judged: JudgedRung }[] {
  const added: { document: RungDocument; judged: JudgedRung }[] = [];
  const name = top.document.name;
  const options: ((from: RungDocument) => RungDocument | null)[] = [
    (from) => eitherSide(from, question, `${name}, either side`),
    (from) => {
      const judged = wholly(judgeRung(from, context));
      const intervalS = judged && upToHalfS(Math.max(judged.readyIntervalS, from.intervalS * 0.75));
      return !diamondOf(question.sport) && intervalS !== null && intervalS < from.intervalS - 0.3
        ? { ...from, name: `${name}, quicker`, intervalS }
        : null;
    },
    (from) => ({
      ...from,
      name: `${name}, smaller target`,
      ...resizeTarget(question.sport, from, scaled(from.targetSize, 0.7)),
    }),
  ];
  for (const option of options) {
    if (added.length >= most) break;
    const below = added.at(-1) ?? top;
    const made = option(below.document);
    const document = made && (made.order.kind === below.document.order.kind ? made : timed(made, question, context));
    const judged = document && wholly(judgeRung(document, context));
    if (!document || !judged || judged.demand.total < below.judged.demand.total + 0.5) continue;
    if (COMFORTS.indexOf(judged.comfort) > COMFORTS.indexOf(question.wanted)) continue;
    added.push({ document, judged });
  }
  return added;
}

const tenth = (value: number): number => Math.round(value * 10) / 10;
const scaled = ({ widthM, depthM }: RungDocument['targetSize'], by: number): RungDocument['targetSize'] => ({
  widthM: tenth(widthM * by),
  depthM: tenth(depthM * by),
});

/** The same ball to both sides in a shuffled bag; only a machine that turns by its own program can do it. */
function eitherSide(rung: RungDocument, venue: Venue, name: string): RungDocument | null {
  const [feed] = rung.feeds as [Feed];
  const { profile } = venue.machine;
  if (profile.aimedBy !== 'program' || feed.target.kind !== 'landing') return null;
  const from = { ...feed.launch, x: 0 };
  const sides = [1, -1].map((sign) => {
    const target = { ...(feed.target as Extract<Feed['target'], { kind: 'landing' }>), x: sign * Math.abs(feed.target.x) };
    const thrown = throwTo(venue, from, target, feed.launch);
    return (
      thrown && {
        ...feed,
        ...thrown,
        id: sign > 0 ? feed.id : freeFeedId([feed]),
        name: sign * feed.target.x > 0 ? feed.name : `${feed.name}, other side`.slice(0, 120),
      }
    );
  });
  const [one, other] = sides;
  return one && other ? { ...rung, name, feeds: [one, other], order: { kind: 'bag' } } : null;
}

export const contextOf = ({ sport, machine, gameBall }: Pick<BuildQuestion, 'sport' | 'machine' | 'gameBall'>): JudgeContext => ({
  sport,
  machine: machine.profile,
  gameBall: (id) => (id === gameBall.id ? gameBall : undefined),
});

/** More than a tenth from the game ball is another ball. */
const TENTH = 0.1;

/** What the feed lacks of the game ball: time, speed and height where it is met, and which way it spins in flight. */
function lacks({ feed, game, feedRpm, gameRpm }: Last, isPitch: boolean): Missing[] {
  const off = (a: number, b: number): boolean => Math.abs(a / b - 1) > TENTH;
  const spins = Math.abs(gameRpm) > HARDLY_SPINS_RPM;
  const found: (Missing | false)[] = [
    off(feed.timeS, game.timeS) && { code: 'time', figures: { feedS: feed.timeS, gameS: game.timeS } },
    // of a pitch from nearer by the time is the point, not the speed
    !isPitch && off(feed.speedMps, game.speedMps) && { code: 'speed', figures: { share: feed.speedMps / game.speedMps } },
    off(feed.heightM, game.heightM) && { code: 'height', figures: { higher: feed.heightM > game.heightM } },
    spins && feedRpm * gameRpm <= 0 && { code: 'spin', figures: { feedRpm, gameRpm } },
  ];
  return found.filter((each) => each !== false);
}

function helpFor({ machine, gameBall }: BuildQuestion, missing: readonly Missing[]): Help[] {
  const has = (...codes: Missing['code'][]): boolean => missing.some(({ code }) => codes.includes(code));
  const { kind } = machine.profile;
  const help: (Help | false)[] = [
    has('time', 'speed', 'no-arc', 'not-aimed') && { code: 'closer', figures: {} },
    has('comfort') && { code: 'softer', figures: {} },
    has('spin') && { code: 'more-spin', figures: { rpm: Math.abs(gameBall.topspinRpm), kind } },
    has('speed', 'no-arc', 'not-aimed') && { code: 'faster', figures: { kind } },
  ];
  return help.filter((each) => each !== false);
}

interface Shape {
  targetSize: RungDocument['targetSize'];
  targetAt: Spot;
  gate: Need;
  balls: number;
}

function shapeOf(
  { sport, level, court, approach, hopperBalls, gameBall, scatter }: BuildQuestion,
  candidates: readonly Candidate[],
): Shape {
  const balls = Math.max(1, Math.min(BALLS[level], CAP_BALLS, hopperBalls));
  const gate = gateFor(approach, balls);
  const share = firstShareFor(approach, gate, balls);
  const sizeFrom = (distanceM: number) => targetFor(scatter?.[SPORT_RECORDS[sport].stroke] ?? LEVEL_NEEDS[level].scatter, distanceM, share);
  // one place for the whole ladder: that of its game ball, where no place of the machine is in the way
  const ways = candidates.map(({ launch, target, player }) => ({ machine: launch, met: { x: target.x, y: player.y } }));
  return { ...firstTargetAt(sport, level, ways, sizeFrom, { soft: isSoft(gameBall), caged: court.ceilingM != null }), gate, balls };
}

function rungOf(question: BuildQuestion, { name, launch, target, stroke, contact, player }: Candidate, shape: Shape): RungDocument {
  const { court, machine, ballId, dragShare, level, weather, gameBall, focalPoint, sport, heightM } = question;
  return {
    name,
    focalPoint,
    courtId: court.id,
    machineId: machine.id,
    ballId: ballId as RungDocument['ballId'],
    ...(dragShare !== undefined && { dragShare }),
    surfaceId: court.surfaceId as RungDocument['surfaceId'],
    level,
    weather,
    feeds: [{ id: 'b1', name, launch, target, gameBallId: gameBall.id, stroke, ...(contact && { contact }), on: true, cue: '' }],
    order: { kind: 'fixed' },
    intervalS: firstIntervalS(sport, level),
    ballsPerRound: shape.balls,
    rounds: 1,
    player: { start: player, recover: diamondOf(sport) ? null : player },
    targetSize: shape.targetSize,
    targetAt: shape.targetAt,
    gate: shape.gate,
    shadowSwings: 0,
    ...heightKept(sport, heightM),
  };
}

/** The rung at an interval in which the machine and the level are comfortable; null when a ball never arrives. */
function timed(rung: RungDocument, { level, machine, wanted, sport }: BuildQuestion, context: JudgeContext): RungDocument | null {
  const [least, most] = machine.profile.intervalS;
  const judged = wholly(judgeRung(rung, context));
  if (!judged) return null;
  const needed = (wanted === 'calm' ? judged.calmIntervalS : null) ?? judged.readyIntervalS;
  return { ...rung, intervalS: Math.min(most, Math.max(least, firstIntervalS(sport, level), upToHalfS(needed))) };
}
