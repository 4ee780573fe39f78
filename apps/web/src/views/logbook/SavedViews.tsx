import { X } from 'lucide-react';
import { useState } from 'react';
import type { SavedView } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';

/** Choices of the logbook that a person keeps: opened again, kept under a name, taken out. @param query of what is shown; empty for everything @param proposed a name for it */
export function SavedViews({ views: initial, query, proposed }: { views: readonly SavedView[]; query: string; proposed: string }) {
  const [views, setViews] = useState(initial);
  const [name, setName] = useState<string | null>(null);
  const shown = views.find((view) => view.query === query);

  async function put(view: SavedView, kept: boolean): Promise<void> {
    await api('PATCH', 'me', { view: { ...view, kept } });
    setViews((now) => {
      const others = now.filter((each) => each.name !== view.name);
      return kept ? [...others, view].sort((a, b) => a.name.localeCompare(b.name)) : others;
    });
  }
  async function keep(text: string): Promise<void> {
    if (await attempt(() => put({ name: text, query }, true))) setName(null);
  }
  async function takeOut(view: SavedView): Promise<void> {
    if (await attempt(() => put(view, false))) saidWithUndo(`“${view.name}” was taken out.`, () => put(view, true));
  }

  if (views.length === 0 && query === '') return null;
  return (
    <nav aria-label="Kept views" className="no-print mt-2 flex flex-wrap items-center gap-x-2 gap-y-1">
      {views.map((view) => (
        <span key={view.name} className="flex max-w-full items-center">
          <Button
            look={view === shown ? 'primary' : 'outline'}
            className="h-auto max-w-full rounded-r-none py-2 whitespace-normal break-words"
            href={`/logbook?${view.query}`}
            {...(view === shown && { 'aria-current': 'page' as const })}
          >
            {view.name}
          </Button>
          <Button className="rounded-l-none border-l-0 px-2" aria-label={`Take out ${view.name}`} onClick={() => void takeOut(view)}>
            <X size={16} aria-hidden />
          </Button>
        </span>
      ))}
      {query !== '' &&
        !shown &&
        (name === null ? (
          <Button look="ghost" className="px-2" onClick={() => setName(proposed)}>
            Keep this view
          </Button>
        ) : (
          <form
            className="flex flex-wrap items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (name.trim() !== '') void keep(name.trim());
            }}
          >
            <TextField label="Its name" autoFocus maxLength={80} value={name} onChange={({ target }) => setName(target.value)} />
            <Button look="primary" type="submit" disabled={name.trim() === ''}>
              Keep it
            </Button>
            <Button look="ghost" onClick={() => setName(null)}>
              Not now
            </Button>
          </form>
        ))}
    </nav>
  );
}
