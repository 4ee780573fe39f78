import type { RungDocument } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { api } from '../../ui/api.ts';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { useAwake } from '../../ui/useAwake.ts';
import { judgedByServer } from './judged.ts';
import { useReadyForRound } from './lateParts.tsx';
import { RoundHead } from './RoundHead.tsx';
import { RoundMain } from './RoundMain.tsx';
import { RoundSide } from './RoundSide.tsx';
import { useSignals } from './signals.ts';
import { useCourtTime } from './useCourtTime.ts';
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

/** Its three parts are drawn one by one: all at once they took a slow phone longer than a press may wait. */
function CourtsideView(props: CourtsideProps) {
  useState(() => judgedByServer(props));
  const [rung, setRung] = useState(props.rung);
  const [machine, setMachine] = useState(props.machine);
  const page = { ...props, rung, machine };
  const [signals, setSignals] = useSignals();
  const onCourt = useOnCourt(page);
  const { document, run, names, everyS, crew, beat, hasLine } = onCourt;
  useLive(
    run && {
      ...{ run, document, names, courtName: props.courtName, machine, second: props.second, state: crew.state, everyS },
      program: onCourt.program,
      dueAt: hasLine ? crew.view.dueAt : beat.dueAt,
    },
    onCourt.changing,
  );
  const courtTime = useCourtTime(document.courtId);
  const goesDark = useAwake(run !== null);
  useSlimHeader(run !== null);
  useReadyForRound();

  /** The rung itself, for whoever climbs it; one press takes it back. */
  async function change(document: RungDocument): Promise<void> {
    const before = rung;
    const put = async (to: RungDocument): Promise<void> => {
      await api('PUT', `rungs/${rung.id}`, { ladderId: rung.ladderId, document: to });
      setRung({ ...before, document: to });
    };
    if (await attempt(() => put(document))) saidWithUndo('The target of this rung was changed.', () => put(before.document));
  }

  return (
    <div className="flex flex-col gap-2.5 px-3 pt-2 pb-6 md:px-6 md:pt-3 land:grid! land:grid-cols-[minmax(0,1fr)_13rem]! land:gap-x-3! land:gap-y-0! land:pt-1! lg:grid lg:min-h-[calc(100dvh-3.2rem)] lg:grid-cols-[minmax(0,1fr)_17rem] lg:grid-rows-[auto_1fr] lg:gap-x-5 lg:gap-y-0">
      <div className="min-w-0 land:col-span-2 lg:col-span-2">
        <RoundHead page={page} onCourt={onCourt} goesDark={goesDark} />
      </div>

      <div className="flex min-w-0 flex-col">
        <RoundMain {...{ page, onCourt, courtTime, signals }} onMachine={setMachine} onRung={(changed) => void change(changed)} />
      </div>

      {/* on a phone its parts are the page’s own, so that Hold stays in sight wherever one scrolls to */}
      <div className="contents land:sticky land:top-1 land:flex! land:flex-col land:gap-1.5 land:self-start lg:flex lg:flex-col lg:gap-2.5">
        <RoundSide {...{ page, onCourt, signals }} onSignals={setSignals} />
      </div>
    </div>
  );
}
