import { z } from 'zod';
import { minutesOf, nameSchema, programOf, REST_S, type RungDocument } from '../drill/index.ts';
import { type MachineId, type PlayerId, rowId } from '../ids.ts';
import { rotate, STATIONS, type Turn } from './rotation.ts';

/** Warm-up to what is learnt now to what counts. */
export const PLAN_ROLES = ['warm-up', 'main', 'test'] as const;

/** An outing that is planned: which ladder, who, from when, in which stations. */
export const planSchema = z.strictObject({
  name: nameSchema,
  /** Whose rungs are climbed from the bottom; of an outing the ladder its main part is from. */
  ladderId: rowId<'ladder'>(),
  /** An outing: these rungs in this order, of whatever ladders, instead of all of one. */
  rungs: z
    .array(
      z.strictObject({
        rungId: rowId<'rung'>(),
        rounds: z.int('A whole number').min(1, 'At least 1').max(20, 'At most 20'),
        role: z.enum(PLAN_ROLES).optional(),
        /** Each at the target that half of their own balls would hit, once that is known. */
        half: z.boolean().optional(),
      }),
    )
    .min(1, 'Keep at least one rung')
    .max(24, 'At most 24 rungs')
    .optional(),
  /** Local day and time of the start. */
  startsAt: z.string().regex(/^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d$/, 'A day and time such as 2026-04-18T16:30'),
  playerIds: z.array(rowId<'player'>()).min(1, 'Choose who comes').max(40, 'At most 40 players'),
  absentIds: z.array(rowId<'player'>()).max(40),
  lines: z.int('A whole number').min(1, 'At least 1').max(6, 'At most 6'),
  stations: z.array(z.enum(STATIONS).exclude(['hitting', 'on deck'])).max(3),
  /** A turn is a round of the rung, so many balls, or so many minutes. */
  rotateBy: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('balls'), balls: z.int('A whole number').min(1, 'At least 1').max(200, 'At most 200') }),
    z.strictObject({ kind: z.literal('minutes'), minutes: z.number().min(0.5, 'At least half a minute').max(60, 'At most 60') }),
  ]),
  /** Balls thrown before a planned stop. */
  capBalls: z.int('A whole number').min(5, 'At least 5').max(200, 'At most 200'),
  notes: z.string().max(500, 'At most 500 characters').default(''),
});
/** A planned outing; see `planSchema`. */
export type PlanDocument = z.infer<typeof planSchema>;

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
