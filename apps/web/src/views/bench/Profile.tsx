import { type Arrangement, diamondOf, type FamilyMember, SPORT_RECORDS, strikeZoneOf } from '@good-arc/core';
import type { SVGProps } from 'react';
import type { RulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Body } from './Body.tsx';
import { type Point, points, strokesOf } from './points.ts';
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
  const { setup, arrangement, family, field } = now;
  const { net } = SPORT_RECORDS[setup.sport].court;
  const { thrown, game } = arrangement;
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
      <Family arcs={family?.filter(({ blocked }) => !blocked)} side={side} strokeWidth={1} opacity={0.34} />
      <Family
        arcs={family?.filter(({ blocked }) => blocked)}
        side={side}
        stroke="var(--color-error)"
        strokeWidth={0.8}
        opacity={0.4}
        strokeDasharray="2 4"
      />
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

/** Arcs that look the same, as one line: a drag draws all of them anew in each frame. */
function Family({
  arcs = [],
  side,
  ...look
}: { arcs?: readonly FamilyMember[] | undefined; side: (point: Point) => [number, number] } & SVGProps<SVGPathElement>) {
  return (
    <path
      d={strokesOf(
        arcs.map(({ path }) => path),
        side,
      )}
      fill="none"
      stroke="currentColor"
      {...look}
    />
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
