import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { CURVE_PARAMS, type CurveShape, curveAt, curveGradient, curveVariance, type Scale, shareOf } from '../dial/index.ts';
import type { BallId } from '../ids.ts';
import { studentT975 } from '../progress/index.ts';
import type { TestBall } from './ball.ts';
import { type Doubt, type DoubtBall, doubtsOf, wideningOf } from './doubts.ts';
import {
  covarianceOf,
  type Deviations,
  type LearntSigma,
  learnBearingDeg,
  learnSpeedPct,
  type Repeatability,
  type Response,
  responseAt,
  times,
  whitenerOf,
} from './scatter.ts';
import { asideDeg, type Seen, type Stand, seenOf, speedFrom } from './watch.ts';

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

/** A ball that does not go with the others, and how far off it is. */
export interface Outlier {
  ballId: BallId;
  /** How far from the rest: `short`, `long`, `slow`, `fast`, `low`, `high`. */
  how: 'short' | 'long' | 'quick' | 'late' | 'slow' | 'fast' | 'low' | 'high';
  /** In its own unit: m, s, m/s or the unit of the dial. */
  by: number;
  /** In standard deviations. */
  sigmas: number;
}

/** A curve fitted to test balls, with how sure it is. */
export interface Fit extends CurveShape {
  covariance: number[][];
  df: number;
  /** Balls that count. */
  used: number;
  outliers: Outlier[];
  /** Why it should not be trusted as it stands. */
  doubts: Doubt[];
  /** Correction of the elevation: what it truly is less what was read, ° with its 1 σ; null without marks or times. */
  zero: { deg: number; sd: number } | null;
  /** The marks cannot tell a wrong elevation zero from a wrong speed. */
  confounded: boolean;
  /** Multiplier of the ball's drag, with its 95 % interval; null unless asked for. */
  drag: { share: number; lo: number; hi: number } | null;
  /** Scatter of speed, %; null while no two balls were thrown alike. `mixed`: marks alone cannot part it from a scatter of elevation. */
  speedPct: (LearntSigma & { mixed: boolean }) | null;
  /** Scatter of direction, °, and where the balls went on average, ° to the right; null without two sideways marks. */
  bearing: (LearntSigma & { meanDeg: number }) | null;
  /** Change of what one more ball, seen as most were, tells about the speed: its 1 σ in the unit of the dial. */
  ballSigma: number;
}

/** A ball this far off, in standard deviations, is named. Beyond 3.3 σ lies one in a thousand. */
const OUTLYING = 3.3;
/** Priors, 1 σ, of the shape before any ball: our own figures, wide enough that a handful of balls decides. */
const PRIOR = { middleShare: 0.3, logSlope: 0.5, bend: 0.8, wiggle: 0.6, logDrag: 0.2 } as const;
const PRIOR_DF = 3;

interface Group {
  u: number;
  balls: TestBall[];
  speedMps: number;
  response: Response | null;
}

interface Datum {
  group: number;
  ball: TestBall;
  seen: { kind: Seen | 'direct'; value: number; sigma: number }[];
  /** Makes the errors independent and of 1 σ. */
  whitener: number[][];
}

/**
 * Fits a dial's curve to test balls by Levenberg–Marquardt, with the elevation's zero and (when asked) the ball's drag found beside it.
 * Everything seen of one ball is used together: a mark, a time and a reading share that ball's own speed. The curve is monotone by construction.
 * @returns null while there is nothing to fit
 */
export function fitDial(question: FitQuestion): Fit | null {
  const counting = question.balls.filter((ball) => !ball.leftOut && isSeen(ball, question.stand));
  if (counting.length === 0) return null;
  const groups = groupsOf(question, counting);
  const first = solveWith(question, groups, question.repeatability);
  const scatter = learnScatter(question, groups);
  const speedPct = scatter.speed?.sigma ?? question.repeatability.speedPct;
  const fitted = scatter.speed ? solveWith(question, groups, { ...question.repeatability, speedPct }, first.params) : first;
  // outliers by the scatter of the machine's kind: the scatter that was learnt has swallowed them
  const described = describe(question, groups, fitted);
  return {
    ...described,
    outliers: outliersOf(first),
    doubts: doubtsFor(question, groups, fitted, described),
    speedPct: scatter.speed,
    bearing: scatter.bearing,
  };
}

/** What to doubt, with the balls in the order in which they were thrown. */
function doubtsFor(
  { balls, stand, elevationSigmaDeg }: FitQuestion,
  groups: readonly Group[],
  solved: Solved,
  { ballSigma, ...shape }: Described,
): Doubt[] {
  const { data, residuals, misfit } = solved;
  const means = groups.map((_, group) => {
    const own = residuals.filter((__, i) => data[i]!.group === group).map(([first]) => first!);
    return own.reduce((sum, each) => sum + each, 0) / own.length;
  });
  const inOrder = balls.flatMap(({ id }): DoubtBall[] => {
    const at = data.findIndex(({ ball }) => ball.id === id);
    const datum = data[at];
    return datum ? [{ reading: datum.ball.reading, off: (residuals[at]![0]! - means[datum.group]!) * ballSigma, sigma: ballSigma }] : [];
  });
  const value = Math.max(1, Math.abs(curveAt(shape, 0.5)));
  return doubtsOf({
    balls: inOrder,
    ...misfit,
    value,
    radar: stand && radarAgainstMarks(stand, data, groups, elevationSigmaDeg, ballSigma),
  });
}

/** How much faster the radar saw the balls that were marked, too, than their marks say. */
function radarAgainstMarks(stand: Stand, data: readonly Datum[], groups: readonly Group[], elevationSigmaDeg: number, ballSigma: number) {
  const both = data.filter(({ ball }) => ball.mark && ball.radarMps !== null);
  if (both.length < 2) return null;
  const faster = both.map(
    ({ ball, seen }) => ball.radarMps! - speedFrom(stand, 'distanceM', seen.find(({ kind }) => kind === 'distanceM')!.value),
  );
  // a wrong elevation moves all of them the same way
  const shared = both.reduce((sum, { group }) => {
    const { perDeg, perMps } = groups[group]!.response!;
    return sum + Math.abs(perDeg.distanceM / perMps.distanceM) / both.length;
  }, 0);
  return {
    fasterMps: faster.reduce((sum, each) => sum + each, 0) / faster.length,
    sd: Math.hypot(ballSigma / Math.sqrt(both.length), shared * elevationSigmaDeg),
  };
}

const isSeen = (ball: TestBall, stand: Stand | null): boolean =>
  stand ? ball.mark !== null || ball.timeS !== null || ball.radarMps !== null : ball.direct !== null;

function groupsOf({ scale, stand }: FitQuestion, balls: readonly TestBall[]): Group[] {
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

interface Solved {
  params: number[];
  covariance: Matrix;
  /** Of each datum, whitened: seen less expected. */
  residuals: number[][];
  /** Misfit of readings and priors together, and of how many parts: about as many for a smooth dial. */
  misfit: { square: number; parts: number };
  data: Datum[];
  /** Parameters beyond the curve's, in this order when present. */
  hasZero: boolean;
  hasDrag: boolean;
}

function solveWith(question: FitQuestion, groups: readonly Group[], repeatability: Repeatability, from?: readonly number[]): Solved {
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
  const seenMisfit = misfitOf(groups.length, data, residuals);
  return {
    params,
    covariance,
    residuals,
    misfit: { square: seenMisfit.square + priorSquare, parts: seenMisfit.parts },
    data,
    hasZero,
    hasDrag,
  };
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

function learnScatter({ stand, repeatability }: FitQuestion, groups: readonly Group[]): Pick<Fit, 'bearing'> & { speed: Fit['speedPct'] } {
  if (!stand) return { speed: null, bearing: null };
  const deviations = groups.flatMap((group) => {
    const kinds = new Map<string, TestBall[]>();
    for (const ball of group.balls) {
      const key = seenOf(ball, stand.from)
        .map(({ kind }) => kind)
        .join();
      kinds.set(key, [...(kinds.get(key) ?? []), ball]);
    }
    return [...kinds.values()].map((alike): Deviations => {
      const all = alike.map((ball) => seenOf(ball, stand.from));
      const means = all[0]!.map((_, k) => all.reduce((sum, seen) => sum + seen[k]!.value, 0) / all.length);
      return {
        seen: all[0]!,
        offs: all.map((seen) => seen.map(({ value }, k) => value - means[k]!)),
        response: group.response!,
        speedMps: group.speedMps,
      };
    });
  });
  const speed = deviations.some(({ offs }) => offs.length > 1)
    ? {
        ...learnSpeedPct(deviations, repeatability),
        mixed: !deviations.some(({ offs, seen }) => offs.length > 1 && seen.some(({ kind }) => kind === 'radarMps')),
      }
    : null;
  const asides = groups.flatMap(({ balls }) =>
    balls.flatMap((ball) => {
      const deg = asideDeg(ball, stand);
      if (deg === null) return [];
      const distance = Math.hypot(ball.mark!.x - stand.from.x, ball.mark!.y - stand.from.y);
      return [{ deg, markDeg: (ball.mark!.sigmaM / Math.max(1, distance)) * (180 / Math.PI) }];
    }),
  );
  return { speed, bearing: asides.length > 1 ? learnBearingDeg(asides, repeatability.bearingDeg) : null };
}

const WORD: Record<Seen | 'direct', readonly [less: Outlier['how'], more: Outlier['how']]> = {
  distanceM: ['short', 'long'],
  timeS: ['quick', 'late'],
  radarMps: ['slow', 'fast'],
  direct: ['low', 'high'],
};

function outliersOf({ residuals, data }: Solved): Outlier[] {
  const sizes = residuals.map((each) => Math.max(...each.map(Math.abs)));
  // a machine worse than its kind has more scatter than expected: by the middle ball, which one outlier cannot move
  const scale = Math.max(1, median(sizes) / 0.8);
  return data.flatMap(({ ball, seen, whitener }, i) => {
    const worst = residuals[i]!.map(Math.abs).indexOf(sizes[i]!);
    const sigmas = sizes[i]! / scale;
    if (sigmas < OUTLYING || data.length < 4) return [];
    const off = times(inverse(new Matrix(whitener)).to2DArray(), residuals[i]!)[worst]!;
    return [{ ballId: ball.id, how: WORD[seen[worst]!.kind][off < 0 ? 0 : 1], by: Math.abs(off), sigmas }];
  });
}

type Described = Omit<Fit, 'outliers' | 'doubts' | 'speedPct' | 'bearing'>;

function describe({ stand, elevationSigmaDeg, falling }: FitQuestion, groups: readonly Group[], solved: Solved): Described {
  const { params, covariance: found, data, hasZero, hasDrag, misfit } = solved;
  // a dial that is not smooth is known less well than a smooth one would be
  const covariance = Matrix.mul(found, wideningOf(misfit.square, misfit.parts) ** 2);
  const shape: CurveShape = { params: params.slice(0, CURVE_PARAMS), falling };
  const own = covariance.subMatrix(0, CURVE_PARAMS - 1, 0, CURVE_PARAMS - 1).to2DArray();
  const df = Math.max(1, data.length - groups.length) + PRIOR_DF;
  const sdOf = (i: number): number => Math.sqrt(Math.max(0, covariance.get(i, i)));
  const dragAt = CURVE_PARAMS + 1; // after the zero
  const half = hasDrag ? studentT975(df) * sdOf(dragAt) : 0;
  return {
    ...shape,
    covariance: own,
    df,
    used: data.length,
    zero: hasZero ? { deg: params[CURVE_PARAMS]!, sd: sdOf(CURVE_PARAMS) } : null,
    confounded: hasZero && isConfounded(shape, covariance, groups, elevationSigmaDeg),
    drag: hasDrag ? { share: Math.exp(params[dragAt]!), lo: Math.exp(params[dragAt]! - half), hi: Math.exp(params[dragAt]! + half) } : null,
    ballSigma: ballSigmaOf(stand, data, groups),
  };
}

/** The zero is hardly known better than before, and knowing it would narrow the curve by a quarter. */
function isConfounded(shape: CurveShape, covariance: Matrix, groups: readonly Group[], elevationSigmaDeg: number): boolean {
  const zero = covariance.get(CURVE_PARAMS, CURVE_PARAMS);
  if (Math.sqrt(zero) < 0.8 * elevationSigmaDeg) return false;
  const known = Array.from({ length: CURVE_PARAMS }, (_, i) =>
    Array.from(
      { length: CURVE_PARAMS },
      (__, j) => covariance.get(i, j) - (covariance.get(i, CURVE_PARAMS) * covariance.get(j, CURVE_PARAMS)) / zero,
    ),
  );
  const free = covariance.subMatrix(0, CURVE_PARAMS - 1, 0, CURVE_PARAMS - 1).to2DArray();
  const sum = (c: number[][]): number => groups.reduce((total, { u }) => total + curveVariance(shape, c, u), 0);
  return sum(free) > 1.25 ** 2 * sum(known);
}

/** What one ball tells of the value, 1 σ, in the mean over the balls there are. */
function ballSigmaOf(stand: Stand | null, data: readonly Datum[], groups: readonly Group[]): number {
  const informations = data.map(({ seen, whitener, group }) => {
    const perMps = stand ? groups[group]!.response!.perMps : null;
    const effect = times(
      whitener,
      seen.map(({ kind }) => (kind === 'direct' ? 1 : perMps![kind])),
    );
    return effect.reduce((sum, each) => sum + each ** 2, 0);
  });
  return 1 / Math.sqrt(informations.reduce((sum, each) => sum + each, 0) / informations.length);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
