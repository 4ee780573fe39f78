import {
  type Approach,
  type Checklist,
  judgeRung,
  needsName,
  type Outcome,
  type Sport,
  sameCard,
  scoreRound,
  timeHazards,
  type Weather,
  wholly,
} from '@good-arc/core';
import { Volume2, VolumeX } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import type { GameBallRow, MachineRow, PlayerRow, RungRow, Viewer } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { ApiError, messageOf } from '../../ui/api.ts';
import { ConfirmByName } from '../../ui/ConfirmByName.tsx';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { HazardList } from '../../ui/HazardList.tsx';
import { trimLink } from '../../ui/links.ts';
import { outbox } from '../../ui/outbox.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { sayHazard } from '../../words/hazards.ts';
import { OUTCOME_NAMES } from '../../words/progress.ts';
import { Checks } from './Checks.tsx';
import { sayNext } from './cue.ts';
import { Finished, type FinishedRound } from './Finished.tsx';
import { Lane } from './Lane.tsx';
import { type MainAction, mainAction } from './mainAction.ts';
import { Notices, StatusLine } from './Notices.tsx';
import { Pads, padsFor } from './Pads.tsx';
import { RoundFields } from './RoundFields.tsx';
import { RoundNotices } from './RoundNotices.tsx';
import { RungHead } from './RungHead.tsx';
import { outingOfToday, type Run, type RunBall, resultsOf, savedRun, saveRun, thrownOf, withBall } from './run.ts';
import { Score, Tally } from './Tally.tsx';
import { useCrew } from './useCrew.ts';
import { type Counted, type Past, verdictAfter } from './verdict.ts';

interface Props {
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
  playerId: string | null;
  gameBalls: GameBallRow[];
  /** Rounds on this rung, newest first. */
  history: Past[];
  checks: Checklist;
}

/** Keys that set a machine going, with Shift. */
const STARTS = ['a', 'f', 'r'];

export default function Courtside(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <CourtsideView {...props} />
    </Units>
  );
}

function CourtsideView({
  viewer,
  rung,
  number,
  ladder,
  next,
  machine,
  second,
  courtName,
  players,
  playerId: named,
  gameBalls,
  history,
  checks,
}: Props) {
  const [run, setRun] = useState<Run | null>(null);
  // a round goes on with the rung it began with
  const document = run?.card ?? rung.document;
  const [playerId, setPlayerId] = useState(named ?? '');
  const [weather, setWeather] = useState<Weather>(rung.document.weather);
  /** Rounds of this visit, newest first. */
  const [done, setDone] = useState<Counted[]>([]);
  const [finished, setFinished] = useState<FinishedRound | null>(null);
  const [sound, setSound] = useState(false);
  const [confirmed, setConfirmed] = useState('');
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
  const units = useUnits();
  const ofTime = useMemo(() => timeHazards(document, ladder.sport, judged), [document, ladder.sport, judged]);
  const said = ofTime[0] && sayHazard(ofTime[0], units.length);
  const confirmedBy = run?.confirmedBy ?? confirmed;
  const asksName = needsName(document, judged);
  const blocked = asksName && confirmedBy === '';
  const current = useRef<Run | null>(null);

  /** The page, the device and the handlers of the machine's events see the same run. */
  const update = useCallback(
    (next: Run | null): void => {
      current.current = next;
      saveRun(rung.id, next);
      setRun(next);
    },
    [rung.id],
  );

  useEffect(() => {
    const kept = savedRun(rung.id);
    if (!kept) return;
    update(kept);
    setPlayerId(kept.playerId);
    setWeather(kept.weather);
  }, [rung.id, update]);

  const changeBall = useCallback(
    (seq: number, part: Partial<RunBall>): void => {
      const now = current.current;
      if (now) update({ ...now, balls: withBall(now.balls, seq, part) });
    },
    [update],
  );

  const crew = useCrew(machine, second, document, () => current.current?.offset ?? 0, {
    release: (ball, { launch }) => {
      changeBall(ball, { speedMps: launch.speedMps, elevationDeg: launch.elevationDeg, bearingDeg: launch.bearingDeg });
      // a spare ball is only hit away: it asks for no judgement
      if (crew.feedOf(ball)?.counts === false) judge('let-go', ball);
    },
    misfeed: (ball) => {
      changeBall(ball, { fed: false });
      judge('not-fed', ball);
    },
    reading: (ball, radarMps) => {
      if (current.current?.balls.some(({ seq }) => seq === ball)) changeBall(ball, { radarMps });
    },
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
  function begin(roundId: string): void {
    if (current.current || playerId === '') return;
    const startedAt = new Date().toISOString();
    const made: Run = {
      roundId,
      outingId: outingOfToday(startedAt.slice(0, 10), uuidv7),
      rungId: rung.id,
      playerId,
      weather,
      startedAt,
      card: document,
      ...(asksName && { confirmedBy }),
      offset: 0,
      balls: [],
    };
    const { roundId: _id, balls: _balls, offset: _offset, ...body } = made;
    outbox().add({ method: 'PUT', path: `rounds/${roundId}`, body, what: `Round begun: ${document.name}, ${player?.name ?? ''}` });
    setFinished(null);
    update(made);
  }

  async function arm(): Promise<void> {
    const before = thrownOf(current.current);
    // the round is named before it begins: it begins when the machine has taken it
    const roundId = current.current?.roundId ?? uuidv7();
    if (!(await give({ do: 'arm', rungId: rung.id, from: before, roundId, document, playerId, ...(confirmedBy && { confirmedBy }) })))
      return;
    begin(roundId);
    const now = current.current;
    if (now) update({ ...now, offset: before });
  }

  const pending = run?.balls.find(({ fed, outcome }) => fed && outcome === null);
  const nextByHand = (run?.balls.length ?? 0) + 1;
  const canJudge = run !== null && (pending !== undefined || (!hasLine && nextByHand <= document.ballsPerRound));

  function judge(
    outcome: Outcome,
    seq = hasLine ? current.current?.balls.find((ball) => ball.fed && ball.outcome === null)?.seq : nextByHand,
  ): void {
    const now = current.current;
    if (!now || seq === undefined) return;
    const ball = now.balls.find((each) => each.seq === seq);
    const resultId = uuidv7();
    update({ ...now, balls: withBall(now.balls, seq, { outcome, resultId }) });
    outbox().add({
      method: 'PUT',
      path: `rounds/${now.roundId}/results/${resultId}`,
      what: `Ball ${seq}: ${OUTCOME_NAMES[outcome].toLowerCase()} (${document.name})`,
      body: {
        seq,
        outcome,
        speedMps: ball?.speedMps ?? null,
        elevationDeg: ball?.elevationDeg ?? null,
        bearingDeg: ball?.bearingDeg ?? null,
        radarMps: ball?.radarMps ?? null,
      },
    });
  }

  const lastJudged = run?.balls.filter(({ outcome, resultId }) => outcome !== null && outcome !== 'not-fed' && resultId !== null).at(-1);

  function undoLast(): void {
    const now = current.current;
    if (!now || !lastJudged) return;
    update({
      ...now,
      balls: hasLine
        ? withBall(now.balls, lastJudged.seq, { outcome: null, resultId: null })
        : now.balls.filter(({ seq }) => seq !== lastJudged.seq),
    });
    outbox().add({
      method: 'DELETE',
      path: `rounds/${now.roundId}/results/${lastJudged.resultId}`,
      what: `Ball ${lastJudged.seq} taken back`,
    });
  }

  async function finish(): Promise<void> {
    const now = current.current;
    if (!now) return;
    if (hasLine && (state === 'feeding' || state === 'arming')) await give({ do: 'hold' });
    outbox().add({
      method: 'POST',
      path: `rounds/${now.roundId}/finish`,
      body: { finishedAt: new Date().toISOString(), weather },
      what: `Round finished: ${document.name}`,
    });
    const count = scoreRound(document, resultsOf(now.balls));
    const round = { playerId: now.playerId, id: now.roundId, count };
    const step = verdictAfter(document, ladder.approach, round, done, sameCard(document, rung.document) ? history : null);
    setDone([{ ...count, playerId: now.playerId }, ...done]);
    setFinished({ roundId: now.roundId, playerId: now.playerId, ...count, step });
    update(null);
  }

  const isArmed = ['ready', 'feeding', 'held'].includes(state);
  const thrown = thrownOf(run);
  const left = document.ballsPerRound - thrown;
  const allThrown = run !== null && left <= 0 && state !== 'feeding';
  const byState = mainAction(
    // two machines that were held begin again from the ball that is next, so that their order stays
    second && state === 'held' ? 'idle' : state,
    {
      arm,
      feed: () => give({ do: 'feed' }),
      resume: () => give({ do: 'resume' }),
      clear: () => give({ do: 'clear' }),
      begin: () => begin(uuidv7()),
    },
    run !== null,
    { own: crew.ownLeft, all: document.ballsPerRound - (run?.offset ?? 0) },
    view,
  );

  const guarded: MainAction | null = byState?.key === 'a' && (blocked || playerId === '') ? { ...byState, off: true } : byState;
  const main: MainAction | null = allThrown ? { name: 'Finish round', key: 'f', act: finish, off: pending !== undefined } : guarded;

  const keys: Record<string, (() => unknown) | undefined> = {
    h: () => give({ do: 'hold' }),
    s: () => give({ do: 'stow' }),
    u: undoLast,
    f: main?.key === 'f' && !main.off ? main.act : undefined,
    a: main?.key === 'a' && !main.off ? main.act : undefined,
    r: main?.key === 'r' ? main.act : undefined,
    ...Object.fromEntries(pads.map(({ key, outcome }) => [key, () => canJudge && judge(outcome)])),
  };
  const keysNow = useRef(keys);
  keysNow.current = keys;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const { target } = event;
      const typing =
        target instanceof HTMLInputElement ||
        target instanceof HTMLTextAreaElement ||
        target instanceof HTMLSelectElement ||
        (target instanceof HTMLButtonElement && event.key === ' ');
      if (typing || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const key = event.key.toLowerCase();
      const act = keysNow.current[key];
      // what sets a machine going is never one letter away
      if (!act || STARTS.includes(key) !== event.shiftKey) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  return (
    <div className="px-3 pt-2 pb-6 md:px-6 md:pt-3 lg:grid lg:min-h-[calc(100dvh-3.2rem)] lg:grid-cols-[minmax(0,1fr)_17rem] lg:grid-rows-[auto_1fr] lg:gap-x-5">
      <div className="min-w-0 lg:col-span-2">
        <RungHead
          {...{ document, number, courtName, machine, sport: ladder.sport }}
          playerName={player?.name ?? ''}
          thrown={run ? thrown : null}
        />
        <Notices machineName={machine.name} hasLine={hasLine} view={view} />
        <RoundNotices
          run={run}
          rungId={rung.id}
          document={document}
          kept={rung.document}
          thrownEveryS={isArmed ? (view.status?.intervalS ?? null) : null}
          players={players}
        />
      </div>

      <div className="flex min-w-0 flex-col">
        {blocked && (
          <ConfirmByName
            what={said?.what ?? 'A hard ball that was not judged.'}
            doThis={`${said?.why ?? ''} Slow it down, stand farther back, or take a soft ball. Helmet on. A coach who wants it all the same types their name.`}
            onConfirm={setConfirmed}
          />
        )}
        {asksName && confirmedBy && <p className="mt-1 font-semibold">Confirmed by {confirmedBy}.</p>}
        {!blocked && ofTime.length > 0 && (
          <div className="mt-2">
            <HazardList hazards={ofTime} brief={run !== null} />
          </div>
        )}
        {!run && <Checks checks={checks} part={finished ? 'after' : 'before'} mayEdit={viewer.canPlan} />}
        {!run && <RoundFields players={players} playerId={playerId} onPlayer={setPlayerId} weather={weather} onWeather={setWeather} />}
        {finished && !run && <Finished finished={finished} approach={ladder.approach} next={next} />}
        <Lane
          dueAt={view.dueAt}
          intervalS={crew.secondsAfter(thrown)}
          next={thrown + 1}
          last={document.ballsPerRound}
          cue={sayNext(crew.feedOf(thrown + 1), document)}
          cueNeeded={document.feeds.length > 1 || document.ritual !== undefined}
          ritualBeforeS={wholly(judged)?.ritualBeforeS ?? null}
          sound={sound}
          aside={<Score document={document} balls={run?.balls ?? []} />}
        />
        <Pads pads={pads} label={pending ? `Ball ${pending.seq}` : 'Result'} off={!canJudge} onJudge={judge} />
        <div className="mt-3 hidden md:block">
          <Tally document={document} balls={run?.balls ?? []} />
        </div>
      </div>

      <div className="mt-3 flex flex-col gap-2.5 lg:mt-0">
        {main && (
          <button
            type="button"
            className={`btn btn-secondary min-h-14 text-xl md:min-h-16 ${state === 'feeding' ? 'hidden md:flex' : ''}`}
            disabled={main.off}
            onClick={main.act}
          >
            {main.name}
            {main.key && <span className="hidden text-base font-medium md:inline">(Shift {main.key.toUpperCase()})</span>}
          </button>
        )}
        {hasLine && (
          <button
            type="button"
            className="flex min-h-40 grow flex-col items-center justify-center bg-error font-title text-6xl font-bold text-error-content lg:min-h-64"
            onClick={() => give({ do: 'hold' })}
          >
            Hold
            <span className="font-sans text-base font-medium">H</span>
          </button>
        )}
        <div className="grid grid-cols-2 gap-2.5">
          <button type="button" className="btn btn-outline min-h-14 text-base" disabled={!lastJudged} onClick={undoLast}>
            Undo last
          </button>
          <button type="button" className="btn btn-outline min-h-14 text-base" disabled={!run} onClick={finish}>
            Finish round
          </button>
          {hasLine && (
            <button type="button" className="btn btn-outline col-span-2 min-h-14 text-base" onClick={() => give({ do: 'stow' })}>
              Stow: aim away, stop
            </button>
          )}
        </div>
        <div className="md:hidden">
          <Tally document={document} balls={run?.balls ?? []} />
        </div>
        {hasLine && <StatusLine view={view} />}
        {second && (
          <p className="text-sm text-quiet" data-testid="second-machine">
            {second.name}: {crew.secondState ?? 'fed by a helper'}
          </p>
        )}
        <div className="flex flex-wrap items-center justify-between">
          <button type="button" className="btn btn-ghost min-h-11 px-2" aria-pressed={sound} onClick={() => setSound(!sound)}>
            {sound ? <Volume2 size={18} aria-hidden /> : <VolumeX size={18} aria-hidden />} Sound {sound ? 'on' : 'off'}
          </button>
          <a className="btn btn-ghost min-h-11 px-2" href={trimLink(rung.id, playerId)}>
            Trim it in
          </a>
          <a className="btn btn-ghost min-h-11 px-2" href={`/card?ladder=${ladder.id}`}>
            Card
          </a>
          <a className="btn btn-ghost min-h-11 px-2" href={`/ladders/${ladder.id}`}>
            Ladder
          </a>
        </div>
        {hasLine && (
          <details className="text-sm">
            <summary className="min-h-8 cursor-pointer text-quiet">Refill, or try a fault on the simulation</summary>
            <div className="flex flex-wrap gap-2 pt-1">
              <button type="button" className="btn btn-sm min-h-11" onClick={() => give({ do: 'refill' })}>
                Hopper filled
              </button>
              {(['jam', 'misfeed', 'silence', 'drop-link'] as const).map((fault) => (
                <button key={fault} type="button" className="btn btn-sm min-h-11" onClick={() => give({ do: 'simulate', fault })}>
                  {fault}
                </button>
              ))}
            </div>
          </details>
        )}
      </div>
    </div>
  );
}
