import { type DrillId, type LadderDocument, type LadderId, once, type RungDocument, type RungId, rungSchema } from '@good-arc/core';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { LadderRow, RungRow } from '../api/rows.ts';
import { court, ladder, machine, rung } from '../db/schema.ts';
import { CHANGED_SINCE, notFound, Refusal } from './problem.ts';
import { MOST_LISTED, type SetAside, type Store, tooMany } from './store.ts';
import { markWhere, unlessChanged } from './unchanged.ts';

/** @returns none when its document cannot be read */
function toRung(store: Store, { id, ladderId, position, document }: typeof rung.$inferSelect): RungRow[] {
  const read = store.document(rungSchema, document, { what: 'rung', id });
  return read ? [{ id, ladderId, position, document: read }] : [];
}

/** The rungs a ladder came with; null when they cannot be read: what was changed since is not said then. */
function toOrigin(origin: typeof ladder.$inferSelect.origin): LadderRow['origin'] {
  // parsed as the rungs are, so that the two can be compared
  const rungs = origin && z.array(rungSchema).safeParse(origin.rungs);
  return rungs?.success ? { drillId: origin!.drillId, rungs: rungs.data } : null;
}

/** A ladder as it was read last, with what had to be left out of it. */
interface KeptLadder {
  row: LadderRow;
  leftOut: readonly SetAside[];
  mark: string;
}

/** Ladders whose rungs are read in one statement: of 200 rungs each they are as many as a list reads. */
const LADDERS_AT_ONCE = 25;

async function readSome(store: Store, ids: readonly string[]): Promise<ReadLadder[]> {
  const found: ReadLadder[] = [];
  for (let i = 0; i < ids.length; i += LADDERS_AT_ONCE) {
    const some = ids.slice(i, i + LADDERS_AT_ONCE);
    const [ladders, rungs] = await Promise.all([
      store.list(ladder, inArray(ladder.id, some)),
      store.list(rung, inArray(rung.ladderId, some), rung.position),
    ]);
    for (const { id, name, sport, level, approach, origin, version } of ladders) {
      const apart = store.apart();
      const own = rungs.filter(({ ladderId }) => ladderId === id).flatMap((each) => toRung(apart, each));
      const row = { id, version, name, sport, level, approach, origin: toOrigin(origin), rungs: own };
      found.push({ row, leftOut: apart.setAside });
    }
  }
  return found;
}

/** Of each ladder what tells whether it or a rung of it is another. */
async function readMarks(store: Store, most: number): Promise<{ id: string; mark: string }[]> {
  const ofRungs = markWhere(rung, sql`rung.ladder_id = ladder.id`);
  return store.read((db, mine) =>
    db
      .select({ id: ladder.id, mark: sql<string>`CONCAT_WS(' ', ${ladder.version}, ${ladder.updatedAt}, ${ofRungs})` })
      .from(ladder)
      .where(mine(ladder))
      .orderBy(ladder.createdAt, ladder.id)
      .limit(most),
  );
}

/** All ladders of the club, easiest first. Those that are as they were are not read again: in a large club somebody is always at work on one. */
const readAll = unlessChanged('ladders', async (store, before: { ladders: readonly KeptLadder[]; isAll: boolean } | undefined) => {
  const marks = await readMarks(store, MOST_LISTED + 1);
  const known = new Map(before?.ladders.map((each) => [each.row.id as string, each]));
  const isAll = marks.length <= MOST_LISTED;
  const listed = marks.slice(0, MOST_LISTED);
  const changed = listed.filter(({ id, mark }) => known.get(id)?.mark !== mark).map(({ id }) => id);
  const read = new Map((await readSome(store, changed)).map((each) => [each.row.id as string, each]));
  if (!isAll) store.leaveOut([tooMany(ladder, MOST_LISTED)]);
  const ladders = listed.flatMap(({ id, mark }): KeptLadder[] => {
    const now = changed.includes(id) ? read.get(id) : known.get(id);
    return now ? [{ ...now, mark }] : [];
  });
  return { ladders, isAll };
});

type ReadLadder = Omit<KeptLadder, 'mark'>;

/** The same list of the same ladders: what was worked out of it stands with it. */
const rowsIn = once((ladders: readonly ReadLadder[]): readonly LadderRow[] => Object.freeze(ladders.map(({ row }) => row)));

/** Ladders with what is said of each of them; a rung that cannot be read is set aside. */
function shown(store: Store, ladders: readonly ReadLadder[]): readonly LadderRow[] {
  for (const { leftOut } of ladders) store.leaveOut(leftOut);
  return rowsIn(ladders);
}

/** All ladders with their rungs, easiest first; or some of them. */
export async function readLadders(store: Store, ids?: readonly string[]): Promise<readonly LadderRow[]> {
  if (!ids) return shown(store, (await readAll(store)).ladders);
  if (ids.length === 0) return [];
  // a transaction sees its own rows, and no others than it asks for
  if (store.isWithin) return shown(store, await readSome(store, ids));
  const { ladders, isAll } = await readAll(store.apart());
  const found = ladders.filter(({ row }) => ids.includes(row.id));
  const others = isAll
    ? []
    : await readSome(
        store,
        ids.filter((id) => !found.some(({ row }) => row.id === id)),
      );
  return shown(store, [...found, ...others]);
}

/** Which of all ladders are those of a list of rounds, by those that were named besides. */
const chosenOf = once((_: readonly KeptLadder[]) => once((__: readonly { rungId: RungId }[]) => new Map<string, readonly KeptLadder[]>()));

/** The ladders of the rungs of these, and those named besides. */
export async function laddersOf(
  store: Store,
  run: readonly { rungId: RungId }[],
  besides: readonly string[] = [],
): Promise<readonly LadderRow[]> {
  if (run.length === 0 && besides.length === 0) return [];
  const { ladders } = await readAll(store.apart());
  const known = chosenOf(ladders)(run);
  const before = known.get(besides.join());
  if (before) return shown(store, before);
  const wanted = new Set(run.map(({ rungId }) => rungId));
  const chosen = ladders.filter(({ row }) => besides.includes(row.id) || row.rungs.some(({ id }) => wanted.has(id)));
  known.set(besides.join(), chosen);
  return shown(store, chosen);
}

/** Where each rung stands, by its id. */
export const placesOf = once(
  (ladders: readonly LadderRow[]) =>
    new Map<string, { ladder: LadderRow; at: number }>(
      ladders.flatMap((ladder) => ladder.rungs.map(({ id }, at) => [id, { ladder, at }] as const)),
    ),
);

/** The ladder that has a rung, with it; undefined when there is none. */
export async function ladderWith(store: Store, rungId: string): Promise<LadderRow | undefined> {
  const [ladder] = await laddersOf(store, [{ rungId: rungId as RungId }]);
  return ladder;
}

/** @throws Refusal 404 for one that is not there, or cannot be read */
export async function readRung(store: Store, id: string): Promise<RungRow> {
  const [row] = toRung(store, await store.one(rung, id, 'rung'));
  if (!row) throw notFound('rung');
  return row;
}

/** Writes a rung under the client's id, with its ladder when that is new; a new rung goes on top unless a position is given. Twice is the same as once. */
export function putRung(
  store: Store,
  id: string,
  body: { ladderId: LadderId; document: RungDocument; position?: number | undefined; ladder?: LadderDocument | undefined },
): Promise<void> {
  const { ladderId, document, position, ladder: head } = body;
  return store.transaction(async (tx) => {
    if (head) await tx.add(ladder, { id: ladderId, ...head });
    await tx.one(ladder, ladderId, 'ladder');
    await mustBeInUse(tx, [document]);
    await touch(tx, ladderId);
    const others = await tx.list(rung, eq(rung.ladderId, ladderId), rung.position);
    const known = others.find((each) => each.id === id);
    const top = others.length === 0 ? 0 : Math.max(...others.map((each) => each.position)) + 1;
    await tx.put(rung, { id, ladderId, document, position: position ?? known?.position ?? top }, 'rung');
  });
}

/** Counts a change of a ladder: pages that have not seen it are told when they save. */
const touch = (tx: Store, id: string): Promise<boolean> => tx.change(ladder, eq(ladder.id, id), { version: sql`${ladder.version} + 1` });

/**
 * Counts a change made by a page that knew the last one.
 * @returns the new version @throws Refusal 409 when somebody else has changed it since
 */
async function touchFrom(tx: Store, id: string, version: number): Promise<number> {
  const seen = and(eq(ladder.id, id), eq(ladder.version, version));
  if (await tx.change(ladder, seen, { version: sql`${ladder.version} + 1` })) return version + 1;
  throw new Refusal(
    409,
    'Somebody else has changed this ladder since this page was opened. Nothing of theirs was overwritten, and what you changed is still on this page.',
    [{ pointer: '/version', detail: 'Keep yours, take theirs, or both.' }],
    CHANGED_SINCE,
    (await readLadders(tx, [id]))[0],
  );
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
  { ladder: head, rungs, drillId }: { ladder: LadderDocument; rungs: readonly RungPart[]; drillId?: DrillId | undefined },
): Promise<void> {
  return store.transaction(async (tx) => {
    await mustBeInUse(
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

/** @throws Refusal 404 for a machine or court that was archived */
async function mustBeInUse(tx: Store, documents: readonly RungDocument[]): Promise<void> {
  const machineIds = documents.flatMap(({ machineId, feeds }) => [machineId, ...feeds.flatMap((feed) => feed.machineId ?? [])]);
  for (const machineId of new Set(machineIds)) await tx.one(machine, machineId, 'machine');
  for (const courtId of new Set(documents.map((each) => each.courtId))) await tx.one(court, courtId, 'court');
}

/** Whether a ladder is kept just so already. */
function isKept(
  now: typeof ladder.$inferSelect,
  known: readonly (typeof rung.$inferSelect)[],
  { ladder: head, rungs }: { ladder: LadderDocument; rungs: readonly RungPart[] },
): boolean {
  const { name, sport, level, approach } = now;
  const text = (of: LadderDocument, parts: readonly RungPart[]): string =>
    JSON.stringify([of.name, of.sport, of.level, of.approach, parts.map((each) => [each.id, each.document])]);
  const kept = known.flatMap((each) => {
    const read = rungSchema.safeParse(each.document);
    return read.success ? [{ id: each.id, document: read.data }] : [];
  });
  return text({ name, sport, level, approach }, kept) === text(head, rungs);
}

/**
 * Writes a ladder whole, as it stands in the page: rungs that are not in it are removed, ones that were come back. One transaction.
 * @param version the last one the page knows
 * @returns the new version
 * @throws Refusal 404 for a ladder, machine or court that is not the club's, 409 for an id twice or a change the page has not seen
 */
export function putWhole(
  store: Store,
  id: string,
  { ladder: head, rungs, version }: { ladder: LadderDocument; rungs: readonly RungPart[]; version: number },
): Promise<number> {
  return store.transaction(async (tx) => {
    const now = await tx.one(ladder, id, 'ladder');
    if (new Set(rungs.map((each) => each.id)).size !== rungs.length)
      throw new Refusal(409, 'The same rung twice.', [{ pointer: '/rungs', detail: 'Every rung has an id of its own.' }]);
    const known = await tx.list(rung, eq(rung.ladderId, id), rung.position);
    // the answer to the same write may have been lost: twice is the same as once
    if (now.version !== version && isKept(now, known, { ladder: head, rungs })) return now.version;
    const next = await touchFrom(tx, id, version);
    const changed = rungs.filter(({ id: rungId, document }, position) => {
      const before = known.find((each) => each.id === rungId);
      return !before || before.position !== position || JSON.stringify(before.document) !== JSON.stringify(document);
    });
    await mustBeInUse(
      tx,
      changed.map(({ document }) => document),
    );
    await tx.change(ladder, eq(ladder.id, id), head);
    for (const each of changed)
      await tx.put(rung, { id: each.id, ladderId: id, position: rungs.indexOf(each), document: each.document }, 'rung');
    // one that cannot be read was never on the page: nobody removed it
    const gone = known.filter(
      ({ id: rungId, document }) => !rungs.some((each) => each.id === rungId) && rungSchema.safeParse(document).success,
    );
    for (const { id: rungId } of gone) await tx.remove(rung, rungId, 'rung');
    return next;
  });
}
