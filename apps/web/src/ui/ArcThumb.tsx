import { flightsOf, planOf, type RungDocument, type Sport } from '@good-arc/core';
import { useMemo } from 'react';

/** A small side view of a rung's real flight. */
export function ArcThumb({
  document,
  sport,
  width = 132,
  height = 46,
}: {
  document: RungDocument;
  sport: Sport;
  width?: number;
  height?: number;
}) {
  const plan = planOf({ sport, target: document.feeds[0]!.target });
  const thrown = useMemo(() => flightsOf(document), [document]);
  const perM = width / (plan.view.y2 - plan.view.y1);
  const highest = Math.max(1.6, ...thrown.flatMap(({ flight }) => flight.path.map(([, , , z]) => z)));
  const perUp = Math.min(perM * 2.2, (height - 6) / highest);
  const along = (y: number): number => (plan.nearOnLeft ? y - plan.view.y1 : plan.view.y2 - y) * perM;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="block max-w-full">
      <line x1={0} x2={width} y1={height - 2} y2={height - 2} stroke="currentColor" strokeWidth={1.5} />
      {plan.net && (
        <line
          x1={along(0)}
          x2={along(0)}
          y1={height - 2}
          y2={height - 2 - plan.net.centreHeightM * perUp}
          stroke="currentColor"
          strokeWidth={2}
        />
      )}
      {thrown.map(({ flight }, i) => (
        <polyline
          // biome-ignore lint/suspicious/noArrayIndexKey: feeds have no other identity
          key={i}
          points={flight.path.map(([, , y, z]) => `${along(y).toFixed(1)},${(height - 2 - z * perUp).toFixed(1)}`).join(' ')}
          fill="none"
          stroke="var(--color-ball)"
          strokeWidth={2}
        />
      ))}
    </svg>
  );
}
