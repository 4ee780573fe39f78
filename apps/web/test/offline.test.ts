import { v7 as uuidv7 } from 'uuid';
import { beforeEach, expect, test } from 'vitest';
import type { KeptPage, ToKeep } from '../src/device/pages.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as imports from '../src/pages/api/ladders/[id]/import.ts';
import * as offline from '../src/pages/api/offline.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import type { Scope } from '../src/server/scope.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, roundBody, rungDocument } from './support/rig.ts';

const HEAD = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' } as const;
let db: Db;
let scope: Scope;
let ids: OneRung;

beforeEach(async () => {
  db = await emptyDatabase();
  ({ scope } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, HEAD);
});

const toKeep = async (who = scope): Promise<ToKeep> => (await call(offline.GET, { scope: who })).body as never;
const changed = (before: readonly KeptPage[], after: readonly KeptPage[]): string[] =>
  after.filter(({ address, tag }) => before.find((each) => each.address === address)?.tag !== tag).map(({ address }) => address);

test('a device keeps the main pages and those of the ladders in use; another club’s pages are not among them', async () => {
  const { owner, pages } = await toKeep();
  const addresses = pages.map(({ address }) => address);
  expect(addresses).toEqual(expect.arrayContaining(['/', '/bench', '/ladders', '/logbook', '/kit']));
  expect(addresses).toEqual(
    expect.arrayContaining([`/ladders/${ids.ladder}`, `/card?ladder=${ids.ladder}`, `/courtside?rung=${ids.rung}`]),
  );
  const other = await toKeep((await makeClub(db, 'Theirs')).scope);
  expect(other.owner).not.toBe(owner);
  expect(other.pages.some(({ address }) => address.includes(ids.ladder))).toBe(false);
});
test('what was changed or hit on last comes first, however many ladders there are', async () => {
  for (let i = 0; i < 9; i++) {
    const id = uuidv7();
    const document = rungDocument(ids.court, ids.machine);
    const many = Array.from({ length: 8 }, () => ({ id: uuidv7(), document }));
    await call(imports.POST, { scope, params: { id }, body: { ladder: { ...HEAD, name: `Ladder ${i}` }, rungs: many } });
  }
  const rung = uuidv7();
  await call(rungs.PUT, {
    scope,
    params: { id: rung },
    body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine, 'Just made') },
  });
  const { pages } = await toKeep();
  expect(pages.map(({ address }) => address)).toEqual(
    expect.arrayContaining([`/ladders/${ids.ladder}`, `/card?ladder=${ids.ladder}`, `/courtside?rung=${rung}`]),
  );
  expect(pages.length).toBeLessThanOrEqual(60);
});
test('a page is fetched again when it would be drawn anew, and only then', async () => {
  const before = await toKeep();
  expect(changed(before.pages, (await toKeep()).pages)).toEqual([]);
  await call(rounds.PUT, { scope, params: { id: uuidv7() }, body: roundBody(ids) });
  const afterRound = await toKeep();
  expect(changed(before.pages, afterRound.pages)).toEqual(expect.arrayContaining(['/', '/logbook', `/courtside?rung=${ids.rung}`]));
  expect(changed(before.pages, afterRound.pages)).not.toContain(`/card?ladder=${ids.ladder}`);
  const body = { name: 'Nell', level: 'Building', hand: 'right', heightM: 1.6, goals: '', avoid: '', notes: '' };
  await call(kit.PUT, { scope, params: { kind: 'players', id: uuidv7() }, body });
  expect(changed(afterRound.pages, (await toKeep()).pages)).toHaveLength(afterRound.pages.length);
});
