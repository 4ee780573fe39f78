import type { Level, Stroke } from './types.ts';

/** What a body needs at a level. All of it common practice, from memory, and meant to be edited. */
export interface LevelNeeds {
  /** See and choose, s (a third of it is enough when the next ball is known). */
  seeS: number;
  /** Preparation by stroke, s. */
  prepareS: Record<Stroke, number>;
  followThroughS: number;
  /** To breathe between being ready and the next ball, when it is to be calm. */
  breathS: number;
  /** Court speed over a few steps. */
  courtSpeedMps: number;
  /** Clearance over the net that a feed should have. */
  netClearanceM: number;
  scatter: Scatter;
}

/** How far a player’s own balls scatter around where they are hit to, 1 σ. */
export interface Scatter {
  /** Seen from the player, °. */
  sideDeg: number;
  /** In depth, over the distance. */
  depthShare: number;
}

const needs = (
  seeS: number,
  groundstroke: number,
  volley: number,
  swing: number,
  followThroughS: number,
  courtSpeedMps: number,
  netClearanceM: number,
  breathS: number,
  sideDeg: number,
  depthShare: number,
): LevelNeeds => ({
  scatter: { sideDeg, depthShare },
  seeS,
  prepareS: { groundstroke, volley, swing },
  followThroughS,
  courtSpeedMps,
  netClearanceM,
  breathS,
});

/** Source: common practice, no published source (game-book table “What a body needs”). */
export const LEVEL_NEEDS: Readonly<Record<Level, LevelNeeds>> = {
  Starting: needs(0.35, 0.7, 0.38, 0.22, 0.6, 2.0, 0.9, 1.0, 7.0, 0.16),
  Building: needs(0.3, 0.58, 0.3, 0.2, 0.5, 2.8, 0.6, 0.7, 5.0, 0.12),
  Competing: needs(0.25, 0.48, 0.24, 0.17, 0.4, 3.6, 0.4, 0.5, 3.4, 0.085),
  Advanced: needs(0.22, 0.4, 0.2, 0.15, 0.3, 4.5, 0.25, 0.3, 2.2, 0.06),
};
