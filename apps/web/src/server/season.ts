import { once } from '@good-arc/core';
import type { BriefRound, LadderRow, PlayerRow, SeasonFacts } from '../api/rows.ts';
import { frozen } from '../db/parsed.ts';
import { dayOf } from '../ui/day.ts';
import type { Comer } from './comers.ts';

/** What was found last of the same rounds and ladders: they are the same lists until one of them is another. */
const found = once((_: readonly BriefRound[]) =>
  once((__: readonly LadderRow[]) =>
    once((___: readonly LadderRow[]): { since: number; facts: SeasonFacts } => ({ since: Number.NaN, facts: { ladders: [], runs: [] } })),
  ),
);

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
  const since = dayOf(season?.from ?? now.toISOString());
  const last = found(rounds)(ladders)(climbed);
  if (last.since !== since) Object.assign(last, { since, facts: frozen(factsOf(rounds, ladders, climbed, since)) });
  return last.facts;
}

function factsOf(rounds: readonly BriefRound[], ladders: readonly LadderRow[], climbed: readonly LadderRow[], since: number): SeasonFacts {
  const places = new Map(climbed.flatMap(({ id: ladderId, rungs }) => rungs.map(({ id }, i) => [id, { ladderId, rung: i }] as const)));
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
