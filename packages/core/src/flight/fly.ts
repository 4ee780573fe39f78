import type { Ball } from '../catalog/index.ts';
import { radPerSToRpm, radToDeg } from '../quantity/index.ts';
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

/** A flight: its bounces, its crossings of planes, its samples, how it ended. SI. */
export interface Flight {
  /** Highest point before the first bounce (the launch itself for a ball sent down). */
  apex: { t: number; x: number; y: number; z: number };
  bounces: Bounce[];
  /** In order of time. */
  crossings: Crossing[];
  /** `[t, x, y, z]` every `sampleS` and at each bounce; empty unless asked for. */
  path: (readonly [t: number, x: number, y: number, z: number])[];
}

/** Where a flight is looked at, and when it ends. */
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
    const touchesDown = advanceToGround(s);
    if (planesY.length > 0) noteCrossings(s, planesY, flight);
    if (flight.bounces.length === 0 && s.was(5) > 0 && s.now(5) <= 0) noteApex(s, flight);
    for (; sampleS > 0 && (sampled + 1) * sampleS <= s.t; sampled++) {
      const share = 1 - (s.t - (sampled + 1) * sampleS) / s.h;
      flight.path.push([(sampled + 1) * sampleS, s.at(0, share), s.at(1, share), s.at(2, share)]);
    }
    if (!touchesDown) continue;
    if (sampleS > 0) flight.path.push([s.t, s.now(0), s.now(1), s.radiusM]);
    if (!touchGround(s, flight, conditions, maxBounces)) break;
  }
  return flight;
}

/** One step, cut short at the ground (centre one radius above it). @returns whether it ends there */
export function advanceToGround(s: Stepper): boolean {
  const ground = s.radiusM;
  // a hop that is shorter than a step must not be stepped over
  if (s.now(2) - ground < 1e-6 && s.now(5) > 0) s.step(Math.max(1e-3, s.now(5) / 10));
  else s.step();
  if (s.now(2) > ground) {
    // lifted off again within the step, by backspin: was it under the ground in between?
    if (s.was(5) >= 0 || s.now(5) <= 0) return false;
    const lowest = s.turning();
    if (s.at(2, lowest) > ground) return false;
    s.cut(lowest);
  }
  s.cut(s.crossing(0, 0, 1, ground));
  return true;
}

function noteCrossings(s: Stepper, planesY: readonly number[], flight: Flight): void {
  let found: Crossing[] | null = null;
  for (const planeY of planesY) {
    const before = s.was(1) - planeY;
    const after = s.now(1) - planeY;
    // a ball that starts on a plane does not cross it; one that comes to it does
    if (before === 0 || before * after > 0) continue;
    const share = s.crossing(0, 1, 0, planeY);
    const [vx, vy, vz] = [s.velocityAt(0, share), s.velocityAt(1, share), s.velocityAt(2, share)];
    found ??= [];
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
  if (found) flight.crossings.push(...found.sort((a, b) => a.t - b.t));
}

function noteApex(s: Stepper, flight: Flight): void {
  const share = s.turning();
  flight.apex = { t: s.t - s.h + share * s.h, x: s.at(0, share), y: s.at(1, share), z: s.at(2, share) };
}

/** Sends a ball that touches the ground on. @returns its motion just after; null when it has stopped bouncing */
export function bounceOff(s: Stepper, { ball, ground }: Pick<Conditions, 'ball' | 'ground'>): ReturnType<typeof bounce> | null {
  const before = { vx: s.now(3), vy: s.now(4), vz: s.now(5), wx: s.spin(0), wy: s.spin(1), wz: s.spin(2) };
  const after = bounce(before, s.radiusM, ball.inertiaShare, ground);
  if (after.vz < REST_MPS) return null;
  s.leave(after.vx, after.vy, after.vz, after.wx, after.wy, after.wz);
  return after;
}

/** Records the touch and, while bounces remain, sends the ball on. @returns whether the flight goes on */
function touchGround(s: Stepper, flight: Flight, conditions: Conditions, maxBounces: number): boolean {
  const vx = s.now(3);
  const vy = s.now(4);
  const vz = s.now(5);
  // Math.hypot costs a hundred times a root
  const level = Math.sqrt(vx * vx + vy * vy);
  const touch: Bounce = {
    t: s.t,
    x: s.now(0),
    y: s.now(1),
    speedInMps: Math.sqrt(level * level + vz * vz),
    angleInDeg: radToDeg(Math.atan2(-vz, level)),
  };
  flight.bounces.push(touch);
  if (flight.bounces.length > maxBounces) return false;
  const after = bounceOff(s, conditions);
  if (!after) return false;
  const levelOut = Math.hypot(after.vx, after.vy);
  touch.speedOutMps = Math.hypot(levelOut, after.vz);
  touch.angleOutDeg = radToDeg(Math.atan2(after.vz, levelOut));
  // topspin turns about −r, r = (vy, −vx)/|v| being the right of the travel
  touch.spinOutRpm = levelOut < 1e-9 ? 0 : radPerSToRpm((-after.wx * after.vy + after.wy * after.vx) / levelOut);
  touch.contact = after.contact;
  return true;
}
