import { OUTCOMES, type Outcome, weatherSchema } from '@good-arc/core';
import { z } from 'zod';

const ballSchema = z.object({
  seq: z.int(),
  fed: z.boolean(),
  speedMps: z.number().nullable(),
  elevationDeg: z.number().nullable(),
  bearingDeg: z.number().nullable(),
  radarMps: z.number().nullable(),
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
  confirmedBy: z.string().optional(),
  /** Balls thrown before the machine was armed last: it counts from one again each time. */
  offset: z.int().default(0),
  balls: z.array(ballSchema),
});

/** One ball of the round as the page knows it. */
export type RunBall = z.infer<typeof ballSchema>;
/** A round that is under way; kept on the device until it is finished. */
export type Run = z.infer<typeof runSchema>;

const KEY = 'good-arc-run';
const OUTING_KEY = 'good-arc-outing';

/** The round that this device was in the middle of, if it belongs to this rung. */
export function savedRun(rungId: string): Run | null {
  try {
    const parsed = runSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return parsed.success && parsed.data.rungId === rungId ? parsed.data : null;
  } catch {
    return null;
  }
}

export const saveRun = (run: Run | null): void => {
  if (run) localStorage.setItem(KEY, JSON.stringify(run));
  else localStorage.removeItem(KEY);
};

/** Rounds of one day on one device belong to one outing. @param make an id for a new one */
export function outingOfToday(today: string, make: () => string): string {
  const [day, id] = (localStorage.getItem(OUTING_KEY) ?? '').split(' ');
  if (day === today && id) return id;
  const made = make();
  localStorage.setItem(OUTING_KEY, `${today} ${made}`);
  return made;
}

export const newBall = (seq: number, part: Partial<RunBall> = {}): RunBall => ({
  seq,
  fed: true,
  speedMps: null,
  elevationDeg: null,
  bearingDeg: null,
  radarMps: null,
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

export const outcomesOf = (balls: readonly RunBall[]): Outcome[] => balls.flatMap(({ outcome }) => (outcome ? [outcome] : []));

/** Number of the last ball that left; 0 before the first. */
export const thrownOf = (run: Run | null): number => (run ? Math.max(0, ...run.balls.map(({ seq }) => seq)) : 0);
