import { LEVEL_NEEDS, type Level, type Stroke } from '../catalog/index.ts';

/** How much time a player has, from none to plenty, in words. */
export const COMFORTS = ['calm', 'working', 'rushed', 'too quick'] as const;
/** How much time a player has. */
export type Comfort = (typeof COMFORTS)[number];

/** Lowest ratio of available to needed time for each word (common practice, no source). */
export const COMFORT_FROM = { calm: 1.4, working: 1.1, rushed: 0.9 } as const;

/** What sums of seconds lose to rounding. */
export const ROUNDING = 1e-9;

/** Up to the half second that intervals are set in. */
export const upToHalfS = (seconds: number): number => Math.ceil(seconds * 2 - ROUNDING) / 2;

/** The word for a ratio of available to needed time. */
export function comfortOf(ratio: number): Comfort {
  if (ratio >= COMFORT_FROM.calm - ROUNDING) return 'calm';
  if (ratio >= COMFORT_FROM.working - ROUNDING) return 'working';
  return ratio >= COMFORT_FROM.rushed - ROUNDING ? 'rushed' : 'too quick';
}

/**
 * Puts a value that has bounds of its own for calm, working and rushed on the scale of `comfortOf`, straight between them and on beyond, so that
 * unlike things can be compared and the worst counts.
 */
export function onComfortScale(value: number, from: { calm: number; working: number; rushed: number }): number {
  const between = (a: 'calm' | 'working', b: 'working' | 'rushed'): number =>
    COMFORT_FROM[b] + ((value - from[b]) / (from[a] - from[b])) * (COMFORT_FROM[a] - COMFORT_FROM[b]);
  return value >= from.working ? between('calm', 'working') : between('working', 'rushed');
}

/** A small hop and landing on both feet before the next ball leaves, s (common practice, no source). */
export const SPLIT_STEP_S = 0.25;

/** A spot on the ground, m. */
export interface Spot {
  x: number;
  y: number;
}

/** A repeating list of balls at one interval. */
export interface TimingQuestion {
  level: Level;
  stroke: Stroke;
  /** Doubt about the next ball in bits; 0 when it is known, 1 or more when it is not. */
  doubtBits: number;
  /** Release to release, s. */
  intervalS: number;
  balls: readonly { flightS: number; contact: Spot }[];
  /** Where the player goes between balls; null goes straight to the next contact. */
  recover: Spot | null;
  shadowSwings: number;
}

/** Getting from one ball to the next. */
export interface BallTiming {
  /** From being ready to see it until the next ball leaves, s; below 0 it leaves before that. */
  spareS: number;
  /** For the next ball: from when the player sees it leave, or is ready, to the hit, less what is left to run, s. */
  availableS: number;
  needS: number;
  ratio: number;
  word: Comfort;
}

/** How much time a player has for each ball of a sequence, and the shortest intervals that would do. */
export interface Timing {
  balls: BallTiming[];
  word: Comfort;
  /** Shortest interval that is `working`, and that is `calm`, s; null when a ball itself is too quick for it. */
  shortestWorkingS: number | null;
  shortestCalmS: number | null;
}

/** Seconds a player of this level needs from release to the hit. Seeing takes a third of its time when the next ball is known. */
export function reactionNeededS(level: Level, stroke: Stroke, doubtBits: number): number {
  const { seeS, prepareS } = LEVEL_NEEDS[level];
  const doubt = 1 / 3 + (2 / 3) * Math.min(1, doubtBits);
  return seeS * doubt + prepareS[stroke];
}

/** Distance of two spots, m. */
export const away = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Time one player needs between two balls, s, whatever the interval. */
export interface Recovery {
  /** From the release of the first until its player is ready to see the next leave. */
  readyS: number;
  nextFlightS: number;
  /** Part of the way to the next ball that preparing does not cover. */
  runS: number;
  needS: number;
  breathS: number;
}

/**
 * The time of a player of this level between two balls.
 * @param homeM way from the first hit to where the next ball is waited for @param runM from there to where it is met
 * @param preparingS preparation of the next stroke: half of it overlaps with running (common practice, no source)
 * @param betweenS what is done between the two besides: shadow swings, a serve of one's own
 */
export function recoveryOf(
  level: Level,
  way: { flightS: number; homeM: number; runM: number; nextFlightS: number; preparingS: number; needS: number; betweenS: number },
): Recovery {
  const { followThroughS, courtSpeedMps, breathS } = LEVEL_NEEDS[level];
  return {
    readyS: way.flightS + followThroughS + way.homeM / courtSpeedMps + SPLIT_STEP_S + way.betweenS,
    nextFlightS: way.nextFlightS,
    runS: Math.max(0, way.runM / courtSpeedMps - way.preparingS / 2),
    needS: way.needS,
    breathS,
  };
}

/** Two balls so many seconds apart: what is spare before the next leaves, what is left to hit it, and how at ease that is. */
export function timeAfter(
  { readyS, nextFlightS, runS, needS, breathS }: Recovery,
  intervalS: number,
): Omit<BallTiming, 'word'> & { spareEase: number } {
  const spareS = intervalS - readyS;
  const availableS = nextFlightS - Math.max(0, -spareS) - runS;
  const ratio = availableS / needS;
  // a lack of readiness alone is never worse than rushed: what it costs is in the ratio
  const spareEase = Math.max(COMFORT_FROM.rushed, onComfortScale(spareS, { calm: breathS, working: 0, rushed: -breathS }));
  return { spareS, availableS, needS, ratio, spareEase };
}

/** The shortest interval at which every one of these recoveries has the word, s; null when a ball is too quick for it at any interval. */
export function shortestFor(word: 'working' | 'calm', recoveries: readonly Recovery[]): number | null {
  let shortest = 0;
  for (const { readyS, nextFlightS, runS, needS, breathS } of recoveries) {
    if ((nextFlightS - runS) / needS < COMFORT_FROM[word] - ROUNDING) return null;
    shortest = Math.max(shortest, readyS + (word === 'calm' ? breathS : 0));
  }
  return shortest;
}

/**
 * The time budget of a repeating list of balls for one player: entry k is about getting from ball k to ball k + 1 (common practice, no source).
 * @throws RangeError for an empty list
 */
export function timeBudget({ level, stroke, doubtBits, intervalS, balls, recover, shadowSwings }: TimingQuestion): Timing {
  if (balls.length === 0) throw new RangeError('balls: at least one ball');
  const { prepareS, followThroughS } = LEVEL_NEEDS[level];
  const preparingS = prepareS[stroke];
  const needS = reactionNeededS(level, stroke, doubtBits);
  const recoveries = balls.map(({ flightS, contact }, i): Recovery => {
    const next = balls[(i + 1) % balls.length]!;
    const home = recover ?? next.contact;
    return recoveryOf(level, {
      flightS,
      homeM: away(contact, home),
      runM: away(home, next.contact),
      nextFlightS: next.flightS,
      preparingS,
      needS,
      betweenS: shadowSwings * (preparingS + followThroughS),
    });
  });
  const timed = recoveries.map((recovery) => {
    const { spareEase, ...ball } = timeAfter(recovery, intervalS);
    return { ball, ease: Math.min(ball.ratio, spareEase) };
  });
  return {
    balls: timed.map(({ ball, ease }) => ({ ...ball, word: comfortOf(ease) })),
    word: comfortOf(Math.min(...timed.map(({ ease }) => ease))),
    shortestWorkingS: shortestFor('working', recoveries),
    shortestCalmS: shortestFor('calm', recoveries),
  };
}
