import { z } from 'zod';
import { SPORTS, STROKES } from '../catalog/index.ts';

/** What a player works toward with a stroke: two of three balls within so far to the side of the target, at a distance, by a day. */
export const strokeGoalSchema = z.strictObject({
  sport: z.enum(SPORTS),
  stroke: z.enum(STROKES),
  sideM: z.number('Type a distance such as 5 ft or 1.5 m').min(0.2, 'At least 20 cm (8 in)').max(10, 'At most 10 m (33 ft)'),
  distanceM: z.number().min(0.5).max(60),
  /** The day it is for. */
  by: z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'A day such as 2026-03-14'),
});
/** A goal with a date; see `strokeGoalSchema`. */
export type StrokeGoal = z.infer<typeof strokeGoalSchema>;
