import { type Arrival, conditionsOf, throwGameBall } from '../bench/index.ts';
import type { GameBall, Sport } from '../catalog/index.ts';
import type { RungDocument } from '../drill/index.ts';
import type { Share } from './judged.ts';

/** Spin of a game ball below this, rpm, is not worth a share, nor has it a sign to be right about. */
export const HARDLY_SPINS_RPM = 150;

/** The mean of what the feeds bring, over their game balls. */
export function shareOf(
  rung: RungDocument,
  sport: Sport,
  arrivals: readonly (Arrival | null)[],
  gameBall: (id: string) => GameBall | undefined,
): Share | null {
  const shares = rung.feeds.flatMap((feed, i): Share[] => {
    const [arrival, ball] = [arrivals[i], feed.gameBallId ? gameBall(feed.gameBallId) : undefined];
    if (!arrival || !ball || ball.sport !== sport) return [];
    const game = throwGameBall(conditionsOf(rung), ball, feed.target.x, (feed.meet ?? rung.player.start).y)?.arrival;
    if (!game) return [];
    return [
      {
        timeS: arrival.timeS / game.timeS,
        speedMps: arrival.speedMps / game.speedMps,
        heightM: arrival.heightM / game.heightM,
        topspinRpm: Math.abs(ball.topspinRpm) < HARDLY_SPINS_RPM ? null : feed.launch.topspinRpm / ball.topspinRpm,
      },
    ];
  });
  if (shares.length === 0) return null;
  const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / values.length;
  const spins = shares.flatMap(({ topspinRpm }) => (topspinRpm === null ? [] : [topspinRpm]));
  return {
    timeS: mean(shares.map(({ timeS }) => timeS)),
    speedMps: mean(shares.map(({ speedMps }) => speedMps)),
    heightM: mean(shares.map(({ heightM }) => heightM)),
    topspinRpm: spins.length === 0 ? null : mean(spins),
  };
}
