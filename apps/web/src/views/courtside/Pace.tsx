import { printTime } from '@good-arc/core';
import { Minus, Plus } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';

const STEP_S = 0.5;

/** The interval of the round, changed from the next ball on without leaving it. */
export function Pace({
  everyS,
  limits: [least, most],
  off,
  onChange,
}: {
  everyS: number;
  /** What the machine can be set to, s. */
  limits: readonly [number, number];
  off: boolean;
  onChange: (intervalS: number) => void;
}) {
  const next = (by: 1 | -1): number => Math.min(most, Math.max(least, Math.round((everyS + by * STEP_S) * 10) / 10));
  const step = (by: 1 | -1, name: string) => (
    <Button square aria-label={name} disabled={off || next(by) === everyS} onClick={() => onChange(next(by))}>
      {by > 0 ? <Plus size={18} aria-hidden /> : <Minus size={18} aria-hidden />}
    </Button>
  );
  return (
    <span className="flex items-center gap-1 md:gap-1.5" role="group" aria-label="Interval">
      {step(-1, 'Half a second sooner')}
      <span className="dial text-base tracking-tighter whitespace-nowrap">every {printTime(everyS, 1)}</span>
      {step(1, 'Half a second later')}
    </span>
  );
}
