import { type Beat, MOST_OFF_MS, nextBeatS } from '@good-arc/core';
import { useRef } from 'react';

/** A ball that left: its number in the round, and `performance.now()`. */
interface Left {
  seq: number;
  at: number;
}

/** Of a machine without a line the last release is reckoned from its beat. @param now `performance.now()` @returns null without a beat */
export const lastBeat = (beat: Beat | null, seq: number, now: number): Left | null =>
  beat && { seq, at: (nextBeatS(beat, now / 1000) - beat.intervalS) * 1000 };

/**
 * How long after a ball was there a swing came, ms: late is positive.
 * @param flightS from its release to the hit @returns null for a tap that belongs to no ball
 */
export function offBall(left: Left | null, flightS: number | null, now: number): { seq: number; offMs: number } | null {
  if (!left || flightS === null) return null;
  const offMs = now - (left.at + flightS * 1000);
  return Math.abs(offMs) > MOST_OFF_MS ? null : { seq: left.seq, offMs };
}

/** Taps at the swing, against the ball that left last. */
export function useSwing({
  beat,
  nextByHand,
  flightOf,
  onSwing,
  now = () => performance.now(),
}: {
  /** Of a machine without a line; null for one that tells its releases. */
  beat: Beat | null;
  /** Number of the ball that is counted next, where nobody tells releases. */
  nextByHand: number;
  /** From release to hit of a ball of the round, s; null where it is not known. */
  flightOf: (seq: number) => number | null;
  onSwing: (seq: number, offMs: number) => void;
  now?: () => number;
}) {
  const left = useRef<Left | null>(null);
  return {
    released: (seq: number): void => {
      left.current = { seq, at: now() };
    },
    /** @returns whether it belonged to a ball */
    tap: (): boolean => {
      const at = now();
      const last = beat ? lastBeat(beat, nextByHand, at) : left.current;
      const off = last && offBall(last, flightOf(last.seq), at);
      if (off) onSwing(off.seq, off.offMs);
      return off !== null;
    },
  };
}
