import { Area, Bar, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import { ChartFrame, ChartLines, chartTick, leftOutBetween } from '../../ui/ChartFrame.tsx';

/** Room for the figures of the axis, px. */
const AXIS_PX = 40;

/** A day with what is drawn of it. */
export interface DayPoint {
  /** As it is read on the axis. */
  name: string;
  value: number;
  band?: readonly [number, number];
  /** Something was different on that day: drawn as a line. */
  isMarked?: boolean;
}

/** Days from left to right: a line with its band, or bars with a cap. */
export function DayChart({
  label,
  unit,
  points,
  kind,
  cap,
  height = 190,
}: {
  /** What the picture shows, for those who do not see it. */
  label: string;
  unit: string;
  points: readonly DayPoint[];
  kind: 'line' | 'bars';
  cap?: number | null;
  height?: number;
}) {
  const data = points.map((point) => ({ ...point }));
  const round = (value: number): string => String(Number(value.toFixed(Math.abs(value) >= 10 ? 0 : 1)));
  return (
    <ChartFrame label={label} unit={unit} height={height}>
      {(size) => (
        <ComposedChart {...size} data={data} margin={{ top: 6, right: 12, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <ChartLines />
          <XAxis dataKey="name" tick={chartTick} stroke="currentColor" interval={leftOutBetween(points.length, size.width - AXIS_PX)} />
          <YAxis width={AXIS_PX} interval={0} tick={chartTick} stroke="currentColor" tickFormatter={round} domain={[0, 'auto']} />
          {kind === 'bars' ? (
            <Bar dataKey="value" fill="var(--color-arrive)" isAnimationActive={false} />
          ) : (
            <>
              <Area
                dataKey="band"
                stroke="none"
                fill="var(--color-arrive)"
                fillOpacity={0.22}
                isAnimationActive={false}
                activeDot={false}
              />
              <Line
                dataKey="value"
                stroke="var(--color-arrive)"
                strokeWidth={2.5}
                dot={{ r: 3, fill: 'var(--color-arrive)' }}
                activeDot={false}
                isAnimationActive={false}
              />
            </>
          )}
          {points.flatMap(({ name, isMarked }) =>
            isMarked ? [<ReferenceLine key={name} x={name} stroke="currentColor" strokeDasharray="2 4" strokeOpacity={0.7} />] : [],
          )}
          {cap != null && (
            <ReferenceLine
              y={cap}
              stroke={kind === 'bars' ? 'var(--color-error)' : 'var(--color-secondary)'}
              strokeWidth={2}
              strokeDasharray="6 4"
            />
          )}
        </ComposedChart>
      )}
    </ChartFrame>
  );
}
