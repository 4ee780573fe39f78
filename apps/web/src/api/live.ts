import { OUTCOMES, rowId } from '@good-arc/core';
import { z } from 'zod';
import { MOST_HITTERS } from './limits.ts';

/** Changes of the coming balls that another device may ask for; see `ListChange`. */
const listChange = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['again', 'skip', 'stay', 'deal']) }),
  z.strictObject({ kind: z.literal('next'), index: z.int().min(0).max(23) }),
]);

/** What another device asks of the one that runs a round; the id tells one wish from the next. */
export const wishBody = z.strictObject({ id: z.uuid(), change: listChange });
export type LiveWish = z.output<typeof wishBody>;

const short = z.string().max(120);

/** What the device that runs a round shows of it. What the hitter must not see is in it: it is for the screen to keep to itself. */
export const liveBody = z.strictObject({
  rungName: short,
  courtName: short,
  /** The machine, and a second one; those on a line with their id, so that every screen can hold them. */
  machines: z
    .array(z.strictObject({ name: short, lineOf: rowId<'machine'>().nullable() }))
    .min(1)
    .max(2),
  /** Who hits, and who did before somebody came in for them. */
  players: z.array(short).min(1).max(MOST_HITTERS),
  /** Of each player: right, of so many that count. */
  scores: z
    .array(z.strictObject({ hits: z.int().min(0), balls: z.int().min(0) }))
    .min(1)
    .max(MOST_HITTERS),
  thrown: z.int().min(0).max(1000),
  of: z.int().min(1).max(1000),
  /** Right ones running, up to the last. */
  streak: z.int().min(0).max(1000),
  last: z.enum(OUTCOMES).nullable(),
  /** Of the machine, or `by hand`. */
  state: z.string().max(20),
  everyS: z.number().min(0).max(120),
  /** To the next release; null when none is due. */
  nextInS: z.number().min(0).max(600).nullable(),
  /** Who hits the next ball, where several hit in turn; else empty. */
  whose: short,
  /** The kinds of ball that a caller may choose. */
  kinds: z.array(z.strictObject({ index: z.int(), name: short })).max(24),
  /** What comes: which kind of ball, and which machine throws it. */
  coming: z.array(z.strictObject({ index: z.int(), machine: z.int().min(0).max(1) })).max(8),
});
export type LiveShown = z.output<typeof liveBody>;

/** What the device that runs a round is told when it shows it. */
export interface LiveAnswer {
  /** Somebody looked a moment ago. */
  isFollowed: boolean;
  wish: LiveWish | null;
}

/** A round that goes on elsewhere. */
export interface LiveRow {
  id: string;
  shown: LiveShown;
  /** How old what is shown is, s. */
  ageS: number;
  isFinished: boolean;
}
