import { type JudgeContext, type Judgement, judgeRung, notJudged, type RungDocument, type Sport, type Venue } from '@good-arc/core';
import type { Kit, MachineRow } from '../api/rows.ts';
import { gameBallFinder } from './gameBalls.ts';

type JudgeKit = Pick<Kit, 'machines' | 'courts' | 'gameBalls'>;

export const machineOf = (kit: Pick<Kit, 'machines'>, rung: RungDocument): MachineRow | undefined =>
  kit.machines.find(({ id }) => id === rung.machineId);

/** With what a rung is judged; null when its machine was archived. */
export function contextOf(kit: JudgeKit, sport: Sport, rung: RungDocument, players = 1): JudgeContext | null {
  const machine = machineOf(kit, rung);
  return machine ? { sport, machine: machine.profile, gameBall: gameBallFinder(kit.gameBalls), players } : null;
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

export function judge(kit: JudgeKit, sport: Sport, rung: RungDocument, players = 1): Judgement {
  const context = contextOf(kit, sport, rung, players);
  return context ? judgeRung(rung, context) : notJudged({ code: 'no-machine' });
}
