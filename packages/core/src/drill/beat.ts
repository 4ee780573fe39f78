/** The rhythm of a machine, off the moments at which balls were seen to leave. */
export interface Beat {
  intervalS: number;
  /** A moment at which a ball leaves, s on the clock of the taps. */
  atS: number;
}

/** So many balls tell a rhythm. */
const LEAST_TAPS = 3;
/** A tap this far off its beat, as a share of it, belongs to no rhythm. */
const MOST_OFF = 0.3;

/**
 * The rhythm behind taps, a line through them by least squares; a ball in between may have been missed.
 * @param tapsS moments in seconds, rising
 * @returns null for fewer than three taps, and for taps that keep no rhythm
 */
export function beatOf(tapsS: readonly number[]): Beat | null {
  if (tapsS.length < LEAST_TAPS) return null;
  const gaps = tapsS.slice(1).map((at, i) => at - tapsS[i]!);
  const usual = [...gaps].sort((a, b) => a - b)[Math.floor((gaps.length - 1) / 2)]!;
  if (usual <= 0) return null;
  // a gap of two beats is one tap that was missed; longer ones are no rhythm
  const beats = gaps.map((gap) => Math.max(1, Math.round(gap / usual)));
  if (beats.some((each) => each > 2)) return null;
  const counts = [0];
  for (const each of beats) counts.push(counts.at(-1)! + each);
  const n = tapsS.length;
  const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / n;
  const [meanCount, meanAt] = [mean(counts), mean(tapsS)];
  const spread = counts.reduce((sum, count) => sum + (count - meanCount) ** 2, 0);
  const intervalS = counts.reduce((sum, count, i) => sum + (count - meanCount) * (tapsS[i]! - meanAt), 0) / spread;
  const atS = meanAt - intervalS * meanCount;
  const isOff = tapsS.some((at, i) => Math.abs(at - atS - intervalS * counts[i]!) > MOST_OFF * intervalS);
  return isOff ? null : { intervalS, atS };
}

/** When the next ball leaves after a moment, s. */
export const nextBeatS = ({ intervalS, atS }: Beat, nowS: number): number => atS + intervalS * Math.ceil((nowS - atS) / intervalS);
