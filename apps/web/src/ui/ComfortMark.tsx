import type { Comfort } from '@good-arc/core';

const TONE: Record<Comfort, string> = {
  calm: 'var(--calm)',
  working: 'var(--working)',
  rushed: 'var(--rushed)',
  'too quick': 'var(--too-quick)',
};
/** A shape for each word, so that colour is never alone: from a level line to a spike. */
const SHAPE: Record<Comfort, string> = {
  calm: 'M1 9h14v3H1z',
  working: 'M1 12 8 5l7 7z',
  rushed: 'M1 13 8 1l7 12z',
  'too quick': 'M8 0l2 6 6 2-6 2-2 6-2-6-6-2 6-2z',
};

export const comfortColour = (comfort: Comfort): string => TONE[comfort];

/** The comfort word with its shape and colour. */
export function ComfortMark({ comfort }: { comfort: Comfort }) {
  return (
    <span className="inline-flex items-center gap-1.5 font-semibold whitespace-nowrap">
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <path d={SHAPE[comfort]} fill={TONE[comfort]} />
      </svg>
      {comfort}
    </span>
  );
}
