import { eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, beforeEach, expect, test, vi } from 'vitest';
import { membership, person, result, round, session } from '../src/db/schema.ts';
import * as rounds from '../src/pages/api/rounds/[id]/index.ts';
import * as results from '../src/pages/api/rounds/[id]/results/[resultId].ts';
import type { Db } from '../src/server/db.ts';
import { Refusal } from '../src/server/problem.ts';
import type { Scope } from '../src/server/scope.ts';
import { DEMO_EMAIL, makeToken } from '../src/server/session.ts';
import { call, emptyDatabase, makeClub, oneRung, roundBody } from './support/rig.ts';
import { visit } from './support/visit.ts';

let db: Db;
let scope: Scope;
let token: string;
let made: string;
let seq = 0;
beforeAll(async () => {
  db = await emptyDatabase();
});
beforeEach(async () => {
  ({ scope } = await makeClub(db, 'Proven'));
  token = await makeToken(db, scope, false);
  made = await aRound(scope);
});
afterEach(() => {
  vi.unstubAllEnvs();
  vi.restoreAllMocks();
});

async function aRound(of: Scope): Promise<string> {
  const ids = await oneRung(of, { name: 'Climb', sport: 'tennis', level: 'Building', approach: 'sweet-spot' });
  const id = uuidv7();
  await call(rounds.PUT, { scope: of, params: { id }, body: roundBody(ids) });
  return id;
}

/** Puts a ball down as a browser that holds this token: past the middleware, into the endpoint. */
async function put(roundId: string, { cookie = token, id = uuidv7(), ball = ++seq } = {}) {
  let wasLookedUp = true;
  const path = `/api/rounds/${roundId}/results/${id}`;
  const { status } = await visit(path, {
    method: 'PUT',
    headers: { 'content-type': 'application/json', origin: 'http://127.0.0.1:4321' },
    cookie,
    answer: async ({ scope: asking, unproven }) => {
      wasLookedUp = !unproven;
      const body = { seq: ball, outcome: 'in', speedMps: 17.2, elevationDeg: 18.1, bearingDeg: 178, radarMps: null };
      const answer = await call(results.PUT, { scope: asking, unproven, params: { id: roundId, resultId: id }, body });
      return new Response(null, { status: answer.status });
    },
  });
  return { status, wasLookedUp };
}

/** What is kept of a round: its balls by themselves, and as they are counted with it. */
async function kept(roundId = made): Promise<[balls: number, counted: number]> {
  const balls = await db.select({ id: result.id }).from(result).where(eq(result.roundId, roundId));
  const [sums] = await db.select({ balls: round.balls }).from(round).where(eq(round.id, roundId));
  return [balls.length, sums!.balls];
}

test('who was looked up a moment ago proves it with the ball itself; a minute later they are looked up again', async () => {
  expect(await put(made)).toEqual({ status: 204, wasLookedUp: true });
  expect(await put(made)).toEqual({ status: 204, wasLookedUp: false });
  // sent twice, and another result of the same ball
  const [id, ball] = [uuidv7(), ++seq];
  for (const each of [id, id, uuidv7()]) expect(await put(made, { id: each, ball })).toEqual({ status: 204, wasLookedUp: false });
  expect(await kept()).toEqual([4, 3]);
  // a round that this server knows nothing of yet
  expect(await put(await aRound(scope))).toEqual({ status: 204, wasLookedUp: false });
  const later = performance.now() + 61_000;
  vi.spyOn(performance, 'now').mockReturnValue(later);
  expect(await put(made)).toEqual({ status: 204, wasLookedUp: true });
});

const ENDS: Record<string, () => Promise<unknown>> = {
  'signed out elsewhere': () => db.delete(session).where(eq(session.personId, scope.personId)),
  'taken out of the club': () => db.update(membership).set({ deletedAt: new Date() }).where(eq(membership.personId, scope.personId)),
  'whose session is over': () =>
    db
      .update(session)
      .set({ expiresAt: new Date(Date.now() - 1000) })
      .where(eq(session.personId, scope.personId)),
  'who was idle for too long': () =>
    db.update(session).set({ seenAt: sql`NOW() - INTERVAL 31 DAY` }).where(eq(session.personId, scope.personId)),
};
test.each(Object.keys(ENDS))('of somebody %s no ball is taken, though they were signed in a moment ago', async (how) => {
  expect((await put(made)).status).toBe(204);
  expect(await put(made)).toEqual({ status: 204, wasLookedUp: false });
  await ENDS[how]!();
  expect(await put(made)).toEqual({ status: 401, wasLookedUp: false });
  // nor is it said whether there is such a round, and by now it is known
  expect((await put(await aRound(scope))).status).toBe(401);
  expect((await put(uuidv7())).status).toBe(401);
  expect(await kept()).toEqual([2, 2]);
});

test('an endpoint that does not prove who asks has them looked up', async () => {
  const look = vi.fn(async () => scope);
  const asked = { scope, unproven: { by: 'session', values: {}, look } as const, params: { id: made, resultId: uuidv7() } };
  expect((await call(results.DELETE, asked)).status).toBe(204);
  expect(look).toHaveBeenCalledTimes(1);
  look.mockRejectedValueOnce(new Refusal(401, 'Please sign in first.'));
  expect((await call(results.DELETE, asked)).status).toBe(401);
});

test('a round of another club is not there, known as it may be to this server', async () => {
  const { scope: other } = await makeClub(db, 'Elsewhere');
  const [theirs, cookie] = [await aRound(other), await makeToken(db, other, false)];
  for (let i = 0; i < 2; i++) expect((await put(theirs, { cookie })).status).toBe(204);
  await put(made);
  expect(await put(theirs)).toEqual({ status: 404, wasLookedUp: false });
  expect(await kept(theirs)).toEqual([2, 2]);
});

test('so does the visitor of the demo, as long as it is the same person', async () => {
  vi.stubEnv('GOODARC_DEMO', '1');
  await db.update(person).set({ email: DEMO_EMAIL }).where(eq(person.id, scope.personId));
  const first = await put(made);
  expect(first.status).toBe(204);
  expect(await put(made)).toEqual({ status: 204, wasLookedUp: false });
  await db.update(person).set({ email: 'nobody@example.invalid' }).where(eq(person.id, scope.personId));
  expect(await put(made)).toEqual({ status: 401, wasLookedUp: false });
  expect(await kept()).toEqual([2, 2]);
});
