import { nice, ticks } from 'd3-array';

/** A day with what is drawn of it. */
export interface DayPoint {
  /** As it is read on the axis. */
  name: string;
  value: number;
  band?: readonly [number, number];
  /** Something was different on that day: drawn as a line. */
  isMarked?: boolean;
}

/** Figures on the axis, about so many. */
const FIGURES = 4;
/** Days that are named under a narrow picture and under a wide one, at most. */
const NAMED = { narrow: 4, wide: 7 };
/** The picture: each day so wide, all of it so high, in units of its own; and how wide a bar is. */
const DAY = 10;
const HIGH = 1000;
const BAR = 8;

/** A line that stays as thick as it is, however the picture is drawn out. */
const STROKE = { vectorEffect: 'non-scaling-stroke' } as const;

const figure = (value: number): string => String(Number(value.toFixed(Math.abs(value) >= 10 ? 0 : 1)));

/** Which of so many days are named, of as many as there is room for. */
const namedOf = (days: number, most: number) => {
  const every = Math.max(1, Math.ceil(days / most));
  return (i: number): boolean => i % every === 0;
};

/**
 * Days from left to right: a line with its band, or bars with a cap. It stands in the page as the server drew it, as wide as there is room: the picture is
 * drawn out in both directions, the words beside it are not. A chart that is drawn by its library takes a phone a quarter of a second, each.
 */
export function DayChart({
  label,
  unit,
  points,
  kind,
  cap = null,
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
  const highest = Math.max(...points.map(({ value, band }) => Math.max(value, band?.[1] ?? 0)), cap ?? 0) || 1;
  const [, top] = nice(0, highest, FIGURES);
  const wide = DAY * points.length;
  const across = (i: number): number => DAY * (i + 0.5);
  const at = (value: number): number => Math.round(HIGH * (1 - Math.min(1, Math.max(0, value / top))));
  const [isNarrow, isWide] = [namedOf(points.length, NAMED.narrow), namedOf(points.length, NAMED.wide)];
  const through = (of: (point: DayPoint) => number): string[] => points.map((point, i) => `${across(i)},${at(of(point))}`);
  const banded = points.every(({ band }) => band);
  return (
    <figure className="m-0" role="img" aria-label={label}>
      <p className="text-sm text-quiet" aria-hidden="true">
        {unit}
      </p>
      <div
        className="grid grid-cols-[2.5rem_minmax(0,1fr)] grid-rows-[minmax(0,1fr)_1.75rem] pt-3 pr-3 text-sm"
        style={{ height }}
        aria-hidden="true"
      >
        <div className="relative">
          {ticks(0, top, FIGURES).map((value) => (
            <span key={value} className="absolute right-1.5 -translate-y-1/2" style={{ top: `${(100 * at(value)) / HIGH}%` }}>
              {figure(value)}
            </span>
          ))}
        </div>
        <svg viewBox={`0 0 ${wide} ${HIGH}`} preserveAspectRatio="none" className="h-full w-full overflow-visible" aria-hidden="true">
          {ticks(0, top, FIGURES).map((value) => (
            <line key={value} x1={0} x2={wide} y1={at(value)} y2={at(value)} stroke="var(--color-base-300)" {...STROKE} />
          ))}
          {points.map(({ isMarked }, i) =>
            isMarked ? (
              <line
                key={across(i)}
                x1={across(i)}
                x2={across(i)}
                y1={0}
                y2={HIGH}
                stroke="currentColor"
                strokeDasharray="2 4"
                strokeOpacity={0.7}
                {...STROKE}
              />
            ) : null,
          )}
          {kind === 'bars' ? (
            <path
              d={points.map(({ value }, i) => `M${DAY * i + (DAY - BAR) / 2},${HIGH}h${BAR}V${at(value)}h${-BAR}z`).join('')}
              fill="var(--color-arrive)"
            />
          ) : (
            <>
              {banded && (
                <polygon
                  points={[...through(({ band }) => band![1]), ...through(({ band }) => band![0]).reverse()].join(' ')}
                  fill="var(--color-arrive)"
                  fillOpacity={0.22}
                />
              )}
              <polyline
                points={through(({ value }) => value).join(' ')}
                fill="none"
                stroke="var(--color-arrive)"
                strokeWidth={2.5}
                {...STROKE}
              />
              <path
                d={points.map(({ value }, i) => `M${across(i)},${at(value)}h0`).join('')}
                stroke="var(--color-arrive)"
                strokeWidth={7}
                strokeLinecap="round"
                {...STROKE}
              />
            </>
          )}
          {cap !== null && (
            <line
              x1={0}
              x2={wide}
              y1={at(cap)}
              y2={at(cap)}
              stroke={kind === 'bars' ? 'var(--color-error)' : 'var(--color-secondary)'}
              strokeWidth={2}
              strokeDasharray="6 4"
              {...STROKE}
            />
          )}
          <polyline points={`0,0 0,${HIGH} ${wide},${HIGH}`} fill="none" stroke="currentColor" {...STROKE} />
        </svg>
        <div className="@container relative col-start-2">
          {points.map(({ name }, i) =>
            isNarrow(i) || isWide(i) ? (
              <span
                key={across(i)}
                className={`absolute top-1 -translate-x-1/2 whitespace-nowrap ${isNarrow(i) ? (isWide(i) ? '' : '@md:hidden') : 'hidden @md:block'}`}
                style={{ left: `${Math.round((1000 * across(i)) / wide) / 10}%` }}
              >
                {name}
              </span>
            ) : null,
          )}
        </div>
      </div>
    </figure>
  );
}
