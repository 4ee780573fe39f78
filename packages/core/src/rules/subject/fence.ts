import { diamondOf, SPORT_RECORDS, type Sport } from '../../catalog/index.ts';

/** A fence behind the player stands about this far behind the play area, m; our assumption. */
const FENCE_BEHIND_M = 6.4;

/** y of the fence behind the player, m; null for a field without one. */
export const fenceBehind = (sport: Sport): number | null =>
  diamondOf(sport) ? null : SPORT_RECORDS[sport].court.inPlay.y1 - FENCE_BEHIND_M;
