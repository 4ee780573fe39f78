import { type LadderDocument, type RungDocument, rungSchema } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import type { LadderRow, RungRow } from '../api/rows.ts';
import { court, ladder, machine, rung } from '../db/schema.ts';
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
  return ladders.map(({ id, name, sport, level, approach, origin }) => ({
    id,
    name,
    sport,
    level,
    approach,
    // parsed as the rungs are, so that the two can be compared
    origin: origin && { drillId: origin.drillId, rungs: origin.rungs.map((document) => rungSchema.parse(document)) },
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

/** Copies a ladder with its rungs under ids made by the client. */
export function duplicateLadder(
  store: Store,
  id: string,
  { newId, rungIds }: { newId: string; rungIds: readonly { from: string; to: string }[] },
): Promise<void> {
  return store.transaction(async (tx) => {
    const { name, sport, level, approach, origin } = await tx.one(ladder, id, 'ladder');
    await tx.put(ladder, { id: newId, name: `${name.slice(0, 113)} (copy)`, sport, level, approach, origin }, 'ladder');
    for (const each of await tx.list(rung, eq(rung.ladderId, id))) {
      const copy = rungIds.find(({ from }) => from === each.id);
      if (copy) await tx.put(rung, { id: copy.to, ladderId: newId, position: each.position, document: each.document }, 'rung');
    }
  });
}

/** A ladder with its rungs from the bottom up, all or none. @throws Refusal 404 for a court or machine that is not the club's */
export function importLadder(
  store: Store,
  id: string,
  { ladder: head, rungs, drillId }: { ladder: LadderDocument; rungs: readonly RungPart[]; drillId?: string | undefined },
): Promise<void> {
  return store.transaction(async (tx) => {
    await mustBeOurs(
      tx,
      rungs.map(({ document }) => document),
    );
    const origin = drillId === undefined ? null : { drillId, rungs: rungs.map(({ document }) => document) };
    await tx.put(ladder, { id, ...head, origin }, 'ladder');
    for (const [position, each] of rungs.entries())
      await tx.put(rung, { id: each.id, ladderId: id, position, document: each.document }, 'rung');
  });
}

interface RungPart {
  id: string;
  document: RungDocument;
}

/** @throws Refusal 404 for a machine or court that is not the club's */
async function mustBeOurs(tx: Store, documents: readonly RungDocument[]): Promise<void> {
  const machineIds = documents.flatMap(({ machineId, feeds }) => [machineId, ...feeds.flatMap((feed) => feed.machineId ?? [])]);
  for (const machineId of new Set(machineIds)) await tx.one(machine, machineId, 'machine');
  for (const courtId of new Set(documents.map((each) => each.courtId))) await tx.one(court, courtId, 'court');
}

/**
 * Writes a ladder whole, as it stands in the page: rungs that are not in it are removed, ones that were come back. One transaction.
 * @throws Refusal 404 for a ladder, machine or court that is not the club's, 409 for an id twice
 */
export function putWhole(
  store: Store,
  id: string,
  { ladder: head, rungs }: { ladder: LadderDocument; rungs: readonly RungPart[] },
): Promise<void> {
  return store.transaction(async (tx) => {
    await tx.one(ladder, id, 'ladder');
    if (new Set(rungs.map((each) => each.id)).size !== rungs.length)
      throw new Refusal(409, 'The same rung twice.', [{ pointer: '/rungs', detail: 'Every rung has an id of its own.' }]);
    const known = await tx.list(rung, eq(rung.ladderId, id));
    const changed = rungs.filter(({ id: rungId, document }, position) => {
      const before = known.find((each) => each.id === rungId);
      return !before || before.position !== position || JSON.stringify(before.document) !== JSON.stringify(document);
    });
    await mustBeOurs(
      tx,
      changed.map(({ document }) => document),
    );
    await tx.put(ladder, { id, ...head }, 'ladder');
    for (const each of changed)
      await tx.put(rung, { id: each.id, ladderId: id, position: rungs.indexOf(each), document: each.document }, 'rung');
    for (const { id: rungId } of known) if (!rungs.some((each) => each.id === rungId)) await tx.remove(rung, rungId, 'rung');
  });
}
