import { radToDeg, rpmToRadPerS } from '../quantity/index.ts';

/**
 * Wheels to throw and back, for a ball gripped without slip (our assumption: real wheels slip a little, which the dial curves absorb).
 * A wheel at clock angle θ (0° on top, clockwise seen from behind the machine) runs at the speed of the ball's skin there:
 * `w = v + R·(topspin·cos θ − sidespin·sin θ)`, spins in rad/s.
 */
export interface Throw {
  speedMps: number;
  topspinRpm: number;
  sidespinRpm: number;
}

const around = (angleDeg: number): [number, number] => [Math.cos((angleDeg * Math.PI) / 180), -Math.sin((angleDeg * Math.PI) / 180)];
const perRpm = rpmToRadPerS(1);

/** Surface speed of each wheel for a throw. @param anglesDeg clock angle of each wheel @returns m/s */
export function wheelsFor({ speedMps, topspinRpm, sidespinRpm }: Throw, anglesDeg: readonly number[], radiusM: number): number[] {
  return anglesDeg.map((angle) => {
    const [top, side] = around(angle);
    return speedMps + radiusM * perRpm * (top * topspinRpm + side * sidespinRpm);
  });
}

/**
 * What wheels of these speeds throw. Two wheels make spin along their line only; three at 120° any across the travel; one ties it to the speed.
 * The least-squares answer of evenly placed wheels, which is exact for two opposite and for three.
 */
export function throwOf(wheelsMps: readonly number[], anglesDeg: readonly number[], radiusM: number): Throw {
  const count = wheelsMps.length;
  const speedMps = wheelsMps.reduce((sum, w) => sum + w, 0) / count;
  // Σ cos² of two opposite wheels is all along their line; of three evenly placed it is half of them
  const per = (count === 2 ? 2 : count / 2) * radiusM * perRpm;
  let [topspinRpm, sidespinRpm] = [0, 0];
  for (let i = 0; i < count; i++) {
    const [top, side] = around(anglesDeg[i]!);
    topspinRpm += ((wheelsMps[i]! - speedMps) * top) / per;
    sidespinRpm += ((wheelsMps[i]! - speedMps) * side) / per;
  }
  return { speedMps, topspinRpm, sidespinRpm };
}

/** Which way the spin pushes: 0° straight down (topspin), clockwise seen from behind; null for a ball without spin. */
export const spinAxisDeg = ({ topspinRpm, sidespinRpm }: Throw): number | null =>
  topspinRpm === 0 && sidespinRpm === 0 ? null : (radToDeg(Math.atan2(-sidespinRpm, topspinRpm)) + 360) % 360;
