import { ballStock, court, ladder, machine, player, rung } from '../db/schema.ts';
import { Refusal } from './problem.ts';
import type { ClubTable, Store } from './store.ts';

/** What the ids in a body refer to, by the name of their field. Ids that a body makes itself (`id`, `newId`, `to`, `outingId`) are not among them. */
const REFERENCES: Readonly<Record<string, { table: ClubTable; what: string }>> = {
  ballStockId: { table: ballStock, what: 'basket' },
  courtId: { table: court, what: 'court' },
  ladderId: { table: ladder, what: 'ladder' },
  machineId: { table: machine, what: 'machine' },
  playerId: { table: player, what: 'player' },
  playerIds: { table: player, what: 'player' },
  absentIds: { table: player, what: 'player' },
  rungId: { table: rung, what: 'rung' },
};

interface Reference {
  field: string;
  id: string;
  pointer: string;
}

/** Every reference in a body, however deep. A ladder that is made with its first rung is not there yet. */
function* referencesIn(value: unknown, pointer = ''): Generator<Reference> {
  if (typeof value !== 'object' || value === null) return;
  const makesLadder = 'ladder' in value && 'ladderId' in value;
  for (const [key, each] of Object.entries(value)) {
    const at = `${pointer}/${key}`;
    if (!(key in REFERENCES)) yield* referencesIn(each, at);
    else if (typeof each === 'string' && !(key === 'ladderId' && makesLadder)) yield { field: key, id: each, pointer: at };
    else if (Array.isArray(each)) for (const [i, id] of each.entries()) yield { field: key, id: String(id), pointer: `${at}/${i}` };
  }
}

/**
 * The one place where ids inside bodies are checked, for every write: each must be of the club. What was removed still is: a round may have been
 * thrown before.
 * @throws Refusal 404 that names each field that refers to something else
 */
export async function mustBeOwn(store: Store, body: unknown): Promise<void> {
  const all = [...referencesIn(body)];
  const tables = new Set(all.map(({ field }) => REFERENCES[field]!.table));
  const known = new Set<string>();
  for (const table of tables) {
    const ids = all.filter(({ field }) => REFERENCES[field]!.table === table).map(({ id }) => id);
    for (const row of await store.any(table, ids)) known.add((row as unknown as { id: string }).id);
  }
  const foreign = all.filter(({ id }) => !known.has(id));
  if (foreign.length === 0) return;
  const { what } = REFERENCES[foreign[0]!.field]!;
  throw new Refusal(
    404,
    `There is no such ${what} in your club. It may have been removed.`,
    foreign.map(({ field, pointer }) => ({ pointer, detail: `This is no ${REFERENCES[field]!.what} of your club.` })),
  );
}
