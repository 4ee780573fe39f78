import {
  climbsGoals,
  comeInFor,
  type FeedId,
  type Outcome,
  type OutingId,
  type PlayerId,
  type PlayerTarget,
  type RoundId,
  type RungDocument,
  type RungId,
  retakeTurns,
  type Weather,
} from '@good-arc/core';
import type { Letter } from '../../ui/outbox.ts';
import { AS_BEGUN, hitterAt, hittersOf, isOnLines, notesIn, placesIn, type Run, type RunBall, thrownOf, turnsIn, withBall } from './run.ts';

/** A launch as the machine reports it. */
type Thrown = Pick<RunBall, 'speedMps' | 'elevationDeg' | 'bearingDeg' | 'topspinRpm' | 'sidespinRpm' | 'gyroRpm'>;

/** What happens to a round. Ids and moments are made by who tells it. */
export type RoundEvent =
  /** Found on the device. */
  | { kind: 'found'; run: Run }
  | {
      kind: 'begun';
      roundId: RoundId;
      outingId: OutingId;
      rungId: RungId;
      playerId: PlayerId;
      playerName: string;
      weather: Weather;
      startedAt: string;
      card: RungDocument;
      confirmedBy: string;
      /** Who hits in turn with the player. */
      mates?: readonly { playerId: PlayerId; playerName: string; roundId: RoundId }[];
    }
  /** The machine took a program that begins after so many balls. */
  | { kind: 'armed'; from: number }
  | { kind: 'released'; seq: number; launch: Thrown }
  | { kind: 'misfed'; seq: number; resultId: string }
  | { kind: 'read'; seq: number; radarMps: number }
  /** `said`: the outcome in the words of the sport. */
  | {
      kind: 'judged';
      seq: number;
      outcome: Outcome;
      resultId: string;
      feedId: FeedId | null;
      said: string;
      landing?: { x: number; y: number };
      /** Where it was to be hit to, where the goal was another than the card’s. */
      target?: PlayerTarget | null;
    }
  /** Another interval from here on; `said`: in words. */
  | { kind: 'paced'; intervalS: number; said: string }
  /** Other balls, or other hitters, from here on: what was changed, and in words. */
  | { kind: 'changed'; part: Partial<Pick<Run, 'dealt' | 'turns' | 'out' | 'gone' | 'goals' | 'nudged'>>; about: string; said: string }
  /** Somebody comes in for who has a place in the turns; with a round of their own, or the one they had. */
  | { kind: 'joined'; place: number; playerId: PlayerId; playerName: string; roundId: RoundId; startedAt: string; said: string }
  /** Something to look at on the film. */
  | { kind: 'marked'; atS: number; seq: number }
  /** A swing, so long after the ball was there, ms; of a ball that has one the later stands. */
  | { kind: 'swung'; seq: number; offMs: number }
  /** Somebody was ready, so long after a ball was let go, ms; of a ball that has one the later stands. */
  | { kind: 'ready'; seq: number; offMs: number }
  | { kind: 'taken-back'; byHand: boolean }
  | { kind: 'finished'; at: string; weather: Weather };

/** What a round is after an event, and what the server must hear of it. */
export interface RoundStep {
  run: Run | null;
  letters: readonly Letter[];
}

const ONLY = (run: Run | null): RoundStep => ({ run, letters: [] });

/** The last ball that somebody judged; a misfeed nobody judged. */
export const lastJudged = (run: Run | null): RunBall | undefined =>
  run?.balls.filter(({ outcome, resultId }) => outcome !== null && outcome !== 'not-fed' && resultId !== null).at(-1);

/** The first ball that was thrown and waits for its result. */
export const waitingBall = (run: Run | null): RunBall | undefined => run?.balls.find(({ fed, outcome }) => fed && outcome === null);

/** What becomes of a round: no clock, no device, no server. Events that do not fit (a ball of no round) change nothing. */
export function afterRound(run: Run | null, event: RoundEvent): RoundStep {
  if (event.kind === 'found') return ONLY(event.run);
  if (event.kind === 'begun') return run ? ONLY(run) : begun(event);
  if (!run) return ONLY(null);
  switch (event.kind) {
    case 'armed':
      return ONLY({ ...run, offset: event.from });
    case 'released':
      return ONLY({ ...run, balls: withBall(run.balls, event.seq, event.launch) });
    case 'read':
      // a gun that saw another ball than those of this round
      return ONLY(
        run.balls.some(({ seq }) => seq === event.seq)
          ? { ...run, balls: withBall(run.balls, event.seq, { radarMps: event.radarMps }) }
          : run,
      );
    case 'paced':
      return ONLY(noted({ ...run, paceS: event.intervalS }, 'pace', event.said));
    case 'changed':
      return ONLY(noted({ ...run, ...event.part }, event.about, event.said));
    case 'joined':
      return joined(run, event);
    case 'misfed': {
      const balls = withBall(run.balls, event.seq, { fed: false });
      return judged({ ...run, balls }, { seq: event.seq, outcome: 'not-fed', resultId: event.resultId, feedId: null, said: 'not fed' });
    }
    case 'judged':
      return judged(run, event);
    case 'marked':
      return ONLY({ ...run, marks: [...run.marks, { atS: event.atS, seq: event.seq }] });
    case 'swung':
      return ONLY({ ...run, swings: withTap(run.swings, event) });
    case 'ready':
      return ONLY({ ...run, readies: withTap(run.readies, event) });
    case 'taken-back':
      return takenBack(run, event.byHand);
    case 'finished':
      return {
        run: null,
        letters: hittersOf(run).map(({ roundId }) => {
          const notes = notesIn(run, roundId);
          return {
            method: 'POST',
            path: `rounds/${roundId}/finish`,
            body: { finishedAt: event.at, weather: event.weather, ...(notes && { notes }) },
            what: `Round finished: ${run.card.name}`,
          };
        }),
      };
  }
}

const withTap = (taps: Run['swings'], { seq, offMs }: Run['swings'][number]): Run['swings'] => [
  ...taps.filter((each) => each.seq !== seq),
  { seq, offMs },
];

/** With what was changed before the ball that is next; of what is changed again before it only the last is noted. */
function noted(run: Run, about: string, said: string): Run {
  const seq = thrownOf(run) + 1;
  const before = run.changes.filter((each) => each.seq !== seq || each.about !== about);
  return { ...run, changes: [...before, { seq, about, said }] };
}

/** Each of those who hit in turn has a round of their own. */
function begun({ kind: _kind, playerName, confirmedBy, mates = [], roundId, ...head }: Extract<RoundEvent, { kind: 'begun' }>): RoundStep {
  const body = { ...head, ...(confirmedBy !== '' && { confirmedBy }) };
  const all = [{ playerId: head.playerId, playerName, roundId }, ...mates];
  return {
    run: {
      ...body,
      roundId,
      others: mates.map(({ playerId, roundId: own }) => ({ playerId, roundId: own })),
      ...AS_BEGUN,
      // it begins with the easiest of its goals
      goals: climbsGoals(head.card) ? [{ seq: 1, step: 'anywhere', times: 1 }] : [],
    },
    letters: all.map((each) => ({
      method: 'PUT',
      path: `rounds/${each.roundId}`,
      body: { ...body, playerId: each.playerId },
      what: `Round begun: ${head.card.name}, ${each.playerName}`,
    })),
  };
}

/** Whoever had the place picks up from now on, and keeps the round they had. */
function joined(run: Run, { place, playerId, playerName, roundId, startedAt, said }: Extract<RoundEvent, { kind: 'joined' }>): RoundStep {
  const before = placesIn(run);
  const leaves = before[place];
  const known = hittersOf(run).findIndex((each) => each.playerId === playerId);
  const comes = known >= 0 ? known : run.others.length + 1;
  if (leaves === undefined || before.includes(comes)) return ONLY(run);
  const places = before.map((who) => (who === leaves ? comes : who));
  const gone = run.gone.filter((who) => who !== leaves && who !== comes);
  const thrown = thrownOf(run);
  // nobody had the balls of a place whose owner was out
  const turns = run.gone.includes(leaves)
    ? retakeTurns(places, turnsIn(run), thrown, gone, isOnLines(run))
    : comeInFor(turnsIn(run), thrown, leaves, comes);
  const others = known >= 0 ? run.others : [...run.others, { playerId, roundId }];
  const { outingId, rungId, weather, card, confirmedBy } = run;
  const body = { outingId, rungId, playerId, weather, startedAt, card, ...(confirmedBy && { confirmedBy }) };
  return {
    run: noted({ ...run, others, places, gone, turns }, `place ${place}`, said),
    letters: known >= 0 ? [] : [{ method: 'PUT', path: `rounds/${roundId}`, body, what: `Round begun: ${card.name}, ${playerName}` }],
  };
}

function judged(
  run: Run,
  {
    seq,
    outcome,
    resultId,
    feedId,
    said,
    landing,
    target = null,
  }: Pick<Extract<RoundEvent, { kind: 'judged' }>, 'seq' | 'outcome' | 'resultId' | 'feedId' | 'said' | 'landing' | 'target'>,
): RoundStep {
  const balls = withBall(run.balls, seq, { outcome, resultId, feedId, landXM: landing?.x ?? null, landYM: landing?.y ?? null, target });
  const { landXM, landYM, speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm, radarMps } = balls.find(
    (ball) => ball.seq === seq,
  )!;
  return {
    run: { ...run, balls },
    letters: [
      {
        method: 'PUT',
        path: `rounds/${hitterAt(run, seq).roundId}/results/${resultId}`,
        what: `Ball ${seq}: ${said} (${run.card.name})`,
        body: {
          seq,
          outcome,
          feedId,
          speedMps,
          elevationDeg,
          bearingDeg,
          topspinRpm,
          sidespinRpm,
          gyroRpm,
          radarMps,
          landXM,
          landYM,
          target,
        },
      },
    ],
  };
}

/** By hand a ball that is taken back was never thrown; a machine's was, and waits for its result again. */
function takenBack(run: Run, byHand: boolean): RoundStep {
  const last = lastJudged(run);
  if (!last) return ONLY(run);
  const balls = byHand
    ? run.balls.filter(({ seq }) => seq !== last.seq)
    : withBall(run.balls, last.seq, { outcome: null, resultId: null, feedId: null, landXM: null, landYM: null });
  return {
    run: { ...run, balls },
    letters: [
      { method: 'DELETE', path: `rounds/${hitterAt(run, last.seq).roundId}/results/${last.resultId}`, what: `Ball ${last.seq} taken back` },
    ],
  };
}
