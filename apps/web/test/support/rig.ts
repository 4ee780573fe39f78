import { arrange, type Dial, firstSetup, MACHINE_KINDS, type RungDocument, rungFromSetup } from '@good-arc/core';
import type { APIRoute } from 'astro';
import { v7 as uuidv7 } from 'uuid';
import type { Role } from '../../src/api/roles.ts';
import { club, membership, person } from '../../src/db/schema.ts';
import { wipe } from '../../src/db/seed.ts';
import * as kit from '../../src/pages/api/kit/[kind]/[id]/index.ts';
import * as ladders from '../../src/pages/api/ladders/[id]/index.ts';
import * as results from '../../src/pages/api/rounds/[id]/results/[resultId].ts';
import * as rungs from '../../src/pages/api/rungs/[id]/index.ts';
import { type Db, database } from '../../src/server/db.ts';
import { migrateTo } from '../../src/server/migrate.ts';
import type { Scope, Unproven } from '../../src/server/scope.ts';
import { visitorOfToken } from '../../src/server/session.ts';
import { Store } from '../../src/server/store.ts';

/** The tests run against a real MariaDB that `./arc test` starts; its address is in DATABASE_URL. */
export async function emptyDatabase(): Promise<Db> {
  const db = database();
  await migrateTo(db);
  await wipe(db);
  return db;
}

/** Somebody of a club that is called so. */
export const aScope = (name: string, role: Role = 'owner'): Scope => ({
  clubId: uuidv7(),
  clubName: name,
  altitudeM: 900,
  personId: uuidv7(),
  personName: `${name} owner`,
  role,
  units: 'imperial',
  favourites: [],
});

/** A club with one person in it. */
export async function makeClub(db: Db, name: string, role: Role = 'owner'): Promise<{ scope: Scope; store: Store }> {
  const scope = aScope(name, role);
  await db.insert(club).values({ id: scope.clubId, name, altitudeM: scope.altitudeM });
  await db.insert(person).values({ id: scope.personId, name: scope.personName, email: `${scope.personId}@example.invalid` });
  await db.insert(membership).values({ id: uuidv7(), clubId: scope.clubId, personId: scope.personId, role });
  return { scope, store: new Store(db, scope) };
}

/** Who holds this session token; null when nobody does. */
export const scopeOfToken = async (db: Db, token: string, now = new Date()): Promise<Scope | null> =>
  (await visitorOfToken(db, token, { now }))?.scope ?? null;

export interface Answer {
  status: number;
  body: { title?: string; errors?: { pointer: string; detail: string }[] } & Record<string, unknown>;
}

/** Calls an endpoint as the browser would, as this person. */
export async function call(
  route: APIRoute,
  {
    scope,
    params = {},
    body,
    raw,
    seen,
    unproven,
  }: {
    scope: Scope | undefined;
    unproven?: Unproven | undefined;
    params?: Record<string, string>;
    body?: unknown;
    raw?: string /** Version the page knows. */;
    seen?: number;
  },
): Promise<Answer> {
  const request = new Request('http://127.0.0.1/api', {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...(seen !== undefined && { 'if-match': `"${seen}"` }) },
    body: raw ?? JSON.stringify(body ?? {}),
  });
  const response = await route({ request, params, locals: { scope, unproven }, url: new URL(request.url) } as never);
  const text = await (response as Response).text();
  const isJson = (response as Response).headers.get('content-type')?.includes('json');
  return { status: (response as Response).status, body: text && isJson ? JSON.parse(text) : {} };
}

export const profileOf = (kind: string) => MACHINE_KINDS.find((each) => each.kind === kind)!;

/** A rung that can be thrown, on this court and machine. */
export function rungDocument(courtId: string, machineId: string, name = 'Deep and kind'): RungDocument {
  const profile = profileOf('Two-wheel portable');
  const setup = firstSetup(
    { id: courtId, sport: 'tennis', surfaceId: 'tennis-acrylic-medium' },
    { id: machineId, profile },
    'Building',
    900,
  );
  return rungFromSetup(setup, arrange(setup, profile), {
    name,
    focalPoint: 'Early racket.',
    ballsPerRound: 10,
    rounds: 2,
    gate: { hits: 5, of: 10 },
  })!;
}

export interface OneRung {
  court: string;
  machine: string;
  player: string;
  ladder: string;
  rung: string;
}

/** Gives a club a court, a machine, a player and a ladder of one rung, through the endpoints. */
export async function oneRung(scope: Scope, head: unknown): Promise<OneRung> {
  const ids = { court: uuidv7(), machine: uuidv7(), player: uuidv7(), ladder: uuidv7(), rung: uuidv7() };
  const put = (kind: string, id: string, body: unknown) => call(kit.PUT, { scope, params: { kind, id }, body });
  await put('courts', ids.court, { name: 'Court 1', sport: 'tennis', surfaceId: 'tennis-clay', indoor: false });
  await put('machines', ids.machine, { name: 'Bramble', profile: profileOf('Two-wheel portable') });
  await put('players', ids.player, { name: 'Ines', level: 'Building', hand: 'right', heightM: 1.68 });
  await call(ladders.PUT, { scope, params: { id: ids.ladder }, body: head });
  const body = { ladderId: ids.ladder, document: rungDocument(ids.court, ids.machine) };
  await call(rungs.PUT, { scope, params: { id: ids.rung }, body });
  return ids;
}

/** A round on that rung, as a phone begins it; each in an outing of its own. */
export const roundBody = (ids: OneRung) => ({
  outingId: uuidv7(),
  rungId: ids.rung,
  playerId: ids.player,
  startedAt: '2026-11-20T15:00:00.000Z',
  weather: { temperatureC: 20, altitudeM: 900, relativeHumidity: 0.5, windXMps: 1, windYMps: 0 },
});

/** Sends what became of a ball. */
export const putBall = (scope: Scope, roundId: string, resultId: string, seq: number, outcome: string) =>
  call(results.PUT, {
    scope,
    params: { id: roundId, resultId },
    body: { seq, outcome, speedMps: 17.2, elevationDeg: 18.1, bearingDeg: 178, radarMps: null },
  });

/** A straight curve of a dial from `lo` to `hi`, well known. */
export const straightCurve = (lo: number, hi: number): Dial['curve'] => ({
  params: [(lo + hi) / 2, ...Array<number>(5).fill(Math.log(hi - lo))],
  covariance: Array.from({ length: 6 }, () => Array<number>(6).fill(0)),
  df: 20,
  falling: false,
  tunedAt: '2026-05-01T10:00:00.000Z',
  balls: 15,
  ballId: 'baseball',
  temperatureC: 20,
});
