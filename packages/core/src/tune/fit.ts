import { inverse, Matrix } from 'ml-matrix';
import { CURVE_PARAMS, type CurveShape, curveAt, curveVariance } from '../dial/index.ts';
import type { BallId } from '../ids.ts';
import { studentT975 } from '../progress/index.ts';
import type { TestBall } from './ball.ts';
import { type Doubt, type DoubtBall, doubtsOf, wideningOf } from './doubts.ts';
import { type Deviations, type LearntSigma, learnBearingDeg, learnSpeedPct, times } from './scatter.ts';
import { type Datum, type FitQuestion, type Group, groupsOf, isSeen, median, type Solved, solveWith } from './solve.ts';
import { asideDeg, type Seen, type Stand, seenOf, speedFrom } from './watch.ts';

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

/** A ball this far off, in standard deviations, is named: beyond 2.8 σ lies one in 200. */
const OUTLYING = 2.8;
/** No more than this share of the balls is named. */
const MOST_OUTLIERS = 0.25;
const PRIOR_DF = 3;

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
    outliers: outliersOf(question, counting, first),
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

/** The ball that is farthest off, then the farthest of the others without it, and so on: what one wild ball pulls along is not named with it. */
function outliersOf(question: FitQuestion, counting: readonly TestBall[], solved: Solved): Outlier[] {
  const outliers: Outlier[] = [];
  let [left, now] = [[...counting], solved];
  while (left.length >= 4 && outliers.length < MOST_OUTLIERS * counting.length) {
    const worst = farthestOf(now);
    if (!worst) break;
    outliers.push(worst);
    left = left.filter(({ id }) => id !== worst.ballId);
    const groups = groupsOf(question, left);
    now = solveWith(question, groups, question.repeatability);
  }
  return outliers;
}

function farthestOf({ studentized, residuals, data }: Solved): Outlier | null {
  const sizes = studentized.map((each) => Math.max(...each.map(Math.abs)));
  // a machine worse than its kind has more scatter than expected: by the middle ball, which one outlier cannot move
  const scale = Math.max(1, median(sizes) / 0.8);
  const i = sizes.indexOf(Math.max(...sizes));
  const sigmas = sizes[i]! / scale;
  if (sigmas < OUTLYING) return null;
  const { ball, seen, whitener } = data[i]!;
  const worst = studentized[i]!.map(Math.abs).indexOf(sizes[i]!);
  const off = times(inverse(new Matrix(whitener)).to2DArray(), residuals[i]!)[worst]!;
  return { ballId: ball.id, how: WORD[seen[worst]!.kind][off < 0 ? 0 : 1], by: Math.abs(off), sigmas };
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
