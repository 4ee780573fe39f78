import { BALLS, type Ball, type Conditions, type Launch } from '../../src/index.ts';

const FASTEST: Partial<Record<Ball['sport'], number>> = { tennis: 55, pickleball: 27, softball: 36 };
const FASTEST_PITCH_MPS = 46;

/** A launch, air, wind and ground anywhere in the range that the product covers. */
export function randomFlight(ball: Ball, random: () => number): { conditions: Conditions; launch: Launch } {
  const between = (lo: number, hi: number): number => lo + (hi - lo) * random();
  return {
    conditions: {
      ball,
      airDensityKgM3: between(0.95, 1.3),
      wind: { xMps: between(-8, 8), yMps: between(-8, 8) },
      ground: { restitution: between(0.4, 0.85), friction: between(0.35, 0.8), tangentialRestitution: between(0, 0.2) },
    },
    launch: {
      x: between(-3, 3),
      y: between(6, 17),
      z: between(0.3, 2.6),
      speedMps: between(5, FASTEST[ball.sport] ?? FASTEST_PITCH_MPS),
      elevationDeg: between(-6, 72),
      bearingDeg: between(165, 195),
      topspinRpm: between(-3500, 3500),
      sidespinRpm: between(-2000, 2000),
      gyroRpm: between(-1500, 1500),
    },
  };
}

export const everyBall = (): readonly Ball[] => BALLS;
