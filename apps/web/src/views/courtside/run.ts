import { hitterOf, OUTCOMES, type Outcome, type PlayerId, type RoundId, type RungId, rungSchema, weatherSchema } from '@good-arc/core';
import { z } from 'zod';
import { keptAs } from '../../device/kept.ts';
import { device } from '../../device/store.ts';

const ballSchema = z.object({
  seq: z.int(),
  fed: z.boolean(),
  speedMps: z.number().nullable(),
  elevationDeg: z.number().nullable(),
  bearingDeg: z.number().nullable(),
  topspinRpm: z.number().nullable(),
  sidespinRpm: z.number().nullable(),
  gyroRpm: z.number().nullable(),
  radarMps: z.number().nullable(),
  landXM: z.number().nullable().default(null),
  landYM: z.number().nullable().default(null),
  outcome: z.enum(OUTCOMES).nullable(),
  resultId: z.string().nullable(),
});

const runSchema = z.object({
  roundId: z.string(),
  outingId: z.string(),
  rungId: z.string(),
  playerId: z.string(),
  weather: weatherSchema,
  startedAt: z.string(),
  /** The rung as it was when the round began: that is what is thrown, and what the round keeps. */
  card: rungSchema,
  confirmedBy: z.string().optional(),
  /** Who hits in turn with the player, each with a round of their own. */
  others: z.array(z.object({ playerId: z.string(), roundId: z.string() })).default([]),
  /** The interval since it was changed in the round, s; null while it is the card’s. */
  paceS: z.number().nullable().default(null),
  /** Balls thrown before the machine was armed last: it counts from one again each time. */
  offset: z.int().default(0),
  balls: z.array(ballSchema),
  /** Moments to look at on the film. */
  marks: z.array(z.object({ atS: z.int(), seq: z.int() })).default([]),
});

/** One ball of the round as the page knows it. */
export type RunBall = z.infer<typeof ballSchema>;
/** A round that is under way; kept on the device until it is finished. */
export type Run = z.infer<typeof runSchema>;

/** A round for each rung: one that was begun on another rung is left as it is. */
const KEY = 'round:';
const OUTING_KEY = 'outing';

const readAt = (key: string): Run | null => keptAs(runSchema, key);

/** All rounds this device is in the middle of, the newest first; complete once the device is ready. */
export function openRuns(): Run[] {
  return device()
    .keys(KEY)
    .flatMap((key) => readAt(key) ?? [])
    .sort((a, b) => b.startedAt.localeCompare(a.startedAt));
}

/** The round that this device was in the middle of on this rung. */
export const savedRun = (rungId: RungId): Run | null => openRuns().find((run) => run.rungId === rungId) ?? null;

export function saveRun(rungId: RungId, run: Run | null): void {
  if (run) device().setItem(KEY + rungId, JSON.stringify(run));
  else device().removeItem(KEY + rungId);
}

/** Rounds of one day on one device belong to one outing. @param make an id for a new one */
export function outingOfToday(today: string, make: () => string): string {
  const [day, id] = (device().getItem(OUTING_KEY) ?? '').split(' ');
  if (day === today && id) return id;
  const made = make();
  device().setItem(OUTING_KEY, `${today} ${made}`);
  return made;
}

export const newBall = (seq: number, part: Partial<RunBall> = {}): RunBall => ({
  seq,
  fed: true,
  speedMps: null,
  elevationDeg: null,
  bearingDeg: null,
  topspinRpm: null,
  sidespinRpm: null,
  gyroRpm: null,
  radarMps: null,
  landXM: null,
  landYM: null,
  outcome: null,
  resultId: null,
  ...part,
});

/** Adds or changes a ball by its number, keeping the order. */
export function withBall(balls: readonly RunBall[], seq: number, part: Partial<RunBall>): RunBall[] {
  const known = balls.some((ball) => ball.seq === seq);
  if (known) return balls.map((ball) => (ball.seq === seq ? { ...ball, ...part } : ball));
  return [...balls, newBall(seq, part)].sort((a, b) => a.seq - b.seq);
}

/** Who hits, in the order of their turns, each with their round. */
export const hittersOf = ({
  playerId,
  roundId,
  others,
}: Pick<Run, 'playerId' | 'roundId' | 'others'>): { playerId: PlayerId; roundId: RoundId }[] => [{ playerId, roundId }, ...others];

/** Whose a ball is. */
export function hitterAt(
  run: Pick<Run, 'playerId' | 'roundId' | 'others' | 'card'>,
  seq: number,
): { playerId: PlayerId; roundId: RoundId } {
  const hitters = hittersOf(run);
  return hitters[hitterOf(run.card, seq)] ?? hitters[0]!;
}

/** Moments that belong to one of those who hit. */
export const marksOf = (run: Run, roundId: RoundId): Run['marks'] => run.marks.filter(({ seq }) => hitterAt(run, seq).roundId === roundId);

/** What was judged of them, by number. */
export const resultsOf = (balls: readonly RunBall[]): { seq: number; outcome: Outcome }[] =>
  balls.flatMap(({ seq, outcome }) => (outcome ? [{ seq, outcome }] : []));

/** Number of the last ball that left; 0 before the first. */
export const thrownOf = (run: Run | null): number => (run ? Math.max(0, ...run.balls.map(({ seq }) => seq)) : 0);
