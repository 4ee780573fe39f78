/** How swings were timed against the ball: late is positive. */
export interface SwingTiming {
  n: number;
  meanMs: number;
  /** Standard deviation of the swings; null for fewer than three. */
  spreadMs: number | null;
}

/** A tap further off than this belongs to no ball, or to another, ms. */
export const MOST_OFF_MS = 700;

/** What taps at the swing come to. @param offMs of each, after the ball was there; late is positive @returns null without one */
export function swingTiming(offMs: readonly number[]): SwingTiming | null {
  const n = offMs.length;
  if (n === 0) return null;
  const meanMs = offMs.reduce((sum, each) => sum + each, 0) / n;
  const squares = offMs.reduce((sum, each) => sum + (each - meanMs) ** 2, 0);
  return { n, meanMs, spreadMs: n < 3 ? null : Math.sqrt(squares / (n - 1)) };
}
