import type { ReasonCode } from '@good-arc/core';

/** A word on the track; the list for screen readers and the title say the whole. */
export const SHORT_REASON: Record<ReasonCode, string> = {
  net: 'net',
  'speed-too-high': 'too fast',
  'speed-too-low': 'too slow',
  'elevation-too-high': 'too steep',
  'elevation-too-low': 'too flat',
  ceiling: 'ceiling',
  'between-steps': 'between steps',
  'out-of-reach': 'out of reach',
  'no-net': 'no net',
};
