import type { Target } from '../aim/index.ts';
import { type Net, netHeightAt } from '../catalog/index.ts';
import { type Conditions, fly, type Launch } from '../flight/index.ts';

/** Where one ball went. Metres, seconds. */
export interface Endpoint {
  x: number;
  /** Along the court for a landing, the height for a point in a plane. */
  along: number;
  timeS: number;
  /** Bottom of the ball to the top of the net; −1 for a ball that came down before it, null where there is no net on the way. */
  netClearanceM: number | null;
}

/** What a ball that never reached the net counts as. */
const BEFORE_THE_NET_M = -1;

/** Flies a launch to its first landing, or to the plane of the target. @returns null when it never passes the plane */
export function endpointOf(
  conditions: Conditions,
  launch: Launch,
  target: Pick<Target & { planeY?: number }, 'kind' | 'planeY'>,
  net: Net | null,
): Endpoint | null {
  const planesY = net === null ? [] : [0];
  if (target.kind === 'plane') planesY.push(target.planeY!);
  const { bounces, crossings } = fly(conditions, launch, { planesY, maxBounces: 0 });
  const [spot] = bounces;
  if (!spot) return null;
  const end = target.kind === 'plane' ? crossings.find(({ planeY }) => planeY === target.planeY) : null;
  if (target.kind === 'plane' && !end) return null;
  const over = net === null ? undefined : crossings.find(({ planeY }) => planeY === 0);
  return {
    x: end ? end.x : spot.x,
    along: end ? end.z : spot.y,
    timeS: end ? end.t : spot.t,
    netClearanceM: net === null ? null : over ? over.z - conditions.ball.radiusM - netHeightAt(net, over.x) : BEFORE_THE_NET_M,
  };
}
