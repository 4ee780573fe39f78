import type { RungDocument } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { LadderRow, RungRow } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { useHistory } from '../../ui/history.ts';

const SAVE_AFTER_MS = 350;

/**
 * A ladder with undo and redo. Every change is saved whole a moment later; while the server is away the page keeps it and tries again.
 */
export function useLadder(initial: LadderRow) {
  const history = useHistory<LadderRow>(initial);
  const ladder = history.now;
  const saved = useRef(initial);
  const inFlight = useRef<Promise<void> | null>(null);
  const [state, setState] = useState<'saved' | 'saving' | 'failed'>('saved');
  const [tries, setTries] = useState(0);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a try that failed is made again
  useEffect(() => {
    if (ladder === saved.current && !inFlight.current) {
      // undone before it was saved
      setState('saved');
      return;
    }
    setState('saving');
    const later = setTimeout(() => {
      // one after the other, so that the last one counts
      const before = inFlight.current ?? Promise.resolve();
      const mine = before.then(async () => {
        const { id, name, sport, level, approach, rungs } = ladder;
        try {
          await api('PUT', `ladders/${id}/whole`, {
            ladder: { name, sport, level, approach },
            rungs: rungs.map(({ id: rungId, document }) => ({ id: rungId, document })),
          });
          saved.current = ladder;
          if (inFlight.current === mine) setState('saved');
        } catch (error) {
          if (inFlight.current === mine) setState('failed');
          toast.error(messageOf(error));
        }
        if (inFlight.current === mine) inFlight.current = null;
      });
      inFlight.current = mine;
    }, SAVE_AFTER_MS);
    return () => clearTimeout(later);
  }, [ladder, tries]);

  useEffect(() => {
    if (state === 'saved') return;
    const warn = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [state]);

  const put = (part: Partial<LadderRow>, key = ''): void => history.set({ ...ladder, ...part }, key);
  const putRungs = (rungs: RungRow[], key = ''): void => put({ rungs: rungs.map((rung, position) => ({ ...rung, position })) }, key);
  return {
    ladder,
    state,
    /** Saves again what could not be saved. */
    again: () => setTries((now) => now + 1),
    put,
    putRungs,
    putRung: (id: string, part: Partial<RungDocument>, key = '') =>
      putRungs(
        ladder.rungs.map((rung) => (rung.id === id ? { ...rung, document: { ...rung.document, ...part } } : rung)),
        key === '' ? '' : `${id} ${key}`,
      ),
    undo: history.undo,
    redo: history.redo,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
  };
}
export type LadderState = ReturnType<typeof useLadder>;
