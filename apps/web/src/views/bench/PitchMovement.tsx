import {
  armAt,
  armOf,
  conditionsOf,
  type GameBall,
  type Launch,
  type Movement,
  movementOf,
  printShare,
  printSpin,
  type Setup,
} from '@good-arc/core';
import { useMemo } from 'react';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayAside, sayClock, sayRise } from '../../words/movement.ts';

interface Props {
  setup: Setup;
  launch: Launch;
  game: { ball: GameBall; launch: Launch } | null;
}

const SIZE = 148;
const MIDDLE = SIZE / 2;
const RADIUS = 54;
/** Half way out, and at the edge at least, m: 12 and 24 in. */
const EDGE_M = 0.61;

/** What the spin of a pitch does to it, in the words of the trade, beside the same of the game ball. */
export function PitchMovement({ setup, launch, game }: Props) {
  const units = useUnits();
  const { target } = setup;
  const planeY = target.kind === 'plane' ? target.planeY : null;
  const [feed, against] = useMemo(() => {
    if (planeY === null) return [null, null];
    const conditions = conditionsOf(setup);
    // the book describes still air
    const still = { ...conditions, wind: { xMps: 0, yMps: 0 } };
    return [movementOf(conditions, launch, planeY), game && movementOf(still, game.launch, planeY)];
  }, [setup, launch, game, planeY]);
  if (!feed) return null;
  const hand = (game?.ball.kind === 'pitch' && armOf(game.ball)) || armAt(setup.from);
  const rows: [name: string, of: (movement: Movement) => string][] = [
    ['Up or down', ({ riseM }) => sayRise(riseM, units.break)],
    ['Sideways', ({ acrossM }) => sayAside(acrossM, hand, units.break)],
    ['Falls in all', ({ dropM }) => units.break(dropM)],
    ['Spin', ({ totalRpm, clockH }) => `${printSpin(totalRpm)}${clockH === null ? '' : `, ${sayClock(clockH)}`}`],
    ['Active', ({ activeShare }) => printShare(activeShare)],
  ];
  return (
    <section className="mt-3 border-t border-base-300 pt-2" aria-label="Movement">
      <h3 className="font-semibold">
        Movement, for a {hand}-hander{' '}
        <SourceMark
          about="movement"
          source="At the front of the plate, against the same launch without spin; in all, under the line along which it was let go, with gravity. The clock is the pitcher’s: 12:00 is pure backspin, 6:00 topspin. Active is the share of the spin that is across the travel; the rest is gyro and moves nothing."
        />
      </h3>
      <div className="flex items-center gap-x-4">
        <Clock feed={feed} game={against} hand={hand} />
        <dl className="min-w-0 grow">
          {rows.map(([name, of]) => (
            <div key={name} className="flex flex-wrap items-baseline justify-between gap-x-2">
              <dt>{name}</dt>
              <dd className="font-semibold">{of(feed)}</dd>
              {against && <dd className="w-full text-right text-sm text-quiet">game {of(against)}</dd>}
            </div>
          ))}
        </dl>
      </div>
    </section>
  );
}

/** Where spin moves the ball to, as the pitcher sees it: the feed coral, the game ball dashed. */
function Clock({ feed, game, hand }: { feed: Movement; game: Movement | null; hand: 'right' | 'left' }) {
  const most = Math.max(EDGE_M, ...[feed, game].flatMap((each) => (each ? [Math.hypot(each.riseM, each.acrossM)] : [])));
  // the pitcher looks the other way: first base is on the left
  const at = ({ acrossM, riseM }: Movement) => ({ x: MIDDLE - (acrossM / most) * RADIUS, y: MIDDLE - (riseM / most) * RADIUS });
  const [own, other] = [at(feed), game && at(game)];
  const side = (isRight: boolean): string => ((hand === 'right') === isRight ? 'arm' : 'glove');
  return (
    <svg width={SIZE} height={SIZE} viewBox={`0 0 ${SIZE} ${SIZE}`} className="shrink-0" aria-hidden="true">
      <circle cx={MIDDLE} cy={MIDDLE} r={RADIUS} fill="none" stroke="currentColor" />
      <circle cx={MIDDLE} cy={MIDDLE} r={RADIUS / 2} fill="none" stroke="currentColor" opacity={0.35} />
      {Array.from({ length: 12 }, (_, hour) => {
        const turn = (hour * Math.PI) / 6;
        const [x, y] = [Math.sin(turn), -Math.cos(turn)];
        const inner = RADIUS - (hour % 3 === 0 ? 7 : 4);
        return (
          <line
            // biome-ignore lint/suspicious/noArrayIndexKey: the hours stand still
            key={hour}
            x1={MIDDLE + x * inner}
            y1={MIDDLE + y * inner}
            x2={MIDDLE + x * RADIUS}
            y2={MIDDLE + y * RADIUS}
            stroke="currentColor"
          />
        );
      })}
      <text x={MIDDLE} y={14} textAnchor="middle" className="fill-current text-[13px]">
        12
      </text>
      <text x={MIDDLE} y={SIZE - 4} textAnchor="middle" className="fill-current text-[13px]">
        6
      </text>
      {[false, true].map((isRight) => (
        <text
          key={String(isRight)}
          transform={`translate(${isRight ? SIZE - 4 : 13} ${MIDDLE}) rotate(-90)`}
          textAnchor="middle"
          className="fill-current text-[13px]"
        >
          {side(isRight)} side
        </text>
      ))}
      {other && (
        <>
          <line x1={MIDDLE} y1={MIDDLE} x2={other.x} y2={other.y} stroke="currentColor" strokeWidth={2} strokeDasharray="5 4" />
          <circle cx={other.x} cy={other.y} r={5} fill="var(--color-base-100)" stroke="currentColor" strokeWidth={2} />
        </>
      )}
      <line x1={MIDDLE} y1={MIDDLE} x2={own.x} y2={own.y} stroke="var(--color-ball)" strokeWidth={3} />
      <circle cx={own.x} cy={own.y} r={6} fill="var(--color-ball)" />
    </svg>
  );
}
