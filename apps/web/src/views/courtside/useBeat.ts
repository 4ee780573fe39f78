import { type Beat, beatOf, nextBeatS } from '@good-arc/core';
import { useCallback, useEffect, useMemo, useState } from 'react';

/** So many taps are looked at: an older rhythm was another one. */
const LAST_TAPS = 8;
/** Nobody waits so long for a ball, s: the next tap begins anew. */
const FORGOTTEN_S = 30;
/** A due ball is shown as due for so long, s. */
const STAYS_S = 0.12;

/** The rhythm of a machine without a line, tapped along with its balls. */
export function useBeat(isOn: boolean, now: () => number = () => performance.now()) {
  const [taps, setTaps] = useState<number[]>([]);
  const [dueAt, setDueAt] = useState<number | null>(null);
  const beat = useMemo((): Beat | null => beatOf(taps), [taps]);

  useEffect(() => {
    if (!beat || !isOn) {
      setDueAt(null);
      return;
    }
    let timer: ReturnType<typeof setTimeout>;
    const next = (): void => {
      const at = now() / 1000;
      const due = nextBeatS(beat, at + STAYS_S);
      setDueAt(due * 1000);
      timer = setTimeout(next, (due - at + STAYS_S / 2) * 1000);
    };
    next();
    return () => clearTimeout(timer);
  }, [beat, isOn, now]);

  const tap = useCallback((): void => {
    const at = now() / 1000;
    setTaps((before) => {
      const last = before.at(-1);
      if (last === undefined || at - last > FORGOTTEN_S) return [at];
      const all = [...before, at].slice(-LAST_TAPS);
      // a tap that keeps no rhythm with the others begins another
      return all.length >= 3 && !beatOf(all) ? [last, at] : all;
    });
  }, [now]);

  return { beat, dueAt, taps: taps.length, tap, forget: useCallback(() => setTaps([]), []) };
}
