import type { DrillBall } from '../catalog/drill.ts';
import {
  type Contact,
  contactBand,
  contactOf,
  diamondOf,
  type GameBall,
  LEVEL_NEEDS,
  type Level,
  SPORT_RECORDS,
  type Sport,
} from '../catalog/index.ts';
import type { Spot } from '../drill/index.ts';
import { type AimedBall, throwLikeGame, throwToMeet, type Venue } from '../ladder/index.ts';
import type { MachineProfile } from '../machine/index.ts';

/** A kind ball is thrown about so high, and always so much higher than the game’s, ° (common practice, no source). */
const KIND_DEG = 20;
const HIGHER_DEG = 9;

/** So much of the way from one to the other. */
export const between = (a: number, b: number, share: number): number => a + (b - a) * share;

/** From this share of the game on a ball may be met on the rise, where that brings it so many ° nearer to the game’s own. */
const LIKE_A_GAME = 0.7;
const RISE_DEG = 3;

/** Where else in the band it may come, when the wanted height cannot be had. */
const OTHER_HEIGHTS = [0.5, 0.15, 0.85];

/** How a ball of a net sport is met. */
const contactOfBall = ({ stroke, contact }: DrillBall, sport: Sport): Contact =>
  contactOf(stroke ?? SPORT_RECORDS[sport].stroke, contact) ?? 'groundstroke';

/** A thrower that can do anything: what a person does in a game. */
const FREE: MachineProfile = {
  kind: 'free',
  sports: [],
  speedMps: [1, 60],
  elevationDeg: [-30, 85],
  intervalS: [1, 60],
  spin: { kind: 'any', maxRpm: 6000 },
  aimedBy: 'program',
  bearingReachDeg: 90,
  wheelsDeg: [],
  power: 'hand',
  massKg: 1,
  widestBallM: 0.5,
  safety: '',
  hopper: 1,
  releaseHeightM: 1,
  repeatability: { speedPct: 0, elevationDeg: 0, bearingDeg: 0, spinPct: 0 },
};

/**
 * A ball of a net sport, solved to where the body meets it: toward the game ball by its share, in the band of its contact.
 * @param at where it is met @param heightM of the player @param softer share of the share, when there was too little time
 * @returns null when the machine has no such ball from there, or the level should not be asked for it
 */
export function netBall(
  venue: Venue,
  from: { x: number; y: number; z: number },
  ball: DrillBall,
  game: GameBall | undefined,
  at: Spot,
  heightM: number,
  softer: number,
): AimedBall | null {
  const shaped = game && game.kind !== 'pitch' ? game : undefined;
  const solved =
    shaped && throwLikeGame({ ...venue, machine: { ...venue.machine, profile: FREE } }, { ...from, ...shaped.from }, shaped)?.launch;
  const gameDeg = solved?.elevationDeg ?? 12;
  const share = ball.share * softer;
  const elevationDeg = ball.elevationDeg ?? between(Math.max(KIND_DEG, gameDeg + HIGHER_DEG), gameDeg, share);
  const topspinRpm = (shaped?.topspinRpm ?? 0) * share;
  const contact = contactOfBall(ball, venue.sport);
  const band = contactBand(contact, venue.level, heightM);
  if (!band) return null;
  const heightsM = [ball.high ?? 0.5, ...OTHER_HEIGHTS].map((high) => between(band[0], band[1], high));
  const ways = (['volley', 'low-volley', 'overhead'] as Contact[]).includes(contact)
    ? (['volley'] as const)
    : ball.rising
      ? (['rise'] as const)
      : (['fall', 'rise'] as const);
  const clearM = Math.min(LEVEL_NEEDS[venue.level].netClearanceM, shaped?.kind === 'shaped' ? shaped.clearsByM : Number.POSITIVE_INFINITY);
  const riseCostDeg = share > LIKE_A_GAME ? RISE_DEG : undefined;
  const meet = {
    ...at,
    heightsM,
    ways,
    clearM,
    ...(riseCostDeg && { riseCostDeg }),
    ...(ball.deepest !== undefined && { deepestM: ball.deepest }),
  };
  return throwToMeet(venue, from, meet, { elevationDeg, topspinRpm });
}

/** Whether a level should be asked for such a ball at all. */
export const isForLevel = (ball: DrillBall, { sport, level }: { sport: Sport; level: Level }): boolean =>
  diamondOf(sport) !== null || contactBand(contactOfBall(ball, sport), level) !== null;
