import {
  type Around,
  type Hazard,
  hazardsInSight,
  type Judgement,
  type MachineProfile,
  type PlayerId,
  type RungDocument,
  type RungId,
  type Sport,
  type Weather,
} from '@good-arc/core';
import type { BroughtVerdict, GameBallRow, PlayerRow, RungRow, Swings } from '../../api/rows.ts';
import { ageOf, isHandFed } from '../../ui/around.ts';
import { judgeBy, judgedElsewhere } from '../../ui/judge.ts';
import { weakestOf } from './weakest.ts';

/** What a verdict on a rung and its hazards depend on beside it: who hits it, with what, where, in which air. */
export interface Hit {
  rungId: RungId;
  sport: Sport;
  machine: { profile: MachineProfile };
  gameBalls: readonly GameBallRow[];
  hitting: readonly PlayerRow[];
  swingsToday: readonly Swings[];
  indoors: boolean;
  /** As it is on the court now. */
  weather: Weather;
}

/** Swings of a player today on other rungs: those on this one are in its own plan. */
const elsewhereToday = (all: readonly Swings[], playerId: PlayerId, rungId: RungId): number =>
  all.filter((each) => each.playerId === playerId && each.rungId !== rungId).reduce((sum, { swings }) => sum + swings, 0);

function aroundOf({ hitting, swingsToday, rungId, indoors, machine, weather }: Hit): Around {
  const ages = hitting.flatMap((each) => ageOf(each) ?? []);
  return {
    ageYears: ages.length > 0 ? Math.min(...ages) : null,
    swingsBefore: Math.max(0, ...hitting.map(({ id }) => elsewhereToday(swingsToday, id, rungId))),
    indoors,
    handFed: isHandFed(machine.profile),
    weather,
  };
}

interface Known {
  sport: Sport;
  judged: Judgement;
  around: string;
  hazards: Hazard[];
}
/** What was found last of each rung: some of its rules fly its balls, which takes a slow phone as long as all else that it draws first. */
const found = new WeakMap<RungDocument, Known>();

function hazardsOf(document: RungDocument, sport: Sport, judged: Judgement, beside: Around): Hazard[] {
  const [before, around] = [found.get(document), JSON.stringify(beside)];
  if (before && before.sport === sport && before.judged === judged && before.around === around) return before.hazards;
  const hazards = hazardsInSight(document, sport, judged, beside);
  found.set(document, { sport, judged, around, hazards });
  return hazards;
}

/** How a rung is judged for those who hit it: its time, and what has to be minded; the same again while nothing of it is another. */
export function judgedFor(document: RungDocument, hit: Hit) {
  // what is thrown to several is judged by the one who needs most: the lowest level, the youngest, the most swings behind them
  const weakest = weakestOf(hit.hitting);
  const { sport, gameBalls, machine } = hit;
  const judged = judgeBy(document, { sport, profile: machine.profile, gameBalls, playerLevel: weakest?.level });
  const around = aroundOf(hit);
  return { weakest, judged, around, inSight: hazardsOf(document, sport, judged, around) };
}

/** The verdict that came with a page, and what has to be minded, before anything is judged here. */
export function judgedByServer({
  rung: { document },
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
  if (!verdict) return;
  const { judgement, level, around, inSight } = verdict;
  judgedElsewhere(document, { sport, profile, gameBalls, playerLevel: level }, judgement);
  found.set(document, { sport, judged: judgement, around: JSON.stringify(around), hazards: inSight });
}
