import { type Arrangement, type FamilyMember, printAngle, REASON_TEXT, type ReasonCode } from '@good-arc/core';
import { useId, useRef, useState } from 'react';
import { comfortColour } from '../../ui/ComfortMark.tsx';
import { OncePerFrame } from '../../ui/oncePerFrame.ts';
import { useUnits } from '../../ui/Units.tsx';
import { SHORT_REASON } from '../../words/reasons.ts';

/** From slow and high to fast and flat with the landing spot kept; what cannot be thrown is hatched with its reason. */
export function ArcSlider({
  arrangement: { solution },
  family,
  onElevation,
  onDone,
}: {
  arrangement: Arrangement;
  /** Null until it is worked out. */
  family: readonly FamilyMember[] | null;
  onElevation: (deg: number) => void;
  onDone: () => void;
}) {
  const units = useUnits();
  const id = useId();
  // the thumb follows the pointer at once, the ball once a frame
  const [thumb, setThumb] = useState<number | null>(null);
  const [frame] = useState(() => new OncePerFrame());
  const latest = useRef(onElevation);
  latest.current = onElevation;
  // as high as it will be
  if (!family) return <div className="min-h-30 sm:min-h-24" />;
  const steepFirst = [...family].reverse();
  const [steepest, flattest] = [steepFirst[0], steepFirst.at(-1)];
  if (!steepest || !flattest || steepest === flattest) return <p className="text-quiet">No arc of any kind reaches this spot.</p>;
  // a machine of one setting: nothing to slide between, and nothing wrong with the ball that is set up
  if (solution && family.every(({ blocked }) => blocked))
    return (
      <p className="py-2">
        Of this machine only this arc lands there: {units.speed(solution.speedMps)} at {printAngle(solution.elevationDeg)}. For another,
        move the machine or the landing spot.
      </p>
    );
  const span = steepest.elevationDeg - flattest.elevationDeg;
  const at = (deg: number): number => (100 * (steepest.elevationDeg - deg)) / span;
  const runs = runsOf(steepFirst);
  const letGo = (): void => {
    frame.flush();
    onDone();
  };
  const elevation = solution?.elevationDeg ?? (steepest.elevationDeg + flattest.elevationDeg) / 2;
  return (
    <div>
      <div className="flex flex-wrap justify-between gap-x-4 text-sm">
        <span>
          <b className="text-base">slow and high</b> {units.speed(steepest.speedMps)} · {printAngle(steepest.elevationDeg)}
        </span>
        <label htmlFor={id} className="hidden text-quiet sm:inline">
          same landing spot all the way along
        </label>
        <span>
          <b className="text-base">fast and flat</b> {units.speed(flattest.speedMps)} · {printAngle(flattest.elevationDeg)}
        </span>
      </div>
      <div className="relative mt-1 h-12">
        <svg width="100%" height="22" className="absolute top-3 left-0" aria-hidden="true">
          <defs>
            <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="7" height="7" fill="var(--color-base-200)" />
              <line x1="0" x2="0" y1="0" y2="7" stroke="var(--color-error)" strokeWidth="2" />
            </pattern>
          </defs>
          {stretchesOf(steepFirst).map(({ from, to, fill }) => (
            <rect key={from} x={`${at(from)}%`} width={`${at(to) - at(from) + 0.1}%`} height="22" fill={fill} />
          ))}
        </svg>
        <input
          id={id}
          type="range"
          className="arc-slider absolute top-0 left-0 h-12 w-full"
          min={-steepest.elevationDeg}
          max={-flattest.elevationDeg}
          step={0.25}
          value={thumb ?? -elevation}
          aria-label="Arc, from slow and high to fast and flat"
          aria-valuetext={solution ? `${printAngle(elevation, 1)} at ${units.speed(solution.speedMps)}` : 'cannot be thrown'}
          onChange={(event) => {
            const value = Number(event.target.value);
            setThumb(value);
            frame.put(() => {
              latest.current(-value);
              setThumb(null);
            });
          }}
          onPointerUp={letGo}
          onBlur={letGo}
        />
      </div>
      <div className="relative h-5 text-[13px] font-medium" aria-hidden="true">
        {runs.map(({ from, to, text, colour, code }) => (
          <span
            key={`${from}${text}`}
            title={code ? REASON_TEXT[code] : undefined}
            className="absolute overflow-hidden text-center text-ellipsis whitespace-nowrap"
            style={{ left: `${at(from)}%`, width: `${at(to) - at(from)}%`, color: colour }}
          >
            {at(to) - at(from) > 7 ? text : ''}
          </span>
        ))}
      </div>
      <ul className="sr-only">
        {runs
          .filter(({ code }) => code)
          .map(({ from, to, code }) => (
            <li key={`${from}${code}`}>
              {printAngle(to)} to {printAngle(from)}: {REASON_TEXT[code!]}
            </li>
          ))}
      </ul>
    </div>
  );
}

/** Of the bar from arc to arc, what looks the same in one: a drag changes all of it in each frame. Degrees. */
function stretchesOf(steepFirst: readonly FamilyMember[]): { from: number; to: number; fill: string }[] {
  const stretches: { from: number; to: number; fill: string }[] = [];
  for (const [i, arc] of steepFirst.slice(1).entries()) {
    const before = steepFirst[i]!;
    const isBlocked = (arc.blocked ?? before.blocked) !== null;
    const fill = isBlocked ? 'url(#hatch)' : arc.comfort ? comfortColour(arc.comfort) : 'var(--color-base-300)';
    const last = stretches.at(-1);
    if (last?.fill === fill) last.to = arc.elevationDeg;
    else stretches.push({ from: before.elevationDeg, to: arc.elevationDeg, fill });
  }
  return stretches;
}

interface Run {
  from: number;
  to: number;
  text: string;
  colour: string;
  code: ReasonCode | null;
}

/** Neighbouring arcs with the same fate, as one label. */
function runsOf(steepFirst: readonly FamilyMember[]): Run[] {
  const runs: Run[] = [];
  for (const arc of steepFirst) {
    const text = arc.blocked ? SHORT_REASON[arc.blocked] : (arc.comfort ?? '');
    const last = runs.at(-1);
    if (last && last.text === text) last.to = arc.elevationDeg;
    else
      runs.push({
        from: last?.to ?? arc.elevationDeg,
        to: arc.elevationDeg,
        text,
        colour: arc.blocked ? 'var(--color-error)' : 'inherit',
        code: arc.blocked,
      });
  }
  return runs;
}
