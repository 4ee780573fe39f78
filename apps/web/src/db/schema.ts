import type {
  APPROACHES,
  Checklist,
  Dial,
  DrillId,
  FeedId,
  IdOf,
  Level,
  MachineProfile,
  MachineToday,
  OwnGameBall,
  PlanDocument,
  PlayerId,
  RungDocument,
  Sport,
  TuneUp,
  UnitSystem,
  Weather,
} from '@good-arc/core';
import { sql } from 'drizzle-orm';
import { boolean, char, datetime, double, index, int, mysqlTable, uniqueIndex, varchar } from 'drizzle-orm/mysql-core';
import { document } from './document.ts';

/** What a copy of a built-in drill came from. */
export interface LadderOrigin {
  drillId: DrillId;
  rungs: RungDocument[];
}

/** UUIDv7, made by the client. */
const uuid = <Kind extends string>() => char({ length: 36 }).$type<IdOf<Kind>>();
/** A moment in UTC, to the millisecond. */
const moment = () => datetime({ mode: 'date', fsp: 3 });

const times = () => ({
  createdAt: moment().notNull().default(sql`(utc_timestamp(3))`),
  updatedAt: moment()
    .notNull()
    .default(sql`(utc_timestamp(3))`)
    .$onUpdate(() => new Date()),
});
/** Counts the changes of a row that people edit: who saves from an older one is told. */
const versioned = () => ({ version: int().notNull().default(1) });
/** Soft delete: a row with a time here is gone for everyone until it is restored. */
const removable = () => ({ ...times(), deletedAt: moment() });

export const club = mysqlTable('club', {
  id: uuid<'club'>().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  altitudeM: double().notNull(),
  /** The club's own checklist; null for the one that comes with the machine. */
  checks: document<Checklist | null>(),
  ...times(),
});

export const person = mysqlTable(
  'person',
  {
    id: uuid<'person'>().primaryKey(),
    name: varchar({ length: 120 }).notNull(),
    email: varchar({ length: 200 }).notNull(),
    units: varchar({ length: 12 }).$type<UnitSystem>().notNull().default('imperial'),
    /** Ids of ladders and of built-in drills. */
    favourites: document<string[]>()
      .notNull()
      .$default(() => []),
    ...times(),
  },
  (t) => [uniqueIndex('person_email').on(t.email)],
);

export const ROLES = ['owner', 'coach', 'helper'] as const;
export type Role = (typeof ROLES)[number];

export const membership = mysqlTable(
  'membership',
  {
    id: uuid<'membership'>().primaryKey(),
    clubId: uuid<'club'>()
      .notNull()
      .references(() => club.id),
    personId: uuid<'person'>()
      .notNull()
      .references(() => person.id),
    role: varchar({ length: 12 }).$type<Role>().notNull(),
    ...times(),
  },
  (t) => [uniqueIndex('membership_once').on(t.clubId, t.personId)],
);

/** A signed-in browser, or a one-time link that becomes one. Only hashes of the tokens are stored. */
export const session = mysqlTable(
  'session',
  {
    id: uuid<'session'>().primaryKey(),
    clubId: uuid<'club'>()
      .notNull()
      .references(() => club.id),
    personId: uuid<'person'>()
      .notNull()
      .references(() => person.id),
    tokenHash: char({ length: 64 }).notNull(),
    oneTime: boolean().notNull().default(false),
    expiresAt: moment().notNull(),
    /** Last used, to the hour. */
    seenAt: moment().notNull().default(sql`(utc_timestamp(3))`),
    ...times(),
  },
  (t) => [uniqueIndex('session_token').on(t.tokenHash), index('session_person').on(t.personId)],
);

const ofClub = <Kind extends string>() => ({
  id: uuid<Kind>().primaryKey(),
  clubId: uuid<'club'>()
    .notNull()
    .references(() => club.id),
});

export const player = mysqlTable(
  'player',
  {
    ...ofClub<'player'>(),
    name: varchar({ length: 120 }).notNull(),
    level: varchar({ length: 12 }).$type<Level>().notNull(),
    hand: varchar({ length: 5 }).$type<'left' | 'right'>().notNull(),
    heightM: double().notNull(),
    /** Year of birth: load and who may feed go by the age. Null where nobody said. */
    bornYear: int(),
    goals: varchar({ length: 500 }).notNull().default(''),
    /** What this player should not do: a sore shoulder, serves on two days running. */
    avoid: varchar({ length: 500 }).notNull().default(''),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('player_club').on(t.clubId)],
);

/** Players who come together. */
export const squad = mysqlTable(
  'squad',
  {
    ...ofClub<'squad'>(),
    name: varchar({ length: 120 }).notNull(),
    playerIds: document<PlayerId[]>().notNull(),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('squad_club').on(t.clubId)],
);

export const court = mysqlTable(
  'court',
  {
    ...ofClub<'court'>(),
    name: varchar({ length: 120 }).notNull(),
    sport: varchar({ length: 12 }).$type<Sport>().notNull(),
    surfaceId: varchar({ length: 40 }).notNull(),
    indoor: boolean().notNull().default(false),
    /** Clear height over an indoor court, m. */
    ceilingM: double(),
    /** Painted distances from the plate tip along the cage, m. */
    marksM: document<number[]>()
      .notNull()
      .$default(() => []),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('court_club').on(t.clubId)],
);

export const ballStock = mysqlTable(
  'ball_stock',
  {
    ...ofClub<'basket'>(),
    name: varchar({ length: 120 }).notNull(),
    ballId: varchar({ length: 40 }).notNull(),
    count: int().notNull(),
    condition: varchar({ length: 12 }).$type<'new' | 'good' | 'worn'>().notNull(),
    /** Day they were opened, or empty. */
    openedOn: varchar({ length: 10 }).notNull().default(''),
    /** Multiplies the drag of their kind: 1 until a tune-up found it. */
    dragShare: double().notNull().default(1),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('ball_stock_club').on(t.clubId)],
);

/** A game ball of the club’s own, beside those of the book. */
export const gameBall = mysqlTable(
  'game_ball',
  {
    ...ofClub<'game-ball'>(),
    name: varchar({ length: 120 }).notNull(),
    document: document<OwnGameBall>().notNull(),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('game_ball_club').on(t.clubId)],
);

export const machine = mysqlTable(
  'machine',
  {
    ...ofClub<'machine'>(),
    name: varchar({ length: 120 }).notNull(),
    profile: document<MachineProfile>().notNull(),
    dials: document<Dial[]>()
      .notNull()
      .$default(() => []),
    /** What was seen of it on one day, beside its curves. */
    today: document<MachineToday | null>(),
    /** `127.0.0.1:port` of its line, or empty for a machine that is worked by hand. */
    linkAddress: varchar({ length: 60 }).notNull().default(''),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('machine_club').on(t.clubId)],
);

/** Test balls of one dial; the curve they gave is kept with the dial. */
export const tuneUp = mysqlTable(
  'tune_up',
  {
    ...ofClub<'tune-up'>(),
    machineId: uuid<'machine'>()
      .notNull()
      .references(() => machine.id),
    personId: uuid<'person'>()
      .notNull()
      .references(() => person.id),
    document: document<TuneUp>().notNull(),
    tunedAt: moment().notNull(),
    ...removable(),
  },
  (t) => [index('tune_up_machine').on(t.machineId, t.tunedAt)],
);

export const ladder = mysqlTable(
  'ladder',
  {
    ...ofClub<'ladder'>(),
    name: varchar({ length: 120 }).notNull(),
    sport: varchar({ length: 12 }).$type<Sport>().notNull(),
    level: varchar({ length: 12 }).$type<Level>().notNull(),
    approach: varchar({ length: 12 }).$type<(typeof APPROACHES)[number]>().notNull(),
    /** The built-in drill it was copied from, with the rungs as they came. */
    origin: document<LadderOrigin | null>(),
    /** Counts every change of it or of its rungs, so that a page that has not seen the last one is told. */
    version: int().notNull().default(1),
    ...removable(),
  },
  (t) => [index('ladder_club').on(t.clubId)],
);

export const rung = mysqlTable(
  'rung',
  {
    ...ofClub<'rung'>(),
    ladderId: uuid<'ladder'>()
      .notNull()
      .references(() => ladder.id),
    /** From the bottom, the easiest, up. */
    position: int().notNull(),
    document: document<RungDocument>().notNull(),
    ...removable(),
  },
  (t) => [index('rung_ladder').on(t.ladderId, t.position)],
);

export const ROUND_SOURCES = ['court', 'paper', 'sheet'] as const;
export type RoundSource = (typeof ROUND_SOURCES)[number];

/** An outing that is planned: who, when, in which stations. */
export const plan = mysqlTable(
  'plan',
  {
    ...ofClub<'plan'>(),
    ladderId: uuid<'ladder'>()
      .notNull()
      .references(() => ladder.id),
    /** Local day and time, as the person typed it. */
    startsAt: varchar({ length: 16 }).notNull(),
    document: document<PlanDocument>().notNull(),
    ...versioned(),
    ...removable(),
  },
  (t) => [index('plan_club').on(t.clubId, t.startsAt)],
);

export const outing = mysqlTable(
  'outing',
  {
    ...ofClub<'outing'>(),
    personId: uuid<'person'>()
      .notNull()
      .references(() => person.id),
    startedAt: moment().notNull(),
    /** What was ticked of the checklist, in its own words. */
    checks: document<Checklist | null>(),
    ...removable(),
  },
  (t) => [index('outing_club').on(t.clubId, t.startedAt)],
);

export const round = mysqlTable(
  'round',
  {
    ...ofClub<'round'>(),
    outingId: uuid<'outing'>()
      .notNull()
      .references(() => outing.id),
    rungId: uuid<'rung'>()
      .notNull()
      .references(() => rung.id),
    playerId: uuid<'player'>()
      .notNull()
      .references(() => player.id),
    machineId: uuid<'machine'>()
      .notNull()
      .references(() => machine.id),
    courtId: uuid<'court'>()
      .notNull()
      .references(() => court.id),
    /** The rung as it was when the round began. */
    card: document<RungDocument>().notNull(),
    weather: document<Weather>().notNull(),
    /** Who confirmed a hard ball that leaves too little time. */
    confirmedBy: varchar({ length: 120 }),
    notes: varchar({ length: 1000 }).notNull().default(''),
    /** Off the court ball by ball; added afterwards from paper, by kind of ball; from a spreadsheet, where one number stands for the whole round. */
    source: varchar({ length: 12 }).$type<RoundSource>().notNull().default('court'),
    startedAt: moment().notNull(),
    finishedAt: moment(),
    ...removable(),
  },
  (t) => [
    index('round_newest').on(t.clubId, t.startedAt, t.id),
    index('round_rung').on(t.rungId, t.startedAt, t.id),
    index('round_player').on(t.playerId, t.startedAt, t.id),
    index('round_court').on(t.courtId, t.startedAt, t.id),
  ],
);

export const result = mysqlTable(
  'result',
  {
    ...ofClub<'result'>(),
    roundId: uuid<'round'>()
      .notNull()
      .references(() => round.id),
    /** Ball of the round, from 1. */
    seq: int().notNull(),
    /** Which ball of the round’s card it was; null for one of before it was kept. */
    feedId: varchar({ length: 36 }).$type<FeedId>(),
    outcome: varchar({ length: 12 }).notNull(),
    /** What it counts as by the round’s card: a hit (true), a miss, or nothing. */
    hit: boolean(),
    /** What the machine said it threw, m/s, degrees and rpm; null for a ball fed by hand. */
    speedMps: double(),
    elevationDeg: double(),
    bearingDeg: double(),
    topspinRpm: double(),
    sidespinRpm: double(),
    gyroRpm: double(),
    radarMps: double(),
    /** Where the player’s ball came down, m, where somebody tapped it. */
    landXM: double(),
    landYM: double(),
    /** The later result of the same ball that stands in its place; a row with one is removed, and kept as its history. */
    replacedBy: char({ length: 36 }).$type<IdOf<'result'>>(),
    ...removable(),
  },
  (t) => [index('result_round').on(t.roundId, t.seq)],
);

export const CORRECTIONS = ['player', 'moment', 'notes', 'ball'] as const;
export type CorrectionOf = (typeof CORRECTIONS)[number];

/** What was put right in a round afterwards: who did it, what it was before, and since. */
export const correction = mysqlTable(
  'correction',
  {
    ...ofClub<'correction'>(),
    roundId: uuid<'round'>()
      .notNull()
      .references(() => round.id),
    personId: uuid<'person'>()
      .notNull()
      .references(() => person.id),
    what: varchar({ length: 12 }).$type<CorrectionOf>().notNull(),
    /** Ball of the round, where it is of one. */
    seq: int(),
    was: varchar({ length: 1000 }).notNull(),
    became: varchar({ length: 1000 }).notNull(),
    ...removable(),
  },
  (t) => [index('correction_round').on(t.roundId, t.createdAt)],
);
