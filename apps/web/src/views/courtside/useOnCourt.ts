import {
  type Approach,
  type Checklist,
  hazardsInSight,
  judgeRung,
  needsName,
  type Outcome,
  type PlayerId,
  type RoundId,
  type RungId,
  type Sport,
  sameCard,
  scoreRound,
  type Weather,
} from '@good-arc/core';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import type { GameBallRow, MachineRow, PlayerRow, RungRow, Swings, Viewer } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { askedBesides } from '../../device/drawn.ts';
import { device } from '../../device/store.ts';
import { ApiError, messageOf } from '../../ui/api.ts';
import { ageOf } from '../../ui/around.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { useKeys } from '../../ui/useKeys.ts';
import type { FinishedRound } from './Finished.tsx';
import { type MainAction, mainAction } from './mainAction.ts';
import { padsFor } from './Pads.tsx';
import { lastJudged, waitingBall } from './round.ts';
import { outingOfToday, resultsOf, thrownOf } from './run.ts';
import { useCrew } from './useCrew.ts';
import { useRound } from './useRound.ts';
import { type Counted, type Past, verdictAfter } from './verdict.ts';

/** What a page for the court is given. */
export interface CourtsideProps {
  viewer: Viewer;
  rung: RungRow;
  number: number;
  ladder: { id: string; name: string; sport: Sport; approach: Approach };
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
  machine: MachineRow;
  /** Of a rung for two. */
  second: MachineRow | null;
  courtName: string;
  players: PlayerRow[];
  /** Who hits: named by where one came from, else who hit last on this court; null when nobody has. */
  playerId: PlayerId | null;
  gameBalls: GameBallRow[];
  /** Rounds on this rung, newest first. */
  history: Past[];
  /** Of every player on every rung, as the server knew them. */
  swingsToday: readonly Swings[];
  /** In a hall: nothing blows. */
  indoors: boolean;
  checks: Checklist;
}

/** Swings of a player today on other rungs: those on this one are in its own plan. */
const elsewhereToday = (all: readonly Swings[], playerId: PlayerId, rungId: RungId): number =>
  all.filter((each) => each.playerId === playerId && each.rungId !== rungId).reduce((sum, { swings }) => sum + swings, 0);

/** Who hits, the round on this device and the machine, together: what may be done now, and what it does. */
export function useOnCourt({
  rung,
  ladder,
  machine,
  second,
  players,
  playerId: named,
  gameBalls,
  history,
  swingsToday,
  indoors,
}: CourtsideProps) {
  const [playerId, setPlayerId] = useState<PlayerId>(named ?? '');
  const [weather, setWeather] = useState<Weather>(rung.document.weather);
  /** Rounds of this visit, newest first. */
  const [done, setDone] = useState<Counted[]>([]);
  const [finished, setFinished] = useState<FinishedRound | null>(null);
  const [confirmed, setConfirmed] = useState('');
  /** The round that this device armed the machine for last: what is on hold of it is nobody else’s. */
  const [armedFor, setArmedFor] = useState('');
  // also of a round before this page
  useEffect(
    () => void device().ready.then(() => setArmedFor((now) => now || (device().getItem(`armed:${machine.id}`) ?? ''))),
    [machine.id],
  );
  // a page kept on the device was drawn for whoever hit then
  useEffect(() => {
    const asked = askedBesides()?.get('player');
    if (asked && players.some(({ id }) => id === asked)) setPlayerId(asked);
  }, [players]);
  const { run, current, tell, isReady } = useRound(rung.id, (kept) => {
    setPlayerId(kept.playerId);
    setWeather(kept.weather);
  });
  // a round goes on with the rung it began with
  const document = run?.card ?? rung.document;
  const player = players.find(({ id }) => id === playerId);
  const playerLevel = player?.level;
  const judged = useMemo(
    () =>
      judgeRung(document, {
        sport: ladder.sport,
        machine: machine.profile,
        gameBall: gameBallFinder(gameBalls),
        ...(playerLevel && { playerLevel }),
      }),
    [document, ladder.sport, machine, gameBalls, playerLevel],
  );
  const swingsBefore = elsewhereToday(swingsToday, playerId, rung.id);
  const ageYears = ageOf(player);
  const handFed = machine.profile.hopper === 1;
  const inSight = useMemo(
    () => hazardsInSight(document, ladder.sport, judged, { ageYears, swingsBefore, indoors, handFed }),
    [document, ladder.sport, judged, ageYears, swingsBefore, indoors, handFed],
  );
  const confirmedBy = run?.confirmedBy ?? confirmed;
  const asksName = needsName(document, judged);
  const blocked = asksName && confirmedBy === '';

  const crew = useCrew(machine, second, document, () => current.current?.offset ?? 0, {
    release: (seq, { launch }) => {
      const { speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm } = launch;
      tell({ kind: 'released', seq, launch: { speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm } });
      // a spare ball is only hit away: it asks for no judgement
      if (crew.feedOf(seq)?.counts === false) judge('let-go', seq);
    },
    misfeed: (seq) => tell({ kind: 'misfed', seq, resultId: uuidv7() }),
    reading: (seq, radarMps) => tell({ kind: 'read', seq, radarMps }),
  });
  const { hasLine, view, state } = crew;
  const pads = padsFor(ladder.approach);

  async function give(body: CourtsideCommand): Promise<boolean> {
    try {
      const reply = await crew.tell(body, thrownOf(current.current));
      if (!reply.ok) toast.error(reply.text ?? 'The machine did not take that.');
      return reply.ok;
    } catch (error) {
      const load = error instanceof ApiError && error.isChangedSince;
      toast.error(messageOf(error), load ? { duration: 60_000, action: { label: 'Load it', onClick: () => location.reload() } } : {});
      return false;
    }
  }

  /** The round begins when the machine is armed for it (or by hand). */
  function begin(roundId: RoundId): void {
    if (current.current || playerId === '') return;
    const startedAt = new Date().toISOString();
    tell({
      kind: 'begun',
      roundId,
      outingId: outingOfToday(startedAt.slice(0, 10), uuidv7),
      rungId: rung.id,
      playerId,
      playerName: player?.name ?? '',
      weather,
      startedAt,
      card: document,
      confirmedBy: asksName ? confirmedBy : '',
    });
    setFinished(null);
  }

  async function arm(): Promise<void> {
    const before = thrownOf(current.current);
    // the round is named before it begins: it begins when the machine has taken it
    const roundId = current.current?.roundId ?? uuidv7();
    setArmedFor(roundId);
    device().setItem(`armed:${machine.id}`, roundId);
    if (!(await give({ do: 'arm', rungId: rung.id, from: before, roundId, document, playerId, ...(confirmedBy && { confirmedBy }) })))
      return;
    begin(roundId);
    tell({ kind: 'armed', from: before });
  }

  const pending = waitingBall(run);
  const nextByHand = (run?.balls.length ?? 0) + 1;
  const canJudge = run !== null && (pending !== undefined || (!hasLine && nextByHand <= document.ballsPerRound));

  function judge(outcome: Outcome, ball?: number): void {
    const seq = ball ?? (hasLine ? waitingBall(current.current)?.seq : nextByHand);
    if (seq === undefined) return;
    tell({ kind: 'judged', seq, outcome, resultId: uuidv7(), feedId: crew.feedOf(seq)?.id ?? null });
  }

  const undoLast = (): void => tell({ kind: 'taken-back', byHand: !hasLine });

  async function finish(): Promise<void> {
    const now = current.current;
    if (!now) return;
    if (hasLine && (state === 'feeding' || state === 'arming')) await give({ do: 'hold' });
    tell({ kind: 'finished', at: new Date().toISOString(), weather });
    const count = scoreRound(document, resultsOf(now.balls));
    const round = { playerId: now.playerId, id: now.roundId, count };
    const step = verdictAfter(document, ladder.approach, round, done, sameCard(document, rung.document) ? history : null);
    setDone([{ ...count, playerId: now.playerId }, ...done]);
    setFinished({ roundId: now.roundId, playerId: now.playerId, ...count, step });
  }

  // a round that somebody else armed: whose it is is said, and nobody goes on with it unawares
  const inIt = ['arming', 'feeding', 'held'].includes(state) ? (view.status?.program ?? null) : null;
  const others = inIt && inIt.id !== run?.roundId && inIt.id !== armedFor ? inIt : null;
  const isArmed = ['ready', 'feeding', 'held'].includes(state);
  const thrown = thrownOf(run);
  const allThrown = run !== null && thrown >= document.ballsPerRound && state !== 'feeding';
  const byState = mainAction(
    // two machines that were held begin again from the ball that is next, so that their order stays
    second && state === 'held' ? 'idle' : state,
    {
      arm,
      feed: () => give({ do: 'feed' }),
      resume: () => give({ do: 'resume', program: run?.roundId ?? '' }),
      clear: () => give({ do: 'clear' }),
      begin: () => begin(uuidv7()),
    },
    run !== null,
    others !== null,
    { own: crew.ownLeft, all: document.ballsPerRound - (run?.offset ?? 0) },
    view,
  );
  const guarded: MainAction | null = byState?.key === 'a' && (blocked || playerId === '' || !isReady) ? { ...byState, off: true } : byState;
  const main: MainAction | null = allThrown ? { name: 'Finish round', key: 'f', act: finish, off: pending !== undefined } : guarded;

  const isMain = (key: string) => (main?.key === key && !main.off ? main.act : undefined);
  useKeys({
    h: () => give({ do: 'hold' }),
    s: () => give({ do: 'stow' }),
    u: undoLast,
    // what sets a machine going is never one letter away
    'Shift+A': isMain('a'),
    'Shift+F': isMain('f'),
    'Shift+R': isMain('r'),
    ...Object.fromEntries(pads.map(({ key, outcome }) => [key, canJudge ? () => judge(outcome) : undefined])),
  });

  return {
    document,
    judged,
    inSight,
    run,
    balls: run?.balls ?? [],
    thrown,
    finished,
    player,
    playerId,
    setPlayerId,
    weather,
    setWeather,
    confirm: setConfirmed,
    /** Who confirmed a hard ball that asks for a name; empty when none is asked for or nobody did. */
    confirmedBy: asksName ? confirmedBy : '',
    blocked,
    crew,
    isArmed,
    state,
    /** The program in the machine, where it is not of this page’s round. */
    others,
    give,
    pads,
    pending,
    canJudge,
    judge,
    main,
    undoLast,
    canUndo: lastJudged(run) !== undefined,
    finish,
  };
}
