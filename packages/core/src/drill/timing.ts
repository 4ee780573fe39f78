import { LEVEL_NEEDS, type Level, type Stroke } from '../sport/index.ts';

export const COMFORTS = ['calm', 'working', 'rushed', 'too quick'] as const;
export type Comfort = (typeof COMFORTS)[number];

/** Lowest ratio of available to needed time for each word (common practice, no source). */
export const COMFORT_FROM = { calm: 1.4, working: 1.1, rushed: 0.9 } as const;

/** The word for a ratio of available to needed time. */
export function comfortOf(ratio: number): Comfort {
  if (ratio >= COMFORT_FROM.calm) return 'calm';
  if (ratio >= COMFORT_FROM.working) return 'working';
  return ratio >= COMFORT_FROM.rushed ? 'rushed' : 'too quick';
}

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

export interface BallTiming {
  reactionRatio: number;
  availableS: number;
  neededS: number;
  turnaroundRatio: number;
}

export interface Timing {
  balls: BallTiming[];
  comfort: Comfort;
  /** Shortest interval at which every turnaround is at least `working`. */
  shortestIntervalS: number;
}

/** Seconds a player of this level needs from release to the hit. Seeing takes a third of its time when the next ball is known. */
export function reactionNeededS(level: Level, stroke: Stroke, doubtBits: number): number {
  const { seeS, prepareS } = LEVEL_NEEDS[level];
  const doubt = 1 / 3 + (2 / 3) * Math.min(1, doubtBits);
  return seeS * doubt + prepareS[stroke];
}

/** Distance of two spots, m. */
export const away = (a: Spot, b: Spot): number => Math.hypot(a.x - b.x, a.y - b.y);

/**
 * The time budget of each ball: from release to the hit (reaction), and from one hit to the next (turnaround).
 * Half the preparation is taken to overlap with moving (common practice, no source).
 * @throws RangeError for an empty list
 */
export function timeBudget({ level, stroke, doubtBits, intervalS, balls, recover, shadowSwings }: TimingQuestion): Timing {
  if (balls.length === 0) throw new RangeError('balls: at least one ball');
  const { prepareS, followThroughS, courtSpeedMps } = LEVEL_NEEDS[level];
  const prepare = prepareS[stroke];
  const reaction = reactionNeededS(level, stroke, doubtBits);
  let shortestIntervalS = 0;
  const timed = balls.map((ball, i): BallTiming => {
    const next = balls[(i + 1) % balls.length]!;
    const pathM = recover ? away(ball.contact, recover) + away(recover, next.contact) : away(ball.contact, next.contact);
    const neededS = followThroughS + pathM / courtSpeedMps + prepare / 2 + shadowSwings * (prepare + followThroughS);
    const flightChange = next.flightS - ball.flightS;
    shortestIntervalS = Math.max(shortestIntervalS, COMFORT_FROM.working * neededS - flightChange);
    const availableS = intervalS + flightChange;
    return { reactionRatio: ball.flightS / reaction, availableS, neededS, turnaroundRatio: availableS / neededS };
  });
  const worst = Math.min(...timed.flatMap((ball) => [ball.reactionRatio, ball.turnaroundRatio]));
  return { balls: timed, comfort: comfortOf(worst), shortestIntervalS };
}
