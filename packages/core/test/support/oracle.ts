/**
 * An independent flight: the equations of the physics written out again, integrated by the general-purpose `odex` package at a tight
 * tolerance, with event times found by bisection on its dense output. Shares nothing with the stepper but the ball's mass, size and law.
 */
import { Solver } from 'odex';
import { type Ball, type Conditions, coefficients, GRAVITY, type Launch } from '../../src/index.ts';

type State = number[];

const G = GRAVITY;
const LONGEST_S = 40;
const PARTS = 8;

function derivative(ball: Ball, density: number, wind: { xMps: number; yMps: number }, spin: readonly number[]) {
  const k = (density * Math.PI * ball.radiusM ** 2) / (2 * ball.massKg);
  const total = Math.hypot(...spin);
  return (_t: number, s: State): State => {
    const r = [s[3]! - wind.xMps, s[4]! - wind.yMps, s[5]!];
    const v = Math.hypot(...r);
    const c = [spin[1]! * r[2]! - spin[2]! * r[1]!, spin[2]! * r[0]! - spin[0]! * r[2]!, spin[0]! * r[1]! - spin[1]! * r[0]!];
    const cross = Math.hypot(...c);
    const { cd, cl } = coefficients(ball, v, v > 0 ? cross / v : 0, total);
    const a = r.map((each, i) => k * v * (-cd * each + (cross > 0 ? (cl * v * c[i]!) / cross : 0)));
    return [s[3]!, s[4]!, s[5]!, a[0]!, a[1]!, a[2]! - G];
  };
}

function launchState(l: Launch): { state: State; spin: number[] } {
  const rad = Math.PI / 180;
  const rpm = (2 * Math.PI) / 60;
  const f = [
    Math.cos(l.elevationDeg * rad) * Math.sin(l.bearingDeg * rad),
    Math.cos(l.elevationDeg * rad) * Math.cos(l.bearingDeg * rad),
    Math.sin(l.elevationDeg * rad),
  ];
  const r = [Math.cos(l.bearingDeg * rad), -Math.sin(l.bearingDeg * rad), 0];
  const u = [r[1]! * f[2]! - r[2]! * f[1]!, r[2]! * f[0]! - r[0]! * f[2]!, r[0]! * f[1]! - r[1]! * f[0]!];
  const spin = [0, 1, 2].map((i) => rpm * (-l.topspinRpm * r[i]! - l.sidespinRpm * u[i]! + l.gyroRpm * f[i]!));
  return { state: [l.x, l.y, l.z, ...f.map((each) => each * l.speedMps)], spin };
}

export interface OracleEvent {
  kind: 'bounce' | 'plane';
  planeY?: number;
  leg: number;
  t: number;
  state: State;
}

/** Flies to the second touch of the ground, with every plane crossing and touch, by `odex` at `tolerance`. */
export function oracleFlight(
  conditions: Conditions,
  launch: Launch,
  planesY: readonly number[],
  tolerance = 1e-10,
  legs = 2,
): OracleEvent[] {
  const { ball, ground } = conditions;
  const events: OracleEvent[] = [];
  let { state, spin } = launchState(launch);
  let t0 = 0;
  for (let leg = 0; leg < legs; leg++) {
    const solver = new Solver(6);
    solver.absoluteTolerance = tolerance;
    solver.relativeTolerance = tolerance;
    solver.denseOutput = true;
    const f = derivative(ball, conditions.airDensityKgM3, conditions.wind, spin);
    const found: OracleEvent[] = [];
    let landed: { dt: number; state: State } | undefined;
    let before = state;
    solver.solve(f, 0, state, LONGEST_S, (_n, from, to, _y, interpolate) => {
      const at = (dt: number): State => [0, 1, 2, 3, 4, 5].map((i) => interpolate(i, dt));
      // its steps are long: look between their ends too
      for (let i = 1; i <= PARTS && to > from && !landed; i++) {
        const [t1, t2] = [from + ((to - from) * (i - 1)) / PARTS, from + ((to - from) * i) / PARTS];
        const after = at(t2);
        const root = (axis: number, level: number): number => {
          let [lo, hi] = [t1, t2];
          const up = after[axis]! > level;
          for (let k = 0; k < 40; k++) {
            const mid = (lo + hi) / 2;
            if (interpolate(axis, mid) > level === up) hi = mid;
            else lo = mid;
          }
          return hi;
        };
        if (after[2]! < ball.radiusM && (t1 > 0 || leg === 0 || after[5]! < 0)) {
          const dt = root(2, ball.radiusM);
          landed = { dt, state: at(dt) };
        }
        for (const planeY of planesY) {
          if (before[1]! > planeY === after[1]! > planeY || before[1] === planeY) continue;
          const dt = root(1, planeY);
          if (!landed || dt < landed.dt) found.push({ kind: 'plane', planeY, leg, t: t0 + dt, state: at(dt) });
        }
        before = after;
      }
      return landed ? false : undefined;
    });
    if (landed === undefined) break;
    const down = landed.state;
    events.push(...found.sort((a, b) => a.t - b.t), { kind: 'bounce', leg, t: t0 + landed.dt, state: down });
    t0 += landed.dt;
    // Brody's bounce, in components
    const [, , , vx, vy, vz] = down as [number, number, number, number, number, number];
    const R = ball.radiusM;
    const alpha = ball.inertiaShare;
    const slip = [vx - R * spin[1]!, vy + R * spin[0]!];
    const size = Math.hypot(...slip);
    const change = Math.min(
      ((1 + ground.tangentialRestitution) * alpha * size) / (1 + alpha),
      ground.friction * (1 + ground.restitution) * -vz,
    );
    const d = slip.map((each) => (size > 0 ? (-change * each) / size : 0));
    spin = [spin[0]! + d[1]! / (alpha * R), spin[1]! - d[0]! / (alpha * R), spin[2]!];
    state = [down[0]!, down[1]!, R, vx + d[0]!, vy + d[1]!, -ground.restitution * vz];
  }
  return events;
}
