import {
  ALTITUDE_M,
  ballIdSchema,
  checklistSchema,
  dialPlaceSchema,
  dialsSchema,
  feedIdSchema,
  LEVELS,
  ladderSchema,
  launchSchema,
  machineProfileSchema,
  machineTodaySchema,
  nameSchema,
  OUTCOMES,
  ownGameBallSchema,
  planSchema,
  rowId,
  rungSchema,
  SEASON_BOUNDS,
  SPORTS,
  seasonSchema,
  strokeGoalSchema,
  surfaceIdSchema,
  tuneUpSchema,
  weatherSchema,
} from '@good-arc/core';
import { FAULTS } from '@good-arc/simulator/extension';
import { z } from 'zod';
import { dayOf } from '../ui/day.ts';
import { ROLES } from './roles.ts';

/** Rows of a spreadsheet that are taken in at once. */
export const MOST_PAPER_ROUNDS = 2500;

/** What browser and server say to each other. Both sides parse with these. */

const notes = z.string().max(500, 'At most 500 characters').default('');

const seasonBody = seasonSchema.refine(
  ({ from, to }) => {
    const [least, most] = SEASON_BOUNDS.days;
    const days = dayOf(to) - dayOf(from);
    return days >= least && days <= most;
  },
  { path: ['to'], error: 'Two weeks to a year after it begins' },
);

export const playerBody = z.strictObject({
  name: nameSchema,
  level: z.enum(LEVELS),
  hand: z.enum(['left', 'right']),
  bats: z.enum(['left', 'right', 'both']).nullable().default(null),
  heightM: z.number('Type a height such as 5 ft 6 or 1.68 m').min(0.8, 'At least 80 cm (2 ft 8 in)').max(2.4, 'At most 2.4 m (7 ft 10 in)'),
  bornYear: z
    .int('A year such as 2014, or nothing')
    .min(1900, 'A year such as 2014, or nothing')
    .max(2100, 'A year such as 2014, or nothing')
    .nullable()
    .default(null),
  goals: z.string().max(500, 'At most 500 characters').default(''),
  /** Without it those that are kept stay. */
  aims: z.array(strokeGoalSchema).max(12, 'At most 12 goals').optional(),
  /** As `aims`; null takes it back. */
  season: seasonBody.nullable().optional(),
  avoid: z.string().max(500, 'At most 500 characters').default(''),
  notes,
});
export const squadBody = z.strictObject({
  name: nameSchema,
  playerIds: z.array(rowId<'player'>()).min(1, 'Choose at least one player').max(40, 'At most 40 players'),
  notes,
});
export const courtBody = z.strictObject({
  name: nameSchema,
  sport: z.enum(SPORTS),
  surfaceId: surfaceIdSchema,
  indoor: z.boolean(),
  marksM: z.array(z.number().min(0.5, 'At least 0.5 m from the plate').max(60, 'At most 60 m')).max(40, 'At most 40 marks').default([]),
  ceilingM: z.number('Type a height such as 24 ft or 7.5 m').min(2, 'At least 2 m').max(60, 'At most 60 m').nullable().default(null),
  notes,
});
export const ballBody = z.strictObject({
  name: nameSchema,
  ballId: ballIdSchema,
  count: z.int('Type a whole number such as 60').min(0, 'Not below 0').max(5000, 'At most 5,000'),
  condition: z.enum(['new', 'good', 'worn']),
  openedOn: z
    .string()
    .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'A day such as 2026-03-14, or empty')
    .default(''),
  dragShare: z.number().min(0.5, 'At least half the drag of a new ball').max(2, 'At most twice').default(1),
  notes,
});
/** Of a machine’s line: empty, or host, port and, where the machine shows one, its code. */
const LINE_ADDRESS = /^$|^127\.0\.0\.1:([1-9]\d{1,3}|[1-5]\d{4}|6[0-4]\d{3}|65[0-4]\d{2}|655[0-2]\d|6553[0-5])(#[A-Z2-9]{6})?$/;

export const machineBody = z.strictObject({
  name: nameSchema,
  profile: machineProfileSchema,
  dials: dialsSchema.default([]),
  today: machineTodaySchema.nullable().default(null),
  linkAddress: z
    .string()
    .regex(
      LINE_ADDRESS,
      'Leave empty, or give it as the machine’s display shows it: 127.0.0.1, a port up to 65535 and its code, such as 127.0.0.1:7101#K7Q4MD',
    )
    .default(''),
  notes,
});

export const gameBallBody = z.strictObject({ name: nameSchema, document: ownGameBallSchema, notes });

/** The kinds of things that Kit keeps, with the form each takes. */
export const KIT = {
  players: playerBody,
  squads: squadBody,
  courts: courtBody,
  balls: ballBody,
  machines: machineBody,
  gameBalls: gameBallBody,
} as const;
export type KitKind = keyof typeof KIT;
export const KIT_KINDS = Object.keys(KIT) as KitKind[];

export const ladderBody = ladderSchema;
export const rungBody = z.strictObject({
  ladderId: rowId<'ladder'>(),
  document: rungSchema,
  position: z.int().min(0).max(1000).optional(),
  /** The ladder itself, when it is made with this rung. */
  ladder: ladderSchema.optional(),
});
export const duplicateBody = z.strictObject({
  newId: rowId<'ladder'>(),
  rungIds: z.array(z.strictObject({ from: rowId<'rung'>(), to: rowId<'rung'>() })).max(200),
});

/** A ladder with all its rungs at once: built, from the library, or as a card is read back. */
export const importBody = z.strictObject({
  ladder: ladderSchema,
  /** The built-in drill it is a copy of. */
  drillId: z.string().max(80).optional(),
  rungs: z
    .array(z.strictObject({ id: rowId<'rung'>(), document: rungSchema }))
    .min(1)
    .max(24),
});

/** The whole of a ladder as it stands in the page: what is not in it is removed. */
export const wholeBody = z.strictObject({
  /** Of the ladder, as the page last had it. */
  version: z.int().min(1),
  ladder: ladderSchema,
  rungs: z.array(z.strictObject({ id: rowId<'rung'>(), document: rungSchema })).max(200),
});

export const planBody = planSchema;

/** A moment that somebody was on a court: what lies beyond is a slip of the hand, and no database keeps all of it. */
const momentSchema = z.iso
  .datetime('A moment in UTC such as 2026-03-14T16:30:00Z')
  .refine((text) => text >= '1990' && text < '2101', 'A year from 1990 to 2100');

/** Who confirmed a hard ball that leaves too little time. */
const confirmedBy = z.string().trim().min(1, 'Give the name of who confirms it').max(120, 'At most 120 characters').optional();

export const roundBody = z.strictObject({
  outingId: rowId<'outing'>(),
  rungId: rowId<'rung'>(),
  playerId: rowId<'player'>(),
  weather: weatherSchema,
  startedAt: momentSchema,
  /** The rung as the page ran it. */
  card: rungSchema.optional(),
  confirmedBy,
});

const roundNotes = z.string().max(1000, 'At most 1,000 characters');
export const finishBody = z.strictObject({ finishedAt: momentSchema, weather: weatherSchema.optional(), notes: roundNotes.optional() });
/** Something put right in a round: what is not given stays. A ball without an outcome was never thrown. */
export const correctionBody = z
  .strictObject({
    playerId: rowId<'player'>(),
    startedAt: momentSchema,
    notes: roundNotes,
    balls: z
      .array(z.strictObject({ id: rowId<'result'>(), seq: z.int().min(1).max(1000), outcome: z.enum(OUTCOMES).nullable() }))
      .min(1)
      .max(200),
  })
  .partial();
export type CorrectionBody = z.input<typeof correctionBody>;

/** Rounds that were played without the app, from paper or a spreadsheet: all of them are kept, or none. */
export const paperBody = z.strictObject({
  rounds: z
    .array(
      z.strictObject({
        id: rowId<'round'>(),
        outingId: rowId<'outing'>(),
        rungId: rowId<'rung'>(),
        playerId: rowId<'player'>(),
        startedAt: momentSchema,
        notes: roundNotes.default(''),
        /** By kind of ball, or one number for the whole round. */
        source: z.enum(['paper', 'sheet']).default('paper'),
        /** For each ball of the round what became of it, from the first; null for one that was not thrown. */
        outcomes: z.array(z.enum(OUTCOMES).nullable()).min(1, 'At least one ball').max(200, 'At most 200 balls'),
      }),
    )
    .min(1)
    .max(MOST_PAPER_ROUNDS, `At most ${MOST_PAPER_ROUNDS} rounds at once`),
});
export type PaperRound = z.input<typeof paperBody>['rounds'][number];

export const resultBody = z.strictObject({
  seq: z.int().min(1).max(1000),
  outcome: z.enum(OUTCOMES),
  speedMps: z.number().nullable(),
  elevationDeg: z.number().nullable(),
  bearingDeg: z.number().nullable(),
  radarMps: z.number().nullable(),
  /** Which ball of the card it was, and how it span; null when nothing told. */
  feedId: feedIdSchema.nullable().default(null),
  topspinRpm: z.number().nullable().default(null),
  sidespinRpm: z.number().nullable().default(null),
  gyroRpm: z.number().nullable().default(null),
  /** Where the player’s ball came down, m. */
  landXM: z.number().min(-200).max(200).nullable().default(null),
  landYM: z.number().min(-200).max(200).nullable().default(null),
  /** Where it was to be hit to, where that was another goal than its card’s; m. */
  target: z
    .strictObject({
      x: z.number().min(-200).max(200),
      y: z.number().min(-200).max(200),
      widthM: z.number().min(0.1).max(100),
      depthM: z.number().min(0.1).max(100),
    })
    .nullable()
    .default(null),
});
export type ResultBody = z.output<typeof resultBody>;

const intervalSchema = z.number('Type seconds such as 3.5').min(0.5, 'At least 0.5 s').max(120, 'At most 120 s');
const dealtSchema = z.array(z.int().min(0).max(23)).min(1).max(200);

export const commandBody = z.discriminatedUnion('do', [
  /** `from`: balls of the round that were thrown before, when it goes on after a fault or a stow. */
  z.strictObject({
    do: z.literal('arm'),
    rungId: rowId<'rung'>(),
    from: z.int().min(0).max(1000).default(0),
    /** The round it is thrown for, begun already or about to be: one that was begun goes on with its own card. */
    roundId: rowId<'round'>().optional(),
    /** The rung as the page shows it: what is thrown is what is shown. */
    document: rungSchema.optional(),
    /** The feed of each ball of the round, by its index, and its interval, where they are not the card’s. */
    dealt: dealtSchema.optional(),
    intervalS: intervalSchema.optional(),
    /** Who hits: somebody below the rung's level is judged by their own. */
    playerId: rowId<'player'>().optional(),
    confirmedBy,
  }),
  /** Other balls from the next one on, for a round that is under way: what the page shows, thrown so many balls before. */
  z.strictObject({
    do: z.literal('rest'),
    rungId: rowId<'rung'>(),
    roundId: rowId<'round'>(),
    /** Balls of the round that have left, and how many of them before the machine was armed last. */
    from: z.int().min(0).max(1000),
    armedFrom: z.int().min(0).max(1000),
    document: rungSchema,
    dealt: dealtSchema,
    intervalS: intervalSchema,
    /** To the next release of whichever machine, where two throw; null when none is due. */
    nextInS: z.number().min(0).max(600).nullable().default(null),
    playerId: rowId<'player'>().optional(),
    confirmedBy,
  }),
  /**
   * Test balls: one launch of a ball of this kind, and where the person set the dials (for the simulated machine). Of a rung, somebody may stand at the
   * plate; else nobody does, and a hard ball asks who sees to that.
   */
  z.strictObject({
    do: z.literal('test'),
    ballId: ballIdSchema,
    rungId: rowId<'rung'>().optional(),
    confirmedBy,
    launch: launchSchema,
    dials: z.array(dialPlaceSchema).max(12).optional(),
    count: z.int().min(1).max(20),
  }),
  z.strictObject({ do: z.enum(['feed', 'hold', 'stow', 'clear', 'refill']) }),
  /** Goes on with the program of that id: of the round the page shows, and no other. */
  z.strictObject({ do: z.literal('resume'), program: z.string().min(1).max(64) }),
  /** Another interval from the next ball on, for the round the page shows. */
  z.strictObject({
    do: z.literal('pace'),
    program: z.string().min(1).max(64),
    intervalS: intervalSchema,
  }),
  z.strictObject({ do: z.literal('simulate'), fault: z.enum(FAULTS) }),
]);
export type CourtsideCommand = z.input<typeof commandBody>;

/** What was ticked before and after; the outing is made when it is not there yet. */
export const outingChecksBody = z.strictObject({ startedAt: momentSchema, checks: checklistSchema });

/** Test balls of one dial; the server fits them and keeps the curve with the machine. */
export const tuneUpBody = z.strictObject({ machineId: rowId<'machine'>(), tunedAt: momentSchema, document: tuneUpSchema });

const favouriteSchema = z.string().max(80);
export const favouritesSchema = z.array(favouriteSchema).max(500);

const viewSchema = z.strictObject({
  name: nameSchema,
  query: z
    .string()
    .min(1, 'Choose something first')
    .max(400, 'At most 400 characters')
    .regex(/^[\w=&%.+*-]*$/, 'The address of a choice, such as player=…&from=2026-03-01'),
});
/** So many views a person keeps in a club. */
export const MOST_VIEWS = 40;
export const viewsSchema = z.array(viewSchema).max(MOST_VIEWS);

export const meBody = z
  .strictObject({
    units: z.enum(['imperial', 'metric']),
    /** One at a time: two pages then never undo each other. */
    favourite: z.strictObject({ id: favouriteSchema, kept: z.boolean() }),
    /** One at a time, too, by its name. */
    view: viewSchema.extend({ kept: z.boolean() }),
  })
  .partial();

/** What the owner may change of a club. */
export const clubBody = z
  .strictObject({
    name: nameSchema,
    altitudeM: z.number().min(ALTITUDE_M[0], 'At least −450 m').max(ALTITUDE_M[1], 'At most 6,000 m (19,700 ft)'),
  })
  .partial();

export const personBody = z.strictObject({ name: nameSchema, role: z.enum(ROLES) });

export const signOutBody = z.strictObject({ everywhere: z.boolean() });
