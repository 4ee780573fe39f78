import { minutesOf, programOf, REST_S, type RungDocument } from '../drill/index.ts';
import type { MachineId, PlayerId } from '../ids.ts';
import type { PlanDocument } from './plan-schema.ts';
import { rotate, type Turn } from './rotation.ts';

/** Walking from one station to the next, s (common practice, no source). */
const CHANGE_S = 20;
/** Picking up at the cap, s (common practice, no source). */
const PICK_UP_S = 120;

/** One turn of a plan: when, on which rung, who hits and who picks up. */
export interface PlannedTurn {
  /** Seconds from the start. */
  atS: number;
  lastsS: number;
  /** Index of the rung. */
  rung: number;
  /** Of this rung, from 1. */
  turn: number;
  balls: number;
  stations: Turn;
  /** A stop to pick up comes after it. */
  pickUpAfter: boolean;
}

/** A plan by the clock: its turns, and what each player gets. */
export interface Schedule {
  turns: PlannedTurn[];
  endsS: number;
  /** Turns, and balls hit, of each player who is there. */
  share: { playerId: PlayerId; turns: number; balls: number }[];
}

/**
 * The plan by the clock. Every rung has as many turns as give each player its rounds, to within one turn; walking, rest and, where nobody
 * picks up meanwhile, picking up at the cap of balls have their time. A turn on several lines shares its balls among them.
 * @param rungs from the bottom up
 */
export function scheduleOf(plan: PlanDocument, rungs: readonly RungDocument[]): Schedule {
  const here = plan.playerIds.filter((id) => !plan.absentIds.includes(id));
  const shared = new Map(here.map((id) => [id, { turns: 0, balls: 0 }]));
  const turns: PlannedTurn[] = [];
  if (here.length === 0) return { turns, endsS: 0, share: [] };
  const lines = Math.min(plan.lines, here.length);
  let [atS, sinceStop, offset] = [0, 0, 0];
  rungs.forEach((rung, index) => {
    const oneS = (minutesOf({ ...rung, rounds: 1 }) * 60) / rung.ballsPerRound;
    const balls = plan.rotateBy.kind === 'balls' ? plan.rotateBy.balls : Math.max(1, Math.floor((plan.rotateBy.minutes * 60) / oneS));
    // each player's share of the rung, on a line of their own
    const wanted = Math.max(1, Math.ceil((rung.rounds * rung.ballsPerRound * here.length) / balls));
    const all = rotate({ players: here, lines, stations: plan.stations, turns: offset + wanted }).slice(offset);
    offset += wanted;
    all.forEach((stations, i) => {
      const lastsS = balls * oneS;
      sinceStop += balls;
      const last = index === rungs.length - 1 && i === wanted - 1;
      // who picks up meanwhile spares everybody the stop
      const pickUpAfter = !last && sinceStop + balls > plan.capBalls && stations['picking up'].length === 0;
      turns.push({ atS, lastsS, rung: index, turn: i + 1, balls, stations, pickUpAfter });
      for (const id of stations.hitting) {
        const mine = shared.get(id)!;
        mine.turns += 1;
        mine.balls += balls / stations.hitting.length;
      }
      atS += lastsS + (pickUpAfter ? PICK_UP_S : i === wanted - 1 ? REST_S : CHANGE_S);
      if (pickUpAfter) sinceStop = 0;
    });
  });
  const end = turns.at(-1);
  return { turns, endsS: end ? end.atS + end.lastsS : 0, share: here.map((playerId) => ({ playerId, ...shared.get(playerId)! })) };
}

/** One line of a call sheet: which ball, by which machine. */
export interface Call {
  /** From 1. */
  ball: number;
  /** Index of the feed, and its number as the list says it. */
  feed: number;
  /** Machine that throws; null for the rung's own. */
  machineId: MachineId | null;
  name: string;
  cue: string;
}

/** What a caller reads out: ball by ball which feed comes and which machine throws it. The same seed gives the same sheet. */
export const callSheet = (rung: RungDocument, balls: number): Call[] =>
  programOf({ ...rung, ballsPerRound: balls }).map(({ index }, i) => {
    const { name, cue, machineId } = rung.feeds[index]!;
    return { ball: i + 1, feed: index, machineId: machineId ?? null, name, cue };
  });
