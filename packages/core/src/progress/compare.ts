import { wilsonRate } from './rate.ts';

/** So many hits of so many balls. */
export interface Count {
  hits: number;
  balls: number;
}

/** Two counts side by side: the difference, and whether it can be told from luck. */
export interface Comparison {
  /** Rate of b less that of a. */
  difference: number;
  /** 95 %, by Newcombe’s method 10 (R. G. Newcombe, Stat. Med. 17 (1998) 873; quoted from memory). */
  interval: readonly [lo: number, hi: number];
  /** The interval excludes zero. */
  different: boolean;
}

/** Are two rates different? Check (the paper’s own example, from memory): 56/70 and 48/80 differ by 0.0524 to 0.3339. */
export function compareRates(a: Count, b: Count): Comparison {
  const [from, to] = [wilsonRate(a.hits, a.balls), wilsonRate(b.hits, b.balls)];
  const difference = to.rate - from.rate;
  const lo = difference - Math.hypot(to.rate - to.interval[0], from.interval[1] - from.rate);
  const hi = difference + Math.hypot(to.interval[1] - to.rate, from.rate - from.interval[0]);
  return { difference, interval: [lo, hi], different: lo > 0 || hi < 0 };
}
