import { z } from 'zod';
import { rowId } from '../id-schema.ts';
import { SEASON_BOUNDS } from './kinds.ts';

const [leastBalls, mostBalls] = SEASON_BOUNDS.ballsAWeek;

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'A day such as 2026-03-14');

/** Weeks on one ladder up to a day: what a player begins with, on which days of the week. Its weeks are worked out by `seasonWeeks`. */
export const seasonSchema = z.strictObject({
  ladderId: rowId<'ladder'>(),
  from: day,
  /** The day it is for. */
  to: day,
  /** 1 Monday to 7 Sunday. */
  weekdays: z.array(z.int().min(1).max(7)).min(1, 'Choose at least one day of the week').max(7),
  /** An arm that pitches, serves or throws: a day in between. */
  restsArm: z.boolean(),
  /** Balls of the first week. */
  ballsAWeek: z.int('A whole number').min(leastBalls, 'At least 10').max(mostBalls, 'At most 3,000'),
  /** Where on the ladder it began, 0 its lowest rung. */
  fromRung: z.int().min(0).max(200),
});
/** A season of a player; see `seasonSchema`. */
export type SeasonDocument = z.infer<typeof seasonSchema>;
