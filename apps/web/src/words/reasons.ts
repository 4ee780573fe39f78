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

/** What each reason means. */
export const REASON_WORDS: Record<ReasonCode, string> = {
  net: 'This arc would hit the net.',
  'speed-too-high': 'This needs more speed than the machine has.',
  'speed-too-low': 'This needs a slower ball than the machine can throw.',
  'elevation-too-high': 'This needs a higher elevation than the machine can set.',
  'elevation-too-low': 'This needs a lower elevation than the machine can set.',
  ceiling: 'This arc would touch the ceiling.',
  'between-steps': 'This needs a setting between the steps that the machine has.',
  'out-of-reach': 'No arc with this value reaches the target.',
  'no-net': 'The ball does not pass over a net here.',
};
