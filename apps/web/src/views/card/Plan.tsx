import { diamondOf, planOf, type RungDocument, type Sport } from '@good-arc/core';
import { CourtDrawing } from '../../ui/CourtDrawing.tsx';
import { rulerScale } from '../../ui/scale.ts';
import { recoveries } from '../../ui/setUpWords.ts';
import { boxIn, cornersOf } from '../../ui/targetBox.ts';
import { drawn } from './drawn.ts';

/** Units across the drawing. */
export const CARD_WIDTH = 720;

/** Of several machines side by side the upper ones are named above themselves. */
const isUpper = (places: readonly { x: number }[], i: number): boolean =>
  places.length > 1 && places[i]!.x > places.reduce((sum, { x }) => sum + x, 0) / places.length;

/** The court from above, in black on paper: machine, line of the ball, target with its cones, start and recovery marks, screen. */
export function CardPlan({ rung, sport }: { rung: RungDocument; sport: Sport }) {
  const screened = diamondOf(sport) !== null;
  const plan = planOf({ sport, target: rung.feeds[0]!.target });
  const scale = rulerScale(plan, CARD_WIDTH, 250);
  const { start } = rung.player;
  const waits = recoveries(rung).map(({ spot }) => spot);
  const { places, balls, targets } = drawn(rung, plan);
  const cone = (x: number, y: number): string => `${x},${y - 6} ${x - 5},${y + 4} ${x + 5},${y + 4}`;
  return (
    <svg
      viewBox={`0 0 ${CARD_WIDTH} ${scale.planHeight}`}
      className="block w-full"
      role="img"
      aria-label="Plan of the court with the machine, the target and the player"
    >
      <CourtDrawing plan={plan} scale={scale} />
      {balls.map(({ from, to }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: balls have no other identity
        <g key={i}>
          <line
            x1={scale.along(from.y)}
            y1={scale.across(from.x)}
            x2={scale.along(to.y)}
            y2={scale.across(to.x)}
            stroke="currentColor"
            strokeWidth={1.8}
            strokeDasharray="7 5"
          />
          <circle cx={scale.along(to.y)} cy={scale.across(to.x)} r={3.5} fill="currentColor" />
        </g>
      ))}
      {places.map(({ x, y }, i) => (
        <g key={`${x} ${y}`}>
          <rect x={scale.along(y) - 11} y={scale.across(x) - 8} width={22} height={16} fill="currentColor" />
          {/* beside the screen, where there is one */}
          <text
            x={scale.along(y) - (screened ? 20 : 0)}
            y={scale.across(x) + (isUpper(places, i) ? -14 : 24)}
            textAnchor={screened ? 'start' : 'middle'}
            fontSize={15}
            fontWeight={700}
            fill="currentColor"
          >
            {places.length > 1 ? `machine ${i + 1}` : 'machine'}
          </text>
          {screened && (
            <line
              x1={scale.along(y) - 26}
              x2={scale.along(y) - 26}
              y1={scale.across(x) - 24}
              y2={scale.across(x) + 24}
              stroke="currentColor"
              strokeWidth={5}
            >
              <title>screen</title>
            </line>
          )}
        </g>
      ))}
      {targets.map(({ target, feeds }) => (
        <g key={`${target.x} ${target.y}`}>
          <rect {...boxIn(target, scale)} fill="none" stroke="currentColor" strokeWidth={2.2} />
          {cornersOf(target).map(({ x, y }) => (
            <polygon
              key={`${x} ${y}`}
              points={cone(scale.along(y), scale.across(x))}
              fill="var(--color-base-100)"
              stroke="currentColor"
              strokeWidth={1.6}
            />
          ))}
          {targets.length > 1 && (
            <text
              x={scale.along(target.y)}
              y={scale.across(target.x) + 5}
              textAnchor="middle"
              fontSize={14}
              fontWeight={700}
              fill="currentColor"
            >
              {feeds.join(', ')}
            </text>
          )}
        </g>
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
      {waits.map((recover) => (
        <path
          key={`${recover.x} ${recover.y}`}
          d={`M${scale.along(recover.y) - 7} ${scale.across(recover.x) - 7}l14 14m0 -14l-14 14`}
          stroke="currentColor"
          strokeWidth={2.4}
        />
      ))}
    </svg>
  );
}
