import { netHeightAt } from '../catalog/index.ts';
import { advanceToGround, bounceOff, type Launch, Stepper } from '../flight/index.ts';
import { radToDeg } from '../quantity/index.ts';
import { blockedBy } from './arcs.ts';
import type { Arc } from './probe.ts';
import { type AimQuestion, type Point3, type ReasonCode, spinAt, WIDEST_LIMITS } from './types.ts';

/** Where a ball is met after one bounce, on its way up or at and after the top of it. */
export interface HopQuestion extends Omit<AimQuestion, 'target'> {
  meet: Point3 & { on: 'rise' | 'fall' };
  /** Arcs beyond the limits are not looked for: what stands in the way is not told then. */
  insideOnly?: boolean;
}

/** An arc that passes the point after one bounce. `timeS` and `descentDeg` are of the meeting. */
export interface HopArc extends Arc {
  landing: { x: number; y: number };
  topAfterBounceM: number;
  blocked: ReasonCode | null;
}

/** Trials in order of how far they land: bounced twice before, falling under and over the point, rising over and under it, not bounced yet. */
const SHORT = 0;
const FALLS_UNDER = 1;
const FALLS_OVER = 2;
const RISES_OVER = 3;
const RISES_UNDER = 4;
const LONG = 5;
type Passage = 0 | 1 | 2 | 3 | 4 | 5;

const SPEEDS = 24;
const SPEEDS_INSIDE = 11;
const ELEVATIONS = 44;
/** Halvings of a stretch in which a window may hide: half volleys leave a narrow one. */
const HALVINGS = 12;
const LONGEST_S = 15;

/** Flies trial balls over one bounce toward a point and says by how much they miss. */
export class HopProbe {
  readonly question: HopQuestion;
  private readonly full: Stepper;
  private readonly rough: Stepper;
  /** The launch of the trial, written over by each. */
  private readonly trial: Launch;
  private readonly nx: number;
  private readonly ny: number;
  private readonly level: number;
  private readonly distanceM: number;
  private readonly straightDeg: number;
  private readonly passesNet: boolean;
  /** Wind and spin carry a ball aside: the last bearing that was found is nearer than the straight one. */
  private likelyDeg: number;
  /** Of the last trial that passed the upright plane across the line to the point. */
  private up = 0;
  private right = 0;
  private found: Omit<HopArc, 'speedMps' | 'elevationDeg' | 'bearingDeg' | 'blocked'> | null = null;

  constructor(question: HopQuestion) {
    const { conditions, from, meet } = question;
    this.question = question;
    this.full = new Stepper(conditions.ball, conditions.airDensityKgM3, conditions.wind);
    this.rough = new Stepper(conditions.ball, conditions.airDensityKgM3, conditions.wind, true);
    this.trial = { ...from, speedMps: 0, elevationDeg: 0, bearingDeg: 0, ...spinAt(question, 1) };
    const [dx, dy] = [meet.x - from.x, meet.y - from.y];
    this.distanceM = Math.hypot(dx, dy);
    this.nx = dx / this.distanceM;
    this.ny = dy / this.distanceM;
    this.level = this.nx * meet.x + this.ny * meet.y;
    this.straightDeg = radToDeg(Math.atan2(dx, dy));
    this.likelyDeg = this.straightDeg;
    this.passesNet = question.net !== null && from.y > 0 !== meet.y > 0;
  }

  /** Arcs at one elevation, by speed. @param near the speed of a neighbouring arc, to look around first */
  atElevation(elevationDeg: number, near?: number): HopArc[] {
    const throwOf: Throw = (speedMps) => [speedMps, elevationDeg];
    if (near !== undefined) {
      const found = this.search([near * 0.82, near * 0.95, near * 1.06, near * 1.22], throwOf);
      if (found.length > 0) return found;
    }
    const { limits, insideOnly } = this.question;
    const [lo, hi] = insideOnly ? limits.speedMps : WIDEST_LIMITS.speedMps;
    const looks = insideOnly ? SPEEDS_INSIDE : SPEEDS;
    return this.search(
      Array.from({ length: looks }, (_, i) => lo * (hi / lo) ** (i / (looks - 1))),
      throwOf,
    );
  }

  /** Arcs at one speed, by elevation. */
  atSpeed(speedMps: number): HopArc[] {
    const [lo, hi] = WIDEST_LIMITS.elevationDeg;
    const values = Array.from({ length: ELEVATIONS }, (_, i) => lo + ((hi - lo) * i) / (ELEVATIONS - 1));
    return this.search(values, (elevationDeg) => [speedMps, elevationDeg]);
  }

  private search(values: readonly number[], throwOf: Throw): HopArc[] {
    for (let again = 0; again < 2; again++) {
      const deg = this.likelyDeg;
      const look = (value: number): Look => ({ value, passage: this.shoot(...throwOf(value), deg, true) });
      const looks = values.map(look);
      const brackets = looks.slice(1).flatMap((next, i) => this.between(look, looks[i]!, next, HALVINGS));
      const arcs = brackets.flatMap(([a, b]) => this.settle(throwOf, a.value, b.value) ?? []);
      if (arcs[0]) this.likelyDeg = arcs[0].bearingDeg;
      const rises = this.question.meet.on === 'rise';
      const right = arcs.filter(({ descentDeg }) => descentDeg < 0 === rises || Math.abs(descentDeg) < 0.01);
      if (right.length > 0 || arcs.length === 0) return right;
    }
    return [];
  }

  private between(look: (value: number) => Look, a: Look, b: Look, halvings: number): [Look, Look][] {
    const [near, far] = a.passage < b.passage ? [a, b] : [b, a];
    const over = (p: Passage): boolean => p === FALLS_OVER || p === RISES_OVER;
    const falls = this.question.meet.on === 'fall';
    if (falls ? near.passage <= FALLS_UNDER && over(far.passage) : over(near.passage) && far.passage >= RISES_UNDER) return [[a, b]];
    if (near.passage > FALLS_UNDER || far.passage < RISES_UNDER || halvings === 0) return [];
    const middle = look((a.value + b.value) / 2);
    return [...this.between(look, a, middle, halvings - 1), ...this.between(look, middle, b, halvings - 1)];
  }

  /** Halving secant (Illinois) on the miss in height, the bearing solved along. */
  private settle(throwOf: Throw, from: number, to: number): HopArc | null {
    let bearingDeg = this.likelyDeg;
    const missAt = (value: number): number => {
      const [speedMps, elevationDeg] = throwOf(value);
      let passage: Passage = SHORT;
      for (let i = 0; i < 8; i++) {
        passage = this.shoot(speedMps, elevationDeg, bearingDeg, false);
        if (passage === SHORT || passage === LONG || Math.abs(this.right) < 2e-5) break;
        bearingDeg -= radToDeg(this.right / this.distanceM);
      }
      return passage === SHORT || passage === LONG ? this.question.conditions.ball.radiusM - this.question.meet.z : this.up;
    };
    let [a, b] = [from, to];
    let [fa, fb] = [missAt(a), missAt(b)];
    if (fa > 0 === fb > 0) return null;
    let side = 0;
    for (let i = 0; i < 80; i++) {
      const value = i % 8 === 7 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
      const miss = missAt(value);
      if (this.found && Math.abs(miss) < 2e-5 && Math.abs(this.right) < 2e-4) return this.arc(...throwOf(value), bearingDeg);
      if (miss > 0 === fa > 0) {
        a = value;
        fa = miss;
        if (side === -1) fb /= 2;
        side = -1;
      } else {
        b = value;
        fb = miss;
        if (side === 1) fa /= 2;
        side = 1;
      }
    }
    return null;
  }

  private arc(speedMps: number, elevationDeg: number, bearingDeg: number): HopArc {
    const arc = { speedMps, elevationDeg, bearingDeg, ...this.found! };
    const { from, net } = this.question;
    // a ball that comes down on its own side of the net is not good, however it goes on
    const own = net !== null && this.passesNet && arc.landing.y > 0 === from.y > 0;
    return { ...arc, blocked: blockedBy(this.question, arc) ?? (own ? 'net' : null) };
  }

  private shoot(speedMps: number, elevationDeg: number, bearingDeg: number, rough: boolean): Passage {
    const { from, meet, net, conditions } = this.question;
    const s = rough ? this.rough : this.full;
    const { trial } = this;
    trial.speedMps = speedMps;
    trial.elevationDeg = elevationDeg;
    trial.bearingDeg = bearingDeg;
    if (typeof this.question.spin === 'function') Object.assign(trial, this.question.spin(speedMps));
    s.launch(trial);
    this.found = null;
    let landing: { x: number; y: number } | null = null;
    let clearanceM: number | null = null;
    let apexM = from.z;
    while (s.t < LONGEST_S) {
      const touches = advanceToGround(s);
      if (net !== null && this.passesNet && s.was(1) > 0 !== s.now(1) > 0) {
        const share = s.crossing(0, 1, 0, 0);
        clearanceM = s.at(2, share) - s.radiusM - netHeightAt(net, s.at(0, share));
      }
      if (!landing && s.was(5) > 0 && s.now(5) <= 0) apexM = Math.max(apexM, s.at(2, s.turning()));
      if (landing && s.was(5) > 0 && s.now(5) <= 0) this.topM = s.at(2, s.turning());
      if (this.nx * s.now(0) + this.ny * s.now(1) >= this.level) {
        if (!landing) return LONG;
        const share = s.crossing(this.nx, this.ny, 0, this.level);
        this.right = this.ny * (s.at(0, share) - meet.x) - this.nx * (s.at(1, share) - meet.y);
        this.up = s.at(2, share) - meet.z;
        const vz = s.velocityAt(2, share);
        if (!rough)
          this.found = {
            timeS: s.t - s.h + share * s.h,
            clearanceM,
            apexM,
            descentDeg: radToDeg(Math.atan2(-vz, Math.hypot(s.velocityAt(0, share), s.velocityAt(1, share)))),
            landing,
            topAfterBounceM: vz > 0 ? this.topFrom(s) : this.topM,
          };
        if (vz > 0) return this.up > 0 ? RISES_OVER : RISES_UNDER;
        return this.up > 0 ? FALLS_OVER : FALLS_UNDER;
      }
      if (!touches) continue;
      if (landing) return SHORT;
      landing = { x: s.now(0), y: s.now(1) };
      if (!bounceOff(s, conditions)) return SHORT;
    }
    return SHORT;
  }

  /** Top of the last bounce that was passed. */
  private topM = 0;

  /** Where a ball that is met on the rise would have had its top. */
  private topFrom(s: Stepper): number {
    while (s.now(5) > 0) s.step();
    return s.was(5) > 0 ? s.at(2, s.turning()) : s.was(2);
  }
}

type Throw = (value: number) => readonly [speedMps: number, elevationDeg: number];

interface Look {
  value: number;
  passage: Passage;
}
