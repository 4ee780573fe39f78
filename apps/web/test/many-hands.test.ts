import { eq, inArray } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { result, round, rung } from '../src/db/schema.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as whole from '../src/pages/api/ladders/[id]/whole.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as restoreRound from '../src/pages/api/rounds/[id]/restore.ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import { readLadders } from '../src/server/ladders.ts';
import { readRounds } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { wrongSums } from '../src/server/sums.ts';
import {
  type Answer,
  call,
  emptyDatabase,
  makeClub,
  type OneRung,
  oneRung,
  putBall,
  roundBody as roundOf,
  rungDocument,
} from './support/rig.ts';

/** Several hands at once: phones that send late, twice or all together, and two pages with one ladder. */

let db: Db;
let scope: Scope;
let store: Store;
let ids: OneRung;
beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
});

describe('rounds that come from the court', () => {
  const roundBody = () => roundOf(ids);
  const put = (roundId: string, resultId: string, seq: number, outcome: string) => putBall(scope, roundId, resultId, seq, outcome);

  test('a round whose player, rung and machine were archived meanwhile is taken, with its balls; what was never the club’s is not', async () => {
    const roundId = uuidv7();
    await call(kit.DELETE, { scope, params: { kind: 'players', id: ids.player } });
    await call(kit.DELETE, { scope, params: { kind: 'machines', id: ids.machine } });
    await store.remove(rung, ids.rung, 'rung');
    expect((await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() })).status).toBe(204);
    expect((await put(roundId, uuidv7(), 1, 'in')).status).toBe(204);
    // deleted in the logbook while the phone still sends: its balls are kept, too
    await store.remove(round, roundId, 'round');
    expect((await put(roundId, uuidv7(), 2, 'out')).status).toBe(204);
    await call(restoreRound.POST, { scope, params: { id: roundId }, body: {} });
    expect((await readRounds(store, { most: 5 }))[0]!.results.map(({ seq }) => seq)).toEqual([1, 2]);
    const other = await makeClub(db, 'Other');
    expect((await call(rounds.PUT, { scope: other.scope, params: { id: uuidv7() }, body: roundBody() })).status).toBe(404);
  });
  test('a round keeps the rung as the page ran it; sent again it is not changed', async () => {
    const roundId = uuidv7();
    const card = { ...rungDocument(ids.court, ids.machine), intervalS: 3.45 };
    await call(rounds.PUT, { scope, params: { id: roundId }, body: { ...roundBody(), card } });
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    expect((await readRounds(store, { most: 5 }))[0]!.card.intervalS).toBe(3.45);
  });
  test('fifty devices write at once, and twice: none is refused, every ball is there once', async () => {
    const roundIds = Array.from({ length: 5 }, () => uuidv7());
    const outingId = uuidv7();
    const began = await Promise.all(
      roundIds.flatMap((id) => [0, 1].map(() => call(rounds.PUT, { scope, params: { id }, body: { ...roundBody(), outingId } }))),
    );
    expect(began.map(({ status }) => status)).toEqual(began.map(() => 204));
    const letters = roundIds.flatMap((roundId) => Array.from({ length: 20 }, (_, i) => ({ roundId, resultId: uuidv7(), seq: i + 1 })));
    const writers = Array.from({ length: 50 }, async (_, writer) => {
      const statuses: number[] = [];
      // each begins somewhere else, so that every letter is written by many at once
      for (let i = 0; i < 8; i++) {
        const { roundId, resultId, seq } = letters[(writer * 2 + i) % letters.length]!;
        statuses.push((await put(roundId, resultId, seq, 'in')).status);
      }
      return statuses;
    });
    const statuses = (await Promise.all(writers)).flat();
    expect(statuses.filter((status) => status !== 204)).toEqual([]);
    const kept = await db.select().from(result).where(inArray(result.roundId, roundIds));
    expect(kept).toHaveLength(letters.length);
  }, 60_000);
  test('twenty devices judge the same ball at once: the one that was made last stands, the others are its history', async () => {
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    const resultIds = Array.from({ length: 20 }, () => uuidv7());
    const answers = await Promise.all(resultIds.map((id, n) => put(roundId, id, 1, n % 2 === 0 ? 'in' : 'out')));
    expect(answers.filter(({ status }) => status !== 204)).toEqual([]);
    const kept = await db.select().from(result).where(eq(result.roundId, roundId));
    expect(kept).toHaveLength(20);
    expect(kept.filter(({ deletedAt }) => deletedAt === null).map(({ id }) => id)).toEqual([resultIds.at(-1)]);
    expect(await wrongSums(db)).toEqual([]);
  });
  test('a round that was never the club’s takes no ball, and nothing is left of one', async () => {
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    const other = await makeClub(db, 'Other');
    expect((await putBall(other.scope, roundId, uuidv7(), 1, 'in')).status).toBe(404);
    expect(await db.select().from(result).where(eq(result.roundId, roundId))).toEqual([]);
    // its own club's is known by now: that helps nobody else
    expect((await put(roundId, uuidv7(), 1, 'in')).status).toBe(204);
    expect((await putBall(other.scope, roundId, uuidv7(), 2, 'in')).status).toBe(404);
    expect(await wrongSums(db)).toEqual([]);
  });
});

describe('a ladder in two pages', () => {
  const wholeOf = async () => {
    const [kept] = await readLadders(store, [ids.ladder]);
    const { name, sport, level, approach, version, rungs: own } = kept!;
    return { version, ladder: { name, sport, level, approach }, rungs: own.map(({ id, document }) => ({ id, document })) };
  };
  const putWhole = (body: unknown) => call(whole.PUT, { scope, params: { id: ids.ladder }, body });

  test('a stale page removes nothing of another’s: it is told, and nothing is half saved', async () => {
    const stale = await wholeOf();
    const added = { id: uuidv7(), document: rungDocument(ids.court, ids.machine, 'Added by another') };
    const other = await putWhole({ ...stale, rungs: [...stale.rungs, added] });
    expect(other).toMatchObject({ status: 200, body: { version: stale.version + 1 } });
    const late = await putWhole({ ...stale, ladder: { ...stale.ladder, name: 'Late' } });
    expect(late).toMatchObject({ status: 409, body: { type: '/problems/changed-since' } });
    expect(late.body.errors![0]!.pointer).toBe('/version');
    const now = await wholeOf();
    expect(now.ladder.name).toBe('Climb');
    expect(now.rungs.map(({ id }) => id)).toContain(added.id);
  });
  test('the same write twice is once: its answer may have been lost', async () => {
    const first = await wholeOf();
    const body = { ...first, ladder: { ...first.ladder, name: 'Renamed' } };
    const answers = [await putWhole(body), await putWhole(body)];
    expect(answers.map(({ status, body: { version } }) => [status, version])).toEqual([
      [200, first.version + 1],
      [200, first.version + 1],
    ]);
  });
  test('a rung saved from the bench is a change, too', async () => {
    const stale = await wholeOf();
    const saved = await call(rungs.PUT, {
      scope,
      params: { id: uuidv7() },
      body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine, 'From the bench') },
    });
    expect(saved.status).toBe(204);
    expect((await putWhole(stale)).status).toBe(409);
  });
  test('of two that save at once one is told', async () => {
    const both = await wholeOf();
    const answers = await Promise.all(['One', 'Other'].map((name) => putWhole({ ...both, ladder: { ...both.ladder, name } })));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
  });
  test('from the bench a rung and its new ladder are one write: all of it or nothing, and twice is once', async () => {
    const [ladderId, rungId] = [uuidv7(), uuidv7()];
    const head = { name: 'New', sport: 'tennis', level: 'Building', approach: 'sweet-spot' };
    const document = rungDocument(ids.court, ids.machine);
    const save = (machineId: string) =>
      call(rungs.PUT, { scope, params: { id: rungId }, body: { ladderId, ladder: head, document: { ...document, machineId } } });
    expect((await save(uuidv7())).status).toBe(404);
    expect(await readLadders(store, [ladderId])).toEqual([]);
    for (let twice = 0; twice < 2; twice++) expect((await save(ids.machine)).status).toBe(204);
    const [made] = await readLadders(store, [ladderId]);
    expect(made!.rungs.map(({ id }) => id)).toEqual([rungId]);
  });
});

describe('a row that two people change', () => {
  const body = { name: 'Ada', level: 'Building', hand: 'right', heightM: 1.7, goals: '', avoid: '', notes: '' };
  const save = (id: string, part: Partial<typeof body>, seen?: number) =>
    call(kit.PUT, { scope, params: { kind: 'players', id }, body: { ...body, ...part }, ...(seen !== undefined && { seen }) });

  test('goes on from the version that was seen; from an older one nothing is overwritten, and both are shown', async () => {
    const id = uuidv7();
    expect(await save(id, {})).toMatchObject({ status: 200, body: { version: 1 } });
    expect(await save(id, { goals: 'first' }, 1)).toMatchObject({ status: 200, body: { version: 2 } });
    const stale = await save(id, { goals: 'second' }, 1);
    expect(stale).toMatchObject({ status: 409, body: { type: '/problems/changed-since', current: { goals: 'first', version: 2 } } });
    expect(await save(id, { goals: 'second' }, 2)).toMatchObject({ status: 200, body: { version: 3 } });
  });
  test('of twenty who save at once from one version, one is taken; the others lose nothing silently', async () => {
    const id = uuidv7();
    await save(id, {});
    const answers = await Promise.all(Array.from({ length: 20 }, (_, i) => save(id, { goals: `goal ${i}` }, 1)));
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(19);
  });
  test('made twice, because its answer was lost, is made once; made anew over a changed one it is not', async () => {
    const id = uuidv7();
    for (let twice = 0; twice < 2; twice++) expect(await save(id, {})).toMatchObject({ status: 200, body: { version: 1 } });
    await save(id, { goals: 'changed' }, 1);
    expect((await save(id, {})).status).toBe(409);
    expect(
      (await call(kit.PUT, { scope: (await makeClub(db, 'Other')).scope, params: { kind: 'players', id }, body, seen: 2 })).status,
    ).toBe(404);
  });
  test('a version that is none is told at its field', async () => {
    const request = new Request('http://127.0.0.1/', { method: 'PUT', headers: { 'if-match': 'W/"x"' }, body: JSON.stringify(body) });
    const answer = (await kit.PUT({
      request,
      params: { kind: 'players', id: uuidv7() },
      locals: { scope },
      url: new URL(request.url),
    } as never)) as Response;
    expect([answer.status, ((await answer.json()) as Answer['body']).errors![0]!.pointer]).toEqual([400, '/version']);
  });
});
