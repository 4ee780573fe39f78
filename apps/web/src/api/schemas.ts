import {
  ballIdSchema,
  LEVELS,
  ladderSchema,
  machineProfileSchema,
  nameSchema,
  OUTCOMES,
  rungSchema,
  SPORTS,
  surfaceIdSchema,
  weatherSchema,
} from '@good-arc/core';
import { z } from 'zod';

/** What browser and server say to each other. Both sides parse with these. */

const notes = z.string().max(500, 'At most 500 characters').default('');

export const playerBody = z.strictObject({
  name: nameSchema,
  level: z.enum(LEVELS),
  hand: z.enum(['left', 'right']),
  heightM: z.number('Type a height such as 5 ft 6 or 1.68 m').min(0.8, 'At least 80 cm (2 ft 8 in)').max(2.4, 'At most 2.4 m (7 ft 10 in)'),
  notes,
});
export const courtBody = z.strictObject({
  name: nameSchema,
  sport: z.enum(SPORTS),
  surfaceId: surfaceIdSchema,
  indoor: z.boolean(),
  notes,
});
export const ballBody = z.strictObject({
  name: nameSchema,
  ballId: ballIdSchema,
  count: z.int('Type a whole number such as 60').min(0, 'Not below 0').max(5000, 'At most 5,000'),
  condition: z.enum(['new', 'good', 'worn']),
  notes,
});
export const machineBody = z.strictObject({
  name: nameSchema,
  profile: machineProfileSchema,
  linkAddress: z
    .string()
    .regex(/^(127\.0\.0\.1:\d{2,5})?$/, 'Leave empty, or give 127.0.0.1 and a port, such as 127.0.0.1:7101')
    .default(''),
  notes,
});

/** The kinds of things that Kit keeps, with the form each takes. */
export const KIT = { players: playerBody, courts: courtBody, balls: ballBody, machines: machineBody } as const;
export type KitKind = keyof typeof KIT;
export const KIT_KINDS = Object.keys(KIT) as KitKind[];

export const ladderBody = ladderSchema;
export const rungBody = z.strictObject({ ladderId: z.uuid(), document: rungSchema, position: z.int().min(0).max(1000).optional() });
export const orderBody = z.strictObject({ rungIds: z.array(z.uuid()).max(200) });
export const duplicateBody = z.strictObject({
  newId: z.uuid(),
  rungIds: z.array(z.strictObject({ from: z.uuid(), to: z.uuid() })).max(200),
});

export const roundBody = z.strictObject({
  outingId: z.uuid(),
  rungId: z.uuid(),
  playerId: z.uuid(),
  weather: weatherSchema,
  startedAt: z.iso.datetime(),
});
export const finishBody = z.strictObject({ finishedAt: z.iso.datetime(), weather: weatherSchema.optional() });

export const resultBody = z.strictObject({
  seq: z.int().min(1).max(1000),
  outcome: z.enum(OUTCOMES),
  speedMps: z.number().nullable(),
  elevationDeg: z.number().nullable(),
  bearingDeg: z.number().nullable(),
  radarMps: z.number().nullable(),
});
export type ResultBody = z.infer<typeof resultBody>;

export const commandBody = z.discriminatedUnion('do', [
  /** `from`: balls of the round that were thrown before, when it goes on after a fault or a stow. */
  z.strictObject({ do: z.literal('arm'), rungId: z.uuid(), from: z.int().min(0).max(1000).default(0) }),
  z.strictObject({ do: z.enum(['feed', 'hold', 'resume', 'stow', 'clear', 'refill']) }),
  z.strictObject({ do: z.literal('simulate'), fault: z.enum(['jam', 'misfeed', 'drop-link', 'silence', 'flat-battery']) }),
]);
export type CourtsideCommand = z.input<typeof commandBody>;

export const meBody = z.strictObject({ units: z.enum(['imperial', 'metric']), theme: z.enum(['chalk', 'dusk']) }).partial();
