import {
  type JudgeContext,
  type Judgement,
  judgeRung,
  notJudged,
  type RungDocument,
  type SpoiledBalls,
  type Sport,
  spoiledBy,
  type Venue,
  wholly,
} from '@good-arc/core';
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

/** The last verdict on a document, and by what it was given: a ladder is drawn again and again, and no document is ever changed in place. */
const known = new WeakMap<RungDocument, { by: readonly unknown[]; judgement: Judgement }>();

export function judge(kit: JudgeKit, sport: Sport, rung: RungDocument, players = 1): Judgement {
  const by = [machineOf(kit, rung)?.profile, kit.gameBalls, sport, players];
  const before = known.get(rung);
  if (before?.by.every((each, i) => each === by[i])) return before.judgement;
  const context = contextOf(kit, sport, rung, players);
  const judgement = context ? judgeRung(rung, context) : notJudged({ code: 'no-machine' });
  known.set(rung, { by, judgement });
  return judgement;
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
