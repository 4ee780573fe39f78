import { planOf, type RungDocument, type Sport } from '@good-arc/core';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { rulerScale } from '../../ui/scale.ts';

/** Units across the drawing. */
export const CARD_WIDTH = 720;

/** The court from above, in black on paper: machine, line of the ball, target with its cones, start and recovery marks, screen. */
export function CardPlan({ rung, sport }: { rung: RungDocument; sport: Sport }) {
  const { launch, target } = rung.feeds[0]!;
  const plan = planOf({ sport, target });
  const scale = rulerScale(plan, CARD_WIDTH, 250);
  const end = target.kind === 'landing' ? target : { x: target.x, y: target.planeY };
  const { widthM, depthM } = rung.targetSize;
  const [mx, my] = [scale.along(launch.y), scale.across(launch.x)];
  const { start, recover } = rung.player;
  const corners = [-1, 1].flatMap((sx) => [-1, 1].map((sy) => ({ x: end.x + (sx * widthM) / 2, y: end.y + (sy * depthM) / 2 })));
  const cone = (x: number, y: number): string => `${x},${y - 6} ${x - 5},${y + 4} ${x + 5},${y + 4}`;
  return (
    <svg
      viewBox={`0 0 ${CARD_WIDTH} ${scale.planHeight}`}
      className="block w-full"
      role="img"
      aria-label="Plan of the court with the machine, the target and the player"
    >
      <CourtDrawing plan={plan} scale={scale} />
      <line
        x1={mx}
        y1={my}
        x2={scale.along(end.y)}
        y2={scale.across(end.x)}
        stroke="currentColor"
        strokeWidth={1.8}
        strokeDasharray="7 5"
      />
      <rect x={mx - 11} y={my - 8} width={22} height={16} fill="currentColor" />
      <text x={mx} y={my + 24} textAnchor="middle" fontSize={15} fontWeight={700} fill="currentColor">
        machine
      </text>
      {sport === 'baseball' && (
        <line x1={mx - 26} x2={mx - 26} y1={my - 24} y2={my + 24} stroke="currentColor" strokeWidth={5}>
          <title>screen</title>
        </line>
      )}
      {target.kind === 'landing' && (
        <rect
          x={Math.min(scale.along(end.y - depthM / 2), scale.along(end.y + depthM / 2))}
          y={Math.min(scale.across(end.x - widthM / 2), scale.across(end.x + widthM / 2))}
          width={depthM * scale.perM}
          height={widthM * scale.perAcross}
          fill="none"
          stroke="currentColor"
          strokeWidth={2.2}
        />
      )}
      {target.kind === 'landing' &&
        corners.map(({ x, y }) => (
          <polygon
            key={`${x} ${y}`}
            points={cone(scale.along(y), scale.across(x))}
            fill="var(--color-base-100)"
            stroke="currentColor"
            strokeWidth={1.6}
          />
        ))}
      <circle
        cx={scale.along(start.y)}
        cy={scale.across(start.x)}
        r={8}
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth={2.4}
      />
      <text x={scale.along(start.y)} y={scale.across(start.x) + 25} textAnchor="middle" fontSize={15} fontWeight={700} fill="currentColor">
        start
      </text>
      {recover && (
        <path
          d={`M${scale.along(recover.y) - 7} ${scale.across(recover.x) - 7}l14 14m0 -14l-14 14`}
          stroke="currentColor"
          strokeWidth={2.4}
        />
      )}
    </svg>
  );
}
