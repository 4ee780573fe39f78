import { createHash, randomBytes } from 'node:crypto';
import { type ClubId, once, type PersonId } from '@good-arc/core';
import { and, eq, gt, isNull, type SQL, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { favouritesSchema } from '../api/schemas.ts';
import { club, membership, person, session } from '../db/schema.ts';
import { type Db, inTransaction, readied } from './db.ts';
import type { Marks, Scope } from './scope.ts';
import { marksColumn, marksFrom } from './unchanged.ts';

export const SESSION_COOKIE = 'good_arc_session';
/** A sign-in ends so long after it began, and when it was not used for so long, days. */
const SESSION_DAYS = 90;
const IDLE_DAYS = 30;
const DAY_MS = 86_400_000;
/** Its last use is written once an hour. */
const SEEN_MS = 3_600_000;
const LINK_MINUTES = 60;
/** The demo signs everybody in by itself: nobody can be anybody else there. */
export const isDemo = (): boolean => process.env.GOODARC_DEMO === '1';
/** The person a demo visitor is signed in as. */
export const DEMO_EMAIL = 'coach@marrowfield.example';

const hash = (token: string): string => createHash('sha256').update(token).digest('hex');

const SCOPE = {
  clubId: club.id,
  clubName: club.name,
  altitudeM: club.altitudeM,
  personId: person.id,
  personName: person.name,
  role: membership.role,
  units: person.units,
  favourites: person.favourites,
};

/** Marks of favourites that cannot be read are as good as none. */
const readableFavourites = (kept: unknown): string[] => favouritesSchema.safeParse(kept).data ?? [];

/** Puts one favourite of a person's in or out, whatever another page of theirs does meanwhile. */
export async function keepFavourite(db: Db, personId: string, { id, kept }: { id: string; kept: boolean }): Promise<void> {
  await inTransaction(db, async (tx) => {
    const [own] = await tx.select({ favourites: person.favourites }).from(person).where(eq(person.id, personId)).for('update');
    const others = readableFavourites(own?.favourites).filter((each) => each !== id);
    await tx
      .update(person)
      .set({ favourites: kept ? [...others, id].slice(-500) : others })
      .where(eq(person.id, personId));
  });
}

/** Who asks, and what a page of theirs may keep from the last time. */
export interface Visitor {
  scope: Scope;
  marks: Marks | null;
}

/** With the marks, or none: a page asks for both in one statement. */
const columnsOf = (withMarks: boolean) => ({
  ...SCOPE,
  marks: withMarks ? marksColumn(sql.placeholder('clubId')) : sql<string>`''`,
  checks: (withMarks ? sql`${club.checks}` : sql`NULL`).mapWith(club.checks),
  views: (withMarks ? sql`${membership.views}` : sql`NULL`).mapWith(membership.views),
});

function visitorOf({ marks, checks, views, ...scope }: Scope & { marks: string; checks: unknown; views: unknown }): Visitor {
  return {
    scope: { ...scope, favourites: readableFavourites(scope.favourites) },
    marks: marks === '' ? null : { ...marksFrom(marks), checks, views },
  };
}

/** With the marks it is long, and what every page asks: the database keeps it ready. */
const keptReady = (db: Db, withMarks: boolean): Db => (withMarks ? readied(db) : db);

/** Marks are of the club whose id the statement is given: of somebody who is not known yet it is asked twice. @param believed whose club it was the last time */
async function inOwnClub<Row extends { clubId: string }>(
  ask: (clubId: string) => Promise<Row[]>,
  believed: string,
): Promise<Row | undefined> {
  const [row] = await ask(believed);
  return row && row.clubId !== believed ? inOwnClub(ask, row.clubId) : row;
}

/** What is asked about a visitor. `believed`: the id of their club, as they were last seen */
interface Wanted {
  withMarks?: boolean;
  believed?: string | undefined;
}

/** A session that is good (placeholders `tokenHash`, `now`, `idle`), of somebody who belongs to its club. */
const IS_GOOD = and(
  eq(session.tokenHash, sql.placeholder('tokenHash')),
  eq(session.oneTime, false),
  gt(session.expiresAt, sql.placeholder('now')),
  gt(session.seenAt, sql.placeholder('idle')),
);
const OF_MEMBER = and(eq(session.personId, membership.personId), eq(session.clubId, membership.clubId), isNull(membership.deletedAt));
const goodToken = (token: string, now: Date) => ({ tokenHash: hash(token), now, idle: new Date(now.getTime() - IDLE_DAYS * DAY_MS) });

/** As statements ask it besides: a row while somebody is signed in as they were a moment ago (placeholders as `toProve` names them, and `clubId`). */
export const STILL_IN: Record<'demo' | 'session', (db: Db) => SQL> = {
  demo: (db) =>
    db
      .select({ one: sql`1` })
      .from(membership)
      .innerJoin(person, eq(person.id, membership.personId))
      .where(
        and(eq(person.email, DEMO_EMAIL), eq(membership.clubId, sql.placeholder('clubId')), eq(person.id, sql.placeholder('personId'))),
      )
      .getSQL(),
  session: (db) =>
    db
      .select({ one: sql`1` })
      .from(session)
      .innerJoin(membership, OF_MEMBER)
      .where(and(IS_GOOD, eq(session.clubId, sql.placeholder('clubId')), eq(session.personId, sql.placeholder('personId'))))
      .getSQL(),
};

/** What `STILL_IN` is to find. */
export const toProve = (token: string, { personId }: Scope, now = new Date()): Record<string, unknown> => ({
  ...goodToken(token, now),
  personId,
});

const demoCoach = (withMarks: boolean) =>
  once((db: Db) =>
    keptReady(db, withMarks)
      .select(columnsOf(withMarks))
      .from(membership)
      .innerJoin(club, eq(club.id, membership.clubId))
      .innerJoin(person, eq(person.id, membership.personId))
      .where(eq(person.email, DEMO_EMAIL))
      .limit(1)
      .prepare(),
  );
const [demoCoachAlone, demoCoachMarked] = [demoCoach(false), demoCoach(true)];

/** The demo coach, or null when the demo data is not there. */
export async function demoVisitor(db: Db, { withMarks = false, believed = '' }: Wanted = {}): Promise<Visitor | null> {
  const row = withMarks
    ? await inOwnClub((clubId) => demoCoachMarked(db).execute({ clubId }), believed)
    : (await demoCoachAlone(db).execute())[0];
  return row ? visitorOf(row) : null;
}

/** Asked of every request: put together once for a database. */
const holderOf = (withMarks: boolean) =>
  once((db: Db) =>
    keptReady(db, withMarks)
      .select({ ...columnsOf(withMarks), seenAt: session.seenAt })
      .from(session)
      .innerJoin(membership, OF_MEMBER)
      .innerJoin(club, eq(club.id, membership.clubId))
      .innerJoin(person, eq(person.id, membership.personId))
      .where(IS_GOOD)
      .limit(1)
      .prepare(),
  );
const [holderAlone, holderMarked] = [holderOf(false), holderOf(true)];

/** Who holds this session token; null when it is unknown or over. Using it keeps it from ending idly. */
export async function visitorOfToken(
  db: Db,
  token: string,
  { withMarks = false, believed = '', now = new Date() }: Wanted & { now?: Date } = {},
): Promise<Visitor | null> {
  const asked = goodToken(token, now);
  const held = withMarks
    ? await inOwnClub((clubId) => holderMarked(db).execute({ ...asked, clubId }), believed)
    : (await holderAlone(db).execute(asked))[0];
  if (!held) return null;
  const { seenAt, ...visitor } = held;
  if (now.getTime() - seenAt.getTime() > SEEN_MS)
    await db
      .update(session)
      .set({ seenAt: now })
      .where(eq(session.tokenHash, hash(token)));
  return visitorOf(visitor);
}

/** Ends this sign-in, or every one of the person’s. */
export async function signOut(db: Db, token: string, { everywhere, personId }: { everywhere: boolean; personId: PersonId }): Promise<void> {
  await db.delete(session).where(everywhere ? eq(session.personId, personId) : eq(session.tokenHash, hash(token)));
}

/** Makes a session, or a one-time link to one; a new link ends the older ones. @returns the token, which is stored nowhere */
export async function makeToken(db: Db, { clubId, personId }: { clubId: ClubId; personId: PersonId }, oneTime: boolean): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  const lastsMs = oneTime ? LINK_MINUTES * 60_000 : SESSION_DAYS * DAY_MS;
  if (oneTime) await db.delete(session).where(and(eq(session.personId, personId), eq(session.oneTime, true)));
  await db
    .insert(session)
    .values({ id: uuidv7(), clubId, personId, tokenHash: hash(token), oneTime, expiresAt: new Date(Date.now() + lastsMs) });
  return token;
}

/** Turns a one-time link into a session. @returns the session's token, or null when the link was used or is over */
export async function redeem(db: Db, token: string): Promise<string | null> {
  return inTransaction(db, async (tx) => {
    const [link] = await tx
      .select()
      .from(session)
      .where(and(eq(session.tokenHash, hash(token)), eq(session.oneTime, true), gt(session.expiresAt, new Date())))
      .for('update');
    if (!link) return null;
    await tx.delete(session).where(eq(session.id, link.id));
    return makeToken(tx, link, false);
  });
}

export const SESSION_SECONDS = SESSION_DAYS * 86_400;
