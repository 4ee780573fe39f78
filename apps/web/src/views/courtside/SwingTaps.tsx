import { swingTiming } from '@good-arc/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { sayOff, saySwings } from '../../words/marks.ts';

/** Tapped as the player swings: early or late against the ball, one by one and on average. Who taps is a little late, too, and always about as much. */
export function SwingTaps({ swings, onTap }: { swings: readonly { offMs: number }[]; onTap: () => boolean }) {
  /** So many swings there were when a tap met no ball. */
  const [missedAt, setMissedAt] = useState<number | null>(null);
  const last = swings.at(-1);
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <Button size="l" className="min-h-14 shrink-0 px-8" onClick={() => setMissedAt(onTap() ? null : swings.length)}>
        Swing
        <span className="hidden text-base font-medium md:inline">(T)</span>
      </Button>
      <p className="min-w-0 grow basis-48" role="status" data-testid="swing">
        {missedAt === swings.length
          ? 'No ball was there: tap at the swing.'
          : last
            ? `${sayOff(last.offMs)}. ${saySwings(swingTiming(swings.map(({ offMs }) => offMs)))}`
            : 'Tap as the bat, or the racket, meets the ball.'}
      </p>
    </div>
  );
}
