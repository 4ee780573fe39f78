import type { Net } from '../catalog/index.ts';
import type { Conditions } from '../flight/index.ts';

/** A point, m, in the frame of the physics: x to the right, y along the court, z up. */
export interface Point3 {
  x: number;
  y: number;
  z: number;
}

/** Spin by its three axes, rpm: over the top, sideways, along the flight. */
export interface Spin {
  topspinRpm: number;
  sidespinRpm: number;
  gyroRpm: number;
}

/** Where the ball should go: its first touch of the ground, or a point in a vertical plane. Metres. */
export type Target = { kind: 'landing'; x: number; y: number } | { kind: 'plane'; planeY: number; x: number; z: number };

/** The one value that is kept while the others are solved. */
export type Hold = { speedMps: number } | { elevationDeg: number } | { netClearanceM: number } | { flightTimeS: number };

/** What the machine can do, inclusive. */
export interface Limits {
  speedMps: readonly [number, number];
  elevationDeg: readonly [number, number];
}

/** Bounds of every search, and those of a question that sets none: an arc beyond them is not found, and no machine is blamed for it. */
export const WIDEST_LIMITS: Limits = { speedMps: [0.5, 120], elevationDeg: [-89, 89] };

/** What is aimed: from where, with which spin, at what, and what is held. Metres, m/s, degrees, rpm. */
export interface AimQuestion {
  conditions: Conditions;
  from: Point3;
  /** A function for a machine whose spin follows its speed (m/s). */
  spin: Spin | ((speedMps: number) => Spin);
  target: Target;
  limits: Limits;
  net: Net | null;
  /** Clear height over the court, m; null or absent out of doors. */
  ceilingM?: number | null;
}

/** The spin a question has at one speed. */
export const spinAt = ({ spin }: Pick<AimQuestion, 'spin'>, speedMps: number): Spin => (typeof spin === 'function' ? spin(speedMps) : spin);

/** One arc that does what was asked. */
export interface Solution {
  arc: 'low' | 'high' | 'only';
  speedMps: number;
  elevationDeg: number;
  bearingDeg: number;
  flightTimeS: number;
  /** Bottom of the ball to the top of the net; null where the ball does not pass a net. */
  netClearanceM: number | null;
  /** At the target, below horizontal, positive when falling. */
  descentDeg: number;
}

/** Why a target is not reached, as a code. */
export type ReasonCode =
  | 'net'
  | 'speed-too-high'
  | 'speed-too-low'
  | 'elevation-too-high'
  | 'elevation-too-low'
  | 'ceiling'
  | 'between-steps'
  | 'out-of-reach'
  | 'no-net';

/** The nearest thing that can be done instead: another arc to the same spot (`missM` 0) or another spot. */
export interface Nearest {
  speedMps: number;
  elevationDeg: number;
  bearingDeg: number;
  netClearanceM: number | null;
  /** Where it lands, or passes the plane. */
  x: number;
  y: number;
  /** Distance from what was asked for. */
  missM: number;
}

/** An arc that would reach the target, were it not for this. */
export interface Blocked {
  code: ReasonCode;
  speedMps: number;
  elevationDeg: number;
  netClearanceM: number | null;
}

/** All launches that reach the target, or the reasons why there is none. */
export interface AimAnswer {
  solutions: Solution[];
  /** Arcs that reach the target but break a limit or the net. */
  blocked: Blocked[];
  reason: { code: ReasonCode; nearest: Nearest | null } | null;
}
