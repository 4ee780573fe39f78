import type { RungDocument } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import type { LadderRow, RungRow } from '../../api/rows.ts';
import { ApiError, api, messageOf } from '../../ui/api.ts';
import { Autosave, type SaveState } from '../../ui/autosave.ts';
import { useHistory } from '../../ui/history.ts';

/** Writes from the version this page knows, and goes on from the one the server answers. */
function writer(initial: LadderRow): (ladder: LadderRow) => Promise<void> {
  let { version } = initial;
  return async ({ id, name, sport, level, approach, rungs }) => {
    const kept = await api<{ version: number }>('PUT', `ladders/${id}/whole`, {
      version,
      ladder: { name, sport, level, approach },
      rungs: rungs.map(({ id: rungId, document }) => ({ id: rungId, document })),
    });
    ({ version } = kept);
  };
}

/**
 * A ladder with undo and redo. Every change is saved whole a moment later; while the server is away the page keeps it until it is changed or saved again. A page that has not seen
 * another’s change is told so, and overwrites nothing.
 */
export function useLadder(initial: LadderRow) {
  const history = useHistory<LadderRow>(initial);
  const ladder = history.now;
  const [state, setState] = useState<SaveState>('saved');
  const [stale, setStale] = useState(false);
  const [autosave] = useState(
    () =>
      new Autosave(initial, writer(initial), (now, error) => {
        setState(now);
        const isStale = error instanceof ApiError && error.isChangedSince;
        if (isStale) setStale(true);
        else if (error) toast.error(messageOf(error));
      }),
  );
  useEffect(() => autosave.put(ladder), [autosave, ladder]);

  // a change is unsaved from the moment it is drawn
  const now: SaveState = state === 'saved' && !autosave.has(ladder) ? 'saving' : state;
  useEffect(() => {
    if (now === 'saved') return;
    const warn = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [now]);

  const put = (part: Partial<LadderRow>, key = ''): void => history.set({ ...ladder, ...part }, key);
  const putRungs = (rungs: RungRow[], key = ''): void => put({ rungs: rungs.map((rung, position) => ({ ...rung, position })) }, key);
  return {
    ladder,
    state: now,
    /** Somebody else has changed the ladder: nothing of this page is saved any more. */
    stale,
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
