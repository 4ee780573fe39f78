import { type Conditions, fly, type Launch } from '../flight/index.ts';
import { degToRad, radToDeg } from '../quantity/index.ts';

/** How a pitch moves on its way to the plate, and the spin that moves it. */
export interface Movement {
  /** Higher at the plate than the same launch without spin, m; negative is lower. */
  riseM: number;
  /** Farther toward first base at the plate than the same launch without spin, m. */
  acrossM: number;
  /** Under the straight line along which it was let go, at the plate, m: gravity, air and spin together. */
  dropM: number;
  releaseMps: number;
  plateMps: number;
  /** All of its spin. */
  totalRpm: number;
  /** Share of it that is across the travel, and moves the ball; the rest is gyro. 0 without any spin. */
  activeShare: number;
  /**
   * Which way the spin pushes it, as an hour on a clock that the pitcher looks at: 12 up (backspin), 3 to the pitcher's right, 6 down (topspin).
   * More than 0, at most 12; null without active spin.
   */
  clockH: number | null;
}

/** Less active spin than this tells no hour, rpm. */
const TELLS_RPM = 50;

/** Both are flown so far above the ground, m: one without spin would bounce where the pitch does not. */
const LIFTED_M = 10;

/**
 * What the spin of a pitch does, against the same launch without any in the same air.
 * @param planeY where it is met, m @returns null when it never gets there
 */
export function movementOf(conditions: Conditions, launch: Launch, planeY: number): Movement | null {
  const toPlate = (thrown: Launch) =>
    fly(conditions, { ...thrown, z: thrown.z + LIFTED_M }, { planesY: [planeY], maxBounces: 0, sampleS: 0 }).crossings[0];
  const [spun, plain] = [toPlate(launch), toPlate({ ...launch, topspinRpm: 0, sidespinRpm: 0, gyroRpm: 0 })];
  if (!spun || !plain) return null;
  const { topspinRpm, sidespinRpm, gyroRpm } = launch;
  const activeRpm = Math.hypot(topspinRpm, sidespinRpm);
  const totalRpm = Math.hypot(activeRpm, gyroRpm);
  const along = Math.hypot(spun.x - launch.x, planeY - launch.y);
  return {
    riseM: spun.z - plain.z,
    acrossM: spun.x - plain.x,
    dropM: launch.z + LIFTED_M + along * Math.tan(degToRad(launch.elevationDeg)) - spun.z,
    releaseMps: launch.speedMps,
    plateMps: spun.speedMps,
    totalRpm,
    activeShare: totalRpm > 0 ? activeRpm / totalRpm : 0,
    clockH: activeRpm < TELLS_RPM ? null : hour(sidespinRpm, -topspinRpm),
  };
}

/** @param right,up what pushes to the pitcher's right, and up */
function hour(right: number, up: number): number {
  const h = radToDeg(Math.atan2(right, up)) / 30;
  return h > 0 ? h : h + 12;
}
