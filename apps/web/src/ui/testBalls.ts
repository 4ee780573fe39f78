import { type Stand, speedFrom, type TestBall } from '@good-arc/core';
import type { ChartBall } from './DialChart.tsx';

/** What one ball gave, by the best way it was seen: m/s, or the unit of the dial. @returns null while it was not seen */
export function valueOfBall(ball: TestBall, stand: Stand | null): number | null {
  if (!stand) return ball.direct?.value ?? null;
  if (ball.radarMps !== null) return ball.radarMps;
  if (ball.mark) return speedFrom(stand, 'distanceM', Math.hypot(ball.mark.x - stand.from.x, ball.mark.y - stand.from.y));
  return ball.timeS === null ? null : speedFrom(stand, 'timeS', ball.timeS);
}

/** The balls that were seen, as dots of a chart. */
export const chartBallsOf = (balls: readonly TestBall[], stand: Stand | null): ChartBall[] =>
  balls.flatMap((ball) => {
    const value = valueOfBall(ball, stand);
    return value === null ? [] : [{ id: ball.id, reading: ball.reading, value, leftOut: ball.leftOut }];
  });
