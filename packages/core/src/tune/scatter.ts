import type { MachineProfile } from '../machine/index.ts';
import { type Seen, type Sight, type Stand, sightOf } from './watch.ts';

export type Repeatability = MachineProfile['repeatability'];

/** What a ball of this speed shows, and how that changes with 1 m/s, with 1° of elevation, and with the logarithm of its drag. */
export interface Response {
  sight: Sight;
  perMps: Sight;
  perDeg: Sight;
  perLogDrag: Sight;
}

const difference = (a: Sight, b: Sight, by: number): Sight => ({
  distanceM: (a.distanceM - b.distanceM) / by,
  timeS: (a.timeS - b.timeS) / by,
  radarMps: (a.radarMps - b.radarMps) / by,
});

/** @param zeroDeg added to the elevation; @param dragShare multiplies the drag */
export function responseAt(stand: Stand, speedMps: number, zeroDeg = 0, dragShare = 1): Response {
  const elevationDeg = stand.elevationDeg + zeroDeg;
  const sight = sightOf(stand, speedMps, elevationDeg, dragShare);
  // small against the bend of the flight, large against its error of a tenth of a millimetre; one side is enough for a slope
  const [dv, de, dd] = [0.02 * speedMps, 0.1, 0.02];
  return {
    sight,
    perMps: difference(sightOf(stand, speedMps + dv, elevationDeg, dragShare), sight, dv),
    perDeg: difference(sightOf(stand, speedMps, elevationDeg + de, dragShare), sight, de),
    perLogDrag: difference(sightOf(stand, speedMps, elevationDeg, dragShare * Math.exp(dd)), sight, dd),
  };
}

/** Several things seen of one ball share its own speed and elevation: their covariance, as rows. */
export function covarianceOf(
  seen: readonly { kind: Seen; sigma: number }[],
  { perMps, perDeg }: Pick<Response, 'perMps' | 'perDeg'>,
  speedMps: number,
  { speedPct, elevationDeg }: Pick<Repeatability, 'speedPct' | 'elevationDeg'>,
): number[][] {
  const [speedVariance, elevationVariance] = [((speedPct / 100) * speedMps) ** 2, elevationDeg ** 2];
  return seen.map((a, i) =>
    seen.map(
      (b, j) =>
        speedVariance * (perMps[a.kind] * perMps[b.kind]) +
        elevationVariance * (perDeg[a.kind] * perDeg[b.kind]) +
        (i === j ? a.sigma ** 2 : 0),
    ),
  );
}

/**
 * The inverse W of the lower triangle of a covariance of one to three rows: W·error has parts of 1 σ that are independent of each other.
 * Written out, since a fit asks for it hundreds of times; ml-matrix takes over at the size of the whole fit.
 */
export function whitenerOf(covariance: readonly (readonly number[])[]): number[][] {
  const n = covariance.length;
  const lower: number[][] = [];
  const inverse: number[][] = [];
  for (let i = 0; i < n; i++) {
    lower[i] = [];
    for (let j = 0; j <= i; j++) {
      let sum = covariance[i]![j]!;
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!;
      lower[i]![j] = i === j ? Math.sqrt(sum) : sum / lower[j]![j]!;
    }
    inverse[i] = [];
    for (let j = 0; j < n; j++) {
      let sum = i === j ? 1 : 0;
      for (let k = 0; k < i; k++) sum -= lower[i]![k]! * inverse[k]![j]!;
      inverse[i]![j] = sum / lower[i]![i]!;
    }
  }
  return inverse;
}

export const times = (matrix: readonly (readonly number[])[], vector: readonly number[]): number[] =>
  matrix.map((row) => row.reduce((sum, each, j) => sum + each * vector[j]!, 0));

/** Balls thrown alike and seen alike, each against their mean. */
export interface Deviations {
  seen: readonly { kind: Seen; sigma: number }[];
  /** A row for each ball, in the order of `seen`. */
  offs: readonly (readonly number[])[];
  response: Response;
  speedMps: number;
}

/** A standard deviation learnt from few balls, with what it may well be. */
export interface LearntSigma {
  sigma: number;
  /** 95 %. */
  interval: readonly [lo: number, hi: number];
}

/** How sure we are of a kind's repeatability beforehand: a factor of two either way, 1 σ. Our own figure. */
const PRIOR_LOG_SD = Math.log(2);
const GRID = Array.from({ length: 81 }, (_, i) => 2 ** (-4 + i / 10));

/** Posterior of a scatter on a grid of multiples of what was expected. @param logLikelihood of the scatter itself */
function learn(expected: number, logLikelihood: (sigma: number) => number): LearntSigma {
  const weights = GRID.map((multiple) => logLikelihood(expected * multiple) - 0.5 * (Math.log(multiple) / PRIOR_LOG_SD) ** 2);
  const top = Math.max(...weights);
  const mass = weights.map((w) => Math.exp(w - top));
  const total = mass.reduce((sum, m) => sum + m, 0);
  const quantile = (share: number): number => {
    let [sum, at] = [mass[0]!, 0];
    while (sum < share * total) sum += mass[++at]!;
    return expected * GRID[at]!;
  };
  const square = mass.reduce((sum, m, i) => sum + m * (expected * GRID[i]!) ** 2, 0) / total;
  return { sigma: Math.sqrt(square), interval: [quantile(0.025), quantile(0.975)] };
}

/** This machine's scatter of speed, %, from balls thrown alike. Balls that were only marked cannot tell it from a scatter of elevation. */
export function learnSpeedPct(deviations: readonly Deviations[], expected: Repeatability): LearntSigma {
  const usable = deviations.filter(({ offs }) => offs.length > 1);
  return learn(expected.speedPct, (speedPct) => {
    let sum = 0;
    for (const { seen, offs, response, speedMps } of usable) {
      const whitener = whitenerOf(covarianceOf(seen, response, speedMps, { speedPct, elevationDeg: expected.elevationDeg }));
      // the determinant of the covariance is that of its triangle, squared
      const logDeterminant = -2 * whitener.reduce((total, row, i) => total + Math.log(row[i]!), 0);
      const square = offs.reduce((total, off) => total + times(whitener, off).reduce((part, each) => part + each ** 2, 0), 0);
      // the mean costs one ball of the group
      sum -= 0.5 * ((offs.length - 1) * logDeterminant + square);
    }
    return sum;
  });
}

/** Scatter of direction, °, beside how well the marks are known. @param asides each ball’s, with its mark’s own 1 σ in ° */
export function learnBearingDeg(
  asides: readonly { deg: number; markDeg: number }[],
  expectedDeg: number,
): LearntSigma & { meanDeg: number } {
  const meanDeg = asides.reduce((sum, { deg }) => sum + deg, 0) / asides.length;
  const learnt = learn(expectedDeg, (sigma) => {
    const share = (asides.length - 1) / asides.length;
    return asides.reduce((sum, { deg, markDeg }) => {
      const variance = sigma ** 2 + markDeg ** 2;
      return sum - 0.5 * (share * Math.log(variance) + (deg - meanDeg) ** 2 / variance);
    }, 0);
  });
  return { ...learnt, meanDeg };
}
