import { inSecret, mphToMps, type RungDocument } from '@good-arc/core';
import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { machine, round } from '../src/db/schema.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import { links } from '../src/server/links.ts';
import type { Scope } from '../src/server/scope.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, profileOf, roundBody, rungDocument } from './support/rig.ts';

const profile = profileOf('Two-wheel portable');
let db: Db;
let scope: Scope;
let ids: OneRung;
/** The rung as it is kept. */
let kept: RungDocument;

beforeAll(async () => {
  db = await emptyDatabase();
  const club = await makeClub(db, 'Ours');
  ({ scope } = club);
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  // a line that nobody answers: what is let through says so
  await club.store.change(machine, eq(machine.id, ids.machine as never), { linkAddress: '127.0.0.1:19' });
  kept = rungDocument(ids.court, ids.machine);
});
afterAll(() => links.closeAll());

const arm = (document: RungDocument, part = {}) =>
  call(command.POST, { scope, params: { id: ids.machine }, body: { do: 'arm', rungId: ids.rung, from: 0, document, ...part } });
const through = { status: 200, body: { ok: false, code: 'link-lost' } };
const refused = { status: 409, body: { type: '/problems/changed-since' } };

const half = (): RungDocument => ({ ...kept, targetSize: { widthM: 1.2, depthM: 1.8 }, ownTarget: true });
const secretly = (): RungDocument => {
  const { ballId, level, surfaceId, courtId, weather } = kept;
  const venue = {
    sport: 'tennis' as const,
    court: { id: courtId, surfaceId },
    machine: { id: ids.machine, profile },
    ballId,
    level,
    weather,
  };
  return inSecret(kept, venue, mphToMps(3), 5)!;
};

test('a machine on a line takes the rung with a target of its hitter’s own, and with its speeds in secret; a stale page it does not', async () => {
  expect(await arm(half())).toMatchObject(through);
  expect(await arm(secretly())).toMatchObject(through);
  expect(await arm({ ...half(), intervalS: kept.intervalS + 1 })).toMatchObject(refused);
  expect(await arm({ ...kept, targetSize: { widthM: 1.2, depthM: 1.8 } })).toMatchObject(refused);
  const quicker = secretly().feeds.map((feed) =>
    feed.variantOf ? { ...feed, launch: { ...feed.launch, speedMps: feed.launch.speedMps + 4 } } : feed,
  );
  expect(await arm({ ...secretly(), feeds: quicker })).toMatchObject(refused);
});

test('its round goes on with its own secret, not with another, and counts for learning', async () => {
  const roundId = uuidv7();
  const card = secretly();
  const { status } = await call(rounds.PUT, { scope, params: { id: roundId }, body: { ...roundBody(ids), card } });
  expect(status).toBeLessThan(300);
  const [row] = await db
    .select()
    .from(round)
    .where(eq(round.id, roundId as never));
  expect(row!.forLearning).toBe(true);
  expect(await arm(card, { roundId, from: 3 })).toMatchObject(through);
  expect(await arm(kept, { roundId, from: 3 })).toMatchObject(refused);
});
