import {
  type Approach,
  type Checklist,
  gameBallById,
  judgeRung,
  longestRun,
  type Outcome,
  type Sport,
  tally,
  type Weather,
} from '@good-arc/core';
import { Volume2, VolumeX } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import type { MachineRow, PlayerRow, RungRow, Viewer } from '../../api/rows.ts';
import type { CourtsideCommand } from '../../api/schemas.ts';
import { messageOf } from '../../ui/api.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { Checks } from './Checks.tsx';
import { sayNext } from './cue.ts';
import { Finished, type FinishedRound } from './Finished.tsx';
import { Lane } from './Lane.tsx';
import { type MainAction, mainAction } from './mainAction.ts';
import { Notices, StatusLine } from './Notices.tsx';
import { useOutbox } from './outbox.ts';
import { Pads, padsFor } from './Pads.tsx';
import { RungHead } from './RungHead.tsx';
import { outcomesOf, outingOfToday, type Run, type RunBall, savedRun, saveRun, thrownOf, withBall } from './run.ts';
import { Score, Tally } from './Tally.tsx';
import { Unsafe } from './Unsafe.tsx';
import { useCrew } from './useCrew.ts';

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
  /** Who hits first, by the plan. */
  playerId: string | null;
  checks: Checklist;
}

export default function Courtside(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <CourtsideView {...props} />
    </Units>
  );
}

function CourtsideView({ viewer, rung, number, ladder, next, machine, second, courtName, players, playerId: planned, checks }: Props) {
  const { document } = rung;
  const outbox = useOutbox();
  const [run, setRun] = useState<Run | null>(null);
  const [playerId, setPlayerId] = useState(planned ?? players[0]?.id ?? '');
  const [weather, setWeather] = useState<Weather>(document.weather);
  const [finished, setFinished] = useState<FinishedRound | null>(null);
  const [sound, setSound] = useState(false);
  const [confirmed, setConfirmed] = useState('');
  const judged = useMemo(
    () => judgeRung(document, { sport: ladder.sport, machine: machine.profile, gameBall: gameBallById }),
    [document, ladder.sport, machine],
  );
  const confirmedBy = run?.confirmedBy ?? confirmed;
  const blocked = judged?.unsafe === true && confirmedBy === '';
  const current = useRef<Run | null>(null);

  /** The page, the device and the handlers of the machine's events see the same run. */
  const update = useCallback((next: Run | null): void => {
    current.current = next;
    saveRun(next);
    setRun(next);
  }, []);

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
      toast.error(messageOf(error));
      return false;
    }
  }

  /** The round begins when the machine is armed for it (or by hand). */
  function begin(): void {
    if (current.current) return;
    const startedAt = new Date().toISOString();
    const made: Run = {
      roundId: uuidv7(),
      outingId: outingOfToday(startedAt.slice(0, 10), uuidv7),
      rungId: rung.id,
      playerId,
      weather,
      startedAt,
      ...(judged?.unsafe && { confirmedBy }),
      offset: 0,
      balls: [],
    };
    const { roundId, balls: _balls, offset: _offset, ...body } = made;
    outbox.post({ method: 'PUT', path: `rounds/${roundId}`, body });
    setFinished(null);
    update(made);
  }

  async function arm(): Promise<void> {
    const before = thrownOf(current.current);
    if (!(await give({ do: 'arm', rungId: rung.id, from: before, ...(confirmedBy && { confirmedBy }) }))) return;
    begin();
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
    outbox.post({
      method: 'PUT',
      path: `rounds/${now.roundId}/results/${resultId}`,
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
    outbox.post({ method: 'DELETE', path: `rounds/${now.roundId}/results/${lastJudged.resultId}` });
  }

  async function finish(): Promise<void> {
    const now = current.current;
    if (!now) return;
    if (hasLine && (state === 'feeding' || state === 'arming')) await give({ do: 'hold' });
    outbox.post({ method: 'POST', path: `rounds/${now.roundId}/finish`, body: { finishedAt: new Date().toISOString(), weather } });
    const { hits, balls } = tally(outcomesOf(now.balls));
    setFinished({ roundId: now.roundId, hits, balls, longestRun: longestRun(outcomesOf(now.balls)) });
    update(null);
  }

  const player = players.find(({ id }) => id === playerId);
  const thrown = thrownOf(run);
  const left = document.ballsPerRound - thrown;
  const allThrown = run !== null && left <= 0 && state !== 'feeding';
  const byState = mainAction(
    // two machines that were held begin again from the ball that is next, so that their order stays
    second && state === 'held' ? 'idle' : state,
    { arm, feed: () => give({ do: 'feed' }), resume: () => give({ do: 'resume' }), clear: () => give({ do: 'clear' }), begin },
    run !== null,
    { own: crew.ownLeft, all: document.ballsPerRound - (run?.offset ?? 0) },
    view,
  );

  const guarded: MainAction | null = byState?.key === 'a' && blocked ? { ...byState, off: true } : byState;
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
      const act = keysNow.current[event.key.toLowerCase()];
      if (!act) return;
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
        <Notices machineName={machine.name} hasLine={hasLine} view={view} waiting={outbox.waiting} />
      </div>

      <div className="flex min-w-0 flex-col">
        {blocked && <Unsafe onConfirm={setConfirmed} />}
        {judged?.unsafe && confirmedBy && <p className="mt-1 font-semibold">Confirmed by {confirmedBy}.</p>}
        {!run && <Checks checks={checks} part={finished ? 'after' : 'before'} mayEdit={viewer.canPlan} post={outbox.post} />}
        {!run && (
          <div className="mt-2 mb-3 grid grid-cols-2 gap-3 md:grid-cols-3">
            <Select
              className="col-span-2 md:col-span-1"
              label="Who is hitting"
              value={playerId}
              onChange={setPlayerId}
              options={players.map(({ id, name }) => [id, name] as const)}
            />
            <QuantityField
              label="Wind to the right"
              dimension="speed"
              step={0.5}
              min={-25}
              max={25}
              value={weather.windXMps}
              onChange={(windXMps) => setWeather({ ...weather, windXMps })}
            />
            <QuantityField
              label="Wind to the far end"
              dimension="speed"
              step={0.5}
              min={-25}
              max={25}
              value={weather.windYMps}
              onChange={(windYMps) => setWeather({ ...weather, windYMps })}
            />
          </div>
        )}
        {finished && !run && <Finished finished={finished} approach={ladder.approach} gate={document.gate} next={next} />}
        <Lane
          dueAt={view.dueAt}
          intervalS={crew.secondsAfter(thrown)}
          next={thrown + 1}
          last={document.ballsPerRound}
          cue={sayNext(crew.feedOf(thrown + 1), document)}
          cueNeeded={document.feeds.length > 1 || document.ritual !== undefined}
          ritualBeforeS={judged?.ritualBeforeS ?? null}
          sound={sound}
          aside={<Score balls={run?.balls ?? []} />}
        />
        <Pads pads={pads} label={pending ? `Ball ${pending.seq}` : 'Result'} off={!canJudge} onJudge={judge} />
        <div className="mt-3 hidden md:block">
          <Tally balls={run?.balls ?? []} count={document.ballsPerRound} />
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
            {main.key && <span className="text-base font-medium">({main.key.toUpperCase()})</span>}
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
          <Tally balls={run?.balls ?? []} count={document.ballsPerRound} />
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
          <a className="btn btn-ghost min-h-11 px-2" href={`/right?rung=${rung.id}`}>
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
