import type { LadderRow, RungRow } from '../api/rows.ts';

/** Two changes of one thing, made without knowing of each other, as one. */

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Mine where I changed something, theirs elsewhere. @param base what both began with */
export function mergedFields<T extends object>(base: T, mine: T, theirs: T): T {
  const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]) as Set<keyof T & string>;
  return Object.fromEntries([...keys].map((key) => [key, same(mine[key], base[key]) ? theirs[key] : mine[key]])) as T;
}

type Head = Pick<LadderRow, 'name' | 'sport' | 'level' | 'approach'>;
const headOf = ({ name, sport, level, approach }: LadderRow): Head => ({ name, sport, level, approach });

/**
 * Ladders rung by rung, by their ids: what only one side changed, added or removed is as that side has it; of a rung that both changed, field by field; what
 * one removed and the other changed stays. The order is mine where I changed it, else theirs.
 */
export function mergedLadder(base: LadderRow, mine: LadderRow, theirs: LadderRow): LadderRow {
  const [was, own, other] = [base, mine, theirs].map(({ rungs }) => new Map(rungs.map((each) => [each.id, each]))) as [
    Map<string, RungRow>,
    Map<string, RungRow>,
    Map<string, RungRow>,
  ];
  const stays = (id: string): RungRow[] => {
    const [a, b, before] = [own.get(id), other.get(id), was.get(id)];
    if (a && b) return [{ ...b, document: before ? mergedFields(before.document, a.document, b.document) : a.document }];
    const left = a ?? b;
    if (!left) return [];
    // removed by one: gone unless the other changed it
    return before && same(left.document, before.document) ? [] : [left];
  };
  const order = (ladder: LadderRow): string[] => ladder.rungs.map(({ id }) => id);
  const isMoved = !same(
    order(mine).filter((id) => was.has(id)),
    order(base).filter((id) => own.has(id)),
  );
  const [first, second] = isMoved ? [mine, theirs] : [theirs, mine];
  const ids = order(first);
  // what only the other side has comes above what it stands above there
  for (const [at, id] of order(second).entries()) {
    if (ids.includes(id)) continue;
    const below = order(second)
      .slice(0, at)
      .findLast((each) => ids.includes(each));
    ids.splice(below === undefined ? 0 : ids.indexOf(below) + 1, 0, id);
  }
  return {
    ...theirs,
    ...mergedFields(headOf(base), headOf(mine), headOf(theirs)),
    rungs: ids.flatMap(stays).map((rung, position) => ({ ...rung, position })),
  };
}
