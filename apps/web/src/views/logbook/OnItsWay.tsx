import type { RoundId } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { useWaiting } from '../../ui/outbox.ts';

/**
 * What this device has not told the server of a round yet: the page shows what the server has, and is loaded again when it has all of it; by a press
 * where something has been typed meanwhile.
 */
export function OnItsWay({ roundId }: { roundId: RoundId }) {
  const waits = useWaiting().filter(({ path }) => path.startsWith(`rounds/${roundId}`)).length;
  const [wasWaiting, setWasWaiting] = useState(false);
  const isThere = wasWaiting && waits === 0;
  useEffect(() => {
    if (waits > 0) setWasWaiting(true);
  }, [waits]);
  const isTouched = useRef(false);
  useEffect(() => {
    const touch = (): void => {
      isTouched.current = true;
    };
    document.addEventListener('input', touch);
    // who is on the way to another page is not called back
    window.addEventListener('beforeunload', touch);
    return () => {
      document.removeEventListener('input', touch);
      window.removeEventListener('beforeunload', touch);
    };
  }, []);
  useEffect(() => {
    if (isThere && !isTouched.current) location.reload();
  }, [isThere]);
  if (waits === 0 && !isThere) return null;
  return (
    <Notice tone="note" role="status" className="no-print mt-3">
      {isThere ? (
        <>
          The rest of this round is there now. <Button onClick={() => location.reload()}>Show it</Button>
        </>
      ) : (
        'Not all of this round is shown yet: this device is still sending it.'
      )}
    </Notice>
  );
}
