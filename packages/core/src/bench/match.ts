import { diamondOf, type GameBall, SPORT_RECORDS } from '../catalog/index.ts';
import { aimMachine, type Thrower } from '../machine/index.ts';
import { inToM, within } from '../quantity/index.ts';
import { gameOf, launchOf } from './arrange.ts';
import { placeQuestion } from './setup.ts';
import type { Setup } from './setup-schema.ts';
import { type Arrival, conditionsOf, planOf, throwBall } from './throw.ts';

/** The figures that are set side by side. */
export const FIT_FIGURES = ['timeS', 'speedMps', 'heightM', 'descentDeg', 'topspinRpm', 'sidespinRpm', 'breakM'] as const;
/** A figure by which a feed is held against the game ball. */
export type FitFigure = (typeof FIT_FIGURES)[number];

/** How far apart counts as one: a tenth of the time and of the speed, a hand's height, a few degrees, a notch of spin, a hand's break (our judgement). */
const ONE = { time: 0.1, speed: 0.1, heightM: inToM(6), descentDeg: 6, spinRpm: 600, breakM: inToM(6) };

/** Difference feed − game of each figure, in those units. */
export function fitParts(feed: Arrival, game: Arrival): Record<FitFigure, number> {
  return {
    timeS: (feed.timeS - game.timeS) / game.timeS / ONE.time,
    speedMps: (feed.speedMps - game.speedMps) / game.speedMps / ONE.speed,
    heightM: (feed.heightM - game.heightM) / ONE.heightM,
    descentDeg: (feed.descentDeg - game.descentDeg) / ONE.descentDeg,
    topspinRpm: (feed.topspinRpm - game.topspinRpm) / ONE.spinRpm,
    sidespinRpm: (feed.sidespinRpm - game.sidespinRpm) / ONE.spinRpm,
    breakM: (feed.breakM - game.breakM) / ONE.breakM,
  };
}

/** How near a feed is to its game ball, 0 to 100: 100 is the same ball, 50 about one unit off in every figure. */
export function fitOf(feed: Arrival, game: Arrival): number {
  const parts = Object.values(fitParts(feed, game));
  const mean = parts.reduce((sum, each) => sum + each * each, 0) / parts.length;
  return 100 / (1 + mean);
}

/** A set-up that was looked for to come near a game ball, and how near it comes: the higher the nearer. */
export interface Match {
  setup: Setup;
  fit: number;
  arrival: Arrival;
  /** What the machine really gives it at that speed. */
  spin: { topspinRpm: number; sidespinRpm: number };
}

/** Whether a set-up may be proposed: what another part of the screen forbids is not. */
export type Allows = (setup: Setup) => boolean;

type Point = readonly [along: number, elevationDeg: number, topspinRpm: number];

/** Starting net of the search, and how fine it ends. */
const ALONG = [-1.6, -0.8, 0, 0.8, 1.6];
const ELEVATIONS = 7;
const ROUNDS = 8;

/**
 * The closest to a game ball that this machine can do from where it stands: searches landing depth, elevation and spin (speed follows), first on a
 * coarse net, then by a compass search around the best. A pitch keeps its spot over the plate.
 * @returns null when nothing it can throw reaches the player and is allowed
 */
export function closestToGame(setup: Setup, machine: Thrower, ball: GameBall, allows: Allows = () => true): Match | null {
  const conditions = conditionsOf(setup);
  const game = gameOf(setup, conditions, ball)?.arrival;
  if (!game) return null;
  const { inPlay } = planOf(setup);
  const far = setup.target.kind === 'landing' && !diamondOf(setup.sport);
  const free = machine.spin.kind === 'topspin' || machine.spin.kind === 'any' ? machine.spin.maxRpm : 0;
  // where it can be chosen, the game's own sideways spin; else what is set
  const wanted = ball.kind === 'pitch' ? ball.sidespinRpm : setup.sidespinRpm;
  const sidespinRpm = machine.spin.kind === 'any' ? within(wanted, [-machine.spin.maxRpm, machine.spin.maxRpm]) : setup.sidespinRpm;
  const tried = (at: Point): Match | null => {
    const [along, elevationDeg, topspinRpm] = at;
    const target = setup.target.kind === 'landing' ? { ...setup.target, y: setup.target.y + along } : setup.target;
    if (far && target.kind === 'landing' && (target.y < inPlay.y1 || target.y > inPlay.y2)) return null;
    const next: Setup = { ...setup, target, hold: { elevationDeg }, topspinRpm, sidespinRpm };
    const { solutions, spin } = aimMachine(machine, placeQuestion(next), next, next.hold);
    const [solution] = solutions;
    if (!solution) return null;
    const { arrival } = throwBall(conditions, { ...next.from, ...spin, ...launchOf(solution) }, next.player.y, 0);
    return arrival && { setup: next, arrival, fit: fitOf(arrival, game), spin };
  };
  const [low, high] = machine.elevationDeg;
  const steepest = Math.min(high, diamondOf(setup.sport) ? 20 : 60);
  const spins = free === 0 ? [setup.topspinRpm] : [-0.75, -0.35, 0, 0.35, 0.75].map((share) => Math.round((share * free) / 50) * 50);
  // in a list, since the compiler does not see that `consider` assigns
  const bests: { at: Point; match: Match }[] = [];
  const consider = (at: Point): void => {
    const match = tried(at);
    if (match && match.fit > (bests[0]?.match.fit ?? -1) && allows(match.setup)) bests[0] = { at, match };
  };
  for (const along of far ? ALONG : [0])
    for (let i = 0; i < ELEVATIONS; i++) for (const spin of spins) consider([along, low + ((steepest - low) * i) / (ELEVATIONS - 1), spin]);
  let [d, e, s] = [0.4, (steepest - low) / (ELEVATIONS - 1) / 2, free * 0.18];
  for (let round = 0; round < ROUNDS; round++) {
    const from = bests[0]?.at;
    if (!from) return null;
    const [along, elevationDeg, topspinRpm] = from;
    for (const sign of [-1, 1]) {
      if (far) consider([along + sign * d, elevationDeg, topspinRpm]);
      consider([along, Math.min(high, Math.max(low, elevationDeg + sign * e)), topspinRpm]);
      if (free > 0) consider([along, elevationDeg, Math.min(free, Math.max(-free, topspinRpm + sign * s))]);
    }
    if (bests[0]?.at === from) [d, e, s] = [d / 2, e / 2, s / 2];
  }
  return bests[0]?.match ?? null;
}

/** Places along the line through the machine, from behind the far line to close behind the net (or from the farthest place to 25 ft). */
function places(setup: Setup): number[] {
  const { view, inPlay } = SPORT_RECORDS[setup.sport].court;
  const farthestM = diamondOf(setup.sport)?.farthestY_m;
  const [from, to] = farthestM !== undefined ? [farthestM, 7.7] : [Math.min(view.y2 - 0.3, inPlay.y2 + 0.6), 1.2];
  return Array.from({ length: 9 }, (_, i) => from + ((to - from) * i) / 8);
}

/**
 * Where to stand a machine so that its feed is most like the game ball: the closest from each of nine places.
 * @param onProgress told the share that is done, 0 to 1
 * @returns best first
 */
export function bestPlace(
  setup: Setup,
  machine: Thrower,
  ball: GameBall,
  { onProgress = () => {}, allows = () => true }: { onProgress?: (share: number) => void; allows?: Allows } = {},
): Match[] {
  const matches: Match[] = [];
  const all = places(setup);
  all.forEach((y, i) => {
    const match = closestToGame({ ...setup, from: { ...setup.from, y } }, machine, ball, allows);
    if (match) matches.push(match);
    onProgress((i + 1) / all.length);
  });
  return matches.sort((a, b) => b.fit - a.fit);
}
