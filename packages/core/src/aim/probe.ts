import { type Net, netHeightAt } from '../catalog/index.ts';
import { GRAVITY, type Launch, Stepper } from '../flight/index.ts';
import { degToRad, radToDeg } from '../quantity/index.ts';
import { type AimQuestion, spinAt, WIDEST_LIMITS } from './types.ts';

/** A ball this far under the target plane will not come up to it. */
const DEEPEST_M = -150;
const LONGEST_S = 15;

/**
 * Flies trial balls at one target and says by how much they miss.
 *
 * A trial goes on below the ground until it passes the vertical plane through the target (across the line from machine to landing
 * spot, or the plane asked for), so that the miss in height is smooth in speed and elevation even for balls that fall short.
 */
export class Probe {
  readonly question: AimQuestion;
  /** Level distance from the machine to the target plane along the aim line, m. */
  readonly distanceM: number;
  /** Bearing of the straight line to the target. */
  readonly straightDeg: number;
  /** Height of the ball's centre at the target. */
  readonly targetZ: number;
  /** Results of the last trial: misses in m (up, and to the right of the line), time, descent, clearance. */
  up = 0;
  right = 0;
  /** Of `drop` only: beyond the target along the line, at its height, m. */
  beyond = 0;
  timeS = 0;
  descentTan = 0;
  clearanceM: number | null = null;
  /** Highest point of the ball's centre up to the target. */
  apexM = 0;
  private readonly full: Stepper;
  private readonly rough: Stepper;
  private stepper: Stepper;
  /** The launch of the trial, written over by each. */
  private readonly trial: Launch;
  private readonly nx: number;
  private readonly ny: number;
  private readonly level: number;
  private readonly targetX: number;
  private readonly targetY: number;
  private readonly passesNet: boolean;

  constructor(question: AimQuestion) {
    const { conditions, from, target } = question;
    this.question = question;
    this.full = new Stepper(conditions.ball, conditions.airDensityKgM3, conditions.wind);
    this.rough = new Stepper(conditions.ball, conditions.airDensityKgM3, conditions.wind, true);
    this.stepper = this.full;
    this.trial = { ...from, speedMps: 0, elevationDeg: 0, bearingDeg: 0, ...spinAt(question, 1) };
    const landing = target.kind === 'landing';
    this.targetX = target.x;
    this.targetY = landing ? target.y : target.planeY;
    this.targetZ = landing ? conditions.ball.radiusM : target.z;
    const dx = target.x - from.x;
    const dy = this.targetY - from.y;
    const straight = Math.hypot(dx, dy);
    this.straightDeg = radToDeg(Math.atan2(dx, dy));
    this.nx = landing ? dx / straight : 0;
    this.ny = landing ? dy / straight : Math.sign(dy);
    this.level = this.nx * this.targetX + this.ny * this.targetY;
    this.distanceM = straight;
    this.passesNet = question.net !== null && from.y > 0 !== this.targetY > 0 && from.y !== 0;
  }

  /** @returns false when the ball never reaches the plane of the target */
  shoot(speedMps: number, elevationDeg: number, bearingDeg: number, rough: boolean): boolean {
    const s = this.begin(speedMps, elevationDeg, bearingDeg, rough);
    const { net } = this.question;
    while (s.t < LONGEST_S && s.now(2) > DEEPEST_M) {
      s.step();
      this.notePassages(net);
      if (this.nx * s.now(0) + this.ny * s.now(1) < this.level) continue;
      this.note(s.crossing(this.nx, this.ny, 0, this.level));
      return true;
    }
    return false;
  }

  /** As `shoot`, but to where a lob comes down to the height of the target. @returns false when it never gets there */
  drop(speedMps: number, elevationDeg: number, bearingDeg: number, rough: boolean): boolean {
    const s = this.begin(speedMps, elevationDeg, bearingDeg, rough);
    const { net } = this.question;
    while (s.t < LONGEST_S) {
      s.step();
      this.notePassages(net);
      if (s.now(5) > 0 || s.now(2) > this.targetZ) continue;
      if (s.was(2) < this.targetZ) return false;
      const share = s.crossing(0, 0, 1, this.targetZ);
      this.note(share);
      this.beyond = this.nx * s.at(0, share) + this.ny * s.at(1, share) - this.level;
      return true;
    }
    return false;
  }

  private begin(speedMps: number, elevationDeg: number, bearingDeg: number, rough: boolean): Stepper {
    this.stepper = rough ? this.rough : this.full;
    const { trial } = this;
    trial.speedMps = speedMps;
    trial.elevationDeg = elevationDeg;
    trial.bearingDeg = bearingDeg;
    const { spin } = this.question;
    if (typeof spin === 'function') Object.assign(trial, spin(speedMps));
    this.stepper.launch(trial);
    this.clearanceM = null;
    this.apexM = trial.z;
    return this.stepper;
  }

  private notePassages(net: Net | null): void {
    const s = this.stepper;
    // only the last trials of a search are not rough, and only theirs is asked for
    if (s === this.full && s.was(5) > 0 && s.now(5) <= 0) this.apexM = Math.max(this.apexM, s.at(2, s.turning()));
    if (!this.passesNet || net === null || s.was(1) > 0 === s.now(1) > 0) return;
    const share = s.crossing(0, 1, 0, 0);
    this.clearanceM = s.at(2, share) - s.radiusM - netHeightAt(net, s.at(0, share));
  }

  private note(share: number): void {
    const s = this.stepper;
    // right of the line, seen along it: (ny, −nx)
    this.right = this.ny * (s.at(0, share) - this.targetX) - this.nx * (s.at(1, share) - this.targetY);
    this.up = s.at(2, share) - this.targetZ;
    this.timeS = s.t - s.h + share * s.h;
    this.descentTan = -s.velocityAt(2, share) / Math.max(1e-9, Math.sqrt(s.velocityAt(0, share) ** 2 + s.velocityAt(1, share) ** 2));
  }

  /** Whether the last trial is within 0.1 mm of the target, counting how a miss in height shifts a flat landing. */
  get onTarget(): boolean {
    return Math.abs(this.up) < 1e-4 * Math.min(1, Math.max(0.02, this.descentTan)) && Math.abs(this.right) < 1e-4;
  }
}

/** Searched instead of speed, since the drop over a distance is nearly straight in it. */
const speedOf = (a: number): number => 1 / Math.sqrt(a);

/** An arc that passes through the target. */
export interface Arc {
  speedMps: number;
  elevationDeg: number;
  bearingDeg: number;
  timeS: number;
  clearanceM: number | null;
  descentDeg: number;
  /** Highest point of the ball's centre. */
  apexM: number;
}

/**
 * The value that is searched, and the miss that is brought to nothing with it; each pair is close to a straight line.
 * 'speed': 1/v² at a held elevation, against the miss in height. 'low': the tangent at a held speed, against the miss in height.
 * 'high': the elevation in degrees at a held speed, against the miss along the ground (a lob comes down steeply).
 * 'reach': the speed at a held elevation, against the miss along the ground: slower to settle than 'speed', but sure for a ball that
 * drag and wind bring down almost straight.
 */
type Free = 'speed' | 'low' | 'high' | 'reach';

const alongGround = (free: Free): boolean => free === 'high' || free === 'reach';

/** A place to start the search: the free value, its slope `d(up)/d(free)` if known, and the bearing. */
export interface Start {
  free: number;
  slope?: number;
  bearingDeg: number;
}

const arcOf = (probe: Probe, speedMps: number, elevationDeg: number, bearingDeg: number): Arc => ({
  speedMps,
  elevationDeg,
  bearingDeg,
  timeS: probe.timeS,
  clearanceM: probe.clearanceM,
  descentDeg: radToDeg(Math.atan(probe.descentTan)),
  apexM: probe.apexM,
});

/**
 * Broyden's search for the free value and the bearing together. Both are scaled to metres of miss, by the slope in a vacuum and by the
 * distance, so that the search starts from a unit matrix and learns from each trial what wind and spin change.
 * Rough flights bring it near, full ones finish it.
 * @param heldValue  the elevation in degrees for 'speed' and 'reach', else the speed in m/s
 * @returns null when it does not settle; the caller then looks along the whole range
 */
export function settle(probe: Probe, free: Free, heldValue: number, start: Start): Arc | null {
  let { free: a, bearingDeg } = start;
  const slope = start.slope ?? vacuumSlope(probe, free, heldValue, a);
  if (slope === 0 || !Number.isFinite(slope)) return null;
  let [j11, j12, j21, j22] = [1, 0, 0, 1];
  let [moved1, moved2, lastMiss, lastRight] = [0, 0, 0, 0];
  let rough = true;
  for (let i = 0; i < MOST_TRIALS; i++) {
    if (!possible(free, a) || !shootAt(probe, free, heldValue, a, bearingDeg, rough)) return null;
    const { right } = probe;
    const miss = alongGround(free) ? probe.beyond : probe.up;
    if (!rough && (alongGround(free) ? Math.abs(miss) < 1e-4 && Math.abs(right) < 1e-4 : probe.onTarget))
      return arcOf(probe, ...valuesOf(free, heldValue, a), bearingDeg);
    const moved = moved1 * moved1 + moved2 * moved2;
    if (moved > 1e-12) {
      const error1 = (miss - lastMiss - j11 * moved1 - j12 * moved2) / moved;
      const error2 = (right - lastRight - j21 * moved1 - j22 * moved2) / moved;
      j11 += error1 * moved1;
      j12 += error1 * moved2;
      j21 += error2 * moved1;
      j22 += error2 * moved2;
    }
    const det = j11 * j22 - j12 * j21;
    if (Math.abs(det) < 1e-3) return null;
    const next = bounded(free, a, a - (j22 * miss - j12 * right) / det / slope);
    const turn = -(j11 * right - j21 * miss) / det;
    moved1 = (next - a) * slope;
    moved2 = Math.min(LARGEST_TURN * probe.distanceM, Math.max(-LARGEST_TURN * probe.distanceM, turn));
    lastMiss = miss;
    lastRight = right;
    a = next;
    bearingDeg += radToDeg(moved2 / probe.distanceM);
    if (rough && Math.abs(miss) < NEAR_M && Math.abs(right) < NEAR_M) {
      rough = false;
      moved1 = moved2 = 0; // a rough and a full trial are not two points of one curve
    }
  }
  return null;
}

const MOST_TRIALS = 30;
/** Misses under this, m, are finished with full flights. */
const NEAR_M = 0.1;
/** Most turn in one trial, rad. */
const LARGEST_TURN = 0.5;

const RANGE: Record<Free, readonly [number, number]> = { speed: [1e-5, 4], reach: [0.3, 160], low: [-60, 60], high: [-60, 89.9] };

const possible = (free: Free, a: number): boolean => a > RANGE[free][0] && a < RANGE[free][1];

function valuesOf(free: Free, heldValue: number, a: number): [speedMps: number, elevationDeg: number] {
  if (free === 'speed') return [speedOf(a), heldValue];
  if (free === 'reach') return [a, heldValue];
  return [heldValue, free === 'low' ? radToDeg(Math.atan(a)) : a];
}

function shootAt(probe: Probe, free: Free, heldValue: number, a: number, bearingDeg: number, rough: boolean): boolean {
  const [speedMps, elevationDeg] = valuesOf(free, heldValue, a);
  return alongGround(free) ? probe.drop(speedMps, elevationDeg, bearingDeg, rough) : probe.shoot(speedMps, elevationDeg, bearingDeg, rough);
}

/** Keeps one step of the search within what the straight-line picture bears. */
function bounded(free: Free, a: number, wanted: number): number {
  if (free === 'speed') return Math.min(4 * a, Math.max(a / 4, wanted));
  if (free === 'reach') return Math.min(1.5 * a, Math.max(a / 1.5, wanted));
  if (free === 'low') return Math.min(a + 0.7, Math.max(a - 0.7, wanted));
  return Math.min((a + 89.9) / 2, Math.max(a - 12, wanted));
}

const G2 = GRAVITY / 2;

/** Slope of the miss in a vacuum, to start from. */
function vacuumSlope(probe: Probe, free: Free, heldValue: number, a: number): number {
  const d = probe.distanceM;
  if (free === 'speed') return (-G2 * d * d) / Math.cos(degToRad(heldValue)) ** 2;
  if (free === 'low') return d - (2 * G2 * d * d * a) / (heldValue * heldValue);
  if (free === 'reach') return (2 * d) / a;
  return degToRad((heldValue ** 2 * Math.cos(degToRad(2 * a))) / G2);
}

/** Mean speed lost to drag on the way, as a factor on the launch speed: a first guess only. */
const dragGuess = (probe: Probe): number => {
  const { ball, airDensityKgM3 } = probe.question.conditions;
  const k = (airDensityKgM3 * Math.PI * ball.radiusM ** 2) / (2 * ball.massKg);
  return Math.exp(-0.25 * k * probe.distanceM);
};

/** Where to start for a held elevation: the vacuum answer, stretched for drag; null below the line of sight. */
export function guessSpeed(probe: Probe, elevationDeg: number): Start | null {
  const t = Math.tan(degToRad(elevationDeg));
  const drop = probe.distanceM * t + probe.question.from.z - probe.targetZ;
  if (drop <= 0.01) return null;
  const a = (drop * 2 * Math.cos(degToRad(elevationDeg)) ** 2) / (2 * G2 * probe.distanceM ** 2);
  return { free: a * dragGuess(probe) ** 2, bearingDeg: probe.straightDeg };
}

/** Where to start for a held speed: tangents of the low and the high arc; none when out of reach in a vacuum. */
export function guessElevations(probe: Probe, speedMps: number): [Start, Start] | null {
  const d = probe.distanceM;
  const drop = (G2 * d * d) / (speedMps * dragGuess(probe)) ** 2;
  const under = d * d - 4 * drop * (drop - (probe.question.from.z - probe.targetZ));
  if (under <= 0) return null;
  const root = Math.sqrt(under);
  const start = (tangent: number): Start => ({ free: tangent, bearingDeg: probe.straightDeg });
  const high = radToDeg(Math.atan((d + root) / (2 * drop)));
  return [start((d - root) / (2 * drop)), start(high)];
}

/** Trials of a look along the whole range. */
const LOOKS = 44;

/**
 * Looks along the whole range of speeds or elevations with rough flights, for the case that a quick search did not settle: a spot on the ground by the
 * miss along it, a point in a plane by the miss in height, so that it may be passed on the way up.
 * @param free  'reach' or 'speed' for the speed at a held elevation, 'high' or 'low' for the elevation at a held speed
 * @returns starts at each sign change of the miss, in order of the free value
 */
export function scan(probe: Probe, free: Free, heldValue: number): Start[] {
  const bySpeed = free === 'reach' || free === 'speed';
  const [lo, hi] = bySpeed ? WIDEST_LIMITS.speedMps : WIDEST_LIMITS.elevationDeg;
  const starts: Start[] = [];
  let last: { a: number; miss: number } | null = null;
  for (let i = 0; i < LOOKS; i++) {
    const share = i / (LOOKS - 1);
    const value = bySpeed ? lo * (hi / lo) ** share : lo + share * (hi - lo);
    const a = free === 'speed' ? 1 / value ** 2 : free === 'low' ? Math.tan(degToRad(value)) : value;
    const there = shootAt(probe, free, heldValue, a, probe.straightDeg, true);
    // a ball that falls to the ground before the plane is under it
    const miss = there ? (alongGround(free) ? probe.beyond : probe.up) : alongGround(free) ? null : DEEPEST_M;
    if (miss === null) {
      last = null;
      continue;
    }
    if (last && miss > 0 !== last.miss > 0) {
      const slope = (miss - last.miss) / (a - last.a);
      const near = miss === DEEPEST_M ? last.a : last.miss === DEEPEST_M ? a : last.a - last.miss / slope;
      starts.push({ free: near, ...(near !== a && near !== last.a && { slope }), bearingDeg: probe.straightDeg });
    }
    last = { a, miss };
  }
  return starts;
}
