import type { Level, Sport } from '../sport/index.ts';

/**
 * 1 σ of a player's error across a target, m, on a ball that is a challenge at their level (common practice, no source): with it the first target
 * of a drill scores four or five of ten.
 */
export const PLAYER_SIGMA_M: Readonly<Record<Sport, Readonly<Record<Level, number>>>> = {
  tennis: { Starting: 2.0, Building: 1.6, Competing: 1.2, Advanced: 0.9 },
  pickleball: { Starting: 1.2, Building: 0.95, Competing: 0.7, Advanced: 0.5 },
  baseball: { Starting: 8, Building: 7, Competing: 6, Advanced: 5 },
};

/**
 * Half the width, in σ, of a target that is hit at 45 % (a first attempt: four or five of ten; common practice, no source): Φ⁻¹(0.725). Written
 * out, so that the bench does without the statistics library.
 */
const FIRST_HALF_WIDTH = 0.59776;

/** The first target of a drill for this level, m wide, to the decimetre. */
export const firstTargetM = (sport: Sport, level: Level): number =>
  Math.round(2 * PLAYER_SIGMA_M[sport][level] * FIRST_HALF_WIDTH * 10) / 10;
