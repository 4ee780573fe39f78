import { z } from 'zod';
import { LEVELS, SPORTS, surfaceIdSchema } from '../catalog/index.ts';
import { MOST_FEEDS, nameSchema, rungSchema } from '../drill/index.ts';
import { APPROACHES } from '../progress/index.ts';
import { MOST_OTHERS } from './card-limits.ts';

/** A dial on a card: its name and where it stands, as the machine's own scale says it. */
const cardDialSchema = z.strictObject({ name: z.string().min(1).max(60), reading: z.string().min(1).max(40) });

const dialsSchema = z.array(cardDialSchema).max(12);

/** One rung of a card: the rung as it is kept, without the ids of the club it came from. */
const cardRungSchema = z
  .strictObject({
    rung: rungSchema.omit({ courtId: true, machineId: true }),
    /** Of its first ball. */
    dials: dialsSchema,
    /** Where a rung has several balls or machines: each in turn, its dials and who throws it: 0 the card’s machine, 1 the first of the others. */
    balls: z
      .array(z.strictObject({ machine: z.int().min(0).max(MOST_OTHERS), dials: dialsSchema }))
      .max(MOST_FEEDS)
      .optional(),
  })
  .refine(({ rung, balls }) => !balls || balls.length === rung.feeds.length, {
    path: ['balls'],
    error: 'One for each of the feeds of this rung',
  });

const cardMachineSchema = z.strictObject({ name: nameSchema, kind: z.string().min(1).max(60), safety: z.string().max(400) });

/** A setup card as an open file: everything that rebuilds a ladder on another day, or at another club. */
export const cardSchema = z
  .strictObject({
    format: z.literal('good-arc-card', 'Not a setup card of Good Arc: “format” must be good-arc-card'),
    version: z.literal(1, 'A newer version: this Good Arc reads version 1'),
    name: nameSchema,
    sport: z.enum(SPORTS),
    level: z.enum(LEVELS),
    approach: z.enum(APPROACHES),
    court: z.strictObject({ name: nameSchema, surfaceId: surfaceIdSchema, indoor: z.boolean() }),
    machine: cardMachineSchema,
    /** Further machines, where a rung needs more than one. */
    others: z.array(cardMachineSchema).max(MOST_OTHERS).optional(),
    rungs: z.array(cardRungSchema).min(1, 'A card has at least one rung').max(24, 'At most 24 rungs'),
  })
  .refine(({ rungs, others = [] }) => rungs.every(({ balls = [] }) => balls.every(({ machine }) => machine <= others.length)), {
    path: ['others'],
    error: 'Every machine that throws a ball of the card',
  });
/** A setup card; see `cardSchema`. */
export type Card = z.infer<typeof cardSchema>;
