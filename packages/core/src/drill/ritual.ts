import type { Ritual } from './schema.ts';

/** From the first bounce to the hit of the serve, s. */
export const ritualS = ({ bounces, bounceS, tossS }: Pick<Ritual, 'bounces' | 'bounceS' | 'tossS'>): number => bounces * bounceS + tossS;

/**
 * Bounces of the ritual that fit a machine whose interval cannot be set freely.
 * @param intervalS what the machine can be set to @param neededS the shortest interval with the ritual as it is
 * @returns whole bounces, 0 or more; null when not even the toss fits
 */
export function bouncesThatFit(
  intervalS: number,
  neededS: number,
  { bounces, bounceS }: Pick<Ritual, 'bounces' | 'bounceS'>,
): number | null {
  if (bounceS <= 0) return null;
  const fit = bounces + Math.floor((intervalS - neededS) / bounceS + 1e-9);
  return fit < 0 ? null : fit;
}

/** What is tapped along with a player: every bounce, the toss, the hit. */
const LEAST_TAPS = 2;

/**
 * A ritual from taps: one at each bounce, one as the ball is tossed, one at the hit.
 * @param tapsS moments in seconds, rising @returns null for fewer than two taps, or two at once
 */
export function ritualFromTaps(tapsS: readonly number[]): Pick<Ritual, 'bounces' | 'bounceS' | 'tossS'> | null {
  if (tapsS.length < LEAST_TAPS || tapsS.some((at, i) => i > 0 && at <= tapsS[i - 1]!)) return null;
  const [toss, hit] = [tapsS.at(-2)!, tapsS.at(-1)!];
  const bounces = tapsS.length - 2;
  const clamp = (value: number, lo: number, hi: number): number => Math.min(hi, Math.max(lo, value));
  return {
    bounces,
    bounceS: bounces === 0 ? 0.7 : clamp((toss - tapsS[0]!) / bounces, 0.2, 3),
    tossS: clamp(hit - toss, 0.3, 6),
  };
}
