import type { PersonId } from '@good-arc/core';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { z } from 'zod';
import type { ClubFacts, MemberRow } from '../api/rows.ts';
import type { clubBody, personBody } from '../api/schemas.ts';
import { club, membership, person, session } from '../db/schema.ts';
import { type Db, inTransaction, isDuplicate } from './db.ts';
import { knownTokens } from './known.ts';
import { notFound, Refusal } from './problem.ts';
import type { Scope } from './scope.ts';
import { isDemo, makeToken } from './session.ts';

const ofClub = ({ clubId }: Scope, id: PersonId) => and(eq(membership.clubId, clubId), eq(membership.personId, id));

/** Who may sign in to the club, by name. */
export function readPeople(db: Db, { clubId }: Scope): Promise<MemberRow[]> {
  return db
    .select({ id: person.id, name: person.name, role: membership.role })
    .from(membership)
    .innerJoin(person, eq(person.id, membership.personId))
    .where(and(eq(membership.clubId, clubId), isNull(membership.deletedAt)))
    .orderBy(asc(person.name), asc(person.id));
}

/** What Kit shows of the club to who asks. */
export async function clubFacts(db: Db, scope: Scope): Promise<ClubFacts> {
  const mayChange = scope.role === 'owner';
  const people = mayChange && !isDemo() ? await readPeople(db, scope) : null;
  return { name: scope.clubName, altitudeM: scope.altitudeM, me: scope.personId, people, mayChange };
}

export async function changeClub(db: Db, { clubId }: Scope, body: z.output<typeof clubBody>): Promise<void> {
  const { name, altitudeM } = body;
  const values = { ...(name !== undefined && { name }), ...(altitudeM !== undefined && { altitudeM }) };
  if (Object.keys(values).length > 0) await db.update(club).set(values).where(eq(club.id, clubId));
}

/**
 * Adds somebody to the club, or changes what they are called and may do; one who was removed is back. Sent twice it is the same.
 * @throws Refusal 409 when it would take the club from who asks; 404 when the id is somebody's of another club
 */
export async function putPerson(db: Db, scope: Scope, id: PersonId, { name, role }: z.output<typeof personBody>): Promise<void> {
  if (id === scope.personId && role !== 'owner')
    throw new Refusal(409, 'You own this club: make somebody else an owner first, who can then change what you are.', [
      { pointer: '/role', detail: 'Owner, for yourself.' },
    ]);
  await inTransaction(db, async (tx) => {
    const [known] = await tx.select({ id: membership.id }).from(membership).where(ofClub(scope, id)).for('update');
    if (known) {
      await tx.update(person).set({ name }).where(eq(person.id, id));
      await tx.update(membership).set({ role, deletedAt: null }).where(eq(membership.id, known.id));
      return;
    }
    try {
      // nobody is written to: the address only has to be one's own
      await tx.insert(person).values({ id, name, email: `${id}@member.invalid` });
    } catch (error) {
      if (isDuplicate(error)) throw notFound('person');
      throw error;
    }
    await tx.insert(membership).values({ id: uuidv7(), clubId: scope.clubId, personId: id, role });
  });
}

/** Somebody no longer belongs to the club, and is signed out of it everywhere; what they did stays. @throws Refusal 409 for oneself, 404 for nobody */
export async function removePerson(db: Db, scope: Scope, id: PersonId): Promise<void> {
  if (id === scope.personId) throw new Refusal(409, 'You cannot remove yourself. Another owner can.');
  await inTransaction(db, async (tx) => {
    const [change] = await tx
      .update(membership)
      .set({ deletedAt: new Date() })
      .where(and(ofClub(scope, id), isNull(membership.deletedAt)));
    if (change.affectedRows === 0) throw notFound('person');
    await tx.delete(session).where(and(eq(session.clubId, scope.clubId), eq(session.personId, id)));
  });
  knownTokens.forget('', id);
}

/**
 * A link that signs one browser in, once, within the hour: for another device of one's own, or for somebody the owner added. A new one ends the older.
 * @returns its token, which is kept nowhere
 * @throws Refusal 403 for somebody else's without being the owner, 404 for nobody of the club, 409 in the demo
 */
export async function signInToken(db: Db, scope: Scope, id: PersonId): Promise<string> {
  const [member] = await db
    .select({ id: membership.id })
    .from(membership)
    .where(and(ofClub(scope, id), isNull(membership.deletedAt)));
  if (!member) throw notFound('person');
  if (id !== scope.personId && scope.role !== 'owner') throw new Refusal(403, 'Only the owner of the club signs others in.');
  if (isDemo()) throw new Refusal(409, 'The demo signs everybody in by itself.');
  return makeToken(db, { clubId: scope.clubId, personId: id }, true);
}
