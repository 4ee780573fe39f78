import { z } from 'zod';
import { dialCurveSchema } from './curve-schema.ts';
import { scaleSchema } from './scale-schema.ts';

/** What a dial moves, with its unit: m/s, °, °, rpm, rpm, m/s of one wheel's skin, s. */
export const DIAL_MOVES = ['speed', 'elevation', 'bearing', 'topspin', 'sidespin', 'wheel', 'interval'] as const;
/** What a dial moves. */
export type DialMoves = (typeof DIAL_MOVES)[number];

/** One dial of a machine: its own scale, what it moves, and what it was learnt to do. */
export const dialSchema = z
  .strictObject({
    id: z.string().min(1).max(40),
    name: z.string().trim().min(1, 'Give the dial a name').max(60, 'At most 60 characters'),
    moves: z.enum(DIAL_MOVES),
    /** Which wheel it drives, from 1; null for the others. */
    wheel: z.int().min(1).max(3).nullable().default(null),
    scale: scaleSchema,
    /** A higher reading gives less. */
    falling: z.boolean().default(false),
    /** Null until it is tuned. */
    curve: dialCurveSchema.nullable().default(null),
  })
  .refine(({ moves, wheel }) => (moves === 'wheel') === (wheel !== null), {
    path: ['wheel'],
    message: 'Say which wheel it drives, or let it move something else',
  });
/** A dial of a machine; see `dialSchema`. */
export type Dial = z.infer<typeof dialSchema>;

/** Where a person set a dial: its share of the scale from the lowest reading, and what its maker says the ends give. */
export const dialPlaceSchema = z.strictObject({
  moves: z.enum(DIAL_MOVES),
  share: z.number().min(0).max(1),
  expected: z.tuple([z.number(), z.number()]),
});
/** Where one dial stands. */
export type DialPlace = z.infer<typeof dialPlaceSchema>;

/** All dials of one machine, each with an id of its own. */
export const dialsSchema = z
  .array(dialSchema)
  .max(12, 'At most twelve dials')
  .refine((dials) => new Set(dials.map(({ id }) => id)).size === dials.length, 'Every dial once');
