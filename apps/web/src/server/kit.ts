import { dialsSchema, machineProfileSchema, machineTodaySchema, ownGameBallSchema, seasonSchema, strokeGoalSchema } from '@good-arc/core';
import { z } from 'zod';
import type { BallRow, CourtRow, GameBallRow, Kit, MachineRow, PlayerRow, SquadRow } from '../api/rows.ts';
import { courtBody, type KitKind, squadBody } from '../api/schemas.ts';
import { ballStock, court, gameBall, machine, player, squad } from '../db/schema.ts';
import { Refusal } from './problem.ts';
import type { Store } from './store.ts';
import { unlessChanged } from './unchanged.ts';

/** Table and singular name of each kind of thing that Kit keeps. */
export const KIT_TABLES = {
  players: { table: player, what: 'player' },
  squads: { table: squad, what: 'squad' },
  courts: { table: court, what: 'court' },
  balls: { table: ballStock, what: 'ball stock' },
  machines: { table: machine, what: 'machine' },
  gameBalls: { table: gameBall, what: 'game ball' },
} as const satisfies Record<KitKind, unknown>;

export const isKitKind = (kind: string | undefined): kind is KitKind => kind !== undefined && Object.hasOwn(KIT_TABLES, kind);

export const noSuchKind = (kind: string | undefined): Refusal =>
  new Refusal(404, `Kit has no “${kind}”; it has ${Object.keys(KIT_TABLES).join(', ')}.`);

const aimsSchema = z.array(strokeGoalSchema);
/** A player as pages know one. */
export function toPlayer(store: Store, row: typeof player.$inferSelect): PlayerRow {
  const { id, version, name, level, hand, bats, heightM, bornYear, goals, avoid, notes } = row;
  // a goal or a season that cannot be read is set aside; the player stays
  const aims = row.aims === null ? [] : (store.document(aimsSchema, row.aims, { what: 'player', id, name }) ?? []);
  const season = row.season === null ? null : (store.document(seasonSchema, row.season, { what: 'player', id, name }) ?? null);
  return { id, version, name, level, hand, bats, heightM, bornYear, goals, aims, season, avoid, notes };
}
const toSquad = (store: Store, { id, version, name, playerIds, notes }: typeof squad.$inferSelect): SquadRow[] => {
  const ids = store.document(squadBody.shape.playerIds, playerIds, { what: 'squad', id, name });
  return ids ? [{ id, version, name, playerIds: ids, notes }] : [];
};
const toCourt = (store: Store, row: typeof court.$inferSelect): CourtRow[] => {
  const { id, version, name, sport, surfaceId, indoor, ceilingM, notes } = row;
  const marksM = store.document(courtBody.shape.marksM, row.marksM, { what: 'court', id, name });
  return marksM ? [{ id, version, name, sport, surfaceId, indoor, ceilingM, marksM, notes }] : [];
};
const toBall = ({ id, version, name, ballId, count, condition, openedOn, dragShare, notes }: typeof ballStock.$inferSelect): BallRow => ({
  id,
  version,
  name,
  ballId,
  count,
  condition,
  openedOn,
  dragShare,
  notes,
});
const todaySchema = machineTodaySchema.nullable();
const toMachine = (
  store: Store,
  { id, version, name, profile, dials, today, linkAddress, notes }: typeof machine.$inferSelect,
): MachineRow[] => {
  const named = { what: 'machine', id, name };
  // column by column: the same text is read once
  const read = store.document(machineProfileSchema, profile, named);
  const turned = store.document(dialsSchema, dials, named);
  const shift = today === null ? null : store.document(todaySchema, today, named);
  if (!read || !turned || (today !== null && !shift)) return [];
  return [{ id, version, name, profile: read, dials: turned, today: shift, linkAddress, notes }];
};

const toGameBall = (store: Store, { id, version, name, document, notes }: typeof gameBall.$inferSelect): GameBallRow[] => {
  const read = store.document(ownGameBallSchema, document, { what: 'game ball', id, name });
  return read ? [{ id, version, name, document: read, notes }] : [];
};

/** Everything of the club that can be chosen, by name; what cannot be read is set aside. */
export const readKit = unlessChanged('kit', async (store): Promise<Kit> => {
  const [players, squads, courts, balls, machines, gameBalls] = await Promise.all([
    store.list(player, undefined, player.name),
    store.list(squad, undefined, squad.name),
    store.list(court, undefined, court.name),
    store.list(ballStock, undefined, ballStock.name),
    store.list(machine, undefined, machine.name),
    store.list(gameBall, undefined, gameBall.name),
  ]);
  return {
    players: players.map((each) => toPlayer(store, each)),
    squads: squads.flatMap((each) => toSquad(store, each)),
    courts: courts.flatMap((each) => toCourt(store, each)),
    balls: balls.map(toBall),
    machines: machines.flatMap((each) => toMachine(store, each)),
    gameBalls: gameBalls.flatMap((each) => toGameBall(store, each)),
  };
});
