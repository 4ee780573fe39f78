import {
  type FeedId,
  type Goal,
  type GoalStep,
  isCardGoal,
  matchPointsOf,
  type Outcome,
  type PlayerId,
  type PlayerTarget,
  programOf,
  type RoundId,
  type RungId,
  scoreRound,
  tapTiming,
  turnsOf,
} from '@good-arc/core';
import { type Kept, kept } from '../../device/kept.ts';
import { device } from '../../device/store.ts';
import { notesOf, readyWord, sayChanges, saySwings, sayTaps } from '../../words/marks.ts';
import { saySecret } from '../../words/secret.ts';

/** Of a round that has just begun: nothing thrown, nothing changed. */
export const AS_BEGUN = {
  paceS: null,
  dealt: null,
  turns: null,
  places: null,
  out: [] as number[],
  gone: [] as number[],
  goals: [] as { seq: number; step: GoalStep; times: number }[],
  nudged: null,
  changes: [] as { seq: number; about: string; said: string }[],
  offset: 0,
  balls: [] as RunBall[],
  swings: [] as { seq: number; offMs: number }[],
  readies: [] as { seq: number; offMs: number }[],
  marks: [] as { atS: number; seq: number }[],
};

/** One ball of the round as the page knows it. */
export type RunBall = Run['balls'][number];
/** A round that is under way; kept on the device until it is finished. */
export type Run = Kept<'run'>;

/** A round for each rung: one that was begun on another rung is left as it is. */
const KEY = 'round:';
const OUTING_KEY = 'outing';
/** As many characters as a round keeps. */
const LONGEST_NOTES = 1000;

/** All rounds this device is in the middle of, the newest first. */
export async function openRuns(): Promise<Run[]> {
  await device().ready;
  const runs = await Promise.all(
    device()
      .keys(KEY)
      .map((key) => kept('run', key)),
  );
  return runs.filter((run) => run !== null).sort((a, b) => b.startedAt.localeCompare(a.startedAt));
}

/** The round that this device was in the middle of on this rung. */
export const savedRun = (rungId: RungId): Promise<Run | null> => kept('run', KEY + rungId);

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
  target: null,
  outcome: null,
  resultId: null,
  feedId: null,
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

/** What is thrown in a round, ball by ball, as it stands. */
export const programIn = (run: Pick<Run, 'card' | 'nudged' | 'dealt'>): ReturnType<typeof programOf> =>
  programOf(run.nudged ?? run.card, run.dealt ?? undefined);

/** What is asked of a ball; null where that is what the card asks. */
export function goalIn({ goals, card }: Pick<Run, 'goals' | 'card'>, seq: number): Goal | null {
  const goal = goals.findLast((each) => each.seq <= seq);
  return !goal || isCardGoal(card, goal) ? null : goal;
}

/** Who hits each ball of a round, from 0. */
export const turnsIn = (run: Pick<Run, 'card' | 'turns'>): readonly number[] => run.turns ?? turnsOf(run.card);

/** Who has each place in the turns, from 0. */
export const placesIn = ({ card, places }: Pick<Run, 'card' | 'places'>): readonly number[] =>
  places ?? Array.from({ length: card.hitters ?? 1 }, (_, i) => i);

/** Whether each who hits stands on a line of their own. */
export const isOnLines = ({ card }: Pick<Run, 'card'>): boolean => card.sweep?.kind === 'two-line';

/** Whose a ball is. */
export function hitterAt(
  run: Pick<Run, 'playerId' | 'roundId' | 'others' | 'card' | 'turns'>,
  seq: number,
): { playerId: PlayerId; roundId: RoundId } {
  const hitters = hittersOf(run);
  return hitters[turnsIn(run)[seq - 1] ?? 0] ?? hitters[0]!;
}

/** What is done as a ball of this round is let go. */
export const readyIn = ({ card }: Pick<Run, 'card'>): string => readyWord(card.feeds.some(({ stroke }) => stroke === 'swing'));

/** What is kept in words of a round of one of those who hit: what became of speeds in secret, what was changed meanwhile, and what to look at on the film. */
export function notesIn(run: Run, roundId: RoundId): string {
  const marks = marksOf(run, roundId);
  const offs = (taps: Run['swings']): number[] =>
    taps.filter(({ seq }) => hitterAt(run, seq).roundId === roundId).map(({ offMs }) => offMs);
  const own = resultsOf(run.balls.filter(({ seq }) => hitterAt(run, seq).roundId === roundId));
  return [
    saySecret(run.card, own),
    sayChanges(run.changes),
    sayTaps(readyIn(run), tapTiming(offs(run.readies))),
    saySwings(tapTiming(offs(run.swings))),
    notesOf(marks),
  ]
    .filter(Boolean)
    .join(' ')
    .slice(0, LONGEST_NOTES);
}

/** Moments that belong to one of those who hit. */
export const marksOf = (run: Run, roundId: RoundId): Run['marks'] => run.marks.filter(({ seq }) => hitterAt(run, seq).roundId === roundId);

/** What was judged of them, by number. */
export const resultsOf = (
  balls: readonly RunBall[],
): { seq: number; outcome: Outcome; feedId: FeedId | null; target: PlayerTarget | null }[] =>
  balls.flatMap(({ seq, outcome, feedId, target }) => (outcome ? [{ seq, outcome, feedId, target }] : []));

/** Number of the last ball that left; 0 before the first. */
export const thrownOf = (run: Run | null): number => (run ? Math.max(0, ...run.balls.map(({ seq }) => seq)) : 0);

/** Balls of a round that are match points, by number. */
export const matchPointsIn = (run: Pick<Run, 'card' | 'dealt'>): number[] => matchPointsOf(run.card, run.dealt ?? undefined);

/** Match points that were judged, and won. */
export function matchPointsWon(
  run: Pick<Run, 'card' | 'dealt'>,
  results: Parameters<typeof scoreRound>[1],
): { hits: number; balls: number } | null {
  const points = matchPointsIn(run);
  if (points.length === 0) return null;
  const { hits, balls } = scoreRound(
    run.card,
    results.filter(({ seq }) => points.includes(seq)),
  );
  return { hits, balls };
}
