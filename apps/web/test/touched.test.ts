import { eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import type { LadderRow } from '../src/api/rows.ts';
import { person, player, round } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import { readClub } from '../src/server/club.ts';
import { readComers } from '../src/server/comers.ts';
import { type Db, inTransaction } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { laddersOf } from '../src/server/ladders.ts';
import { countSince, listRounds, playersWithRounds, ratesOn, readHeads, readRan, swingsSince } from '../src/server/list-rounds.ts';
import { planRounds } from '../src/server/plans.ts';
import { readBrief, readOne, roundsOn } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import { DEMO_EMAIL, demoVisitor, makeToken, visitorOfToken } from '../src/server/session.ts';
import { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, putBall, roundBody } from './support/rig.ts';

let db: Db;
let scope: Scope;
let token: string;
let ids: OneRung;
let made: string;
let ball: string;
beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope } = await makeClub(db, 'Quiet'));
  token = await makeToken(db, scope, false);
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  [made, ball] = [uuidv7(), uuidv7()];
  await call(rounds.PUT, { scope, params: { id: made }, body: roundBody(ids) });
  await putBall(scope, made, ball, 1, 'in');
});

/** Entries of indexes and rows that this connection has looked at. */
async function lookedAt(tx: Db): Promise<number> {
  const [rows] = await tx.execute(
    sql`SHOW SESSION STATUS WHERE Variable_name LIKE 'Handler_read_%' OR Variable_name = 'Handler_icp_attempts'`,
  );
  return (rows as unknown as { Value: string }[]).reduce((sum, { Value }) => sum + Number(Value), 0);
}

/** A page's view of the club. */
async function page(): Promise<Store> {
  const visitor = await visitorOfToken(db, token, { withMarks: true });
  return new Store(db, visitor!.scope, { marks: visitor!.marks });
}
/** Two minutes go by. */
const wait = () => db.execute(sql`UPDATE round SET updated_at = updated_at - INTERVAL 2 MINUTE WHERE club_id = ${scope.clubId}`);

const since = new Date('2026-11-01T00:00:00.000Z');
/** All that pages keep of the rounds of a quiet club. */
async function everything(asking?: Store) {
  const store = asking ?? (await page());
  const kit = await readKit(store);
  const on = { playerId: ids.player as never, rungId: ids.rung as never };
  const [comer] = await readComers(store, kit, kit.players);
  return {
    players: await playersWithRounds(store),
    heads: await readHeads(store, 10),
    list: await listRounds(store, { most: 10 }),
    ran: await readRan(store, [made]),
    rates: await ratesOn(store, [ids.rung], 3),
    swings: await swingsSince(store, since),
    sums: await countSince(store, since),
    planned: await planRounds(store, await ladderOfRung(store), roundBody(ids).startedAt),
    balls: (await readBrief(store, { rungId: on.rungId, most: 10 })).map((each) => each.results.map(({ outcome }) => outcome)),
    newest: (await roundsOn(store, on.playerId, on.rungId, 5)).map(({ id, results: all }) => [id, all.length]),
    one: await readOne(store, made),
    comer: comer?.rounds.map(({ id, results: all }) => [id, all.map(({ outcome }) => outcome)]),
  };
}

async function ladderOfRung(store: Store): Promise<LadderRow> {
  const [ladder] = await laddersOf(store, [{ rungId: ids.rung as never }]);
  return ladder!;
}

const CHANGES: Record<string, () => Promise<unknown>> = {
  'a round begins': () => call(rounds.PUT, { scope, params: { id: uuidv7() }, body: roundBody(ids) }),
  'a ball is judged': () => putBall(scope, made, uuidv7(), 2, 'out'),
  'a ball is judged otherwise': () => putBall(scope, made, ball, 1, 'out'),
  'a ball is taken back': () => call(results.DELETE, { scope, params: { id: made, resultId: ball } }),
  'a ball is put right': () =>
    call(rounds.PATCH, { scope, params: { id: made }, body: { balls: [{ id: uuidv7(), seq: 1, outcome: 'near' }] } }),
  'a round goes to somebody else': async () => {
    const other = uuidv7();
    await new Store(db, scope).put(player, { id: other, name: 'Theo', level: 'Building', hand: 'left', heightM: 1.6 }, 'player');
    await call(rounds.PATCH, { scope, params: { id: made }, body: { playerId: other } });
  },
  'a round was played on another day': () =>
    call(rounds.PATCH, { scope, params: { id: made }, body: { startedAt: '2026-10-02T10:00:00.000Z' } }),
  'a round is deleted': () => call(rounds.DELETE, { scope, params: { id: made } }),
};

describe('a quiet club', () => {
  test('is asked for its rounds once, and each page shows what it was told then', async () => {
    await wait();
    const [first, again] = [await everything(), await everything()];
    for (const key of ['players', 'heads', 'list', 'rates', 'ran', 'planned'] as const) expect(again[key]).toBe(first[key]);
    expect(again).toEqual(first);
    expect(first).toMatchObject({
      sums: { rounds: 1, hits: 1, balls: 1 },
      planned: [{ hits: 1, balls: 1 }],
      balls: [['in']],
      newest: [[made, 1]],
      comer: [[made, ['in']]],
    });
    expect(again.one!.round.results).toBe(first.one!.round.results);
    expect(() => Object.assign(first.list[0]!, { balls: 7 })).toThrow(TypeError);
  });
  test.each(Object.keys(CHANGES))('%s: at once, and a while later, every page shows it', async (name) => {
    await wait();
    const before = await everything();
    await CHANGES[name]!();
    const after = await everything();
    expect(after).not.toEqual(before);
    await wait();
    expect(await everything()).toEqual(after);
  });
  test('a name that changed is another at once', async () => {
    await wait();
    const before = await everything();
    await db
      .update(player)
      .set({ name: 'Ines the Second', version: 2 })
      .where(eq(player.id, ids.player as never));
    const after = await everything();
    expect([before.players, after.players].map(([one]) => one!.name)).toEqual(['Ines', 'Ines the Second']);
    expect(after.list[0]!.playerName).toBe('Ines the Second');
  });
  test('what cannot be read is said each time', async () => {
    await db.execute(sql`UPDATE round SET card = '{"version":1,"document":{"name":"Torn"}}' WHERE id = ${made}`);
    await wait();
    for (let i = 0; i < 2; i++) {
      const store = await page();
      expect(await readRan(store, [made])).toEqual([]);
      expect(store.setAside).toMatchObject([{ what: 'round', id: made }]);
    }
  });
  test('a round that came back is there, and an endpoint asks each time', async () => {
    await call(rounds.DELETE, { scope, params: { id: made } });
    await wait();
    expect((await everything()).list).toEqual([]);
    await new Store(db, scope).restore(round, made, 'round');
    expect((await everything()).list).toHaveLength(1);
    await wait();
    expect((await everything()).list).toHaveLength(1);
    const plain = new Store(db, scope);
    expect(await playersWithRounds(plain)).not.toBe(await playersWithRounds(plain));
  });
});

describe('a club where somebody else plays', () => {
  const theo = async (): Promise<string> => {
    const other = uuidv7();
    await new Store(db, scope).put(player, { id: other, name: 'Theo', level: 'Building', hand: 'left', heightM: 1.6 }, 'player');
    return other;
  };
  /** Two minutes after the round that was made, another begins. */
  const playedBy = async (playerId: string): Promise<string> => {
    await wait();
    const id = uuidv7();
    await call(rounds.PUT, { scope, params: { id }, body: { ...roundBody(ids), playerId } });
    await putBall(scope, id, uuidv7(), 1, 'out');
    return id;
  };
  /** All players' rounds, as a page has them, and how many statements look for the newest of a player. */
  async function comers() {
    const { $client } = db as unknown as { $client: { execute: (statement: unknown) => Promise<unknown> } };
    const spy = vi.spyOn($client, 'execute');
    const store = await page();
    const kit = await readKit(store);
    const all = await readComers(store, kit, kit.players);
    const asked = spy.mock.calls.filter(([statement]) => JSON.stringify(statement).includes('FORCE INDEX (round_player)')).length;
    spy.mockRestore();
    return { all, asked };
  }
  test('of those who play the touched rounds are read, and what others’ rounds come to stands', async () => {
    const other = await theo();
    const theirs = await playedBy(other);
    const first = await comers();
    expect([first.asked, first.all.map(({ player: { name }, rounds: { length } }) => [name, length])]).toEqual([
      2,
      [
        ['Ines', 1],
        ['Theo', 1],
      ],
    ]);
    const again = await comers();
    expect([again.asked, again.all.map(({ progress }) => progress)]).toEqual([0, first.all.map(({ progress }) => progress)]);
    await putBall(scope, theirs, uuidv7(), 2, 'in');
    const second = await comers();
    expect(second.asked).toBe(0);
    expect(second.all.map(({ rounds: [round] }) => round!.results.length)).toEqual([1, 2]);
    expect(second.all[0]!.progress).toBe(first.all[0]!.progress);
  });
  test('pages that come at once read it once', async () => {
    await playedBy(await theo());
    const [first, ...others] = await Promise.all(Array.from({ length: 5 }, () => comers()));
    for (const { all } of others) for (const [i, { rounds: theirs }] of all.entries()) expect(theirs).toBe(first!.all[i]!.rounds);
  });
  test('of the newest so many another comes after the last, where one is deleted or was played earlier', async () => {
    const on = { playerId: ids.player as never, rungId: ids.rung as never };
    const began: string[] = [];
    for (const minute of [1, 2, 3, 4]) {
      began.push(uuidv7());
      await call(rounds.PUT, {
        scope,
        params: { id: began.at(-1)! },
        body: { ...roundBody(ids), startedAt: `2026-11-20T10:0${minute}:00.000Z` },
      });
    }
    const newest = async () => (await roundsOn(await page(), on.playerId, on.rungId, 2)).map(({ id }) => began.indexOf(id));
    await db.execute(sql`UPDATE round SET started_at = '2026-01-01 10:00:00' WHERE id = ${made}`);
    await wait();
    expect(await newest()).toEqual([3, 2]);
    await call(rounds.DELETE, { scope, params: { id: began[3]! } });
    expect(await newest()).toEqual([2, 1]);
    await call(rounds.PATCH, { scope, params: { id: began[2]! }, body: { startedAt: '2026-11-19T10:00:00.000Z' } });
    expect(await newest()).toEqual([1, 0]);
    await putBall(scope, began[0]!, uuidv7(), 1, 'in');
    expect(await newest()).toEqual([1, 0]);
  });
  test('who was here, and what rungs came to, is counted anew for those who play only', async () => {
    const other = await theo();
    const theirs = await playedBy(other);
    const club = async () => {
      const store = await page();
      const week = await readClub(store, await readKit(store), [], new Date(roundBody(ids).startedAt));
      return week.players.map(({ name, rounds: many, balls, hits }) => [name, many, balls, hits]);
    };
    expect((await club()).sort()).toEqual([
      ['Ines', 1, 1, 1],
      ['Theo', 1, 1, 0],
    ]);
    await putBall(scope, theirs, uuidv7(), 2, 'in');
    expect((await club()).sort()).toEqual([
      ['Ines', 1, 1, 1],
      ['Theo', 1, 2, 1],
    ]);
    await call(rounds.DELETE, { scope, params: { id: theirs } });
    expect(await club()).toEqual([['Ines', 1, 1, 1]]);
  });
  test.each(Object.keys(CHANGES))('%s: it is seen at once', async (name) => {
    await playedBy(await theo());
    for (let i = 0; i < 2; i++) await everything();
    const before = await everything();
    await CHANGES[name]!();
    const after = await everything();
    expect(after).not.toEqual(before);
    // an endpoint keeps nothing
    expect(after).toEqual(await everything(new Store(db, scope)));
  });
  test('where many rounds were touched at once, as by a file, all are asked for', async () => {
    const other = await theo();
    for (let i = 0; i < 101; i++) await call(rounds.PUT, { scope, params: { id: uuidv7() }, body: { ...roundBody(ids), playerId: other } });
    await db.execute(sql`UPDATE round SET updated_at = updated_at - INTERVAL 2 MINUTE WHERE id = ${made}`);
    for (let i = 0; i < 2; i++) expect((await comers()).asked).toBe(2);
  });
  test('what was touched is found by one look, however many rounds there are', async () => {
    await wait();
    const [own] = await db.select().from(round).where(eq(round.id, made));
    await db.insert(round).values(Array.from({ length: 400 }, () => ({ ...own!, id: uuidv7() })));
    await playedBy(await theo());
    // whoever is signed in is known to the database before it looks; the demo’s visitor is not
    await db.update(person).set({ email: DEMO_EMAIL }).where(eq(person.id, scope.personId));
    const looked = await inTransaction(db, async (tx) => {
      const before = await lookedAt(tx);
      const visitor = await demoVisitor(tx, { withMarks: true, believed: scope.clubId });
      expect(visitor!.marks!.touched.split(',')).toHaveLength(1);
      return (await lookedAt(tx)) - before;
    });
    expect(looked).toBeLessThan(200);
  });
});
