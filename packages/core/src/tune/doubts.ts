/// <reference path="../jstat.d.ts" />
import jStat from 'jstat';

/** Why a curve, or the balls behind it, should not be trusted as they stand. */
export type Doubt =
  /** So few readings that nothing tells the shape between them. */
  | { code: 'few-marks'; figures: { readings: number } }
  /** The dial follows no smooth curve: more readings, where it matters. */
  | { code: 'rough'; figures: Record<never, never> }
  /** Balls of one reading drift as they are thrown: a battery, or wheels that warm up. Of the value, over the balls of one reading. */
  | { code: 'drift'; figures: { share: number } }
  /** Balls of one reading, thrown at two times, do not agree: did the dial turn? */
  | { code: 'turned'; figures: { reading: number } }
  /** The radar and the marks do not agree. */
  | { code: 'radar-against-marks'; figures: { fasterMps: number } };

/** A ball as doubts look at it, in the order of throwing. */
export interface DoubtBall {
  reading: number;
  /** What it says of the value by itself, less the mean of its reading, and its 1 σ. */
  off: number;
  sigma: number;
}

/** From so many readings on balls tell whether the dial is smooth between them: four are followed by any curve. A ripple that is shorter than their distance is seen by none. */
const ENOUGH_READINGS = 5;
/** Below this chance a dial is called rough. The priors of a shape are wide, so that a smooth one seldom is: 2 of 60 in our trial. */
const ROUGH_BELOW = 0.2;
/** Beyond so many σ it is no luck. */
const NO_LUCK = 3;

/** Chance that a smooth dial shows misfits so large. @param square sum of whitened squares beyond what the balls of one reading show among themselves */
const roughness = (square: number, parts: number): number => 1 - jStat.chisquare.cdf(square, parts);

/** How much wider a curve's band must be for a misfit: the root of its square over what is to be expected; 1 for a smooth dial. */
export const wideningOf = (square: number, parts: number): number =>
  roughness(square, parts) < ROUGH_BELOW ? Math.sqrt(square / parts) : 1;

/** Drift among the balls of each reading, as a slope over their order, with its 1 σ. */
function driftOf(groups: readonly (readonly DoubtBall[])[]): { slope: number; sd: number; span: number } | null {
  let [sum, weight, span] = [0, 0, 0];
  for (const balls of groups) {
    if (balls.length < 3) continue;
    const middle = (balls.length - 1) / 2;
    balls.forEach(({ off, sigma }, i) => {
      sum += ((i - middle) * off) / sigma ** 2;
      weight += (i - middle) ** 2 / sigma ** 2;
    });
    span = Math.max(span, balls.length - 1);
  }
  return weight === 0 ? null : { slope: sum / weight, sd: 1 / Math.sqrt(weight), span };
}

/** The reading whose balls were thrown at two times, with others between, and do not agree; null for none. */
function turnedAt(balls: readonly DoubtBall[]): number | null {
  const runs = new Map<number, DoubtBall[][]>();
  balls.forEach((ball, i) => {
    const of = runs.get(ball.reading) ?? [];
    if (i > 0 && balls[i - 1]!.reading === ball.reading) of.at(-1)!.push(ball);
    else of.push([ball]);
    runs.set(ball.reading, of);
  });
  const meanOf = (run: readonly DoubtBall[]): number => run.reduce((sum, { off }) => sum + off, 0) / run.length;
  const variance = (run: readonly DoubtBall[]): number => run.reduce((sum, { sigma }) => sum + sigma ** 2, 0) / run.length ** 2;
  for (const [reading, of] of runs) {
    const [first, ...later] = of;
    const apart = later.some(
      (run) =>
        run.length > 1 &&
        first!.length > 1 &&
        Math.abs(meanOf(run) - meanOf(first!)) > NO_LUCK * Math.sqrt(variance(run) + variance(first!)),
    );
    if (apart) return reading;
  }
  return null;
}

/**
 * What to doubt of a fit.
 * @param balls in the order of throwing @param square misfit of readings and priors together, and `parts`, of how many @param value usual value, for the share of a drift
 * @param radar how much faster the radar sees the balls than the marks, with its 1 σ, where both were seen
 */
export function doubtsOf({
  balls,
  square,
  parts,
  value,
  radar,
}: {
  balls: readonly DoubtBall[];
  square: number;
  parts: number;
  value: number;
  radar: { fasterMps: number; sd: number } | null;
}): Doubt[] {
  const readings = [...new Set(balls.map(({ reading }) => reading))];
  const doubts: Doubt[] = [];
  if (radar && Math.abs(radar.fasterMps) > NO_LUCK * radar.sd)
    doubts.push({ code: 'radar-against-marks', figures: { fasterMps: radar.fasterMps } });
  const turned = turnedAt(balls);
  if (turned !== null) doubts.push({ code: 'turned', figures: { reading: turned } });
  const drift = driftOf(readings.map((reading) => balls.filter((ball) => ball.reading === reading)));
  if (turned === null && drift && Math.abs(drift.slope) > NO_LUCK * drift.sd)
    doubts.push({ code: 'drift', figures: { share: (drift.slope * drift.span) / value } });
  if (roughness(square, parts) < ROUGH_BELOW) doubts.push({ code: 'rough', figures: {} });
  if (readings.length < ENOUGH_READINGS) doubts.push({ code: 'few-marks', figures: { readings: readings.length } });
  return doubts;
}
