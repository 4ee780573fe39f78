import type { ReactElement } from 'react';
import { type BaseTickContentProps, CartesianGrid } from 'recharts';
import { useSeen } from './useSeen.ts';
import { useWidth } from './useWidth.ts';

/**
 * A label on an axis of a chart (its `tick`), under it or beside it. Recharts' own is measured on the page, one by one, for lines it might be broken into: a
 * tenth of a second of a phone for each chart.
 */
export function chartTick({ x, y, payload, index, textAnchor, verticalAnchor, tickFormatter }: BaseTickContentProps): ReactElement {
  return (
    <text
      x={x}
      y={y}
      dy={verticalAnchor === 'middle' ? '0.355em' : '0.71em'}
      textAnchor={textAnchor}
      fill="currentColor"
      fontSize={14}
      stroke="none"
    >
      {tickFormatter ? tickFormatter(payload.value, index) : payload.value}
    </text>
  );
}

// it would measure the labels for lines that are not drawn
const nowhere = (): number[] => [];

/** The lines across a chart. */
export const ChartLines = () => <CartesianGrid stroke="var(--color-base-300)" vertical={false} verticalCoordinatesGenerator={nowhere} />;

/** A label of a day with the room beside it, px. */
const DAY_LABEL_PX = 76;

/**
 * Every how many days one is labelled, as Recharts counts the labels left out in between. Left to itself it measures each label on the page, which takes a
 * phone half a second for a quarter of a year.
 */
export const leftOutBetween = (days: number, widthPx: number): number =>
  Math.max(0, Math.ceil(days / Math.max(1, Math.floor(widthPx / DAY_LABEL_PX))) - 1);

/** A chart with its unit above it, as wide as there is room, drawn when it is scrolled to; to those who do not see it, a picture with a name. */
export function ChartFrame({
  label,
  unit,
  height,
  children,
}: {
  label: string;
  unit: string;
  height: number;
  children: (size: { width: number; height: number }) => ReactElement;
}) {
  const [seenRef, isSeen] = useSeen<HTMLElement>();
  const [ref, width] = useWidth(340);
  return (
    <figure ref={seenRef} className="m-0" role="img" aria-label={label}>
      <p className="text-sm text-quiet" aria-hidden="true">
        {unit}
      </p>
      <div ref={ref} className="overflow-hidden" style={{ height }} aria-hidden="true">
        {isSeen && children({ width, height })}
      </div>
    </figure>
  );
}
