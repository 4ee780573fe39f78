import type { AgeBand, GameBall } from '../../record.ts';
import { type PitchKind, pitches } from '../diamond/pitches.ts';
import { bands, FASTBALL_ACTIVE } from './bands.ts';

export const FASTBALL: PitchKind = { slug: 'fastball', name: 'Fastball', totalRpm: 2200, activeShare: FASTBALL_ACTIVE, turn: 'back' };
const KINDS: readonly PitchKind[] = [
  FASTBALL,
  { slug: 'change-up', name: 'Change-up', totalRpm: 1700, activeShare: 0.9, turn: 'back' },
  { slug: 'curve', name: 'Curve', totalRpm: 2500, activeShare: 0.7, turn: 'top' },
  { slug: 'slider', name: 'Slider', totalRpm: 2400, activeShare: 0.35, turn: 'side' },
  { slug: 'slider-left', name: 'Slider', totalRpm: 2400, activeShare: 0.35, turn: 'side-left' },
];

/** What a band sees besides its fastball, mph. */
const BESIDES: Record<string, { 'change-up'?: number; curve?: number; slider?: number }> = {
  '9-10': { 'change-up': 42 },
  '11-12': { 'change-up': 50 },
  '13-14': { 'change-up': 59, curve: 58 },
  'high-school': { 'change-up': 71, curve: 67, slider: 71 },
  college: { 'change-up': 80, curve: 76, slider: 80 },
  professional: { 'change-up': 86, curve: 80, slider: 86 },
};

/** The kinds of a band: its own fastball spins as fast as its speed lets it. */
const kindsOf = ({ release }: AgeBand): readonly PitchKind[] =>
  release ? KINDS.map((kind) => (kind === FASTBALL ? { ...kind, totalRpm: release.fastballRpm / FASTBALL_ACTIVE } : kind)) : KINDS;

export const gameBalls: readonly GameBall[] = bands.flatMap((band) =>
  pitches('baseball', band, kindsOf(band), { fastball: band.fastballMph, ...BESIDES[band.id], 'slider-left': BESIDES[band.id]?.slider }),
);
