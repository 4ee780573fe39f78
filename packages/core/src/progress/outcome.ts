/** What became of a ball. `not-fed` is a misfeed and counts for nothing. */
export const OUTCOMES = ['in', 'near', 'out', 'let-go', 'not-fed'] as const;
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

/** Balls that count toward the rate: in, near or out. A ball that was let go or not fed was no attempt. */
export function tally(outcomes: readonly Outcome[]): { hits: number; balls: number; near: number; letGo: number } {
  const count = (wanted: Outcome): number => outcomes.filter((each) => each === wanted).length;
  const hits = count('in');
  const near = count('near');
  return { hits, near, balls: hits + near + count('out'), letGo: count('let-go') };
}
