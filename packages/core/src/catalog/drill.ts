import type { Order, Ritual, RungDocument, Spot } from '../drill/index.ts';
import type { DrillId } from '../ids.ts';
import type { Need } from '../progress/index.ts';
import type { Contact } from './contact.ts';
import type { TargetPlaceId } from './record.ts';
import type { Sport } from './sports/names.ts';
import type { Level, Stroke } from './types.ts';

/** What a drill is for; the list people choose from. */
export const PURPOSES = [
  'groove',
  'recovery',
  'net play',
  'serve',
  'return',
  'footwork',
  'pressure',
  'timing',
  'choice',
  'touch',
  'fielding',
] as const;
/** What a drill is for, as the library is searched. */
export type Purpose = (typeof PURPOSES)[number];

/** One ball of a built-in drill, said so that it can be aimed on any court, machine and level. x counts toward the hitting side. */
export interface DrillBall {
  name: string;
  cue: string;
  /** Game ball of the level it stands for: `rally-drive`, `fastball`. None for a ball that no game has. */
  game?: string;
  /** How much of the game ball it is, 0 (kind) to 1. Of a pitch: 0 takes half as long again. */
  share: number;
  /** Where it is met across the court, m toward the forehand. How high that is, its contact says; where it lands before follows. */
  x: number;
  /** Wanted elevation, °; between a kind one and the game's without. */
  elevationDeg?: number;
  stroke?: Stroke;
  /** How it is met, when the stroke does not say: low at the net, over the head, a drop. */
  contact?: Contact;
  /** Where in the band of its contact it arrives, 0 its foot and 1 its top; the middle without. */
  high?: number;
  /** Met while it still rises. */
  rising?: boolean;
  /** It must land at most so far past the net, m: a serve in its box. */
  deepest?: number;
  meet?: Spot;
  marker?: Spot;
  thenS?: number;
  counts?: boolean;
  /** Right to let go. */
  letGo?: boolean;
  /** Thrown by a second machine, from there. */
  second?: Spot;
  /** A ball to fielders: to this spot, or on the ground at this speed. */
  field?: { to: readonly string[]; spot: Spot; groundMph?: number };
  /** Where it is hit to, when it is not where the rung’s others go; left and right of a right-hander. */
  hit?: TargetPlaceId;
  /** Height over the plate as a share of the strike zone, 0 its bottom and 1 its top; 0.5 without. */
  zone?: number;
}

/** One rung of a built-in drill: its balls, where it is met, its numbers before it is fitted to a machine. */
export interface DrillRung {
  name: string;
  focalPoint: string;
  from: Spot;
  start: Spot;
  recover?: Spot | null;
  balls: readonly DrillBall[];
  order?: Order;
  intervalS: number;
  perRound: number;
  rounds: number;
  /** So many times the level’s first target. */
  targetTimes?: number;
  /** Where the balls are hit to, left and right of a right-hander; by the rule of the level without, and nowhere for balls to fielders. */
  hit?: TargetPlaceId;
  gate?: Need;
  shadowSwings?: RungDocument['shadowSwings'];
  sweep?: RungDocument['sweep'];
  /** So many hit in turn. */
  hitters?: RungDocument['hitters'];
  ritual?: Ritual;
}

/** A built-in drill: a ladder of three to six rungs with what a coach says about it. Our own words and numbers; common practice, no source. */
export interface Drill {
  id: DrillId;
  sport: Sport;
  /** The level it is written for; it fits itself to any other. */
  level: Level;
  name: string;
  purpose: Purpose;
  /** Why anyone would do it. */
  why: string;
  setUp: string;
  cues: readonly string[];
  faults: readonly string[];
  cautions: readonly string[];
  easier: string;
  harder: string;
  players: readonly [least: number, most: number];
  /** Where balls are hit to unless a rung says otherwise. */
  hit?: TargetPlaceId;
  rungs: readonly DrillRung[];
}
