import { printTime } from '@good-arc/core';
import type { Refused } from '@good-arc/line';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { useWaiting } from '../../ui/outbox.ts';
import type { MachineView } from '../../ui/useMachine.ts';

const REFUSED: Record<Refused, string> = {
  'wrong-code': 'does not take our code: read it off its display again, and write it in Kit.',
  'driver-taken': 'is driven by another program.',
  'other-version': 'speaks another version of the line: bring both up to date.',
};

/** What went wrong with the line, the machine or the server, and what is kept. */
export function Notices({
  machineName,
  hasLine,
  view,
  byHand,
  onByHand,
}: {
  machineName: string;
  hasLine: boolean;
  view: Pick<MachineView, 'serverUp' | 'linkUp' | 'refused'> & { status: { state: string; why: string } | null };
  /** It has a line, and is worked by hand all the same. */
  byHand: boolean;
  onByHand: (byHand: boolean) => void;
}) {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(true), 1500);
    return () => clearTimeout(timer);
  }, []);
  const { status } = view;
  const waiting = useWaiting().length;
  const gone = hasLine && settled && !view.linkUp;
  return (
    <div aria-live="assertive">
      {gone && (
        <Notice tone="error" loud className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <span className="min-w-0 grow basis-64">
            {!view.serverUp ? 'The server does not answer.' : `${machineName} ${view.refused ? REFUSED[view.refused] : 'does not answer.'}`}{' '}
            A machine without its line stops by itself within a second. Your tally is kept.
          </span>
          <Button size="l" onClick={() => onByHand(true)}>
            Work it by hand
          </Button>
        </Notice>
      )}
      {byHand && (
        <Notice tone="warning" className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <span className="min-w-0 grow basis-64">
            {machineName} is worked by hand for now: start and stop it at its own switch. Nothing is sent to it.
          </span>
          <Button size="l" onClick={() => onByHand(false)}>
            Use its line again
          </Button>
        </Notice>
      )}
      {!gone && status?.state === 'held' && status.why && (
        <Notice tone="warning" loud className="mt-2">
          On hold: {status.why}. Nobody forward of the machine; then resume.
        </Notice>
      )}
      {!gone && status?.state === 'fault' && (
        <Notice tone="error" loud className="mt-2">
          Fault: {status.why}. Stop the wheels, switch off, then free it by the manual. Your tally is kept.
        </Notice>
      )}
      {waiting > 0 && (
        <Notice tone="warning" className="mt-2">
          {waiting === 1 ? 'One entry is' : `${waiting} entries are`} kept on this device until the server has taken{' '}
          {waiting === 1 ? 'it' : 'them'}.
        </Notice>
      )}
    </div>
  );
}

/** The machine's own words about itself, and how old they are. */
export function StatusLine({ view }: { view: { status: { state: string; hopper: number; battery: number } | null; heardAt: number } }) {
  const [now, setNow] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 500);
    return () => clearInterval(timer);
  }, []);
  const { status, heardAt } = view;
  return (
    <p className="text-sm text-quiet" data-testid="machine-state" data-state={status?.state ?? 'unknown'}>
      {status
        ? `Machine: ${status.state} · ${status.hopper} balls left · battery ${Math.round(status.battery * 100)} % · heard ${printTime(Math.max(0, (now - heardAt) / 1000), 1)} ago`
        : 'Machine: no word yet'}
    </p>
  );
}
