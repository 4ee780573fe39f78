import type { Arrival } from '../bench/index.ts';
import { ballById, diamondOf, LEVEL_NEEDS, type Sport } from '../catalog/index.ts';
import {
  away,
  CAP_BALLS,
  COMFORT_FROM,
  type Comfort,
  comfortOf,
  doubtBits,
  type Feed,
  isToFielders,
  minutesOf,
  programOf,
  type Recovery,
  ROUNDING,
  type RungDocument,
  recoverAfter,
  recoveryOf,
  ritualS,
  type Spot,
  shortestFor,
  timeAfter,
} from '../drill/index.ts';
import { type MachineProfile, reachS } from '../machine/index.ts';
import { FIELDING_INTERVAL_S, HITTER_INTERVAL_S, hitterIntervalEase } from '../pitch/index.ts';
import { type Demand, demandOf } from './demand.ts';
import type { JudgedBall, Share } from './judged.ts';
import { type Seen, type SeenWith, seen } from './seen.ts';
import { shareOf } from './share.ts';
import { type MachineWorry, worriesOf } from './worries.ts';

/** What a rung is judged with. */
export interface JudgeContext extends SeenWith {
  machine: Pick<MachineProfile, 'intervalS' | 'hopper' | 'aimedBy' | 'bearingReachDeg' | 'spin'>;
  capBalls?: number;
  /** Who share the balls. */
  players?: number;
}

/** Why a ball, or a whole rung, has no verdict: it never reaches the player, no ball is switched on, or there is no machine to throw it. */
export type NotJudged = { code: 'does-not-arrive'; feed: number } | { code: 'nothing-on' } | { code: 'no-machine' };

/** Of every ball of the deal: how it is, or why nobody can say. */
export type BallVerdict = ({ kind: 'judged' } & JudgedBall) | { kind: 'not-judged'; feed: number; releaseS: number; why: NotJudged };

/** A rung of which at least one ball could not be judged: it has no word of its own, and is never safe. */
export interface NotJudgedRung {
  kind: 'not-judged';
  why: readonly NotJudged[];
  verdicts: readonly BallVerdict[];
  /** The balls that could be, as if the others were not thrown; null when there are none. */
  rest: JudgedRung | null;
}

/** The verdict on a rung: on every ball, or why some could not be judged. */
export type Judgement = JudgedRung | NotJudgedRung;

/** The verdict on a rung that was judged whole; null for another. */
export const wholly = (judgement: Judgement): JudgedRung | null => (judgement.kind === 'judged' ? judgement : null);

/** A rung nobody can say anything of. */
export const notJudged = (why: NotJudged): NotJudgedRung => ({ kind: 'not-judged', why: [why], verdicts: [], rest: null });

/** A rung with a verdict on every ball. */
export interface JudgedRung {
  kind: 'judged';
  balls: JudgedBall[];

  comfort: Comfort;
  /** The ball that gives the rung its word. */
  worst: JudgedBall;
  /** Every ball at least `working`, and the machine ready in time; null when a ball itself is too quick for that. */
  shortestIntervalS: number | null;
  /** Every ball calm; null likewise. */
  calmIntervalS: number | null;
  /** Every player ready when the next ball leaves, and the machine in time, however quick the balls themselves are. */
  readyIntervalS: number;
  /** Of a rung with a serve of one's own: the ritual begins so long before the machine lets go, s (negative: after it). */
  ritualBeforeS: number | null;
  /** A ball leaves before its player is ready to see it: the hopper is survived, not practised. */
  survival: boolean;
  /** A hard ball and a reaction that is not there: someone must confirm it by name. */
  unsafe: boolean;
  machine: { needsS: number; worries: MachineWorry[] };
  demand: Demand;
  share: Share | null;
  arrivals: (Arrival | null)[];
  minutes: number;
  ballsInAll: number;
  hoppers: number;
  /** Swings or throws of each player, shadow swings included. */
  swingsEach: number;
  /** Stops to pick up and think, at the cap. */
  pickUps: number;
}

/** Just under calm. */
const UNKIND_EASE = COMFORT_FROM.calm - 0.01;

/** Whether somebody must answer by name before this is thrown: a hard ball that leaves too little time, or one that could not be judged. */
export const needsName = (rung: Pick<RungDocument, 'ballId'>, judgement: Judgement): boolean =>
  ballById(rung.ballId).hard && (judgement.kind === 'judged' ? judgement.unsafe : true);

/** From one ball to the next, for those who play them. */
interface Between {
  pathM: number;
  /** Null for a hitter, who stays. */
  recovery: Recovery | null;
}

function between(rung: RungDocument, sport: Sport, [here, there]: readonly [Seen, Seen], [feed, next]: readonly [Feed, Feed]): Between {
  const { prepareS, followThroughS, breathS } = LEVEL_NEEDS[rung.level];
  if (here.hitter || there.hitter) return { pathM: 0, recovery: null };
  // two fielders do not run for one another's balls
  if (diamondOf(sport) && !sameFielder(feed, next)) {
    const { needS, flightS: nextFlightS } = there;
    return { pathM: 0, recovery: { readyS: FIELDING_INTERVAL_S, nextFlightS, runS: 0, needS, breathS } };
  }
  const preparingS = prepareS[next.stroke];
  const serveS = rung.ritual ? ritualS(rung.ritual) + followThroughS + rung.ritual.readyS : 0;
  const by = (stops: readonly Spot[]): Between & { recovery: Recovery } => {
    const waits = stops.at(-1) ?? there.contact;
    let [homeM, from] = [0, here.contact];
    for (const stop of [...stops.slice(0, -1), waits]) {
      homeM += away(from, stop);
      from = stop;
    }
    const runM = away(waits, there.contact);
    const recovery = recoveryOf(rung.level, {
      // of a fielder the way counts, not how long the ball hung: the next may leave while they come in
      flightS: isToFielders(sport, feed.target) ? 0 : here.flightS,
      homeM,
      // of a fielder the run is in what is needed
      runM: isToFielders(sport, next.target) ? 0 : runM,
      nextFlightS: there.flightS,
      preparingS,
      needS: there.needS,
      betweenS: rung.shadowSwings * (preparingS + followThroughS) + serveS,
    });
    const readyS = isToFielders(sport, feed.target) ? Math.max(FIELDING_INTERVAL_S, recovery.readyS) : recovery.readyS;
    return { pathM: homeM + runM, recovery: { ...recovery, readyS } };
  };
  // members of a combination are met one after the other, with no way home between them
  const recover = recoverAfter(rung, feed);
  const home = recover && !next.meet && feed.thenS === undefined ? [recover] : [];
  const stops = [...home, ...(rung.ritual ? [rung.player.start] : []), ...(next.marker ? [next.marker] : [])];
  const direct = by(stops);
  // who walked in, or touched a marker, and could not get back to the next ball from there goes on to where the drill starts
  const back = stops.length > 0 && !next.meet && ownEaseOf(direct.recovery) < COMFORT_FROM.working;
  return back ? by([...stops, rung.player.start]) : direct;
}

const ownEaseOf = ({ nextFlightS, runS, needS }: Recovery): number => (nextFlightS - runS) / needS;

/**
 * Judges a rung before it is climbed: the time of every ball, what the machine needs, how hard it is, how much of a game it is.
 * Every ball of the deal has a verdict or the reason why it has none; a rung with one of those is not judged.
 */
export function judgeRung(rung: RungDocument, context: JudgeContext): Judgement {
  const program = programOf(rung);
  if (program.length === 0) return notJudged({ code: 'nothing-on' });
  const bits = doubtBits(rung);
  const met = new Map<number, Seen>();
  const missing = new Set<number>();
  for (const index of new Set(program.map((each) => each.index))) {
    const one = seen(rung, rung.feeds[index]!, bits, context);
    if (one) met.set(index, one);
    else missing.add(index);
  }
  if (missing.size === 0) return judgeMet(rung, context, program, met, bits);
  const rest = met.size === 0 ? null : judgeMet(rung, context, withoutMissing(program, missing), met, bits);
  const judged = [...(rest?.balls ?? [])];
  let releaseS = 0;
  const verdicts = program.map(({ index, thenS }): BallVerdict => {
    const at = releaseS;
    releaseS += thenS;
    if (!missing.has(index)) return { kind: 'judged', ...judged.shift()!, releaseS: at };
    return { kind: 'not-judged', feed: index, releaseS: at, why: { code: 'does-not-arrive', feed: index } };
  });
  const why = [...missing].sort((a, b) => a - b).map((feed): NotJudged => ({ code: 'does-not-arrive', feed }));
  return { kind: 'not-judged', why, verdicts, rest };
}

/** What is left of a deal when some balls never come: their time is added to that of the ball before. */
function withoutMissing(program: Program, missing: ReadonlySet<number>): Program {
  const kept: Program[number][] = [];
  let before = 0;
  for (const each of program) {
    const last = kept.at(-1);
    if (!missing.has(each.index)) kept.push(each);
    else if (last) kept[kept.length - 1] = { ...last, thenS: last.thenS + each.thenS };
    else before += each.thenS;
  }
  const last = kept.at(-1)!;
  kept[kept.length - 1] = { ...last, thenS: last.thenS + before };
  return kept;
}

type Program = ReturnType<typeof programOf>;

function judgeMet(rung: RungDocument, context: JudgeContext, program: Program, met: ReadonlyMap<number, Seen>, bits: number): JudgedRung {
  const { sport, machine, capBalls = CAP_BALLS, players = 1 } = context;
  // who hits in turn with others has the time of their balls, too: the next of one's own is so many later
  const hitters = rung.hitters ?? 1;
  const ownNext = (i: number): number => (i + hitters) % program.length;
  const ownLast = (i: number): number => (i - hitters + program.length * hitters) % program.length;
  const gaps = program.map(({ index }, i): Between => {
    const next = program[ownNext(i)]!.index;
    return between(rung, sport, [met.get(index)!, met.get(next)!], [rung.feeds[index]!, rung.feeds[next]!]);
  });
  const times = gaps.map(({ recovery }, i) => {
    const thenS = Array.from({ length: hitters }, (_, k) => program[(i + k) % program.length]!.thenS).reduce((sum, each) => sum + each, 0);
    if (recovery) {
      const after = timeAfter(recovery, thenS);
      return { ...after, ratioEase: after.ratio, ownEase: ownEaseOf(recovery) };
    }
    const { flightS, hitter, needS } = met.get(program[ownNext(i)]!.index)!;
    const ownEase = hitter?.ease ?? flightS / needS;
    const spareEase = hitterIntervalEase(thenS);
    const spareS = thenS - HITTER_INTERVAL_S.working;
    return { spareS, availableS: flightS, needS, ratio: flightS / needS, ratioEase: ownEase, spareEase, ownEase };
  });
  let [releaseS, needsS, late] = [0, 0, 0];
  const lastOf = new Map<string, { launch: Feed['launch']; releaseS: number }>();
  const balls = program.map(({ index, launch, thenS }, i): JudgedBall => {
    const here = met.get(index)!;
    const [before, after] = [times[ownLast(i)]!, times[i]!];
    const machineId = rung.feeds[index]!.machineId ?? rung.machineId;
    const last = lastOf.get(machineId);
    if (last) {
      const reach = reachS(last.launch, launch);
      needsS = Math.max(needsS, reach);
      late = Math.max(late, reach - (releaseS - last.releaseS));
    }
    lastOf.set(machineId, { launch, releaseS });
    const { height } = here;
    // at the shins or over the ears no ball is calm, however much time there is
    const ease = Math.min(before.ratioEase, after.spareEase, height?.word === 'unkind' ? UNKIND_EASE : Number.POSITIVE_INFINITY);
    const ball: JudgedBall = {
      feed: index,
      releaseS,
      flightS: here.flightS,
      contact: here.contact,
      availableS: before.availableS,
      needS: before.needS,
      ratio: before.ratio,
      ownEase: before.ownEase,
      spareS: after.spareS,
      ease,
      pathM: gaps[i]!.pathM,
      comfort: comfortOf(ease),
      height,
    };
    releaseS += thenS;
    return ball;
  });
  const worst = balls.reduce((a, b) => (b.ease < a.ease ? b : a));
  const { hard } = ballById(rung.ballId);
  // the rung's own interval moves these only
  const free = gaps.flatMap((gap, i) => (rung.feeds[program[i]!.index]!.thenS === undefined ? [{ ...gap, time: times[i]! }] : []));
  const ofMachine = Math.max(needsS, machine.intervalS[0]);
  const shortest = (word: 'working' | 'calm'): number | null => {
    if (free.some(({ recovery, time }) => !recovery && time.ownEase < COMFORT_FROM[word] - ROUNDING)) return null;
    const needed = shortestFor(
      word,
      free.flatMap(({ recovery }) => recovery ?? []),
    );
    const own = Math.max(needed ?? 0, free.some(({ recovery }) => !recovery) ? HITTER_INTERVAL_S[word] : 0);
    return needed === null ? null : Math.max(own / hitters, ofMachine);
  };
  const ballsInAll = rung.rounds * rung.ballsPerRound;
  const counted = program.filter(({ index }) => rung.feeds[index]!.counts !== false).length;
  const arrivals = rung.feeds.map((_, i) => met.get(i)?.arrival ?? null);
  const share = shareOf(rung, sport, arrivals, context.gameBall);
  return {
    kind: 'judged',
    balls,
    comfort: worst.comfort,
    worst,
    shortestIntervalS: shortest('working'),
    calmIntervalS: shortest('calm'),
    readyIntervalS: Math.max(ofMachine, ...free.map(({ recovery }) => (recovery?.readyS ?? HITTER_INTERVAL_S.working) / hitters)),
    ritualBeforeS: rung.ritual ? ritualBefore(rung, met.get(balls[0]!.feed)!) : null,
    survival: balls.some(({ spareS }) => spareS < -ROUNDING),
    unsafe: hard && balls.some(({ feed, ownEase }) => (met.get(feed)!.dangerEase ?? ownEase) < COMFORT_FROM.rushed - ROUNDING),
    machine: { needsS, worries: worriesOf(rung, machine, late, ballsInAll) },
    demand: demandOf({ rung, sport, balls, bits, share }),
    share,
    arrivals,
    minutes: minutesOf(rung),
    ballsInAll,
    hoppers: Math.ceil(ballsInAll / machine.hopper),
    swingsEach: Math.ceil((rung.rounds * counted * (1 + rung.shadowSwings)) / Math.max(players, hitters)),
    pickUps: stopsOf(rung, capBalls),
  };
}

/** Stops to pick up: whole rounds as long as they stay under the cap, longer ones in parts. */
function stopsOf({ rounds, ballsPerRound }: RungDocument, capBalls: number): number {
  const together = Math.floor(capBalls / ballsPerRound);
  return (together >= 1 ? Math.ceil(rounds / together) : rounds * Math.ceil(ballsPerRound / capBalls)) - 1;
}

/** Back from the hit: ready, moved, landed, and the ritual before it. */
function ritualBefore(rung: RungDocument, { flightS, contact }: Seen): number {
  const { prepareS, followThroughS, courtSpeedMps } = LEVEL_NEEDS[rung.level];
  const ready = rung.ritual!.readyS + followThroughS + away(rung.player.start, contact) / courtSpeedMps + prepareS.groundstroke / 2;
  return ritualS(rung.ritual!) + ready - flightS;
}

const sameFielder = (a: Feed, b: Feed): boolean =>
  !a.positions?.length || !b.positions?.length || a.positions.some((each) => b.positions!.includes(each));
