import { z } from 'zod';
import { ballIdSchema, LEVELS, SPORTS, STROKES, surfaceIdSchema } from '../sport/index.ts';

const finite = z.number();

/** A name a person gives: trimmed, 1 to 120 characters. */
export const nameSchema = z.string().trim().min(1, 'Give it a name').max(120, 'At most 120 characters');

export const spotSchema = z.strictObject({ x: finite.min(-200).max(200), y: finite.min(-200).max(200) });

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

export const targetSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('landing'), x: finite, y: finite }),
  z.strictObject({ kind: z.literal('plane'), planeY: finite, x: finite, z: finite }),
]);

/** Air and wind at the time. */
export const weatherSchema = z.strictObject({
  temperatureC: finite.min(-30).max(55),
  altitudeM: finite.min(-450).max(6000),
  relativeHumidity: finite.min(0).max(1),
  windXMps: finite.min(-25).max(25),
  windYMps: finite.min(-25).max(25),
});

/** One ball of a rung: its launch, where it should go, the game ball it stands for. */
export const feedSchema = z.strictObject({
  name: nameSchema,
  launch: launchSchema,
  target: targetSchema,
  gameBallId: z.string().max(80).nullable(),
  stroke: z.enum(STROKES),
  on: z.boolean(),
  cue: z.string().max(160),
});

/** The rule that opens the next rung: so many hits of so many balls. */
export const gateSchema = z
  .strictObject({ hits: z.int().min(1).max(200), of: z.int().min(1).max(200) })
  .refine(({ hits, of }) => hits <= of, { path: ['hits'], message: 'Cannot ask for more hits than balls' });

/** One stage of a ladder: everything that rebuilds it, as one document. */
export const rungSchema = z.strictObject({
  name: nameSchema,
  focalPoint: z.string().max(200),
  courtId: z.uuid(),
  machineId: z.uuid(),
  ballId: ballIdSchema,
  surfaceId: surfaceIdSchema,
  level: z.enum(LEVELS),
  weather: weatherSchema,
  feeds: z.array(feedSchema).min(1).max(24),
  /** `fixed`: the feeds in the order of the list, over and over. */
  order: z.literal('fixed'),
  intervalS: finite.min(0.5).max(120),
  ballsPerRound: z.int().min(1).max(200),
  rounds: z.int().min(1).max(50),
  player: z.strictObject({ start: spotSchema, recover: spotSchema.nullable() }),
  targetSize: z.strictObject({ widthM: finite.min(0.1).max(60), depthM: finite.min(0.1).max(60) }),
  gate: gateSchema,
  shadowSwings: z.int().min(0).max(2),
});
export type RungDocument = z.infer<typeof rungSchema>;
export type Feed = z.infer<typeof feedSchema>;
export type Weather = z.infer<typeof weatherSchema>;

export const APPROACHES = ['sweet-spot', 'earn-it', 'in-a-row', 'coachs-eye'] as const;
export const APPROACH_NAMES: Record<(typeof APPROACHES)[number], string> = {
  'sweet-spot': 'Sweet spot',
  'earn-it': 'Earn it',
  'in-a-row': 'In a row',
  'coachs-eye': 'Coach’s eye',
};

export const ladderSchema = z.strictObject({
  name: nameSchema,
  sport: z.enum(SPORTS),
  level: z.enum(LEVELS),
  approach: z.enum(APPROACHES),
});
export type LadderDocument = z.infer<typeof ladderSchema>;
