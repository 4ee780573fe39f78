import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { outing, player, result, round } from '../src/db/schema.ts';
import type { Db } from '../src/server/db.ts';
import { countSince, lastPlayerOn, playersWithRounds, ratesOn } from '../src/server/list-rounds.ts';
import { readRounds, roundsOn } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { sumUp } from '../src/server/sums.ts';
import { emptyDatabase, makeClub, type OneRung, oneRung, rungDocument } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let ids: OneRung;
let bo: string;
beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  bo = uuidv7();
  await store.put(player, { id: bo, name: 'Bo', level: 'Starting', hand: 'left', heightM: 1.5 }, 'player');
});

/** A round of so many balls, so many of them hit. */
async function add(playerId: string, startedAt: string, hits: number, balls = 10): Promise<string> {
  const [id, outingId] = [uuidv7(), uuidv7()];
  const began = new Date(startedAt);
  const document = rungDocument(ids.court, ids.machine);
  await store.put(outing, { id: outingId, personId: scope.personId, startedAt: began }, 'outing');
  const { rung: rungId, machine: machineId, court: courtId } = ids;
  const { weather } = document;
  await store.put(
    round,
    { id, outingId, rungId, playerId, machineId, courtId, card: document, weather, confirmedBy: null, startedAt: began },
    'round',
  );
  for (let seq = 1; seq <= balls; seq++)
    await store.put(
      result,
      {
        id: uuidv7(),
        roundId: id,
        seq,
        outcome: seq <= hits ? 'in' : 'out',
        hit: seq <= hits,
        speedMps: null,
        elevationDeg: null,
        bearingDeg: null,
        radarMps: null,
      },
      'result',
    );
  await sumUp(store, [id]);
  return id;
}

describe('what a page reads', () => {
  test('pages of rounds follow one another without a gap or a double, though several began at one moment', async () => {
    const made: string[] = [];
    for (let i = 0; i < 7; i++) made.push(await add(ids.player, `2026-11-2${Math.floor(i / 3)}T10:00:00.000Z`, 1, 1));
    const seen: string[] = [];
    for (let after: { startedAt: Date; id: string } | undefined; ; ) {
      const page = await readRounds(store, { most: 2, ...(after && { after }) });
      seen.push(...page.map(({ id }) => id));
      const last = page.at(-1);
      if (!last) break;
      after = { startedAt: new Date(last.startedAt), id: last.id };
    }
    expect(seen).toHaveLength(7);
    expect([...seen].sort()).toEqual([...made].sort());
  });
  test('a week is summed by the database: rounds, and what was hit of what counted', async () => {
    await add(ids.player, '2026-11-10T10:00:00.000Z', 9);
    await add(ids.player, '2026-11-20T10:00:00.000Z', 7);
    await add(bo, '2026-11-21T10:00:00.000Z', 2, 5);
    await add(bo, '2026-11-22T10:00:00.000Z', 0, 0);
    const gone = await add(bo, '2026-11-22T11:00:00.000Z', 3, 3);
    await store.remove(round, gone, 'round');
    expect(await countSince(store, new Date('2026-11-19T00:00:00.000Z'))).toEqual({ rounds: 3, hits: 9, balls: 15 });
    const { store: other } = await makeClub(db, 'Theirs');
    expect(await countSince(other, new Date('2026-11-01T00:00:00.000Z'))).toEqual({ rounds: 0, hits: 0, balls: 0 });
  });
  test('rates of the last rounds of each, who hit last first; who has rounds; who was last on this court', async () => {
    for (const [i, hits] of [1, 8, 6, 4].entries()) await add(ids.player, `2026-11-2${i}T10:00:00.000Z`, hits);
    await add(bo, '2026-11-25T10:00:00.000Z', 5);
    expect(await ratesOn(store, [ids.rung], 3)).toEqual([
      { playerId: bo, hits: 5, balls: 10 },
      { playerId: ids.player, hits: 18, balls: 30 },
    ]);
    expect(await ratesOn(store, [], 3)).toEqual([]);
    expect((await playersWithRounds(store)).map(({ name }) => name)).toEqual(['Bo', 'Ines']);
    expect(await lastPlayerOn(store, ids.court)).toBe(bo);
    expect(await lastPlayerOn(store, uuidv7())).toBeNull();
  });
  test('a verdict looks at the newest rounds of one player on one rung', async () => {
    await add(ids.player, '2026-11-20T10:00:00.000Z', 3);
    await add(bo, '2026-11-21T10:00:00.000Z', 10);
    await add(ids.player, '2026-11-22T10:00:00.000Z', 7);
    const rounds = await roundsOn(store, ids.player, ids.rung, 5);
    expect(rounds.map(({ results }) => results.filter(({ outcome }) => outcome === 'in').length)).toEqual([7, 3]);
    expect(await roundsOn(store, ids.player, ids.rung, 1)).toHaveLength(1);
  });
});
