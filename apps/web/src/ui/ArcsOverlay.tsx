import { flightsOf, planOf, type RungDocument, type Sport } from '@good-arc/core';
import { useMemo } from 'react';
import { useWidth } from './useWidth.ts';

/** Height over the ground is drawn so much larger than the length, at most. */
const STRETCH = 1.6;

/** Every rung's first ball in one side view: the way from the easiest, in thin ink, to the top of the ladder, in coral. */
export function ArcsOverlay({ rungs, sport }: { rungs: readonly RungDocument[]; sport: Sport }) {
  const [ref, width] = useWidth(640);
  const flights = useMemo(() => rungs.map((rung) => flightsOf({ ...rung, feeds: rung.feeds.slice(0, 1) })[0]!), [rungs]);
  const first = rungs[0];
  if (!first) return null;
  const plan = planOf({ sport, target: first.feeds[0]!.target });
  const perM = width / (plan.view.y2 - plan.view.y1);
  const highest = Math.max(1.5, ...flights.flatMap(({ flight }) => flight.path.map(([, , , z]) => z)));
  const perUp = Math.min(perM * STRETCH, 150 / highest);
  const height = Math.ceil(highest * perUp) + 30;
  const ground = height - 18;
  const along = (y: number): number => (plan.nearOnLeft ? y - plan.view.y1 : plan.view.y2 - y) * perM;
  const up = (z: number): number => ground - z * perUp;
  const players = [...new Set(rungs.map(({ player }) => player.start.y))];
  return (
    <div ref={ref} className="w-full">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label="Side view of every rung’s ball"
        className="block max-w-full"
      >
        <line x1={0} x2={width} y1={ground} y2={ground} stroke="currentColor" strokeWidth={2} />
        {plan.net && <line x1={along(0)} x2={along(0)} y1={ground} y2={up(plan.net.centreHeightM)} stroke="currentColor" strokeWidth={3} />}
        {flights.map(({ flight, launch }, i) => {
          const top = i === flights.length - 1;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a rung is its place
            <g key={i}>
              <polyline
                points={flight.path.map(([, , y, z]) => `${along(y).toFixed(1)},${up(z).toFixed(1)}`).join(' ')}
                fill="none"
                stroke={top ? 'var(--color-ball)' : 'currentColor'}
                strokeWidth={top ? 3 : 1.2}
                opacity={top ? 1 : 0.55}
              />
              <circle cx={along(launch.y)} cy={up(launch.z)} r={9} fill="var(--color-base-100)" stroke="currentColor" />
              <text x={along(launch.y)} y={up(launch.z) + 4} textAnchor="middle" fontSize={11} fontWeight={700} fill="currentColor">
                {i + 1}
              </text>
            </g>
          );
        })}
        {players.map((y) => (
          <path key={y} d={`M${along(y) - 5} ${ground + 12} h10 l-5 -9 z`} fill="var(--color-arrive)" />
        ))}
      </svg>
      <p className="text-sm text-quiet">numbers: where the machine stands for each rung · triangles: where the player starts</p>
    </div>
  );
}
