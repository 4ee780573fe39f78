import { degToRad, mostSwings, mToFt, printShare, wilsonRate } from '@good-arc/core';
import type { PlayerRow } from '../../api/rows.ts';
import { ageOf } from '../../ui/around.ts';
import { DAY_MS } from '../../ui/day.ts';
import { useUnits } from '../../ui/Units.tsx';
import { sayDay } from '../../ui/when.ts';
import { RATE_NAMES, SIDE_NAMES, STROKE_NAMES, sayMarks, saySides, TREND_WORDS } from '../../words/logbook.ts';
import { DayChart, type DayPoint } from './DayChart.tsx';
import { Goals } from './Goals.tsx';
import type { ShownProgress, ShownStroke } from './shown.ts';

/** The newest days that were different are named. */
const MARKS_SAID = 4;

/** A whole day of the record, as it is read. */
export const dayName = (day: number): string => sayDay(new Date(day * DAY_MS + DAY_MS / 2).toISOString());

/** Is it getting better: a stroke’s scatter over the days, one side against the other, the load. */
export function PlayerProgress({
  player,
  progress,
  onPlayer,
}: {
  player: PlayerRow;
  progress: ShownProgress;
  /** Without it goals are only shown. */
  onPlayer?: ((player: PlayerRow) => void) | undefined;
}) {
  const { strokes, rates, sides, load, bestRun } = progress;
  // of the sports that are played, the one that takes most of an arm
  const caps = [...strokes, ...rates].flatMap(({ sport }) => mostSwings(ageOf(player), player.level, sport) ?? []);
  const cap = caps.length > 0 ? Math.min(...caps) : null;
  const week = load.filter(({ day }) => day > (load.at(-1)?.day ?? 0) - 7).reduce((sum, { swings }) => sum + swings, 0);
  if (load.length === 0) return null;
  return (
    <section className="mt-4" aria-label={`${player.name}, looked back at`}>
      <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
        {strokes.map((stroke) => (
          <div key={`${stroke.sport} ${stroke.stroke}`} className="min-w-0">
            <StrokeChart stroke={stroke} aims={player.aims} />
            <Goals player={player} stroke={stroke} onPlayer={onPlayer} />
          </div>
        ))}
        {rates.map(({ sport, kind, days }) => (
          <Chart
            key={`${sport} ${kind}`}
            title={`${RATE_NAMES[kind]}, ${sport}`}
            unit="of a hundred, with what it could be"
            points={days.map(({ day, hits, balls }) => {
              const { rate, interval } = wilsonRate(hits, balls);
              return { name: dayName(day), value: 100 * rate, band: [100 * interval[0], 100 * interval[1]] };
            })}
          >
            Last: {days.at(-1)!.hits} of {days.at(-1)!.balls}, {printShare(days.at(-1)!.hits / days.at(-1)!.balls)}.
          </Chart>
        ))}
        <Chart
          title="Load"
          unit="swings a day"
          kind="bars"
          cap={cap}
          points={load.map(({ day, swings }) => ({ name: dayName(day), value: swings }))}
        >
          {week} in the last seven days of play{cap !== null && `; ${cap} a day is where to think`}.
          {bestRun && ` Best run: ${bestRun.length} in a row, ${dayName(bestRun.day)}.`}
        </Chart>
      </div>
      {sides.length > 0 && (
        <div className="mt-4">
          <h2 className="text-xl">One side against the other</h2>
          <ul>
            {sides.map((side) => (
              <li key={`${side.sport} ${side.of}`} className="border-b border-base-300 py-2">
                <b>
                  {SIDE_NAMES[side.of]}, {side.sport}:
                </b>{' '}
                {saySides(side)}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

/** A stroke’s scatter over the days, and what it comes to in words. */
export function StrokeChart({
  stroke: { sport, stroke, distanceM, days, trend },
  aims,
  height,
}: {
  stroke: ShownStroke;
  /** Of the player; the nearest of this stroke is drawn. */
  aims: PlayerRow['aims'];
  height?: number;
}) {
  const units = useUnits();
  const { scatter } = days.at(-1)!;
  const aside = (deg: number): number => distanceM * Math.tan(degToRad(deg));
  const marked = days.flatMap(({ day, marks }) => {
    const said = sayMarks(marks, units.speed);
    return said === '' ? [] : [{ day, said }];
  });
  const [next] = aims.filter((aim) => aim.sport === sport && aim.stroke === stroke).sort((a, b) => a.by.localeCompare(b.by));
  const inUnit = (m: number): number => (units.system === 'imperial' ? mToFt(m) : m);
  return (
    <Chart
      title={`${STROKE_NAMES[stroke]}, ${sport}`}
      height={height}
      {...(next && { cap: inUnit((next.sideM * distanceM) / next.distanceM) })}
      unit={`${units.system === 'imperial' ? 'feet' : 'metres'} to the side at ${units.length(distanceM)}: two of three balls are nearer to the target`}
      points={days.map(({ day, scatter: { sideDeg, interval90 } }) => ({
        name: dayName(day),
        isMarked: marked.some((each) => each.day === day),
        value: inUnit(aside(sideDeg)),
        band: [inUnit(aside(interval90[0])), inUnit(aside(interval90[1]))],
      }))}
    >
      Two of three within {units.length(aside(scatter.sideDeg))} to the side and {units.length(distanceM * scatter.depthShare)} in length
      (the first could be {units.length(aside(scatter.interval90[0]))} to {units.length(aside(scatter.interval90[1]))}).{' '}
      <b>{TREND_WORDS[trend]}</b>
      {marked.length > 0 && (
        <span className="mt-1 block text-quiet">
          Dotted days:{' '}
          {marked
            .slice(-MARKS_SAID)
            .map(({ day, said }) => `${dayName(day)} ${said}`)
            .join(' · ')}
        </span>
      )}
    </Chart>
  );
}

function Chart({
  title,
  unit,
  points,
  kind = 'line',
  cap = null,
  height,
  children,
}: {
  title: string;
  unit: string;
  points: readonly DayPoint[];
  kind?: 'line' | 'bars';
  cap?: number | null;
  height?: number | undefined;
  children: React.ReactNode;
}) {
  return (
    <div className="min-w-0">
      <h2 className="text-xl first-letter:uppercase">{title}</h2>
      <DayChart
        label={`${title}, day by day`}
        unit={unit}
        points={points}
        kind={kind}
        cap={cap}
        {...(height !== undefined && { height })}
      />
      <p className="mt-1">{children}</p>
    </div>
  );
}
