import { type Conditions, fly } from '../flight/index.ts';
import { degToRad, radToDeg, shortTurnDeg } from '../quantity/index.ts';
import type { TestBall } from './ball.ts';
import { RADAR_SIGMA_MPS, STOPWATCH_SIGMA_S } from './sigmas.ts';

/** How the machine stood for the test balls. */
export interface Stand {
  conditions: Conditions;
  from: { x: number; y: number; z: number };
  elevationDeg: number;
  bearingDeg: number;
  /** Spin at a speed, as the machine makes it. */
  spin: (speedMps: number) => { topspinRpm: number; sidespinRpm: number; gyroRpm: number };
}

/** What can be seen of one ball: how far it lands (m along the ground), how long it flies (s), how fast it leaves (m/s). */
export interface Sight {
  distanceM: number;
  timeS: number;
  radarMps: number;
}
export type Seen = keyof Sight;

const FIRST_TOUCH = { maxBounces: 0 };

/** What a ball of this speed shows. @param dragShare multiplies the ball's drag */
export function sightOf(stand: Stand, speedMps: number, elevationDeg: number, dragShare = 1): Sight {
  const { conditions, from, bearingDeg } = stand;
  const { topspinRpm, sidespinRpm, gyroRpm } = stand.spin(speedMps);
  // written out: objects put together by spreading cost three times the flight
  const launch = { x: from.x, y: from.y, z: from.z, speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm };
  const air =
    dragShare === 1 ? conditions : { ...conditions, ball: { ...conditions.ball, dragFactor: conditions.ball.dragFactor * dragShare } };
  const [touch] = fly(air, launch, FIRST_TOUCH).bounces;
  return { distanceM: Math.hypot(touch!.x - from.x, touch!.y - from.y), timeS: touch!.t, radarMps: speedMps };
}

/** What was seen of a ball, with the 1 σ of each way of seeing. */
export function seenOf(ball: TestBall, from: { x: number; y: number }): { kind: Seen; value: number; sigma: number }[] {
  return [
    ...(ball.mark
      ? [{ kind: 'distanceM' as const, value: Math.hypot(ball.mark.x - from.x, ball.mark.y - from.y), sigma: ball.mark.sigmaM }]
      : []),
    ...(ball.timeS === null ? [] : [{ kind: 'timeS' as const, value: ball.timeS, sigma: STOPWATCH_SIGMA_S }]),
    ...(ball.radarMps === null ? [] : [{ kind: 'radarMps' as const, value: ball.radarMps, sigma: RADAR_SIGMA_MPS }]),
  ];
}

/**
 * Speed of one ball from one thing seen, by bisection (all three grow with the speed).
 * @returns m/s; the nearest end of 2 to 60 m/s when what was seen lies beyond
 */
export function speedFrom(stand: Stand, kind: Seen, value: number, elevationDeg = stand.elevationDeg): number {
  if (kind === 'radarMps') return value;
  let [a, b] = [2, 60];
  // 20 halvings of 58 m/s: 0.06 mm/s
  for (let i = 0; i < 20; i++) {
    const middle = (a + b) / 2;
    if (sightOf(stand, middle, elevationDeg)[kind] < value) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

/** Direction of a marked ball against where the machine pointed, °: positive is to the right of the throw. */
export function asideDeg(ball: TestBall, stand: Pick<Stand, 'from' | 'bearingDeg'>): number | null {
  if (!ball.mark?.sideways) return null;
  const bearing = radToDeg(Math.atan2(ball.mark.x - stand.from.x, ball.mark.y - stand.from.y));
  const aside = bearing - stand.bearingDeg;
  return shortTurnDeg(aside);
}

/** The spot at a distance from the machine, along its bearing: a mark that was typed as a distance. */
export const spotAt = ({ from, bearingDeg }: Pick<Stand, 'from' | 'bearingDeg'>, distanceM: number): { x: number; y: number } => ({
  x: from.x + distanceM * Math.sin(degToRad(bearingDeg)),
  y: from.y + distanceM * Math.cos(degToRad(bearingDeg)),
});
