import { printShare, wilsonRate } from '@good-arc/core';

/** A hit rate drawn with its Wilson 95 % interval, and in words. */
export function RateBar({ hits, balls }: { hits: number; balls: number }) {
  if (balls === 0) return <span className="text-quiet">no ball judged</span>;
  const { rate, interval } = wilsonRate(hits, balls);
  const [lo, hi] = interval;
  return (
    <span className="inline-flex items-center gap-3">
      <svg width="120" height="16" viewBox="0 0 120 16" aria-hidden="true" className="shrink-0">
        <line x1="0" x2="120" y1="8" y2="8" stroke="var(--color-base-300)" strokeWidth="2" />
        <rect x={lo * 120} width={(hi - lo) * 120} y="4" height="8" fill="var(--color-arrive)" opacity="0.35" />
        <line x1={rate * 120} x2={rate * 120} y1="0" y2="16" stroke="var(--color-arrive)" strokeWidth="3" />
      </svg>
      <span className="whitespace-nowrap">
        <b>
          {hits} of {balls}
        </b>{' '}
        <span className="text-quiet">
          {printShare(lo)} to {printShare(hi)}
        </span>
      </span>
    </span>
  );
}
