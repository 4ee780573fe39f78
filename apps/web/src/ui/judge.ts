import {
  type JudgeContext,
  type Judgement,
  judgeRung,
  type Level,
  type MachineProfile,
  notJudged,
  type RungDocument,
  type SpoiledBalls,
  type Sport,
  spoiledBy,
  type Venue,
  wholly,
} from '@good-arc/core';
import type { GameBallRow, Kit, MachineRow } from '../api/rows.ts';
import { gameBallFinder } from './gameBalls.ts';

type JudgeKit = Pick<Kit, 'machines' | 'courts' | 'gameBalls'>;

export const machineOf = (kit: Pick<Kit, 'machines'>, rung: RungDocument): MachineRow | undefined =>
  kit.machines.find(({ id }) => id === rung.machineId);

/** With what a rung is judged; null when its machine was archived. */
export function contextOf(kit: JudgeKit, sport: Sport, rung: RungDocument): JudgeContext | null {
  const machine = machineOf(kit, rung);
  return machine ? { sport, machine: machine.profile, gameBall: gameBallFinder(kit.gameBalls) } : null;
}

/** Where and with what a rung is thrown, for aiming it anew. */
export function venueOf(kit: JudgeKit, sport: Sport, rung: RungDocument): Venue | null {
  const machine = machineOf(kit, rung);
  if (!machine) return null;
  const court = kit.courts.find(({ id }) => id === rung.courtId);
  return {
    sport,
    court: { id: rung.courtId, surfaceId: rung.surfaceId, ceilingM: court?.ceilingM ?? null },
    machine: { id: machine.id, profile: machine.profile },
    ballId: rung.ballId,
    ...(rung.dragShare !== undefined && { dragShare: rung.dragShare }),
    level: rung.level,
    weather: rung.weather,
  };
}

/** What a verdict depends on beside the rung; of those who hit it the lowest level, where it is known who does. */
export interface JudgedBy {
  sport: Sport;
  profile: MachineProfile;
  gameBalls: readonly GameBallRow[];
  playerLevel?: Level | undefined;
}

interface Known {
  by: Omit<JudgedBy, 'playerLevel'>;
  judgement: Judgement;
}

/** The last verdict on a document for each level: a ladder is drawn again and again, beside a rung of it on court, and no document is ever changed in place. */
const known = new WeakMap<RungDocument, Map<Level | undefined, Known>>();

export function judgeBy(rung: RungDocument, by: JudgedBy): Judgement {
  const { sport, profile, gameBalls, playerLevel } = by;
  const before = known.get(rung)?.get(playerLevel);
  if (before?.by.sport === sport && before.by.profile === profile && before.by.gameBalls === gameBalls) return before.judgement;
  const judgement = judgeRung(rung, { sport, machine: profile, gameBall: gameBallFinder(gameBalls), ...(playerLevel && { playerLevel }) });
  judgedElsewhere(rung, by, judgement);
  return judgement;
}

/** A verdict that came along with its rung: a slow phone takes a tenth of a second to give it. */
export function judgedElsewhere(rung: RungDocument, by: JudgedBy, judgement: Judgement): void {
  const levels = known.get(rung) ?? new Map<Level | undefined, Known>();
  known.set(rung, levels.set(by.playerLevel, { by, judgement }));
}

export function judge(kit: JudgeKit, sport: Sport, rung: RungDocument): Judgement {
  const machine = machineOf(kit, rung);
  return machine ? judgeBy(rung, { sport, profile: machine.profile, gameBalls: kit.gameBalls }) : notJudged({ code: 'no-machine' });
}

/** What the machines of a rung take of it by their own spread; null for one that could not be judged, or whose machine is gone. */
export function spoiledIn(kit: JudgeKit, sport: Sport, rung: RungDocument): SpoiledBalls | null {
  const context = contextOf(kit, sport, rung);
  if (!context) return null;
  const judged = wholly(judge(kit, sport, rung));
  if (!judged) return null;
  return spoiledBy(rung, judged, context, ({ machineId = rung.machineId }) => {
    const machine = kit.machines.find(({ id }) => id === machineId);
    return machine?.profile.repeatability ?? null;
  });
}
