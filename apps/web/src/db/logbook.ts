import type { Checklist, FeedId, RungDocument, Weather } from '@good-arc/core';
import { boolean, double, index, int, mysqlTable, smallint, varchar } from 'drizzle-orm/mysql-core';
import type { LiveShown, LiveWish } from '../api/live.ts';
import { court, machine, ofClub, person, player, rung } from './club.ts';
import { moment, removable, uuid } from './columns.ts';
import { document } from './document.ts';

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

export const ROUND_SOURCES = ['court', 'paper', 'sheet'] as const;
export type RoundSource = (typeof ROUND_SOURCES)[number];

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
    /** Its target was sized for who hit (as the column is named), or its speeds were secret: it tells nothing of the rung. */
    forLearning: boolean('own_target').notNull().default(false),
    weather: document<Weather>().notNull(),
    /** Who confirmed a hard ball that leaves too little time. */
    confirmedBy: varchar({ length: 120 }),
    notes: varchar({ length: 1000 }).notNull().default(''),
    /** Off the court ball by ball; added afterwards from paper, by kind of ball; from a spreadsheet, where one number stands for the whole round. */
    source: varchar({ length: 12 }).$type<RoundSource>().notNull().default('court'),
    startedAt: moment().notNull(),
    finishedAt: moment(),
    /** What its balls come to, kept with each of them (`server/sums.ts`): what counted and was hit, how often somebody swung, and both for the gate of its rung. */
    hits: smallint({ unsigned: true }).notNull().default(0),
    balls: smallint({ unsigned: true }).notNull().default(0),
    swings: smallint({ unsigned: true }).notNull().default(0),
    gateHits: smallint({ unsigned: true }).notNull().default(0),
    gateBalls: smallint({ unsigned: true }).notNull().default(0),
    ...removable(),
  },
  (t) => [
    // with what is asked of many rounds at once: a row with its card is ten times as far to fetch
    index('round_newest').on(t.clubId, t.startedAt, t.id, t.deletedAt, t.playerId, t.rungId, t.forLearning, t.balls, t.hits),
    index('round_rung').on(t.rungId, t.startedAt, t.id, t.clubId, t.deletedAt, t.playerId, t.forLearning, t.gateBalls, t.gateHits),
    index('round_player').on(t.playerId, t.startedAt, t.id, t.clubId, t.deletedAt, t.updatedAt),
    index('round_player_rung').on(t.playerId, t.rungId, t.startedAt, t.id, t.clubId, t.deletedAt, t.updatedAt),
    index('round_court').on(t.courtId, t.startedAt, t.id),
    index('round_touched').on(t.clubId, t.updatedAt),
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
    /** Where it was to be hit to and how large that was, m, where the goal was another than the card’s; null otherwise. */
    targetXM: double(),
    targetYM: double(),
    targetWidthM: double(),
    targetDepthM: double(),
    /** The later result of the same ball that stands in its place; a row with one is removed, and kept as its history. */
    replacedBy: uuid<'result'>(),
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

/** What the device that runs a round shows of it, for the others that follow. The row has the id of its round. */
export const live = mysqlTable(
  'live',
  {
    ...ofClub<'round'>(),
    shown: document<LiveShown>().notNull(),
    shownAt: moment().notNull(),
    /** What another device asked for last; the one that runs the round takes it up. */
    wish: document<LiveWish | null>(),
    /** When another device looked last. */
    followedAt: moment(),
    ...removable(),
  },
  (t) => [index('live_shown').on(t.clubId, t.shownAt)],
);
