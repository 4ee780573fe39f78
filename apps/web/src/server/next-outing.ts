import {
  chanceOn,
  halfWidthOf,
  isIn,
  LEVELS,
  type Level,
  needsName,
  nextStepOn,
  type OutingRung,
  type PlayerId,
  type RungDocument,
  type Sport,
  sameCard,
  scoreForGate,
  sideOf,
  wholly,
} from '@good-arc/core';
import type { CourtRow, Kit, LadderRow } from '../api/rows.ts';
import { dayOf } from '../ui/day.ts';
import { judge } from '../ui/judge.ts';
import type { Comer } from './comers.ts';
import { ballsIn, ofBall } from './progress.ts';

/** Whether every ball of a rung is on a side that is surely hit less by one of them. */
function isWeaker(document: RungDocument, sport: Sport, comers: readonly Comer[]): boolean {
  const fed = document.feeds.filter((feed) => isIn(feed, document.absent));
  return comers.some(({ player, progress }) => {
    const weak = progress.sides
      // a target that is hit less may only be the harder one
      .filter((side) => side.sport === sport && (side.of === 'wing' || side.of === 'direction') && side.comparison.different)
      .map(({ a, b, comparison }) => (comparison.difference < 0 ? b.name : a.name));
    return (
      weak.length > 0 &&
      fed.every((feed) => Object.values(sideOf(document, feed, player.hand)).some((name) => weak.some((each) => each === name)))
    );
  });
}

const lowest = (levels: readonly Level[]): number => Math.min(...levels.map((level) => LEVELS.indexOf(level)));

/**
 * The rungs of a court that may be part of an outing, with how likely each who comes is to hit them on a day. What a coach would have to confirm by name,
 * what leaves too little time or meets the body unkindly, and what is above the level of somebody who has never run it, is not among them.
 */
export function outingRungs(kit: Kit, ladders: readonly LadderRow[], comers: readonly Comer[], court: CourtRow, now: Date): OutingRung[] {
  const day = dayOf(now.toISOString());
  const least = lowest(comers.map(({ player }) => player.level));
  const known = comers.map(({ player, rounds, progress }) => ({
    player,
    rounds,
    strokes: progress.strokes
      .filter(({ sport }) => sport === court.sport)
      .map(({ stroke, own, days }) => ({ stroke, own, balls: ballsIn(days) })),
    // nothing is asked of a day before what is known
    day: Math.max(day, ...progress.strokes.flatMap(({ days }) => days.at(-1)?.day ?? day)),
  }));
  return ladders
    .filter(({ sport }) => sport === court.sport)
    .flatMap(({ id: ladderId, sport, approach, rungs }) =>
      rungs.flatMap(({ id: rungId, document }): OutingRung[] => {
        if (document.courtId !== court.id || (document.hitters ?? 1) > comers.length) return [];
        const wasRun = comers.every(({ rounds }) => rounds.some((round) => round.rungId === rungId));
        if (!wasRun && LEVELS.indexOf(document.level) > least) return [];
        const judgement = judge(kit, sport, document);
        const judged = wholly(judgement);
        const unfit = judged?.balls.some(({ comfort, height }) => comfort === 'too quick' || height?.word === 'unkind') ?? true;
        if (!judged || unfit || needsName(document, judgement)) return [];
        const demand = ofBall(judged.demand);
        const players = known.map(({ player, rounds, strokes, day: on }) => {
          const mine = rounds.filter((round) => round.rungId === rungId);
          const onCard = mine.filter(({ card }) => sameCard(card, document)).map(({ card, results }) => scoreForGate(card, results));
          const hits = onCard.reduce((total, each) => total + each.hits, 0);
          const asked = { day: on, demand, onCard: { hits, balls: ballsIn(onCard) } };
          const chance = (rung: RungDocument) => chanceOn(rung, sport, { level: player.level, strokes }, asked);
          return {
            playerId: player.id as PlayerId,
            ...chance(document),
            lastDay: mine[0] ? dayOf(mine[0].startedAt) : null,
            verdict: mine.length > 0 ? nextStepOn(document, approach, mine).verdict : null,
            halfWidthM: halfWidthOf(document, (rung) => chance(rung).share),
          };
        });
        return [{ rungId, ladderId, document, isWeaker: isWeaker(document, sport, comers), players }];
      }),
    );
}

/** The court these players were on last; else the first of the club. */
export function usualCourt(kit: Kit, comers: readonly Comer[]): CourtRow | undefined {
  const last = comers.flatMap(({ rounds }) => rounds.slice(0, 1)).sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
  return kit.courts.find(({ id }) => id === last?.courtId) ?? kit.courts[0];
}
