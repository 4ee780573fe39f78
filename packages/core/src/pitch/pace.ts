import { type Contact, type Release, timeToContact } from './contact-time.ts';

/** The simple rule: equal time at a constant speed. Exactly one of the four is null. m/s, m. */
export interface RatioQuestion {
  machine: { speedMps: number | null; distanceM: number | null };
  game: { speedMps: number | null; distanceM: number | null };
}

/** Machine and game that leave the hitter as much time, by the ratio of distance and speed. */
export interface RatioAnswer {
  machine: { speedMps: number; distanceM: number };
  game: { speedMps: number; distanceM: number };
  /** Of both. */
  timeS: number;
}

/**
 * v_game / D_game = v_machine / D_machine (common practice, no source).
 * @throws RangeError unless exactly one of the four is null and the rest are above 0
 */
export function paceRatio({ machine, game }: RatioQuestion): RatioAnswer {
  const values = [machine.speedMps, machine.distanceM, game.speedMps, game.distanceM];
  if (values.filter((each) => each === null).length !== 1) throw new RangeError('exactly one of the four must be unknown');
  if (values.some((each) => each !== null && !(each > 0))) throw new RangeError('speeds and distances must be above 0');
  const timeOf = ({ speedMps, distanceM }: RatioQuestion['machine']): number | null =>
    speedMps === null || distanceM === null ? null : distanceM / speedMps;
  const timeS = (timeOf(machine) ?? timeOf(game))!;
  const filled = ({ speedMps, distanceM }: RatioQuestion['machine']) => ({
    speedMps: speedMps ?? distanceM! / timeS,
    distanceM: distanceM ?? speedMps! * timeS,
  });
  return { machine: filled(machine), game: filled(game), timeS };
}

/** A pitch, and the distance it is to be thrown from instead. */
export interface FlightPaceQuestion extends Contact {
  machine: Release;
  game: Release;
}

type Filled = Release & { speedMps: number; releaseM: number };
/** Machine and game that leave the hitter as much time, by their flights. */
export interface FlightPaceAnswer {
  machine: Filled;
  game: Filled;
  timeS: number;
  /** What the simple ratio of the distances to the rear tip of the plate says for the unknown. */
  ratioAnswer: number;
}

/** Bounds of a speed that is searched. */
const PITCHED_MPS = [1, 75] as const;
/** Bounds of a release that is searched, m from the plane of contact. */
const NEAREST_M = 1;
const FARTHEST_M = 60;

/**
 * The drag-true match: both balls take the same time from release to the plane of contact and pass it at the same height.
 * @returns null when no speed (or distance) makes the times equal
 * @throws RangeError unless exactly one speed or release distance is null
 */
export function paceFlight(question: FlightPaceQuestion): FlightPaceAnswer | null {
  const { machine, game } = question;
  if ([machine.speedMps, machine.releaseM, game.speedMps, game.releaseM].filter((each) => each === null).length !== 1)
    throw new RangeError('exactly one of the speeds and release distances must be unknown');
  const machineIsOpen = machine.speedMps === null || machine.releaseM === null;
  const [open, known] = machineIsOpen ? [machine, game as Filled] : [game, machine as Filled];
  const timeS = timeToContact(question, known);
  if (timeS === null) return null;
  const unknown = open.speedMps === null ? 'speedMps' : 'releaseM';
  const at = (value: number): number | null => timeToContact(question, { ...open, [unknown]: value } as Filled);
  const simple = paceRatio({
    machine: { speedMps: machine.speedMps, distanceM: machine.releaseM },
    game: { speedMps: game.speedMps, distanceM: game.releaseM },
  });
  const side = machineIsOpen ? simple.machine : simple.game;
  const ratioAnswer = unknown === 'speedMps' ? side.speedMps : side.distanceM;
  // time falls with the speed and rises with the distance: both along a curve that is nearly a power
  const [lo, hi] = unknown === 'speedMps' ? PITCHED_MPS : [question.contact.y + NEAREST_M, question.contact.y + FARTHEST_M];
  const value = solve(at, timeS, ratioAnswer, lo, hi);
  if (value === null) return null;
  const filled = { ...open, [unknown]: value } as Filled;
  return { machine: machineIsOpen ? filled : (machine as Filled), game: machineIsOpen ? known : filled, timeS, ratioAnswer };
}

/** Secant from a good guess, within bounds; where no arc gets there, halfway back toward where one did. */
function solve(at: (value: number) => number | null, wanted: number, guess: number, lo: number, hi: number): number | null {
  let a = Math.min(hi, Math.max(lo, guess));
  let fa = at(a);
  for (let i = 0; fa === null && i < 12; i++) {
    a = Math.min(hi, a * 1.25);
    fa = at(a);
  }
  if (fa === null) return null;
  let b = Math.min(hi, Math.max(lo, a * 1.03));
  if (b === a) b = a * 0.97;
  let fb = at(b);
  for (let i = 0; i < 40; i++) {
    if (fb === null) {
      b = (a + b) / 2;
      fb = at(b);
      continue;
    }
    if (Math.abs(fb - wanted) < 1e-7) return b;
    const slope = (fb - fa) / (b - a);
    if (slope === 0 || !Number.isFinite(slope)) return null;
    const next = Math.min(hi, Math.max(lo, b + (wanted - fb) / slope));
    if (next === b) return null;
    [a, fa] = [b, fb];
    b = next;
    fb = at(b);
  }
  return null;
}

/** Speeds by distance and method, as a table for the wall. */
export interface WallChart {
  distancesM: number[];
  speedsMps: number[];
  /** Game speed by row (distance) and column (machine speed), m/s; null where a ball cannot get there. */
  ratio: number[][];
  flight: (number | null)[][];
}

/**
 * Distances down, machine speeds across, and the game speed that gives the hitter the same time, by both methods.
 * @param gameReleaseM where the game's ball is let go (y), `gameHeightM` and the machine's height, m
 */
export function wallChart(
  base: Pick<FlightPaceQuestion, 'ball' | 'airDensityKgM3' | 'contact'>,
  game: { releaseM: number; heightM: number; topspinRpm: number },
  machine: { heightM: number; topspinRpm: number },
  distancesM: number[],
  speedsMps: number[],
): WallChart {
  const cells = <T>(f: (releaseM: number, speedMps: number) => T): T[][] => distancesM.map((d) => speedsMps.map((v) => f(d, v)));
  return {
    distancesM,
    speedsMps,
    ratio: cells((releaseM, speedMps) => (speedMps * game.releaseM) / releaseM),
    flight: cells((releaseM, speedMps) => {
      const answer = paceFlight({ ...base, machine: { ...machine, speedMps, releaseM }, game: { ...game, speedMps: null } });
      return answer ? answer.game.speedMps : null;
    }),
  };
}
