import { printTime } from '@good-arc/core';
import { X } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import type { useBeat } from './useBeat.ts';

/** So far off the card, as a share of it, a machine is set anew. */
const OFF = 0.05;

/** The rhythm of a machine that has no line: tapped as its balls leave, until the lane runs with it. */
export function ByHand({ beat: { beat, taps, tap, forget }, everyS }: { beat: ReturnType<typeof useBeat>; everyS: number }) {
  const off = beat ? beat.intervalS / everyS - 1 : 0;
  const left = 3 - taps;
  return (
    <div className="mt-2 flex items-center gap-x-3 md:flex-wrap land:mt-1!">
      <Button size="l" className="min-h-14 shrink-0 md:px-8 land:min-h-11!" onClick={tap}>
        A ball leaves
        <span className="hidden text-base font-medium md:inline">(B)</span>
      </Button>
      <p className="min-w-0 grow md:basis-48" role="status" data-testid="beat">
        {!beat
          ? taps === 0
            ? 'Tap as each ball leaves: after three the lane runs with the machine.'
            : `${Math.max(1, left)} more, as the ${Math.max(1, left) === 1 ? 'next one leaves' : 'next ones leave'}.`
          : Math.abs(off) <= OFF
            ? `Every ${printTime(beat.intervalS, 1)}, as on the card.`
            : `Every ${printTime(beat.intervalS, 1)}, not ${printTime(everyS, 1)}: turn it ${off > 0 ? 'quicker' : 'slower'}.`}
      </p>
      {taps > 0 && (
        <Button look="ghost" square aria-label="Forget the beat" onClick={forget}>
          <X size={20} aria-hidden />
        </Button>
      )}
    </div>
  );
}
