import { useCallback, useReducer } from 'react';

interface History<T> {
  past: T[];
  now: T;
  future: T[];
  /** Changes with the same key in a row (one drag, one slide) are one step of undo. */
  key: string;
}

type Action<T> = { do: 'set'; value: T; key: string } | { do: 'undo' } | { do: 'redo' } | { do: 'close' };

const LONGEST = 200;

function step<T>(state: History<T>, action: Action<T>): History<T> {
  const { past, now, future } = state;
  switch (action.do) {
    case 'set':
      if (action.key !== '' && action.key === state.key) return { ...state, now: action.value, future: [] };
      return { past: [...past, now].slice(-LONGEST), now: action.value, future: [], key: action.key };
    case 'undo': {
      const before = past.at(-1);
      return before === undefined ? state : { past: past.slice(0, -1), now: before, future: [now, ...future], key: '' };
    }
    case 'redo': {
      const [next, ...rest] = future;
      return next === undefined ? state : { past: [...past, now], now: next, future: rest, key: '' };
    }
    case 'close':
      return state.key === '' ? state : { ...state, key: '' };
  }
}

/** A value with undo and redo. */
export function useHistory<T>(initial: T) {
  const [state, dispatch] = useReducer(step<T>, { past: [], now: initial, future: [], key: '' });
  return {
    now: state.now,
    /** What undo goes back to. */
    before: state.past.at(-1) ?? null,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    set: useCallback((value: T, key = '') => dispatch({ do: 'set', value, key }), []),
    /** Ends a run of changes that count as one. */
    close: useCallback(() => dispatch({ do: 'close' }), []),
    undo: useCallback(() => dispatch({ do: 'undo' }), []),
    redo: useCallback(() => dispatch({ do: 'redo' }), []),
  };
}
