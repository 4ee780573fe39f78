import { conditionsOf, throwBall } from '../bench/index.ts';
import { ballById, diamondOf, gameBallById, type Sport } from '../catalog/index.ts';
import type { Feed, RungDocument } from '../drill/index.ts';
import type { Launch } from '../flight/index.ts';
import { bandOf, hitterTime } from '../pitch/index.ts';

/** Whether a hard ball thrown so is too quick for a hitter of the rung’s level to react to, or never arrives: that is never proposed. */
export function isTooQuick(rung: RungDocument, sport: Sport, { target, gameBallId }: Feed, launch: Launch): boolean {
  if (!diamondOf(sport) || target.kind !== 'plane' || !ballById(rung.ballId).hard) return false;
  const { arrival } = throwBall(conditionsOf(rung), launch, target.planeY, 0);
  return arrival === null || hitterTime(sport, bandOf(sport, rung.level, gameBallById(gameBallId ?? '')), arrival.timeS).tooQuick;
}
