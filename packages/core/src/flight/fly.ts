import { radPerSToRpm, radToDeg } from '../quantity/index.ts';
import type { Ball } from '../sport/index.ts';
import { bounce, type Ground } from './bounce.ts';
import { type Launch, Stepper, type Wind } from './stepper.ts';

/** Everything a flight happens in. */
export interface Conditions {
  ball: Ball;
  airDensityKgM3: number;
  wind: Wind;
  ground: Ground;
}

/** A touch of the ground. The last one of a flight has no “out” figures. */
export interface Bounce {
  t: number;
  x: number;
  y: number;
  speedInMps: number;
  /** Between the path and the ground, positive. */
  angleInDeg: number;
  speedOutMps?: number;
  angleOutDeg?: number;
  /** Topspin about the direction of travel after the bounce; negative is backspin. */
  spinOutRpm?: number;
  contact?: 'grip' | 'slide';
}

/** A passage through the vertical plane y = planeY. */
export interface Crossing {
  planeY: number;
  /** Bounces before it. */
  leg: number;
  t: number;
  x: number;
  z: number;
  speedMps: number;
  /** Below horizontal, positive when falling. */
  descentDeg: number;
}

export interface Flight {
  /** Highest point before the first bounce (the launch itself for a ball sent down). */
  apex: { t: number; x: number; y: number; z: number };
  bounces: Bounce[];
  /** In order of time. */
  crossings: Crossing[];
  /** `[t, x, y, z]` every `sampleS` and at each bounce; empty unless asked for. */
  path: (readonly [t: number, x: number, y: number, z: number])[];
}

export interface FlyOptions {
  planesY?: readonly number[];
  /** The flight ends when the ground is touched once more than this. */
  maxBounces?: number;
  /** Spacing of `path` in seconds; no path without it. */
  sampleS?: number;
}

/** A ball that leaves the ground slower than this (m/s, upward) has stopped bouncing. */
const REST_MPS = 0.02;
/** No flight of this kind lasts longer, s. */
const LONGEST_S = 60;

/**
 * Flies one ball from its launch to the ground, with bounces.
 * Bounce and plane crossings are within 1 mm and 0.1 ms of a tight-tolerance integrator.
 * @param launch its `z` must be above one ball radius
 * @throws RangeError when the launch is not finite or starts in the ground
 */
export function fly(conditions: Conditions, launch: Launch, { planesY = [], maxBounces = 1, sampleS = 0 }: FlyOptions = {}): Flight {
  const { x, y, z, speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm } = launch;
  // a sum is finite only when every part is
  if (!Number.isFinite(x + y + z + speedMps + elevationDeg + bearingDeg + topspinRpm + sidespinRpm + gyroRpm))
    throw new RangeError('launch: every figure must be a finite number');
  if (z < conditions.ball.radiusM)
    throw new RangeError(`launch.z: ${z} m puts the ball in the ground; at least ${conditions.ball.radiusM} m`);
  const s = new Stepper(conditions.ball, conditions.airDensityKgM3, conditions.wind);
  s.launch(launch);
  const flight: Flight = { apex: { t: 0, x, y, z }, bounces: [], crossings: [], path: [] };
  let sampled = 0;
  if (sampleS > 0) flight.path.push([0, x, y, z]);

  while (s.t < LONGEST_S) {
    const touchesDown = advanceToGround(s, 1);
    const start = s.t - s.h;
    noteCrossings(s, planesY, flight);
    if (flight.bounces.length === 0 && s.was[5]! > 0 && s.now[5]! <= 0) noteApex(s, flight);
    for (; sampleS > 0 && (sampled + 1) * sampleS <= s.t; sampled++) {
      const share = ((sampled + 1) * sampleS - start) / s.h;
      flight.path.push([(sampled + 1) * sampleS, s.at(0, share), s.at(1, share), s.at(2, share)]);
    }
    if (!touchesDown) continue;
    if (sampleS > 0) flight.path.push([s.t, s.now[0]!, s.now[1]!, s.now[2]!]);
    if (!touchGround(s, flight, conditions.ground, maxBounces)) break;
  }
  return flight;
}

/** One step, cut short at the ground (centre one radius above it). @returns whether it ends there */
export function advanceToGround(s: Stepper, coarseness: number): boolean {
  const ground = s.radiusM;
  let h = s.stepLength(coarseness);
  // a hop that is shorter than a step must not be stepped over
  if (s.now[2]! - ground < 1e-6 && s.now[5]! > 0) h = Math.min(h, s.now[5]! / 10);
  s.step(h);
  if (s.now[2]! > ground) return false;
  s.restep(s.crossing(0, 0, 1, ground) * h);
  settleOn(s, ground);
  return true;
}

/** Moves the end of a step, already within microns of the ground, onto it. */
function settleOn(s: Stepper, ground: number): void {
  if (s.now[5] !== 0) s.shift((ground - s.now[2]!) / s.now[5]!);
  s.now[2] = ground;
}

function noteCrossings(s: Stepper, planesY: readonly number[], flight: Flight): void {
  const found: Crossing[] = [];
  for (const planeY of planesY) {
    const before = s.was[1]! - planeY;
    const after = s.now[1]! - planeY;
    // a ball that starts on a plane does not cross it; one that comes to it does
    if (before === 0 || before * after > 0) continue;
    const share = s.crossing(0, 1, 0, planeY);
    const [vx, vy, vz] = [s.velocityAt(0, share), s.velocityAt(1, share), s.velocityAt(2, share)];
    found.push({
      planeY,
      leg: flight.bounces.length,
      t: s.t - s.h + share * s.h,
      x: s.at(0, share),
      z: s.at(2, share),
      speedMps: Math.hypot(vx, vy, vz),
      descentDeg: radToDeg(Math.atan2(-vz, Math.hypot(vx, vy))),
    });
  }
  flight.crossings.push(...found.sort((a, b) => a.t - b.t));
}

function noteApex(s: Stepper, flight: Flight): void {
  // vz is nearly straight over a step: one secant and the cubic are far below a millimetre in height
  let share = s.was[5]! / (s.was[5]! - s.now[5]!);
  for (let i = 0; i < 3; i++) {
    const slope = s.now[5]! - s.was[5]! || -1;
    share = Math.min(1, Math.max(0, share - s.velocityAt(2, share) / slope));
  }
  flight.apex = { t: s.t - s.h + share * s.h, x: s.at(0, share), y: s.at(1, share), z: s.at(2, share) };
}

/** Records the touch and, while bounces remain, sends the ball on. @returns whether the flight goes on */
function touchGround(s: Stepper, flight: Flight, ground: Ground, maxBounces: number): boolean {
  const [x, y, , vx, vy, vz] = s.now as unknown as [number, number, number, number, number, number];
  const level = Math.hypot(vx, vy);
  const touch: Bounce = { t: s.t, x, y, speedInMps: Math.hypot(level, vz), angleInDeg: radToDeg(Math.atan2(-vz, level)) };
  flight.bounces.push(touch);
  if (flight.bounces.length > maxBounces) return false;
  const [wx, wy, wz] = s.spin as unknown as [number, number, number];
  const after = bounce({ vx, vy, vz, wx, wy, wz }, s.radiusM, s.inertiaShare, ground);
  if (after.vz < REST_MPS) return false;
  const levelOut = Math.hypot(after.vx, after.vy);
  touch.speedOutMps = Math.hypot(levelOut, after.vz);
  touch.angleOutDeg = radToDeg(Math.atan2(after.vz, levelOut));
  // topspin turns about −r, r = (vy, −vx)/|v| being the right of the travel
  touch.spinOutRpm = levelOut < 1e-9 ? 0 : radPerSToRpm((-after.wx * after.vy + after.wy * after.vx) / levelOut);
  touch.contact = after.contact;
  s.now[3] = after.vx;
  s.now[4] = after.vy;
  s.now[5] = after.vz;
  s.setSpin(after.wx, after.wy, after.wz);
  return true;
}
