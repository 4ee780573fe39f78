import {
  type Approach,
  type Checklist,
  isForLearning,
  needsName,
  type PlayerId,
  printTime,
  programOf,
  type RoundId,
  type RungDocument,
  type Sport,
  sameCard,
  turnsOf,
  wholly,
} from '@good-arc/core';
import { useEffect, useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { BroughtVerdict, GameBallRow, MachineRow, NextTurn, PlayerRow, RungRow, Swings, Viewer } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { device } from '../../device/store.ts';
import { ApiError, messageOf } from '../../ui/api.ts';
import { toast } from '../../ui/toast.ts';
import { useUnits } from '../../ui/Units.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { outcomeNames } from '../../words/outcomes.ts';
import { sayTrimmed } from '../../words/trims.ts';
import type { Changing } from './changes.ts';
import type { FinishedRound } from './Finished.tsx';
import { inMachine } from './inMachine.ts';
import { judgedFor } from './judged.ts';
import { type MainAction, mainAction } from './mainAction.ts';
import { padsFor } from './Pads.tsx';
import { hittersOf, outingOfToday, thrownOf, turnsIn } from './run.ts';
import { useAhead } from './useAhead.ts';
import { useBeat } from './useBeat.ts';
import { useCrew } from './useCrew.ts';
import { useJudging } from './useJudging.ts';
import { useRound } from './useRound.ts';
import { useStock } from './useStock.ts';
import { useTaps } from './useTaps.ts';
import { useWalk } from './useWalk.ts';
import { useWho } from './useWho.ts';
import { type Counted, finishedRounds, type Past } from './verdict.ts';

/** What a page for the court is given. */
export interface CourtsideProps {
  viewer: Viewer;
  rung: RungRow;
  number: number;
  ladder: { id: string; name: string; sport: Sport; approach: Approach };
  /** The rung above, if there is one. */
  next: { id: string; name: string } | null;
  /** The rung below, as it is set up. */
  below: RungDocument | null;
  machine: MachineRow;
  /** Of a rung for two. */
  second: MachineRow | null;
  courtName: string;
  /** Painted marks of the court, m from the plate. */
  marksM: readonly number[];
  /** Clear height over the court, m; null without one. */
  ceilingM: number | null;
  players: PlayerRow[];
  /** Who hits: named by where one came from, else who hit last on this court; null when nobody has. */
  playerId: PlayerId | null;
  /** Who hits in turn with them, as the address names them. */
  mates: readonly PlayerId[];
  /** At the target that half of the player’s own balls would hit, where it is known. */
  half: boolean;
  /** The next turn of a plan of today that this rung’s ladder belongs to. */
  nextTurn: NextTurn | null;
  gameBalls: GameBallRow[];
  /** Rounds on this rung, newest first. */
  history: Past[];
  /** Of every player on every rung, as the server knew them. */
  swingsToday: readonly Swings[];
  /** In a hall: nothing blows. */
  indoors: boolean;
  checks: Checklist;
  /** On the rung, for those who are named; null where it is to be given here. */
  verdict: BroughtVerdict | null;
}

/** Where somebody is missing among those who hit. */
function goToHitters(): void {
  const fields = [...window.document.querySelectorAll<HTMLSelectElement>('[data-hitters] select')];
  (fields.find(({ value }) => value === '') ?? fields.at(-1))?.focus();
}

/** Who hits, the round on this device and the machine, together: what may be done now, and what it does. */
export function useOnCourt({
  rung,
  ladder,
  machine,
  second,
  players,
  playerId: named,
  mates: namedMates,
  gameBalls,
  history,
  swingsToday,
  indoors,
  ceilingM,
  half: wantsHalf,
}: CourtsideProps) {
  const units = useUnits();
  const { playerId, setPlayerId, mates, setMates } = useWho(players, named, namedMates);
  /** Rounds of this visit, newest first. */
  const [done, setDone] = useState<Counted[]>([]);
  /** A machine on a line, worked by hand while its line is away. */
  const [byHand, setByHand] = useState(false);
  const hasLine = machine.linkAddress !== '' && !byHand;
  const [finished, setFinished] = useState<readonly FinishedRound[]>([]);
  const ahead = useAhead({
    rung,
    sport: ladder.sport,
    machine,
    second,
    ceilingM,
    hasLine,
    playerId,
    wantsHalf,
    after: finished[0]?.roundId ?? '',
  });
  const { today, trim } = ahead;
  const { weather } = today;
  const [confirmed, setConfirmed] = useState('');
  /** The round that this device armed the machine for last: what is on hold of it is nobody else’s. */
  const [armedFor, setArmedFor] = useState('');
  // also of a round before this page
  useEffect(
    () => void device().ready.then(() => setArmedFor((now) => now || (device().getItem(`armed:${machine.id}`) ?? ''))),
    [machine.id],
  );
  const { run, current, tell, isReady } = useRound(rung.id, (kept) => {
    setPlayerId(kept.playerId);
    setMates(kept.others.map((other) => other.playerId));
    today.found(kept.weather);
  });
  // a round goes on with the rung it began with, nudged at most
  const document = run?.nudged ?? run?.card ?? ahead.asThrown;
  const program = useMemo(() => programOf(document, run?.dealt ?? undefined), [document, run?.dealt]);
  const turns = run ? turnsIn(run) : turnsOf(document);
  const player = players.find(({ id }) => id === playerId);
  const hitters = document.hitters ?? 1;
  // who came in for another hits, too
  const who = run ? hittersOf(run).map((each) => each.playerId) : [playerId, ...mates].slice(0, hitters);
  const hitting = players.filter(({ id }) => who.includes(id));
  const { weakest, judged, inSight } = judgedFor(document, {
    rungId: rung.id,
    sport: ladder.sport,
    machine,
    gameBalls,
    hitting,
    swingsToday,
    indoors,
    weather,
  });
  const confirmedBy = run?.confirmedBy ?? confirmed;
  const asksName = needsName(document, judged);
  const blocked = asksName && confirmedBy === '';

  const crew = useCrew(machine, second, hasLine, document, program, () => current.current?.offset ?? 0, {
    release: (seq, { launch }) => {
      if (!current.current) return;
      taps.released(seq);
      const { speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm } = launch;
      tell({ kind: 'released', seq, launch: { speedMps, elevationDeg, bearingDeg, topspinRpm, sidespinRpm, gyroRpm } });
      // a spare ball is only hit away: it asks for no judgement
      if (crew.feedOf(seq)?.counts === false) judge('let-go', seq);
    },
    misfeed: (seq) => tell({ kind: 'misfed', seq, resultId: uuidv7() }),
    reading: (seq, radarMps) => tell({ kind: 'read', seq, radarMps }),
  });
  const { view, state } = crew;
  const isArmed = ['ready', 'feeding', 'held'].includes(state);
  const pads = padsFor(ladder.approach, ladder.sport, document);
  const names = outcomeNames(ladder.sport, document);
  const isCrowded = new Set(who).size < hitters || who.includes('');
  const nameOf = (id: PlayerId): string => players.find((each) => each.id === id)?.name ?? 'somebody';
  const everyS = run?.paceS ?? document.intervalS;
  const beat = useBeat(!hasLine);

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
    if (current.current || isCrowded) return;
    const startedAt = new Date().toISOString();
    const { card } = ahead;
    tell({
      kind: 'begun',
      roundId,
      outingId: outingOfToday(startedAt.slice(0, 10), uuidv7),
      rungId: rung.id,
      playerId,
      playerName: player?.name ?? '',
      weather,
      startedAt,
      card,
      confirmedBy: asksName ? confirmedBy : '',
      mates: who.slice(1).map((id) => ({ playerId: id, playerName: nameOf(id), roundId: uuidv7() })),
    });
    const turned = sayTrimmed(trim, machine.dials);
    const part = document === card ? {} : { nudged: document };
    if (turned) tell({ kind: 'changed', part, about: 'trim', said: `trimmed: ${turned}` });
    setFinished([]);
  }

  async function arm(): Promise<void> {
    const before = thrownOf(current.current);
    // the round is named before it begins: it begins when the machine has taken it
    const roundId = current.current?.roundId ?? uuidv7();
    setArmedFor(roundId);
    device().setItem(`armed:${machine.id}`, roundId);
    if (
      !(await give({
        do: 'arm',
        rungId: rung.id,
        from: before,
        roundId,
        document,
        ...(current.current?.dealt && { dealt: current.current.dealt }),
        intervalS: everyS,
        playerId: weakest?.id ?? playerId,
        ...(confirmedBy && { confirmedBy }),
      }))
    )
      return;
    begin(roundId);
    tell({ kind: 'armed', from: before });
  }

  /** Another interval from the next ball on: what the machine does not take is not shown either. */
  async function pace(intervalS: number): Promise<void> {
    if (!current.current) return;
    if (hasLine && isArmed && !(await give({ do: 'pace', program: current.current.roundId, intervalS }))) return;
    tell({ kind: 'paced', intervalS, said: `every ${printTime(intervalS, 1)}` });
  }

  const taps = useTaps({
    beat: hasLine ? null : beat.beat,
    nextByHand: thrownOf(run) + 1,
    flightOf: (seq) => wholly(judged)?.balls.find(({ feed }) => feed === program[seq - 1]?.index)?.flightS ?? null,
    dueAt: () => (view.dueAt === null ? null : { seq: thrownOf(current.current) + 1, at: view.dueAt }),
    onSwing: (seq, offMs) => tell({ kind: 'swung', seq, offMs: Math.round(offMs) }),
    onReady: (seq, offMs) => tell({ kind: 'ready', seq, offMs: Math.round(offMs) }),
  });
  const changing: Changing = {
    ...{ current, tell, document, machine, state, everyS, confirmedBy, give, nameOf },
    where: { sport: ladder.sport, machine, ceilingM },
    hasLine,
    hasTwoLines: crew.hasTwoLines,
    rungId: rung.id,
    dueAt: () => view.dueAt,
    length: units.length,
  };

  const judging = useJudging({
    ...{ current, tell, run, document, hasLine, names },
    sport: ladder.sport,
    feedOf: (seq) => crew.feedOf(seq),
  });
  const { pending, canJudge, judge, undoLast } = judging;

  async function finish(): Promise<void> {
    const now = current.current;
    if (!now) return;
    if (hasLine && (state === 'feeding' || state === 'arming')) await give({ do: 'hold' });
    tell({ kind: 'finished', at: new Date().toISOString(), weather });
    const before = { visit: done, history: sameCard(document, rung.document) ? history : null };
    const theirs = finishedRounds(now, document, ladder.approach, before, nameOf);
    stock.roundOver();
    if (!isForLearning(document)) setDone([...theirs, ...done]);
    setFinished(theirs);
  }

  const { others: inIt, isAnotherBall } = inMachine({
    run,
    program,
    armedFor,
    state,
    status: view.status,
    isComparable: !crew.hasTwoLines && isArmed,
  });
  // its first balls by themselves are this page’s own
  const others = trim.isTrying ? null : inIt;
  const walk = useWalk(document, state === 'ready', () => give({ do: 'feed' }));
  const thrown = thrownOf(run);
  const stock = useStock(
    document.courtId,
    machine,
    thrown,
    hasLine ? view.status : undefined,
    () => hasLine && void give({ do: 'refill' }),
  );
  const allThrown = run !== null && thrown >= document.ballsPerRound && state !== 'feeding';
  const byState = mainAction(
    // two machines that were held begin again from the ball that is next, so that their order stays
    second && state === 'held' ? 'idle' : state,
    {
      arm,
      feed: () => (walk.wanted ? walk.start() : give({ do: 'feed' })),
      resume: () => give({ do: 'resume', program: run?.roundId ?? '' }),
      clear: () => give({ do: 'clear' }),
      begin: () => begin(uuidv7()),
    },
    run !== null,
    others !== null,
    { own: crew.ownLeft, all: document.ballsPerRound - (run?.offset ?? 0) },
    view,
  );
  const startsOne = byState?.key === 'a';
  const guarded: MainAction | null =
    startsOne && isCrowded && !run
      ? { name: 'Choose who hits', act: goToHitters }
      : startsOne && (blocked || !isReady)
        ? { ...byState, off: true }
        : byState;
  const walking: MainAction | null = walk.leftS !== null ? { name: `First ball in ${walk.leftS} s: stop`, act: walk.cancel } : null;
  const main: MainAction | null =
    walking ?? (allThrown ? { name: 'Finish round', key: 'f', act: finish, off: pending !== undefined } : guarded);

  const isMain = (key: string) => (main?.key === key && !main.off ? main.act : undefined);
  const hold = (): Promise<boolean> => {
    walk.cancel();
    return give({ do: 'hold' });
  };
  const stow = (): Promise<boolean> => {
    walk.cancel();
    return give({ do: 'stow' });
  };

  useKeys({
    h: hold,
    s: stow,
    b: hasLine ? undefined : beat.tap,
    g: run ? taps.ready : undefined,
    t: run ? taps.swing : undefined,
    n: canJudge ? () => judge('not-judged') : undefined,
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
    mates,
    setMates,
    hitters,
    /** Somebody is missing among those who hit, or named twice. */
    isCrowded,
    names: who.map(nameOf),
    /** Whose a ball is, where several hit in turn. */
    whose: (seq: number): string => (hitters > 1 ? nameOf(who[turns[seq - 1] ?? 0] ?? '') : ''),
    isAnotherBall,
    everyS,
    /** From a ball of the round to the next. */
    secondsAfter: (ball: number): number => {
      const asked = crew.secondsAfter(ball);
      return asked === document.intervalS ? everyS : asked;
    },
    pace,
    /** What the round may be changed by, for `changesOn`. */
    changing,
    program,
    turns,
    beat,
    walk,
    stock,
    hold,
    stow,
    ahead,
    confirm: setConfirmed,
    /** Who confirmed a hard ball that asks for a name; empty when none is asked for or nobody did. */
    confirmedBy: asksName ? confirmedBy : '',
    blocked,
    crew,
    hasLine,
    byHand,
    setByHand,
    isArmed,
    state,
    /** The program in the machine, where it is not of this page’s round. */
    others,
    give,
    pads,
    ...judging,
    taps,
    main,
    finish,
  };
}

export type OnCourt = ReturnType<typeof useOnCourt>;
