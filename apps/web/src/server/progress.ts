import {
  ballById,
  DEMAND_PARTS,
  type Demand,
  type DemandPart,
  type LoggedRound,
  type PlayerId,
  progressOf,
  type RungDocument,
  type Sport,
  wholly,
} from '@good-arc/core';
import type { Kit, PlayerRow, RoundRow, StrokeScatter } from '../api/rows.ts';
import { judge } from '../ui/judge.ts';
import { readRounds } from './rounds.ts';
import type { Store } from './store.ts';

/** Rounds that are looked back at: years of a player who comes twice a week. */
const MOST_ROUNDS = 600;
const DAY_MS = 86_400_000;
/** A round that cannot be judged any more is taken to ask half of the game. */
const UNKNOWN_DEMAND = 0.5;

/** What the ball itself asks: the target and the number of balls are told apart. */
const OF_BALL: readonly DemandPart[] = ['time', 'ground', 'pace', 'doubt'];
const sumOf = (parts: Readonly<Record<DemandPart, number>>): number => OF_BALL.reduce((sum, part) => sum + parts[part], 0);
const ofBall = ({ parts }: Demand): number => sumOf(parts) / sumOf(DEMAND_PARTS);

const dayOf = (moment: string): number => Math.floor(new Date(moment).getTime() / DAY_MS);

/** Rounds of one player as they are looked back at, oldest first. */
async function loggedRounds(store: Store, kit: Kit, playerId: PlayerId): Promise<LoggedRound[]> {
  const rounds = await readRounds(store, { playerId, most: MOST_ROUNDS });
  // one card is run many times
  const demands = new Map<string, number>();
  const demandOf = (card: RungDocument, sport: Sport): number => {
    const key = JSON.stringify([card.machineId, card.feeds, card.intervalS, card.level]);
    const known = demands.get(key);
    if (known !== undefined) return known;
    const judged = wholly(judge(kit, sport, card));
    const demand = judged ? ofBall(judged.demand) : UNKNOWN_DEMAND;
    demands.set(key, demand);
    return demand;
  };
  return rounds.reverse().map(({ startedAt, card, results, source }: RoundRow): LoggedRound => {
    const { sport } = ballById(card.ballId);
    return { sport, day: dayOf(startedAt), card, results, demand: demandOf(card, sport), isOneNumber: source === 'sheet' };
  });
}

/** What a player’s rounds come to, as a page shows it. */
export async function readProgress(store: Store, kit: Kit, player: PlayerRow) {
  const { strokes, ...rest } = progressOf(await loggedRounds(store, kit, player.id), player);
  return { ...rest, strokes: strokes.map(({ own: _own, ...stroke }) => stroke) };
}

/** A player’s own scatter by stroke in a sport, as far as it is known on a day. */
export async function readScatter(store: Store, kit: Kit, player: PlayerRow, sport: Sport, now: Date): Promise<StrokeScatter[]> {
  const { strokes } = progressOf(await loggedRounds(store, kit, player.id), player);
  return strokes
    .filter((stroke) => stroke.sport === sport)
    .map(({ stroke, own, days }) => ({
      stroke,
      scatter: own.on(Math.max(dayOf(now.toISOString()), days.at(-1)?.day ?? 0)),
      balls: days.reduce((sum, { balls }) => sum + balls, 0),
    }));
}
