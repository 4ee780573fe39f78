import {
  atHalf,
  chanceOn,
  isIn,
  LEVELS,
  type Level,
  type NextOuting,
  type NextOutingQuestion,
  needsName,
  nextOuting,
  nextStepOn,
  type OutingRung,
  OWN_FROM_BALLS,
  type PlayerId,
  type RungDocument,
  type RungId,
  type Sport,
  sameCard,
  scoreForGate,
  shareOn,
  sideOf,
  targetFrom,
  wholly,
} from '@good-arc/core';
import { LRUCache } from 'lru-cache';
import type { CourtRow, HalfTarget, Kit, LadderRow, RungRow } from '../api/rows.ts';
import { dayOf } from '../ui/day.ts';
import { judge } from '../ui/judge.ts';
import type { Comer } from './comers.ts';
import { ballsIn, ofBall } from './progress.ts';
import { gateScoreOf } from './read-rounds.ts';

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

/** How likely somebody is to hit a ball of a rung on a day, as it is and with another target. */
function chancesOf({ player, rounds, progress }: Comer, sport: Sport, day: number) {
  const strokes = progress.strokes
    .filter((stroke) => stroke.sport === sport)
    .map(({ stroke, own, days }) => ({ stroke, own, balls: ballsIn(days) }));
  // nothing is asked of a day before what is known
  const on = Math.max(day, ...progress.strokes.flatMap(({ days }) => days.at(-1)?.day ?? day));
  return ({ rungId, document }: Pick<RungRow, 'document'> & { rungId: RungId }, demand: number) => {
    const onCard = rounds
      .filter((round) => round.rungId === rungId && sameCard(round.card, document))
      .map(({ card, results }) => scoreForGate(card, results));
    const hits = onCard.reduce((total, each) => total + each.hits, 0);
    const asked = { day: on, demand, onCard: { hits, balls: ballsIn(onCard) } };
    const known = { level: player.level, strokes };
    return {
      chance: chanceOn(document, sport, known, asked),
      shareAt: (rung: RungDocument) => shareOn(rung, sport, known, asked),
    };
  };
}

/**
 * The target of a rung at which half of somebody’s balls would be hit now: their rounds of today count. Null where it is near half already, and
 * where too little is known or no target would do.
 */
export function halfFor(kit: Kit, sport: Sport, { id: rungId, document }: RungRow, comer: Comer, now: Date): HalfTarget | null {
  const judged = wholly(judge(kit, sport, document));
  if (!judged) return null;
  const { chance, shareAt } = chancesOf(comer, sport, dayOf(now.toISOString()))({ rungId, document }, ofBall(judged.demand));
  const { share, balls } = chance;
  const half = balls >= OWN_FROM_BALLS ? atHalf(document, sport, shareAt) : null;
  return half && { share, balls, ...targetFrom(half) };
}

const lowest = (levels: readonly Level[]): number => Math.min(...levels.map((level) => LEVELS.indexOf(level)));

type OutingPlayer = OutingRung['players'][number];

/** What was worked out of somebody on a rung: as long as what they come to and the rung are the same documents. */
const worked = new WeakMap<Comer['progress'], WeakMap<RungDocument, Map<string, OutingPlayer>>>();

function onceFor(progress: Comer['progress'], document: RungDocument, key: string, work: () => OutingPlayer): OutingPlayer {
  const ofRungs = worked.get(progress) ?? new WeakMap<RungDocument, Map<string, OutingPlayer>>();
  const ofRung = ofRungs.get(document) ?? new Map<string, OutingPlayer>();
  const found = ofRung.get(key) ?? Object.freeze(work());
  worked.set(progress, ofRungs.set(document, ofRung.set(key, found)));
  return found;
}

/**
 * The rungs of a court that may be part of an outing, with how likely each who comes is to hit them on a day. What a coach would have to confirm by name,
 * what leaves too little time or meets the body unkindly, and what is above the level of somebody who has never run it, is not among them.
 */
export function outingRungs(kit: Kit, ladders: readonly LadderRow[], comers: readonly Comer[], court: CourtRow, now: Date): OutingRung[] {
  const day = dayOf(now.toISOString());
  const least = lowest(comers.map(({ player }) => player.level));
  const known = comers.map((comer) => ({ ...comer, chances: chancesOf(comer, court.sport, day) }));
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
        const players = known.map(({ player, rounds, progress, chances }) =>
          onceFor(progress, document, `${rungId} ${approach} ${day} ${demand}`, () => {
            const mine = rounds.filter((round) => round.rungId === rungId);
            const { chance, shareAt } = chances({ rungId, document }, demand);
            return {
              playerId: player.id as PlayerId,
              ...chance,
              lastDay: mine[0] ? dayOf(mine[0].startedAt) : null,
              verdict: mine.length > 0 ? nextStepOn(document, approach, mine, gateScoreOf).verdict : null,
              halfWidthM: atHalf(document, sport, shareAt)?.targetSize.widthM ?? null,
            };
          }),
        );
        return [{ rungId, ladderId, document, isWeaker: isWeaker(document, sport, comers), players }];
      }),
    );
}

const isSame = (a: OutingRung, b: OutingRung | undefined): boolean =>
  a.rungId === b?.rungId &&
  a.document === b.document &&
  a.isWeaker === b.isWeaker &&
  a.players.length === b.players.length &&
  a.players.every((player, i) => player === b.players[i]);

/** What was proposed lately, each by who asked for what: as long as rungs and chances are the same documents, it is the same. */
const proposals = new LRUCache<string, { rungs: readonly OutingRung[]; proposed: NextOuting }>({ max: 500 });

/** As `nextOuting`, which takes as long as the rest of its page: worked out once for what somebody comes to. */
export function proposedFor(question: NextOutingQuestion): NextOuting {
  const { rungs, playerIds, minutes, day, swingsLeft } = question;
  const key = `${rungs[0]?.rungId} ${playerIds} ${minutes} ${day} ${swingsLeft}`;
  const known = proposals.get(key);
  if (known?.rungs.length === rungs.length && rungs.every((rung, i) => isSame(rung, known.rungs[i]))) return known.proposed;
  const proposed = Object.freeze(nextOuting(question));
  proposals.set(key, { rungs, proposed });
  return proposed;
}

/** The court these players were on last; else the first of the club. */
export function usualCourt(kit: Kit, comers: readonly Comer[]): CourtRow | undefined {
  const last = comers.flatMap(({ rounds }) => rounds.slice(0, 1)).sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
  return kit.courts.find(({ id }) => id === last?.courtId) ?? kit.courts[0];
}
