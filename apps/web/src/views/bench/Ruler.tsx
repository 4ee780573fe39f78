import { type Arrangement, diamondOf, planOf, reachM, type Setup, SPORT_RECORDS, strikeZone, USUAL_HEIGHT_M } from '@good-arc/core';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { type RulerScale, rulerScale } from '../../ui/scale.ts';
import { useUnits } from '../../ui/Units.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { ellipse } from './ellipse.ts';
import { Handles } from './Handles.tsx';
import { TimeRuler } from './TimeRuler.tsx';
import type { Worked } from './useBench.ts';

interface Props {
  now: Worked;
  /** The set-up beside it, drawn thin. */
  other: Worked | null;
  /** Which of the two is in hand; empty when there is one. */
  label: '' | 'A' | 'B';
  onChange: (change: Partial<Setup>, key: string) => void;
  onDone: () => void;
}

const PROFILE_PX = 176;
const TIME_PX = 66;
const GAP_PX = 10;

type Point = readonly [t: number, x: number, y: number, z: number];

/** Plan, side profile and time ruler over one length axis. */
export function Ruler({ now, other, label, onChange, onDone }: Props) {
  const { setup, arrangement, field } = now;
  const [box, width] = useWidth(820);
  const plan = planOf(setup);
  const tallest = plan.nearOnLeft ? Math.min(420, width) : width < 600 ? 230 : diamondOf(setup.sport) ? 170 : 236;
  const scale = rulerScale(plan, width, tallest);
  const profileTop = scale.planHeight + GAP_PX;
  const ground = profileTop + PROFILE_PX;
  const beside = other && other.setup.sport === setup.sport && planOf(other.setup) === plan ? other : null;
  const height = ground + TIME_PX * (beside ? 2 : 1);
  const up = (z: number): number => ground - z * scale.perM;
  const otherLabel = label === 'A' ? 'B' : 'A';

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
        {plan.nearOnLeft && <Fielders now={now} scale={scale} />}
        <line x1={0} x2={width} y1={profileTop - GAP_PX / 2} y2={profileTop - GAP_PX / 2} stroke="var(--color-base-300)" />
        <clipPath id="profile">
          <rect x={0} y={profileTop - 4} width={width} height={PROFILE_PX + 5} />
        </clipPath>
        <Profile now={now} beside={beside} scale={scale} up={up} ground={ground} width={width} />
        <PlanFlights now={now} beside={beside} scale={scale} />
        <TimeRuler
          thrown={arrangement.thrown}
          scale={scale}
          top={ground}
          profileTop={profileTop}
          label={label}
          {...(field && { path: field.path })}
        />
        {beside && (
          <TimeRuler
            thrown={beside.arrangement.thrown}
            scale={scale}
            top={ground + TIME_PX}
            profileTop={ground + TIME_PX}
            label={otherLabel}
          />
        )}
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

function PlanFlights({ now, beside, scale }: { now: Worked; beside: Worked | null; scale: RulerScale }) {
  const { along, across } = scale;
  const { setup, arrangement, spread, field } = now;
  const { target, landingZone } = setup;
  const { thrown, game } = arrangement;
  const targetY = target.kind === 'landing' ? target.y : target.planeY;
  const depth = target.kind === 'landing' ? landingZone.depthM : 0.12;
  const top = ([, x, y]: Point): [number, number] => [along(y), across(x)];
  const tall = landingZone.widthM * scale.perAcross;
  return (
    <g>
      <rect
        x={along(targetY) - (depth * scale.perM) / 2}
        y={across(target.x) - tall / 2}
        width={depth * scale.perM}
        height={tall}
        fill="none"
        stroke="var(--color-arrive)"
        strokeWidth={2}
        strokeDasharray="5 4"
      />
      {target.kind === 'landing' && spread && (
        <polygon
          points={ellipse(spread.mean, spread.cov)
            .map(({ x, y }) => `${along(y).toFixed(1)},${across(x).toFixed(1)}`)
            .join(' ')}
          fill="var(--color-ball)"
          fillOpacity={0.14}
          stroke="var(--color-ball)"
          strokeWidth={1.2}
        />
      )}
      {game && (
        <polyline points={points(game.flight.path, top)} fill="none" stroke="var(--color-arrive)" strokeWidth={1.6} strokeDasharray="6 5" />
      )}
      {beside?.arrangement.thrown && (
        <polyline points={points(beside.arrangement.thrown.flight.path, top)} fill="none" stroke="currentColor" strokeWidth={2} />
      )}
      {thrown && (
        <polyline points={points(field?.path ?? thrown.flight.path, top)} fill="none" stroke="var(--color-ball)" strokeWidth={3} />
      )}
    </g>
  );
}

/** The nine where they usually stand, and how far the nearest one gets while the ball is in the air. */
function Fielders({ now, scale }: { now: Worked; scale: RulerScale }) {
  const { field, setup } = now;
  return (
    <g aria-hidden="true">
      {(diamondOf(setup.sport)?.positions ?? []).map(({ short, x, y }) => {
        const nearest = field?.fielder.short === short;
        const reach = nearest ? reachM(field.hangTimeS, setup.level) : 0;
        return (
          <g key={short}>
            {nearest && (
              <ellipse
                cx={scale.along(y)}
                cy={scale.across(x)}
                rx={reach * scale.perM}
                ry={reach * scale.perAcross}
                fill="var(--color-arrive)"
                fillOpacity={0.12}
                stroke="var(--color-arrive)"
              />
            )}
            <text
              x={scale.along(y)}
              y={scale.across(x) + 5}
              textAnchor="middle"
              className={`fill-current text-[13px] ${nearest ? 'font-bold' : ''}`}
            >
              {short}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function Profile({
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
  const { net, sport } = SPORT_RECORDS[setup.sport].court;
  const { family, thrown, game } = arrangement;
  const side = ([, , y, z]: Point): [number, number] => [along(y), up(z)];
  const zone = strikeZone(setup.batterHeightM ?? USUAL_HEIGHT_M);
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
      {beside?.arrangement.thrown && (
        <polyline points={points(beside.arrangement.thrown.flight.path, side)} fill="none" stroke="currentColor" strokeWidth={2} />
      )}
      {thrown && (
        <polyline points={points(field?.path ?? thrown.flight.path, side)} fill="none" stroke="var(--color-ball)" strokeWidth={3.4} />
      )}
      <line x1={0} x2={width} y1={ground} y2={ground} stroke="currentColor" strokeWidth={2.4} />
      {net && <NetLabel arrangement={arrangement} x={along(0)} ground={ground} up={up} height={net.centreHeightM} />}
      {diamondOf(sport) && setup.target.kind === 'plane' && (
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
