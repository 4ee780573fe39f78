import { diamondOf, type RungDocument, targetsOf, wholly } from '@good-arc/core';
import { useState } from 'react';
import type { MachineRow } from '../../api/rows.ts';
import { ConfirmByName } from '../../ui/ConfirmByName.tsx';
import { HazardList } from '../../ui/HazardList.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayHazard } from '../../words/hazards.ts';
import { BeforeRound } from './BeforeRound.tsx';
import { CourtTimeLeft } from './CourtTime.tsx';
import { sayNext } from './cue.ts';
import { groupsOf } from './groups.ts';
import { JudgeLines } from './JudgeLines.tsx';
import { Lane } from './Lane.tsx';
import { ByHand, ByNumber, Finished, LandingTaps, NextBalls, TimingTaps } from './lateParts.tsx';
import { Pace } from './Pace.tsx';
import { Pads } from './Pads.tsx';
import { RoundExtras } from './RoundExtras.tsx';
import { StockNotices } from './StockNotices.tsx';
import type { Signals } from './signals.ts';
import { RoundTally, Score } from './Tally.tsx';
import type { useCourtTime } from './useCourtTime.ts';
import type { CourtsideProps, OnCourt } from './useOnCourt.ts';

/** Who has to mind what, what is done before a round, and its balls: the one that comes, and the one that is judged. */
export function RoundMain({
  page,
  onCourt,
  courtTime,
  signals,
  onMachine,
  onRung,
}: {
  page: CourtsideProps;
  onCourt: OnCourt;
  courtTime: ReturnType<typeof useCourtTime>;
  signals: Signals;
  onMachine: (machine: MachineRow) => void;
  /** The rung itself is to be another. */
  onRung: (document: RungDocument) => void;
}) {
  const { viewer, rung, ladder, next, below, machine, second, marksM, players, checks, gameBalls, indoors } = page;
  const [taps, setTaps] = useState(false);
  const [timing, setTiming] = useState(false);
  const units = useUnits();
  const { document, judged, inSight, run, balls, thrown, finished, blocked, crew, pending, canJudge, names, everyS, beat, hasLine } =
    onCourt;
  const { view } = crew;
  const said = inSight[0] && sayHazard(inSight[0], units.length);
  const { nextBall } = onCourt;
  // who is called is whoever hits next, whether the ball before is judged or not
  const whose = onCourt.whose(thrown + 1);
  const hitBy = pending ? onCourt.whose(pending.seq) : '';
  const isMatchPoint = run !== null && onCourt.isMatchPoint(thrown + 1);
  const canTap = !diamondOf(ladder.sport) && targetsOf(document).length > 0;
  const groups = run && !document.secret ? groupsOf(document, onCourt, names, balls, hasLine ? thrown : document.ballsPerRound) : [];
  return (
    <>
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
          turn={page.nextTurn}
          rung={viewer.canPlan && finished.length === 1 ? { document: rung.document, sport: ladder.sport, onSet: onRung } : null}
        />
      )}
      {!run && (
        <BeforeRound
          {...{ onCourt, machine, onMachine, players, gameBalls, checks, courtTime, marksM, below, rung, indoors }}
          sport={ladder.sport}
          mayEdit={viewer.canPlan}
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
        aside={<Score {...{ document, balls, names, turns: onCourt.turns }} />}
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
      <div className="mt-3 hidden md:block">
        <RoundTally onCourt={onCourt} sport={ladder.sport} />
      </div>
    </>
  );
}
