import type { GameBall } from '../../record.ts';
import { type PitchKind, pitches } from '../diamond/pitches.ts';
import { bands } from './bands.ts';

/** Thrown underhand; spins are a guess from what is said of them (our assumption). */
export const FASTBALL: PitchKind = {
  slug: 'fastball',
  name: 'Fastball',
  totalRpm: 1200,
  activeShare: 0.5,
  turn: 'back',
  confidence: 'low',
};
const KINDS: readonly PitchKind[] = [
  FASTBALL,
  { slug: 'change-up', name: 'Change-up', totalRpm: 900, activeShare: 0.5, turn: 'back', confidence: 'low' },
  { slug: 'drop', name: 'Drop', totalRpm: 1300, activeShare: 0.8, turn: 'top', confidence: 'low' },
  { slug: 'rise', name: 'Rise', totalRpm: 1400, activeShare: 0.35, turn: 'back', confidence: 'low' },
];

/** A change-up comes 12 to 14 mph under the fastball, a drop a little, a rise hardly under it (common practice, no source). */
const SLOWER = { 'change-up': 13, drop: 3, rise: 1 } as const;
/** Who sees them: not the youngest, who hit off a machine; a rise only where arms are grown. */
const sees = (slug: keyof typeof SLOWER, { id, grown }: (typeof bands)[number]): boolean =>
  slug === 'change-up' ? id !== bands[0]!.id : slug === 'drop' ? grown || id === '13-14' : grown;

export const gameBalls: readonly GameBall[] = bands.flatMap((band) => {
  const besides = Object.entries(SLOWER).flatMap(([slug, less]): [string, number][] =>
    sees(slug as keyof typeof SLOWER, band) ? [[slug, band.fastballMph - less]] : [],
  );
  return pitches('softball', band, KINDS, { fastball: band.fastballMph, ...Object.fromEntries(besides) });
});
