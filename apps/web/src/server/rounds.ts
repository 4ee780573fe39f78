import { type Outcome, rungSchema, type Weather, weatherSchema } from '@good-arc/core';
import { desc, eq, inArray } from 'drizzle-orm';
import type { ResultRow, RoundRow } from '../api/rows.ts';
import type { ResultBody } from '../api/schemas.ts';
import { court, ladder, machine, outing, player, result, round, rung } from '../db/schema.ts';
import { readRung } from './ladders.ts';
import type { Scope } from './scope.ts';
import type { Store } from './store.ts';

export interface StartRound {
  outingId: string;
  rungId: string;
  playerId: string;
  weather: Weather;
  startedAt: string;
  confirmedBy?: string | undefined;
}

/** Begins a round: keeps the rung as it is now as its card. Sent twice it is the same round. */
export function startRound(
  store: Store,
  scope: Scope,
  id: string,
  { outingId, rungId, playerId, weather, startedAt, confirmedBy }: StartRound,
): Promise<void> {
  return store.transaction(async (tx) => {
    const { document } = await readRung(tx, rungId);
    await tx.one(player, playerId, 'player');
    await tx.one(machine, document.machineId, 'machine');
    await tx.one(court, document.courtId, 'court');
    const [known] = await tx.list(outing, eq(outing.id, outingId));
    if (!known) await tx.put(outing, { id: outingId, personId: scope.personId, startedAt: new Date(startedAt) }, 'outing');
    const card = { ...document, weather };
    await tx.put(
      round,
      {
        id,
        outingId,
        rungId,
        playerId,
        machineId: document.machineId,
        courtId: document.courtId,
        card,
        weather,
        startedAt: new Date(startedAt),
        confirmedBy: confirmedBy ?? null,
      },
      'round',
    );
  });
}

export const finishRound = (store: Store, id: string, finishedAt: string, weather: Weather | undefined): Promise<void> =>
  store.transaction(async (tx) => {
    const { createdAt: _c, updatedAt: _u, deletedAt: _d, clubId: _o, ...row } = await tx.one(round, id, 'round');
    await tx.put(round, { ...row, finishedAt: new Date(finishedAt), weather: weather ?? row.weather }, 'round');
  });

export const putResult = (store: Store, roundId: string, id: string, body: ResultBody): Promise<void> =>
  store.transaction(async (tx) => {
    await tx.one(round, roundId, 'round');
    await tx.put(result, { id, roundId, ...body }, 'result');
  });

const toResult = ({ id, seq, outcome, speedMps, elevationDeg, bearingDeg, radarMps }: typeof result.$inferSelect): ResultRow => ({
  id,
  seq,
  outcome: outcome as Outcome,
  speedMps,
  elevationDeg,
  bearingDeg,
  radarMps,
});

/** Rounds with their results and the names that belong to them, newest first; archived players and kit keep their names. */
export async function readRounds(store: Store, where: { rungIds?: readonly string[] } = {}): Promise<RoundRow[]> {
  const rounds = await store.list(round, where.rungIds ? inArray(round.rungId, [...where.rungIds]) : undefined, desc(round.startedAt));
  if (rounds.length === 0) return [];
  const of = (key: 'playerId' | 'machineId' | 'courtId' | 'rungId'): string[] => rounds.map((each) => each[key]);
  const [results, players, machines, courts, rungs] = await Promise.all([
    store.list(
      result,
      inArray(
        result.roundId,
        rounds.map(({ id }) => id),
      ),
      result.seq,
    ),
    store.any(player, of('playerId')),
    store.any(machine, of('machineId')),
    store.any(court, of('courtId')),
    store.any(rung, of('rungId')),
  ]);
  const ladders = await store.any(
    ladder,
    rungs.map(({ ladderId }) => ladderId),
  );
  const nameIn = (rows: readonly { id: string; name: string }[], id: string | undefined): string =>
    rows.find((each) => each.id === id)?.name ?? '–';
  const byRound = new Map<string, ResultRow[]>();
  for (const each of results) byRound.set(each.roundId, [...(byRound.get(each.roundId) ?? []), toResult(each)]);
  return rounds.map((each) => ({
    id: each.id,
    outingId: each.outingId,
    rungId: each.rungId,
    playerId: each.playerId,
    machineId: each.machineId,
    courtId: each.courtId,
    playerName: nameIn(players, each.playerId),
    machineName: nameIn(machines, each.machineId),
    courtName: nameIn(courts, each.courtId),
    ladderName: nameIn(ladders, rungs.find(({ id }) => id === each.rungId)?.ladderId),
    card: rungSchema.parse(each.card),
    weather: weatherSchema.parse(each.weather),
    confirmedBy: each.confirmedBy,
    startedAt: each.startedAt.toISOString(),
    finishedAt: each.finishedAt?.toISOString() ?? null,
    results: byRound.get(each.id) ?? [],
  }));
}
