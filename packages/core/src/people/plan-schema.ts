import { z } from 'zod';
import { nameSchema } from '../drill/index.ts';
import { rowId } from '../id-schema.ts';
import { PLAN_ROLES } from './kinds.ts';
import { STATIONS } from './rotation.ts';

/** An outing that is planned: which ladder, who, from when, in which stations. */
export const planSchema = z.strictObject({
  name: nameSchema,
  /** Whose rungs are climbed from the bottom; of an outing the ladder its main part is from. */
  ladderId: rowId<'ladder'>(),
  /** An outing: these rungs in this order, of whatever ladders, instead of all of one. */
  rungs: z
    .array(
      z.strictObject({
        rungId: rowId<'rung'>(),
        rounds: z.int('A whole number').min(1, 'At least 1').max(20, 'At most 20'),
        role: z.enum(PLAN_ROLES).optional(),
        /** Each at the target that half of their own balls would hit, once that is known. */
        half: z.boolean().optional(),
      }),
    )
    .min(1, 'Keep at least one rung')
    .max(24, 'At most 24 rungs')
    .optional(),
  /** Local day and time of the start. */
  startsAt: z.string().regex(/^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d$/, 'A day and time such as 2026-04-18T16:30'),
  playerIds: z.array(rowId<'player'>()).min(1, 'Choose who comes').max(40, 'At most 40 players'),
  absentIds: z.array(rowId<'player'>()).max(40),
  lines: z.int('A whole number').min(1, 'At least 1').max(6, 'At most 6'),
  stations: z.array(z.enum(STATIONS).exclude(['hitting', 'on deck'])).max(3),
  /** A turn is a round of the rung, so many balls, or so many minutes. */
  rotateBy: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('balls'), balls: z.int('A whole number').min(1, 'At least 1').max(200, 'At most 200') }),
    z.strictObject({ kind: z.literal('minutes'), minutes: z.number().min(0.5, 'At least half a minute').max(60, 'At most 60') }),
  ]),
  /** Balls thrown before a planned stop. */
  capBalls: z.int('A whole number').min(5, 'At least 5').max(200, 'At most 200'),
  notes: z.string().max(500, 'At most 500 characters').default(''),
});
/** A planned outing; see `planSchema`. */
export type PlanDocument = z.infer<typeof planSchema>;
