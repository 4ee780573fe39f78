import { Button } from '../../ui/Button.tsx';
import type { MainAction } from './mainAction.ts';
import type { useWalk } from './useWalk.ts';

/** Nothing turns yet: there is little to hold. */
const STILL = ['idle', 'stowed', 'unknown'];

/** The next thing to do with the machine, and Hold, as large as there is room for. */
export function MainControls({
  main,
  hasLine,
  state,
  onHold,
}: {
  main: MainAction | null;
  hasLine: boolean;
  /** Of the machine. */
  state: string;
  onHold: () => void;
}) {
  return (
    <div className="sticky bottom-0 z-10 -mx-3 flex grow flex-col gap-2.5 bg-base-100 px-3 py-2 md:-mx-6 md:px-6 land:static! land:mx-0! land:p-0! lg:mx-0 lg:p-0">
      {main && (
        <Button
          look="secondary"
          size="xl"
          // while it feeds a thumb needs nothing but Hold
          className={`text-xl md:min-h-16 ${state === 'feeding' ? 'hidden md:flex land:hidden!' : ''}`}
          disabled={main.off}
          onClick={() => main.act()}
        >
          {main.name}
          {main.key && <span className="hidden text-base font-medium md:inline">(Shift {main.key.toUpperCase()})</span>}
        </Button>
      )}
      {hasLine && (
        <button
          type="button"
          className={`flex grow flex-col items-center justify-center bg-error font-title font-bold text-error-content lg:min-h-52 lg:text-6xl ${STILL.includes(state) ? 'min-h-14 text-3xl' : 'min-h-32 text-6xl'} land:min-h-28! land:text-5xl!`}
          onClick={onHold}
        >
          Hold
          <span className="font-sans text-base font-medium pointer-coarse:hidden">H</span>
        </button>
      )}
    </div>
  );
}

/** What is done to a round, and what the machine does when it is over. */
export function RoundControls({
  hasLine,
  canUndo,
  canFinish,
  onUndo,
  onFinish,
  onStow,
}: {
  hasLine: boolean;
  canUndo: boolean;
  canFinish: boolean;
  onUndo: () => void;
  onFinish: () => void;
  onStow: () => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-2.5">
      <Button size="l" className="min-h-14" disabled={!canUndo} onClick={onUndo}>
        Undo last
      </Button>
      <Button size="l" className="min-h-14" disabled={!canFinish} onClick={onFinish}>
        Finish round
      </Button>
      {hasLine && (
        <Button size="l" className="col-span-2 min-h-14" onClick={onStow}>
          Stow: aim away, stop
        </Button>
      )}
    </div>
  );
}

/** Whether the first ball waits until whoever pressed start has walked over. */
export function WalkOver({ walk: { wanted, want, seconds } }: { walk: ReturnType<typeof useWalk> }) {
  return (
    <label className="flex min-h-11 items-center gap-2.5">
      <input type="checkbox" className="checkbox" checked={wanted} onChange={({ target }) => want(target.checked)} />
      Walk over first: {seconds} s
    </label>
  );
}

/** The other pages of this rung. */
export function Elsewhere({ ladderId }: { ladderId: string }) {
  return (
    <div className="flex flex-wrap items-center justify-between lg:grid lg:grid-cols-2 lg:justify-items-start">
      {[
        ['Card', `/card?ladder=${ladderId}`],
        ['Ladder', `/ladders/${ladderId}`],
      ].map(([name, href]) => (
        <Button key={name} look="ghost" className="px-2" href={href!}>
          {name}
        </Button>
      ))}
    </div>
  );
}
