import type { APPROACHES, Level, MachineProfile, RungDocument, Sport, UnitSystem, Weather } from '@good-arc/core';
import { sql } from 'drizzle-orm';
import { boolean, char, customType, datetime, double, index, int, mysqlTable, uniqueIndex, varchar } from 'drizzle-orm/mysql-core';

/** UUIDv7, made by the client. */
const uuid = () => char({ length: 36 });
/** A moment in UTC, to the millisecond. */
const moment = () => datetime({ mode: 'date', fsp: 3 });
/** JSON that is parsed on the way out whatever the driver did with it (MariaDB stores it as text). */
const document = <T>() =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'json',
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => (typeof value === 'string' ? JSON.parse(value) : value) as T,
  })();

const times = () => ({
  createdAt: moment().notNull().default(sql`(utc_timestamp(3))`),
  updatedAt: moment()
    .notNull()
    .default(sql`(utc_timestamp(3))`)
    .$onUpdate(() => new Date()),
});
/** Soft delete: a row with a time here is gone for everyone until it is restored. */
const removable = () => ({ ...times(), deletedAt: moment() });

export const club = mysqlTable('club', {
  id: uuid().primaryKey(),
  name: varchar({ length: 120 }).notNull(),
  altitudeM: double().notNull(),
  ...times(),
});

export const person = mysqlTable(
  'person',
  {
    id: uuid().primaryKey(),
    name: varchar({ length: 120 }).notNull(),
    email: varchar({ length: 200 }).notNull(),
    units: varchar({ length: 12 }).$type<UnitSystem>().notNull().default('imperial'),
    theme: varchar({ length: 12 }).$type<'chalk' | 'dusk'>().notNull().default('chalk'),
    ...times(),
  },
  (t) => [uniqueIndex('person_email').on(t.email)],
);

export const ROLES = ['owner', 'coach', 'helper'] as const;
export type Role = (typeof ROLES)[number];

export const membership = mysqlTable(
  'membership',
  {
    id: uuid().primaryKey(),
    clubId: uuid()
      .notNull()
      .references(() => club.id),
    personId: uuid()
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
    id: uuid().primaryKey(),
    clubId: uuid()
      .notNull()
      .references(() => club.id),
    personId: uuid()
      .notNull()
      .references(() => person.id),
    tokenHash: char({ length: 64 }).notNull(),
    oneTime: boolean().notNull().default(false),
    expiresAt: moment().notNull(),
    ...times(),
  },
  (t) => [uniqueIndex('session_token').on(t.tokenHash)],
);

const ofClub = () => ({
  id: uuid().primaryKey(),
  clubId: uuid()
    .notNull()
    .references(() => club.id),
});

export const player = mysqlTable(
  'player',
  {
    ...ofClub(),
    name: varchar({ length: 120 }).notNull(),
    level: varchar({ length: 12 }).$type<Level>().notNull(),
    hand: varchar({ length: 5 }).$type<'left' | 'right'>().notNull(),
    heightM: double().notNull(),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...removable(),
  },
  (t) => [index('player_club').on(t.clubId)],
);

export const court = mysqlTable(
  'court',
  {
    ...ofClub(),
    name: varchar({ length: 120 }).notNull(),
    sport: varchar({ length: 12 }).$type<Sport>().notNull(),
    surfaceId: varchar({ length: 40 }).notNull(),
    indoor: boolean().notNull().default(false),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...removable(),
  },
  (t) => [index('court_club').on(t.clubId)],
);

export const ballStock = mysqlTable(
  'ball_stock',
  {
    ...ofClub(),
    name: varchar({ length: 120 }).notNull(),
    ballId: varchar({ length: 40 }).notNull(),
    count: int().notNull(),
    condition: varchar({ length: 12 }).$type<'new' | 'good' | 'worn'>().notNull(),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...removable(),
  },
  (t) => [index('ball_stock_club').on(t.clubId)],
);

export const machine = mysqlTable(
  'machine',
  {
    ...ofClub(),
    name: varchar({ length: 120 }).notNull(),
    profile: document<MachineProfile>().notNull(),
    /** `127.0.0.1:port` of its line, or empty for a machine that is worked by hand. */
    linkAddress: varchar({ length: 60 }).notNull().default(''),
    notes: varchar({ length: 500 }).notNull().default(''),
    ...removable(),
  },
  (t) => [index('machine_club').on(t.clubId)],
);

export const ladder = mysqlTable(
  'ladder',
  {
    ...ofClub(),
    name: varchar({ length: 120 }).notNull(),
    sport: varchar({ length: 12 }).$type<Sport>().notNull(),
    level: varchar({ length: 12 }).$type<Level>().notNull(),
    approach: varchar({ length: 12 }).$type<(typeof APPROACHES)[number]>().notNull(),
    ...removable(),
  },
  (t) => [index('ladder_club').on(t.clubId)],
);

export const rung = mysqlTable(
  'rung',
  {
    ...ofClub(),
    ladderId: uuid()
      .notNull()
      .references(() => ladder.id),
    /** From the bottom, the easiest, up. */
    position: int().notNull(),
    document: document<RungDocument>().notNull(),
    ...removable(),
  },
  (t) => [index('rung_ladder').on(t.ladderId, t.position)],
);

export const outing = mysqlTable(
  'outing',
  {
    ...ofClub(),
    personId: uuid()
      .notNull()
      .references(() => person.id),
    startedAt: moment().notNull(),
    ...removable(),
  },
  (t) => [index('outing_club').on(t.clubId, t.startedAt)],
);

export const round = mysqlTable(
  'round',
  {
    ...ofClub(),
    outingId: uuid()
      .notNull()
      .references(() => outing.id),
    rungId: uuid()
      .notNull()
      .references(() => rung.id),
    playerId: uuid()
      .notNull()
      .references(() => player.id),
    machineId: uuid()
      .notNull()
      .references(() => machine.id),
    courtId: uuid()
      .notNull()
      .references(() => court.id),
    /** The rung as it was when the round began. */
    card: document<RungDocument>().notNull(),
    weather: document<Weather>().notNull(),
    startedAt: moment().notNull(),
    finishedAt: moment(),
    ...removable(),
  },
  (t) => [index('round_club').on(t.clubId, t.startedAt)],
);

export const result = mysqlTable(
  'result',
  {
    ...ofClub(),
    roundId: uuid()
      .notNull()
      .references(() => round.id),
    /** Ball of the round, from 1. */
    seq: int().notNull(),
    outcome: varchar({ length: 12 }).notNull(),
    /** What the machine said it threw, m/s and degrees; null for a ball fed by hand. */
    speedMps: double(),
    elevationDeg: double(),
    bearingDeg: double(),
    radarMps: double(),
    ...removable(),
  },
  (t) => [index('result_round').on(t.roundId, t.seq)],
);
