import { gameLaunch } from '../aim/index.ts';
import type { GameBall, Hand } from '../catalog/index.ts';
import type { Conditions } from '../flight/index.ts';
import { atOnce } from '../parts.ts';
import { type Thrown, throwBall } from './throw.ts';

/** How far behind its bounce a game ball is met when it would bounce twice before the player's plane, m. */
const MET_BEHIND_BOUNCE_M = 1.5;

/** Whose arm a machine stands in for: what stands in the middle throws for a right-hander. */
export const armAt = ({ x }: { x: number }): Hand => (x > 0 ? 'left' : 'right');

/** A game ball in still air to `landingX`, met in the plane y = `playerY`; null when it cannot be flown with this ball. @param hand that throws a straight pitch */
export function throwGameBall(
  conditions: Conditions,
  ball: GameBall,
  landingX: number,
  playerY: number,
  hand: Hand = 'right',
): (Thrown & { ball: GameBall }) | null {
  return atOnce(throwGameBallInParts(conditions, ball, landingX, playerY, hand));
}

/** As `throwGameBall`, for whoever has something else to do in between: it stops when it knows how the ball leaves. */
export function* throwGameBallInParts(
  conditions: Conditions,
  ball: GameBall,
  landingX: number,
  playerY: number,
  hand: Hand,
): Generator<void, (Thrown & { ball: GameBall }) | null> {
  const solved = gameLaunch(ball, conditions, landingX, hand);
  if (!solved) return null;
  yield;
  const still = { ...conditions, wind: { xMps: 0, yMps: 0 } };
  const thrown = throwBall(still, solved.launch, playerY);
  if (thrown.arrival) return { ...thrown, ball };
  return { ...throwBall(still, solved.launch, (thrown.flight.bounces[0]?.y ?? 0) - MET_BEHIND_BOUNCE_M), ball };
}
