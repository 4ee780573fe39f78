import { rungSchema } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import type { LadderRow, RungRow } from '../api/rows.ts';
import { ladder, rung } from '../db/schema.ts';
import { Refusal } from './problem.ts';
import type { Store } from './store.ts';

const toRung = ({ id, ladderId, position, document }: typeof rung.$inferSelect): RungRow => ({
  id,
  ladderId,
  position,
  document: rungSchema.parse(document),
});

/** All ladders with their rungs, easiest first. */
export async function readLadders(store: Store): Promise<LadderRow[]> {
  const [ladders, rungs] = await Promise.all([store.list(ladder), store.list(rung, undefined, rung.position)]);
  return ladders.map(({ id, name, sport, level, approach }) => ({
    id,
    name,
    sport,
    level,
    approach,
    rungs: rungs.filter(({ ladderId }) => ladderId === id).map(toRung),
  }));
}

export const readRung = async (store: Store, id: string): Promise<RungRow> => toRung(await store.one(rung, id, 'rung'));

/** Writes a rung under the client's id; a new one goes on top unless a position is given. */
export function putRung(
  store: Store,
  id: string,
  { ladderId, document, position }: { ladderId: string; document: RungRow['document']; position?: number | undefined },
): Promise<void> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, ladderId, 'ladder');
    const others = await tx.list(rung, eq(rung.ladderId, ladderId), rung.position);
    const known = others.find((each) => each.id === id);
    const top = others.length === 0 ? 0 : Math.max(...others.map((each) => each.position)) + 1;
    await tx.put(rung, { id, ladderId, document, position: position ?? known?.position ?? top }, 'rung');
  });
}

/** Puts the rungs in this order from the bottom up. @throws Refusal 409 unless they are exactly the ladder's rungs */
export function orderRungs(store: Store, ladderId: string, rungIds: readonly string[]): Promise<void> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, ladderId, 'ladder');
    const rungs = await tx.list(rung, eq(rung.ladderId, ladderId));
    const wanted = new Set(rungIds);
    if (wanted.size !== rungIds.length || rungs.length !== rungIds.length || !rungs.every(({ id }) => wanted.has(id))) {
      throw new Refusal(409, 'The ladder has changed in the meantime. Reload it and try again.', [
        { pointer: '/rungIds', detail: 'Must name every rung of the ladder once.' },
      ]);
    }
    for (const { id, document } of rungs) await tx.put(rung, { id, ladderId, document, position: rungIds.indexOf(id) }, 'rung');
  });
}

/** Copies a ladder with its rungs under ids made by the client. */
export function duplicateLadder(
  store: Store,
  id: string,
  { newId, rungIds }: { newId: string; rungIds: readonly { from: string; to: string }[] },
): Promise<void> {
  return store.transaction(async (tx) => {
    const { name, sport, level, approach } = await tx.one(ladder, id, 'ladder');
    await tx.put(ladder, { id: newId, name: `${name.slice(0, 113)} (copy)`, sport, level, approach }, 'ladder');
    for (const each of await tx.list(rung, eq(rung.ladderId, id))) {
      const copy = rungIds.find(({ from }) => from === each.id);
      if (copy) await tx.put(rung, { id: copy.to, ladderId: newId, position: each.position, document: each.document }, 'rung');
    }
  });
}
