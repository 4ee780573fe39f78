import {
  hazardsInSight,
  type MachineProfile,
  type PlayerId,
  type RungDocument,
  type RungId,
  type Sport,
  type Weather,
} from '@good-arc/core';
import { useMemo } from 'react';
import type { BroughtVerdict, GameBallRow, PlayerRow, RungRow, Swings } from '../../api/rows.ts';
import { ageOf, isHandFed } from '../../ui/around.ts';
import { judgeBy, judgedElsewhere } from '../../ui/judge.ts';
import { weakestOf } from './weakest.ts';

/** Swings of a player today on other rungs: those on this one are in its own plan. */
const elsewhereToday = (all: readonly Swings[], playerId: PlayerId, rungId: RungId): number =>
  all.filter((each) => each.playerId === playerId && each.rungId !== rungId).reduce((sum, { swings }) => sum + swings, 0);

/** The verdict that came with a page, before anything is judged here. */
export function judgedByServer({
  rung,
  ladder: { sport },
  machine: { profile },
  gameBalls,
  verdict,
}: {
  rung: RungRow;
  ladder: { sport: Sport };
  machine: { profile: MachineProfile };
  gameBalls: readonly GameBallRow[];
  verdict: BroughtVerdict | null;
}): void {
  if (verdict) judgedElsewhere(rung.document, { sport, profile, gameBalls, playerLevel: verdict.level }, verdict.judgement);
}

/** How a rung is judged for those who hit it: its time, and what has to be minded. */
export function useJudged(
  document: RungDocument,
  {
    rungId,
    sport,
    machine,
    gameBalls,
    hitting,
    swingsToday,
    indoors,
    weather,
  }: {
    rungId: RungId;
    sport: Sport;
    machine: { profile: MachineProfile };
    gameBalls: readonly GameBallRow[];
    hitting: readonly PlayerRow[];
    swingsToday: readonly Swings[];
    indoors: boolean;
    /** As it is on the court now. */
    weather: Weather;
  },
) {
  // what is thrown to several is judged by the one who needs most: the lowest level, the youngest, the most swings behind them
  const weakest = weakestOf(hitting);
  const judged = judgeBy(document, { sport, profile: machine.profile, gameBalls, playerLevel: weakest?.level });
  const swingsBefore = Math.max(0, ...hitting.map(({ id }) => elsewhereToday(swingsToday, id, rungId)));
  const ages = hitting.flatMap((each) => ageOf(each) ?? []);
  const ageYears = ages.length > 0 ? Math.min(...ages) : null;
  const handFed = isHandFed(machine.profile);
  const inSight = useMemo(
    () => hazardsInSight(document, sport, judged, { ageYears, swingsBefore, indoors, handFed, weather }),
    [document, sport, judged, ageYears, swingsBefore, indoors, handFed, weather],
  );
  return { weakest, judged, inSight };
}
