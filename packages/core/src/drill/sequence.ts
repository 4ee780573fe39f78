import type { Feed, RungDocument } from './schema.ts';

/**
 * The balls of one round in the order they are thrown: the feeds that are on, over and over.
 * A feed that is switched off is skipped and leaves no empty beat.
 * @returns `ballsPerRound` feeds; empty when all are off
 */
export function ballsOf({ feeds, ballsPerRound }: Pick<RungDocument, 'feeds' | 'ballsPerRound'>): Feed[] {
  const on = feeds.filter((feed) => feed.on);
  return on.length === 0 ? [] : Array.from({ length: ballsPerRound }, (_, i) => on[i % on.length]!);
}

/** Minutes a rung takes: balls at the interval, plus a rest between rounds. @param restS common practice, no source */
export const minutesOf = (
  { intervalS, ballsPerRound, rounds }: Pick<RungDocument, 'intervalS' | 'ballsPerRound' | 'rounds'>,
  restS = 45,
): number => (rounds * ballsPerRound * intervalS + (rounds - 1) * restS) / 60;
