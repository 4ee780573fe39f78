import { type Arrangement, COURT_PLANS, printTime, type Setup, strikeZone } from '@good-arc/core';
import { useLayoutEffect, useRef, useState } from 'react';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { describeSpot } from '../../ui/place.ts';
import { type RulerScale, rulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Handle } from './Handle.tsx';

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

function TimeRuler({
  arrangement,
  scale,
  top,
  profileTop,
}: {
  arrangement: Arrangement;
  scale: RulerScale;
  top: number;
  profileTop: number;
}) {
  const { thrown } = arrangement;
  const y0 = top + 20;
  if (!thrown) {
    return (
      <text x={8} y={y0 + 6} className="fill-current text-[15px]">
        No ball to time: this feed cannot be thrown.
      </text>
    );
  }
  const { flight, arrival, launch } = thrown;
  const end = arrival?.timeS ?? flight.bounces.at(-1)?.t ?? 0;
  const path = flight.path;
  const xAt = (t: number): number => {
    const i = path.findIndex(([time]) => time >= t);
    const [b, a] = [path[Math.max(0, i)]!, path[Math.max(0, i - 1)]!];
    const share = b[0] === a[0] ? 0 : (t - a[0]) / (b[0] - a[0]);
    return scale.along(a[2] + share * (b[2] - a[2]));
  };
  const ticks = Array.from({ length: Math.floor(end * 10 + 1e-9) + 1 }, (_, i) => i / 10);
  const bounce = flight.bounces[0];
  const marks = [
    { name: 'release', t: 0, x: scale.along(launch.y) },
    ...(bounce && (arrival === null || arrival.leg > 0) ? [{ name: 'bounce', t: bounce.t, x: scale.along(bounce.y) }] : []),
    ...(arrival ? [{ name: 'hit', t: arrival.timeS, x: scale.along(arrival.y) }] : []),
  ];
  const first = marks[0]!.x;
  const last = xAt(end);
  const crowded = Math.abs(last - first) < 300;
  const [hit, touch] = [marks.at(-1), marks.find(({ name }) => name === 'bounce')];
  // on a phone the two labels would stand in each other: the bounce moves up a line
  const tight = hit !== undefined && touch !== undefined && Math.abs(hit.x - touch.x) < 96;
  return (
    <g aria-hidden="true">
      {marks.map(({ name, x }) => (
        <line
          key={name}
          x1={x}
          x2={x}
          y1={profileTop - 4}
          y2={y0}
          stroke="currentColor"
          strokeWidth={0.8}
          strokeDasharray="2 5"
          opacity={0.7}
        />
      ))}
      <line x1={first} x2={last} y1={y0} y2={y0} stroke="currentColor" strokeWidth={1.5} />
      {ticks.map((t) => {
        const half = Math.abs((t * 2) % 1) < 1e-6;
        return (
          <g key={t}>
            <line
              x1={xAt(t)}
              x2={xAt(t)}
              y1={y0 - (half ? 8 : 5)}
              y2={y0 + (half ? 8 : 5)}
              stroke="var(--color-ball)"
              strokeWidth={half ? 2.2 : 1.5}
            />
            {half &&
              t > 0 &&
              (!crowded || t === 0.5) &&
              Math.abs(xAt(t) - (hit?.x ?? 0)) > 34 &&
              !(tight && Math.abs(xAt(t) - touch.x) < 70) && (
                <text x={xAt(t)} y={y0 + 22} textAnchor="middle" className="dial fill-current text-[13px]">
                  {t.toFixed(1)}
                </text>
              )}
          </g>
        );
      })}
      {marks.map(({ name, t, x }, i) => (
        <text
          key={name}
          x={Math.min(scale.width - 2, x)}
          y={name === 'bounce' && tight ? y0 + 22 : y0 + 38}
          textAnchor={i === 0 ? 'start' : x > scale.width - 60 ? 'end' : 'middle'}
          className="fill-current text-[13px] font-semibold"
        >
          {name} {t > 0 && printTime(t)}
        </text>
      ))}
    </g>
  );
}

function Handles({
  setup,
  scale,
  up,
  onChange,
  onDone,
}: {
  setup: Setup;
  scale: RulerScale;
  up: (z: number) => number;
  onChange: Props['onChange'];
  onDone: () => void;
}) {
  const { along, across, alongBack, acrossBack } = scale;
  const plan = COURT_PLANS[setup.sport];
  const units = useUnits();
  const { view } = plan;
  const within = (x: number, y: number): { x: number; y: number } => ({
    x: Math.min(view.x2, Math.max(view.x1, x)),
    y: Math.min(view.y2, Math.max(view.y1, y)),
  });
  const { from, target, player } = setup;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  // a machine and its target must stay apart, and on their own sides
  const moveMachine = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange({ from: { ...from, x: spot.x, y: Math.max(spot.y, targetY + 1) } }, 'machine');
  };
  const moveTarget = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange(
      { target: target.kind === 'landing' ? { ...target, x: spot.x, y: Math.min(spot.y, from.y - 1) } : { ...target, x: spot.x } },
      'target',
    );
  };
  const movePlayer = (x: number, y: number): void => {
    const spot = within(x, y);
    onChange({ player: setup.sport === 'baseball' ? { ...player, x: spot.x } : { x: spot.x, y: Math.min(spot.y, from.y - 1) } }, 'player');
  };
  const says = (spot: { x: number; y: number }): string => describeSpot(plan, spot, units.length);
  const turn = (Math.atan2(across(target.x) - across(from.x), along(targetY) - along(from.y)) * 180) / Math.PI;
  return (
    <>
      <Handle
        px={along(from.y)}
        py={across(from.x)}
        name="Machine"
        says={says(from)}
        onDone={onDone}
        onDrag={(px, py) => moveMachine(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => moveMachine(from.x - down, from.y - right)}
      >
        <g transform={`translate(${along(from.y)} ${across(from.x)}) rotate(${turn})`}>
          <rect x={-14} y={-9} width={26} height={18} rx={3} fill="currentColor" />
          <rect x={10} y={-4} width={10} height={8} fill="currentColor" />
        </g>
      </Handle>
      <Handle
        px={along(targetY)}
        py={across(target.x)}
        name={target.kind === 'landing' ? 'Landing spot' : 'Where it crosses the plate'}
        says={says({ x: target.x, y: targetY })}
        onDone={onDone}
        onDrag={(px, py) => moveTarget(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => moveTarget(target.x - down, targetY - right)}
      >
        <circle cx={along(targetY)} cy={across(target.x)} r={7.5} fill="var(--color-base-100)" stroke="var(--color-ball)" strokeWidth={4} />
      </Handle>
      {target.kind === 'plane' && (
        <Handle
          px={along(targetY)}
          py={up(target.z)}
          name="Height over the plate"
          says={units.length(target.z)}
          onDone={onDone}
          onDrag={(_px, py) => onChange({ target: { ...target, z: Math.min(2.5, Math.max(0.1, (up(0) - py) / scale.perM)) } }, 'target')}
          onNudge={(_right, down) => onChange({ target: { ...target, z: Math.min(2.5, Math.max(0.1, target.z - down)) } }, 'target')}
        >
          <circle cx={along(targetY)} cy={up(target.z)} r={7.5} fill="var(--color-base-100)" stroke="var(--color-ball)" strokeWidth={4} />
        </Handle>
      )}
      <Handle
        px={along(player.y)}
        py={across(player.x)}
        name="Player"
        says={says(player)}
        onDone={onDone}
        onDrag={(px, py) => movePlayer(acrossBack(py), alongBack(px))}
        onNudge={(right, down) => movePlayer(player.x - down, player.y - right)}
      >
        <circle
          cx={along(player.y)}
          cy={across(player.x)}
          r={10}
          fill="var(--color-arrive)"
          stroke="var(--color-base-100)"
          strokeWidth={2}
        />
      </Handle>
    </>
  );
}
