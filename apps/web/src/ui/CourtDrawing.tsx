import { type CourtPlan, diamondOf, PLATE } from '@good-arc/core';
import type { RulerScale } from './scale.ts';

/** Lines, net and plate of a court in plan. */
export function CourtDrawing({ plan, scale }: { plan: CourtPlan; scale: RulerScale }) {
  const { along, across } = scale;
  const { lines, net } = plan;
  const diamond = diamondOf(plan.sport) !== null;
  const xs = lines.flatMap(({ x1, x2 }) => [x1, x2]);
  const ys = lines.flatMap(({ y1, y2 }) => [y1, y2]);
  const box = { x1: Math.min(...xs), x2: Math.max(...xs), y1: Math.min(...ys), y2: Math.max(...ys) };
  const half = PLATE.halfWidthM;
  const plate = [
    [0, 0],
    [half, half],
    [half, PLATE.frontY_m],
    [-half, PLATE.frontY_m],
    [-half, half],
  ]
    .map(([x, y]) => `${along(y!)},${across(x!)}`)
    .join(' ');
  return (
    <g aria-hidden="true">
      {!diamond && (
        <rect
          x={along(box.y2)}
          y={across(box.x2)}
          width={along(box.y1) - along(box.y2)}
          height={across(box.x1) - across(box.x2)}
          fill="var(--court)"
        />
      )}
      {lines.map(({ id, edge, x1, y1, x2, y2 }) => (
        <line key={id} x1={along(y1)} y1={across(x1)} x2={along(y2)} y2={across(x2)} stroke="currentColor" strokeWidth={edge ? 1.8 : 1.2} />
      ))}
      {net && (
        <line
          x1={along(0)}
          y1={across(net.edgeX_m + 0.4)}
          x2={along(0)}
          y2={across(-net.edgeX_m - 0.4)}
          stroke="currentColor"
          strokeWidth={3.2}
        />
      )}
      {diamond && (
        <>
          <line x1={0} x2={along(0)} y1={across(0)} y2={across(0)} stroke="currentColor" strokeDasharray="2 6" opacity={0.6} />
          <polygon points={plate} fill="var(--color-base-100)" stroke="currentColor" strokeWidth={2} />
        </>
      )}
    </g>
  );
}
