import type { Ball } from './record.ts';
import { SPORT_RECORDS } from './sports/index.ts';

/** Every built-in ball, SI. */
export const BALLS: readonly Ball[] = Object.values(SPORT_RECORDS).flatMap(({ balls }) => balls);

/** @throws RangeError for an id that is not built in (callers validate ids at the edge). */
export function ballById(id: string): Ball {
  const ball = BALLS.find((each) => each.id === id);
  if (!ball) throw new RangeError(`no ball “${id}”`);
  return ball;
}
