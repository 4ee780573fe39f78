import type { ContactVerdict } from '../catalog/index.ts';
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
  /** From when the player sees it leave, or is ready, to the hit, less what is left to run, s. */
  availableS: number;
  /** Seeing and preparing; for a hitter the time of the band's own game ball; for a fielder reading and running, s. */
  needS: number;
  ratio: number;
  /** The ball by itself on the scale of `comfortOf`, whatever the interval. */
  ownEase: number;
  /** From being ready again until the next ball leaves; for a hitter over the least interval that is workable, s. */
  spareS: number;
  /** Ball and interval together on the scale of `comfortOf`: the worse of them. */
  ease: number;
  /** Way to the next ball, m. */
  pathM: number;
  comfort: Comfort;
  /** Where on the body it is met; null for a pitch and for balls to fielders. */
  height: ContactVerdict | null;
}

/** What reaches the player, over what the game ball does: 1 is the game. Null where one of them is not known. */
export interface Share {
  timeS: number;
  speedMps: number;
  heightM: number;
  /** Null when the game ball hardly spins. */
  topspinRpm: number | null;
}
