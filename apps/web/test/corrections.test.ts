import { nextOuting, readSheet, scoreRound } from '@good-arc/core';
import { v7 as uuidv7 } from 'uuid';
import { beforeAll, beforeEach, describe, expect, test } from 'vitest';
import * as kit from '../src/pages/api/kit/[kind]/[id]/index.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import * as add from '../src/pages/api/rounds/index.ts';
import { readClub } from '../src/server/club.ts';
import { readComers } from '../src/server/comers.ts';
import { readCorrections } from '../src/server/corrections.ts';
import type { Db } from '../src/server/db.ts';
import { readKit } from '../src/server/kit.ts';
import { readLadders } from '../src/server/ladders.ts';
import { ratesOn } from '../src/server/list-rounds.ts';
import { outingRungs, proposedFor, usualCourt } from '../src/server/next-outing.ts';
import { readOne, readRound, readRounds } from '../src/server/read-rounds.ts';
import type { Scope } from '../src/server/scope.ts';
import type { Store } from '../src/server/store.ts';
import { call, emptyDatabase, makeClub, type OneRung, oneRung, putBall, roundBody } from './support/rig.ts';

let db: Db;
let scope: Scope;
let store: Store;
let ids: OneRung;
let roundId: string;

const read = async (id = roundId) => (await readRound(store, id))!;
const correct = (body: unknown, who = scope) => call(rounds.PATCH, { scope: who, params: { id: roundId }, body });

beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope, store } = await makeClub(db, 'Ours'));
  ids = await oneRung(scope, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  roundId = uuidv7();
  await call(rounds.PUT, { scope, params: { id: roundId }, body: roundBody(ids) });
  for (const seq of [1, 2, 3]) await putBall(scope, roundId, uuidv7(), seq, seq === 2 ? 'out' : 'in');
});

describe('a round put right', () => {
  test('a ball counts as it is now, keeps what the machine said of it, and what it was stays in its history', async () => {
    expect(await readOne(store, roundId)).toMatchObject({ isCorrected: false });
    await correct({ balls: [{ id: uuidv7(), seq: 2, outcome: 'in' }] });
    expect(await readOne(store, roundId)).toMatchObject({ isCorrected: true });
    const round = await read();
    expect(round.results.map(({ outcome, speedMps }) => [outcome, speedMps])).toEqual(Array(3).fill(['in', 17.2]));
    expect(await readCorrections(store, roundId)).toMatchObject([
      { what: 'ball', seq: 2, was: 'out', became: 'in', personName: 'Ours owner' },
    ]);
  });
  test('where a ball came down, and what it was hit to, is kept with it, and stays when its outcome is put right', async () => {
    const fallen = {
      seq: 4,
      outcome: 'out',
      speedMps: null,
      elevationDeg: null,
      bearingDeg: null,
      radarMps: null,
      landXM: 1.25,
      landYM: 9.5,
      target: { x: 0, y: 5.9, widthM: 8.2, depthM: 11.9 },
    };
    await call(results.PUT, { scope, params: { id: roundId, resultId: uuidv7() }, body: fallen });
    await correct({ balls: [{ id: uuidv7(), seq: 4, outcome: 'near' }] });
    expect((await read()).results.at(-1)).toMatchObject({ outcome: 'near', landing: { x: 1.25, y: 9.5 }, target: fallen.target });
    expect((await read()).results[0]).toMatchObject({ landing: null, target: null });
    // a rate on this rung is of balls that were hit to its own target
    expect(await ratesOn(store, [ids.rung], 5)).toMatchObject([{ hits: 2, balls: 3 }]);
  });
  test('a ball that was never thrown goes, and comes back', async () => {
    await correct({ balls: [{ id: uuidv7(), seq: 3, outcome: null }] });
    expect((await read()).results.map(({ seq }) => seq)).toEqual([1, 2]);
    await correct({ balls: [{ id: uuidv7(), seq: 3, outcome: 'near' }] });
    expect((await read()).results.map(({ outcome }) => outcome)).toEqual(['in', 'out', 'near']);
  });
  test('another player, another time, a note: each with what it was', async () => {
    const other = uuidv7();
    await call(kit.PUT, {
      scope,
      params: { kind: 'players', id: other },
      body: { name: 'Otto', level: 'Building', hand: 'left', heightM: 1.8 },
    });
    const startedAt = '2026-11-19T16:00:00.000Z';
    expect((await correct({ playerId: other, startedAt, notes: 'Look at 3:12' })).status).toBe(204);
    expect(await read()).toMatchObject({ playerName: 'Otto', startedAt, notes: 'Look at 3:12' });
    const lines = (await readCorrections(store, roundId)).map(({ what, was, became }) => [what, was, became]);
    expect(lines).toContainEqual(['player', 'Ines', 'Otto']);
    expect(lines).toContainEqual(['notes', '', 'Look at 3:12']);
    expect(lines).toHaveLength(3);
  });
  test('what is not changed leaves no trace', async () => {
    await correct({ playerId: ids.player, notes: '', balls: [{ id: uuidv7(), seq: 1, outcome: 'in' }] });
    expect(await readCorrections(store, roundId)).toEqual([]);
  });
  test('a player who is not the club’s is refused, and nothing of it is kept', async () => {
    const { status, body } = await correct({ playerId: uuidv7(), notes: 'kept?' });
    expect(status).toBe(404);
    expect(body.errors).toMatchObject([{ pointer: '/playerId' }]);
    expect((await read()).notes).toBe('');
  });
});

describe('rounds that were played without the app', () => {
  const paper = (part: object = {}) => {
    const { weather: _weather, ...head } = roundBody(ids);
    return { id: uuidv7(), ...head, outcomes: ['in', 'out', null, 'in'], ...part };
  };
  const send = (rows: object[], who = scope) => call(add.POST, { scope: who, body: { rounds: rows } });

  test('are kept as rounds of their rung, and twice is once', async () => {
    const one = paper();
    await send([one]);
    expect((await send([one])).status).toBe(204);
    const round = await read(one.id);
    expect(round).toMatchObject({ source: 'paper', playerName: 'Ines', finishedAt: round.startedAt, card: { name: 'Deep and kind' } });
    expect(round.results.map(({ seq, outcome }) => [seq, outcome])).toEqual([
      [1, 'in'],
      [2, 'out'],
      [4, 'in'],
    ]);
    // put right afterwards, the later word stands
    await call(rounds.PATCH, { scope, params: { id: one.id }, body: { balls: [{ id: uuidv7(), seq: 2, outcome: 'in' }] } });
    expect(scoreRound(round.card, (await read(one.id)).results)).toMatchObject({ hits: 3, balls: 3 });
  });
  test('more balls than the rung deals are of a card that deals as many', async () => {
    const one = paper({ outcomes: Array(20).fill('in') });
    await send([one]);
    const { card, results } = await read(one.id);
    expect([card.ballsPerRound, scoreRound(card, results).balls]).toEqual([20, 20]);
  });
  test('one bad row, and none is kept', async () => {
    const good = paper();
    const { status, body } = await send([good, paper({ rungId: uuidv7() })]);
    expect([status, body.errors?.[0]?.pointer]).toEqual([404, '/rounds/1/rungId']);
    expect(await readRound(store, good.id)).toBeUndefined();
  });
  test('an id that another club has is refused whole', async () => {
    const { scope: other, store: theirs } = await makeClub(db, 'Theirs');
    const own = await oneRung(other, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'earn-it' });
    const { weather: _weather, ...head } = roundBody(own);
    const { status } = await send([{ id: roundId, ...head, outcomes: ['in'] }], other);
    expect(status).toBe(404);
    expect(await readRounds(theirs, { most: 10 })).toEqual([]);
    expect((await read()).results).toHaveLength(3);
  });
  test('two thousand rows of a spreadsheet with three faults: those are named, the others come in', async () => {
    const rows = Array.from({ length: 2000 }, (_, i) => `2026-${String(1 + (i % 10)).padStart(2, '0')}-15,Ines,Deep and kind,${i % 11},10`);
    rows[10] = '2026-13-01,Ines,Deep and kind,5,10';
    rows[500] = '2026-03-01,Inez,Deep and kind,5,10';
    rows[1999] = '2026-03-01,Ines,Deep and kind,12,10';
    const names = {
      players: [{ id: ids.player as never, name: 'Ines' }],
      rungs: [{ id: ids.rung as never, name: 'Deep and kind', ladderName: 'Climb', document: (await read()).card }],
    };
    const sheet = readSheet(`day,player,rung,hits,balls\n${rows.join('\n')}`, names, '2026-11-26', 2500);
    expect(sheet.faults.map(({ line, column }) => [line, column])).toEqual([
      [12, 'day'],
      [502, 'player'],
      [2001, 'hits'],
    ]);
    const outingId = uuidv7();
    const all = sheet.rounds.map(({ playerId, rungId, day, time, outcomes }) => ({
      id: uuidv7(),
      outingId,
      rungId,
      playerId,
      startedAt: `${day}T${time}:00.000Z`,
      source: 'sheet',
      outcomes,
    }));
    expect((await send(all)).status).toBe(204);
    expect(await readRounds(store, { playerId: ids.player as never, most: 3000 })).toHaveLength(1998);
  });
});

describe('rounds to take along', () => {
  const answer = async (who: Scope, query: string): Promise<Response> => {
    const url = new URL(`http://127.0.0.1/api/rounds?${query}`);
    return (await add.GET({ request: new Request(url), params: {}, locals: { scope: who }, url } as never)) as Response;
  };
  const text = async (who: Scope, query: string): Promise<string> => (await answer(who, query)).text();

  test('as a sheet they can be read in again; every ball as JSON; nobody else’s', async () => {
    const rung = { id: ids.rung as never, name: 'Deep and kind', ladderName: 'Climb', document: (await read()).card };
    const names = { players: [{ id: ids.player as never, name: 'Ines' }], rungs: [rung] };
    const { rounds: back, faults } = readSheet(await text(scope, 'as=csv'), names, '2026-11-26', 100);
    expect(faults).toEqual([]);
    expect(back).toMatchObject([{ day: '2026-11-20', time: '15:00', hits: 2, balls: 3 }]);
    const all = JSON.parse(await text(scope, 'as=json'));
    expect(all[0].results.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['in', 'out', 'in']);
    const { scope: other } = await makeClub(db, 'Theirs');
    expect(JSON.parse(await text(other, 'as=json'))).toEqual([]);
    expect(await text(other, `as=csv&player=${ids.player}`)).not.toContain('Ines');
  });
  test('how many lines come is said ahead: a line a round, of who is asked for', async () => {
    const ahead = async (who: Scope, query: string): Promise<number> => Number((await answer(who, query)).headers.get('good-arc-lines'));
    expect(await ahead(scope, 'as=json')).toBe(1);
    expect((await text(scope, 'as=json')).split('\n')).toHaveLength(2);
    expect(await ahead(scope, `as=csv&player=${uuidv7()}`)).toBe(0);
    const { scope: other } = await makeClub(db, 'Elsewhere');
    expect(await ahead(other, 'as=csv')).toBe(0);
  });
  test('what is no format, or no player, is said so', async () => {
    expect(JSON.parse(await text(scope, 'as=xls')).errors).toMatchObject([{ pointer: '/as' }]);
    expect(JSON.parse(await text(scope, 'as=csv&player=1')).errors).toMatchObject([{ pointer: '/player' }]);
  });
});

test('the club’s week: who was here, who stands still, which rung is wrong', async () => {
  const now = new Date('2026-11-26T12:00:00.000Z');
  const other = uuidv7();
  await call(kit.PUT, {
    scope,
    params: { kind: 'players', id: other },
    body: { name: 'Otto', level: 'Building', hand: 'left', heightM: 1.8 },
  });
  const played = Array.from({ length: 12 }, (_, i) => ({
    id: uuidv7(),
    outingId: uuidv7(),
    rungId: ids.rung,
    playerId: i % 2 ? other : ids.player,
    startedAt: `2026-${i < 6 ? '10' : '11'}-${String(10 + i).padStart(2, '0')}T15:00:00.000Z`,
    source: 'sheet',
    outcomes: ['in', 'out', 'out', 'in', 'out', 'out', 'out', 'out', 'out', 'in'],
  }));
  await call(add.POST, { scope, body: { rounds: played } });
  const week = await readClub(store, await readKit(store), await readLadders(store), now);
  expect(week.players.map(({ name }) => name).sort()).toEqual(['Ines', 'Otto']);
  expect(week.players.find(({ name }) => name === 'Otto')).toMatchObject({ stalled: [{ rungName: 'Deep and kind', isStalled: true }] });
  expect(week.wrong).toMatchObject([{ players: 2, rounds: 13, isHard: true }]);
  expect(week.kit).toMatchObject([{ name: 'Bramble', code: 'never-tuned' }]);
  expect(week.away).toEqual([]);
  // what harder balls cost was learnt on the way, and everybody’s rounds are looked at with it from then on
  const kept = await readKit(store);
  const [comer] = await readComers(store, kept, kept.players);
  const { before } = comer!.progress.strokes[0]!.own.answers();
  expect(before).not.toEqual([0.25, 0.5, 0.25]);
  expect(before.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 2);
});

test('a round at a target of one’s own tells nothing of the rung', async () => {
  const before = await ratesOn(store, [ids.rung], 5);
  const own = uuidv7();
  const { card } = await read();
  const asked = roundBody(ids);
  await call(rounds.PUT, {
    scope,
    params: { id: own },
    body: { ...asked, card: { ...card, ownTarget: true, targetSize: { widthM: 1, depthM: 1 } } },
  });
  for (const seq of [1, 2, 3]) await putBall(scope, own, uuidv7(), seq, 'out');
  expect((await read(own)).card.ownTarget).toBe(true);
  expect(await ratesOn(store, [ids.rung], 5)).toEqual(before);
});

test('rounds are found by a word of the rung as it was run, of machine or court, or of what was noted', async () => {
  await correct({ notes: 'Bent knees, 100% of them' });
  const found = async (word: string) => (await readRounds(store, { word, most: 5 })).map(({ id }) => id);
  for (const word of ['DEEP', 'bramble', 'court', 'knees, 100%']) expect(await found(word)).toEqual([roundId]);
  // what a person types stands for itself
  for (const word of ['shallow', '100_', 'k%es', '\\']) expect(await found(word)).toEqual([]);
});

test('the rungs of what comes next: of the court that was asked for, with the chance of each who comes', async () => {
  const kept = await readKit(store);
  const comers = await readComers(store, kept, kept.players);
  const court = usualCourt(kept, comers)!;
  const rungs = outingRungs(kept, await readLadders(store), comers, court, new Date());
  expect(rungs).toMatchObject([{ rungId: ids.rung, players: [{ playerId: ids.player, lastDay: expect.any(Number) }] }]);
  // what follows from them is worked out once, and anew for other minutes or when one of them came to something else
  const question = { rungs, playerIds: [ids.player as never], minutes: 45, day: 20_000, swingsLeft: null };
  const proposed = proposedFor(question);
  expect(proposed).toEqual(nextOuting(question));
  expect(proposedFor({ ...question, rungs: outingRungs(kept, await readLadders(store), comers, court, new Date()) })).toBe(proposed);
  expect(proposedFor({ ...question, minutes: 10 })).toEqual(nextOuting({ ...question, minutes: 10 }));
  const surely = rungs.map((rung) => ({ ...rung, players: rung.players.map((each) => ({ ...each, share: 0.97 })) }));
  expect(proposedFor({ ...question, rungs: surely })).toEqual(nextOuting({ ...question, rungs: surely }));
  expect(outingRungs(kept, await readLadders(store), comers, { ...court, id: uuidv7() }, new Date())).toEqual([]);
  // a beginner is not led to a rung above them that they have never run
  const beginner = comers.map((each) => ({ ...each, rounds: [], player: { ...each.player, level: 'Starting' as const } }));
  expect(outingRungs(kept, await readLadders(store), beginner, court, new Date())).toEqual([]);
});
