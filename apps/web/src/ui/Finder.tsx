import type MiniSearch from 'minisearch';
import { type KeyboardEvent, useEffect, useId, useState } from 'react';
import type { Findable } from '../api/rows.ts';
import { api, messageOf } from './api.ts';
import { Dialog } from './Dialog.tsx';

const SHOWN = 12;
type Entry = Findable & { id: number };

const PAGES: readonly Findable[] = [
  { what: 'page', name: 'What next', more: '', href: '/next' },
  { what: 'page', name: 'The club this week', more: '', href: '/club' },
  { what: 'page', name: 'Add rounds from paper', more: '', href: '/rounds/add' },
  { what: 'page', name: 'Drill library', more: '', href: '/ladders/library' },
  { what: 'page', name: 'Build a ladder', more: '', href: '/ladders/build' },
];

/** The field, and what is found as it is typed. */
export function Finder({ onClose }: { onClose: () => void }) {
  const [all, setAll] = useState<Entry[]>([]);
  const [index, setIndex] = useState<MiniSearch<Entry> | null>(null);
  const [problem, setProblem] = useState('');
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const id = useId();

  useEffect(() => {
    let isOpen = true;
    Promise.all([import('minisearch'), api<Findable[]>('GET', 'find')])
      .then(([{ default: Index }, rows]) => {
        if (!isOpen) return;
        const entries = [...PAGES, ...rows].map((each, i) => ({ ...each, id: i }));
        const made = new Index<Entry>({
          fields: ['name', 'more', 'what'],
          searchOptions: { boost: { name: 3 }, prefix: true, fuzzy: 0.2, combineWith: 'AND' },
        });
        made.addAll(entries);
        setAll(entries);
        setIndex(made);
      })
      .catch((error: unknown) => isOpen && setProblem(messageOf(error)));
    return () => {
      isOpen = false;
    };
  }, []);

  const found =
    text.trim() === '' || !index
      ? all.slice(0, SHOWN)
      : index
          .search(text)
          .slice(0, SHOWN)
          .flatMap(({ id: hit }) => all[hit] ?? []);
  const chosen = Math.min(at, found.length - 1);

  function key(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      setAt(Math.max(0, Math.min(found.length - 1, chosen + by)));
    } else if (event.key === 'Enter' && found[chosen]) {
      event.preventDefault();
      location.assign(found[chosen].href);
    }
  }

  return (
    <Dialog title="Find" onClose={onClose}>
      <input
        data-first
        type="search"
        role="combobox"
        aria-label="A player, ladder, drill, machine, place or round"
        aria-expanded={found.length > 0}
        aria-controls={id}
        aria-activedescendant={found[chosen] ? `${id} ${found[chosen].id}` : undefined}
        autoComplete="off"
        placeholder="a player, a ladder, a machine …"
        className="input h-12 w-full border-base-content bg-base-100 text-lg"
        value={text}
        onChange={({ target }) => {
          setText(target.value);
          setAt(0);
        }}
        onKeyDown={key}
      />
      {problem && (
        <p role="alert" className="mt-2 font-medium text-error">
          {problem}
        </p>
      )}
      {!index && !problem && <p className="mt-3 text-quiet">One moment …</p>}
      {index && found.length === 0 && <p className="mt-3">Nothing is called so.</p>}
      <div role="listbox" id={id} aria-label="Found" className="mt-2">
        {found.map((each, i) => (
          <a
            key={each.id}
            id={`${id} ${each.id}`}
            role="option"
            aria-selected={i === chosen}
            tabIndex={-1}
            href={each.href}
            className={`flex min-h-12 items-center gap-3 border-b border-base-300 px-2 ${i === chosen ? 'bg-base-300' : 'hover:bg-base-200'}`}
          >
            <span className="w-20 shrink-0 text-sm text-quiet">{each.what}</span>
            <span className="min-w-0 grow truncate font-semibold">{each.name}</span>
            <span className="max-w-36 shrink-0 truncate text-sm text-quiet">{each.more}</span>
          </a>
        ))}
      </div>
    </Dialog>
  );
}
