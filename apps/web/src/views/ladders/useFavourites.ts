import { useRef, useState } from 'react';
import type { Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { attempt } from '../../ui/undo.ts';

/**
 * The person's own favourites: ladders and built-in drills, by id. A star is filled once the server has it: whoever
 * leaves the page then finds it again.
 */
export function useFavourites(viewer: Viewer) {
  const [ids, setIds] = useState<readonly string[]>(viewer.favourites);
  const asking = useRef(new Set<string>());
  return {
    has: (id: string): boolean => ids.includes(id),
    toggle: async (id: string): Promise<void> => {
      if (asking.current.has(id)) return;
      asking.current.add(id);
      const kept = !ids.includes(id);
      if (await attempt(() => api('PATCH', 'me', { favourite: { id, kept } }))) {
        setIds((now) => (kept ? [...now.filter((each) => each !== id), id] : now.filter((each) => each !== id)));
      }
      asking.current.delete(id);
    },
  };
}
