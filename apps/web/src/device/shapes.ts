import { feedIdSchema, GOAL_STEPS, OUTCOMES, rungSchema, weatherSchema } from '@good-arc/core';
import { z } from 'zod';

const ballSchema = z.object({
  seq: z.int(),
  fed: z.boolean(),
  speedMps: z.number().nullable(),
  elevationDeg: z.number().nullable(),
  bearingDeg: z.number().nullable(),
  topspinRpm: z.number().nullable(),
  sidespinRpm: z.number().nullable(),
  gyroRpm: z.number().nullable(),
  radarMps: z.number().nullable(),
  landXM: z.number().nullable().default(null),
  landYM: z.number().nullable().default(null),
  /** Where it was to be hit to, where the goal was another than the card’s. */
  target: z.object({ x: z.number(), y: z.number(), widthM: z.number(), depthM: z.number() }).nullable().default(null),
  outcome: z.enum(OUTCOMES).nullable(),
  resultId: z.string().nullable(),
  /** Which ball of the card it was; null until it is judged. */
  feedId: feedIdSchema.nullable().default(null),
});

/** A round that is under way. */
const runSchema = z.object({
  roundId: z.string(),
  outingId: z.string(),
  rungId: z.string(),
  playerId: z.string(),
  weather: weatherSchema,
  startedAt: z.string(),
  /** The rung as it was when the round began: that is what is thrown, and what the round keeps. */
  card: rungSchema,
  confirmedBy: z.string().optional(),
  /** Who hits in turn with the player, each with a round of their own. */
  others: z.array(z.object({ playerId: z.string(), roundId: z.string() })).default([]),
  /** The interval since it was changed in the round, s; null while it is the card’s. */
  paceS: z.number().nullable().default(null),
  /** The feed of each ball, by index, and who hits it, where they are not as the card has them. */
  dealt: z.array(z.int()).nullable().default(null),
  turns: z.array(z.int()).nullable().default(null),
  /** Who has each place in the turns, by index, where somebody came in for another. */
  places: z.array(z.int()).nullable().default(null),
  /** Feeds, and hitters, that are out for the rest of the round, by index. */
  out: z.array(z.int()).default([]),
  gone: z.array(z.int()).default([]),
  /** What was asked of the balls, from which on, where that is not what the card asks; the newest last. */
  goals: z.array(z.object({ seq: z.int(), step: z.enum(GOAL_STEPS), times: z.number() })).default([]),
  /** The card with its balls nudged; null while none is. */
  nudged: rungSchema.nullable().default(null),
  /** What was changed while it went on, and before which ball. */
  changes: z.array(z.object({ seq: z.int(), about: z.string(), said: z.string() })).default([]),
  /** Balls thrown before the machine was armed last: it counts from one again each time. */
  offset: z.int().default(0),
  balls: z.array(ballSchema),
  /** Taps at the swing: which ball, and how long after it was there, ms. */
  swings: z.array(z.object({ seq: z.int(), offMs: z.number() })).default([]),
  /** Taps as somebody was ready: for which ball, and how long after it was let go, ms. */
  readies: z.array(z.object({ seq: z.int(), offMs: z.number() })).default([]),
  /** Moments to look at on the film. */
  marks: z.array(z.object({ atS: z.int(), seq: z.int() })).default([]),
});

/** What this device keeps, by its name. What is kept for a day only carries that day besides. */
export const SHAPES = {
  run: runSchema,
  signals: z.object({
    /** One tone a second before the release; or three marks: drop, roll, go. */
    tone: z.enum(['off', 'one', 'three']),
    /** The next ball and whose it is, said aloud. */
    voice: z.boolean(),
    buzz: z.boolean(),
  }),
  /** Until when the court is ours, by the clock on the wall. */
  courtTime: z.object({ until: z.string() }),
  /** Balls thrown since somebody picked up, or refilled, before this round. */
  since: z.object({ balls: z.int() }),
  /** The air of a court as it was set last, and whether rungs are turned for it. */
  air: z.object({
    air: weatherSchema.pick({ windXMps: true, windYMps: true, temperatureC: true }),
    taken: z.boolean(),
  }),
  /** What a machine was trimmed by, on which rung. */
  trim: z.object({
    rungId: z.string(),
    by: z.object({ elevationDeg: z.number(), speedShare: z.number(), turnDeg: z.number() }),
    /** Of the dials that stand elsewhere than the card has them, by their id. */
    readings: z.record(z.string(), z.number()),
  }),
} as const;
