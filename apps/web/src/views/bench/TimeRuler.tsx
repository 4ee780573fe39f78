import { printTime, type Thrown } from '@good-arc/core';
import type { RulerScale } from '../../ui/scale.ts';

/** At a half of a second the tick is long. */
const isHalf = (t: number): boolean => Math.abs((t * 2) % 1) < 1e-6;

/** Ticks where the ball is each tenth of a second; release, bounce and hit line up through plan and profile. */
export function TimeRuler({
  thrown,
  scale,
  top,
  profileTop,
  label = '',
  path: whole,
}: {
  thrown: Thrown | null;
  scale: RulerScale;
  top: number;
  profileTop: number;
  /** Which of two set-ups it is. */
  label?: string;
  /** A ball that goes on to roll: its whole way. */
  path?: Thrown['flight']['path'];
}) {
  const y0 = top + 20;
  if (!thrown) {
    return (
      <text x={8} y={y0 + 6} className="fill-current text-[15px]">
        No ball to time: this feed cannot be thrown.
      </text>
    );
  }
  const { flight, arrival, launch } = thrown;
  const path = whole ?? flight.path;
  const end = whole ? whole.at(-1)![0] : (arrival?.timeS ?? flight.bounces.at(-1)?.t ?? 0);
  const xAt = (t: number): number => {
    const i = path.findIndex(([time]) => time >= t);
    const [b, a] = [path[Math.max(0, i)]!, path[Math.max(0, i - 1)]!];
    const share = b[0] === a[0] ? 0 : (t - a[0]) / (b[0] - a[0]);
    return scale.along(a[2] + share * (b[2] - a[2]));
  };
  const every = Array.from({ length: Math.floor(end * 10 + 1e-9) + 1 }, (_, i) => i / 10);
  // a ball that rolls out would draw a black bar: ticks keep their distance there
  const ticks = every.filter((t, i) => i === 0 || !whole || (t * 2) % 1 < 1e-6 || Math.abs(xAt(t) - xAt(every[i - 1]!)) > 5);
  const bounce = flight.bounces[0];
  const marks = [
    { at: 'release', says: 'release', t: 0, x: scale.along(launch.y) },
    ...(bounce && (whole || arrival === null || arrival.leg > 0)
      ? [{ at: 'floor', says: whole ? 'lands' : 'bounce', t: bounce.t, x: scale.along(bounce.y) }]
      : []),
    ...(whole
      ? [{ at: 'end', says: 'rests', t: end, x: xAt(end) }]
      : arrival
        ? [{ at: 'end', says: 'hit', t: arrival.timeS, x: scale.along(arrival.y) }]
        : []),
  ];
  const first = marks[0]!.x;
  const last = xAt(end);
  const crowded = Math.abs(last - first) < 300;
  const [hit, touch] = [marks.at(-1), marks.find(({ at }) => at === 'floor')];
  // where the flight is short on the screen the first mark says itself
  const named = hit && hit.x - first < 112 ? marks.slice(1) : marks;
  // on a phone the two labels would stand in each other: the bounce moves up a line
  const tight = hit !== undefined && touch !== undefined && Math.abs(hit.x - touch.x) < 96;
  return (
    <g aria-hidden="true">
      {label && (
        <text x={Math.max(2, first - 16)} y={y0 + 5} className="fill-current text-[15px] font-bold">
          {label}
        </text>
      )}
      {marks.map(({ at, x }) => (
        <line
          key={at}
          x1={x}
          x2={x}
          y1={profileTop - 4}
          y2={y0}
          stroke="currentColor"
          strokeWidth={0.8}
          strokeDasharray="2 5"
          opacity={0.7}
        />
      ))}
      <line x1={first} x2={last} y1={y0} y2={y0} stroke="currentColor" strokeWidth={1.5} />
      {[false, true].map((isLong) => (
        <path
          key={String(isLong)}
          d={ticks
            .filter((t) => isHalf(t) === isLong)
            .map((t) => `M${xAt(t)} ${y0 - (isLong ? 8 : 5)}v${isLong ? 16 : 10}`)
            .join('')}
          stroke="var(--color-ball)"
          strokeWidth={isLong ? 2.2 : 1.5}
        />
      ))}
      {ticks
        .filter(
          (t) =>
            isHalf(t) &&
            t > 0 &&
            (!crowded || t === 0.5) &&
            (!whole || (t % 1 === 0 && Math.abs(xAt(t) - xAt(t - 1)) > 40)) &&
            Math.abs(xAt(t) - (hit?.x ?? 0)) > 34 &&
            !(tight && Math.abs(xAt(t) - touch.x) < 70),
        )
        .map((t) => (
          <text key={t} x={xAt(t)} y={y0 + 22} textAnchor="middle" className="dial fill-current text-[13px]">
            {t.toFixed(1)}
          </text>
        ))}
      {named.map(({ at, says, t, x }) => (
        <text
          key={at}
          x={Math.min(scale.width - 2, x)}
          y={at === 'floor' && tight ? y0 + 22 : y0 + 38}
          textAnchor={at === 'release' ? 'start' : x > scale.width - 60 ? 'end' : 'middle'}
          className="fill-current text-[13px] font-semibold"
        >
          {says} {t > 0 && printTime(t)}
        </text>
      ))}
    </g>
  );
}
