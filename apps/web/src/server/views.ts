import { once } from '@good-arc/core';
import { and, eq, sql } from 'drizzle-orm';
import type { SavedView } from '../api/rows.ts';
import { MOST_VIEWS, viewsSchema } from '../api/schemas.ts';
import { membership } from '../db/schema.ts';
import { type Db, inTransaction } from './db.ts';
import { Refusal } from './problem.ts';
import type { Scope } from './scope.ts';
import type { Store } from './store.ts';

const own = ({ clubId, personId }: Scope) => and(eq(membership.clubId, clubId), eq(membership.personId, personId));
/** Views that cannot be read are as good as none. */
const readable = (kept: unknown): SavedView[] => viewsSchema.safeParse(kept).data ?? [];

const KEPT = once((db: Db) =>
  db
    .select({ views: membership.views })
    .from(membership)
    .where(and(eq(membership.clubId, sql.placeholder('clubId')), eq(membership.personId, sql.placeholder('personId'))))
    .prepare(),
);

/** Choices of the logbook that the person keeps in this club, by name. */
export async function readViews(store: Store, { personId }: Pick<Scope, 'personId'>): Promise<SavedView[]> {
  if (store.marks) return readable(store.marks.views);
  const [row] = await store.ask(KEPT, { personId });
  return readable(row?.views);
}

/**
 * Puts one in, in place of another of that name, or takes it out, whatever another page of theirs does meanwhile.
 * @throws Refusal 400 when there are too many
 */
export async function keepView(db: Db, scope: Scope, { name, query, kept }: SavedView & { kept: boolean }): Promise<void> {
  await inTransaction(db, async (tx) => {
    const [row] = await tx.select({ views: membership.views }).from(membership).where(own(scope)).for('update');
    const others = readable(row?.views).filter((each) => each.name !== name);
    if (kept && others.length >= MOST_VIEWS)
      throw new Refusal(400, 'Bad input', [{ pointer: '/view', detail: `At most ${MOST_VIEWS}: take one out first.` }]);
    const views = kept ? [...others, { name, query }].sort((a, b) => a.name.localeCompare(b.name)) : others;
    await tx.update(membership).set({ views }).where(own(scope));
  });
}
