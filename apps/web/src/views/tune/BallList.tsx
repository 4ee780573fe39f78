import { type Dial, printReading, type Stand, type TestBall } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { DIMENSION_OF } from '../../ui/dialUnits.ts';
import { valueOfBall } from '../../ui/testBalls.ts';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  dial: Dial;
  balls: readonly TestBall[];
  stand: Stand | null;
  onLeaveOut: (id: string) => void;
  onRemove: (id: string) => void;
}

/** Every test ball, newest first, with what was seen of it. */
export function BallList({ dial, balls, stand, onLeaveOut, onRemove }: Props) {
  const units = useUnits();
  const seenOf = ({ mark, timeS, radarMps, direct }: TestBall): string =>
    [
      mark && stand ? `${units.length(Math.hypot(mark.x - stand.from.x, mark.y - stand.from.y))} out` : '',
      timeS === null ? '' : units.print(timeS, 'time', 2),
      radarMps === null ? '' : `radar ${units.speed(radarMps, 1)}`,
      direct ? `measured, ± ${units.print(direct.sigma, DIMENSION_OF[dial.moves])}` : '',
    ]
      .filter(Boolean)
      .join(' · ') || 'not seen yet';
  const numbers = new Map<number, number>();
  const numbered = balls.map((ball) => {
    const number = (numbers.get(ball.reading) ?? 0) + 1;
    numbers.set(ball.reading, number);
    return { ball, number };
  });
  return (
    <ul aria-label="Test balls">
      {numbered.reverse().map(({ ball, number }) => {
        const value = valueOfBall(ball, stand);
        return (
          <li key={ball.id} className={`flex min-h-12 items-center gap-3 border-b border-base-300 ${ball.leftOut ? 'text-quiet' : ''}`}>
            <span className="dial w-16 shrink-0 font-semibold">
              {printReading(dial.scale, ball.reading)} <span className="text-quiet">#{number}</span>
            </span>
            <span className="min-w-0 grow">
              {value === null ? '' : <b className={ball.leftOut ? 'line-through' : ''}>{units.print(value, DIMENSION_OF[dial.moves])} </b>}
              <span className="text-quiet">{seenOf(ball)}</span>
              {ball.leftOut && <span className="font-medium"> · kept out</span>}
            </span>
            <Button look="ghost" className="px-2 text-base" onClick={() => onLeaveOut(ball.id)}>
              {ball.leftOut ? 'Count it' : 'Keep out'}
              <span className="sr-only">
                : ball {number} at {printReading(dial.scale, ball.reading)}
              </span>
            </Button>
            <Button
              look="ghost"
              className="px-2 text-base"
              aria-label={`Remove ball ${number} at ${printReading(dial.scale, ball.reading)}`}
              onClick={() => onRemove(ball.id)}
            >
              ×
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
