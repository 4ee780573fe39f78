import { z } from 'zod';
import { ballIdSchema, CONTACTS, LEVELS, SPORTS, surfaceIdSchema } from '../catalog/index.ts';
import { arcSchema, batterHeightSchema, holdSchema, spotSchema, targetSchema, weatherSchema } from '../drill/index.ts';

/** One set-up of the bench: everything a person chooses, SI and degrees. The machine's profile comes beside it. */
export const setupSchema = z.strictObject({
  sport: z.enum(SPORTS),
  courtId: z.string().max(40),
  machineId: z.string().max(40),
  surfaceId: surfaceIdSchema,
  ballId: ballIdSchema,
  /** Drag of these balls over a new one’s; 1 without. */
  dragShare: z.number().min(0.5).max(2).optional(),
  level: z.enum(LEVELS),
  weather: weatherSchema,
  /** Where the ball leaves the machine. */
  from: z.strictObject({ x: z.number().min(-60).max(60), y: z.number().min(-60).max(150), z: z.number().min(0.05).max(4) }),
  target: targetSchema,
  landingZone: z.strictObject({ widthM: z.number().min(0.1).max(30), depthM: z.number().min(0.1).max(30) }),
  /** The value that is held; the other is solved. */
  hold: holdSchema,
  /** Which of two arcs to throw at a held speed. */
  arc: arcSchema,
  /** How it is met, when the stroke does not say. */
  contact: z.enum(CONTACTS).optional(),
  topspinRpm: z.number().min(-6000).max(6000),
  sidespinRpm: z.number().min(-6000).max(6000),
  player: spotSchema,
  gameBallId: z.string().max(80),
  intervalS: z.number().min(0.5).max(120),
  /** Clear height over the court, m; absent out of doors. */
  ceilingM: z.number().min(2).max(60).optional(),
  /** Of the hitter, for the strike zone. */
  batterHeightM: batterHeightSchema.optional(),
});
/** A set-up of the bench; see `setupSchema`. */
export type Setup = z.infer<typeof setupSchema>;
