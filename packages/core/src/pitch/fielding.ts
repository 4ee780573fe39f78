import { diamondOf, type FieldPosition, LEVEL_NEEDS, type Level, type Sport, surfaceById } from '../catalog/index.ts';
import { type Bounce, type Conditions, coefficients, type Flight, fly, GRAVITY, type Launch } from '../flight/index.ts';
import type { SurfaceId } from '../ids.ts';
import { degToRad } from '../quantity/index.ts';

/** How fielders call a batted ball, by launch angle: under 10°, to 25°, to 50°, above (common practice of scorers; quoted from memory). */
export type BattedBall = 'grounder' | 'line drive' | 'fly ball' | 'pop-up';
/** What kind of batted ball leaves at this elevation, °. */
export const battedBall = (elevationDeg: number): BattedBall =>
  elevationDeg < 10 ? 'grounder' : elevationDeg < 25 ? 'line drive' : elevationDeg <= 50 ? 'fly ball' : 'pop-up';

/** Spacing of what is looked at along a ball's way, s: a fielder at home is not run past. */
const LOOK_S = 0.05;
/** A hop lower than this, m, is a roll. */
const LOWEST_HOP_M = 0.08;
/** Before a fielder moves, s (common practice, no source). */
export const FIELDER_READ_S = 0.4;

/** Between two balls of a routine, s: one voice for each (common practice, no source: 5 to 6 s). */
export const FIELDING_INTERVAL_S = 5;

/** Who plays it: under it in the air, or off the ground where they first get to it. */
export interface Play {
  name: string;
  short: string;
  inTheAir: boolean;
  /** When and where, and how far they ran. */
  t: number;
  x: number;
  y: number;
  distanceM: number;
}

/** A ball to fielders: its hops, its roll, and the time there is. SI. */
export interface FieldedBall {
  kind: BattedBall;
  /** Until it first touches the ground. */
  hangTimeS: number;
  apexM: number;
  /** From where it was thrown to its first landing, level. */
  carryM: number;
  landing: { x: number; y: number };
  hops: Bounce[];
  /** Where the hops end and it rolls; null when it was caught in the air by the rule of the flight (never here). */
  rollFrom: { t: number; x: number; y: number; speedMps: number };
  rest: { t: number; x: number; y: number };
  path: Flight['path'];
  fielder: Play;
}

/** Whose field it is, a sport's of a diamond, and what it is laid with. */
export interface Field {
  sport: Sport;
  surfaceId: SurfaceId;
}

/** A ball that rolls out: the ground slows it by the same all the way, the air by the square of its speed. In still air, without its spin. */
function rollOf(
  { ball, airDensityKgM3 }: Conditions,
  slowing: number,
  speedMps: number,
): { rollS: number; rollM: number; at: (t: number) => number } {
  const k = (airDensityKgM3 * Math.PI * ball.radiusM ** 2 * coefficients(ball, speedMps, 0, 0).cd) / (2 * ball.massKg);
  const start = Math.atan(speedMps * Math.sqrt(k / slowing));
  const rate = Math.sqrt(k * slowing);
  return {
    rollS: start / rate,
    rollM: Math.log(1 + (k * speedMps ** 2) / slowing) / (2 * k),
    at: (t) => Math.log(Math.cos(start - rate * t) / Math.cos(start)) / k,
  };
}

/** Flies a batted or thrown ball through its hops and rolls it out. */
export function fieldBall(conditions: Conditions, { sport, surfaceId }: Field, launch: Launch, level: Level): FieldedBall {
  const flight = fly(conditions, launch, { maxBounces: 40, sampleS: LOOK_S });
  const [first] = flight.bounces;
  const hopHeight = (b: Bounce): number =>
    b.speedOutMps === undefined ? 0 : (b.speedOutMps * Math.sin(degToRad(b.angleOutDeg ?? 0))) ** 2 / (2 * GRAVITY);
  const last = flight.bounces.findIndex((b) => hopHeight(b) < LOWEST_HOP_M);
  const end = flight.bounces[last < 0 ? flight.bounces.length - 1 : last]!;
  const before = flight.path.filter(([t]) => t <= end.t + 1e-9);
  const [, px, py] = before[Math.max(0, before.length - 2)] ?? [0, launch.x, launch.y];
  const along = Math.hypot(end.x - px, end.y - py);
  const [ux, uy] = along > 1e-6 ? [(end.x - px) / along, (end.y - py) / along] : [0, 0];
  const speedMps =
    end.speedOutMps === undefined
      ? end.speedInMps * Math.cos(degToRad(end.angleInDeg))
      : end.speedOutMps * Math.cos(degToRad(end.angleOutDeg ?? 0));
  const roll = rollOf(conditions, surfaceById(surfaceId).rollMps2, speedMps);
  const { rollS, rollM } = roll;
  const rest = { t: end.t + rollS, x: end.x + ux * rollM, y: end.y + uy * rollM };
  const rolledIn = (steps: number): Flight['path'] =>
    Array.from({ length: steps }, (_, i): Flight['path'][number] => {
      const t = (rollS * (i + 1)) / steps;
      const s = roll.at(t);
      return [end.t + t, end.x + ux * s, end.y + uy * s, conditions.ball.radiusM];
    });
  const way = [...before, ...rolledIn(Math.ceil(rollS / LOOK_S))];
  return {
    kind: battedBall(launch.elevationDeg),
    hangTimeS: first!.t,
    apexM: flight.apex.z,
    carryM: Math.hypot(first!.x - launch.x, first!.y - launch.y),
    landing: { x: first!.x, y: first!.y },
    hops: flight.bounces.slice(0, last < 0 ? undefined : last + 1),
    rollFrom: { t: end.t, x: end.x, y: end.y, speedMps },
    rest,
    path: [...before, ...rolledIn(12)],
    fielder: playOf(diamondOf(sport)!.positions, way, { t: first!.t, x: first!.x, y: first!.y }, level),
  };
}

/**
 * The first who gets to it, running at the level's court speed: nobody reaches a ball in the air but at its landing. A ball that outruns all
 * is picked up where it rests.
 */
function playOf(
  positions: readonly FieldPosition[],
  way: Flight['path'],
  landing: { t: number; x: number; y: number },
  level: Level,
): Play {
  const speed = LEVEL_NEEDS[level].courtSpeedMps;
  const plays = positions.map(({ name, short, x, y }): Play => {
    const run = (to: { x: number; y: number }): number => Math.hypot(to.x - x, to.y - y);
    const there = (to: { t: number; x: number; y: number }): boolean => FIELDER_READ_S + run(to) / speed <= to.t;
    if (there(landing)) return { name, short, inTheAir: true, ...landing, distanceM: run(landing) };
    const onGround = way.filter(([t]) => t > landing.t).map(([t, px, py]) => ({ t, x: px, y: py }));
    const end = onGround.at(-1) ?? landing;
    const at = onGround.find(there) ?? { ...end, t: Math.max(end.t, FIELDER_READ_S + run(end) / speed) };
    return { name, short, inTheAir: false, ...at, distanceM: run(at) };
  });
  const better = (a: Play, b: Play): Play =>
    a.inTheAir !== b.inTheAir ? (a.inTheAir ? a : b) : b.t < a.t || (b.t === a.t && b.distanceM < a.distanceM) ? b : a;
  return plays.reduce(better);
}

/** How far a fielder can go in a hang time, m. */
export const reachM = (hangTimeS: number, level: Level): number =>
  Math.max(0, hangTimeS - FIELDER_READ_S) * LEVEL_NEEDS[level].courtSpeedMps;

export interface FielderTime {
  /** Where it is taken. */
  at: { x: number; y: number };
  /** Until it is down, or can be got on the ground. */
  timeS: number;
  /** Reading it and running there from home. */
  needS: number;
  /** Until it is at the fielder, who stands where it passes low: the time to get out of its way. */
  soonestS: number;
}

/** What a fielder at `home` has and needs for a ball. */
export function fielderTime(
  conditions: Conditions,
  field: Field,
  launch: Launch,
  level: Level,
  home: { x: number; y: number },
): FielderTime {
  const { kind, hangTimeS, landing, fielder } = fieldBall(conditions, field, launch, level);
  const away = Math.hypot(home.x - launch.x, home.y - launch.y);
  const straightS = away / (launch.speedMps * Math.cos(degToRad(launch.elevationDeg)));
  const low = kind === 'grounder' || kind === 'line drive';
  const soonest = (timeS: number): number => (low ? Math.min(timeS, straightS) : timeS);
  if (kind === 'grounder')
    return { at: { x: fielder.x, y: fielder.y }, timeS: fielder.t, needS: FIELDER_READ_S, soonestS: soonest(fielder.t) };
  const run = Math.hypot(landing.x - home.x, landing.y - home.y);
  const needS = FIELDER_READ_S + run / LEVEL_NEEDS[level].courtSpeedMps;
  return { at: landing, timeS: hangTimeS, needS, soonestS: soonest(hangTimeS) };
}
