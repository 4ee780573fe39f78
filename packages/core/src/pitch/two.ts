import { type AimQuestion, aim, type Target } from '../aim/index.ts';
import { LEVEL_NEEDS, type Level } from '../catalog/index.ts';
import { type Conditions, fly, type Launch } from '../flight/index.ts';
import { ftToM, radToDeg } from '../quantity/index.ts';

/** Frames a second of cameras that people have. */
export const FRAME_RATES = [30, 60, 120, 240] as const;

/** One of two pitches that are set beside each other. */
export interface Pitch {
  conditions: Conditions;
  launch: Launch;
}

/** Where a pitch is at a time, and how it looks to the hitter. */
export interface PitchPlace {
  x: number;
  y: number;
  z: number;
}

export interface PitchArrival {
  timeS: number;
  speedMps: number;
  x: number;
  z: number;
}

/** Two pitches on their way: where they part, and what tells them apart. */
export interface TwoPitches {
  a: PitchArrival;
  b: PitchArrival;
  /** How much later the second ball comes (negative: earlier), ms. */
  gapMs: number;
  frames: Record<(typeof FRAME_RATES)[number], number>;
  /** The last moment to decide, s after release: contact of the faster ball less the time a swing takes. */
  decideS: number;
  atDecision: { a: PitchPlace; b: PitchPlace };
  /** Between the two lines of sight from the hitter's eye at that moment, °. */
  separationDeg: number;
  /** How long the eye sees one ball, s after release, and how far the nearer of the two is from the plate then, m; 0 s when it sees two at once. */
  tunnel: { untilS: number; toPlateM: number };
  /** Between the two at the plate, m. */
  plateSeparationM: number;
}

/** Where a hitter's eyes are: beside the plate, at 93 % of the height less a little for the stance (common practice, no source). */
export const hitterEye = (batterHeightM: number, x: number): PitchPlace => ({ x, y: 0.2, z: 0.88 * batterHeightM });

type Path = readonly (readonly [number, number, number, number])[];

/** Place of a flight at a time, along its sampled path. */
function placeAt(path: Path, t: number): PitchPlace {
  const i = Math.max(
    1,
    path.findIndex(([when]) => when >= t),
  );
  const last = path.length - 1;
  const [t2, x2, y2, z2] = path[Math.min(i, last)]!;
  const [t1, x1, y1, z1] = path[Math.min(i, last) - 1]!;
  const share = t2 > t1 ? Math.min(1, Math.max(0, (t - t1) / (t2 - t1))) : 0;
  return { x: x1 + share * (x2 - x1), y: y1 + share * (y2 - y1), z: z1 + share * (z2 - z1) };
}

/**
 * Two pitches, released at the same moment, as the hitter gets them.
 * @param planeY where they are met, m
 * @returns null when one of them never gets there
 */
export function twoPitches(a: Pitch, b: Pitch, planeY: number, level: Level, eye: PitchPlace): TwoPitches | null {
  const fliesTo = ({ conditions, launch }: Pitch) => fly(conditions, launch, { planesY: [planeY], maxBounces: 1, sampleS: 0.005 });
  const [flightA, flightB] = [fliesTo(a), fliesTo(b)];
  const [plateA, plateB] = [flightA.crossings[0], flightB.crossings[0]];
  if (!plateA || !plateB) return null;
  const gapMs = (plateB.t - plateA.t) * 1000;
  const decideS = Math.max(0, Math.min(plateA.t, plateB.t) - LEVEL_NEEDS[level].prepareS.swing);
  const atDecision = { a: placeAt(flightA.path, decideS), b: placeAt(flightB.path, decideS) };
  const tunnel = oneUntil(flightA.path, flightB.path, Math.min(plateA.t, plateB.t), eye);
  const arrival = ({ t, speedMps, x, z }: typeof plateA): PitchArrival => ({ timeS: t, speedMps, x, z });
  return {
    a: arrival(plateA),
    b: arrival(plateB),
    gapMs,
    frames: Object.fromEntries(FRAME_RATES.map((rate) => [rate, (gapMs / 1000) * rate])) as TwoPitches['frames'],
    decideS,
    atDecision,
    separationDeg: angleBetween(eye, atDecision.a, atDecision.b),
    tunnel: { untilS: tunnel.t, toPlateM: Math.min(tunnel.a.y, tunnel.b.y) - planeY },
    plateSeparationM: Math.hypot(plateA.x - plateB.x, plateA.z - plateB.z),
  };
}

/** To the eye two balls are one while they are nearer than this, ° (common practice, no source). */
const ONE_BALL_DEG = 0.5;
const STEP_S = 0.005;

/** The last moment from release on until which two flights are one to the eye, and where both are. */
function oneUntil(pathA: Path, pathB: Path, endS: number, eye: PitchPlace) {
  const at = (t: number) => ({ t, a: placeAt(pathA, t), b: placeAt(pathB, t) });
  let last = at(0);
  for (let t = 0; t <= endS; t += STEP_S) {
    const now = at(t);
    if (angleBetween(eye, now.a, now.b) > ONE_BALL_DEG) break;
    last = now;
  }
  return last;
}

function angleBetween(eye: PitchPlace, p: PitchPlace, q: PitchPlace): number {
  const from = ({ x, y, z }: PitchPlace): PitchPlace => ({ x: x - eye.x, y: y - eye.y, z: z - eye.z });
  const [a, b] = [from(p), from(q)];
  const dot = a.x * b.x + a.y * b.y + a.z * b.z;
  const cross = Math.hypot(a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x);
  return radToDeg(Math.atan2(cross, dot));
}

/** What gives a wanted gap to a first pitch: another speed from the same place, or another place at the same speed. */
export interface GapOptions {
  /** m/s from the same place; null when no speed within the limits does it. */
  speedMps: number | null;
  /** y of the release at the same speed, m; null when it would be out of the allowed range. */
  releaseY: number | null;
}

/** Nearest a machine may stand to the hitter, m: behind an L-screen (common practice, no source). */
const NEAREST_MACHINE_M = ftToM(25);

/**
 * Speeds and places of the second pitch that bring it `wantedMs` after the first, both aimed at their own targets.
 * @param question the second pitch's place, spin and limits; `speedMps` its speed now, `farthestM` from where it may be thrown
 */
export function forGap(
  question: AimQuestion,
  target: Target,
  speedMps: number,
  firstTimeS: number,
  wantedMs: number,
  farthestM: number,
): GapOptions {
  const wanted = firstTimeS + wantedMs / 1000;
  const timeAt = (y: number, mps: number): number | null => {
    const { solutions } = aim({ ...question, target, from: { ...question.from, y } }, { speedMps: mps });
    return solutions[0]?.flightTimeS ?? null;
  };
  const bySpeed = bisect((v) => timeAt(question.from.y, v), question.limits.speedMps, wanted, -1);
  const byPlace = bisect((y) => timeAt(y, speedMps), [NEAREST_MACHINE_M, farthestM], wanted, 1);
  return { speedMps: bySpeed, releaseY: byPlace };
}

/** Halving; values where there is no flight count as too slow. @param direction of the time with the value */
function bisect(
  f: (value: number) => number | null,
  [from, to]: readonly [number, number],
  wanted: number,
  direction: 1 | -1,
): number | null {
  let [lo, hi] = [from, to];
  const late = (value: number): boolean => {
    const t = f(value);
    return t === null ? direction < 0 : t > wanted;
  };
  // at the end where the ball comes soonest it must be in time, at the other end late
  const [soon, slow] = direction > 0 ? [lo, hi] : [hi, lo];
  if (late(soon) || !late(slow)) return null;
  for (let i = 0; i < 40; i++) {
    const mid = (lo + hi) / 2;
    if (late(mid) === direction > 0) hi = mid;
    else lo = mid;
  }
  const value = (lo + hi) / 2;
  const reached = f(value);
  return reached !== null && Math.abs(reached - wanted) < 1e-4 ? value : null;
}
