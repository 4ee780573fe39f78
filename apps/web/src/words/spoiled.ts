import type { SpoiledBalls, Spoilt, Sport } from '@good-arc/core';
import { diamondOf } from '@good-arc/core';
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

/** What the machine’s own spread takes of a rung: `about 2 of 10 (out; too high, …); nine of ten of the others come within ± 8 in to a side`. */
export function saySpoiled({ share, parts, within90 }: SpoiledBalls, sport: Sport, units: Units): string {
  const isDiamond = diamondOf(sport) !== null;
  const becomes = BECOMES[isDiamond ? 'diamond' : 'court'];
  const worst = (Object.keys(parts) as Spoilt[]).filter((each) => parts[each] >= HARDLY).sort((a, b) => parts[b] - parts[a]);
  const takes =
    share < HARDLY
      ? 'hardly a ball'
      : `about ${sayOf(share)}${worst.length > 0 ? ` (${worst.map((each) => becomes[each]).join('; ')})` : ''}`;
  const height = within90.heightM > 0 ? ` and ± ${units.length(within90.heightM)} in height` : '';
  return `${takes}; nine of ten of the others come within ± ${units.length(within90.acrossM)} to a side${height}`;
}

/** Before a round it is worth a word from here on: one ball in twenty. */
export const isWorthSaying = ({ share }: SpoiledBalls): boolean => share >= 0.05;
