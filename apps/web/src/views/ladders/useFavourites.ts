import { useState } from 'react';
import type { Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { attempt } from '../../ui/undo.ts';

/** The person's own favourites: ladders and built-in drills, by id. */
export function useFavourites(viewer: Viewer) {
  const [ids, setIds] = useState(viewer.favourites);
  return {
    has: (id: string): boolean => ids.includes(id),
    toggle: async (id: string): Promise<void> => {
      const next = ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id];
      setIds(next);
      if (!(await attempt(() => api('PATCH', 'me', { favourites: next })))) setIds(ids);
    },
  };
}
