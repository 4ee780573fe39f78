import { degToRad, rpmToRadPerS } from '../quantity/index.ts';
import type { Ball } from '../sport/index.ts';
import { tennisSpinDrag } from './tennis-drag.ts';

/** Standard gravity, m/s² (ISO 80000-3 conventional value). */
export const GRAVITY = 9.80665;

/** What leaves the machine. Position m, speed m/s, angles and spins as in the frame of the physics. */
export interface Launch {
  x: number;
  y: number;
  z: number;
  speedMps: number;
  /** Above horizontal. */
  elevationDeg: number;
  /** Clockwise from +y; 180 is toward the player. */
  bearingDeg: number;
  /** Positive dips the ball; negative is backspin. */
  topspinRpm: number;
  /** Positive curves it to the right of its travel. */
  sidespinRpm: number;
  gyroRpm: number;
}

/** Steady horizontal wind, m/s, as a velocity of the air. */
export interface Wind {
  xMps: number;
  yMps: number;
}

const TENNIS = 0;
const CONSTANT_CD = 1;
const NO_SPIN = 2;

/** Longest and shortest step, s, and the longest by what the air and the turn of the path allow; set by the accuracy tests (1 mm and 0.1 ms against odex). */
const MAX_STEP_S = 0.11;
const MIN_STEP_S = 0.02;
const MAX_STEP_IN_DRAG_TIMES = 0.06;
const MAX_TURN_RAD = 0.25;

/**
 * Classical fixed-stage Runge–Kutta (RK4) over one leg of a flight, with the spin held constant.
 *
 * The state lives in preallocated arrays and a step allocates nothing. (`private` rather than `#`: bundlers turn `#` into weak maps
 * for older browsers, which made a flight five times slower.)
 * `now` and `was` are `[x, y, z, vx, vy, vz]` at the end and the start of the last step (m, m/s),
 * `accNow` and `accWas` the accelerations there (m/s²), `t` and `h` the time at its end and its length (s).
 */
export class Stepper {
  readonly now = new Float64Array(6);
  readonly was = new Float64Array(6);
  readonly accNow = new Float64Array(3);
  readonly accWas = new Float64Array(3);
  /** Spin vector, rad/s. */
  readonly spin = new Float64Array(3);
  readonly radiusM: number;
  readonly inertiaShare: number;
  /** `[t, h]`; an array, since a number field that changes is boxed anew at every change. */
  private readonly clock = new Float64Array(2);

  private readonly k: number;
  private readonly ball: Ball;
  private readonly dragFactor: number;
  private readonly windX: number;
  private readonly windY: number;
  private readonly acc = new Float64Array(3);
  private law = NO_SPIN;
  private cd = 0;
  private clTop = 0;
  private clBase = 0;
  private clSlope = 0;

  constructor(ball: Ball, airDensityKgM3: number, wind: Wind) {
    this.ball = ball;
    this.dragFactor = ball.dragFactor;
    this.radiusM = ball.radiusM;
    this.inertiaShare = ball.inertiaShare;
    this.k = (airDensityKgM3 * Math.PI * ball.radiusM ** 2) / (2 * ball.massKg);
    this.windX = wind.xMps;
    this.windY = wind.yMps;
  }

  get t(): number {
    return this.clock[0]!;
  }

  get h(): number {
    return this.clock[1]!;
  }

  /** Moves the end of the last step by `dt` seconds along its velocity: for microns only. */
  shift(dt: number): void {
    this.now[0]! += this.now[3]! * dt;
    this.now[1]! += this.now[4]! * dt;
    this.now[2]! += this.now[5]! * dt;
    this.clock[0]! += dt;
    this.clock[1]! += dt;
  }

  /** Puts the ball at its launch at t = 0. */
  launch(l: Launch): void {
    const el = degToRad(l.elevationDeg);
    const b = degToRad(l.bearingDeg);
    const [sinE, cosE, sinB, cosB] = [Math.sin(el), Math.cos(el), Math.sin(b), Math.cos(b)];
    // forward f, right r, up u = r × f; ω = −topspin·r − sidespin·u + gyro·f
    const top = rpmToRadPerS(l.topspinRpm);
    const side = rpmToRadPerS(l.sidespinRpm);
    const gyro = rpmToRadPerS(l.gyroRpm);
    const now = this.now;
    now[0] = l.x;
    now[1] = l.y;
    now[2] = l.z;
    now[3] = l.speedMps * cosE * sinB;
    now[4] = l.speedMps * cosE * cosB;
    now[5] = l.speedMps * sinE;
    this.clock[0] = 0;
    this.clock[1] = 0;
    this.setSpin(
      -top * cosB + side * sinE * sinB + gyro * cosE * sinB,
      top * sinB + side * sinE * cosB + gyro * cosE * cosB,
      -side * cosE + gyro * sinE,
    );
  }

  /** Starts a leg with this spin vector (rad/s): picks the coefficient law once, so that a step need not. */
  setSpin(wx: number, wy: number, wz: number): void {
    this.spin[0] = wx;
    this.spin[1] = wy;
    this.spin[2] = wz;
    const total = Math.sqrt(wx * wx + wy * wy + wz * wz);
    const { aero, dragFactor } = this.ball;
    this.law = aero.kind === 'tennis' ? TENNIS : CONSTANT_CD;
    if (aero.kind === 'tennis') this.cd = 0.508 * dragFactor;
    else if (aero.kind === 'baseball') {
      this.cd = (0.3008 + (0.0292 * total) / rpmToRadPerS(1000)) * dragFactor;
      this.clTop = 1.12;
      this.clBase = 0.583;
      this.clSlope = 2.333;
    } else {
      this.cd = aero.cd * dragFactor;
      this.clTop = 1;
      this.clBase = 1;
      this.clSlope = 2.5;
    }
    if (total < 1e-9) this.law = NO_SPIN;
    this.accelerate(this.now[3]!, this.now[4]!, this.now[5]!);
    this.accNow.set(this.acc);
  }

  /** a = g + k·|vr|·(−Cd·vr + Cl·|vr|·n̂); writes `acc`. */
  private accelerate(vx: number, vy: number, vz: number): void {
    const acc = this.acc;
    const rx = vx - this.windX;
    const ry = vy - this.windY;
    const v2 = rx * rx + ry * ry + vz * vz;
    const v = Math.sqrt(v2);
    let cd = this.cd;
    let lift = 0;
    let cx = 0;
    let cy = 0;
    let cz = 0;
    if (this.law !== NO_SPIN) {
      const spin = this.spin;
      const wx = spin[0]!;
      const wy = spin[1]!;
      const wz = spin[2]!;
      cx = wy * vz - wz * ry;
      cy = wz * rx - wx * vz;
      cz = wx * ry - wy * rx;
      const cross = Math.sqrt(cx * cx + cy * cy + cz * cz);
      if (cross > 1e-9) {
        const s = (this.radiusM * cross) / v2;
        if (this.law === TENNIS) {
          const q = 1 / s;
          cd += tennisSpinDrag(s) * this.dragFactor;
          lift = (this.k * v2) / ((2.022 + 0.981 * q) * cross);
        } else {
          lift = (this.k * v2 * this.clTop * s) / ((this.clBase + this.clSlope * s) * cross);
        }
      }
    }
    const drag = this.k * v * cd;
    acc[0] = -drag * rx + lift * cx;
    acc[1] = -drag * ry + lift * cy;
    acc[2] = -drag * vz + lift * cz - GRAVITY;
  }

  /** The step that keeps the error in bounds here, times `coarseness` (1 for full accuracy). */
  stepLength(coarseness: number): number {
    const { now, accNow } = this;
    const v2 = now[3]! * now[3]! + now[4]! * now[4]! + now[5]! * now[5]!;
    const level2 = accNow[0]! * accNow[0]! + accNow[1]! * accNow[1]!;
    const lifted = accNow[2]! + GRAVITY;
    // seconds² in which the air alone would stop the ball, and in which its path turns by a radian
    const stops = v2 / (level2 + lifted * lifted + 1e-9);
    const turns = v2 / (level2 + accNow[2]! * accNow[2]! + 1e-9);
    const own = Math.sqrt(Math.min(MAX_STEP_IN_DRAG_TIMES ** 2 * stops, MAX_TURN_RAD ** 2 * turns));
    return coarseness * Math.min(MAX_STEP_S, Math.max(MIN_STEP_S, own));
  }

  /** Goes on by `h` seconds. Costs four force evaluations. */
  step(h: number): void {
    const { now, was, accNow, accWas } = this;
    // by hand: TypedArray.set costs more than the four force evaluations
    for (let i = 0; i < 6; i++) was[i] = now[i]!;
    for (let i = 0; i < 3; i++) accWas[i] = accNow[i]!;
    this.advance(h);
  }

  /** Takes the last step again with another length, from the same start. */
  restep(h: number): void {
    this.clock[0]! -= this.clock[1]!;
    this.advance(h);
  }

  private advance(h: number): void {
    const { was, now, accWas } = this;
    const acc = this.acc;
    const vx = was[3]!;
    const vy = was[4]!;
    const vz = was[5]!;
    const ax1 = accWas[0]!;
    const ay1 = accWas[1]!;
    const az1 = accWas[2]!;
    const half = h / 2;
    this.accelerate(vx + half * ax1, vy + half * ay1, vz + half * az1);
    const ax2 = acc[0]!;
    const ay2 = acc[1]!;
    const az2 = acc[2]!;
    this.accelerate(vx + half * ax2, vy + half * ay2, vz + half * az2);
    const ax3 = acc[0]!;
    const ay3 = acc[1]!;
    const az3 = acc[2]!;
    this.accelerate(vx + h * ax3, vy + h * ay3, vz + h * az3);
    const sixth = h / 6;
    // the force does not depend on place, so the position stages fold into one sum
    const fold = (h * h) / 6;
    now[0] = was[0]! + h * vx + fold * (ax1 + ax2 + ax3);
    now[1] = was[1]! + h * vy + fold * (ay1 + ay2 + ay3);
    now[2] = was[2]! + h * vz + fold * (az1 + az2 + az3);
    now[3] = vx + sixth * (ax1 + 2 * (ax2 + ax3) + acc[0]!);
    now[4] = vy + sixth * (ay1 + 2 * (ay2 + ay3) + acc[1]!);
    now[5] = vz + sixth * (az1 + 2 * (az2 + az3) + acc[2]!);
    this.accelerate(now[3]!, now[4]!, now[5]!);
    const { accNow } = this;
    accNow[0] = acc[0]!;
    accNow[1] = acc[1]!;
    accNow[2] = acc[2]!;
    this.clock[0]! += h;
    this.clock[1] = h;
  }

  /**
   * Where in the last step (0 to 1) `n·(x, y, z)` passes `level`, by the cubic through both ends.
   * @returns a number in [0, 1]; the caller has seen the sign change
   */
  crossing(nx: number, ny: number, nz: number, level: number): number {
    const { was, now, h } = this;
    const f0 = nx * was[0]! + ny * was[1]! + nz * was[2]! - level;
    const f1 = nx * now[0]! + ny * now[1]! + nz * now[2]! - level;
    const d0 = h * (nx * was[3]! + ny * was[4]! + nz * was[5]!);
    const d1 = h * (nx * now[3]! + ny * now[4]! + nz * now[5]!);
    const c2 = 3 * (f1 - f0) - 2 * d0 - d1;
    const c3 = 2 * (f0 - f1) + d0 + d1;
    let lo = 0;
    let hi = 1;
    let s = f0 === f1 ? 0 : Math.min(1, Math.max(0, f0 / (f0 - f1)));
    for (let i = 0; i < 40; i++) {
      const f = f0 + s * (d0 + s * (c2 + s * c3));
      if (f > 0 === f0 > 0) lo = s;
      else hi = s;
      const slope = d0 + s * (2 * c2 + 3 * s * c3);
      let next = s - f / slope;
      if (!(next >= lo && next <= hi)) next = (lo + hi) / 2;
      if (Math.abs(next - s) < 1e-12) return next;
      s = next;
    }
    return s;
  }

  /** One coordinate (0 x, 1 y, 2 z) at share `s` of the last step, by the cubic through both ends. */
  at(axis: number, s: number): number {
    const f0 = this.was[axis]!;
    const f1 = this.now[axis]!;
    const d0 = this.h * this.was[axis + 3]!;
    const d1 = this.h * this.now[axis + 3]!;
    return f0 + s * (d0 + s * (3 * (f1 - f0) - 2 * d0 - d1 + s * (2 * (f0 - f1) + d0 + d1)));
  }

  /** One velocity component at share `s` of the last step, by the cubic through both ends. */
  velocityAt(axis: number, s: number): number {
    const f0 = this.was[axis + 3]!;
    const f1 = this.now[axis + 3]!;
    const d0 = this.h * this.accWas[axis]!;
    const d1 = this.h * this.accNow[axis]!;
    return f0 + s * (d0 + s * (3 * (f1 - f0) - 2 * d0 - d1 + s * (2 * (f0 - f1) + d0 + d1)));
  }
}
