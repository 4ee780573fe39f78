import { type AgeBand, diamondOf, gameBallById, type Level, type Sport, strikeZone, USUAL_HEIGHT_M } from '../catalog/index.ts';
import { bandOf } from './hitting.ts';

/** Whose zone it is: as on a set-up, a rung, or one of its balls. */
export interface ZoneQuestion {
  level: Level;
  /** Where it is a pitch of one of the level's bands it says which; else the youngest. */
  gameBallId?: string | null | undefined;
  /** As it was typed, or of the player; the usual height of the age without. */
  batterHeightM?: number | undefined;
}

const bandIn = (sport: Sport, { level, gameBallId }: ZoneQuestion): AgeBand => bandOf(sport, level, gameBallById(gameBallId ?? ''));

/** How tall a player is taken to be, m: of a diamond by the age band, where nobody says. */
export const heightOf = (sport: Sport, question: ZoneQuestion): number =>
  question.batterHeightM ?? (diamondOf(sport) ? bandIn(sport, question).heightM : USUAL_HEIGHT_M);

/** The height that a rung keeps: of a diamond always, since the age band says another where none is kept; over a net where it is not the usual one. */
export const heightKept = (sport: Sport, heightM: number): { batterHeightM?: number } =>
  diamondOf(sport) || heightM !== USUAL_HEIGHT_M ? { batterHeightM: heightM } : {};

/** The strike zone of a hitter by the rule of the age band, m. @throws RangeError for a sport without bands */
export const strikeZoneOf = (sport: Sport, question: ZoneQuestion): { bottomM: number; topM: number } =>
  strikeZone(heightOf(sport, question), bandIn(sport, question).zone);
