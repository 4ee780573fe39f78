/** Places in the one buffer that holds everything which changes: state at the end and start of the last step, accelerations, spin, clock. */
export const NOW = 0;
export const WAS = 6;
export const ACC_NOW = 12;
export const ACC_WAS = 15;
export const SPIN = 18;
export const TIME = 21;
export const LENGTH = 22;
/** Length the error estimate proposes for the next step. */
export const NEXT = 23;
export const ACC = 24;
/** Velocity at which the force is wanted, and the error of the last attempt: handed over here, since a double passed to or from a call that is not inlined is allocated. */
export const V = 27;
export const ERROR = 30;
export const ALLOWED = 31;
export const EXTRA = 32;
/** What stays the same over a leg or a flight: in the buffer too, since each double in a field of its own is another allocation. */
export const RADIUS = 33;
export const K = 34;
export const DRAG_FACTOR = 35;
export const WIND_X = 36;
export const WIND_Y = 37;
export const LOOSENESS = 38;
export const CD = 39;
export const LIFT = 40;
export const CL_BASE = 41;
export const CL_SLOPE = 42;
/** A plain array of doubles: as quick as a typed one, and a tenth of the cost to make. */
const BLANK: readonly number[] = Array.from({ length: 43 }, () => 0.5);

/** The last step of a flight: its two ends, and the quintic through place, velocity and acceleration at both between them. */
export class LastStep {
  protected readonly d: number[] = BLANK.slice();

  get radiusM(): number {
    return this.d[RADIUS]!;
  }
  /** Time at the end of the last step, s. */
  get t(): number {
    return this.d[TIME]!;
  }
  /** Length of the last step, s. */
  get h(): number {
    return this.d[LENGTH]!;
  }
  /** One coordinate (0 x, 1 y, 2 z: m; 3 to 5 the velocity: m/s) at the end of the last step. */
  now(i: number): number {
    return this.d[NOW + i]!;
  }
  /** As `now`, at its start. */
  was(i: number): number {
    return this.d[WAS + i]!;
  }
  /** Component of the spin vector, rad/s. */
  spin(i: number): number {
    return this.d[SPIN + i]!;
  }

  /** Makes share `s` of the last step its end: place, velocity and acceleration of the quintic there. */
  cut(s: number): void {
    const d = this.d;
    const h = d[LENGTH]!;
    for (let axis = 0; axis < 3; axis++) {
      const f0 = d[WAS + axis]!;
      const d0 = h * d[WAS + 3 + axis]!;
      const a0 = h * h * d[ACC_WAS + axis]!;
      const rise = d[NOW + axis]! - f0 - d0 - a0 / 2;
      const turn = h * d[NOW + 3 + axis]! - d0 - a0;
      const bend = (h * h * d[ACC_NOW + axis]! - a0) / 2;
      const c3 = 10 * rise - 4 * turn + bend;
      const c4 = -15 * rise + 7 * turn - 2 * bend;
      const c5 = 6 * rise - 3 * turn + bend;
      d[NOW + axis] = f0 + s * (d0 + s * (a0 / 2 + s * (c3 + s * (c4 + s * c5))));
      d[NOW + 3 + axis] = (d0 + s * (a0 + s * (3 * c3 + s * (4 * c4 + s * 5 * c5)))) / h;
      d[ACC_NOW + axis] = (a0 + s * (6 * c3 + s * (12 * c4 + s * 20 * c5))) / (h * h);
    }
    d[TIME]! -= (1 - s) * h;
    d[LENGTH] = s * h;
  }

  /**
   * Where in the last step (0 to 1) `n·(x, y, z)` passes `level`.
   * @returns a number in [0, 1]; the caller has seen the sign change
   */
  crossing(nx: number, ny: number, nz: number, level: number): number {
    const d = this.d;
    const h = d[LENGTH]!;
    const f0 = nx * d[WAS]! + ny * d[WAS + 1]! + nz * d[WAS + 2]! - level;
    const f1 = nx * d[NOW]! + ny * d[NOW + 1]! + nz * d[NOW + 2]! - level;
    const d0 = h * (nx * d[WAS + 3]! + ny * d[WAS + 4]! + nz * d[WAS + 5]!);
    const d1 = h * (nx * d[NOW + 3]! + ny * d[NOW + 4]! + nz * d[NOW + 5]!);
    const a0 = h * h * (nx * d[ACC_WAS]! + ny * d[ACC_WAS + 1]! + nz * d[ACC_WAS + 2]!);
    const a1 = h * h * (nx * d[ACC_NOW]! + ny * d[ACC_NOW + 1]! + nz * d[ACC_NOW + 2]!);
    const c2 = a0 / 2;
    const rise = f1 - f0 - d0 - c2;
    const turn = d1 - d0 - a0;
    const bend = (a1 - a0) / 2;
    const c3 = 10 * rise - 4 * turn + bend;
    const c4 = -15 * rise + 7 * turn - 2 * bend;
    const c5 = 6 * rise - 3 * turn + bend;
    let lo = 0;
    let hi = 1;
    let s = f0 === f1 ? 0 : Math.min(1, Math.max(0, f0 / (f0 - f1)));
    for (let i = 0; i < 40; i++) {
      const f = f0 + s * (d0 + s * (c2 + s * (c3 + s * (c4 + s * c5))));
      if (f > 0 === f0 > 0) lo = s;
      else hi = s;
      const slope = d0 + s * (2 * c2 + s * (3 * c3 + s * (4 * c4 + s * 5 * c5)));
      let next = s - f / slope;
      if (!(next >= lo && next <= hi)) next = (lo + hi) / 2;
      if (Math.abs(next - s) < 1e-12) return next;
      s = next;
    }
    return s;
  }

  /** One coordinate (0 x, 1 y, 2 z) at share `s` of the last step. */
  at(axis: number, s: number): number {
    const d = this.d;
    const h = d[LENGTH]!;
    const f0 = d[WAS + axis]!;
    const d0 = h * d[WAS + 3 + axis]!;
    const a0 = h * h * d[ACC_WAS + axis]!;
    const rise = d[NOW + axis]! - f0 - d0 - a0 / 2;
    const turn = h * d[NOW + 3 + axis]! - d0 - a0;
    const bend = (h * h * d[ACC_NOW + axis]! - a0) / 2;
    const c3 = 10 * rise - 4 * turn + bend;
    const c4 = -15 * rise + 7 * turn - 2 * bend;
    return f0 + s * (d0 + s * (a0 / 2 + s * (c3 + s * (c4 + s * (6 * rise - 3 * turn + bend)))));
  }

  /** One velocity component at share `s` of the last step. */
  velocityAt(axis: number, s: number): number {
    const d = this.d;
    const h = d[LENGTH]!;
    const v0 = d[WAS + 3 + axis]!;
    if (h === 0) return v0;
    const d0 = h * v0;
    const a0 = h * h * d[ACC_WAS + axis]!;
    const rise = d[NOW + axis]! - d[WAS + axis]! - d0 - a0 / 2;
    const turn = h * d[NOW + 3 + axis]! - d0 - a0;
    const bend = (h * h * d[ACC_NOW + axis]! - a0) / 2;
    const c3 = 10 * rise - 4 * turn + bend;
    const c4 = -15 * rise + 7 * turn - 2 * bend;
    const c5 = 6 * rise - 3 * turn + bend;
    return v0 + (s * (a0 + s * (3 * c3 + s * (4 * c4 + s * 5 * c5)))) / h;
  }

  /** Where in the last step the ball stops rising or falling; the caller has seen the sign of the upward speed change. */
  turning(): number {
    const d = this.d;
    const h = d[LENGTH]!;
    const d0 = h * d[WAS + 5]!;
    const d1 = h * d[NOW + 5]!;
    const a0 = h * h * d[ACC_WAS + 2]!;
    const rise = d[NOW + 2]! - d[WAS + 2]! - d0 - a0 / 2;
    const turn = d1 - d0 - a0;
    const bend = (h * h * d[ACC_NOW + 2]! - a0) / 2;
    const c3 = 3 * (10 * rise - 4 * turn + bend);
    const c4 = 4 * (-15 * rise + 7 * turn - 2 * bend);
    const c5 = 5 * (6 * rise - 3 * turn + bend);
    let lo = 0;
    let hi = 1;
    let s = d0 / (d0 - d1);
    for (let i = 0; i < 30; i++) {
      const v = d0 + s * (a0 + s * (c3 + s * (c4 + s * c5)));
      if (v > 0 === d0 > 0) lo = s;
      else hi = s;
      // the upward speed is nearly straight over a step
      let next = s + v / (d0 - d1);
      if (!(next >= lo && next <= hi)) next = (lo + hi) / 2;
      if (Math.abs(next - s) < 1e-10) return next;
      s = next;
    }
    return s;
  }
}
