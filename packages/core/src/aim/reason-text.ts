import type { ReasonCode } from './types.ts';

/** What each reason why an arc or a solution is not to be had means: in answers that are read as text, and on the screen. */
export const REASON_TEXT: Record<ReasonCode, string> = {
  net: 'This arc would hit the net.',
  'speed-too-high': 'This needs more speed than the machine has.',
  'speed-too-low': 'This needs a slower ball than the machine can throw.',
  'elevation-too-high': 'This needs a higher elevation than the machine can set.',
  'elevation-too-low': 'This needs a lower elevation than the machine can set.',
  ceiling: 'This arc would touch the ceiling.',
  'between-steps': 'This needs a setting between the steps that the machine has.',
  'out-of-reach': 'No arc with this value reaches the target.',
  'no-net': 'The ball does not pass over a net here, so its clearance cannot be held.',
};
