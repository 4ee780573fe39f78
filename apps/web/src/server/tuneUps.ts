import {
  curveFrom,
  fitTuneUp,
  isFlown,
  type MachineId,
  type MachineProfile,
  machineProfileSchema,
  type TuneUp,
  tuneUpSchema,
} from '@good-arc/core';
import { desc, eq, inArray } from 'drizzle-orm';
import type { TuneUpRow } from '../api/rows.ts';
import { ballStock, machine, person, tuneUp } from '../db/schema.ts';
import { type Db, database } from './db.ts';
import { Refusal } from './problem.ts';
import type { Scope } from './scope.ts';
import type { Store } from './store.ts';

/**
 * Keeps a tune-up: fits its balls, puts the curve with the dial (of every wheel with the same scale, for a wheel), the machine's own
 * repeatability with its record, and a drag that was asked for with the balls. All or nothing.
 * @throws Refusal 404 for a machine, 409 when the dial is gone or there is nothing to fit
 */
export const keepTuneUp = (
  store: Store,
  scope: Scope,
  id: string,
  { machineId, tunedAt, document }: { machineId: MachineId; tunedAt: string; document: TuneUp },
): Promise<void> =>
  store.transaction(async (tx) => {
    await tx.one(machine, machineId, 'machine');
    // two dials that are kept at once both arrive
    const { createdAt: _c, updatedAt: _u, deletedAt: _d, clubId: _o, ...row } = await tx.lock(machine, machineId, 'machine');
    const profile = machineProfileSchema.parse(row.profile);
    const dial = row.dials.find((each) => each.id === document.dialId);
    if (!dial) throw new Refusal(409, 'This machine has no such dial any more. Add it in Kit, then keep the tune-up.');
    const [stock] = document.ballStockId ? await tx.list(ballStock, eq(ballStock.id, document.ballStockId)) : [];
    const fit = fitTuneUp(document, dial, profile, stock?.dragShare);
    if (!fit)
      throw new Refusal(409, 'There is no test ball to learn from.', [
        { pointer: '/document/balls', detail: 'Mark, time or clock at least one ball that counts.' },
      ]);
    const curve = curveFrom(fit, document, tunedAt);
    const takes = (each: typeof dial): boolean =>
      each.id === dial.id ||
      (dial.moves === 'wheel' && each.moves === 'wheel' && each.scale.lo === dial.scale.lo && each.scale.hi === dial.scale.hi);
    const dials = row.dials.map((each) => (takes(each) ? { ...each, curve: { ...curve, falling: each.falling } } : each));
    const learnt = { dials, profile: isFlown(dial) ? withRepeatability(profile, fit) : profile };
    await tx.put(machine, { ...row, ...learnt, version: row.version + 1 }, 'machine');
    await tx.put(tuneUp, { id, machineId, personId: scope.personId, document, tunedAt: new Date(tunedAt) }, 'tune-up');
    if (stock && fit.drag) {
      const { createdAt: _sc, updatedAt: _su, deletedAt: _sd, clubId: _so, ...balls } = stock;
      const dragShare = Math.min(2, Math.max(0.5, stock.dragShare * fit.drag.share));
      await tx.put(ballStock, { ...balls, dragShare, version: balls.version + 1 }, 'ball stock');
    }
  });

/** Fewer balls than this say too little of a machine's scatter to replace what its kind says. */
const ENOUGH = 8;

function withRepeatability(
  profile: MachineProfile,
  { used, speedPct, bearing }: Pick<NonNullable<ReturnType<typeof fitTuneUp>>, 'used' | 'speedPct' | 'bearing'>,
): MachineProfile {
  if (used < ENOUGH) return profile;
  const { repeatability } = profile;
  const two = (value: number, most: number): number => Math.min(most, Math.round(value * 100) / 100);
  return {
    ...profile,
    repeatability: {
      ...repeatability,
      ...(speedPct && { speedPct: two(speedPct.sigma, 20) }),
      ...(bearing && { bearingDeg: two(bearing.sigma, 5) }),
    },
  };
}

/** Tune-ups that the page of a machine tells of. */
const MOST_TUNE_UPS = 60;

/** The last tune-ups of a machine, newest first, with who made them. */
export async function readTuneUps(store: Store, machineId: MachineId, db: Db = database()): Promise<TuneUpRow[]> {
  const rows = await store.page(tuneUp, eq(tuneUp.machineId, machineId), [desc(tuneUp.tunedAt), desc(tuneUp.id)], MOST_TUNE_UPS);
  if (rows.length === 0) return [];
  const people = await db
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(
      inArray(
        person.id,
        rows.map(({ personId }) => personId),
      ),
    );
  return rows.flatMap(({ id, personId, document: kept, tunedAt }) => {
    const document = store.document(tuneUpSchema, kept, { what: 'tune-up', id, name: tunedAt.toISOString().slice(0, 10) });
    return document
      ? [
          {
            id,
            machineId,
            personName: people.find((each) => each.id === personId)?.name ?? '–',
            document,
            tunedAt: tunedAt.toISOString(),
          },
        ]
      : [];
  });
}
