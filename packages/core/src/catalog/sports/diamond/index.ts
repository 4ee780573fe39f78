import { targetNames } from '../../court.ts';
import type { SportRecord } from '../../record.ts';

/** What the sports of a diamond share; the fields, balls and bands are their own. */
export const shared = {
  windyMps: 8,
  targetNames: targetNames(['left field', 'centre field', 'right field'], ['left side', 'up the middle', 'right side']),
  targetSnapM: 3,
  landingZone: { widthM: 6, depthM: 6 },
  stroke: 'swing',
  tuneUpDeg: 12,
  checks: ['screen covers the feeder and the gaps', 'helmets on'],
  first: { gameBall: 'fastball', built: 'fastball' },
} as const satisfies Partial<SportRecord>;
