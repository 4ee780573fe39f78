import type { RungId } from '@good-arc/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { outbox } from '../../ui/outbox.ts';
import { afterRound, type RoundEvent } from './round.ts';
import { type Run, savedRun, saveRun } from './run.ts';

/**
 * The round on this device: what happens to it is kept on the device and sent on.
 * @param onFound a round that was left here before
 */
export function useRound(rungId: RungId, onFound: (run: Run) => void) {
  const [run, setRun] = useState<Run | null>(null);
  const [isReady, setIsReady] = useState(false);
  // handlers of the machine's events see it as it is, not as it was drawn
  const current = useRef<Run | null>(null);
  const found = useRef(onFound);
  found.current = onFound;

  const tell = useCallback(
    (event: RoundEvent): void => {
      const after = afterRound(current.current, event);
      current.current = after.run;
      saveRun(rungId, after.run);
      setRun(after.run);
      for (const letter of after.letters) outbox().add(letter);
    },
    [rungId],
  );

  useEffect(() => {
    let isOpen = true;
    void savedRun(rungId).then((kept) => {
      if (!isOpen) return;
      if (kept) {
        tell({ kind: 'found', run: kept });
        found.current(kept);
      }
      setIsReady(true);
    });
    return () => {
      isOpen = false;
    };
  }, [rungId, tell]);

  return {
    run,
    current,
    tell,
    /** It is known whether a round was left here: before that none begins. */
    isReady,
  };
}
