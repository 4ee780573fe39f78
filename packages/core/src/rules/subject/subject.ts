import type { Ball, ContactVerdict, Level, Sport, Stroke } from '../../catalog/index.ts';
import type { Feed, Spot, Weather } from '../../drill/index.ts';
import type { Flight, Launch } from '../../flight/index.ts';
import type { NotJudged } from '../../ladder/index.ts';

/** A ball as the rules see it. */
export interface SubjectBall {
  launch: Launch;
  target: Feed['target'];
  stroke: Stroke;
  /** Where its player waits for it. */
  meet: Spot;
  /** Flown, where that is known. */
  flight: Flight | null;
  /** The way to the target it is hit to leads past the machine. */
  pastMachine: boolean;
}

/** How much time there is. Eases are on the scale of `comfortOf`. */
export interface SubjectTime {
  /** The quickest ball by itself. */
  quickest: { timeS: number; needS: number; ease: number };
  /** Too quick for a hard ball. */
  unsafe: boolean;
  hitting: boolean;
  /** Name of the age band a hitter is judged by, where it is known. */
  band: string | null;
  intervalS: number;
  /** Least time from being ready until the next ball leaves, s; null for fielders. */
  spareS: number | null;
  /** From which interval on every player is ready, s; null where that is not known. */
  readyIntervalS: number | null;
}

/** What is known beside the set-up or the rung: who hits, where, and who feeds. What is left out no rule looks at. */
export interface Around {
  /** Of the youngest who hits; null or absent when nobody knows. */
  ageYears?: number | null;
  /** Swings of the one who has most behind them today, other rungs and planned turns counted. */
  swingsBefore?: number;
  /** In a hall. */
  indoors?: boolean;
  /** Air on the court now, where it is another than that of the rung. */
  weather?: Weather;
  /** Somebody drops in every ball. */
  handFed?: boolean;
}

/** What a set-up or a rung is to the rules; what one of them does not know is left out, and its rule says nothing. */
export interface Subject {
  sport: Sport;
  level: Level;
  ball: Ball;
  balls: readonly SubjectBall[];
  /** It goes to fielders. */
  fielding: boolean;
  /** Null when nothing could be judged. */
  time: SubjectTime | null;
  /** Where each ball meets the body, of those that have a band. */
  heights: readonly (ContactVerdict & { name: string })[];
  notJudged: readonly ((NotJudged | { code: 'not-thrown' }) & { name?: string })[];
  around: Around;
  weather: Weather;
  /** y of the fence behind the player, m; null for a field without one. */
  fenceY: number | null;
  /** Of a set-up. */
  place?: {
    widestBallM: number;
    ceilingM: number | null;
    /** The arc that was asked for touches the ceiling. */
    touchesCeiling: boolean;
    lowOverNet: boolean;
  };
  /** Of a rung. */
  load?: {
    swingsEach: number;
    ballsPerRound: number;
    longestRun: number;
    feeds: number;
    behindM: number;
    overHead: boolean;
    chasedFar: boolean;
    /** Across between two who hit side by side, m; null where nobody does. */
    apartM: number | null;
  };
}

/** What a rule found: its code, how much it weighs, and its figures in SI. What is said of it is written at the edge. */
export interface Found<Code extends string, Figures = Record<never, never>> {
  code: Code;
  /** Whether somebody could be hurt, or only the drill suffers. */
  weight: 'grave' | 'note';
  figures: Figures;
}

export type Rule<F extends Found<string, unknown>> = (subject: Subject) => F | null;
