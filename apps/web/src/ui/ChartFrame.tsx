import type { ReactElement } from 'react';
import { ResponsiveContainer } from 'recharts';

/** Text on the axes of a chart. */
export const CHART_LABEL = { fill: 'currentColor', fontSize: 14 };

/** A chart with its unit above it, as wide as there is room; to those who do not see it, a picture with a name. */
export function ChartFrame({ label, unit, height, children }: { label: string; unit: string; height: number; children: ReactElement }) {
  return (
    <figure className="m-0" role="img" aria-label={label}>
      <p className="text-sm text-quiet" aria-hidden="true">
        {unit}
      </p>
      <div style={{ height }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 340, height }}>
          {children}
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
