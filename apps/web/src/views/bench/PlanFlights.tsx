import { diamondOf, reachM } from '@good-arc/core';
import type { RulerScale } from '../../ui/scale.ts';
import { ellipse } from './ellipse.ts';
import { type Point, points } from './points.ts';
import type { Worked } from './useBench.ts';

export function PlanFlights({ now, beside, scale }: { now: Worked; beside: Worked | null; scale: RulerScale }) {
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
export function Fielders({ now, scale }: { now: Worked; scale: RulerScale }) {
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
