import { type Arrival, conditionsOf, throwBall, throwGameBall } from '../bench/index.ts';
import {
  away,
  COMFORT_FROM,
  type Comfort,
  comfortOf,
  doubtBits,
  type Feed,
  minutesOf,
  programOf,
  type RungDocument,
  reactionNeededS,
  ritualS,
  type Spot,
} from '../drill/index.ts';
import { type MachineProfile, reachS } from '../machine/index.ts';
import { FIELDER_READ_S, fieldBall } from '../pitch/index.ts';
import { ballById, type GameBall, LEVEL_NEEDS, type Sport } from '../sport/index.ts';
import { type Demand, demandOf } from './demand.ts';
import type { JudgedBall, Share } from './judged.ts';

/** Balls thrown without a stop for a word and a look (common practice, no source). */
export const CAP_BALLS = 28;

/** What a rung is judged with. */
export interface JudgeContext {
  sport: Sport;
  machine: Pick<MachineProfile, 'intervalS' | 'hopper' | 'aimedBy' | 'bearingReachDeg' | 'spin'>;
  gameBall: (id: string) => GameBall | undefined;
  capBalls?: number;
  /** Who share the balls. */
  players?: number;
}

/** What the machine cannot do by itself, or not in time. */
export interface MachineWorry {
  code: 'late' | 'interval' | 'by-hand' | 'sweep' | 'hopper';
  text: string;
}

export interface Judgement {
  balls: JudgedBall[];
  comfort: Comfort;
  /** The ball that gives the rung its word. */
  worst: JudgedBall;
  /** Every turnaround at least `working`, and the machine ready in time. */
  shortestIntervalS: number;
  /** Every turnaround calm. */
  calmIntervalS: number;
  /** Of a rung with a serve of one's own: the ritual begins so long before the machine lets go, s (negative: after it). */
  ritualBeforeS: number | null;
  /** Interval under the shortest workable: the hopper is survived, not practised. */
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

interface Seen {
  arrival: Arrival | null;
  flightS: number;
  contact: Spot;
  neededS: number;
}

/** How a ball of this feed is met. */
function seen(rung: RungDocument, feed: Feed, bits: number, sport: Sport): Seen | null {
  const conditions = conditionsOf(rung);
  if (sport === 'baseball' && feed.target.kind === 'landing') {
    // a fielder must get to it: reading and running instead of a stroke
    const { hangTimeS, landing, fielder } = fieldBall(conditions, rung.surfaceId, feed.launch, rung.level);
    const home = feed.meet ?? rung.player.start;
    const ground = feed.launch.elevationDeg < 10;
    const [at, t] = ground ? [{ x: fielder.x, y: fielder.y }, fielder.t] : [landing, hangTimeS];
    const run = away(at, home);
    return { arrival: null, flightS: t, contact: at, neededS: FIELDER_READ_S + (ground ? 0 : run / LEVEL_NEEDS[rung.level].courtSpeedMps) };
  }
  const { arrival } = throwBall(conditions, feed.launch, (feed.meet ?? rung.player.start).y, 0);
  if (!arrival) return null;
  return {
    arrival,
    flightS: arrival.timeS,
    contact: { x: arrival.x, y: arrival.y },
    neededS: reactionNeededS(rung.level, feed.stroke, bits),
  };
}

/**
 * Judges a rung before it is climbed: the time of every ball, what the machine needs, how hard it is, how much of a game it is.
 * @returns null when no feed is in, or one of them never reaches the player
 */
export function judgeRung(rung: RungDocument, context: JudgeContext): Judgement | null {
  const { sport, machine, capBalls = CAP_BALLS, players = 1 } = context;
  const program = programOf(rung);
  const bits = doubtBits(rung);
  const met = new Map<number, Seen>();
  for (const index of new Set(program.map((each) => each.index))) {
    const one = seen(rung, rung.feeds[index]!, bits, sport);
    if (!one) return null;
    met.set(index, one);
  }
  if (program.length === 0) return null;
  const { prepareS, followThroughS, courtSpeedMps } = LEVEL_NEEDS[rung.level];
  const serveS = rung.ritual ? ritualS(rung.ritual) + followThroughS + rung.ritual.readyS : 0;
  let releaseS = 0;
  let [shortest, calm, needsS] = [0, 0, 0];
  let late = 0;
  const lastOf = new Map<string, { launch: Feed['launch']; releaseS: number }>();
  const balls = program.map(({ index, launch, thenS }, i): JudgedBall => {
    const next = program[(i + 1) % program.length]!;
    const [here, there] = [met.get(index)!, met.get(next.index)!];
    const feed = rung.feeds[next.index]!;
    // two fielders do not run for one another's balls
    const own = sport !== 'baseball' || sameFielder(rung.feeds[index]!, feed);
    const stops = [
      ...(rung.player.recover && !feed.meet && own ? [rung.player.recover] : []),
      ...(rung.ritual ? [rung.player.start] : []),
      ...(feed.marker ? [feed.marker] : []),
      there.contact,
    ];
    let [pathM, from] = [0, here.contact];
    for (const stop of own ? stops : []) {
      pathM += away(from, stop);
      from = stop;
    }
    const prepare = prepareS[feed.stroke];
    const neededS = own
      ? followThroughS + pathM / courtSpeedMps + prepare / 2 + rung.shadowSwings * (prepare + followThroughS) + serveS
      : followThroughS + prepare / 2;
    const flightChange = there.flightS - here.flightS;
    const availableS = thenS + flightChange;
    if (rung.feeds[index]!.thenS === undefined) {
      shortest = Math.max(shortest, COMFORT_FROM.working * neededS - flightChange);
      calm = Math.max(calm, COMFORT_FROM.calm * neededS - flightChange);
    }
    const machineId = rung.feeds[index]!.machineId ?? rung.machineId;
    const before = lastOf.get(machineId);
    if (before) {
      const reach = reachS(before.launch, launch);
      needsS = Math.max(needsS, reach);
      late = Math.max(late, reach - (releaseS - before.releaseS));
    }
    lastOf.set(machineId, { launch, releaseS });
    const reactionRatio = here.flightS / here.neededS;
    const turnaroundRatio = availableS / neededS;
    const ball: JudgedBall = {
      feed: index,
      releaseS,
      flightS: here.flightS,
      contact: here.contact,
      reactionRatio,
      availableS,
      neededS,
      turnaroundRatio,
      pathM,
      comfort: comfortOf(Math.min(reactionRatio, turnaroundRatio)),
    };
    releaseS += thenS;
    return ball;
  });
  const ratio = (ball: JudgedBall): number => Math.min(ball.reactionRatio, ball.turnaroundRatio);
  const worst = balls.reduce((a, b) => (ratio(b) < ratio(a) ? b : a));
  const { hard } = ballById(rung.ballId);
  const shortestIntervalS = Math.max(shortest, needsS, machine.intervalS[0]);
  const ballsInAll = rung.rounds * rung.ballsPerRound;
  const counted = program.filter(({ index }) => rung.feeds[index]!.counts !== false).length;
  const arrivals = rung.feeds.map((_, i) => met.get(i)?.arrival ?? null);
  const share = shareOf(rung, sport, arrivals, context.gameBall);
  return {
    balls,
    comfort: comfortOf(ratio(worst)),
    worst,
    shortestIntervalS,
    calmIntervalS: Math.max(calm, shortestIntervalS),
    ritualBeforeS: rung.ritual ? ritualBefore(rung, met.get(balls[0]!.feed)!) : null,
    survival: balls.some((ball) => ball.turnaroundRatio < COMFORT_FROM.rushed),
    unsafe: hard && balls.some((ball) => ball.reactionRatio < COMFORT_FROM.rushed),
    machine: { needsS, worries: worriesOf(rung, machine, late, ballsInAll) },
    demand: demandOf({ rung, sport, balls, bits, share }),
    share,
    arrivals,
    minutes: minutesOf(rung),
    ballsInAll,
    hoppers: Math.ceil(ballsInAll / machine.hopper),
    swingsEach: Math.ceil((rung.rounds * counted * (1 + rung.shadowSwings)) / players),
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

function worriesOf(rung: RungDocument, machine: JudgeContext['machine'], lateS: number, ballsInAll: number): MachineWorry[] {
  const worries: MachineWorry[] = [];
  const add = (code: MachineWorry['code'], text: string): void => void worries.push({ code, text });
  if (lateS > 0.05) add('late', `The machine needs ${lateS.toFixed(1)} s more between two of these balls: it will be late.`);
  const [least, most] = machine.intervalS;
  const gaps = [rung.intervalS, ...rung.feeds.flatMap(({ thenS }) => (thenS === undefined ? [] : [thenS]))];
  if (gaps.some((each) => each < least - 1e-9)) add('interval', `Its shortest interval is ${least} s.`);
  if (gaps.some((each) => each > most + 1e-9))
    add('interval', `Its longest interval is ${most} s: hold it in between, or feed by the remote.`);
  const first = rung.feeds.find(({ on }) => on)?.launch;
  const own = rung.feeds.filter(({ on, machineId }) => on && machineId === undefined);
  const differs = own.some(
    ({ launch }) => first && (Math.abs(launch.speedMps - first.speedMps) > 0.3 || Math.abs(launch.elevationDeg - first.elevationDeg) > 0.5),
  );
  const turns = own.some(({ launch }) => first && Math.abs(launch.bearingDeg - first.bearingDeg) > 1);
  if (machine.aimedBy !== 'program' && differs)
    add('by-hand', 'It throws one setting at a time: a helper changes it between balls, or the members are thrown in blocks.');
  else if (machine.aimedBy === 'hand' && turns) add('by-hand', 'It does not turn by itself: a helper turns it between balls.');
  if (rung.sweep && (machine.aimedBy === 'hand' || machine.bearingReachDeg < rung.sweep.halfDeg))
    add('sweep', machine.aimedBy === 'hand' ? 'It does not sweep: a helper turns it.' : `It sweeps to ± ${machine.bearingReachDeg}° only.`);
  if (machine.hopper > 1 && ballsInAll > machine.hopper)
    add('hopper', `It holds ${machine.hopper} of ${ballsInAll} balls: fill it ${Math.ceil(ballsInAll / machine.hopper)} times.`);
  return worries;
}

/** Spin of a game ball below this, rpm, is not worth a share. */
const HARDLY_SPINS_RPM = 150;

/** The mean of what the feeds bring, over their game balls. */
function shareOf(
  rung: RungDocument,
  sport: Sport,
  arrivals: readonly (Arrival | null)[],
  gameBall: JudgeContext['gameBall'],
): Share | null {
  const shares = rung.feeds.flatMap((feed, i): Share[] => {
    const [arrival, ball] = [arrivals[i], feed.gameBallId ? gameBall(feed.gameBallId) : undefined];
    if (!arrival || !ball || ball.sport !== sport) return [];
    const game = throwGameBall(conditionsOf(rung), ball, feed.target.x, (feed.meet ?? rung.player.start).y)?.arrival;
    if (!game) return [];
    return [
      {
        timeS: arrival.timeS / game.timeS,
        speedMps: arrival.speedMps / game.speedMps,
        heightM: arrival.heightM / game.heightM,
        topspinRpm: Math.abs(ball.topspinRpm) < HARDLY_SPINS_RPM ? null : feed.launch.topspinRpm / ball.topspinRpm,
      },
    ];
  });
  if (shares.length === 0) return null;
  const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / values.length;
  const spins = shares.flatMap(({ topspinRpm }) => (topspinRpm === null ? [] : [topspinRpm]));
  return {
    timeS: mean(shares.map(({ timeS }) => timeS)),
    speedMps: mean(shares.map(({ speedMps }) => speedMps)),
    heightM: mean(shares.map(({ heightM }) => heightM)),
    topspinRpm: spins.length === 0 ? null : mean(spins),
  };
}
