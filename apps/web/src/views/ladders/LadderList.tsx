import { APPROACH_NAMES, minutesOf } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { LadderRow, Viewer } from '../../api/rows.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { api } from '../../ui/api.ts';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { duplicateLadder } from './duplicate.ts';

/** All ladders of the club. */
export default function LadderList({
  viewer,
  ladders: initial,
  deleted,
}: {
  viewer: Viewer;
  ladders: LadderRow[];
  deleted: string | null;
}) {
  const [ladders, setLadders] = useState(initial);

  useEffect(() => {
    if (!deleted) return;
    window.history.replaceState(null, '', '/ladders');
    saidWithUndo('The ladder was deleted.', async () => {
      await api('POST', `ladders/${deleted}/restore`, {});
      location.assign(`/ladders/${deleted}`);
    });
  }, [deleted]);

  async function remove(ladder: LadderRow): Promise<void> {
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
          <a className="btn btn-primary ml-auto min-h-12 text-base" href="/bench">
            New rung on the bench
          </a>
        </div>
        {ladders.length === 0 && (
          <p className="mt-8 max-w-xl text-lg">
            There is no ladder yet. Set up a ball on the bench, press “Add to ladder”, and give the ladder a name.
          </p>
        )}
        <ul className="mt-4 border-t border-base-content">
          {ladders.map((ladder) => {
            const { id, name, sport, level, approach, rungs } = ladder;
            return (
              <li key={id} className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-base-300 py-4">
                <div className="min-w-0 grow basis-80">
                  <h2 className="text-xl break-words">
                    <a className="hover:underline" href={`/ladders/${id}`}>
                      {name}
                    </a>
                  </h2>
                  <p className="text-quiet">
                    {sport} · {level} · {APPROACH_NAMES[approach].toLowerCase()} · {rungs.length} {rungs.length === 1 ? 'rung' : 'rungs'} ·{' '}
                    {Math.round(rungs.reduce((sum, { document }) => sum + minutesOf(document), 0))} min
                  </p>
                </div>
                <div className="flex flex-wrap gap-x-3" aria-hidden="true">
                  {rungs.slice(0, 5).map((rung) => (
                    <ArcThumb key={rung.id} document={rung.document} sport={sport} width={104} height={40} />
                  ))}
                </div>
                <div className="flex">
                  {rungs[0] && (
                    <a className="btn btn-ghost min-h-11" href={`/courtside?rung=${rungs[0].id}`}>
                      Run
                    </a>
                  )}
                  <button
                    type="button"
                    className="btn btn-ghost min-h-11"
                    onClick={() => attempt(async () => location.assign(`/ladders/${await duplicateLadder(ladder)}`))}
                  >
                    Duplicate
                  </button>
                  <button type="button" className="btn btn-ghost min-h-11" aria-label={`Delete ${name}`} onClick={() => remove(ladder)}>
                    Delete
                  </button>
                </div>
              </li>
            );
          })}
        </ul>
      </div>
    </Units>
  );
}
