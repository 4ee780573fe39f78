import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { CURVE_PARAMS, curveAt, curveGradient, type Scale, shareOf } from '../dial/index.ts';
import type { TestBall } from './ball.ts';
import { covarianceOf, type Repeatability, type Response, responseAt, times, whitenerOf } from './scatter.ts';
import { type Seen, type Stand, seenOf, speedFrom } from './watch.ts';

/** What a fit is asked for. */
export interface FitQuestion {
  scale: Scale;
  /** A higher reading gives less. */
  falling: boolean;
  /** What the dial should give from its lowest to its highest reading, before any ball: the machine's limits. */
  expected: readonly [lo: number, hi: number];
  balls: readonly TestBall[];
  /** Null for a dial that is measured directly. */
  stand: Stand | null;
  /** 1 σ of the elevation's zero, °. */
  elevationSigmaDeg: number;
  repeatability: Repeatability;
  fitDrag: boolean;
}

/** Priors, 1 σ, of the shape before any ball: our own figures, wide enough that a handful of balls decides. */
const PRIOR = { middleShare: 0.3, logSlope: 0.5, bend: 0.8, wiggle: 0.6, logDrag: 0.2 } as const;

/** The balls of one reading. */
export interface Group {
  u: number;
  balls: TestBall[];
  speedMps: number;
  response: Response | null;
}

/** A ball as the fit sees it. */
export interface Datum {
  group: number;
  ball: TestBall;
  seen: { kind: Seen | 'direct'; value: number; sigma: number }[];
  /** Makes the errors independent and of 1 σ. */
  whitener: number[][];
}

/** Whether a ball tells anything of the dial. */
export const isSeen = (ball: TestBall, stand: Stand | null): boolean =>
  stand ? ball.mark !== null || ball.timeS !== null || ball.radarMps !== null : ball.direct !== null;

/** The balls, by reading, with what a ball of about that speed shows. */
export function groupsOf({ scale, stand }: FitQuestion, balls: readonly TestBall[]): Group[] {
  const readings = [...new Set(balls.map(({ reading }) => reading))].sort((a, b) => a - b);
  return readings.map((reading) => {
    const alike = balls.filter((ball) => ball.reading === reading);
    const u = shareOf(scale, reading);
    if (!stand) return { u, balls: alike, speedMps: 0, response: null };
    // the most direct sight that most of them share says where to begin
    const seen = alike.flatMap((ball) => seenOf(ball, stand.from));
    const kind = (['radarMps', 'distanceM', 'timeS'] as const).find((each) => seen.some((one) => one.kind === each))!;
    const middle = median(seen.filter((one) => one.kind === kind).map(({ value }) => value));
    const speedMps = Math.max(2.5, speedFrom(stand, kind, middle));
    return { u, balls: alike, speedMps, response: responseAt(stand, speedMps) };
  });
}

function dataOf({ stand }: FitQuestion, groups: readonly Group[], repeatability: Repeatability): Datum[] {
  return groups.flatMap((group, index) =>
    group.balls.map((ball): Datum => {
      if (!stand) {
        const { value, sigma } = ball.direct!;
        return { group: index, ball, seen: [{ kind: 'direct', value, sigma }], whitener: [[1 / sigma]] };
      }
      const seen = seenOf(ball, stand.from);
      return { group: index, ball, seen, whitener: whitenerOf(covarianceOf(seen, group.response!, group.speedMps, repeatability)) };
    }),
  );
}

/** A curve that was solved for. */
export interface Solved {
  params: number[];
  covariance: Matrix;
  /** Of each datum, whitened: seen less expected. */
  residuals: number[][];
  /** Misfit of readings and priors together, and of how many parts: about as many for a smooth dial. */
  misfit: { square: number; parts: number };
  data: Datum[];
  /** Of each datum: its residuals in their own standard deviations (a ball pulls the curve towards itself, and hides a part of them). */
  studentized: number[][];
  /** Parameters beyond the curve's, in this order when present. */
  hasZero: boolean;
  hasDrag: boolean;
}

/** Solves for the curve, the elevation's zero and the drag. @param from parameters to begin with */
export function solveWith(question: FitQuestion, groups: readonly Group[], repeatability: Repeatability, from?: readonly number[]): Solved {
  const { stand, falling, expected, elevationSigmaDeg, fitDrag } = question;
  const data = dataOf(question, groups, repeatability);
  const hasZero = stand !== null && data.some(({ seen }) => seen.some(({ kind }) => kind !== 'radarMps'));
  const hasDrag = hasZero && fitDrag;
  const [lo, hi] = expected;
  const range = Math.max(1e-6, Math.abs(hi - lo));

  const total = CURVE_PARAMS + Number(hasZero) + Number(hasDrag);
  const dragAt = CURVE_PARAMS + 1;

  /** What the priors say, as rows over the parameters: each row · p should be near `middle`, within 1. */
  const row = (parts: Record<number, number>): number[] => Array.from({ length: total }, (_, i) => parts[i] ?? 0);
  const share = 1 / ((CURVE_PARAMS - 1) * PRIOR.logSlope);
  const priors: { row: number[]; middle: number }[] = [
    { row: row({ 0: 1 / (PRIOR.middleShare * range) }), middle: (lo + hi) / 2 / (PRIOR.middleShare * range) },
    { row: row({ 1: share, 2: share, 3: share, 4: share, 5: share }), middle: Math.log(range) / PRIOR.logSlope },
    { row: row({ 1: -1 / PRIOR.bend, 5: 1 / PRIOR.bend }), middle: 0 },
    ...[2, 3, 4].map((k) => ({ row: row({ [k - 1]: 1 / PRIOR.wiggle, [k]: -2 / PRIOR.wiggle, [k + 1]: 1 / PRIOR.wiggle }), middle: 0 })),
    ...(hasZero ? [{ row: row({ [CURVE_PARAMS]: 1 / elevationSigmaDeg }), middle: 0 }] : []),
    ...(hasDrag ? [{ row: row({ [dragAt]: 1 / PRIOR.logDrag }), middle: 0 }] : []),
  ];
  const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, each, i) => sum + each * b[i]!, 0);

  /** Everything seen as these parameters would show it, whitened, and its change with each of them. */
  const look = (p: readonly number[]): { values: number[]; rows: number[][] } => {
    const shape = { params: p.slice(0, CURVE_PARAMS), falling };
    const views = groups.map(({ u }) => {
      const value = curveAt(shape, u);
      // a trial step may ask for a speed no ball has
      const speedMps = Math.min(70, Math.max(1, value));
      const zeroDeg = hasZero ? p[CURVE_PARAMS]! : 0;
      const response = stand && responseAt(stand, speedMps, zeroDeg, hasDrag ? Math.exp(p[dragAt]!) : 1);
      return { value, gradient: curveGradient(shape, u), response };
    });
    const values: number[] = [];
    const rows: number[][] = [];
    for (const { group, seen, whitener } of data) {
      const { value, gradient, response } = views[group]!;
      const of = (part: 'sight' | 'perMps' | 'perDeg' | 'perLogDrag', direct: number): number[] =>
        times(
          whitener,
          seen.map(({ kind }) => (kind === 'direct' ? direct : kind === 'radarMps' && part === 'sight' ? value : response![part][kind])),
        );
      values.push(...of('sight', value));
      const [slope, perDeg, perLogDrag] = [of('perMps', 1), hasZero ? of('perDeg', 0) : [], hasDrag ? of('perLogDrag', 0) : []];
      for (let k = 0; k < seen.length; k++)
        rows.push([...gradient.map((g) => g * slope[k]!), ...(hasZero ? [perDeg[k]!] : []), ...(hasDrag ? [perLogDrag[k]!] : [])]);
    }
    for (const prior of priors) {
      values.push(dot(prior.row, p));
      rows.push(prior.row);
    }
    return { values, rows };
  };
  // the library asks for the values and for the slopes of the same parameters
  let last: { key: string; seen: ReturnType<typeof look> } | null = null;
  const lookOnce = (p: readonly number[]): ReturnType<typeof look> => {
    const key = p.join();
    if (last?.key !== key) last = { key, seen: look(p) };
    return last.seen;
  };

  const observed = data.flatMap(({ seen, whitener }) =>
    times(
      whitener,
      seen.map(({ value }) => value),
    ),
  );
  const y = [...observed, ...priors.map(({ middle }) => middle)];
  const { parameterValues: params } = levenbergMarquardt(
    { x: y.map((_, i) => i), y },
    (p) => {
      const { values } = lookOnce(p);
      return (i) => values[i]!;
    },
    {
      initialValues: from ?? [...start(groups, question), ...(hasZero ? [0] : []), ...(hasDrag ? [0] : [])],
      damping: 1e-3,
      // it converges in three or four; the library has no test of its own for that
      maxIterations: from ? 3 : 7,
      errorTolerance: 1e-9,
      jacobianFunction: (p) => {
        const { rows } = lookOnce(p);
        return (i) => rows[i]!;
      },
    },
  );
  const { values, rows } = look(params);
  const slopes = new Matrix(rows);
  const covariance = inverse(slopes.transpose().mmul(slopes));
  let at = 0;
  const residuals = data.map(({ seen }) => seen.map(() => observed[at]! - values[at++]!));
  const priorSquare = priors.reduce((sum, { middle }, i) => sum + (values[observed.length + i]! - middle) ** 2, 0);
  let seenAt = 0;
  const studentized = residuals.map((each) =>
    each.map((residual) => residual / Math.sqrt(Math.max(0.05, 1 - leverage(rows[seenAt++]!, covariance)))),
  );
  const seenMisfit = misfitOf(groups.length, data, residuals);
  return {
    params,
    covariance,
    residuals,
    misfit: { square: seenMisfit.square + priorSquare, parts: seenMisfit.parts },
    studentized,
    data,
    hasZero,
    hasDrag,
  };
}

/** How much of an observation the fit follows by itself: x C xᵀ of its slopes. */
function leverage(slopes: readonly number[], covariance: Matrix): number {
  const row = Matrix.rowVector(slopes);
  return row.mmul(covariance).mmul(row.transpose()).get(0, 0);
}

/** How far the means of readings lie off, whitened: what the balls of one reading show among themselves is their scatter, no misfit. */
function misfitOf(groups: number, data: readonly Datum[], residuals: readonly number[][]): Solved['misfit'] {
  let [square, parts] = [0, 0];
  for (let group = 0; group < groups; group++) {
    const own = residuals.filter((_, i) => data[i]!.group === group);
    const most = Math.max(0, ...own.map((each) => each.length));
    for (let k = 0; k < most; k++) {
      const known = own.flatMap((each) => (each[k] === undefined ? [] : [each[k]!]));
      square += known.reduce((sum, each) => sum + each, 0) ** 2 / known.length;
      parts++;
    }
  }
  return { square, parts };
}

/** Curve parameters to begin with: a straight line through what the balls say. */
function start(groups: readonly Group[], { expected: [lo, hi], stand, falling }: FitQuestion): number[] {
  const range = Math.max(1e-6, Math.abs(hi - lo));
  const middleOf = (group: Group): number => (stand ? group.speedMps : median(group.balls.map(({ direct }) => direct!.value)));
  const [bottom, top] = [groups[0]!, groups.at(-1)!];
  const sign = falling ? -1 : 1;
  const slope = bottom.u === top.u ? range : (sign * (middleOf(top) - middleOf(bottom))) / (top.u - bottom.u);
  const logSlope = Math.log(Math.min(4 * range, Math.max(range / 4, slope)));
  const middle = groups.reduce((sum, group) => sum + middleOf(group) + sign * Math.exp(logSlope) * (0.5 - group.u), 0) / groups.length;
  return [middle, ...Array<number>(CURVE_PARAMS - 1).fill(logSlope)];
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
