import { flightsOf, metsOf, planOf, type RungDocument, type Sport } from '@good-arc/core';
import { useMemo } from 'react';

/** Places that lie farther apart across the court than this are shown from above, m. */
const APART_M = 0.8;
const GAP_PX = 6;

/** A small side view of a rung's real flights; beside it the court from above, where its balls go to several places. */
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
  const places = document.feeds.filter(({ on }) => on).flatMap((feed) => metsOf(document, feed).map((met) => ({ from: feed.launch, met })));
  const across = places.map(({ met }) => met.x);
  const isSeveral = Math.max(...across) - Math.min(...across) > APART_M;
  const side = isSeveral ? width - Math.round(height * 0.9) - GAP_PX : width;
  const perM = side / (plan.view.y2 - plan.view.y1);
  const highest = Math.max(1.6, ...thrown.flatMap(({ flight }) => flight.path.map(([, , , z]) => z)));
  const perUp = Math.min(perM * 2.2, (height - 6) / highest);
  const along = (y: number): number => (plan.nearOnLeft ? y - plan.view.y1 : plan.view.y2 - y) * perM;
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="block max-w-full">
      <line x1={0} x2={side} y1={height - 2} y2={height - 2} stroke="currentColor" strokeWidth={1.5} />
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
      {isSeveral && <FromAbove plan={plan} places={places} x={side + GAP_PX} width={width - side - GAP_PX} height={height} />}
    </svg>
  );
}

/** The court from above, the machine at the top and the player's side below: a line to each place. */
function FromAbove({
  plan: { view, inPlay, net },
  places,
  x,
  width,
  height,
}: {
  plan: ReturnType<typeof planOf>;
  places: readonly { from: { x: number; y: number }; met: { x: number; y: number } }[];
  x: number;
  width: number;
  height: number;
}) {
  const down = (y: number): number => ((view.y2 - y) / (view.y2 - view.y1)) * (height - 2) + 1;
  const over = (at: number): number => x + width / 2 + (at / (inPlay.x2 - inPlay.x1)) * (width - 8);
  return (
    <>
      <rect
        x={over(inPlay.x1)}
        y={down(inPlay.y2)}
        width={over(inPlay.x2) - over(inPlay.x1)}
        height={down(inPlay.y1) - down(inPlay.y2)}
        fill="none"
        stroke="currentColor"
        strokeOpacity={0.5}
      />
      {net && <line x1={over(inPlay.x1) - 2} x2={over(inPlay.x2) + 2} y1={down(0)} y2={down(0)} stroke="currentColor" strokeWidth={1.5} />}
      {places.map(({ from, met }) => (
        <g key={`${met.x} ${met.y}`}>
          <line x1={over(from.x)} y1={down(from.y)} x2={over(met.x)} y2={down(met.y)} stroke="var(--color-ball)" strokeWidth={1.5} />
          <circle cx={over(met.x)} cy={down(met.y)} r={2.5} fill="currentColor" />
        </g>
      ))}
    </>
  );
}
