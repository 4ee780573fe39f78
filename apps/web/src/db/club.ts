import type {
  APPROACHES,
  Bats,
  Checklist,
  Dial,
  DrillId,
  Level,
  MachineProfile,
  MachineToday,
  OwnGameBall,
  PlanDocument,
  PlayerId,
  RungDocument,
  SeasonDocument,
  Sport,
  StrokeGoal,
  TuneUp,
  UnitSystem,
} from '@good-arc/core';
import { sql } from 'drizzle-orm';
import { boolean, char, double, index, int, mysqlTable, uniqueIndex, varchar } from 'drizzle-orm/mysql-core';
import type { Role } from '../api/roles.ts';
import type { SavedView } from '../api/rows.ts';
import { moment, removable, times, uuid, versioned } from './columns.ts';
import { document } from './document.ts';

/** What a copy of a built-in drill came from. */
export interface LadderOrigin {
  drillId: DrillId;
  rungs: RungDocument[];
}

export const club = mysqlTable('club', {
  id: uuid<'club'>().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  altitudeM: double().notNull(),
  /** The club's own checklist; null for the one that comes with the machine. */
  checks: document<Checklist | null>(),
  /** How usual each answer to harder balls is among its players; null while nothing told it. */
  answers: document<number[]>(),
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
    /** Choices of the logbook that this person keeps; null for none. */
    views: document<SavedView[]>(),
    ...removable(),
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

/** A row of a club. */
export const ofClub = <Kind extends string>() => ({
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
    /** From which side of a plate; null with the same hand. */
    bats: varchar({ length: 5 }).$type<Bats>(),
    heightM: double().notNull(),
    /** Year of birth: load and who may feed go by the age. Null where nobody said. */
    bornYear: int(),
    goals: varchar({ length: 500 }).notNull().default(''),
    /** Goals with a date, each of a stroke; null where none was ever set. */
    aims: document<StrokeGoal[]>(),
    /** Weeks on a ladder up to a day; null for none. */
    season: document<SeasonDocument>(),
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
