import { and, eq, inArray, or, type SQL, sql } from 'drizzle-orm';
import { type result, round } from '../db/schema.ts';
import type { Db } from './db.ts';
import { isOwn, type Store } from './store.ts';

// said in full: of a query on one table Drizzle leaves the table's name out
const ofBalls = (what: string): SQL<number> =>
  sql.raw(`(SELECT ${what} FROM result b WHERE b.round_id = round.id AND b.deleted_at IS NULL)`).mapWith(Number) as SQL<number>;

/** What the balls of a round come to, by the balls themselves: kept with the round, so that no list of rounds reads them. */
export const SUMS = {
  hits: ofBalls('COALESCE(SUM(b.hit), 0)'),
  balls: ofBalls('COUNT(b.hit)'),
  // a ball that was let go, or never fed, is no swing
  swings: ofBalls("COALESCE(SUM(b.outcome NOT IN ('let-go', 'not-fed')), 0)"),
  // what was hit to another goal says nothing of the rung's own
  gateHits: ofBalls('COALESCE(SUM(IF(b.target_xm IS NULL, b.hit, 0)), 0)'),
  gateBalls: ofBalls('COUNT(IF(b.target_xm IS NULL, b.hit, NULL))'),
} as const;

const NAMES = Object.keys(SUMS) as (keyof typeof SUMS)[];

/** Keeps what the balls of these rounds come to: in the transaction that wrote a ball, after it. What is worked out of a round is worked out again. */
export async function sumUp(tx: Store, roundIds: readonly string[]): Promise<void> {
  if (roundIds.length === 0) return;
  await tx.change(round, inArray(round.id, [...roundIds]), { ...SUMS, updatedAt: sql`utc_timestamp(3)` });
}

type AddedBall = Pick<typeof result.$inferSelect, 'hit' | 'outcome' | 'targetXM'>;

/** What a ball adds to the sums of its round, each by its name. */
export function sumsOf({ hit, outcome, targetXM }: AddedBall): Record<keyof typeof SUMS, boolean> {
  const [isHit, counts, isGate] = [hit === true, hit !== null, targetXM === null];
  return {
    hits: isHit,
    balls: counts,
    swings: outcome !== 'let-go' && outcome !== 'not-fed',
    gateHits: isHit && isGate,
    gateBalls: counts && isGate,
  };
}

/**
 * As `sumUp`, of one ball that is put down anew: what it adds is added (placeholders as `sumsOf` names them, and `roundId`), so that a ball of a long round
 * costs no more than one of a short one. Nobody else writes to the round until the transaction ends.
 */
export const adding = (db: Db): SQL =>
  db
    .update(round)
    .set({
      ...(Object.fromEntries(NAMES.map((each) => [each, sql`${round[each]} + ${sql.placeholder(each)}`])) as Record<
        keyof typeof SUMS,
        SQL
      >),
      updatedAt: sql`utc_timestamp(3)`,
    })
    .where(and(isOwn(round), eq(round.id, sql.placeholder('roundId'))))
    .getSQL();

/** As many are named. */
const MOST_NAMED = 20;

/** Rounds whose kept sums are not those of their balls, in the order of `SUMS`: there is none, or something wrote a ball past `sumUp`. */
export async function wrongSums(db: Db): Promise<{ id: string; kept: number[]; told: number[] }[]> {
  const told = Object.fromEntries(NAMES.map((each) => [`told_${each}`, SUMS[each]]));
  const rows = await db
    .select({ id: round.id, ...Object.fromEntries(NAMES.map((each) => [each, round[each]])), ...told })
    .from(round)
    .where(or(...NAMES.map((each) => sql`${round[each]} <> ${SUMS[each]}`)))
    .limit(MOST_NAMED);
  return rows.map((row) => {
    const of = row as Record<string, number> & { id: string };
    return { id: of.id, kept: NAMES.map((each) => of[each]!), told: NAMES.map((each) => of[`told_${each}`]!) };
  });
}
