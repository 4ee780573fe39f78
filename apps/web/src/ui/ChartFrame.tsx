import type { ReactElement } from 'react';
import { useSeen } from './useSeen.ts';
import { useWidth } from './useWidth.ts';

/** Text on the axes of a chart. */
export const CHART_LABEL = { fill: 'currentColor', fontSize: 14 };

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
