import { type LadderId, nextStepOn, type PlayerId, type RungId, type Sport } from '@good-arc/core';
import type { BriefRound, LadderRow, RanLast, RoundRow } from '../api/rows.ts';
import { sayStep } from '../words/progress.ts';

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

/**
 * Players whose last rung on a ladder is won, while a higher one waits: climbs worth knowing.
 * @param rounds newest first @param roundsOf all rounds of a player on a rung, newest first
 */
export async function climbsOf(
  rounds: readonly Pick<RoundRow, 'rungId' | 'playerId' | 'playerName'>[],
  ladders: readonly LadderRow[],
  most: number,
  roundsOf: (playerId: PlayerId, rungId: RungId) => Promise<readonly Pick<BriefRound, 'card' | 'results'>[]>,
): Promise<Climb[]> {
  const seen = new Set<string>();
  const climbs: Climb[] = [];
  for (const { rungId, playerId, playerName } of rounds) {
    if (climbs.length === most) break;
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === rungId));
    if (!ladder) continue;
    const key = `${playerId} ${ladder.id}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const at = ladder.rungs.findIndex(({ id }) => id === rungId);
    const [here, next] = [ladder.rungs[at]!, ladder.rungs[at + 1]];
    if (!next) continue;
    const step = nextStepOn(here.document, ladder.approach, await roundsOf(playerId, rungId));
    if (step.verdict !== 'climb') continue;
    const [from, to] = [here.document.name, next.document.name];
    climbs.push({ playerId, playerName, ladderId: ladder.id, ladderName: ladder.name, from, to, toId: next.id, reason: sayStep(step) });
  }
  return climbs;
}
