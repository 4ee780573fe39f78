import { gateMet, longestRun, tally } from '@good-arc/core';
import type { LadderRow, RoundRow } from '../api/rows.ts';

/** The last set-ups that can be run again as they were: one entry a rung, newest first. */
export interface Again {
  rungId: string;
  number: number;
  ladderId: string;
  ladderName: string;
  last: RoundRow;
  hits: number;
  balls: number;
}

export function againOf(rounds: readonly RoundRow[], ladders: readonly LadderRow[], most: number): Again[] {
  const found: Again[] = [];
  for (const last of rounds) {
    if (found.length === most) break;
    if (found.some(({ rungId }) => rungId === last.rungId)) continue;
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === last.rungId));
    if (!ladder) continue;
    const { hits, balls } = tally(last.results.map(({ outcome }) => outcome));
    found.push({
      rungId: last.rungId,
      number: ladder.rungs.findIndex(({ id }) => id === last.rungId) + 1,
      ladderId: ladder.id,
      ladderName: ladder.name,
      last,
      hits,
      balls,
    });
  }
  return found;
}

/** Rungs whose gate the player's last round met, while a higher rung waits: a climb worth knowing. */
export function climbsOf(
  rounds: readonly RoundRow[],
  ladders: readonly LadderRow[],
  most: number,
): { playerName: string; ladderId: string; ladderName: string; from: string; to: string; toId: string; hits: number; balls: number }[] {
  const seen = new Set<string>();
  const climbs: ReturnType<typeof climbsOf> = [];
  for (const round of rounds) {
    const ladder = ladders.find(({ rungs }) => rungs.some(({ id }) => id === round.rungId));
    if (!ladder) continue;
    const key = `${round.playerId} ${ladder.id}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const next = ladder.rungs[ladder.rungs.findIndex(({ id }) => id === round.rungId) + 1];
    const { hits, balls } = tally(round.results.map(({ outcome }) => outcome));
    const { gate } = round.card;
    const run = longestRun(round.results.map(({ outcome }) => outcome));
    if (!next || balls === 0 || !gateMet(gate, { hits, balls, longestRun: run })) continue;
    climbs.push({
      playerName: round.playerName,
      ladderId: ladder.id,
      ladderName: ladder.name,
      from: round.card.name,
      to: next.document.name,
      toId: next.id,
      hits,
      balls,
    });
    if (climbs.length === most) break;
  }
  return climbs;
}
