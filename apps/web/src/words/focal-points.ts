import type { Sport } from '@good-arc/core';

/** Focal points to begin with: one for the day, no more (common practice, no source). */
export const FOCAL_POINTS: Record<Sport, readonly string[]> = {
  tennis: ['Turn before the bounce', 'Meet it in front', 'Split as it leaves', 'Finish over the shoulder', 'Recover before you look'],
  pickleball: ['Paddle up as it leaves', 'Soft hands', 'Bend, do not reach', 'Feet still at the hit', 'In behind a good one'],
  baseball: ['Loaded as it is let go', 'Short to the ball', 'See it out of the hand', 'Soft front foot', 'Through the middle'],
  softball: ['Loaded as it comes round', 'Short to the ball', 'See it off the hip', 'Soft front foot', 'Through the middle'],
};
