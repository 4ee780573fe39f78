/** How taps were timed against what they belong to, a swing against its ball, a load against the release: late is positive. */
export interface TapTiming {
  n: number;
  meanMs: number;
  /** Standard deviation of the taps; null for fewer than three. */
  spreadMs: number | null;
}

/** A tap further off than this belongs to no ball, or to another, ms. */
export const MOST_OFF_MS = 700;

/** What taps come to. @param offMs of each; late is positive @returns null without one */
export function tapTiming(offMs: readonly number[]): TapTiming | null {
  const n = offMs.length;
  if (n === 0) return null;
  const meanMs = offMs.reduce((sum, each) => sum + each, 0) / n;
  const squares = offMs.reduce((sum, each) => sum + (each - meanMs) ** 2, 0);
  return { n, meanMs, spreadMs: n < 3 ? null : Math.sqrt(squares / (n - 1)) };
}
