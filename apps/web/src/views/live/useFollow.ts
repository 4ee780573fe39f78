import { useEffect, useState } from 'react';
import type { LiveRow } from '../../api/live.ts';
import { ApiError, api } from '../../ui/api.ts';

const EVERY_MS = 1000;
const WITHIN_MS = 4000;
const TICK_MS = 100;

/** A round that another device runs: asked for every second. */
export function useFollow(roundId: string) {
  const [row, setRow] = useState<LiveRow | null>(null);
  /** `performance.now()` when it was read. */
  const [readAt, setReadAt] = useState(0);
  const [problem, setProblem] = useState<'away' | 'none' | null>(null);
  const [now, setNow] = useState(0);

  useEffect(() => {
    let isOpen = true;
    let timer: ReturnType<typeof setTimeout>;
    async function read(): Promise<void> {
      try {
        const read = await api<LiveRow>('GET', `rounds/${roundId}/live`, undefined, { withinMs: WITHIN_MS });
        if (!isOpen) return;
        setRow(read);
        setReadAt(performance.now());
        setProblem(null);
      } catch (error) {
        if (!isOpen) return;
        setProblem(error instanceof ApiError && !error.isAway ? 'none' : 'away');
      }
      timer = setTimeout(() => void read(), EVERY_MS);
    }
    void read();
    const clock = setInterval(() => setNow(performance.now()), TICK_MS);
    return () => {
      isOpen = false;
      clearTimeout(timer);
      clearInterval(clock);
    };
  }, [roundId]);

  const sinceS = row ? row.ageS + Math.max(0, now - readAt) / 1000 : 0;
  const due = row?.shown.nextInS ?? null;
  return {
    row,
    problem,
    /** How old what is shown is, s. */
    sinceS,
    /** To the next release, s; null when none is due, or it is past. */
    inS: due === null || due - sinceS < -0.5 ? null : Math.max(0, due - sinceS),
  };
}
