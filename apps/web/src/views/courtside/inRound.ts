/** What is shown from a round’s begin on, in one file. */
export { ByHand } from './ByHand.tsx';
export { ByNumber } from './ByNumber.tsx';
export { changesOn } from './changes.ts';
export { Finished } from './Finished.tsx';
export { LandingTaps } from './LandingTaps.tsx';
export { NextBalls } from './NextBalls.tsx';
export { shownOf } from './shown.ts';
export { TimingTaps } from './TimingTaps.tsx';
