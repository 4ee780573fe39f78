import { diamondOf, SPOILT, type SpoiledBalls, type Spoilt, type Sport } from '@good-arc/core';
import type { useUnits } from '../ui/Units.tsx';

type Units = Pick<ReturnType<typeof useUnits>, 'length'>;

/** Less than this of ten nobody counts. */
const HARDLY = 0.02;

/** What becomes of them, on a court and over a plate. */
const BECOMES: Record<'court' | 'diamond', Record<Spoilt, string>> = {
  court: { net: 'into the net', out: 'out', beyond: 'too high, too low or too soon for this level' },
  diamond: { net: 'into the net', out: 'outside the strike zone', beyond: 'too soon for this level' },
};

/** `about 1 of 10`, `about 4 of 100`. */
const sayOf = (share: number): string =>
  share >= 0.095 ? `${Math.round(share * 10)} of 10` : `${Math.max(1, Math.round(share * 100))} of 100`;

/** `The machine’s own spread takes about 2 of 10 (out; too high, too low or too soon for this level).` */
export function saySpoiled({ share, parts }: SpoiledBalls, sport: Sport): string {
  const becomes = BECOMES[diamondOf(sport) ? 'diamond' : 'court'];
  const worst = SPOILT.filter((each) => parts[each] >= HARDLY).sort((a, b) => parts[b] - parts[a]);
  const why = worst.length > 0 ? ` (${worst.map((each) => becomes[each]).join('; ')})` : '';
  return `The machine’s own spread takes ${share < HARDLY ? 'hardly a ball' : `about ${sayOf(share)}${why}`}.`;
}

/** `Nine of ten of the others come within ± 8 in to a side and ± 11 in in height.` */
export function sayWithin({ within90: { acrossM, heightM } }: SpoiledBalls, units: Units): string {
  // balls to fielders have no height at which they are met
  const height = heightM > 0 ? ` and ± ${units.length(heightM)} in height` : '';
  return `Nine of ten of the others come within ± ${units.length(acrossM)} to a side${height}.`;
}

/** Before a round it is worth a word from here on: one ball in twenty. */
export const isWorthSaying = ({ share }: SpoiledBalls): boolean => share >= 0.05;
