import { useEffect } from 'react';
import { later } from '../../ui/later.tsx';

const waiting = <p role="status">One moment …</p>;

/** Parts of a rung on court that nobody sees at first: they come when the page stands. */
export const ByHand = later(async () => (await import('./inRound.ts')).ByHand, waiting);
export const ByNumber = later(async () => (await import('./inRound.ts')).ByNumber, waiting);
export const FirstBall = later(async () => (await import('./FirstBall.tsx')).FirstBall, waiting);
export const Finished = later(async () => (await import('./inRound.ts')).Finished, waiting);
export const ForToday = later(async () => (await import('./beforehand.ts')).ForToday);
export const HalfTarget = later(async () => (await import('./beforehand.ts')).HalfTarget);
export const LandingTaps = later(async () => (await import('./inRound.ts')).LandingTaps, waiting);
export const MachinePart = later(async () => (await import('./beforehand.ts')).MachinePart);
export const NextBalls = later(async () => (await import('./inRound.ts')).NextBalls, waiting);
export const SecretSpeeds = later(async () => (await import('./beforehand.ts')).SecretSpeeds);
export const SignalFields = later(async () => (await import('./beforehand.ts')).SignalFields);
export const TimingTaps = later(async () => (await import('./inRound.ts')).TimingTaps, waiting);

/** Has all of them at hand, so that a round needs no network. @throws when there is none */
export async function readyForRound(): Promise<void> {
  await Promise.all(
    [
      ByHand,
      ByNumber,
      FirstBall,
      Finished,
      ForToday,
      HalfTarget,
      LandingTaps,
      MachinePart,
      NextBalls,
      SecretSpeeds,
      SignalFields,
      TimingTaps,
    ].map((part) => part.ready()),
  );
}

/** A page stands before it fetches what nobody sees yet, ms. */
const FETCHED_AFTER_MS = 300;

/** As `readyForRound`, once the page stands; a part that could not be had then is fetched when it is shown. */
export function useReadyForRound(): void {
  useEffect(() => {
    const soon = setTimeout(() => void readyForRound().catch(() => {}), FETCHED_AFTER_MS);
    return () => clearTimeout(soon);
  }, []);
}
