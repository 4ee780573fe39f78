import type { RungDocument } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { LadderRow, RungRow, Versioned } from '../../api/rows.ts';
import { api, madeMeanwhile, messageOf } from '../../ui/api.ts';
import { Autosave, type SaveState } from '../../ui/autosave.ts';
import type { Whose } from '../../ui/ChangedSince.tsx';
import { useHistory } from '../../ui/history.ts';
import { mergedLadder } from '../../ui/merge.ts';
import { toast } from '../../ui/toast.ts';

/** Writes from the ladder this page knows to be kept, and goes on from what it wrote. */
class Writer {
  /** What is kept, as far as this page knows. */
  base: LadderRow;

  constructor(base: LadderRow) {
    this.base = base;
  }

  async write(now: LadderRow): Promise<void> {
    const { id, name, sport, level, approach, rungs } = now;
    const { version } = await api<Versioned>('PUT', `ladders/${id}/whole`, {
      version: this.base.version,
      ladder: { name, sport, level, approach },
      rungs: rungs.map(({ id: rungId, document }) => ({ id: rungId, document })),
    });
    this.base = { ...now, version };
  }
}

/**
 * A ladder with undo and redo. Every change is saved whole a moment later; while the server is away the page keeps it until it is changed or saved again. A page that has not seen
 * another’s change is told so, and overwrites nothing.
 */
export function useLadder(initial: LadderRow) {
  const history = useHistory<LadderRow>(initial);
  const ladder = history.now;
  const [state, setState] = useState<SaveState>('saved');
  /** What somebody else made of it meanwhile. */
  const [theirs, setTheirs] = useState<LadderRow | null>(null);
  const [writer] = useState(() => new Writer(initial));
  const [autosave] = useState(
    () =>
      new Autosave<LadderRow>(
        initial,
        (value) => writer.write(value),
        (now, error) => {
          setState(now);
          const made = madeMeanwhile<LadderRow>(error);
          if (made) setTheirs(made);
          else if (error) toast.error(messageOf(error));
        },
      ),
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

  /** Goes on from what is kept now, with this ladder. */
  function settle(whose: Whose): void {
    if (!theirs) return;
    const next = whose === 'mine' ? { ...ladder } : whose === 'theirs' ? theirs : mergedLadder(writer.base, ladder, theirs);
    writer.base = theirs;
    setTheirs(null);
    history.set(next);
  }

  const put = (part: Partial<LadderRow>, key = ''): void => history.set({ ...ladder, ...part }, key);
  const putRungs = (rungs: RungRow[], key = ''): void => put({ rungs: rungs.map((rung, position) => ({ ...rung, position })) }, key);
  return {
    ladder,
    state: now,
    /** Somebody else has changed the ladder: nothing of this page is saved until it is said whose is kept. */
    isStale: theirs !== null,
    settle,
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
