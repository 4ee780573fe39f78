/** What is shown from a round’s begin on, in one file. */
export { Finished } from './Finished.tsx';
export { LandingTaps } from './LandingTaps.tsx';
export { NextBalls } from './NextBalls.tsx';
export { TimingTaps } from './TimingTaps.tsx';
