import { type PlayerId, type RungId, scheduleOf } from '@good-arc/core';
import type { LadderRow, NextTurn, PlanRow, PlayerRow } from '../api/rows.ts';
import { planLadder } from '../ui/planLadder.ts';
import { resultsOf } from '../views/plan/results.ts';
import { planRounds } from './plans.ts';
import type { Store } from './store.ts';

/**
 * The next turns of a day's plans, in their order: those nobody has a round of.
 * @param day `2026-03-14` @param except a rung and its player whose turn is under way
 */
export async function nextTurns(
  store: Store,
  { plans, ladders, players }: { plans: readonly PlanRow[]; ladders: readonly LadderRow[]; players: readonly PlayerRow[] },
  day: string,
  except?: { rungId: RungId; playerId: PlayerId },
): Promise<NextTurn[]> {
  const found: NextTurn[] = [];
  for (const { document } of plans) {
    if (document.startsAt.slice(0, 10) !== day) continue;
    const ladder = planLadder(document, ladders);
    if (!ladder) continue;
    const { turns } = scheduleOf(
      document,
      ladder.rungs.map((each) => each.document),
    );
    const done = resultsOf(turns, ladder.rungs, await planRounds(store, ladder, document.startsAt));
    let skipped = false;
    const next = turns.find((turn, i) => {
      if (done[i]!.length > 0) return false;
      const underWay = !skipped && except?.rungId === ladder.rungs[turn.rung]!.id && turn.stations.hitting.includes(except.playerId);
      if (underWay) skipped = true;
      return !underWay;
    });
    if (!next) continue;
    const rung = ladder.rungs[next.rung]!;
    found.push({
      planName: document.name,
      rungId: rung.id,
      number: next.rung + 1,
      rungName: rung.document.name,
      balls: next.balls,
      half: rung.half ?? false,
      players: next.stations.hitting.map((id) => ({ id, name: players.find((each) => each.id === id)?.name ?? 'somebody who left' })),
    });
  }
  return found;
}
