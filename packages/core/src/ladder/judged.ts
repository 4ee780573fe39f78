import type { Comfort, Spot } from '../drill/index.ts';

/** The time of one ball. */
export interface JudgedBall {
  /** Index of its feed. */
  feed: number;
  /** Since the first release, s. */
  releaseS: number;
  /** Release to the hit, s. */
  flightS: number;
  contact: Spot;
  reactionRatio: number;
  /** From this hit to the next. */
  availableS: number;
  neededS: number;
  turnaroundRatio: number;
  /** Way to the next ball, m. */
  pathM: number;
  comfort: Comfort;
}

/** What reaches the player, over what the game ball does: 1 is the game. Null where one of them is not known. */
export interface Share {
  timeS: number;
  speedMps: number;
  heightM: number;
  /** Null when the game ball hardly spins. */
  topspinRpm: number | null;
}
