import type { BallRow, CourtRow, Kit, MachineRow, PlayerRow } from '../api/rows.ts';
import type { KitKind } from '../api/schemas.ts';
import { ballStock, court, machine, player } from '../db/schema.ts';
import { Refusal } from './problem.ts';
import type { Store } from './store.ts';

/** Table and singular name of each kind of thing that Kit keeps. */
export const KIT_TABLES = {
  players: { table: player, what: 'player' },
  courts: { table: court, what: 'court' },
  balls: { table: ballStock, what: 'ball stock' },
  machines: { table: machine, what: 'machine' },
} as const satisfies Record<KitKind, unknown>;

export const isKitKind = (kind: string | undefined): kind is KitKind => kind !== undefined && Object.hasOwn(KIT_TABLES, kind);

export const noSuchKind = (kind: string | undefined): Refusal =>
  new Refusal(404, `Kit has no “${kind}”; it has ${Object.keys(KIT_TABLES).join(', ')}.`);

const toPlayer = ({ id, name, level, hand, heightM, notes }: typeof player.$inferSelect): PlayerRow => ({
  id,
  name,
  level,
  hand,
  heightM,
  notes,
});
const toCourt = ({ id, name, sport, surfaceId, indoor, notes }: typeof court.$inferSelect): CourtRow => ({
  id,
  name,
  sport,
  surfaceId,
  indoor,
  notes,
});
const toBall = ({ id, name, ballId, count, condition, notes }: typeof ballStock.$inferSelect): BallRow => ({
  id,
  name,
  ballId,
  count,
  condition,
  notes,
});
const toMachine = ({ id, name, profile, linkAddress, notes }: typeof machine.$inferSelect): MachineRow => ({
  id,
  name,
  profile,
  linkAddress,
  notes,
});

/** Everything of the club that can be chosen, by name. */
export async function readKit(store: Store): Promise<Kit> {
  const [players, courts, balls, machines] = await Promise.all([
    store.list(player, undefined, player.name),
    store.list(court, undefined, court.name),
    store.list(ballStock, undefined, ballStock.name),
    store.list(machine, undefined, machine.name),
  ]);
  return { players: players.map(toPlayer), courts: courts.map(toCourt), balls: balls.map(toBall), machines: machines.map(toMachine) };
}
