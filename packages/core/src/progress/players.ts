import type { Level, Sport } from '../sport/index.ts';
import { widthAt } from './width.ts';

/**
 * 1 σ of a player's error across a target, m, on a ball that is a challenge at their level (common practice, no source): with it the first target
 * of a drill scores four or five of ten.
 */
export const PLAYER_SIGMA_M: Readonly<Record<Sport, Readonly<Record<Level, number>>>> = {
  tennis: { Starting: 2.0, Building: 1.6, Competing: 1.2, Advanced: 0.9 },
  pickleball: { Starting: 1.2, Building: 0.95, Competing: 0.7, Advanced: 0.5 },
  baseball: { Starting: 8, Building: 7, Competing: 6, Advanced: 5 },
};

/** Rate at which a first attempt at a target should succeed (common practice, no source: four or five of ten). */
const FIRST_RATE = 0.45;

/** The first target of a drill for this level, m wide, to the decimetre. */
export const firstTargetM = (sport: Sport, level: Level): number => Math.round(widthAt(PLAYER_SIGMA_M[sport][level], FIRST_RATE) * 10) / 10;
