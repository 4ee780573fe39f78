/**
 * An independent flight: the equations of the physics written out again, integrated by the general-purpose `odex` package at a tight
 * tolerance, with event times found by bisection on re-integration. Shares nothing with the stepper but the ball's mass, size and law.
 */
import { Solver } from 'odex';
import { type Ball, type Conditions, coefficients, type Launch } from '../../src/index.ts';

type State = number[];

const G = 9.80665;

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
  tolerance = 1e-11,
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
    const f = derivative(ball, conditions.airDensityKgM3, conditions.wind, spin);
    const start = state;
    const at = (dt: number): State => (dt === 0 ? start : solver.solve(f, 0, start, dt).y);
    const marching = 0.02;
    const found: OracleEvent[] = [];
    let landed: number | undefined;
    let before = state;
    for (let n = 1; landed === undefined && n < 4000; n++) {
      const after = at(n * marching);
      const root = (event: (s: State) => number): number => {
        let [lo, hi] = [(n - 1) * marching, n * marching];
        const up = event(after) > 0;
        for (let i = 0; i < 45; i++) {
          const mid = (lo + hi) / 2;
          if (event(at(mid)) > 0 === up) hi = mid;
          else lo = mid;
        }
        return hi;
      };
      if (after[2]! < ball.radiusM && (n > 1 || leg === 0 || after[5]! < 0)) landed = root((s) => s[2]! - ball.radiusM);
      for (const planeY of planesY) {
        if (before[1]! > planeY === after[1]! > planeY || before[1] === planeY) continue;
        const dt = root((s) => s[1]! - planeY);
        if (landed === undefined || dt < landed) found.push({ kind: 'plane', planeY, leg, t: t0 + dt, state: at(dt) });
      }
      before = after;
    }
    if (landed === undefined) break;
    const down = at(landed);
    events.push(...found.sort((a, b) => a.t - b.t), { kind: 'bounce', leg, t: t0 + landed, state: down });
    t0 += landed;
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
