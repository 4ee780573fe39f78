import { diamondOf, type RungDocument, targetsOf, wholly } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { ConfirmByName } from '../../ui/ConfirmByName.tsx';
import { HazardList } from '../../ui/HazardList.tsx';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { useAwake } from '../../ui/useAwake.ts';
import { sayHazard } from '../../words/hazards.ts';
import { BeforeRound } from './BeforeRound.tsx';
import { Elsewhere, MachineMore, MainControls, RoundControls, WalkOver } from './Controls.tsx';
import { CourtTimeLeft } from './CourtTime.tsx';
import { sayNext } from './cue.ts';
import { groupsOf } from './groups.ts';
import { JudgeLines } from './JudgeLines.tsx';
import { Lane } from './Lane.tsx';
import { ByHand, ByNumber, Finished, LandingTaps, NextBalls, SignalFields, TimingTaps, useReadyForRound } from './lateParts.tsx';
import { Notices, StatusLine } from './Notices.tsx';
import { Pace } from './Pace.tsx';
import { Pads } from './Pads.tsx';
import { RoundExtras } from './RoundExtras.tsx';
import { RoundNotices } from './RoundNotices.tsx';
import { RungHead } from './RungHead.tsx';
import { StockNotices } from './StockNotices.tsx';
import { useSignals } from './signals.ts';
import { Score, Tally } from './Tally.tsx';
import { useCourtTime } from './useCourtTime.ts';
import { judgedByServer } from './useJudged.ts';
import { useLive } from './useLive.ts';
import { type CourtsideProps, useOnCourt } from './useOnCourt.ts';

export default function Courtside(props: CourtsideProps) {
  return (
    <Units system={props.viewer.units}>
      <CourtsideView {...props} />
    </Units>
  );
}

/** On a phone the header gives its room to the round. */
function useSlimHeader(isOn: boolean): void {
  useEffect(() => {
    document.documentElement.toggleAttribute('data-in-round', isOn);
    return () => document.documentElement.removeAttribute('data-in-round');
  }, [isOn]);
}

function CourtsideView(props: CourtsideProps) {
  useState(() => judgedByServer(props));
  const [rung, setRung] = useState(props.rung);
  const [machine, setMachine] = useState(props.machine);
  const { viewer, number, ladder, next, below, second, courtName, marksM, players, checks } = props;
  const [signals, setSignals] = useSignals();
  const [taps, setTaps] = useState(false);
  const [timing, setTiming] = useState(false);
  const units = useUnits();
  const onCourt = useOnCourt({ ...props, rung, machine });
  const { document, judged, inSight, run, balls, thrown, finished, blocked, crew, pending, canJudge, give, names, everyS, beat, hasLine } =
    onCourt;
  const { view, state } = crew;
  useLive(
    run && {
      ...{ run, document, names, courtName, machine, second, state, everyS },
      program: onCourt.program,
      dueAt: hasLine ? view.dueAt : beat.dueAt,
    },
    onCourt.changing,
  );
  const courtTime = useCourtTime(document.courtId);
  const goesDark = useAwake(run !== null);
  useSlimHeader(run !== null);
  useReadyForRound();
  const said = inSight[0] && sayHazard(inSight[0], units.length);
  const { nextBall } = onCourt;
  // who is called is whoever hits next, whether the ball before is judged or not
  const whose = onCourt.whose(thrown + 1);
  const hitBy = pending ? onCourt.whose(pending.seq) : '';
  const isMatchPoint = run !== null && onCourt.isMatchPoint(thrown + 1);
  const canTap = !diamondOf(ladder.sport) && targetsOf(document).length > 0;
  const groups = run && !document.secret ? groupsOf(document, onCourt, names, balls, hasLine ? thrown : document.ballsPerRound) : [];

  /** The rung itself, for whoever climbs it; one press takes it back. */
  async function change(document: RungDocument): Promise<void> {
    const before = rung;
    const put = async (to: RungDocument): Promise<void> => {
      await api('PUT', `rungs/${rung.id}`, { ladderId: rung.ladderId, document: to });
      setRung({ ...before, document: to });
    };
    if (await attempt(() => put(document))) saidWithUndo('The target of this rung was changed.', () => put(before.document));
  }

  const score = <Score document={document} balls={balls} names={names} turns={onCourt.turns} />;
  const tally = <Tally document={document} sport={ladder.sport} balls={balls} names={names} turns={onCourt.turns} />;
  return (
    <div className="flex flex-col gap-2.5 px-3 pt-2 pb-6 md:px-6 md:pt-3 land:grid! land:grid-cols-[minmax(0,1fr)_13rem]! land:gap-x-3! land:gap-y-0! land:pt-1! lg:grid lg:min-h-[calc(100dvh-3.2rem)] lg:grid-cols-[minmax(0,1fr)_17rem] lg:grid-rows-[auto_1fr] lg:gap-x-5 lg:gap-y-0">
      <div className="min-w-0 land:col-span-2 lg:col-span-2">
        <RungHead
          {...{ document, number, courtName, machine, sport: ladder.sport, player: onCourt.player }}
          playerName={onCourt.player ? names.join(', ') : ''}
          thrown={run ? thrown : null}
        />
        <Notices machineName={machine.name} hasLine={hasLine} view={view} byHand={onCourt.byHand} onByHand={onCourt.setByHand} />
        {goesDark && <p className="mt-1 text-quiet">This browser lets the screen go dark in a round: set a longer time on the phone.</p>}
        <RoundNotices
          run={run}
          rungId={rung.id}
          document={document}
          kept={rung.document}
          everyS={everyS}
          thrownEveryS={onCourt.isArmed ? (view.status?.intervalS ?? null) : null}
          isAnotherBall={onCourt.isAnotherBall}
          others={onCourt.others}
          isHeld={onCourt.state === 'held'}
          players={players}
        />
      </div>

      <div className="flex min-w-0 flex-col">
        {blocked && (
          <ConfirmByName
            what={said?.what ?? 'A hard ball that was not judged.'}
            doThis={`${said?.why ?? ''} Slow it down, stand farther back, or take a soft ball. Helmet on. A coach who wants it all the same types their name.`}
            onConfirm={onCourt.confirm}
          />
        )}
        {onCourt.confirmedBy && <p className="mt-1 font-semibold">Confirmed by {onCourt.confirmedBy}.</p>}
        {!blocked && inSight.length > 0 && (
          <div className="mt-2">
            <HazardList hazards={inSight} brief={run !== null} />
          </div>
        )}
        <StockNotices stock={onCourt.stock} wanted={document.ballsPerRound - (run ? thrown : 0)} isRunning={run !== null} />
        <CourtTimeLeft time={courtTime} document={document} everyS={everyS} thrown={run ? thrown : null} />
        {finished.length > 0 && !run && (
          <Finished
            finished={finished}
            approach={ladder.approach}
            next={next}
            turn={props.nextTurn}
            rung={
              viewer.canPlan && finished.length === 1
                ? { document: rung.document, sport: ladder.sport, onSet: (changed) => void change(changed) }
                : null
            }
          />
        )}
        {!run && (
          <BeforeRound
            {...{ onCourt, machine, players, checks, courtTime, marksM, below, rung }}
            onMachine={setMachine}
            gameBalls={props.gameBalls}
            sport={ladder.sport}
            mayEdit={viewer.canPlan}
            indoors={props.indoors}
          />
        )}
        <Lane
          dueAt={hasLine ? view.dueAt : run && beat.dueAt}
          intervalS={hasLine ? onCourt.secondsAfter(thrown) : (beat.beat?.intervalS ?? everyS)}
          every={
            <Pace
              everyS={everyS}
              limits={machine.profile.intervalS}
              off={!run || (second !== null && hasLine)}
              onChange={(intervalS) => void onCourt.pace(intervalS)}
            />
          }
          next={thrown + 1}
          last={document.ballsPerRound}
          cue={[isMatchPoint && 'Match point', whose, sayNext(crew.feedOf(thrown + 1), document)].filter(Boolean).join(': ')}
          cueNeeded={isMatchPoint || document.feeds.length > 1 || document.ritual !== undefined || whose !== ''}
          loud={isMatchPoint}
          ritualBeforeS={wholly(judged)?.ritualBeforeS ?? null}
          signals={signals}
          aside={score}
        />
        <JudgeLines goal={onCourt.goal} document={document} ball={pending?.seq ?? null} hitBy={hitBy === whose ? '' : hitBy} />
        {run && taps && (
          <LandingTaps
            {...{ document, balls }}
            targets={onCourt.otherTargets}
            sport={ladder.sport}
            next={nextBall}
            off={!canJudge}
            onTap={onCourt.judgeAt}
          />
        )}
        {run && timing && <TimingTaps run={run} on={onCourt.taps} />}
        {run && !hasLine && <ByHand beat={beat} everyS={everyS} />}
        <Pads
          pads={onCourt.pads}
          label={pending ? [`Ball ${pending.seq}`, hitBy].filter(Boolean).join(', ') : 'Result'}
          off={!canJudge}
          onJudge={(outcome) => onCourt.judge(outcome)}
        />
        <RoundExtras
          isOn={run !== null}
          unjudged={canJudge ? nextBall : null}
          onNotJudged={() => onCourt.judge('not-judged')}
          taps={canTap ? { isOn: taps, set: setTaps } : null}
          timing={{ isOn: timing, set: setTiming }}
          onMark={onCourt.mark}
        >
          {groups.length > 0 && <ByNumber groups={groups} onCount={onCourt.countByNumber} />}
          {run && (
            <NextBalls
              {...{ run, document, thrown, machine, hasLine, names, players }}
              sport={ladder.sport}
              program={onCourt.program}
              changing={onCourt.changing}
            />
          )}
        </RoundExtras>
        <div className="mt-3 hidden md:block">{tally}</div>
      </div>

      {/* on a phone its parts are the page’s own, so that Hold stays in sight wherever one scrolls to */}
      <div className="contents land:sticky land:top-1 land:flex! land:flex-col land:gap-1.5 land:self-start lg:flex lg:flex-col lg:gap-2.5">
        <MainControls main={onCourt.main} hasLine={hasLine} state={state} onHold={onCourt.hold} />
        <RoundControls
          hasLine={hasLine}
          canUndo={onCourt.canUndo}
          canFinish={run !== null}
          onUndo={onCourt.undoLast}
          onFinish={onCourt.finish}
          onStow={onCourt.stow}
        />
        <div className="md:hidden">{tally}</div>
        {hasLine && <StatusLine view={view} />}
        {second && (
          <p className="text-sm text-quiet" data-testid="second-machine">
            {second.name}: {crew.secondState ?? 'fed by a helper'}
          </p>
        )}
        {hasLine && <WalkOver walk={onCourt.walk} />}
        <SignalFields signals={signals} onChange={setSignals} />
        {run && (
          <Button look="ghost" className="self-start px-2" href={`/live?round=${run.roundId}`} target="_blank">
            Follow it on another screen
          </Button>
        )}
        <Elsewhere ladderId={ladder.id} />
        {hasLine && <MachineMore give={give} />}
      </div>
    </div>
  );
}
