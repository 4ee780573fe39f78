import type { Ball } from '../catalog/record.ts';
import { degToRad, rpmToRadPerS } from '../quantity/index.ts';
import {
  ACC,
  ACC_NOW,
  ACC_WAS,
  ALLOWED,
  CD,
  CL_BASE,
  CL_SLOPE,
  DRAG_FACTOR,
  ERROR,
  EXTRA,
  K,
  LastStep,
  LENGTH,
  LIFT,
  LOOSENESS,
  NEXT,
  NOW,
  RADIUS,
  SPIN,
  TIME,
  V,
  WAS,
  WIND_X,
  WIND_Y,
} from './last-step.ts';
import { krpm } from './laws.ts';
import { A61, A62, A63, A64, A65, B1, B3, B4, B5, B6, E1, E3, E4, E5, E6, P3, P4, P5 } from './pair.ts';
import { spinDragAt } from './spin-drag.ts';

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

const FELT_COVER = 0;
const WITH_SPIN = 1;
const NO_SPIN = 2;

/**
 * Largest estimated error of velocity in one step, m/s, of a ball at `USUAL_MPS` that is a second in the air; set by the accuracy tests
 * (1 mm and 0.1 ms against odex). Slow balls get less of it, since the pull of air and spin changes faster along their path, and high ones,
 * since an early error has longer to grow. The step that is kept is one order better than the estimate.
 */
const TOLERANCE_MPS = 4e-5;
const USUAL_MPS = 20;
/** Searches may begin with flights that are this much looser. */
const ROUGH = 300;
const LONGEST_STEP_S = 0.8;
const SHORTEST_STEP_S = 1e-3;
/** First step, as a share of the time in which air and gravity would turn the velocity over. */
const FIRST_STEP = 0.25;

/**
 * Adaptive Runge–Kutta of order 5 with an embedded order 4 (Dormand and Prince, J. Comput. Appl. Math. 6 (1980) 19; coefficients
 * quoted from memory, checked by the tests) over one leg of a flight, with the spin held constant.
 *
 * The force does not depend on place, so only the velocity has stages; the position follows with weights b(1 − c). Between the ends of a
 * step the path is the quintic through place, velocity and acceleration at both.
 * One buffer holds everything that changes and a step allocates nothing. (`private` rather than `#`: bundlers turn `#` into weak maps
 * for older browsers, which made a flight five times slower.)
 */
export class Stepper extends LastStep {
  private readonly ball: Ball;
  private law = NO_SPIN;

  /** @param rough good to a few centimetres, at two thirds of the cost: for searches */
  constructor(ball: Ball, airDensityKgM3: number, wind: Wind, rough = false) {
    super();
    const { d } = this;
    this.ball = ball;
    d[RADIUS] = ball.radiusM;
    d[K] = (airDensityKgM3 * Math.PI * ball.radiusM * ball.radiusM) / (2 * ball.massKg);
    d[DRAG_FACTOR] = ball.dragFactor;
    d[WIND_X] = wind.xMps;
    d[WIND_Y] = wind.yMps;
    d[LOOSENESS] = rough ? ROUGH : 1;
  }

  /** Puts the ball at its launch at t = 0. */
  launch(l: Launch): void {
    const el = degToRad(l.elevationDeg);
    const b = degToRad(l.bearingDeg);
    const sinE = Math.sin(el);
    const cosE = Math.cos(el);
    const sinB = Math.sin(b);
    const cosB = Math.cos(b);
    // forward f, right r, up u = r × f; ω = −topspin·r − sidespin·u + gyro·f
    const top = rpmToRadPerS(l.topspinRpm);
    const side = rpmToRadPerS(l.sidespinRpm);
    const gyro = rpmToRadPerS(l.gyroRpm);
    const d = this.d;
    d[NOW] = l.x;
    d[NOW + 1] = l.y;
    d[NOW + 2] = l.z;
    d[NOW + 3] = l.speedMps * cosE * sinB;
    d[NOW + 4] = l.speedMps * cosE * cosB;
    d[NOW + 5] = l.speedMps * sinE;
    d[TIME] = 0;
    d[LENGTH] = 0;
    this.setSpin(
      -top * cosB + side * sinE * sinB + gyro * cosE * sinB,
      top * sinB + side * sinE * cosB + gyro * cosE * cosB,
      -side * cosE + gyro * sinE,
    );
  }

  /** Goes on from the ground with this velocity (m/s) and spin vector (rad/s). */
  leave(vx: number, vy: number, vz: number, wx: number, wy: number, wz: number): void {
    const d = this.d;
    d[NOW + 3] = vx;
    d[NOW + 4] = vy;
    d[NOW + 5] = vz;
    this.setSpin(wx, wy, wz);
  }

  /** Starts a leg with this spin vector: picks the coefficient law once, so that a step need not. */
  private setSpin(wx: number, wy: number, wz: number): void {
    const d = this.d;
    d[SPIN] = wx;
    d[SPIN + 1] = wy;
    d[SPIN + 2] = wz;
    const total = Math.sqrt(wx * wx + wy * wy + wz * wz);
    const { aero, dragFactor } = this.ball;
    this.law = aero.spinDrag ? FELT_COVER : WITH_SPIN;
    d[CD] = (aero.cd + aero.cdPerKrpm * krpm(total)) * dragFactor;
    d[LIFT] = aero.lift.scale * d[K]! * d[RADIUS]!;
    d[CL_BASE] = aero.lift.base;
    d[CL_SLOPE] = aero.lift.slope;
    if (total < 1e-9) this.law = NO_SPIN;
    d[V] = d[NOW + 3]!;
    d[V + 1] = d[NOW + 4]!;
    d[V + 2] = d[NOW + 5]!;
    this.accelerate();
    d[ACC_NOW] = d[ACC]!;
    d[ACC_NOW + 1] = d[ACC + 1]!;
    d[ACC_NOW + 2] = d[ACC + 2]!;
    const speed2 = d[NOW + 3]! ** 2 + d[NOW + 4]! ** 2 + d[NOW + 5]! ** 2;
    const acc2 = d[ACC]! ** 2 + d[ACC + 1]! ** 2 + d[ACC + 2]! ** 2;
    d[NEXT] = Math.min(LONGEST_STEP_S, Math.max(0.01, FIRST_STEP * Math.sqrt(speed2 / (acc2 + 1e-9))));
    const inAirS = (d[NOW + 5]! + Math.sqrt(d[NOW + 5]! ** 2 + 2 * GRAVITY * d[NOW + 2]!)) / GRAVITY;
    d[ALLOWED] =
      d[LOOSENESS]! * TOLERANCE_MPS * Math.min(2, Math.max(0.02, speed2 / USUAL_MPS ** 2)) * Math.min(1.5, 1 / (inAirS * inAirS));
  }

  /** a = g + k·|vr|·(−Cd·vr + Cl·|vr|·n̂); from the buffer at V to the buffer at ACC. */
  private accelerate(): void {
    const d = this.d;
    const rx = d[V]! - d[WIND_X]!;
    const ry = d[V + 1]! - d[WIND_Y]!;
    const vz = d[V + 2]!;
    const v2 = rx * rx + ry * ry + vz * vz;
    const v = Math.sqrt(v2);
    let cd = d[CD]!;
    let lift = 0;
    let cx = 0;
    let cy = 0;
    let cz = 0;
    if (this.law !== NO_SPIN && v2 > 0) {
      const wx = d[SPIN]!;
      const wy = d[SPIN + 1]!;
      const wz = d[SPIN + 2]!;
      cx = wy * vz - wz * ry;
      cy = wz * rx - wx * vz;
      cz = wx * ry - wy * rx;
      // S/|ω × vr| = R/vr², so that the lift needs no division by the cross product
      const s = (d[RADIUS]! * Math.sqrt(cx * cx + cy * cy + cz * cz)) / v2;
      if (this.law === FELT_COVER) {
        d[EXTRA] = s;
        spinDragAt(d, EXTRA);
        cd += d[EXTRA]! * d[DRAG_FACTOR]!;
      }
      lift = d[LIFT]! / (d[CL_BASE]! + d[CL_SLOPE]! * s);
    }
    const drag = d[K]! * v * cd;
    d[ACC] = -drag * rx + lift * cx;
    d[ACC + 1] = -drag * ry + lift * cy;
    d[ACC + 2] = -drag * vz + lift * cz - GRAVITY;
  }

  /**
   * Goes on by one step whose estimated error is within the tolerance: six force evaluations, a few more where a longer step was tried.
   * @param longestS no step longer than this
   */
  step(longestS = LONGEST_STEP_S): void {
    const d = this.d;
    // by hand: TypedArray.set costs more than the force evaluations
    for (let i = 0; i < 6; i++) d[WAS + i] = d[NOW + i]!;
    for (let i = 0; i < 3; i++) d[ACC_WAS + i] = d[ACC_NOW + i]!;
    d[LENGTH] = Math.min(longestS, d[NEXT]!);
    for (;;) {
      this.attempt();
      const h = d[LENGTH]!;
      const ratio = d[ERROR]! / d[ALLOWED]!;
      // the usual controller of an embedded pair, kept between a fifth and three times; exponent 3/16 for its 1/5: four roots cost half of one power
      const eighth = Math.sqrt(Math.sqrt(Math.sqrt(ratio)));
      const factor = ratio < 1e-3 ? 3 : Math.max(0.2, Math.min(3, 0.9 / (eighth * Math.sqrt(eighth))));
      const next = Math.min(LONGEST_STEP_S, Math.max(SHORTEST_STEP_S, h * factor));
      if (ratio <= 1 || h <= SHORTEST_STEP_S) {
        d[TIME]! += h;
        // a step that was cut short from outside says nothing against a longer one
        d[NEXT] = Math.max(next, ratio <= 1 && h < d[NEXT]! ? d[NEXT]! : 0);
        return;
      }
      d[LENGTH] = next;
      d[NEXT] = next;
    }
  }

  /** Tries a step of the length at LENGTH from the kept start; leaves the estimated error of the velocity, m/s, at ERROR. */
  private attempt(): void {
    const d = this.d;
    const h = d[LENGTH]!;
    const vx = d[WAS + 3]!;
    const vy = d[WAS + 4]!;
    const vz = d[WAS + 5]!;
    const ax1 = d[ACC_WAS]!;
    const ay1 = d[ACC_WAS + 1]!;
    const az1 = d[ACC_WAS + 2]!;
    let f = h / 5;
    d[V] = vx + f * ax1;
    d[V + 1] = vy + f * ay1;
    d[V + 2] = vz + f * az1;
    this.accelerate();
    const ax2 = d[ACC]!;
    const ay2 = d[ACC + 1]!;
    const az2 = d[ACC + 2]!;
    f = h / 40;
    d[V] = vx + f * (3 * ax1 + 9 * ax2);
    d[V + 1] = vy + f * (3 * ay1 + 9 * ay2);
    d[V + 2] = vz + f * (3 * az1 + 9 * az2);
    this.accelerate();
    const ax3 = d[ACC]!;
    const ay3 = d[ACC + 1]!;
    const az3 = d[ACC + 2]!;
    f = h / 45;
    d[V] = vx + f * (44 * ax1 - 168 * ax2 + 160 * ax3);
    d[V + 1] = vy + f * (44 * ay1 - 168 * ay2 + 160 * ay3);
    d[V + 2] = vz + f * (44 * az1 - 168 * az2 + 160 * az3);
    this.accelerate();
    const ax4 = d[ACC]!;
    const ay4 = d[ACC + 1]!;
    const az4 = d[ACC + 2]!;
    f = h / 6561;
    d[V] = vx + f * (19372 * ax1 - 76080 * ax2 + 64448 * ax3 - 1908 * ax4);
    d[V + 1] = vy + f * (19372 * ay1 - 76080 * ay2 + 64448 * ay3 - 1908 * ay4);
    d[V + 2] = vz + f * (19372 * az1 - 76080 * az2 + 64448 * az3 - 1908 * az4);
    this.accelerate();
    const ax5 = d[ACC]!;
    const ay5 = d[ACC + 1]!;
    const az5 = d[ACC + 2]!;
    d[V] = vx + h * (A61 * ax1 + A62 * ax2 + A63 * ax3 + A64 * ax4 + A65 * ax5);
    d[V + 1] = vy + h * (A61 * ay1 + A62 * ay2 + A63 * ay3 + A64 * ay4 + A65 * ay5);
    d[V + 2] = vz + h * (A61 * az1 + A62 * az2 + A63 * az3 + A64 * az4 + A65 * az5);
    this.accelerate();
    const ax6 = d[ACC]!;
    const ay6 = d[ACC + 1]!;
    const az6 = d[ACC + 2]!;
    const h2 = h * h;
    d[NOW] = d[WAS]! + h * vx + h2 * (B1 * ax1 + P3 * ax3 + P4 * ax4 + P5 * ax5);
    d[NOW + 1] = d[WAS + 1]! + h * vy + h2 * (B1 * ay1 + P3 * ay3 + P4 * ay4 + P5 * ay5);
    d[NOW + 2] = d[WAS + 2]! + h * vz + h2 * (B1 * az1 + P3 * az3 + P4 * az4 + P5 * az5);
    const nx = vx + h * (B1 * ax1 + B3 * ax3 + B4 * ax4 + B5 * ax5 + B6 * ax6);
    const ny = vy + h * (B1 * ay1 + B3 * ay3 + B4 * ay4 + B5 * ay5 + B6 * ay6);
    const nz = vz + h * (B1 * az1 + B3 * az3 + B4 * az4 + B5 * az5 + B6 * az6);
    d[NOW + 3] = nx;
    d[NOW + 4] = ny;
    d[NOW + 5] = nz;
    d[V] = nx;
    d[V + 1] = ny;
    d[V + 2] = nz;
    this.accelerate();
    const ax7 = d[ACC]!;
    const ay7 = d[ACC + 1]!;
    const az7 = d[ACC + 2]!;
    d[ACC_NOW] = ax7;
    d[ACC_NOW + 1] = ay7;
    d[ACC_NOW + 2] = az7;
    const ex = E1 * ax1 + E3 * ax3 + E4 * ax4 + E5 * ax5 + E6 * ax6 - ax7 / 40;
    const ey = E1 * ay1 + E3 * ay3 + E4 * ay4 + E5 * ay5 + E6 * ay6 - ay7 / 40;
    const ez = E1 * az1 + E3 * az3 + E4 * az4 + E5 * az5 + E6 * az6 - az7 / 40;
    d[ERROR] = h * Math.sqrt(ex * ex + ey * ey + ez * ez);
  }
}
