import { aim, WIDEST_LIMITS } from '../aim/index.ts';
import type { Ball } from '../catalog/index.ts';

/** A release on the centre line: speed m/s, y and height m. */
export interface Release {
  speedMps: number | null;
  releaseM: number | null;
  heightM: number;
  topspinRpm: number;
}

/** A ball in an air, and where it is met. */
export interface Contact {
  ball: Ball;
  airDensityKgM3: number;
  /** The plane it is met in, and the height it passes that at, m. */
  contact: { y: number; z: number };
}

/** Seconds from release to the plane of contact along the flat arc, or null when no arc gets there. */
export function timeToContact(
  { ball, airDensityKgM3, contact }: Contact,
  { speedMps, releaseM, heightM, topspinRpm }: Release & { speedMps: number; releaseM: number },
): number | null {
  if (Math.abs(releaseM - contact.y) < 0.05) return null;
  const still = { xMps: 0, yMps: 0 };
  const ground = { restitution: 0.5, friction: 0.5, tangentialRestitution: 0 };
  const { solutions } = aim(
    {
      conditions: { ball, airDensityKgM3, wind: still, ground },
      from: { x: 0, y: releaseM, z: heightM },
      spin: { topspinRpm, sidespinRpm: 0, gyroRpm: 0 },
      target: { kind: 'plane', planeY: contact.y, x: 0, z: contact.z },
      limits: WIDEST_LIMITS,
      net: null,
    },
    { speedMps },
  );
  return solutions.length === 0 ? null : Math.min(...solutions.map(({ flightTimeS }) => flightTimeS));
}
