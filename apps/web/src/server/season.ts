import type { LadderRow, PlayerRow, SeasonFacts } from '../api/rows.ts';
import { dayOf } from '../ui/day.ts';
import type { Comer } from './comers.ts';

/**
 * What a season of a player may be on, and what became of the one that is kept.
 * @param ladders of the club @param climbed those of the player’s rounds and of the season
 */
export function seasonFacts(
  { season }: Pick<PlayerRow, 'season'>,
  { rounds }: Pick<Comer, 'rounds'>,
  ladders: readonly LadderRow[],
  climbed: readonly LadderRow[],
  now: Date,
): SeasonFacts {
  const places = new Map(climbed.flatMap(({ id: ladderId, rungs }) => rungs.map(({ id }, i) => [id, { ladderId, rung: i }] as const)));
  const since = dayOf(season?.from ?? now.toISOString());
  // newest first, and most of years of them were before
  const next = rounds.findIndex(({ startedAt }) => dayOf(startedAt) < since);
  const lately = next < 0 ? rounds : rounds.slice(0, next);
  return {
    ladders: ladders.flatMap(({ id, name, sport, rungs: { length: rungs } }) => {
      if (rungs === 0) return [];
      const names = climbed.find((each) => each.id === id)?.rungs.map(({ document }) => document.name) ?? null;
      const newest = rounds.find(({ rungId }) => places.get(rungId)?.ladderId === id);
      return [{ id, name, sport, rungs, names, at: newest ? places.get(newest.rungId)!.rung : null }];
    }),
    runs: lately.flatMap(({ rungId, startedAt }) => {
      const place = places.get(rungId);
      return place ? [{ ...place, day: dayOf(startedAt) }] : [];
    }),
  };
}
