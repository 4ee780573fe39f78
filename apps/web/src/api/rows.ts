import type {
  Around,
  BallId,
  Bats,
  CourtId,
  Dial,
  DrillId,
  FeedId,
  Hazard,
  Judgement,
  LadderDocument,
  LadderId,
  Level,
  MachineId,
  MachineProfile,
  MachineToday,
  Outcome,
  OutingId,
  OwnGameBall,
  PersonId,
  PlanDocument,
  PlayerId,
  PlayerTarget,
  RoundId,
  RungDocument,
  RungId,
  ScatterNow,
  SeasonDocument,
  SpoiledBalls,
  Sport,
  Stroke,
  StrokeGoal,
  SurfaceId,
  Trend,
  TuneUp,
  UnitSystem,
  Verdict,
  Weather,
} from '@good-arc/core';
import type { Role } from './roles.ts';

/** Rows as the views see them: plain JSON, moments as ISO text. */

export interface Viewer {
  clubName: string;
  altitudeM: number;
  personName: string;
  units: UnitSystem;
  canPlan: boolean;
  /** Signed in by a link, and can sign out; the demo needs neither. */
  hasSession: boolean;
  /** Ids of ladders and of built-in drills. */
  favourites: string[];
}
/** Somebody who may sign in to the club. */
export interface MemberRow {
  id: PersonId;
  name: string;
  role: Role;
}
/** The club as Kit shows it. */
export interface ClubFacts {
  name: string;
  altitudeM: number;
  /** Who looks at it. */
  me: PersonId;
  /** Who may sign in, for the owner; null for others, and in the demo, which signs everybody in by itself. */
  people: MemberRow[] | null;
  mayChange: boolean;
}
/** Of a row that people edit: a page saves from the version it knows. */
export interface Versioned {
  version: number;
}
export interface PlayerRow extends Versioned {
  id: string;
  name: string;
  level: Level;
  hand: 'left' | 'right';
  /** From which side of a plate; null with the same hand. */
  bats: Bats | null;
  heightM: number;
  bornYear: number | null;
  goals: string;
  aims: readonly StrokeGoal[];
  season: SeasonDocument | null;
  avoid: string;
  notes: string;
}
/** A ladder a season may be on, and where the player stands on it, 0 its lowest rung; null where they never ran it. */
export interface SeasonLadder {
  id: LadderId;
  name: string;
  sport: Sport;
  rungs: number;
  at: number | null;
  /** Of its rungs, where they were read. */
  names: readonly string[] | null;
}
/** What a player’s page needs beside the rounds to show a season or to plan one. */
export interface SeasonFacts {
  ladders: readonly SeasonLadder[];
  /** Rungs that were run since the season began, or today. */
  runs: readonly { ladderId: LadderId; day: number; rung: number }[];
}
/** A turn of a plan that nobody has hit yet. */
export interface NextTurn {
  planName: string;
  rungId: RungId;
  number: number;
  rungName: string;
  balls: number;
  players: { id: PlayerId; name: string }[];
  /** Each at the target that half of their own balls would hit. */
  half: boolean;
}

/** The target of a rung that half of a player’s balls would hit, how many hit the one that is there, and of how many balls that is known. */
export interface HalfTarget extends Pick<RungDocument, 'targetSize' | 'targetAt'> {
  share: number;
  balls: number;
}
/** A round as a list shows it. */
export interface ListedRound {
  id: RoundId;
  startedAt: string;
  isFinished: boolean;
  playerName: string;
  rungName: string;
  ladderName: string;
  /** Hit to a target for half. */
  forLearning: boolean;
  hits: number;
  balls: number;
}
/** What was run last on a rung, by whom and with what, so that it can be run again. */
export interface RanLast
  extends Pick<RoundRow, 'id' | 'rungId' | 'playerId' | 'playerName' | 'machineName' | 'courtName' | 'startedAt' | 'card'> {
  hits: number;
  balls: number;
}
/** Of a player before a round: a target that suits better, where there is one, and what the machine’s own spread takes, where that can be said. */
export interface RoundAhead {
  half: HalfTarget | null;
  spoiled: SpoiledBalls | null;
}
/** A player’s own scatter with a stroke, and of how many balls it is known. */
export interface StrokeScatter {
  stroke: Stroke;
  scatter: ScatterNow;
  balls: number;
}
/** A verdict on a rung that a page brings along, for players of whom the lowest level is this, and what has to be minded with this around it. */
export interface BroughtVerdict {
  judgement: Judgement;
  level?: Level | undefined;
  around: Around;
  inSight: Hazard[];
}
/** Swings of a player on a rung in one day. */
export interface Swings {
  playerId: string;
  rungId: string;
  swings: number;
}
export interface SquadRow extends Versioned {
  id: string;
  name: string;
  playerIds: string[];
  notes: string;
}
export interface CourtRow extends Versioned {
  id: string;
  name: string;
  sport: Sport;
  surfaceId: SurfaceId;
  indoor: boolean;
  ceilingM: number | null;
  marksM: number[];
  notes: string;
}
export interface BallRow extends Versioned {
  id: string;
  name: string;
  ballId: BallId;
  count: number;
  condition: 'new' | 'good' | 'worn';
  openedOn: string;
  dragShare: number;
  notes: string;
}
export interface MachineRow extends Versioned {
  id: string;
  name: string;
  profile: MachineProfile;
  dials: Dial[];
  today: MachineToday | null;
  linkAddress: string;
  notes: string;
}
export interface TuneUpRow {
  id: string;
  machineId: MachineId;
  personName: string;
  document: TuneUp;
  tunedAt: string;
}
export interface GameBallRow extends Versioned {
  id: string;
  name: string;
  document: OwnGameBall;
  notes: string;
}
export interface Kit {
  players: PlayerRow[];
  squads: SquadRow[];
  courts: CourtRow[];
  balls: BallRow[];
  machines: MachineRow[];
  gameBalls: GameBallRow[];
}
export interface RungRow {
  id: string;
  ladderId: LadderId;
  position: number;
  document: RungDocument;
  /** In a plan: each at the target that half of their own balls would hit. */
  half?: boolean;
}
export interface LadderRow extends LadderDocument, Versioned {
  id: string;
  rungs: RungRow[];
  /** The built-in drill it was copied from, with its rungs as they came. */
  origin: { drillId: DrillId; rungs: RungDocument[] } | null;
}
export interface PlanRow extends Versioned {
  id: string;
  document: PlanDocument;
}
export interface ResultRow {
  id: string;
  seq: number;
  /** Which ball of the card it was. */
  feedId: FeedId | null;
  outcome: Outcome;
  speedMps: number | null;
  elevationDeg: number | null;
  bearingDeg: number | null;
  radarMps: number | null;
  /** Where the player’s ball came down; null where nobody tapped it. */
  landing: { x: number; y: number } | null;
  /** Where it was to be hit to, where that was another goal than its card’s. */
  target: PlayerTarget | null;
}
/** A round as it is looked back at: whose it was, what it was run with, and what its balls came to. */
export interface BriefRound
  extends Pick<RoundRow, 'id' | 'rungId' | 'playerId' | 'courtId' | 'card' | 'weather' | 'source' | 'startedAt' | 'notes'> {
  results: Pick<ResultRow, 'seq' | 'feedId' | 'outcome' | 'landing' | 'target'>[];
}
/** A round as a plan counts it. */
export interface PlanRound {
  rungId: RungId;
  playerId: PlayerId;
  startedAt: string;
  hits: number;
  /** Judged. */
  balls: number;
}

export interface RoundRow {
  id: string;
  outingId: OutingId;
  rungId: RungId;
  playerId: PlayerId;
  machineId: MachineId;
  courtId: CourtId;
  playerName: string;
  machineName: string;
  courtName: string;
  ladderName: string;
  card: RungDocument;
  weather: Weather;
  /** Who confirmed a hard ball that leaves too little time; null when none had to. */
  confirmedBy: string | null;
  notes: string;
  /** Off the court ball by ball; from paper by kind of ball; from a spreadsheet, one number for the whole. */
  source: 'court' | 'paper' | 'sheet';
  startedAt: string;
  finishedAt: string | null;
  results: ResultRow[];
}
/** Where a player stands on a ladder: the rung that was run last, and its verdict. */
export interface Standing {
  ladderId: LadderId;
  ladderName: string;
  rungId: RungId;
  rungName: string;
  number: number;
  /** Rungs of the ladder. */
  of: number;
  verdict: Verdict;
  /** In words. */
  reason: string;
  /** Of the first round on the rung, and of the last. */
  since: string;
  last: string;
  rounds: number;
  /** Weeks on one rung without winning it. */
  isStalled: boolean;
}
/** A player who was here lately. */
export interface ClubPlayer {
  id: PlayerId;
  name: string;
  last: string;
  rounds: number;
  hits: number;
  balls: number;
  trends: { sport: Sport; stroke: Stroke; trend: Trend }[];
  stalled: Standing[];
}
/** A rung on which everybody fails, or nobody. */
export interface WrongRung {
  rungId: string;
  ladderId: string;
  name: string;
  ladderName: string;
  players: number;
  rounds: number;
  hits: number;
  balls: number;
  isHard: boolean;
}
/** What of the kit wants a look. */
export type KitWorry =
  | { what: 'machine'; id: string; name: string; code: 'never-tuned' }
  | { what: 'machine'; id: string; name: string; code: 'tuned-long-ago'; days: number }
  | { what: 'machine'; id: string; name: string; code: 'slow-today' | 'fast-today'; share: number }
  | { what: 'basket'; id: string; name: string; code: 'worn' }
  | { what: 'basket'; id: string; name: string; code: 'opened-long-ago'; days: number }
  | { what: 'basket'; id: string; name: string; code: 'drag'; share: number };

/** What a club should know this week. */
export interface ClubWeek {
  players: ClubPlayer[];
  /** In the kit, and not here lately. */
  away: string[];
  wrong: WrongRung[];
  /** How many times as far shots scatter off a game ball as off a kind one, learnt from so many players; null while too few told it. */
  demand: { times: number; players: number } | null;
  kit: KitWorry[];
}
/** A choice of the logbook under a name: what stands behind the question mark of its address. */
export interface SavedView {
  name: string;
  query: string;
}
/** Something that is found by a word, and where it is opened. */
export interface Findable {
  what: 'player' | 'ladder' | 'rung' | 'plan' | 'machine' | 'place' | 'balls' | 'drill' | 'round' | 'view' | 'page';
  name: string;
  more: string;
  href: string;
}
/** What was put right in a round, when and by whom. */
export interface CorrectionRow {
  id: string;
  at: string;
  personName: string;
  what: 'player' | 'moment' | 'notes' | 'ball';
  seq: number | null;
  was: string;
  became: string;
}
