/** Standard normal quantile for a two-sided 95 % interval; written out, so that who only counts does without the statistics library. */
export const Z975 = 1.959963984540054;

/** A rate with its 95 % interval. */
export interface Rate {
  hits: number;
  balls: number;
  /** hits / balls; NaN with no balls. */
  rate: number;
  /** Wilson score interval, 95 % (E. B. Wilson, 1927; quoted from memory). */
  interval: readonly [lo: number, hi: number];
}

/**
 * Hit rate with its Wilson 95 % interval. Check: 7 of 10 gives 0.397 to 0.892.
 * @throws RangeError unless 0 ≤ hits ≤ balls, whole numbers
 */
export function wilsonRate(hits: number, balls: number): Rate {
  if (!Number.isInteger(hits) || !Number.isInteger(balls) || hits < 0 || hits > balls)
    throw new RangeError(`hits: ${hits} of ${balls} is not a count`);
  if (balls === 0) return { hits, balls, rate: Number.NaN, interval: [0, 1] };
  const p = hits / balls;
  const z2 = Z975 ** 2 / balls;
  const centre = (p + z2 / 2) / (1 + z2);
  const half = (Z975 * Math.sqrt((p * (1 - p)) / balls + z2 / (4 * balls))) / (1 + z2);
  return { hits, balls, rate: p, interval: [Math.max(0, centre - half), Math.min(1, centre + half)] };
}
