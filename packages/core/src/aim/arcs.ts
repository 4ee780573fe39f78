import { wrapDeg } from '../quantity/index.ts';
import { type Arc, guessElevations, guessSpeed, type Probe, type Start, scan, settle } from './probe.ts';
import { type AimQuestion, type Hold, type ReasonCode, type Solution, WIDEST_LIMITS } from './types.ts';

export const solutionOf = (arc: Arc, name: Solution['arc']): Solution => ({
  arc: name,
  speedMps: arc.speedMps,
  elevationDeg: arc.elevationDeg,
  bearingDeg: wrapDeg(arc.bearingDeg),
  flightTimeS: arc.timeS,
  netClearanceM: arc.clearanceM,
  descentDeg: arc.descentDeg,
});

/** The first limit this arc breaks, or null. A slack that no machine can set keeps a value held at a limit inside it. */
export function blockedBy(
  { limits, ceilingM, conditions }: Pick<AimQuestion, 'limits' | 'ceilingM' | 'conditions'>,
  arc: Arc,
): ReasonCode | null {
  const slack = 5e-4;
  const slackDeg = 2e-3;
  if (arc.speedMps > limits.speedMps[1] + slack) return 'speed-too-high';
  if (arc.speedMps < limits.speedMps[0] - slack) return 'speed-too-low';
  if (arc.elevationDeg > limits.elevationDeg[1] + slackDeg) return 'elevation-too-high';
  if (arc.elevationDeg < limits.elevationDeg[0] - slackDeg) return 'elevation-too-low';
  if (arc.clearanceM !== null && arc.clearanceM < 0) return 'net';
  return ceilingM != null && arc.apexM + conditions.ball.radiusM > ceilingM ? 'ceiling' : null;
}

/** Every arc with this value held inside the bounds of the search, limits and net aside; low before high. */
export function arcsFor(probe: Probe, hold: Hold): Arc[] {
  const arcs =
    'speedMps' in hold
      ? arcsAtSpeed(probe, hold.speedMps)
      : ['elevationDeg' in hold ? arcAtElevation(probe, hold.elevationDeg) : arcByFamily(probe, hold)].filter((arc) => arc !== null);
  return arcs.filter(({ speedMps, elevationDeg }) => speedMps <= WIDEST_LIMITS.speedMps[1] && Math.abs(elevationDeg) <= STEEPEST_DEG);
}

const STEEPEST_DEG = WIDEST_LIMITS.elevationDeg[1];

/** The arc at one elevation. @param start a neighbouring arc of the family to go on from */
export function arcAtElevation(probe: Probe, elevationDeg: number, start?: Start | null): Arc | null {
  const guess = start ?? guessSpeed(probe, elevationDeg);
  const quick = guess && settle(probe, 'speed', elevationDeg, guess);
  if (quick) return quick;
  const free = probe.question.target.kind === 'plane' ? 'speed' : 'reach';
  for (const found of scan(probe, free, elevationDeg)) {
    const arc = settle(probe, free, elevationDeg, found);
    if (arc) return arc;
  }
  return null;
}

function arcsAtSpeed(probe: Probe, speedMps: number): Arc[] {
  const guesses = guessElevations(probe, speedMps);
  const quick = guesses && [settle(probe, 'low', speedMps, guesses[0]), settle(probe, 'high', speedMps, guesses[1])];
  const sure = quick?.filter((arc) => arc !== null) ?? [];
  const [low, high] = sure;
  if (low && high && high.elevationDeg - low.elevationDeg > 0.01) return sure;
  const free = probe.question.target.kind === 'plane' ? 'low' : 'high';
  const found = [...sure, ...scan(probe, free, speedMps).map((start) => settle(probe, free, speedMps, start))]
    .filter((arc) => arc !== null)
    .sort((a, b) => a.elevationDeg - b.elevationDeg);
  return found.filter((arc, i) => i === 0 || arc.elevationDeg - found[i - 1]!.elevationDeg > 0.01);
}

/** Walks the arc family for a held net clearance or flight time: both rise with the elevation. */
function arcByFamily(probe: Probe, hold: { netClearanceM: number } | { flightTimeS: number }): Arc | null {
  const excess = (arc: Arc): number =>
    'netClearanceM' in hold ? (arc.clearanceM ?? Number.NaN) - hold.netClearanceM : arc.timeS - hold.flightTimeS;
  const [lowest, highest] = WIDEST_LIMITS.elevationDeg;
  let below: { e: number; f: number } | null = null;
  let above: { e: number; f: number } | null = null;
  let start: Start | null = null;
  for (let e = lowest; e <= highest && !above; e += 5) {
    const arc: Arc | null = guessSpeed(probe, e) ? arcAtElevation(probe, e, start) : null;
    if (!arc) continue;
    start = { free: 1 / arc.speedMps ** 2, bearingDeg: arc.bearingDeg };
    const f = excess(arc);
    if (f === 0) return arc;
    if (f < 0) below = { e, f };
    else if (below) above = { e, f };
    else {
      // already above at the flattest of the grid: look between it and the line of sight
      for (let near = e - 0.25; near > e - 5 && !below; near -= 0.25) {
        const flat = guessSpeed(probe, near) ? arcAtElevation(probe, near) : null;
        if (!flat) break;
        if (excess(flat) < 0) below = { e: near, f: excess(flat) };
      }
      if (!below) return null;
      above = { e, f };
    }
  }
  if (!below || !above) return null;
  return refine(probe, excess, below, above);
}

/** Bracketed secant (Illinois) between two elevations. */
function refine(probe: Probe, excess: (arc: Arc) => number, below: { e: number; f: number }, above: { e: number; f: number }): Arc | null {
  let [a, b] = [{ ...below }, { ...above }];
  let side = 0;
  for (let i = 0; i < 60; i++) {
    const e = (a.e * b.f - b.e * a.f) / (b.f - a.f);
    const arc = arcAtElevation(probe, e);
    if (!arc) return null;
    const f = excess(arc);
    if (Math.abs(f) < 2e-5 || b.e - a.e < 1e-9) return arc;
    if (f < 0) {
      a = { e, f };
      if (side === -1) b.f /= 2;
      side = -1;
    } else {
      b = { e, f };
      if (side === 1) a.f /= 2;
      side = 1;
    }
  }
  return null;
}
