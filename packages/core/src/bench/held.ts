import type { Hold } from '../aim/index.ts';
import { netBetween, netHeightAt, type Sport } from '../catalog/index.ts';
import type { Feed } from '../drill/index.ts';
import { type Conditions, fly, type Launch } from '../flight/index.ts';

/** Which way the ball goes when it is thrown a little higher tells its arc, °. */
const NUDGE_DEG = 0.5;

/** How far it lands, level, or how high it passes the plane; null when it does not get there. */
function reach(conditions: Conditions, launch: Launch, target: Feed['target']): number | null {
  const plane = target.kind === 'plane' ? target.planeY : null;
  const { bounces, crossings } = fly(conditions, launch, { planesY: plane === null ? [] : [plane], maxBounces: 0 });
  if (plane !== null) return crossings[0]?.z ?? null;
  const [landing] = bounces;
  return landing ? Math.hypot(landing.x - launch.x, landing.y - launch.y) : null;
}

/**
 * What is held of a ball that was aimed before, and which of two arcs it is. The kind of hold is kept with the ball; its value and the arc are read off
 * the launch, so that a ball that was aimed anew since is found as it is. Without a kind, the elevation of a ball that lands (it has one arc only) and the
 * speed of a pitch.
 */
export function heldOf(
  { launch, target, hold, arc }: Pick<Feed, 'launch' | 'target' | 'hold' | 'arc'>,
  conditions: Conditions,
  sport: Sport,
): { hold: Hold; arc: 'low' | 'high' } {
  const kind: Hold = hold ?? (target.kind === 'plane' ? { speedMps: launch.speedMps } : { elevationDeg: launch.elevationDeg });
  if ('elevationDeg' in kind) return { hold: { elevationDeg: launch.elevationDeg }, arc: arc ?? 'low' };
  if ('speedMps' in kind) {
    const [here, higher] = [0, NUDGE_DEG].map((more) => reach(conditions, { ...launch, elevationDeg: launch.elevationDeg + more }, target));
    const isHigh = here != null && higher != null ? higher < here : (arc ?? 'low') === 'high';
    return { hold: { speedMps: launch.speedMps }, arc: isHigh ? 'high' : 'low' };
  }
  const plane = target.kind === 'plane' ? target.planeY : null;
  const { bounces, crossings } = fly(conditions, launch, { planesY: [0, ...(plane === null ? [] : [plane])], maxBounces: 0 });
  const at = (y: number) => crossings.find(({ planeY }) => planeY === y);
  if ('flightTimeS' in kind) {
    const timeS = plane === null ? bounces[0]?.t : at(plane)?.t;
    return { hold: { flightTimeS: timeS ?? kind.flightTimeS }, arc: arc ?? 'low' };
  }
  const net = netBetween(sport, launch.y, target.kind === 'landing' ? target.y : target.planeY);
  const over = at(0);
  const clearanceM = net && over ? over.z - conditions.ball.radiusM - netHeightAt(net, over.x) : kind.netClearanceM;
  return { hold: { netClearanceM: Math.max(0, clearanceM) }, arc: arc ?? 'low' };
}
