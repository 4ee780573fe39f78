import { type Beat, MOST_OFF_MS, nextBeatS } from '@good-arc/core';
import { useRef } from 'react';

/** A ball and when it left, or is to leave: its number in the round, and `performance.now()`. */
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

/** How long after the nearest release somebody was ready, ms: late is positive. @returns null for a tap that belongs to none */
export function offRelease(releases: readonly (Left | null)[], now: number): { seq: number; offMs: number } | null {
  const [nearest] = releases
    .flatMap((each) => (each ? [{ seq: each.seq, offMs: now - each.at }] : []))
    .sort((a, b) => Math.abs(a.offMs) - Math.abs(b.offMs));
  return nearest && Math.abs(nearest.offMs) <= MOST_OFF_MS ? nearest : null;
}

/** Taps as somebody is ready, against the release, and as they swing, against the ball. */
export function useTaps({
  beat,
  nextByHand,
  flightOf,
  dueAt,
  onSwing,
  onReady,
  now = () => performance.now(),
}: {
  /** Of a machine without a line; null for one that tells its releases. */
  beat: Beat | null;
  /** Number of the ball that is counted next, where nobody tells releases. */
  nextByHand: number;
  /** From release to hit of a ball of the round, s; null where it is not known. */
  flightOf: (seq: number) => number | null;
  /** Of the next release on a line; null when none is due. */
  dueAt: () => Left | null;
  onSwing: (seq: number, offMs: number) => void;
  onReady: (seq: number, offMs: number) => void;
  now?: () => number;
}) {
  const left = useRef<Left | null>(null);
  /** A tap before its release: told against when that is due, and put right when it comes. */
  const early = useRef<Left | null>(null);
  const tell = (off: { seq: number; offMs: number } | null, to: (seq: number, offMs: number) => void): boolean => {
    if (off) to(off.seq, off.offMs);
    return off !== null;
  };
  return {
    released: (seq: number): void => {
      const at = now();
      left.current = { seq, at };
      // one that was held meanwhile is another release
      if (early.current?.seq === seq && at - early.current.at <= MOST_OFF_MS) onReady(seq, early.current.at - at);
      early.current = null;
    },
    /** @returns whether it belonged to a ball */
    swing: (): boolean => {
      const at = now();
      const last = beat ? lastBeat(beat, nextByHand, at) : left.current;
      return tell(last && offBall(last, flightOf(last.seq), at), onSwing);
    },
    /** @returns whether it belonged to a release */
    ready: (): boolean => {
      const at = now();
      const last = beat ? lastBeat(beat, nextByHand, at) : left.current;
      const due = beat && last ? { seq: nextByHand, at: last.at + beat.intervalS * 1000 } : dueAt();
      const off = offRelease([last, due], at);
      early.current = off && off.offMs < 0 ? { seq: off.seq, at } : null;
      return tell(off, onReady);
    },
  };
}
