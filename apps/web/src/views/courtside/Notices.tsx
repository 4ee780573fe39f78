import { printTime } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { Notice } from '../../ui/Notice.tsx';
import { useWaiting } from '../../ui/outbox.ts';

/** What went wrong with the line, the machine or the server, and what is kept. */
export function Notices({
  machineName,
  hasLine,
  view,
}: {
  machineName: string;
  hasLine: boolean;
  view: { serverUp: boolean; linkUp: boolean; status: { state: string; why: string } | null };
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
        <Notice tone="error" loud className="mt-2">
          {view.serverUp ? `${machineName} does not answer.` : 'The server does not answer.'} A machine without its line stops by itself
          within a second. Your tally is kept.
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
