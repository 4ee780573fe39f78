import { shortTurnDeg } from '../quantity/index.ts';

/** How a machine moves between two balls: our own figures for a portable machine. */
export const MOTION = { slewDegPerS: 25, spinUpMpsPerS: 9, latchS: 0.4 } as const;

interface Pointed {
  bearingDeg: number;
  elevationDeg: number;
  speedMps: number;
}

/** Seconds to turn, tilt and spin up (or down) from one ball to another; turning and spinning go on together. */
export function reachS(from: Pointed, to: Pointed): number {
  const turnDeg = Math.max(Math.abs(shortTurnDeg(to.bearingDeg - from.bearingDeg)), Math.abs(to.elevationDeg - from.elevationDeg));
  return MOTION.latchS + Math.max(turnDeg / MOTION.slewDegPerS, Math.abs(to.speedMps - from.speedMps) / MOTION.spinUpMpsPerS);
}
