import { onceBy } from '../once.ts';

/**
 * Balls to expect until the first run of `streak` hits, each a hit with the chance `rate`: (1 − p^s)/((1 − p)·p^s).
 * Check: p = 0.7 gives 6.4 for 3 and 115 for 10.
 * @param rate 0 to 1 @returns Infinity when nothing is ever hit
 */
export function ballsToStreak(rate: number, streak: number): number {
  if (rate === 1) return streak;
  const power = rate ** streak;
  return (1 - power) / ((1 - rate) * power);
}

/** Longest window of the last balls that is followed exactly; longer gates are counted in whole rounds. */
const WIDEST_WINDOW = 12;
const MOST_BALLS = 2000;
/** After so many balls the chain has forgotten how it began; mostly sooner, when the share that stays below the gate is the same from ball to ball. */
const SETTLED = 150;
const SAME = 1e-9;

/**
 * Balls to expect until `hits` of the last `of` are in. A Markov chain over the last balls for short gates; for longer ones whole rounds of `of`
 * balls, each with its binomial chance.
 * @returns Infinity when it is hopeless: more than 2,000 balls
 */
export function ballsToCount(rate: number, hits: number, of: number): number {
  if (rate <= 0) return Number.POSITIVE_INFINITY;
  const expected = of <= WIDEST_WINDOW ? byWindow(`${rate} ${hits} ${of}`, () => expectedIn(rate, hits, of)) : of / atLeast(rate, hits, of);
  return expected > MOST_BALLS ? Number.POSITIVE_INFINITY : expected;
}

/** Chance of at least k hits of n. */
function atLeast(rate: number, k: number, n: number): number {
  let chance = rate ** n;
  let sum = 0;
  // from n hits down: C(n, j) p^j q^(n−j)
  for (let j = n; j >= k; j--) {
    sum += chance;
    chance *= (j / (n - j + 1)) * ((1 - rate) / rate);
  }
  return Math.min(1, sum);
}

/** Answers for short gates, which take a thousand times as long to find as to look up: a ladder asks for the same again whenever it is drawn. */
const byWindow = onceBy<number>(500);

/** How many of the balls that a state stands for were hit. */
const hitsOf = (state: number): number => {
  let count = 0;
  for (let left = state; left > 0; left &= left - 1) count++;
  return count;
};

function expectedIn(rate: number, hits: number, of: number): number {
  const size = 1 << (of - 1);
  const isWonByHit = Uint8Array.from({ length: size }, (_, state) => Number(hitsOf(state) + 1 >= hits));
  let chance = new Float64Array(size);
  let next = new Float64Array(size);
  chance[0] = 1;
  let expected = 0;
  let left = 1;
  let stays = 0;
  let alike = 0;
  for (let ball = 1; ball <= SETTLED && left > 1e-12; ball++) {
    expected += left;
    const before = left;
    next.fill(0);
    left = 0;
    for (let state = 0; state < size; state++) {
      const here = chance[state]!;
      if (here === 0) continue;
      const out = (state << 1) & (size - 1);
      const missed = here * (1 - rate);
      next[out]! += missed;
      left += missed;
      // the hit that fills the gate ends it
      if (isWonByHit[state] === 1) continue;
      next[out | (of > 1 ? 1 : 0)]! += here * rate;
      left += here * rate;
    }
    [chance, next] = [next, chance];
    const stayed = stays;
    stays = left / before;
    alike = left < 1 && Math.abs(stays - stayed) < SAME ? alike + 1 : 0;
    if (alike === of) break;
  }
  // from here on each ball leaves the same share of players below the gate
  return left > 0 ? expected + left / (1 - stays) : expected;
}
