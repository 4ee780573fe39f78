import type { AeroLaw } from '../flight/laws.ts';
import type { BallId, GameBallId, SurfaceId } from '../ids.ts';
import type { Sport } from './sports/names.ts';
import type { Level, Place, Sourced, Stroke } from './types.ts';

/** A ball as the flight needs it: mass, size, drag and bounce, each with its source. SI. */
export interface Ball {
  id: BallId;
  name: string;
  sport: Sport;
  massKg: number;
  radiusM: number;
  /** Moment of inertia over mR². */
  inertiaShare: number;
  aero: AeroLaw;
  /** Multiplies Cd; 1 for a new ball. Worn, dimpled or seamless balls differ in this only. */
  dragFactor: number;
  /** Restitution in the ball’s own drop test, straight down on a hard floor, with drag; absent for a ball without such a test. */
  dropRestitution?: number;
  /** Hard enough that too little time to react is unsafe rather than unpleasant. */
  hard: boolean;
  /** Where it is made for, when the other place needs another ball. */
  playedIn?: 'hall' | 'open';
  /** Slower off the ground and through the air: asked for at the lowest level. */
  forStarters?: boolean;
  confidence: 'good' | 'low';
  sources: readonly Sourced[];
}

/** A playing surface as the ball meets it. */
export interface Surface {
  id: SurfaceId;
  name: string;
  sport: Sport;
  /** Normal restitution e. */
  restitution: number;
  /** Sliding friction μ. */
  friction: number;
  /** Tangential restitution e_x; 0 grips without rebound. */
  tangentialRestitution: number;
  /** Loss of speed of a ball that rolls, m/s². */
  rollMps2: number;
  source: Sourced;
}

/** Net height as the rules give it: lowest at the centre, straight up to `edgeHeightM` at `edgeX_m`. */
export interface Net {
  centreHeightM: number;
  edgeHeightM: number;
  edgeX_m: number;
}

/** A named line of the court: a segment in metres, in the frame of the physics. */
export interface CourtLine {
  id: string;
  name: string;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  /** Bounds the court: drawn stronger. */
  edge: boolean;
}

/** A named line to measure from: `axis` y means a distance along the court. */
export interface Reference {
  id: string;
  name: string;
  axis: 'x' | 'y';
  at: number;
}

/** A court as it is drawn and aimed on: lines, net, references, first places. Metres. */
export interface CourtPlan {
  sport: Sport;
  /** The rectangle that is drawn: play area plus run-off. */
  view: { x1: number; x2: number; y1: number; y2: number };
  /** In play, for a ball that must land in. */
  inPlay: { x1: number; x2: number; y1: number; y2: number };
  net: Net | null;
  lines: readonly CourtLine[];
  references: readonly Reference[];
  /** Where the player stands unless moved, and the y of the plane in which they meet the ball. */
  player: Place;
  /** Where a machine stands and a ball goes when nothing has been chosen yet. */
  machine: Place;
  landing: Place;
  source: Sourced;
  /** Drawn with the near end on the left: a field that is played away from home. */
  nearOnLeft?: boolean;
  /** What lies to the left and to the right of someone who looks from the near end, where that has names of its own. */
  sides?: readonly [left: string, right: string];
}

/** A net-sport ball as a person would say it; its speed is solved for the court's own air. */
export interface ShapedGameBall {
  kind: 'shaped';
  id: GameBallId;
  sport: Sport;
  name: string;
  level: Level;
  from: { y: number; z: number };
  topspinRpm: number;
  /** Lands this far past the net, m. */
  landsPastM: number;
  /** Clears the net by this much, m. */
  clearsByM: number;
  /** Of a book entry: speed the reference model gives at sea level, 20 °C: a check value, never used as input. */
  checkMph?: number;
  /** Answered with another soft one, short. */
  soft?: boolean;
  /** Played by somebody at the net, before it bounces. */
  metAtNet?: boolean;
}

/** A serve: speed is given, elevation is solved so that it lands in the middle of the service box's depth. */
export interface ServeGameBall {
  kind: 'serve';
  id: GameBallId;
  sport: Sport;
  name: string;
  level: Level;
  from: { y: number; z: number };
  speedMph: number;
  topspinRpm: number;
  landsPastM: number;
}

/** Which arm throws. */
export type Hand = 'right' | 'left';

/** From which side of the plate somebody bats: one who bats from both stands across from the pitcher's arm. */
export type Bats = Hand | 'both';

/** Where a pitcher's arm lets go. */
export interface ArmSlot {
  id: string;
  name: string;
  /** Off the line from plate to rubber, to the side of the arm, m. */
  asideM: number;
  /** Its height as a share of the usual one of who pitches. */
  share: number;
}

/** A pitch of an age band: release, speed and spin. */
export interface PitchGameBall {
  kind: 'pitch';
  id: GameBallId;
  sport: Sport;
  name: string;
  band: string;
  /** The level whose preparation times apply by default. */
  level: Level;
  releaseFt: number;
  /** Height at which it is let go, m; that of the sport without. */
  releaseZ_m?: number | undefined;
  /** The arm that throws it, where that is said; else told by where it bends (`armOf`). */
  hand?: Hand | undefined;
  speedMph: number;
  topspinRpm: number;
  sidespinRpm: number;
  gyroRpm: number;
  /** Little is published about it. */
  confidence?: 'low';
}

/** A ball as a game brings it: of the net sports by shape, of the diamond by speed and release. */
export type GameBall = ShapedGameBall | ServeGameBall | PitchGameBall;

/** Places that a player hits to, by id. */
export const TARGET_PLACE_IDS = ['deep-left', 'deep-middle', 'deep-right', 'short-left', 'short-middle', 'short-right'] as const;
/** A place to hit to, left and right as the player sees them. */
export type TargetPlaceId = (typeof TARGET_PLACE_IDS)[number];

/** A ladder's places for the machine, from near the net to far. */
export interface LadderPlace {
  name: string;
  y: number;
  /** Where the player stands for it; the game's place without. */
  playerY?: number;
}

/** What is played over a net. */
export interface NetPlay {
  kind: 'net';
  /** Depth of the short targets beyond the net, m: service box, non-volley zone. */
  shortM: number;
  /** What lies beyond that depth, and before it, as targets. */
  areaNames: { deep: string; short: string };
  /** Depth of the zone in which a volley is a fault, m; null where there is none. */
  nonVolleyM: number | null;
  /** Off the middle of the body to where a racket or paddle meets the ball, m. */
  reachM: number;
  /** From near the net on the player's own side to where the game ball comes from. */
  places: readonly LadderPlace[];
  /** Where the player waits for balls that are not met behind the bounce: at the net, or under a lob. */
  atNetY_m: number;
}

/** A strike zone by the rule book of grown players, or of the young. */
export type ZoneRule = 'rule book' | 'youth';

/** An age band of a diamond sport and its own game. */
export interface AgeBand {
  id: string;
  /** As game balls name it. */
  name: string;
  level: Level;
  fastballMph: number;
  /** Where the pitcher lets go of it, from the rear tip of the plate, on the fields it plays on, the usual first. */
  fields: readonly { rubberFt: number; releaseFt: number }[];
  /** How its own pitchers let go: height, m, and the active backspin of a fastball; as the sport's grown ones without. */
  release?: { z: number; fastballRpm: number };
  /** Usual height of its players, m. */
  heightM: number;
  /** By which rule its strike zone is. */
  zone: ZoneRule;
  /** From high school on a little more speed is a challenge still. */
  grown: boolean;
  /** The band that stands for its level in built-in drills. */
  ofDrills: boolean;
  /** In ids of its game balls. */
  slug: string;
}

/** A position of the defence and where it stands, m. */
export interface FieldPosition extends Place {
  name: string;
  short: string;
}

/** A ball for fielders, to start from: elevation (°), speed (mph), where the fielder stands (the position’s short name). */
export interface FieldingBall {
  name: string;
  elevationDeg: number;
  mph: number;
  to: string;
}

/** What is played from a plate. */
export interface DiamondPlay {
  kind: 'diamond';
  /** The whole field, for balls thrown or hit to fielders. */
  field: CourtPlan;
  positions: readonly FieldPosition[];
  fieldingBalls: readonly FieldingBall[];
  /** Pitcher's plate to the rear tip of the plate, on the grown field. */
  rubberY_m: number;
  /** Youngest first. */
  bands: readonly AgeBand[];
  /** The ages that each level stands for. */
  ages: Readonly<Record<Level, string>>;
  /** How a grown pitcher lets go: height, m, and the fastball's backspin across its travel. */
  release: { z: number; fastballRpm: number };
  /** Where arms let go, the usual one first. */
  slots: readonly ArmSlot[];
  /** Distances of a pitching machine, m from the plate tip, far ones first. */
  machineY_m: readonly number[];
  /** A machine pitching from farther than this, m, is wilder than the time it gives is worth. */
  farthestY_m: number;
  /** Where hitters hit to: the infield's edge and the depth of an outfielder, m from the plate. */
  targetsM: { short: number; deep: number };
}

/** Everything the app knows of a sport. Adding one is adding its folder. */
export interface SportRecord {
  id: Sport;
  name: string;
  /** In lists. */
  place: number;
  /** The usual one first. */
  balls: readonly Ball[];
  surfaces: readonly Surface[];
  court: CourtPlan;
  gameBalls: readonly GameBall[];
  /** The slug of the game ball of a first look, in its ids, and of the ladder builder. */
  first: { gameBall: string; built: string };
  /** More wind than this, m/s, spoils it. */
  windyMps: number;
  targetNames: Readonly<Record<TargetPlaceId, string>>;
  /** A target this near to a named place stands at it, m. */
  targetSnapM: number;
  /** Where a ball of the machine that lands should come down, m. */
  landingZone: { widthM: number; depthM: number };
  /** Stroke of a ball that is met after its bounce, or at the plate. */
  stroke: Stroke;
  /** Elevation a first test ball is thrown at, °. */
  tuneUpDeg: number;
  /** Lines that a checklist before the first ball has besides those of the machine. */
  checks: readonly string[];
  play: NetPlay | DiamondPlay;
}
