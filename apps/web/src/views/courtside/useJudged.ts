import {
  hazardsInSight,
  judgeRung,
  LEVELS,
  type MachineProfile,
  type PlayerId,
  type RungDocument,
  type RungId,
  type Sport,
  type Weather,
} from '@good-arc/core';
import { useMemo } from 'react';
import type { GameBallRow, PlayerRow, Swings } from '../../api/rows.ts';
import { ageOf, isHandFed } from '../../ui/around.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';

/** Swings of a player today on other rungs: those on this one are in its own plan. */
const elsewhereToday = (all: readonly Swings[], playerId: PlayerId, rungId: RungId): number =>
  all.filter((each) => each.playerId === playerId && each.rungId !== rungId).reduce((sum, { swings }) => sum + swings, 0);

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
  const weakest = hitting.length > 0 ? hitting.reduce((a, b) => (LEVELS.indexOf(b.level) < LEVELS.indexOf(a.level) ? b : a)) : undefined;
  const playerLevel = weakest?.level;
  const judged = useMemo(
    () =>
      judgeRung(document, {
        sport: sport,
        machine: machine.profile,
        gameBall: gameBallFinder(gameBalls),
        ...(playerLevel && { playerLevel }),
      }),
    [document, sport, machine, gameBalls, playerLevel],
  );
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
