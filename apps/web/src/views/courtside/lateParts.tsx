import { useEffect } from 'react';
import { later } from '../../ui/later.tsx';

const waiting = <p role="status">One moment …</p>;

/** Parts of a rung on court that nobody sees at first: they come when the page stands. */
export const ByHand = later(async () => (await import('./inRound.ts')).ByHand, waiting);
export const ByNumber = later(async () => (await import('./inRound.ts')).ByNumber, waiting);
export const ChecksForm = later(async () => (await import('./beforehand.ts')).ChecksForm, waiting);
export const CourtUntil = later(async () => (await import('./beforehand.ts')).CourtUntil);
export const FirstBall = later(async () => (await import('./FirstBall.tsx')).FirstBall, waiting);
export const Finished = later(async () => (await import('./inRound.ts')).Finished, waiting);
export const ForToday = later(async () => (await import('./beforehand.ts')).ForToday);
export const HalfTarget = later(async () => (await import('./beforehand.ts')).HalfTarget);
export const LandingTaps = later(async () => (await import('./inRound.ts')).LandingTaps, waiting);
export const MachinePart = later(async () => (await import('./beforehand.ts')).MachinePart);
export const NextBalls = later(async () => (await import('./inRound.ts')).NextBalls, waiting);
export const RefillOrFault = later(async () => (await import('./beforehand.ts')).RefillOrFault);
export const SecretSpeeds = later(async () => (await import('./beforehand.ts')).SecretSpeeds);
export const SignalFields = later(async () => (await import('./beforehand.ts')).SignalFields);
export const TimingTaps = later(async () => (await import('./inRound.ts')).TimingTaps, waiting);

/** Has all of them at hand, so that a round needs no network; one after the other, since all at once held a slow phone up. @throws when one could not be had */
export async function readyForRound(): Promise<void> {
  const parts = [
    ...[ByHand, ByNumber, Finished, LandingTaps, NextBalls, TimingTaps],
    ...[ChecksForm, CourtUntil, ForToday, HalfTarget, MachinePart, RefillOrFault, SecretSpeeds, SignalFields],
    FirstBall,
  ];
  const missing: unknown[] = [];
  for (const part of parts) await part.ready().catch((error) => missing.push(error));
  if (missing.length > 0) throw missing[0];
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
