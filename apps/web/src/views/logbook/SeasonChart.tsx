import type { SeasonWeek, WeekFact } from '@good-arc/core';
import { Bar, Cell, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import { ChartFrame, ChartLines, chartTick, leftOutBetween } from '../../ui/ChartFrame.tsx';

/** Room for the figures of each axis, px. */
const AXIS_PX = 36;

/** A week as it is drawn. */
export interface DrawnWeek {
  name: string;
  week: SeasonWeek;
  fact: WeekFact | null;
  isNow: boolean;
}

/** Weeks from left to right: balls planned and hit, and over them the rung to be on and the one that was reached. */
export function SeasonChart({ weeks, rungs }: { weeks: readonly DrawnWeek[]; rungs: number }) {
  const data = weeks.map(({ name, week, fact }) => ({
    name,
    planned: week.days.length * week.ballsADay,
    hit: fact?.balls,
    rung: week.rung + 1,
    reached: fact?.rung == null ? undefined : fact.rung + 1,
  }));
  const now = weeks.find(({ isNow }) => isNow);
  return (
    <ChartFrame label="Balls of each week, planned and hit, and the rung to be on" unit="balls a week · rung, by the line" height={220}>
      {(size) => (
        <ComposedChart {...size} data={data} margin={{ top: 8, right: 4, bottom: 4, left: 0 }} barGap={-12} accessibilityLayer={false}>
          <ChartLines />
          <XAxis dataKey="name" tick={chartTick} stroke="currentColor" interval={leftOutBetween(weeks.length, size.width - 2 * AXIS_PX)} />
          <YAxis yAxisId="balls" width={AXIS_PX} interval={0} tick={chartTick} stroke="currentColor" allowDecimals={false} />
          <YAxis
            yAxisId="rung"
            orientation="right"
            width={AXIS_PX}
            interval={0}
            domain={[0, rungs]}
            allowDecimals={false}
            tick={chartTick}
            stroke="currentColor"
          />
          <Bar yAxisId="balls" dataKey="planned" barSize={16} isAnimationActive={false}>
            {weeks.map(({ name, week }) => (
              <Cell
                key={name}
                fill="var(--color-base-300)"
                stroke="currentColor"
                strokeOpacity={0.6}
                {...(week.kind === 'ease' && { strokeDasharray: '3 3' })}
              />
            ))}
          </Bar>
          <Bar yAxisId="balls" dataKey="hit" barSize={8} fill="var(--color-arrive)" isAnimationActive={false} />
          <Line
            yAxisId="rung"
            dataKey="rung"
            type="step"
            stroke="currentColor"
            strokeWidth={2.5}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          <Line
            yAxisId="rung"
            dataKey="reached"
            stroke="none"
            dot={{ r: 6, fill: 'var(--color-ball)', stroke: 'currentColor', strokeWidth: 1.5 }}
            activeDot={false}
            isAnimationActive={false}
          />
          {now && <ReferenceLine yAxisId="balls" x={now.name} stroke="currentColor" strokeDasharray="2 4" />}
        </ComposedChart>
      )}
    </ChartFrame>
  );
}
