import { type Arrangement, diamondOf, SPORT_RECORDS, strikeZoneOf } from '@good-arc/core';
import type { RulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Body } from './Body.tsx';
import { type Point, points } from './points.ts';
import type { Worked } from './useBench.ts';

export function Profile({
  now,
  beside,
  scale,
  up,
  ground,
  width,
}: {
  now: Worked;
  beside: Worked | null;
  scale: RulerScale;
  up: (z: number) => number;
  ground: number;
  width: number;
}) {
  const { along } = scale;
  const { setup, arrangement, field } = now;
  const { net } = SPORT_RECORDS[setup.sport].court;
  const { family, thrown, game } = arrangement;
  const side = ([, , y, z]: Point): [number, number] => [along(y), up(z)];
  const zone = diamondOf(setup.sport) && strikeZoneOf(setup.sport, setup);
  return (
    <g clipPath="url(#profile)">
      {setup.ceilingM !== undefined && (
        <line
          x1={0}
          x2={width}
          y1={up(setup.ceilingM)}
          y2={up(setup.ceilingM)}
          stroke="currentColor"
          strokeWidth={2}
          strokeDasharray="10 6"
        />
      )}
      {family.map((arc, i) => (
        <polyline
          // biome-ignore lint/suspicious/noArrayIndexKey: the next flattest, whichever that is: a drag moves them all
          key={i}
          points={points(arc.path, side)}
          fill="none"
          stroke={arc.blocked ? 'var(--color-error)' : 'currentColor'}
          strokeWidth={arc.blocked ? 0.8 : 1}
          opacity={arc.blocked ? 0.4 : 0.34}
          strokeDasharray={arc.blocked ? '2 4' : undefined}
        />
      ))}
      {game && (
        <polyline points={points(game.flight.path, side)} fill="none" stroke="var(--color-arrive)" strokeWidth={2} strokeDasharray="7 5" />
      )}
      {beside?.arrangement.thrown && (
        <polyline points={points(beside.arrangement.thrown.flight.path, side)} fill="none" stroke="currentColor" strokeWidth={2} />
      )}
      {thrown && (
        <polyline points={points(field?.path ?? thrown.flight.path, side)} fill="none" stroke="var(--color-ball)" strokeWidth={3.4} />
      )}
      <line x1={0} x2={width} y1={ground} y2={ground} stroke="currentColor" strokeWidth={2.4} />
      {net && <NetLabel arrangement={arrangement} x={along(0)} ground={ground} up={up} height={net.centreHeightM} />}
      {zone && setup.target.kind === 'plane' && (
        <rect
          x={along(setup.target.planeY) - 5}
          y={up(zone.topM)}
          width={10}
          height={up(zone.bottomM) - up(zone.topM)}
          fill="none"
          stroke="var(--color-arrive)"
          strokeWidth={2}
        />
      )}
      <Body now={now} x={along(setup.player.y)} up={up} />
      {thrown?.arrival && !field && (
        <circle cx={along(thrown.arrival.y)} cy={up(thrown.arrival.heightM)} r={6} fill="var(--color-arrive)" />
      )}
      {game?.arrival && (
        <circle
          cx={along(game.arrival.y)}
          cy={up(game.arrival.heightM)}
          r={4.5}
          fill="var(--color-base-100)"
          stroke="var(--color-arrive)"
          strokeWidth={2}
        />
      )}
    </g>
  );
}

function NetLabel({
  arrangement,
  x,
  ground,
  up,
  height,
}: {
  arrangement: Arrangement;
  x: number;
  ground: number;
  up: (z: number) => number;
  height: number;
}) {
  const units = useUnits();
  const clearance = arrangement.solution?.netClearanceM;
  return (
    <>
      <line x1={x} x2={x} y1={ground} y2={up(height)} stroke="currentColor" strokeWidth={4} />
      {clearance != null && (
        <text
          x={x + 8}
          y={up(height / 2) + 4}
          className="fill-current text-[13px] font-semibold"
          paintOrder="stroke"
          stroke="var(--color-base-100)"
          strokeWidth={4}
        >
          {units.length(clearance)} over the net{arrangement.lowOverNet ? ' (low for the level)' : ''}
        </text>
      )}
    </>
  );
}
