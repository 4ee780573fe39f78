import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, expect, test } from 'vitest';
import { ladder, player, rung } from '../src/db/schema.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import type { Store } from '../src/server/store.ts';
import { emptyDatabase, makeClub, type OneRung, oneRung, rungDocument } from './support/rig.ts';

let db: Db;
let store: Store;
let ids: OneRung;
beforeAll(async () => {
  db = await emptyDatabase();
  const made = await makeClub(db, 'Ours');
  store = made.store;
  ids = await oneRung(made.scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
});
const named = async (): Promise<string[]> => (await readKit(store)).players.map(({ name }) => name);
const rungs = async (): Promise<string[]> => (await readLadders(store)).flatMap((each) => each.rungs.map(({ document }) => document.name));

test('kit is read once, and again after every kind of change, whoever made it', async () => {
  expect(await readKit(store)).toBe(await readKit(store));
  const bo = { id: uuidv7(), name: 'Bo', level: 'Starting', hand: 'left', heightM: 1.5 } as const;
  await store.put(player, bo, 'player');
  expect(await named()).toEqual(['Bo', 'Ines']);
  await store.putFrom(player, { ...bo, name: 'Bodil' }, 'player', 1);
  expect(await named()).toEqual(['Bodil', 'Ines']);
  await store.remove(player, bo.id, 'player');
  expect(await named()).toEqual(['Ines']);
  await store.restore(player, bo.id, 'player');
  expect(await named()).toEqual(['Bodil', 'Ines']);
  // another server, past this one
  await db.update(player).set({ name: 'Bodil L.' }).where(eq(player.id, bo.id));
  expect(await named()).toEqual(['Bodil L.', 'Ines']);
});
test('ladders likewise: a rung that is changed, moved up or deleted', async () => {
  expect((await readLadders(store))[0]).toBe((await readLadders(store))[0]);
  const document = rungDocument(ids.court, ids.machine, 'Deeper');
  const id = uuidv7();
  await store.put(rung, { id, ladderId: ids.ladder, position: 1, document }, 'rung');
  expect(await rungs()).toEqual(['Deep and kind', 'Deeper']);
  await store.change(rung, eq(rung.id, id), {
    document: { ...document, name: 'Deeper yet' },
    updatedAt: new Date(Date.now() + 5),
  } as never);
  expect(await rungs()).toEqual(['Deep and kind', 'Deeper yet']);
  await store.remove(rung, id, 'rung');
  expect(await rungs()).toEqual(['Deep and kind']);
  await store.change(ladder, eq(ladder.id, ids.ladder), { name: 'Climbing' } as never);
  expect((await readLadders(store)).map(({ name }) => name)).toEqual(['Climbing']);
});
test('what is shared cannot be changed by one who reads it; within a transaction its own writes are seen, and forgotten with it', async () => {
  const kit = await readKit(store);
  expect(() => kit.players.push(kit.players[0]!)).toThrow(TypeError);
  await store
    .transaction(async (tx) => {
      await tx.remove(player, ids.player, 'player');
      expect((await readKit(tx)).players.map(({ id }) => id)).not.toContain(ids.player);
      throw new Error('taken back');
    })
    .catch(() => {});
  expect((await readKit(store)).players.map(({ id }) => id)).toContain(ids.player);
});
test('one club never sees what was read for another', async () => {
  const { store: theirs } = await makeClub(db, 'Theirs');
  await readKit(store);
  expect((await readKit(theirs)).players).toEqual([]);
  expect(await readLadders(theirs)).toEqual([]);
});
