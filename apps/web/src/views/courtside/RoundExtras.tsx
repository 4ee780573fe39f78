import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';

interface Switch {
  isOn: boolean;
  set: (isOn: boolean) => void;
}

/** What is done in a round besides judging the next ball: each by one press, and some of it seldom. */
export function RoundExtras({
  isOn,
  unjudged,
  onNotJudged,
  taps,
  timing,
  onMark,
  children,
}: {
  /** A round goes on. */
  isOn: boolean;
  /** Number of the ball that may be left unjudged; null when none waits. */
  unjudged: number | null;
  onNotJudged: () => void;
  /** Null where the player hits to no target on the ground. */
  taps: Switch | null;
  timing: Switch;
  onMark: () => void;
  children: ReactNode;
}) {
  return (
    <div className="flex flex-wrap items-start gap-x-4">
      {unjudged !== null && (
        <Button look="ghost" className="px-2" onClick={onNotJudged}>
          Ball {unjudged} not judged <span className="hidden md:inline">(N)</span>
        </Button>
      )}
      {isOn && taps && (
        <Button look="ghost" className="px-2" aria-pressed={taps.isOn} onClick={() => taps.set(!taps.isOn)}>
          {taps.isOn ? 'No landing taps' : 'Tap where it lands'}
        </Button>
      )}
      {isOn && (
        <>
          <Button look="ghost" className="px-2" aria-pressed={timing.isOn} onClick={() => timing.set(!timing.isOn)}>
            {timing.isOn ? 'No timing taps' : 'Time load and swing'}
          </Button>
          <Button look="ghost" className="px-2" onClick={onMark}>
            Mark for the film
          </Button>
        </>
      )}
      {children}
    </div>
  );
}
