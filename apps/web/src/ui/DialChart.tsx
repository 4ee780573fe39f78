import { type CurveShape, curveAt, curveVariance, type DialMoves, printReading, type Scale, shareOf, studentT975 } from '@good-arc/core';
import { Area, ComposedChart, Line, Scatter, XAxis, YAxis } from 'recharts';
import { ChartFrame, ChartLines, chartTick } from './ChartFrame.tsx';
import { chartUnit } from './dialUnits.ts';
import { useUnits } from './Units.tsx';

/** One test ball on the chart: where the dial stood, what it gave. */
export interface ChartBall {
  id: string;
  reading: number;
  value: number;
  leftOut: boolean;
}

interface Props {
  moves: DialMoves;
  scale: Scale;
  curve: CurveShape & { covariance: readonly (readonly number[])[]; df: number };
  balls?: readonly ChartBall[];
  height?: number;
  /** What the picture shows, for those who do not see it. */
  label: string;
}

const POINTS = 40;

/** A dial's curve with its 95 % band and the balls it rests on. */
export function DialChart({ moves, scale, curve, balls = [], height = 220, label }: Props) {
  const { system } = useUnits();
  const { of, name, digits } = chartUnit(moves, system);
  const t = studentT975(curve.df);
  // nothing flies backwards or is fed before its time
  const least = moves === 'speed' || moves === 'wheel' || moves === 'interval' ? 0 : Number.NEGATIVE_INFINITY;
  const line = Array.from({ length: POINTS + 1 }, (_, i) => {
    const reading = scale.lo + (i / POINTS) * (scale.hi - scale.lo);
    const u = shareOf(scale, reading);
    const value = curveAt(curve, u);
    const half = t * Math.sqrt(curveVariance(curve, curve.covariance, u));
    return { reading, value: of(value), band: [of(Math.max(least, value - half)), of(Math.max(least, value + half))] };
  });
  const dots = (leftOut: boolean) =>
    balls.filter((ball) => ball.leftOut === leftOut).map(({ reading, value }) => ({ reading, ball: of(value) }));
  const round = (value: number): string => String(Number(value.toFixed(digits === 0 || Math.abs(value) >= 10 ? 0 : 1)));
  return (
    <ChartFrame label={label} unit={name} height={height}>
      {(size) => (
        <ComposedChart {...size} data={line} margin={{ top: 6, right: 12, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <ChartLines />
          <XAxis
            dataKey="reading"
            type="number"
            domain={[scale.lo, scale.hi]}
            tickCount={6}
            interval={0}
            tick={chartTick}
            stroke="currentColor"
            tickFormatter={(reading: number) => printReading({ ...scale, kind: scale.kind === 'colours' ? 'colours' : 'numbers' }, reading)}
          />
          <YAxis width={44} interval={0} tick={chartTick} stroke="currentColor" tickFormatter={round} domain={['auto', 'auto']} />
          <Area dataKey="band" stroke="none" fill="var(--color-arrive)" fillOpacity={0.22} isAnimationActive={false} activeDot={false} />
          <Line dataKey="value" stroke="var(--color-arrive)" strokeWidth={2.5} dot={false} activeDot={false} isAnimationActive={false} />
          <Scatter data={dots(false)} dataKey="ball" fill="var(--color-ball)" isAnimationActive={false} />
          <Scatter
            data={dots(true)}
            dataKey="ball"
            fill="var(--color-base-100)"
            stroke="var(--color-ball)"
            strokeWidth={2}
            isAnimationActive={false}
          />
        </ComposedChart>
      )}
    </ChartFrame>
  );
}
