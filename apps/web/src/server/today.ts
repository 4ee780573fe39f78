import {
  type Approach,
  type LadderId,
  type NextStep,
  nextStepOn,
  once,
  type PlayerId,
  type RungDocument,
  type RungId,
  type Sport,
} from '@good-arc/core';
import type { BriefRound, LadderRow, RanLast, RoundRow, RungRow } from '../api/rows.ts';
import { sayStep } from '../words/progress.ts';
import { placesOf } from './ladders.ts';
import { gateScoreOf } from './read-rounds.ts';

/** A set-up that can be run again as it was. */
export interface Again {
  rungId: RungId;
  number: number;
  ladderName: string;
  sport: Sport;
  last: RanLast;
}

/** The last rounds on the rungs that were run last, one a rung, where its ladder is still there. @param heads newest first */
export function lastOnEach(heads: readonly Pick<RoundRow, 'id' | 'rungId'>[], ladders: readonly LadderRow[], most: number): string[] {
  const found = new Map<string, string>();
  for (const { id, rungId } of heads) {
    if (found.size === most) break;
    if (!found.has(rungId) && placesOf(ladders).has(rungId)) found.set(rungId, id);
  }
  return [...found.values()];
}

/** The same entry of the same round and ladder. */
const againOn = once((last: RanLast) =>
  once((ladder: LadderRow): Again => {
    const number = ladder.rungs.findIndex(({ id }) => id === last.rungId) + 1;
    return Object.freeze({ rungId: last.rungId, number, ladderName: ladder.name, sport: ladder.sport, last });
  }),
);

/** The last set-ups that can be run again: one entry a rung. @param rounds newest first */
export function againOf(rounds: readonly RanLast[], ladders: readonly LadderRow[], most: number): Again[] {
  const found: Again[] = [];
  for (const last of rounds) {
    if (found.length === most) break;
    if (found.some(({ rungId }) => rungId === last.rungId)) continue;
    const place = placesOf(ladders).get(last.rungId);
    if (place) found.push(againOn(last)(place.ladder));
  }
  return found;
}

/** A player who may climb: the one verdict on a rung, while a higher one waits. */
export interface Climb {
  playerId: PlayerId;
  playerName: string;
  ladderId: LadderId;
  ladderName: string;
  from: string;
  to: string;
  toId: string;
  reason: string;
}

/** A player on the last rung they hit on a ladder, while a higher one waits. */
export interface Climber {
  playerId: PlayerId;
  playerName: string;
  rungId: RungId;
  ladder: LadderRow;
  from: RungRow;
  to: RungRow;
}

type Heads = readonly Pick<RoundRow, 'rungId' | 'playerId' | 'playerName'>[];

const climbersIn = once((rounds: Heads) =>
  once((ladders: readonly LadderRow[]): readonly Climber[] => {
    const seen = new Set<string>();
    return rounds.flatMap(({ rungId, playerId, playerName }) => {
      const place = placesOf(ladders).get(rungId);
      const key = `${playerId} ${place?.ladder.id}`;
      if (!place || seen.has(key)) return [];
      seen.add(key);
      const { ladder, at } = place;
      const [from, to] = [ladder.rungs[at], ladder.rungs[at + 1]];
      return from && to ? [{ playerId, playerName, rungId, ladder, from, to }] : [];
    });
  }),
);

/** Who could climb, by the newest rounds: one a player and ladder. @param rounds newest first */
export const climbersOf = (rounds: Heads, ladders: readonly LadderRow[]): readonly Climber[] => climbersIn(rounds)(ladders);

type Rounds = readonly Pick<BriefRound, 'card' | 'results'>[];

/** The verdict on a list of rounds, by the rung and how it is climbed: both are the same documents until something of them is another. */
const worked = once((_: Rounds) => once((__: RungDocument) => new Map<Approach, NextStep>()));

function stepOn(rung: RungDocument, approach: Approach, rounds: Rounds): NextStep {
  const known = worked(rounds)(rung);
  const step = known.get(approach) ?? nextStepOn(rung, approach, rounds, gateScoreOf);
  known.set(approach, step);
  return step;
}

/** Those whose last rung is won: climbs worth knowing. @param roundsOf all rounds of a player on a rung, newest first */
export async function climbsOf(
  climbers: readonly Climber[],
  most: number,
  roundsOf: (playerId: PlayerId, rungId: RungId) => Promise<Rounds>,
): Promise<Climb[]> {
  const climbs: Climb[] = [];
  for (const { playerId, playerName, rungId, ladder, from, to } of climbers) {
    if (climbs.length === most) break;
    const step = stepOn(from.document, ladder.approach, await roundsOf(playerId, rungId));
    if (step.verdict !== 'climb') continue;
    climbs.push({
      ...{ playerId, playerName, ladderId: ladder.id, ladderName: ladder.name },
      ...{ from: from.document.name, to: to.document.name, toId: to.id, reason: sayStep(step) },
    });
  }
  return climbs;
}
