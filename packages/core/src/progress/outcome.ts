/** What became of a ball. `not-fed` is a misfeed, `not-judged` one that nobody saw: both count for nothing. */
export const OUTCOMES = ['in', 'near', 'out', 'let-go', 'not-fed', 'not-judged'] as const;
/** What became of a ball. */
export type Outcome = (typeof OUTCOMES)[number];

/** Longest run of hits; a ball that was let go or not fed does not break it. */
export function longestRun(outcomes: readonly Outcome[]): number {
  let [longest, run] = [0, 0];
  for (const outcome of outcomes) {
    if (outcome === 'in') run += 1;
    else if (outcome === 'near' || outcome === 'out') run = 0;
    longest = Math.max(longest, run);
  }
  return longest;
}

/**
 * Outcomes of balls of which only a number is known, such as 7 of 10: hits and misses as evenly mixed as can be, so that no run is claimed that is longer
 * than it must have been.
 * @throws RangeError for a count that is none
 */
export function outcomesByNumber(hits: number, balls: number): Outcome[] {
  if (!Number.isInteger(hits) || !Number.isInteger(balls) || hits < 0 || hits > balls)
    throw new RangeError(`hits: ${hits} of ${balls} is not a count`);
  const misses = balls - hits;
  const missed = new Set(Array.from({ length: misses }, (_, i) => Math.floor(((i + 1) * (balls + 1)) / (misses + 1))));
  return Array.from({ length: balls }, (_, i) => (missed.has(i + 1) ? 'out' : 'in'));
}

/** Balls that count toward the rate: in, near or out. A ball that was let go or not fed was no attempt. */
export function tally(outcomes: readonly Outcome[]): { hits: number; balls: number; near: number; letGo: number } {
  const count = (wanted: Outcome): number => outcomes.filter((each) => each === wanted).length;
  const hits = count('in');
  const near = count('near');
  return { hits, near, balls: hits + near + count('out'), letGo: count('let-go') };
}
