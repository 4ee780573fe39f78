import type { RungId } from '@good-arc/core';
import { Star } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Kit, LadderRow, Viewer } from '../../api/rows.ts';
import { ThumbDrawing } from '../../ui/ArcThumb.tsx';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { later } from '../../ui/later.tsx';
import { courtsideLink } from '../../ui/links.ts';
import type { Thumb } from '../../ui/thumb.ts';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { whenMeant } from '../../ui/whenMeant.ts';
import { APPROACH_NAMES } from '../../words/progress.ts';
import { duplicateLadder } from './duplicate.ts';
import { useFavourites } from './useFavourites.ts';

// what reads files
const loadReadCard = async () => (await import('./ReadCard.tsx')).ReadCard;
const ReadCard = later(loadReadCard);

/** A ladder as a list shows it. */
interface ListedLadder extends Pick<LadderRow, 'id' | 'name' | 'sport' | 'approach'> {
  /** In words. */
  level: string;
  minutes: number;
  /** By words it is found by. */
  rungs: { id: RungId; words: string }[];
  thumbs: Thumb[];
}

/** All ladders of the club. */
export default function LadderList({
  viewer,
  ladders: initial,
  deleted,
  kit,
}: {
  viewer: Viewer;
  kit: Pick<Kit, 'machines' | 'courts'>;
  ladders: ListedLadder[];
  deleted: string | null;
}) {
  const [ladders, setLadders] = useState(initial);
  const [reading, setReading] = useState(false);
  /** A card that came with the address. */
  const [given, setGiven] = useState('');
  useEffect(() => {
    if (!location.hash.startsWith('#arc')) return;
    setGiven(location.hash);
    setReading(true);
    history.replaceState(null, '', '/ladders');
  }, []);
  const [wanted, setWanted] = useState('');
  const favourites = useFavourites(viewer);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = ladders
    .filter(({ name, sport, level, rungs }) => {
      const text = [name, sport, level, ...rungs.map((rung) => rung.words)].join(' ').toLowerCase();
      return words.every((word) => text.includes(word));
    })
    .sort((a, b) => Number(favourites.has(b.id)) - Number(favourites.has(a.id)));

  useEffect(() => {
    if (!deleted) return;
    window.history.replaceState(null, '', '/ladders');
    saidWithUndo('The ladder was deleted.', async () => {
      await api('POST', `ladders/${deleted}/restore`, {});
      location.assign(`/ladders/${deleted}`);
    });
  }, [deleted]);

  async function remove(ladder: ListedLadder): Promise<void> {
    if (!(await attempt(() => api('DELETE', `ladders/${ladder.id}`)))) return;
    setLadders((now) => now.filter(({ id }) => id !== ladder.id));
    saidWithUndo(`“${ladder.name}” was deleted.`, async () => {
      await api('POST', `ladders/${ladder.id}/restore`, {});
      setLadders((now) => [...now, ladder]);
    });
  }

  return (
    <Units system={viewer.units}>
      <div className="px-4 pt-5 pb-12 md:px-6">
        <div className="flex flex-wrap items-end gap-4">
          <h1 className="text-3xl">Ladders</h1>
          <p className="pb-1 text-quiet">from a kind ball to the game ball, one small step at a time</p>
          {viewer.canPlan && (
            <Button size="l" className="ml-auto" {...whenMeant(loadReadCard)} onClick={() => setReading(true)}>
              Read a card
            </Button>
          )}
          <Button size="l" href="/bench">
            New rung on the bench
          </Button>
          <Button size="l" href="/ladders/library">
            Library
          </Button>
          <Button look="primary" size="l" href="/ladders/build">
            Build to a game ball
          </Button>
        </div>
        {ladders.length > 4 && (
          <label className="mt-3 block max-w-md">
            <span className="mb-0.5 block text-sm font-medium text-quiet">Find a ladder</span>
            <input
              type="search"
              className="input h-11 w-full border-base-content/60 bg-base-100 text-base"
              value={wanted}
              onChange={({ target }) => setWanted(target.value)}
            />
          </label>
        )}
        {ladders.length > 0 && shown.length === 0 && <p className="mt-4 text-lg">No ladder is called like that.</p>}
        {ladders.length === 0 && (
          <p className="mt-8 max-w-xl text-lg">
            There is no ladder yet. Build one to a game ball, take a drill from the library, or set up a ball on the bench and press “Add to
            ladder”.
          </p>
        )}
        <ul className="mt-4 border-t border-base-content">
          {shown.map((ladder) => {
            const { id, name, sport, level, approach, minutes, rungs, thumbs } = ladder;
            return (
              <li key={id} className="when-seen flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-base-300 py-4">
                <div className="min-w-0 grow basis-80">
                  <h2 className="text-xl break-words">
                    <a className="hover:underline" href={`/ladders/${id}`}>
                      {name}
                    </a>
                  </h2>
                  <p className="text-quiet">
                    {sport} · {level} · {APPROACH_NAMES[approach].toLowerCase()} · {rungs.length} {rungs.length === 1 ? 'rung' : 'rungs'} ·{' '}
                    {Math.round(minutes)} min
                  </p>
                </div>
                <div className="flex flex-wrap gap-x-3" aria-hidden="true">
                  {thumbs.map((thumb, i) => (
                    <ThumbDrawing key={rungs[i]!.id} thumb={thumb} />
                  ))}
                </div>
                <div className="flex flex-wrap">
                  <Button
                    look="ghost"
                    square
                    aria-pressed={favourites.has(id)}
                    aria-label={`Favourite: ${name}`}
                    onClick={() => favourites.toggle(id)}
                  >
                    <Star size={20} aria-hidden fill={favourites.has(id) ? 'currentColor' : 'none'} />
                  </Button>
                  {rungs[0] && (
                    <Button look="ghost" href={courtsideLink(rungs[0].id)}>
                      Run
                    </Button>
                  )}
                  {rungs[0] && (
                    <Button look="ghost" href={`/card?ladder=${id}`}>
                      Card
                    </Button>
                  )}
                  <Button look="ghost" onClick={() => attempt(async () => location.assign(`/ladders/${await duplicateLadder(ladder)}`))}>
                    Duplicate
                  </Button>
                  <Button look="ghost" aria-label={`Delete ${name}`} onClick={() => remove(ladder)}>
                    Delete
                  </Button>
                </div>
              </li>
            );
          })}
        </ul>
        {reading && <ReadCard kit={kit} given={given} onClose={() => setReading(false)} />}
      </div>
    </Units>
  );
}
