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
export const lastOnEach = (heads: readonly Pick<RoundRow, 'id' | 'rungId'>[], ladders: readonly LadderRow[], most: number): string[] =>
  heads
    .filter(({ rungId }, i) => heads.findIndex((each) => each.rungId === rungId) === i)
    .filter(({ rungId }) => ladders.some(({ rungs }) => rungs.some(({ id }) => id === rungId)))
    .slice(0, most)
    .map(({ id }) => id);

/** The last set-ups that can be run again: one entry a rung. @param rounds newest first */
export function againOf(rounds: readonly RanLast[], ladders: readonly LadderRow[], most: number): Again[] {
  const found: Again[] = [];
  for (const last of rounds) {
    if (found.length === most) break;
    if (found.some(({ rungId }) => rungId === last.rungId)) continue;
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === last.rungId));
    if (!ladder) continue;
    const number = ladder.rungs.findIndex(({ id }) => id === last.rungId) + 1;
    found.push({ rungId: last.rungId, number, ladderName: ladder.name, sport: ladder.sport, last });
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

/** Who could climb, by the newest rounds: one a player and ladder. @param rounds newest first */
export function climbersOf(
  rounds: readonly Pick<RoundRow, 'rungId' | 'playerId' | 'playerName'>[],
  ladders: readonly LadderRow[],
): Climber[] {
  const seen = new Set<string>();
  return rounds.flatMap(({ rungId, playerId, playerName }) => {
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === rungId));
    const key = `${playerId} ${ladder?.id}`;
    if (!ladder || seen.has(key)) return [];
    seen.add(key);
    const at = ladder.rungs.findIndex(({ id }) => id === rungId);
    const [from, to] = [ladder.rungs[at], ladder.rungs[at + 1]];
    return from && to ? [{ playerId, playerName, rungId, ladder, from, to }] : [];
  });
}

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
