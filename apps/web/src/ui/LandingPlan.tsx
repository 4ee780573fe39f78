import { type CourtPlan, isInZone, type Zone } from '@good-arc/core';
import type { PointerEvent } from 'react';
import { CourtDrawing } from './CourtDrawing.tsx';
import { Cross } from './Cross.tsx';
import { describeSpot } from './place.ts';
import { rulerScale } from './scale.ts';
import { boxIn } from './targetBox.ts';
import { useUnits } from './Units.tsx';
import { useCross } from './useCross.ts';
import { useWidth } from './useWidth.ts';

export interface PlanMark {
  id: string;
  x: number;
  y: number;
  label: string;
  leftOut: boolean;
}

interface Props {
  plan: CourtPlan;
  machine: { x: number; y: number };
  marks: readonly PlanMark[];
  /** A ball of the simulation that has just landed, to be marked as one would a real one. */
  landed: { x: number; y: number } | null;
  /** What a ball should come down in. */
  zones?: readonly Zone[];
  /** On a narrow screen only the court about this spot is drawn, for a thumb. */
  closeTo?: { x: number; y: number } | null;
  /** Without it the plan only shows. */
  onMark?: (spot: { x: number; y: number }) => void;
  off?: boolean;
}

const STEP_M = 0.25;

/** So much of the court to each side of a spot, and along it, is drawn close. */
const CLOSE_M = { x: 4, y: 5 };
const about = ({ x1, x2, y1, y2 }: CourtPlan['view'], { x, y }: { x: number; y: number }): CourtPlan['view'] => ({
  x1: Math.max(x1, x - CLOSE_M.x),
  x2: Math.min(x2, x + CLOSE_M.x),
  y1: Math.max(y1, y - CLOSE_M.y),
  y2: Math.min(y2, y + CLOSE_M.y),
});

/** The court to tap on where a ball first touched; with keys, arrows move a cross and Enter marks it. */
export function LandingPlan({ plan: whole, machine, marks, landed, zones = [], closeTo = null, onMark, off = false }: Props) {
  const units = useUnits();
  const [ref, width] = useWidth(360);
  const isNarrow = width < 500;
  const plan = closeTo && isNarrow ? { ...whole, view: about(whole.view, closeTo) } : whole;
  const scale = rulerScale(plan, width, isNarrow ? 250 : 320);
  const along = scale.flipped ? 1 : -1;
  const { cross, clear, keys } = useCross(
    marks.at(-1) ?? zones[0] ?? plan.landing,
    STEP_M,
    ({ x, y }, right, up) => ({ x: x - along * up, y: y + along * right }),
    onMark && !off ? onMark : null,
  );

  function tap(event: PointerEvent<SVGSVGElement>): void {
    if (off || !onMark) return;
    clear();
    const box = event.currentTarget.getBoundingClientRect();
    onMark({ x: scale.acrossBack(event.clientY - box.top), y: scale.alongBack(event.clientX - box.left) });
  }

  return (
    <div ref={ref} className="touch-manipulation">
      <svg
        role={onMark ? 'application' : 'img'}
        aria-label={
          !onMark
            ? `Plan with ${marks.length} balls`
            : `Plan: tap where the ball first touched. With keys: arrows move the cross, Enter marks it.${cross ? ` Cross ${describeSpot(plan, cross, units.length)}.` : ''}`
        }
        {...keys}
        width={width}
        height={scale.planHeight}
        viewBox={`0 0 ${width} ${scale.planHeight}`}
        className={`block ${onMark ? 'cursor-crosshair' : ''} select-none ${off ? 'opacity-60' : ''}`}
        data-testid="landing-plan"
        data-cross={cross ? `${cross.x} ${cross.y}` : undefined}
        onPointerDown={tap}
      >
        <CourtDrawing plan={plan} scale={scale} />
        {zones.map((zone) => (
          <rect
            key={`${zone.x} ${zone.y}`}
            {...boxIn(zone, scale)}
            fill="none"
            stroke="var(--color-arrive)"
            strokeWidth={2.5}
            strokeDasharray="6 4"
          />
        ))}
        <rect x={scale.along(machine.y) - 9} y={scale.across(machine.x) - 9} width={18} height={18} fill="currentColor" />
        {landed && (
          <g data-testid="landed" data-x={landed.x} data-y={landed.y}>
            <circle
              cx={scale.along(landed.y)}
              cy={scale.across(landed.x)}
              r={13}
              fill="none"
              stroke="var(--color-ball)"
              strokeWidth={2.5}
              strokeDasharray="3 3"
            />
            <circle cx={scale.along(landed.y)} cy={scale.across(landed.x)} r={2.5} fill="var(--color-ball)" />
          </g>
        )}
        {marks.map(({ id, x, y, label, leftOut }) => (
          <g key={id}>
            <circle
              cx={scale.along(y)}
              cy={scale.across(x)}
              r={10}
              fill={leftOut ? 'var(--color-base-100)' : 'var(--color-ball)'}
              stroke="var(--color-ball)"
              strokeWidth={2}
            />
            <text
              x={scale.along(y)}
              y={scale.across(x) + 4.5}
              textAnchor="middle"
              fontSize={13}
              fontWeight={700}
              fill={leftOut ? 'currentColor' : '#14212e'}
            >
              {label}
            </text>
            {zones.length > 0 && (
              <title>
                {label}: {zones.some((zone) => isInZone(zone, { x, y })) ? 'in the zone' : 'outside it'}
              </title>
            )}
          </g>
        ))}
        {cross && <Cross px={scale.along(cross.y)} py={scale.across(cross.x)} />}
      </svg>
    </div>
  );
}
