import {
  ballById,
  DEMAND_PARTS,
  type Demand,
  type DemandPart,
  type LoggedRound,
  once,
  type PlayerProgress,
  type RungDocument,
  type Sport,
  wholly,
} from '@good-arc/core';
import type { BriefRound, Kit } from '../api/rows.ts';
import { frozen } from '../db/parsed.ts';
import { dayOf } from '../ui/day.ts';
import { judge } from '../ui/judge.ts';

/** Rounds that are looked back at: years of a player who comes twice a week. */
export const MOST_ROUNDS = 600;
/** A round that cannot be judged any more is taken to ask half of the game. */
const UNKNOWN_DEMAND = 0.5;

/** What the ball itself asks: the target and the number of balls are told apart. */
const OF_BALL: readonly DemandPart[] = ['time', 'ground', 'pace', 'doubt'];
const sumOf = (parts: Readonly<Record<DemandPart, number>>): number => OF_BALL.reduce((sum, part) => sum + parts[part], 0);
export const ofBall = ({ parts }: Demand): number => sumOf(parts) / sumOf(DEMAND_PARTS);

/** Demands that were worked out, for as long as their card is kept: the same cards are looked back at again and again. */
const worked = new WeakMap<RungDocument, Map<string, number>>();

/** The same of a kit as it stands: a player’s years are looked through for each ball that is added to them. */
const onKit = once((_: Kit) => new WeakMap<RungDocument, number>());

/** What the balls of a card ask of a player, 0 to 1. */
function demandOn(kit: Kit, card: RungDocument, sport: Sport): number {
  const before = onKit(kit).get(card);
  if (before !== undefined) return before;
  const demand = judgedDemand(kit, card, sport);
  onKit(kit).set(card, demand);
  return demand;
}

function judgedDemand(kit: Kit, card: RungDocument, sport: Sport): number {
  const machine = kit.machines.find(({ id }) => id === card.machineId);
  const own = card.feeds.some(({ gameBallId }) => kit.gameBalls.some(({ id }) => id === gameBallId)) ? kit.gameBalls : [];
  const key = `${machine?.id} ${machine?.version} ${own.length > 0 ? JSON.stringify(own) : ''}`;
  const of = worked.get(card) ?? new Map<string, number>();
  const known = of.get(key);
  if (known !== undefined) return known;
  const judged = wholly(judge(kit, sport, card));
  const demand = judged ? ofBall(judged.demand) : UNKNOWN_DEMAND;
  of.set(key, demand);
  worked.set(card, of);
  return demand;
}

/** The same of the same round, so that what was learnt of it is not learnt again. */
const logged = new WeakMap<BriefRound, LoggedRound>();

/** Rounds of one player as they are looked back at, oldest first. */
export const loggedFrom = (kit: Kit, rounds: readonly BriefRound[]): LoggedRound[] =>
  [...rounds].reverse().map((round): LoggedRound => {
    const { startedAt, card, weather, results, source } = round;
    const { sport } = ballById(card.ballId);
    const demand = demandOn(kit, card, sport);
    const before = logged.get(round);
    if (before?.demand === demand) return before;
    const one = { sport, day: dayOf(startedAt), card, weather, results, demand, isOneNumber: source === 'sheet' };
    logged.set(round, one);
    return one;
  });

/** What a player’s rounds come to, as a page shows it: the way of working it out stays here. */
export const shownProgress = once(({ strokes, ...rest }: PlayerProgress) =>
  frozen({ ...rest, strokes: strokes.map(({ own: _own, ...stroke }) => stroke) }),
);

/** Balls of all days together. */
export const ballsIn = (days: readonly { balls: number }[]): number => days.reduce((sum, { balls }) => sum + balls, 0);
