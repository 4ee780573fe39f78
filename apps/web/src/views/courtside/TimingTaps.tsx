import { tapTiming } from '@good-arc/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { sayOff, saySwings, sayTaps } from '../../words/marks.ts';
import { type Run, readyIn } from './run.ts';
import type { useTaps } from './useTaps.ts';

interface Taps {
  taps: readonly { offMs: number }[];
  /** @returns whether it belonged to a ball */
  onTap: () => boolean;
}

/** Tapped as the player is ready and swings: early or late, one by one and on average. Who taps is a little late, too, and always about as much. */
export function TimingTaps({ run, on }: { run: Run; on: Pick<ReturnType<typeof useTaps>, 'ready' | 'swing'> }) {
  const word = readyIn(run);
  return (
    <div className="mt-2 grid gap-2 md:grid-cols-2">
      <One
        taps={run.readies}
        onTap={on.ready}
        name={word}
        letter="G"
        testId="ready"
        first="Tap as that is done: best just as the ball is let go."
        missed="No release was near."
        sum={(offMs) => sayTaps(word, tapTiming(offMs))}
      />
      <One
        taps={run.swings}
        onTap={on.swing}
        name="Swing"
        letter="T"
        testId="swing"
        first="Tap as the bat, or the racket, meets the ball."
        missed="No ball was there: tap at the swing."
        sum={(offMs) => saySwings(tapTiming(offMs))}
      />
    </div>
  );
}

function One({
  taps,
  onTap,
  name,
  letter,
  testId,
  first,
  missed,
  sum,
}: Taps & { name: string; letter: string; testId: string; first: string; missed: string; sum: (offMs: number[]) => string }) {
  /** So many taps there were when one met nothing. */
  const [missedAt, setMissedAt] = useState<number | null>(null);
  const last = taps.at(-1);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Button size="l" className="min-h-14 min-w-36 shrink-0 px-6" onClick={() => setMissedAt(onTap() ? null : taps.length)}>
        {name}
        <span className="hidden text-base font-medium md:inline">({letter})</span>
      </Button>
      <p className="min-w-0 grow basis-40" role="status" data-testid={testId}>
        {missedAt === taps.length ? missed : last ? `${sayOff(last.offMs)}. ${sum(taps.map(({ offMs }) => offMs))}` : first}
      </p>
    </div>
  );
}
