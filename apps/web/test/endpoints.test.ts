import { eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { ladder, machine, result, round, rung } from '../src/db/schema.ts';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as kitRestore from '../src/pages/api/kit/[kind]/[id]/restore.ts';
import * as duplicate from '../src/pages/api/ladders/[id]/duplicate.ts';
import * as ladders from '../src/pages/api/ladders/[id]/index.ts';
import * as ladderRestore from '../src/pages/api/ladders/[id]/restore.ts';
import * as whole from '../src/pages/api/ladders/[id]/whole.ts';
import * as command from '../src/pages/api/machines/[id]/command.ts';
import * as finish from '../src/pages/api/rounds/[id]/finish.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import * as rungs from '../src/pages/api/rungs/[id]/index.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { links } from '../src/server/links.ts';
import { readRounds } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import {
  call,
  emptyDatabase,
  makeClub,
  type OneRung,
  oneRung,
  profileOf,
  putBall,
  roundBody as roundOf,
  rungDocument,
} from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let foreign: Scope;
let foreignStore: Store;
const head = { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' };
let ids: OneRung;

beforeAll(async () => {
  db = await emptyDatabase();
});

/** A club with a court, a machine, a player and a ladder of one rung; and another club beside it. */
beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  ({ scope: foreign, store: foreignStore } = await makeClub(db, 'Theirs'));
  ids = await oneRung(scope, head);
});

describe('kit', () => {
  test('what is put is read back, changed, archived and restored', async () => {
    const [player] = (await readKit(store)).players;
    expect(player).toEqual({
      id: ids.player,
      version: 1,
      name: 'Ines',
      level: 'Building',
      hand: 'right',
      bats: null,
      heightM: 1.68,
      bornYear: null,
      goals: '',
      aims: [],
      season: null,
      avoid: '',
      notes: '',
    });
    await call(kit.PUT, {
      scope,
      params: { kind: 'players', id: ids.player },
      body: { ...player, id: undefined, version: undefined, name: 'Ines Rookwood', bats: 'both' },
    });
    expect((await readKit(store)).players[0]).toMatchObject({ name: 'Ines Rookwood', bats: 'both' });
    // goals with a date stay where a form says nothing of them
    const aims = [{ sport: 'tennis', stroke: 'groundstroke', sideM: 1.5, distanceM: 18, by: '2026-12-24' }];
    const { id: _id, version: _version, ...rest } = player!;
    const put = (body: object) => call(kit.PUT, { scope, params: { kind: 'players', id: ids.player }, body });
    await put({ ...rest, aims });
    await put({ ...rest, aims: undefined, name: 'Ines R.' });
    expect((await readKit(store)).players[0]).toMatchObject({ name: 'Ines R.', aims });
    expect((await put({ ...rest, aims: [{ ...aims[0], by: 'spring' }] })).status).toBe(400);
    const season = {
      ladderId: ids.ladder,
      from: '2026-11-30',
      to: '2026-12-06',
      weekdays: [2],
      restsArm: false,
      ballsAWeek: 60,
      fromRung: 0,
    };
    expect((await put({ ...rest, season })).body).toMatchObject({ errors: [{ detail: 'Two weeks to a year after it begins.' }] });
    expect((await put({ ...rest, season: { ...season, ladderId: uuidv7(), to: '2027-03-01' } })).status).toBe(404);
    expect((await put({ ...rest, season: { ...season, to: '2027-03-01' } })).status).toBeLessThan(300);
    expect((await call(kit.DELETE, { scope, params: { kind: 'players', id: ids.player } })).status).toBe(204);
    expect((await readKit(store)).players).toEqual([]);
    expect((await call(kitRestore.POST, { scope, params: { kind: 'players', id: ids.player } })).status).toBe(204);
    expect((await readKit(store)).players).toHaveLength(1);
  });
  test('a game ball of one’s own is kept, changed, archived and restored; a court keeps its clear height', async () => {
    const document = {
      kind: 'shaped',
      sport: 'tennis',
      level: 'Building',
      from: { y: 11.5, z: 1 },
      topspinRpm: 1800,
      landsPastM: 8,
      clearsByM: 2,
    };
    const id = uuidv7();
    const at = { scope, params: { kind: 'gameBalls', id } };
    expect((await call(kit.PUT, { ...at, body: { name: 'Loop', document, notes: '' } })).status).toBe(200);
    expect(
      (await call(kit.PUT, { ...at, body: { name: 'Loop', document: { ...document, clearsByM: 2.5 }, notes: '' }, seen: 1 })).status,
    ).toBe(200);
    expect((await readKit(store)).gameBalls).toEqual([
      { id, version: 2, name: 'Loop', document: { ...document, clearsByM: 2.5 }, notes: '' },
    ]);
    await call(kit.DELETE, at);
    expect((await readKit(store)).gameBalls).toEqual([]);
    await call(kitRestore.POST, at);
    expect((await readKit(store)).gameBalls).toHaveLength(1);
    expect((await readKit(foreignStore)).gameBalls).toEqual([]);
    const hall = { name: 'Hall', sport: 'tennis', surfaceId: 'tennis-carpet', indoor: true, ceilingM: 7.5, notes: '' };
    await call(kit.PUT, { scope, params: { kind: 'courts', id: ids.court }, body: hall });
    expect((await readKit(store)).courts[0]).toMatchObject({ indoor: true, ceilingM: 7.5 });
  });
  test('a machine’s profile survives the database to the last figure', async () => {
    expect((await readKit(store)).machines[0]!.profile).toEqual(profileOf('Two-wheel portable'));
  });
  test.each<[string, string, unknown, string, RegExp]>([
    ['empty name', 'players', { name: '  ', level: 'Building', hand: 'right', heightM: 1.7 }, '/name', /name/i],
    ['no such level', 'players', { name: 'A', level: 'Pro', hand: 'right', heightM: 1.7 }, '/level', /Starting, Building/],
    ['a giant', 'players', { name: 'A', level: 'Building', hand: 'right', heightM: 17 }, '/heightM', /2.4 m/],
    ['unknown key', 'players', { name: 'A', level: 'Building', hand: 'right', heightM: 1.7, clubId: uuidv7() }, '/clubId', /not known/],
    ['half a ball', 'balls', { name: 'A', ballId: 'tennis-standard', count: 1.5, condition: 'new' }, '/count', /whole number/],
    [
      'a game ball through the net',
      'gameBalls',
      {
        name: 'A',
        document: {
          kind: 'shaped',
          sport: 'tennis',
          level: 'Building',
          from: { y: 11, z: 1 },
          topspinRpm: 0,
          landsPastM: 8,
          clearsByM: -1,
        },
      },
      '/document/clearsByM',
      /Over the net/,
    ],
    [
      'a court one cannot stand up in',
      'courts',
      { name: 'A', sport: 'tennis', surfaceId: 'tennis-clay', indoor: true, ceilingM: 1 },
      '/ceilingM',
      /2 m/,
    ],
    [
      'a line elsewhere',
      'machines',
      { name: 'A', profile: profileOf('Pocket tosser'), linkAddress: 'example.org:80' },
      '/linkAddress',
      /127.0.0.1/,
    ],
    [
      'limits the wrong way round',
      'machines',
      { name: 'A', profile: { ...profileOf('Pocket tosser'), speedMps: [20, 10] } },
      '/profile/speedMps',
      /lowest comes first/,
    ],
  ])('%s is refused by its field, and nothing is saved', async (_name, kind, body, pointer, detail) => {
    const before = await readKit(store);
    const { status, body: problem } = await call(kit.PUT, { scope, params: { kind, id: uuidv7() }, body });
    expect(status).toBe(400);
    expect(problem.errors!.map((each) => each.pointer)).toContain(pointer);
    expect(problem.errors!.map((each) => each.detail).join(' ')).toMatch(detail);
    expect(await readKit(store)).toEqual(before);
  });
  test('an unknown kind, a bad id, no JSON and too much are told apart', async () => {
    expect((await call(kit.PUT, { scope, params: { kind: 'boats', id: uuidv7() } })).status).toBe(404);
    expect((await call(kit.PUT, { scope, params: { kind: 'players', id: 'x' } })).body.errors![0]!.pointer).toBe('/id');
    expect((await call(kit.PUT, { scope, params: { kind: 'players', id: uuidv7() }, raw: '{' })).body.errors![0]!.detail).toMatch(/JSON/);
    expect((await call(kit.PUT, { scope, params: { kind: 'players', id: uuidv7() }, raw: `"${'x'.repeat(600_000)}"` })).status).toBe(413);
  });
  test('half a character is told at its field, however deep it lies', async () => {
    const put = (raw: string) => call(kit.PUT, { scope, params: { kind: 'players', id: uuidv7() }, raw });
    const answer = await put('{"name":"Ada","level":"Building","hand":"left","heightM":1.7,"goals":"a \\ud83c goal"}');
    expect([answer.status, answer.body.errors![0]!.pointer]).toEqual([400, '/goals']);
    // a whole one is text like any other
    expect((await put('{"name":"Ada \\ud83c\\udfbe","level":"Building","hand":"left","heightM":1.7}')).status).toBe(200);
  });
});

describe('a foreign club', () => {
  test('sees nothing, and cannot change, remove or restore anything', async () => {
    expect(await readKit(foreignStore)).toEqual({ players: [], squads: [], courts: [], balls: [], machines: [], gameBalls: [] });
    expect(await readLadders(foreignStore)).toEqual([]);
    const asForeign = { scope: foreign };
    const player = { name: 'Taken', level: 'Building', hand: 'right', heightM: 1.7 };
    const answers = await Promise.all([
      call(kit.PUT, { ...asForeign, params: { kind: 'players', id: ids.player }, body: player }),
      call(kit.DELETE, { ...asForeign, params: { kind: 'machines', id: ids.machine } }),
      call(kitRestore.POST, { ...asForeign, params: { kind: 'courts', id: ids.court } }),
      call(ladders.PUT, {
        ...asForeign,
        params: { id: ids.ladder },
        body: { name: 'Taken', sport: 'tennis', level: 'Building', approach: 'earn-it' },
      }),
      call(ladders.DELETE, { ...asForeign, params: { id: ids.ladder } }),
      call(whole.PUT, { ...asForeign, params: { id: ids.ladder }, body: { version: 1, ladder: head, rungs: [] } }),
      call(duplicate.POST, { ...asForeign, params: { id: ids.ladder }, body: { newId: uuidv7(), rungIds: [] } }),
      call(rungs.PUT, {
        ...asForeign,
        params: { id: uuidv7() },
        body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine) },
      }),
      call(command.POST, { ...asForeign, params: { id: ids.machine }, body: { do: 'hold' } }),
      call(rounds.PUT, { ...asForeign, params: { id: uuidv7() }, body: roundBody() }),
    ]);
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 404));
    expect((await readKit(store)).players[0]!.name).toBe('Ines');
    expect((await readLadders(store))[0]).toMatchObject({ name: 'Climb' });
  });
  test('nobody at all is asked to sign in', async () => {
    expect((await call(ladders.DELETE, { scope: undefined, params: { id: ids.ladder } })).status).toBe(401);
  });
  test('a helper runs rounds but does not plan or keep the kit', async () => {
    const helper: Scope = { ...scope, role: 'helper' };
    expect((await call(ladders.DELETE, { scope: helper, params: { id: ids.ladder } })).status).toBe(403);
    expect((await call(kit.DELETE, { scope: helper, params: { kind: 'players', id: ids.player } })).status).toBe(403);
    expect((await call(rounds.PUT, { scope: helper, params: { id: uuidv7() }, body: roundBody() })).status).toBe(204);
  });
});

describe('ladders and rungs', () => {
  const addRung = async (name: string): Promise<string> => {
    const id = uuidv7();
    await call(rungs.PUT, { scope, params: { id }, body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine, name) } });
    return id;
  };
  /** As a page writes that has seen the last change. */
  const writeWhole = async (rungs: unknown) => {
    const [kept] = await readLadders(store, [ids.ladder]);
    const { version } = kept!;
    return call(whole.PUT, { scope, params: { id: ids.ladder }, body: { version, ladder: head, rungs } });
  };
  const putWhole = (...all: [id: string, name: string][]) =>
    writeWhole(all.map(([id, name]) => ({ id, document: rungDocument(ids.court, ids.machine, name) })));
  const names = async (): Promise<string[]> => (await readLadders(store))[0]!.rungs.map(({ document }) => document.name);

  test('new rungs go on top; the order is saved; sending a rung twice makes one', async () => {
    const second = await addRung('Second');
    const third = await addRung('Third');
    expect(await names()).toEqual(['Deep and kind', 'Second', 'Third']);
    await call(rungs.PUT, {
      scope,
      params: { id: third },
      body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine, 'Third') },
    });
    expect((await putWhole([third, 'Third'], [ids.rung, 'Deep and kind'], [second, 'Second'])).status).toBe(200);
    expect(await names()).toEqual(['Third', 'Deep and kind', 'Second']);
  });
  test('the same rung twice, or a machine of another club, is refused and changes nothing', async () => {
    expect((await putWhole([ids.rung, 'A'], [ids.rung, 'B'])).status).toBe(409);
    const document = { ...rungDocument(ids.court, ids.machine), machineId: uuidv7() };
    expect((await writeWhole([{ id: ids.rung, document }])).status).toBe(404);
    expect(await names()).toEqual(['Deep and kind']);
  });
  test('what is not in the whole is removed, and comes back where it stands in the next', async () => {
    const second = await addRung('Second');
    await putWhole([ids.rung, 'Deep and kind']);
    expect(await names()).toEqual(['Deep and kind']);
    await putWhole([second, 'Second'], [ids.rung, 'Deep and kind']);
    expect(await names()).toEqual(['Second', 'Deep and kind']);
  });
  test('deleting and restoring a ladder keeps its rungs; a copy has its own', async () => {
    await call(ladders.DELETE, { scope, params: { id: ids.ladder } });
    expect(await readLadders(store)).toEqual([]);
    await call(ladderRestore.POST, { scope, params: { id: ids.ladder } });
    const newId = uuidv7();
    await call(duplicate.POST, { scope, params: { id: ids.ladder }, body: { newId, rungIds: [{ from: ids.rung, to: uuidv7() }] } });
    await putWhole();
    const all = await readLadders(store);
    expect(all.map(({ name, rungs: each }) => [name, each.length])).toEqual([
      ['Climb', 0],
      ['Climb (copy)', 1],
    ]);
  });
  test('a rung that asks for more hits than balls is refused at its gate', async () => {
    const document = { ...rungDocument(ids.court, ids.machine), gate: { hits: 12, of: 10 } };
    const { status, body } = await call(rungs.PUT, { scope, params: { id: uuidv7() }, body: { ladderId: ids.ladder, document } });
    expect(status).toBe(400);
    expect(body.errors![0]).toMatchObject({ pointer: '/document/gate/hits' });
    expect(await names()).toEqual(['Deep and kind']);
  });
});

const roundBody = () => roundOf(ids);

describe('rounds', () => {
  const put = (roundId: string, resultId: string, seq: number, outcome: string) => putBall(scope, roundId, resultId, seq, outcome);

  test('a round keeps its settings, conditions and results; everything sent twice counts once', async () => {
    const roundId = uuidv7();
    const body = roundBody();
    for (let twice = 0; twice < 2; twice++) expect((await call(rounds.PUT, { scope, params: { id: roundId }, body })).status).toBe(204);
    const [first, second] = [uuidv7(), uuidv7()];
    for (const [resultId, seq, outcome] of [
      [first, 1, 'in'],
      [second, 2, 'out'],
      [first, 1, 'in'],
    ] as const)
      expect((await put(roundId, resultId, seq, outcome)).status).toBe(204);
    await call(finish.POST, { scope, params: { id: roundId }, body: { finishedAt: '2026-11-20T15:03:00.000Z' } });
    const [read] = await readRounds(store, { most: 50 });
    expect(read).toMatchObject({
      id: roundId,
      playerName: 'Ines',
      machineName: 'Bramble',
      courtName: 'Court 1',
      ladderName: 'Climb',
      startedAt: body.startedAt,
      finishedAt: '2026-11-20T15:03:00.000Z',
      weather: body.weather,
    });
    expect(read!.results.map(({ seq, outcome }) => [seq, outcome])).toEqual([
      [1, 'in'],
      [2, 'out'],
    ]);
    expect(read!.card.feeds[0]!.launch).toEqual(rungDocument(ids.court, ids.machine).feeds[0]!.launch);
  });
  test('who confirmed a hard ball is kept with the round; an empty name is refused', async () => {
    const [roundId, other] = [uuidv7(), uuidv7()];
    const refused = await call(rounds.PUT, { scope, params: { id: roundId }, body: { ...roundBody(), confirmedBy: '  ' } });
    expect(refused.status).toBe(400);
    expect(await readRounds(store, { most: 50 })).toEqual([]);
    await call(rounds.PUT, { scope, params: { id: roundId }, body: { ...roundBody(), confirmedBy: 'Orla' } });
    await call(rounds.PUT, { scope, params: { id: other }, body: roundBody() });
    const read = await readRounds(store, { most: 50 });
    expect(read.find(({ id }) => id === roundId)!.confirmedBy).toBe('Orla');
    expect(read.find(({ id }) => id === other)!.confirmedBy).toBeNull();
  });
  test('a result is taken back, twice without harm', async () => {
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    const resultId = uuidv7();
    await put(roundId, resultId, 1, 'near');
    for (let twice = 0; twice < 2; twice++)
      expect((await call(results.DELETE, { scope, params: { id: roundId, resultId } })).status).toBe(204);
    expect((await readRounds(store, { most: 50 }))[0]!.results).toEqual([]);
  });
  test('a result that was taken back stays so, though it is sent again', async () => {
    const [roundId, resultId] = [uuidv7(), uuidv7()];
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    await put(roundId, resultId, 1, 'near');
    await call(results.DELETE, { scope, params: { id: roundId, resultId } });
    expect((await put(roundId, resultId, 1, 'near')).status).toBe(204);
    expect((await readRounds(store, { most: 50 }))[0]!.results).toEqual([]);
  });
  test('one ball judged on two devices counts once: the later stands whichever arrives first, the other is its history', async () => {
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    const ids = Array.from({ length: 8 }, () => uuidv7());
    const arrives = [...ids.keys()].sort((a, b) => ((a * 5) % 8) - ((b * 5) % 8));
    await Promise.all(arrives.map((i) => put(roundId, ids[i]!, 3, i === 7 ? 'in' : 'out')));
    const [read] = await readRounds(store, { most: 50 });
    expect(read!.results.map(({ id, seq, outcome }) => [id, seq, outcome])).toEqual([[ids[7], 3, 'in']]);
    const rows = await db.select().from(result).where(eq(result.roundId, roundId));
    expect(rows).toHaveLength(8);
    expect(rows.filter(({ deletedAt, replacedBy }) => deletedAt && replacedBy)).toHaveLength(7);
  });
  test('the card is the rung as it was: a later change to the rung does not touch it', async () => {
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    await call(rungs.PUT, {
      scope,
      params: { id: ids.rung },
      body: { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine, 'Renamed') },
    });
    await call(kit.DELETE, { scope, params: { kind: 'players', id: ids.player } });
    expect((await readRounds(store, { most: 50 }))[0]).toMatchObject({ card: { name: 'Deep and kind' }, playerName: 'Ines' });
  });
  test('a result of a round that is not there, or an outcome that is none, is refused', async () => {
    expect((await put(uuidv7(), uuidv7(), 1, 'in')).status).toBe(404);
    const roundId = uuidv7();
    await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody() });
    const { status, body } = await put(roundId, uuidv7(), 1, 'great');
    expect(status).toBe(400);
    expect(body.errors![0]).toMatchObject({ pointer: '/outcome', detail: expect.stringMatching(/in, near, out/) });
    expect(await db.select().from(result).where(eq(result.roundId, roundId))).toEqual([]);
  });
  test.each(['0001-01-01T00:00:00Z', '9999-12-31T23:59:59Z', '2026-13-01T00:00:00Z', 'yesterday'])(
    'a moment that is none is refused at its field: %s',
    async (startedAt) => {
      const { status, body } = await call(rounds.PUT, { scope, params: { id: uuidv7() }, body: { ...roundBody(), startedAt } });
      expect([status, body.errors![0]!.pointer]).toEqual([400, '/startedAt']);
      expect(body.errors![0]!.detail).toMatch(/A year from 1990 to 2100|A moment in UTC such as/);
    },
  );
  test('a round that fails half-way leaves nothing behind', async () => {
    const before = (await db.select().from(round)).length;
    expect((await call(rounds.PUT, { scope, params: { id: uuidv7() }, body: { ...roundBody(), playerId: uuidv7() } })).status).toBe(404);
    expect(await db.select().from(round)).toHaveLength(before);
  });
});

describe('machines and people', () => {
  test('a rung that was changed since the page was opened is not armed as the page shows it; a round that goes on is', async () => {
    const other = uuidv7();
    await call(kit.PUT, {
      scope,
      params: { kind: 'machines', id: other },
      body: { name: 'Wren', profile: profileOf('Two-wheel portable'), linkAddress: '127.0.0.1:19' },
    });
    const rungId = uuidv7();
    const document = rungDocument(ids.court, other);
    await call(rungs.PUT, { scope, params: { id: rungId }, body: { ladderId: ids.ladder, document } });
    const arm = (shown: typeof document, from = 0) =>
      call(command.POST, { scope, params: { id: other }, body: { do: 'arm', rungId, from, document: shown } });
    expect(await arm({ ...document, intervalS: 5.5 })).toMatchObject({ status: 409, body: { type: '/problems/changed-since' } });
    // no machine is there: it is the line that says no
    expect(await arm(document)).toMatchObject({ status: 200, body: { ok: false, code: 'link-lost' } });
    // the beginning of its round has not arrived yet
    expect(await arm({ ...document, intervalS: 5.5 }, 3)).toMatchObject({ status: 200, body: { ok: false, code: 'link-lost' } });
    // once it has, only its own card is thrown, in whatever weather, though the rung is another by now
    const roundId = uuidv7();
    const card = { ...document, intervalS: 5.5 };
    await call(rounds.PUT, { scope, params: { id: roundId }, body: { ...roundBody(), rungId, card } });
    const goOn = (shown: typeof document) =>
      call(command.POST, { scope, params: { id: other }, body: { do: 'arm', rungId, from: 3, roundId, document: shown } });
    expect(await goOn({ ...card, weather: { ...card.weather, windXMps: 2 } })).toMatchObject({ status: 200, body: { code: 'link-lost' } });
    expect(await goOn(document)).toMatchObject({ status: 409, body: { type: '/problems/changed-since' } });
    // trimmed for the air of today, or nudged, it is still that card; by more it is another ball
    const [feed] = card.feeds;
    const raised = (deg: number) => ({
      ...card,
      feeds: [{ ...feed!, launch: { ...feed!.launch, elevationDeg: feed!.launch.elevationDeg + deg } }],
    });
    expect(await goOn(raised(2))).toMatchObject({ status: 200, body: { code: 'link-lost' } });
    expect(await goOn(raised(20))).toMatchObject({ status: 409, body: { type: '/problems/changed-since' } });
    // the balls that are left, told anew: those of the card only
    const rest = (dealt: number[]) =>
      call(command.POST, {
        scope,
        params: { id: other },
        body: { do: 'rest', rungId, roundId, from: 3, armedFrom: 0, document: card, dealt, intervalS: 5 },
      });
    expect(await rest(Array(10).fill(0))).toMatchObject({ status: 200, body: { code: 'link-lost' } });
    expect(await rest(Array(10).fill(7))).toMatchObject({ status: 400, body: { errors: [{ pointer: '/dealt' }] } });
    expect((await rest([0, 0, 0])).body.title).toMatch(/All balls of this round have been thrown/);
    links.closeAll();
  });
  test('a machine without a line says so; a rung of another machine is not armed on it', async () => {
    expect((await call(command.POST, { scope, params: { id: ids.machine }, body: { do: 'hold' } })).body.title).toMatch(/by hand/);
    const other = uuidv7();
    await call(kit.PUT, {
      scope,
      params: { kind: 'machines', id: other },
      body: { name: 'Wren', profile: profileOf('One-wheel portable'), linkAddress: '127.0.0.1:19' },
    });
    const { status, body } = await call(command.POST, { scope, params: { id: other }, body: { do: 'arm', rungId: ids.rung } });
    expect([status, body.errors![0]!.pointer]).toEqual([409, '/rungId']);
    expect((await call(command.POST, { scope, params: { id: other }, body: { do: 'explode' } })).status).toBe(400);
    const ownRung = uuidv7();
    await call(rungs.PUT, { scope, params: { id: ownRung }, body: { ladderId: ids.ladder, document: rungDocument(ids.court, other) } });
    const used = await call(command.POST, { scope, params: { id: other }, body: { do: 'arm', rungId: ownRung, from: 10 } });
    expect([used.status, used.body.title]).toEqual([409, 'All balls of this round have been thrown. Finish it and begin another.']);
    links.closeAll();
  });
  test('times are kept in UTC to the millisecond', async () => {
    const [row] = await db.select({ createdAt: machine.createdAt }).from(machine).where(eq(machine.id, ids.machine));
    expect(Math.abs(row!.createdAt.getTime() - Date.now())).toBeLessThan(10_000);
    const [rungRow] = await db.select().from(rung).where(eq(rung.id, ids.rung));
    expect(rungRow!.document.name).toBe('Deep and kind');
    expect(await db.select().from(ladder).where(eq(ladder.id, ids.ladder))).toHaveLength(1);
  });
});
