/** How the ground answers: the figures of a surface record. */
export interface Ground {
  restitution: number;
  friction: number;
  tangentialRestitution: number;
  /** Restitution of a ball that comes straight down; that of a shallow one at every steepness without it. */
  steepRestitution?: number;
}

/** Pace ratings are measured at 16° (ITF court-pace programme; quoted from memory): up to there a surface has its own restitution. */
const SHALLOW_SIN = Math.sin((16 * Math.PI) / 180);

/**
 * Restitution at a steepness: courts give less back to a ball that comes down steeply (R. Cross 2002, quoted from memory). Straight in the sine of the angle
 * between 16° and straight down (our assumption).
 * @param sine of the angle between path and ground
 */
function restitutionAt({ restitution, steepRestitution = restitution }: Ground, sine: number): number {
  const share = Math.max(0, (sine - SHALLOW_SIN) / (1 - SHALLOW_SIN));
  return restitution + (steepRestitution - restitution) * share;
}

/** Velocity (m/s) and spin vector (rad/s) of the ball's centre. */
export interface Motion {
  vx: number;
  vy: number;
  vz: number;
  wx: number;
  wy: number;
  wz: number;
}

/**
 * Rigid hollow sphere on the ground with Coulomb friction (Brody 1984; R. Cross 2002; quoted from memory).
 * Grip takes all the slip away, sliding is limited to μ(1+e)|vz|; the smaller acts.
 * @param radiusM of the ball; `inertiaShare` its α in I = αmR²
 * @returns the motion just after, and which of the two it was
 */
export function bounce(before: Motion, radiusM: number, inertiaShare: number, ground: Ground): Motion & { contact: 'grip' | 'slide' } {
  const { vx, vy, wx, wy, wz } = before;
  const vzIn = Math.abs(before.vz);
  const restitution = restitutionAt(ground, vzIn === 0 ? 0 : vzIn / Math.sqrt(vx * vx + vy * vy + vzIn * vzIn));
  const slipX = vx - radiusM * wy;
  const slipY = vy + radiusM * wx;
  const slip = Math.hypot(slipX, slipY);
  const grip = ((1 + ground.tangentialRestitution) * inertiaShare * slip) / (1 + inertiaShare);
  const slide = ground.friction * (1 + restitution) * vzIn;
  const change = slip === 0 ? 0 : -Math.min(grip, slide) / slip;
  const dvx = change * slipX;
  const dvy = change * slipY;
  return {
    vx: vx + dvx,
    vy: vy + dvy,
    vz: restitution * vzIn,
    wx: wx + dvy / (inertiaShare * radiusM),
    wy: wy - dvx / (inertiaShare * radiusM),
    wz,
    contact: grip <= slide ? 'grip' : 'slide',
  };
}
