import type { RungDocument, Sport } from '@good-arc/core';
import { type Thumb, thumbOf } from './thumb.ts';

/** A small drawing that is there already: what a list was given. */
export function ThumbDrawing({ thumb: { width, height, ground, net, arcs, above } }: { thumb: Thumb }) {
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="block max-w-full">
      <line {...ground} stroke="currentColor" strokeWidth={1.5} />
      {net && <line {...net} stroke="currentColor" strokeWidth={2} />}
      {arcs.map((points, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: feeds have no other identity
        <polyline key={i} points={points} fill="none" stroke="var(--color-ball)" strokeWidth={2} />
      ))}
      {above && (
        <>
          <rect {...above.court} fill="none" stroke="currentColor" strokeOpacity={0.5} />
          {above.net && <line {...above.net} stroke="currentColor" strokeWidth={1.5} />}
          {above.ways.map((way) => (
            <g key={`${way.x2} ${way.y2}`}>
              <line {...way} stroke="var(--color-ball)" strokeWidth={1.5} />
              <circle cx={way.x2} cy={way.y2} r={2.5} fill="currentColor" />
            </g>
          ))}
        </>
      )}
    </svg>
  );
}

/** A small side view of a rung's real flights, drawn here and now. */
export function ArcThumb({ document, sport, width, height }: { document: RungDocument; sport: Sport; width?: number; height?: number }) {
  return <ThumbDrawing thumb={thumbOf(document, sport, width, height)} />;
}
