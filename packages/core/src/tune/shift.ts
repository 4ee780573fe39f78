import { type Stand, speedFrom } from './watch.ts';

/** A change of the battery, the balls or the day, as one factor on the speed. */
export interface Shift {
  /** Speed today over what the curve says. */
  share: number;
  /** 1 σ of the share, from how well the balls were seen. */
  sd: number;
  /** The same change in m/s at this setting. */
  byMps: number;
  /** More than the balls' own scatter explains. */
  matters: boolean;
}

/** Further off than this is no tired battery: something is set wrong. Our own figure. */
export const MOST_SHIFT = 0.2;

/**
 * What a day's first balls say against the curve: how much faster or slower everything is today.
 * @param distancesM how far each landed from the machine
 * @param saidMps what the curve says for this setting
 * @param ballSigma 1 σ of one ball's speed as it is seen, m/s
 */
export function shiftToday(stand: Stand, distancesM: readonly number[], saidMps: number, ballSigma: number): Shift {
  const mean = distancesM.reduce((sum, each) => sum + speedFrom(stand, 'distanceM', each), 0) / distancesM.length;
  const sd = ballSigma / Math.sqrt(distancesM.length) / saidMps;
  const share = mean / saidMps;
  return { share, sd, byMps: mean - saidMps, matters: Math.abs(share - 1) > 2 * sd && Math.abs(share - 1) < MOST_SHIFT };
}
