import { Button } from '../../ui/Button.tsx';
import { Elsewhere, MainControls, RoundControls, WalkOver } from './Controls.tsx';
import { RefillOrFault, SignalFields } from './lateParts.tsx';
import { StatusLine } from './Notices.tsx';
import type { Signals } from './signals.ts';
import { RoundTally } from './Tally.tsx';
import type { CourtsideProps, OnCourt } from './useOnCourt.ts';

/** What a thumb reaches for: the next thing to do, Hold, undo; then what the round came to, and what is set seldom. */
export function RoundSide({
  page: { second, ladder },
  onCourt,
  signals,
  onSignals,
}: {
  page: CourtsideProps;
  onCourt: OnCourt;
  signals: Signals;
  onSignals: (part: Partial<Signals>) => void;
}) {
  const { hasLine, run, crew } = onCourt;
  return (
    <>
      <MainControls main={onCourt.main} hasLine={hasLine} state={crew.state} onHold={onCourt.hold} />
      <RoundControls
        hasLine={hasLine}
        canUndo={onCourt.canUndo}
        canFinish={run !== null}
        onUndo={onCourt.undoLast}
        onFinish={onCourt.finish}
        onStow={onCourt.stow}
      />
      <div className="md:hidden">
        <RoundTally onCourt={onCourt} sport={ladder.sport} />
      </div>
      {hasLine && <StatusLine view={crew.view} />}
      {second && (
        <p className="text-sm text-quiet" data-testid="second-machine">
          {second.name}: {crew.secondState ?? 'fed by a helper'}
        </p>
      )}
      {hasLine && <WalkOver walk={onCourt.walk} />}
      <SignalFields signals={signals} onChange={onSignals} />
      {run && (
        <Button look="ghost" className="self-start px-2" href={`/live?round=${run.roundId}`} target="_blank">
          Follow it on another screen
        </Button>
      )}
      <Elsewhere ladderId={ladder.id} />
      {hasLine && <RefillOrFault give={onCourt.give} />}
    </>
  );
}
