import { rpmToRadPerS } from '../quantity/index.ts';
import type { Sourced, Sport } from './types.ts';

/**
 * Law of the drag and lift coefficients of a family of balls.
 * `tennis`:   Cd = 0.508 + (22.503 + 4.196 q^2.5)^−0.4, Cl = 1/(2.022 + 0.981 q), q = v/(Rω⊥)   (Štěpánek 1988)
 * `baseball`: Cd = 0.3008 + 0.0292·(rpm/1000) with the total spin, Cl = 1.12 S/(0.583 + 2.333 S)   (Nathan's fit)
 * `constant`: Cd given, Cl = S/(1 + 2.5 S)   (assumption)
 * with S = Rω⊥/v.
 */
export type AeroLaw = { kind: 'tennis' } | { kind: 'baseball' } | { kind: 'constant'; cd: number };

export interface Ball {
  id: string;
  name: string;
  sport: Sport;
  massKg: number;
  radiusM: number;
  /** Moment of inertia over mR². */
  inertiaShare: number;
  aero: AeroLaw;
  /** Multiplies Cd; 1 for a new ball. Worn, dimpled or seamless balls differ in this only. */
  dragFactor: number;
  /** Hard enough that too little time to react is unsafe rather than unpleasant. */
  hard: boolean;
  confidence: 'good' | 'low';
  sources: readonly Sourced[];
}

const STEPANEK: Sourced = {
  what: 'drag and lift',
  source: 'A. Štěpánek, “The aerodynamics of tennis balls: the topspin lob”, Am. J. Phys. 56 (1988) 138; quoted from memory',
};
const ITF: Sourced = { what: 'mass and size', source: 'ITF Rules of Tennis, Appendix I; quoted from memory' };
const USAP: Sourced = { what: 'mass and size', source: 'USA Pickleball rulebook (0.78–0.935 oz, 2.87–2.97 in); quoted from memory' };
const HOLED_CL: Sourced = { what: 'lift', source: 'Cl = S/(1 + 2.5 S): our assumption, no source', assumption: true };

const tennisBall = (id: string, name: string, massKg: number, radiusM: number): Ball => ({
  id,
  name,
  sport: 'tennis',
  massKg,
  radiusM,
  inertiaShare: 0.55,
  aero: { kind: 'tennis' },
  dragFactor: 1,
  hard: false,
  confidence: 'good',
  sources: [STEPANEK, ITF],
});

/** Every built-in ball, SI. */
export const BALLS: readonly Ball[] = [
  tennisBall('tennis-standard', 'Tennis, standard', 0.0577, 0.033),
  tennisBall('tennis-stage1-green', 'Tennis, green (stage 1)', 0.0492, 0.033),
  tennisBall('tennis-stage2-orange', 'Tennis, orange (stage 2)', 0.0415, 0.0325),
  tennisBall('tennis-stage3-red', 'Tennis, red (stage 3)', 0.0425, 0.0375),
  {
    id: 'pickleball-outdoor',
    name: 'Pickleball, outdoor (40 holes)',
    sport: 'pickleball',
    massKg: 0.025,
    radiusM: 0.0371,
    inertiaShare: 0.64,
    aero: { kind: 'constant', cd: 0.33 },
    dragFactor: 1,
    hard: false,
    confidence: 'low',
    sources: [
      USAP,
      { what: 'drag', source: 'Cd near 0.33 is reported in sports-engineering studies; quoted from memory', assumption: true },
      HOLED_CL,
    ],
  },
  {
    id: 'pickleball-indoor',
    name: 'Pickleball, indoor (26 holes)',
    sport: 'pickleball',
    massKg: 0.0235,
    radiusM: 0.0371,
    inertiaShare: 0.64,
    aero: { kind: 'constant', cd: 0.45 },
    dragFactor: 1,
    hard: false,
    confidence: 'low',
    sources: [USAP, { what: 'drag', source: 'Cd 0.45: larger holes than the outdoor ball; our assumption', assumption: true }, HOLED_CL],
  },
  {
    id: 'baseball',
    name: 'Baseball',
    sport: 'baseball',
    massKg: 0.1453,
    radiusM: 0.0366,
    inertiaShare: 0.4,
    aero: { kind: 'baseball' },
    dragFactor: 1,
    hard: true,
    confidence: 'good',
    sources: [
      { what: 'drag and lift', source: 'A. Nathan’s published trajectory-calculator fit; quoted from memory' },
      { what: 'mass and size', source: 'Official Baseball Rules 3.01 (5–5¼ oz, 9–9¼ in); quoted from memory' },
    ],
  },
];

/** @throws RangeError for an id that is not built in (callers validate ids at the edge). */
export function ballById(id: string): Ball {
  const ball = BALLS.find((each) => each.id === id);
  if (!ball) throw new RangeError(`no ball “${id}”`);
  return ball;
}

/**
 * Drag and lift coefficients at one air speed.
 * @param spinRadPerS total spin; `acrossRadPerS` its part across the travel (ω⊥)
 */
export function coefficients(ball: Ball, airSpeedMps: number, acrossRadPerS: number, spinRadPerS: number): { cd: number; cl: number } {
  const s = airSpeedMps > 0 ? (ball.radiusM * acrossRadPerS) / airSpeedMps : 0;
  switch (ball.aero.kind) {
    case 'tennis': {
      if (s === 0) return { cd: 0.508 * ball.dragFactor, cl: 0 };
      const q = 1 / s;
      return { cd: (0.508 + (22.503 + 4.196 * q ** 2.5) ** -0.4) * ball.dragFactor, cl: 1 / (2.022 + 0.981 * q) };
    }
    case 'baseball':
      return { cd: (0.3008 + (0.0292 * spinRadPerS) / rpmToRadPerS(1000)) * ball.dragFactor, cl: (1.12 * s) / (0.583 + 2.333 * s) };
    case 'constant':
      return { cd: ball.aero.cd * ball.dragFactor, cl: s / (1 + 2.5 * s) };
  }
}
