import { type Checklist, checklistSchema, firstChecklist, type MachineProfile, once } from '@good-arc/core';
import { eq, sql } from 'drizzle-orm';
import { club, outing } from '../db/schema.ts';
import { type Db, database } from './db.ts';
import type { Scope } from './scope.ts';
import type { Store } from './store.ts';

const KEPT = once((db: Db) =>
  db
    .select({ checks: club.checks })
    .from(club)
    .where(eq(club.id, sql.placeholder('clubId')))
    .prepare(),
);

/** The club's checklist, else the one that comes with the machine; so, too, when what is kept cannot be read. */
export async function readChecks(store: Store, profile: MachineProfile): Promise<Checklist> {
  const kept = store.marks ? store.marks.checks : (await store.ask(KEPT))[0]?.checks;
  return checklistSchema.safeParse(kept).data ?? firstChecklist(profile);
}

/** Changes it for the whole club; null brings back the machine's own. */
export async function writeChecks({ clubId }: Scope, checks: Checklist | null, db: Db = database()): Promise<void> {
  await db.update(club).set({ checks }).where(eq(club.id, clubId));
}

/** Keeps what was ticked with the outing, which begins with it when it is new. */
export const tickChecks = (
  store: Store,
  { personId }: Scope,
  id: string,
  { startedAt, checks }: { startedAt: string; checks: Checklist },
): Promise<void> =>
  store.transaction(async (tx) => {
    const [known] = await tx.list(outing, eq(outing.id, id));
    await tx.put(
      outing,
      { id, personId: known?.personId ?? personId, startedAt: known?.startedAt ?? new Date(startedAt), checks },
      'outing',
    );
  });
