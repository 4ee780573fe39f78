import { type Level, SPORT_RECORDS, type Sport } from '../catalog/index.ts';

/**
 * Half the width, in σ, of a target that is hit at 45 % (a first attempt: four or five of ten; common practice, no source): Φ⁻¹(0.725). Written
 * out, so that the bench does without the statistics library.
 */
const FIRST_HALF_WIDTH = 0.59776;

/** The first target of a drill for this level, m wide, to the decimetre. */
export const firstTargetM = (sport: Sport, level: Level): number =>
  Math.round(2 * SPORT_RECORDS[sport].playerSigmaM[level] * FIRST_HALF_WIDTH * 10) / 10;
