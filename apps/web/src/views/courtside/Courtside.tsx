import { wholly } from '@good-arc/core';
import { useState } from 'react';
import { ConfirmByName } from '../../ui/ConfirmByName.tsx';
import { HazardList } from '../../ui/HazardList.tsx';
import { trimLink } from '../../ui/links.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { useAwake } from '../../ui/useAwake.ts';
import { sayHazard } from '../../words/hazards.ts';
import { Checks } from './Checks.tsx';
import { Elsewhere, MachineMore, MainControls, RoundControls } from './Controls.tsx';
import { sayNext } from './cue.ts';
import { Finished } from './Finished.tsx';
import { Lane } from './Lane.tsx';
import { Notices, StatusLine } from './Notices.tsx';
import { Pads } from './Pads.tsx';
import { RoundFields } from './RoundFields.tsx';
import { RoundNotices } from './RoundNotices.tsx';
import { RungHead } from './RungHead.tsx';
import { Score, Tally } from './Tally.tsx';
import { type CourtsideProps, useOnCourt } from './useOnCourt.ts';

export default function Courtside(props: CourtsideProps) {
  return (
    <Units system={props.viewer.units}>
      <CourtsideView {...props} />
    </Units>
  );
}

function CourtsideView(props: CourtsideProps) {
  const { viewer, rung, number, ladder, next, machine, second, courtName, players, checks } = props;
  const [sound, setSound] = useState(false);
  const units = useUnits();
  const onCourt = useOnCourt(props);
  const { document, judged, inSight, run, balls, thrown, finished, blocked, crew, pending, canJudge, give } = onCourt;
  const { hasLine, view, state } = crew;
  const goesDark = useAwake(run !== null);
  const said = inSight[0] && sayHazard(inSight[0], units.length);
  return (
    <div className="px-3 pt-2 pb-6 md:px-6 md:pt-3 lg:grid lg:min-h-[calc(100dvh-3.2rem)] lg:grid-cols-[minmax(0,1fr)_17rem] lg:grid-rows-[auto_1fr] lg:gap-x-5">
      <div className="min-w-0 lg:col-span-2">
        <RungHead
          {...{ document, number, courtName, machine, sport: ladder.sport }}
          playerName={onCourt.player?.name ?? ''}
          thrown={run ? thrown : null}
        />
        <Notices machineName={machine.name} hasLine={hasLine} view={view} />
        {goesDark && <p className="mt-1 text-quiet">This browser lets the screen go dark in a round: set a longer time on the phone.</p>}
        <RoundNotices
          run={run}
          rungId={rung.id}
          document={document}
          kept={rung.document}
          thrownEveryS={onCourt.isArmed ? (view.status?.intervalS ?? null) : null}
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
        {!run && <Checks checks={checks} part={finished ? 'after' : 'before'} mayEdit={viewer.canPlan} />}
        {!run && (
          <RoundFields
            players={players}
            playerId={onCourt.playerId}
            onPlayer={onCourt.setPlayerId}
            weather={onCourt.weather}
            onWeather={onCourt.setWeather}
            indoors={props.indoors}
          />
        )}
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
          aside={<Score document={document} balls={balls} />}
        />
        <Pads
          pads={onCourt.pads}
          label={pending ? `Ball ${pending.seq}` : 'Result'}
          off={!canJudge}
          onJudge={(outcome) => onCourt.judge(outcome)}
        />
        <div className="mt-3 hidden md:block">
          <Tally document={document} balls={balls} />
        </div>
      </div>

      <div className="mt-3 flex flex-col gap-2.5 lg:mt-0">
        <MainControls main={onCourt.main} hasLine={hasLine} isFeeding={state === 'feeding'} onHold={() => give({ do: 'hold' })} />
        <RoundControls
          hasLine={hasLine}
          canUndo={onCourt.canUndo}
          canFinish={run !== null}
          onUndo={onCourt.undoLast}
          onFinish={onCourt.finish}
          onStow={() => give({ do: 'stow' })}
        />
        <div className="md:hidden">
          <Tally document={document} balls={balls} />
        </div>
        {hasLine && <StatusLine view={view} />}
        {second && (
          <p className="text-sm text-quiet" data-testid="second-machine">
            {second.name}: {crew.secondState ?? 'fed by a helper'}
          </p>
        )}
        <Elsewhere sound={sound} onSound={setSound} trim={trimLink(rung.id, onCourt.playerId)} ladderId={ladder.id} />
        {hasLine && <MachineMore give={give} />}
      </div>
    </div>
  );
}
