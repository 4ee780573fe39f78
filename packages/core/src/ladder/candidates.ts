import { gameLaunch } from '../aim/index.ts';
import { type Arrival, closestToGame, type Setup, throwBall, throwGameBall } from '../bench/index.ts';
import {
  diamondOf,
  type GameBall,
  type LadderPlace,
  type Level,
  netPlayOf,
  PLATE,
  SPORT_RECORDS,
  type Stroke,
  strikeZone,
} from '../catalog/index.ts';
import { type Comfort, type Feed, reactionNeededS } from '../drill/index.ts';
import type { Launch } from '../flight/index.ts';
import type { Approach } from '../progress/index.ts';
import { type AimedBall, questionOf, throwInTime, throwLikeGame, throwTo, type Venue } from './throwing.ts';

/** What a ladder is built from. */
export interface BuildQuestion extends Venue {
  gameBall: GameBall;
  hand: 'left' | 'right';
  /** Wing of a net sport; a hitter has none. */
  wing: 'forehand' | 'backhand';
  /** Of the hitter, for the strike zone. */
  heightM: number;
  focalPoint: string;
  minutes: number;
  hopperBalls: number;
  approach: Approach;
  /** The worst comfort a rung may have. */
  wanted: Exclude<Comfort, 'too quick'>;
}

/** How many of the sport's places a level still needs; the last place is always where the game ball comes from. */
const FIRST_PLACE: Record<Level, number> = { Starting: 0, Building: 1, Competing: 2, Advanced: 3 };

/** A kind ball for groundstrokes is thrown about so high (common practice, no source), and always higher than the game's. */
const KIND_DEG = 20;
const HIGHER_DEG = 9;
const STEEPEST_KIND_DEG = 55;
/** A first ball leaves this much more time than is needed. */
const KIND_RATIO = 1.6;
/** A kind ball lands so far in front of the player, the first that reaches them on one bounce. */
const BOUNCE_IN_FRONT_M = [3, 2.2, 1.5, 1];
/** Game time over, from an easy look to the game. */
const PITCH_TIMES = [1.5, 1.32, 1.16, 1];
const EASY_SPIN = 0.4;

/** A ball that may become a rung. */
export interface Candidate {
  name: string;
  launch: Launch;
  target: Feed['target'];
  stroke: Stroke;
  player: { x: number; y: number };
}

/** Feed and game ball side by side, for the last rung. */
export interface Last {
  feed: Arrival;
  game: Arrival;
}

/** Candidates of a net sport: a kind ball from each place, then on toward the game ball from the last. */
export function strokes(question: BuildQuestion): { candidates: Candidate[]; last: Last | null } {
  const { sport, gameBall, machine, hand, wing, level } = question;
  const play = netPlayOf(sport);
  if (gameBall.kind === 'pitch' || !play) return { candidates: [], last: null };
  const side = ((hand === 'right') === (wing === 'forehand') ? 1 : -1) * play.reachM;
  const { inPlay } = SPORT_RECORDS[sport].court;
  const conditions = questionOf(question, { x: 0, y: 5, z: 1 }, { kind: 'landing', x: 0, y: -5 }).conditions;
  const z = machine.profile.releaseHeightM;
  const atNet = gameBall.landsPastM < 2.4 || (gameBall.kind === 'shaped' && gameBall.metAtNet === true);
  const behind = (past: number): number => Math.max(inPlay.y1 - 0.6, -(gameBall.landsPastM + past));
  const playerY = atNet
    ? play.atNetY_m
    : ([3.4, 2.6, 1.8, 1.2].map(behind).find((y) => throwGameBall(conditions, gameBall, side, y)?.arrival?.y === y) ?? behind(1.2));
  const player = (y: number) => ({ x: 0, y });
  const solved = gameLaunch(gameBall, conditions, side)?.launch;
  const kindDeg = Math.max(KIND_DEG, (solved?.elevationDeg ?? 0) + HIGHER_DEG);
  const places = [
    ...play.places.slice(FIRST_PLACE[level]).filter((place) => place.y < gameBall.from.y - 1 && (!atNet || place.y > 0)),
    { name: 'From where it comes in a game', y: gameBall.from.y },
  ];
  const kind = (place: LadderPlace): Candidate | null => {
    const standY = place.playerY ?? playerY;
    const from = { x: side, y: place.y, z };
    const stroke = atNet ? ('volley' as const) : ('groundstroke' as const);
    const needed = reactionNeededS(level, stroke, 0);
    // it lands a comfortable bounce in front of them, or passes them at the net
    for (const inFront of atNet ? [-2.4] : BOUNCE_IN_FRONT_M) {
      const landingY = Math.max(inPlay.y1 + 0.6, standY + inFront);
      if (landingY > Math.min(place.y, 0) - 0.8) continue;
      const target = { kind: 'landing' as const, x: side, y: landingY };
      let kindest: Candidate | null = null;
      for (let elevationDeg = kindDeg; elevationDeg <= STEEPEST_KIND_DEG; elevationDeg += 10) {
        const thrown = throwTo(question, from, target, { elevationDeg, topspinRpm: 0 });
        const arrival = thrown && throwBall(conditions, thrown.launch, standY, 0).arrival;
        if (!arrival) continue;
        kindest = { name: place.name, ...thrown, stroke, player: player(standY) };
        if (arrival.timeS >= KIND_RATIO * needed) break;
      }
      if (kindest) return kindest;
    }
    return null;
  };
  const kinds = places.flatMap((place) => kind(place) ?? []);
  const top = kinds.at(-1);
  if (!top || top.launch.y !== gameBall.from.y) return { candidates: kinds, last: null };
  const game = throwGameBall(conditions, gameBall, side, playerY)?.arrival;
  const end = throwLikeGame(question, { x: side, y: gameBall.from.y, z }, gameBall) ?? closest(question, top, playerY);
  const feed = end && throwBall(conditions, end.launch, playerY, 0).arrival;
  if (!game || !feed) return { candidates: kinds, last: null };
  const depth = ({ target }: AimedBall): number => (target.kind === 'landing' ? target.y : target.planeY);
  const between = (a: number, b: number, share: number): number => a + (b - a) * share;
  const toward = (share: number, name: string): Candidate | null => {
    const target = { kind: 'landing' as const, x: side, y: between(depth(top), depth(end), share) };
    const thrown = throwTo(question, { x: side, y: top.launch.y, z }, target, {
      elevationDeg: between(top.launch.elevationDeg, end.launch.elevationDeg, share),
      topspinRpm: between(top.launch.topspinRpm, end.launch.topspinRpm, share),
    });
    return thrown && { ...top, name, ...thrown };
  };
  const name = gameBall.name || 'Game ball';
  const half = toward(0.5, `Half way to the ${name.toLowerCase()}`);
  return { candidates: [...kinds, ...(half ? [half] : []), { ...top, name, ...end }], last: { feed, game } };
}

/** When the game ball's own shape is beyond the machine: the nearest that can be found from there. */
function closest(question: BuildQuestion, top: Candidate, playerY: number): AimedBall | null {
  const match = closestToGame(setupOf(question, top, playerY), question.machine.profile, question.gameBall);
  if (!match || !('elevationDeg' in match.setup.hold)) return null;
  return throwTo(question, match.setup.from, match.setup.target, { ...match.setup.hold, topspinRpm: match.setup.topspinRpm });
}

function setupOf(question: BuildQuestion, { launch, target, player }: Candidate, playerY: number): Setup {
  const { sport, court, machine, ballId, dragShare, level, weather, gameBall } = question;
  const depth = gameBall.kind === 'pitch' ? 0 : -gameBall.landsPastM;
  return {
    sport,
    courtId: court.id,
    machineId: machine.id,
    surfaceId: court.surfaceId as Setup['surfaceId'],
    ballId: ballId as Setup['ballId'],
    ...(dragShare !== undefined && { dragShare }),
    level,
    weather,
    from: { x: launch.x, y: launch.y, z: launch.z },
    target: target.kind === 'landing' ? { ...target, y: depth } : target,
    landingZone: { widthM: 2, depthM: 2 },
    hold: { elevationDeg: launch.elevationDeg },
    arc: 'low',
    topspinRpm: launch.topspinRpm,
    sidespinRpm: 0,
    player: { x: player.x, y: playerY },
    gameBallId: gameBall.id,
    intervalS: 4,
    ...(court.ceilingM != null && { ceilingM: court.ceilingM }),
  };
}

/** Candidates of a pitch: from an easy look to the game's own time, then its spin; from the farthest place where the machine is quick enough. */
export function pitches(question: BuildQuestion): { candidates: Candidate[]; last: Last | null } {
  const { sport, gameBall, machine, heightM } = question;
  const play = diamondOf(sport);
  if (gameBall.kind !== 'pitch' || !play) return { candidates: [], last: null };
  const zone = strikeZone(heightM);
  const target = { kind: 'plane' as const, planeY: PLATE.frontY_m, x: 0, z: (zone.bottomM + zone.topM) / 2 };
  const { conditions } = questionOf(question, { x: 0, y: 15, z: 1.4 }, target);
  const player = { x: question.hand === 'right' ? -0.75 : 0.75, y: PLATE.frontY_m };
  const game = throwGameBall(conditions, gameBall, 0, PLATE.frontY_m)?.arrival;
  if (!game) return { candidates: [], last: null };
  const spinOf = (share: number) => ({ topspinRpm: gameBall.topspinRpm * share, sidespinRpm: gameBall.sidespinRpm * share });
  const from = (y: number) => ({ x: 0.5, y, z: machine.profile.releaseHeightM });
  const quick = (y: number): boolean => {
    const thrown = throwInTime(question, from(y), target, game.timeS, spinOf(1));
    return thrown !== null && thrown.timeS <= game.timeS * 1.02;
  };
  const y = play.machineY_m.find(quick) ?? play.machineY_m.at(-1)!;
  const at = (name: string, time: number, spin: number): Candidate[] => {
    const thrown = throwInTime(question, from(y), target, game.timeS * time, spinOf(spin));
    return thrown ? [{ name, launch: thrown.launch, target, stroke: 'swing', player }] : [];
  };
  const name = gameBall.name || 'Game ball';
  const names = ['Easy look', 'A little quicker', 'Close to game time', 'Game time'];
  const candidates = [...PITCH_TIMES.flatMap((time, i) => at(names[i]!, time, EASY_SPIN)), ...at(name, 1, 1)];
  const top = candidates.at(-1);
  if (!top) return { candidates, last: null };
  const thrown = throwInTime(question, from(y), target, game.timeS, spinOf(1))!;
  const feed: Arrival = { ...game, timeS: thrown.timeS, topspinRpm: thrown.launch.topspinRpm };
  // from nearer by, equal time is the point, not equal speed
  return { candidates, last: { feed, game: { ...game, topspinRpm: gameBall.topspinRpm } } };
}
