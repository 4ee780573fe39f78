import { z } from 'zod';
import { ballIdSchema, CONTACTS, LEVELS, SPORTS, STROKES, surfaceIdSchema } from '../catalog/index.ts';
import { ALTITUDE_M } from '../flight/index.ts';
import { idSchema, rowId } from '../id-schema.ts';
import type { FeedId, GameBallId } from '../ids.ts';
import { APPROACHES } from '../progress/index.ts';
import { HIT_WITH, MOST_FEEDS } from './kinds.ts';

const finite = z.number();

/** Height of a hitter, m, for the strike zone. */
export const batterHeightSchema = z.number().min(0.8).max(2.3);

/** A name a person gives, of one line: trimmed, 1 to 120 characters; breaks and other signs that no line shows become a space. */
export const nameSchema = z
  .string()
  .overwrite((text) => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' '))
  .trim()
  .min(1, 'Give it a name')
  .max(120, 'At most 120 characters');

/** A spot on the ground, m. */
export const spotSchema = z.strictObject({ x: finite.min(-200).max(200), y: finite.min(-200).max(200) });

/** Across and along, m. */
const sizeSchema = z.strictObject({ widthM: finite.min(0.1).max(60), depthM: finite.min(0.1).max(60) });

/** How a ball leaves: place in m, speed in m/s, directions in degrees (bearing clockwise from +y), spin in rpm. */
export const launchSchema = z.strictObject({
  x: finite.min(-200).max(200),
  y: finite.min(-200).max(200),
  z: finite.min(0.02).max(6),
  speedMps: finite.min(0.5).max(75),
  elevationDeg: finite.min(-90).max(90),
  bearingDeg: finite.min(-360).max(720),
  topspinRpm: finite.min(-8000).max(8000),
  sidespinRpm: finite.min(-8000).max(8000),
  gyroRpm: finite.min(-8000).max(8000),
});

/** Where a ball is to go: a spot on the ground, or a point in an upright plane. Metres. */
export const targetSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('landing'), x: finite, y: finite }),
  z.strictObject({ kind: z.literal('plane'), planeY: finite, x: finite, z: finite }),
]);

/** Air and wind at the time. */
export const weatherSchema = z.strictObject({
  temperatureC: finite.min(-30).max(55),
  altitudeM: finite.min(ALTITUDE_M[0]).max(ALTITUDE_M[1]),
  relativeHumidity: finite.min(0).max(1),
  windXMps: finite.min(-25).max(25),
  windYMps: finite.min(-25).max(25),
  /** Station pressure; counts instead of the altitude when it is given. */
  pressureHpa: finite.min(500).max(1100).optional(),
  /** Gusts, 1 σ on each component of the wind. */
  gustMps: finite.min(0).max(10).optional(),
});

/** What is held while the rest of a launch is solved. */
export const holdSchema = z.union([
  z.strictObject({ elevationDeg: z.number().min(-60).max(89) }),
  z.strictObject({ speedMps: z.number().min(0.5).max(75) }),
  z.strictObject({ netClearanceM: z.number().min(0).max(20) }),
  z.strictObject({ flightTimeS: z.number().min(0.05).max(10) }),
]);
/** Which of two arcs is thrown at a held speed. */
export const arcSchema = z.enum(['low', 'high']);

/** Id of a feed: a few letters and digits, its own in its rung. It stays with the ball whatever is moved or renamed. */
export const feedIdSchema = idSchema<FeedId>(
  z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,35}$/, 'Letters, digits and hyphens, at most 36'),
);

/** One ball of a rung, the only document of a ball: its launch, where it should go, the game ball it stands for. */
export const feedSchema = z.strictObject({
  id: feedIdSchema,
  name: nameSchema,
  launch: launchSchema,
  target: targetSchema,
  gameBallId: idSchema<GameBallId>(z.string().max(80)).nullable(),
  stroke: z.enum(STROKES),
  /** How it is met, when that is not plain from the stroke: low at the net, over the head, a drop. */
  contact: z.enum(CONTACTS).optional(),
  on: z.boolean(),
  cue: z.string().max(160),
  /** Where the player meets it; without, in the plane of the rung’s start. */
  meet: spotSchema.optional(),
  /** Where the player hits this one to, when it is not where the rung’s others go: the middle of its target. */
  targetAt: spotSchema.optional(),
  /** A marker that is touched before this ball. */
  marker: spotSchema.optional(),
  /** Seconds from this release to the next; without, the rung’s interval. */
  thenS: finite.min(0.5).max(120).optional(),
  /** False for a spare ball that is only hit away. */
  counts: z.boolean().optional(),
  /** True for a ball that is right to let go: swinging at it is the mistake. */
  letGo: z.boolean().optional(),
  /** What was held on the bench, and which arc; without, the elevation of a ball that lands and the speed of a pitch. */
  hold: holdSchema.optional(),
  arc: arcSchema.optional(),
  /** Who should take it, by short name; with all of them absent it is left out. */
  positions: z.array(z.string().min(1).max(12)).max(9).optional(),
  /** Another machine than the rung’s. */
  machineId: rowId<'machine'>().optional(),
  /** Of the card of a round with secret speeds: the ball that this one is a slower or a quicker one of. */
  variantOf: feedIdSchema.optional(),
});

/** In which order the feeds come; what is random is dealt from the rung’s seed. */
export const orderSchema = z.discriminatedUnion('kind', [
  /** The feeds as they are listed, over and over. */
  z.strictObject({ kind: z.literal('fixed') }),
  /** Turn about; with more than two the first comes back between the others. */
  z.strictObject({ kind: z.literal('alternate') }),
  /** So many of each. */
  z.strictObject({ kind: z.literal('blocks'), size: z.int().min(1, 'At least 1').max(20, 'At most 20') }),
  /** Every feed once before any comes twice. */
  z.strictObject({ kind: z.literal('bag') }),
  /** At random by weight, one for each feed, with a longest run. */
  z.strictObject({
    kind: z.literal('weighted'),
    weights: z.array(finite.min(0, 'Not below 0').max(100, 'At most 100')).min(1).max(MOST_FEEDS),
    longestRun: z.int().min(1, 'At least 1').max(20, 'At most 20'),
  }),
  /** A list that is called, feeds by their number from 1. */
  z.strictObject({ kind: z.literal('calls'), list: z.array(z.int().min(1).max(MOST_FEEDS)).min(1, 'At least one call').max(200) }),
  /** One ball repeats; the player shifts as they choose. */
  z.strictObject({ kind: z.literal('player') }),
]);
/** In which order feeds come; see `orderSchema`. */
export type Order = z.infer<typeof orderSchema>;

/** A machine that turns while it feeds: at random across ± `halfDeg`, or between two lines. */
export const sweepSchema = z.strictObject({ kind: z.enum(['wide', 'two-line']), halfDeg: finite.min(0.5).max(45) });

/** A player’s own ritual before a serve: `bounces` of the ball, then the toss up to the hit. */
export const ritualSchema = z.strictObject({
  bounces: z.int().min(0).max(20),
  bounceS: finite.min(0.2).max(3),
  tossS: finite.min(0.3).max(6),
  /** Wanted rest between being ready and the next ball, s. */
  readyS: finite.min(0).max(20),
});
/** A ritual before a serve; see `ritualSchema`. */
export type Ritual = z.infer<typeof ritualSchema>;

/** The rule that opens the next rung: so many hits of so many balls, or a streak. */
export const gateSchema = z.union([
  z
    .strictObject({ hits: z.int().min(1).max(200), of: z.int().min(1).max(200) })
    .refine(({ hits, of }) => hits <= of, { path: ['hits'], message: 'Cannot ask for more hits than balls' }),
  z.strictObject({ streak: z.int().min(1, 'At least 1').max(50, 'At most 50') }),
]);

/** One stage of a ladder: everything that rebuilds it, as one document. */
export const rungSchema = z.strictObject({
  name: nameSchema,
  focalPoint: z.string().max(200),
  courtId: rowId<'court'>(),
  machineId: rowId<'machine'>(),
  ballId: ballIdSchema,
  /** Drag of these balls over a new one’s, as a tune-up found it; 1 without. */
  dragShare: finite.min(0.5).max(2).optional(),
  surfaceId: surfaceIdSchema,
  level: z.enum(LEVELS),
  weather: weatherSchema,
  feeds: z
    .array(feedSchema)
    .min(1)
    .max(MOST_FEEDS)
    .refine((feeds) => new Set(feeds.map(({ id }) => id)).size === feeds.length, 'Two balls have the same id'),
  order: orderSchema,
  /** Of the deal; another seed is another deal. 1 without. */
  seed: z.int().min(0).max(4_294_967_295).optional(),
  sweep: sweepSchema.optional(),
  ritual: ritualSchema.optional(),
  /** So many players hit in turn, a ball each; one without. The gate is for the balls of each. */
  hitters: z.int('A whole number').min(2, 'At least 2').max(4, 'At most 4').optional(),
  /** Positions that are not there today. */
  absent: z.array(z.string().min(1).max(12)).max(9).optional(),
  intervalS: finite.min(0.5).max(120),
  ballsPerRound: z.int().min(1).max(200),
  rounds: z.int().min(1).max(50),
  player: z.strictObject({ start: spotSchema, recover: spotSchema.nullable() }),
  /** The player recovers by the shot: short of the middle after a cross-court ball, past it after one down the line. */
  recoverByShot: z.boolean().optional(),
  /** Size of the target that the player hits to, and where its middle is; without, the coach says where. */
  targetSize: sizeSchema,
  targetAt: spotSchema.optional(),
  /** Of the card of a round: its target was sized for who hits, so that half would be in. It is learnt from, and opens no gate. */
  ownTarget: z.literal(true).optional(),
  /** Of the card of a round: its balls come so much slower or quicker, or as they are set, and nobody is told which; the order is the rung’s. It opens no gate. */
  secret: z.strictObject({ byMps: finite.min(0.2).max(5), order: orderSchema }).optional(),
  /** Size of the zone in which the machine’s balls are to come down (or pass, over the plate); without, that of the sport. */
  landingZone: sizeSchema.optional(),
  /** Of the hitter it was aimed for; an adult’s without. */
  batterHeightM: batterHeightSchema.optional(),
  gate: gateSchema,
  /** Balls of a round that are announced as match points, the last one always among them. */
  matchPoints: z.int('A whole number').min(1, 'At least 1').max(10, 'At most 10').optional(),
  /** The player is to hit with this spin: whoever judges looks for it, and nothing measures it. */
  hitWith: z.enum(HIT_WITH).optional(),
  /** The goal of a round grows: in, on the right side, in the target, with the spin that is asked; so many in a row open the next, and at last the gate. */
  goalRun: z.int('A whole number').min(2, 'At least 2').max(10, 'At most 10').optional(),
  shadowSwings: z.int().min(0).max(2),
});
/** A rung; see `rungSchema`. */
export type RungDocument = z.infer<typeof rungSchema>;
/** A ball of a rung; see `feedSchema`. */
export type Feed = z.infer<typeof feedSchema>;
/** Air and wind; see `weatherSchema`. */
export type Weather = z.infer<typeof weatherSchema>;

/** The head of a ladder. */
export const ladderSchema = z.strictObject({
  name: nameSchema,
  sport: z.enum(SPORTS),
  level: z.enum(LEVELS),
  approach: z.enum(APPROACHES),
});
/** The head of a ladder; its rungs are rows of their own. */
export type LadderDocument = z.infer<typeof ladderSchema>;
