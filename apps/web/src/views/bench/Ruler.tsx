import { type Arrangement, COURT_PLANS, type Setup, strikeZone } from '@good-arc/core';
import { useLayoutEffect, useRef, useState } from 'react';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { type RulerScale, rulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Handles } from './Handles.tsx';
import { TimeRuler } from './TimeRuler.tsx';

interface Props {
  setup: Setup;
  arrangement: Arrangement;
  onChange: (change: Partial<Setup>, key: string) => void;
  onDone: () => void;
}

const PROFILE_PX = 176;
const TIME_PX = 66;
const GAP_PX = 10;
const BATTER_M = 1.75;

type Point = readonly [t: number, x: number, y: number, z: number];

/** Plan, side profile and time ruler over one length axis. */
export function Ruler({ setup, arrangement, onChange, onDone }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(820);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(280, Math.floor(entry.contentRect.width))));
    if (box.current) observer.observe(box.current);
    return () => observer.disconnect();
  }, []);

  const plan = COURT_PLANS[setup.sport];
  const scale = rulerScale(plan, width, width < 600 ? 230 : setup.sport === 'baseball' ? 170 : 236);
  const profileTop = scale.planHeight + GAP_PX;
  const ground = profileTop + PROFILE_PX;
  const height = ground + TIME_PX;
  const up = (z: number): number => ground - z * scale.perM;

  return (
    <div ref={box} className="w-full">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block select-none"
        role="group"
        aria-label="Plan, side view and time of the ball"
      >
        <CourtDrawing plan={plan} scale={scale} />
        <line x1={0} x2={width} y1={profileTop - GAP_PX / 2} y2={profileTop - GAP_PX / 2} stroke="var(--color-base-300)" />
        <clipPath id="profile">
          <rect x={0} y={profileTop - 4} width={width} height={PROFILE_PX + 5} />
        </clipPath>
        <Profile setup={setup} arrangement={arrangement} scale={scale} up={up} ground={ground} width={width} />
        <PlanFlights arrangement={arrangement} scale={scale} setup={setup} />
        <TimeRuler arrangement={arrangement} scale={scale} top={ground} profileTop={profileTop} />
        <Handles setup={setup} scale={scale} up={up} onChange={onChange} onDone={onDone} />
      </svg>
    </div>
  );
}

const points = (path: readonly Point[], to: (point: Point) => [number, number]): string =>
  path
    .map((point) =>
      to(point)
        .map((v) => v.toFixed(1))
        .join(','),
    )
    .join(' ');

function PlanFlights({ setup, arrangement, scale }: { setup: Setup; arrangement: Arrangement; scale: RulerScale }) {
  const { along, across } = scale;
  const { target, targetSize } = setup;
  const { thrown, game } = arrangement;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  const depth = target.kind === 'landing' ? targetSize.depthM : 0.12;
  return (
    <g>
      <rect
        x={along(targetY + depth / 2)}
        y={across(target.x + targetSize.widthM / 2)}
        width={depth * scale.perM}
        height={across(target.x - targetSize.widthM / 2) - across(target.x + targetSize.widthM / 2)}
        fill="none"
        stroke="var(--color-arrive)"
        strokeWidth={2}
        strokeDasharray="5 4"
      />
      {game && (
        <polyline
          points={points(game.flight.path, ([, x, y]) => [along(y), across(x)])}
          fill="none"
          stroke="var(--color-arrive)"
          strokeWidth={1.6}
          strokeDasharray="6 5"
        />
      )}
      {thrown && (
        <polyline
          points={points(thrown.flight.path, ([, x, y]) => [along(y), across(x)])}
          fill="none"
          stroke="var(--color-ball)"
          strokeWidth={3}
        />
      )}
    </g>
  );
}

function Profile({
  setup,
  arrangement,
  scale,
  up,
  ground,
  width,
}: {
  setup: Setup;
  arrangement: Arrangement;
  scale: RulerScale;
  up: (z: number) => number;
  ground: number;
  width: number;
}) {
  const { along } = scale;
  const { net, sport } = COURT_PLANS[setup.sport];
  const { family, thrown, game, solution } = arrangement;
  const units = useUnits();
  const side = ([, , y, z]: Point): [number, number] => [along(y), up(z)];
  const zone = strikeZone(BATTER_M);
  return (
    <g clipPath="url(#profile)">
      {family.map((arc) => (
        <polyline
          key={arc.elevationDeg}
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
      {thrown && <polyline points={points(thrown.flight.path, side)} fill="none" stroke="var(--color-ball)" strokeWidth={3.4} />}
      <line x1={0} x2={width} y1={ground} y2={ground} stroke="currentColor" strokeWidth={2.4} />
      {net && (
        <>
          <line x1={along(0)} x2={along(0)} y1={ground} y2={up(net.centreHeightM)} stroke="currentColor" strokeWidth={4} />
          {solution?.netClearanceM != null && (
            <text
              x={along(0) + 8}
              y={up(net.centreHeightM / 2) + 4}
              className="fill-current text-[13px] font-semibold"
              paintOrder="stroke"
              stroke="var(--color-base-100)"
              strokeWidth={4}
            >
              {units.length(solution.netClearanceM)} over the net{arrangement.lowOverNet ? ' (low for the level)' : ''}
            </text>
          )}
        </>
      )}
      {sport === 'baseball' && setup.target.kind === 'plane' && (
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
      <line
        x1={along(setup.player.y)}
        x2={along(setup.player.y)}
        y1={ground}
        y2={up(1.7)}
        stroke="var(--color-arrive)"
        strokeWidth={1.4}
        strokeDasharray="3 4"
      />
      {thrown?.arrival && <circle cx={along(thrown.arrival.y)} cy={up(thrown.arrival.heightM)} r={6} fill="var(--color-arrive)" />}
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
