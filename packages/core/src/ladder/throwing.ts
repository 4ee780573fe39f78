import { type GameBall, LEVEL_NEEDS } from '../catalog/index.ts';
import type { Launch } from '../flight/index.ts';
import { aimMachine, type MachineProfile, type PlaceQuestion, speedsOf } from '../machine/index.ts';
import { mphToMps } from '../quantity/index.ts';
import { questionOf, type Target, type Venue } from './venue.ts';

/** How far from the wanted elevation it looks for one that the machine can do, °, and in what steps. */
const WIDEST_DEG = 40;
const STEP_DEG = 2;

/** A ball as it can be thrown: a machine with few speeds and heights lands it near the spot, and the target is there. */
export interface AimedBall {
  launch: Launch;
  target: Target;
}

/** Speeds from the slowest to the fastest that are tried when the wanted time is out of reach. */
const SPEEDS_TRIED = 12;
/** How far off the spot a machine of few settings may land it, m. */
const NEAR_ENOUGH_M = 1.6;

/**
 * The ball nearest to a wanted elevation that this machine can throw to a spot, a safe height over the net.
 * @param widestDeg how far from that elevation it looks
 * @returns null when it has no arc to the spot at all
 */
export function throwTo(
  venue: Venue,
  from: { x: number; y: number; z: number },
  target: Target,
  wanted: { elevationDeg: number; topspinRpm: number; sidespinRpm?: number },
  widestDeg = WIDEST_DEG,
): AimedBall | null {
  const { profile } = venue.machine;
  const question = questionOf(venue, from, target);
  const spin = { topspinRpm: wanted.topspinRpm, sidespinRpm: wanted.sidespinRpm ?? 0 };
  const speeds = speedsOf(profile);
  if (speeds) return ofFewSettings(profile, question, spin, speeds, wanted.elevationDeg);
  const safeM = LEVEL_NEEDS[venue.level].netClearanceM * 0.8;
  let fallback: AimedBall | null = null;
  for (const elevationDeg of elevationsNear(profile, wanted.elevationDeg, widestDeg)) {
    const answer = aimMachine(profile, question, spin, { elevationDeg });
    const [solution] = answer.solutions;
    if (!solution) continue;
    const thrown = { launch: launchFrom(from, answer.spin, solution), target };
    if (solution.netClearanceM === null || solution.netClearanceM >= safeM) return thrown;
    fallback ??= thrown;
  }
  return fallback;
}

function ofFewSettings(
  profile: MachineProfile,
  question: PlaceQuestion,
  spin: { topspinRpm: number; sidespinRpm: number },
  speeds: readonly number[],
  elevationDeg: number,
): AimedBall | null {
  const { from, target } = question;
  const found = speeds.flatMap((speedMps): AimedBall[] => {
    const answer = aimMachine(profile, question, spin, { speedMps });
    const nearest = answer.reason?.nearest;
    if (answer.solutions.length === 0 && nearest && target.kind === 'landing' && nearest.missM < NEAR_ENOUGH_M)
      return [{ launch: launchFrom(from, answer.spin, nearest), target: { kind: 'landing', x: nearest.x, y: nearest.y } }];
    return answer.solutions.map((solution) => ({ launch: launchFrom(from, answer.spin, solution), target }));
  });
  const off = ({ launch }: AimedBall): number => Math.abs(launch.elevationDeg - elevationDeg);
  return found.sort((a, b) => off(a) - off(b))[0] ?? null;
}

/** A game ball's own shape from this machine: as deep, as far over the net (or as fast), with its spin as far as the machine gives it. */
export function throwLikeGame(venue: Venue, from: { x: number; y: number; z: number }, game: GameBall): AimedBall | null {
  if (game.kind === 'pitch') return null;
  const target = { kind: 'landing' as const, x: from.x, y: -game.landsPastM };
  const { profile } = venue.machine;
  const hold = game.kind === 'serve' ? { speedMps: mphToMps(game.speedMph) } : { netClearanceM: game.clearsByM };
  const answer = aimMachine(profile, questionOf(venue, from, target), { topspinRpm: game.topspinRpm, sidespinRpm: 0 }, hold);
  const [solution] = answer.solutions;
  return solution ? { launch: launchFrom(from, answer.spin, solution), target } : null;
}

/** The ball that takes this long to a point in a plane (a pitch), or the nearest that the machine can do. */
export function throwInTime(
  venue: Venue,
  from: { x: number; y: number; z: number },
  target: Target,
  flightTimeS: number,
  spin: { topspinRpm: number; sidespinRpm: number },
): { launch: Launch; timeS: number } | null {
  const { profile } = venue.machine;
  const question = questionOf(venue, from, target);
  const holds = profile.speedSteps?.length ? profile.speedSteps.map((speedMps) => ({ speedMps })) : [{ flightTimeS }];
  const found = (hold: { speedMps: number } | { flightTimeS: number }) => {
    const answer = aimMachine(profile, question, spin, hold);
    const solution = answer.solutions.find(({ arc }) => arc !== 'high');
    return solution ? [{ launch: launchFrom(from, answer.spin, solution), timeS: solution.flightTimeS }] : [];
  };
  const answers = holds.flatMap(found);
  // as quick or as slow as it can be, when it cannot be what is asked
  const [lo, hi] = profile.speedMps;
  const speeds = Array.from({ length: SPEEDS_TRIED }, (_, i) => lo + ((hi - lo) * i) / (SPEEDS_TRIED - 1));
  const all = answers.length > 0 ? answers : speeds.flatMap((speedMps) => found({ speedMps }));
  return all.sort((a, b) => Math.abs(a.timeS - flightTimeS) - Math.abs(b.timeS - flightTimeS))[0] ?? null;
}

const launchFrom = (
  from: { x: number; y: number; z: number },
  spin: { topspinRpm: number; sidespinRpm: number; gyroRpm: number },
  { speedMps, elevationDeg, bearingDeg }: { speedMps: number; elevationDeg: number; bearingDeg: number },
): Launch => ({ ...from, ...spin, speedMps, elevationDeg, bearingDeg });

/** Elevations to try, the wanted one first, then ever farther above and below it. */
export function elevationsNear(
  { elevationDeg: [lo, hi], elevationSteps }: MachineProfile,
  wanted: number,
  widestDeg: number,
  leap = 1,
): number[] {
  if (elevationSteps?.length) return [...elevationSteps].sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted));
  const start = Math.min(hi, Math.max(lo, wanted));
  const list = [start];
  for (let off = STEP_DEG * leap; off <= widestDeg; off += STEP_DEG * leap)
    for (const each of [start + off, start - off]) if (each >= lo && each <= hi) list.push(each);
  return list;
}
