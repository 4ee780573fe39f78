import type { SportRecord } from '../../record.ts';

/** What the sports that are played over a net share; the courts, balls and game balls are their own. */
export const shared = {
  targetSnapM: 0.35,
  landingZone: { widthM: 2, depthM: 1.6 },
  stroke: 'groundstroke',
  tuneUpDeg: 20,
  checks: [],
} as const satisfies Partial<SportRecord>;

/** Their deep places to hit to. */
export const DEEP = ['deep left corner', 'deep middle', 'deep right corner'] as const;
