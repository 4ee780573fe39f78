import { later } from '../../ui/later.tsx';

const waiting = <p role="status">One moment …</p>;

/** Parts of a rung on court that nobody sees before a first ball or a round: they come when the page stands. */
export const ByHand = later(async () => (await import('./inRound.ts')).ByHand, waiting);
export const ByNumber = later(async () => (await import('./inRound.ts')).ByNumber, waiting);
export const FirstBall = later(async () => (await import('./FirstBall.tsx')).FirstBall, waiting);
export const Finished = later(async () => (await import('./inRound.ts')).Finished, waiting);
export const LandingTaps = later(async () => (await import('./inRound.ts')).LandingTaps, waiting);
export const NextBalls = later(async () => (await import('./inRound.ts')).NextBalls, waiting);
export const TimingTaps = later(async () => (await import('./inRound.ts')).TimingTaps, waiting);

/** Has all of them at hand, so that a round needs no network. @throws when there is none */
export async function readyForRound(): Promise<void> {
  await Promise.all([ByHand, ByNumber, FirstBall, Finished, LandingTaps, NextBalls, TimingTaps].map((part) => part.ready()));
}
