import type { RungDocument } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { LadderRow, RungRow } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { Autosave, type SaveState } from '../../ui/autosave.ts';
import { useHistory } from '../../ui/history.ts';

async function write({ id, name, sport, level, approach, rungs }: LadderRow): Promise<void> {
  await api('PUT', `ladders/${id}/whole`, {
    ladder: { name, sport, level, approach },
    rungs: rungs.map(({ id: rungId, document }) => ({ id: rungId, document })),
  });
}

/**
 * A ladder with undo and redo. Every change is saved whole a moment later; while the server is away the page keeps it until it is changed or saved again.
 */
export function useLadder(initial: LadderRow) {
  const history = useHistory<LadderRow>(initial);
  const ladder = history.now;
  const [state, setState] = useState<SaveState>('saved');
  const [autosave] = useState(
    () =>
      new Autosave(initial, write, (now, error) => {
        setState(now);
        if (error) toast.error(messageOf(error));
      }),
  );
  useEffect(() => autosave.put(ladder), [autosave, ladder]);

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
    again: () => autosave.again(),
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
