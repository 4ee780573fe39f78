import { PLATE } from '@good-arc/core';
import type { PointerEvent } from 'react';
import { Cross } from '../../ui/Cross.tsx';
import type { PlanMark } from '../../ui/LandingPlan.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { useCross } from '../../ui/useCross.ts';
import { useWidth } from '../../ui/useWidth.ts';

interface Props {
  /** Middle and size of the window, m; x to the right of someone at the plate looking at the machine. */
  zone: { x: number; z: number; widthM: number; depthM: number };
  /** Of who hits, m. */
  strike: { bottomM: number; topM: number };
  marks: readonly PlanMark[];
  landed: { x: number; z: number } | null;
  onMark: (spot: { x: number; y: number }) => void;
}

const HALF_WIDTH_M = 1.1;
const TOP_M = 2.1;
/** The cross goes so far with one key. */
const STEP_M = 0.05;

/** The window at the plate, facing the machine: tap where the ball passed. Marks carry the height as their y. */
export function WindowPlan({ zone, strike, marks, landed, onMark }: Props) {
  const [ref, full] = useWidth(360);
  const units = useUnits();
  const width = Math.min(full, 420);
  const per = width / (2 * HALF_WIDTH_M);
  const [px, py] = [(x: number) => (x + HALF_WIDTH_M) * per, (z: number) => (TOP_M - z) * per];
  const { cross, clear, keys } = useCross(
    { x: zone.x, y: zone.z },
    STEP_M,
    ({ x, y }, right, up) => ({ x: x + right, y: Math.max(0, y + up) }),
    onMark,
  );
  function tap(event: PointerEvent<SVGSVGElement>): void {
    clear();
    const box = event.currentTarget.getBoundingClientRect();
    onMark({ x: (event.clientX - box.left) / per - HALF_WIDTH_M, y: TOP_M - (event.clientY - box.top) / per });
  }
  return (
    <div ref={ref} className="touch-manipulation">
      <svg
        role="application"
        aria-label={`Window at the plate: tap where the ball passed. With keys: arrows move the cross, Enter marks it.${cross ? ` Cross ${units.length(cross.y)} up, ${units.length(Math.abs(cross.x))} ${cross.x < 0 ? 'left' : 'right'} of the middle.` : ''}`}
        width={width}
        height={TOP_M * per}
        className="block cursor-crosshair border-b-2 border-current bg-court select-none"
        data-testid="window-plan"
        {...keys}
        data-cross={cross ? `${cross.x} ${cross.y}` : undefined}
        onPointerDown={tap}
      >
        <rect
          x={px(-PLATE.halfWidthM)}
          y={py(strike.topM)}
          width={2 * PLATE.halfWidthM * per}
          height={(strike.topM - strike.bottomM) * per}
          fill="none"
          stroke="currentColor"
          strokeWidth={2}
        />
        <rect
          x={px(zone.x - zone.widthM / 2)}
          y={py(zone.z + zone.depthM / 2)}
          width={zone.widthM * per}
          height={zone.depthM * per}
          fill="none"
          stroke="var(--color-arrive)"
          strokeWidth={2.5}
          strokeDasharray="6 4"
        />
        {landed && (
          <g data-testid="landed">
            <circle
              cx={px(landed.x)}
              cy={py(landed.z)}
              r={15}
              fill="none"
              stroke="var(--color-ball)"
              strokeWidth={2.5}
              strokeDasharray="3 3"
            />
            <circle cx={px(landed.x)} cy={py(landed.z)} r={2.5} fill="var(--color-ball)" />
          </g>
        )}
        {marks.map(({ id, x, y, label }) => (
          <g key={id}>
            <circle cx={px(x)} cy={py(y)} r={11} fill="var(--color-ball)" />
            <text x={px(x)} y={py(y) + 5} textAnchor="middle" fontSize={14} fontWeight={700} fill="#14212e">
              {label}
            </text>
          </g>
        ))}
        {cross && <Cross px={px(cross.x)} py={py(cross.y)} />}
      </svg>
    </div>
  );
}
