import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { APPROACH_NAMES, APPROACHES, LEVELS, minutesOf } from '@good-arc/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, LadderRow, RungRow, Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { Select } from '../../ui/Select.tsx';
import { Units } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { duplicateLadder } from './duplicate.ts';
import { RungLine } from './RungLine.tsx';

const APPROACH_ADVICE: Record<LadderRow['approach'], string> = {
  'sweet-spot': 'aim for about half; tighten at 8 of 10, loosen at 3 of 10',
  'earn-it': 'the same rung until its count is met; never down',
  'in-a-row': 'a streak opens the next rung',
  'coachs-eye': 'the coach decides on form, not on outcome',
};

/** One ladder: its rungs, easiest at the bottom. Every change is saved at once; what fails is put back. */
export default function LadderPage({ viewer, kit, ladder: initial }: { viewer: Viewer; kit: Kit; ladder: LadderRow }) {
  const [ladder, setLadder] = useState(initial);
  const { rungs } = ladder;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  /** Shows the change at once, and puts it back when the server did not take it. */
  async function change(next: LadderRow, save: () => Promise<unknown>): Promise<boolean> {
    const before = ladder;
    setLadder(next);
    const worked = await attempt(save);
    if (!worked) setLadder(before);
    return worked;
  }

  function saveHead(part: Partial<Pick<LadderRow, 'name' | 'level' | 'approach'>>): void {
    const next = { ...ladder, ...part };
    const { name, sport, level, approach } = next;
    void change(next, () => api('PUT', `ladders/${ladder.id}`, { name, sport, level, approach }));
  }

  const reorder = (next: RungRow[]): Promise<boolean> =>
    change({ ...ladder, rungs: next }, () => api('PUT', `ladders/${ladder.id}/order`, { rungIds: next.map(({ id }) => id) }));

  function move(index: number, by: 1 | -1): void {
    const to = index + by;
    if (to >= 0 && to < rungs.length) void reorder(arrayMove(rungs, index, to));
  }

  function onDragEnd({ active, over }: DragEndEvent): void {
    const [from, to] = [rungs.findIndex(({ id }) => id === active.id), rungs.findIndex(({ id }) => id === over?.id)];
    if (from >= 0 && to >= 0 && from !== to) void reorder(arrayMove(rungs, from, to));
  }

  async function duplicate(rung: RungRow, index: number): Promise<void> {
    const copy: RungRow = { ...rung, id: uuidv7(), document: { ...rung.document, name: `${rung.document.name.slice(0, 113)} (copy)` } };
    const next = rungs.toSpliced(index + 1, 0, copy);
    await change({ ...ladder, rungs: next }, async () => {
      await api('PUT', `rungs/${copy.id}`, { ladderId: ladder.id, document: copy.document });
      await api('PUT', `ladders/${ladder.id}/order`, { rungIds: next.map(({ id }) => id) });
    });
  }

  async function remove(rung: RungRow): Promise<void> {
    const worked = await change({ ...ladder, rungs: rungs.filter(({ id }) => id !== rung.id) }, () => api('DELETE', `rungs/${rung.id}`));
    if (!worked) return;
    saidWithUndo(`“${rung.document.name}” was deleted.`, async () => {
      await api('POST', `rungs/${rung.id}/restore`, {});
      setLadder((now) => ({ ...now, rungs: [...now.rungs, rung].sort((a, b) => a.position - b.position) }));
    });
  }

  async function removeLadder(): Promise<void> {
    if (await attempt(() => api('DELETE', `ladders/${ladder.id}`))) location.assign(`/ladders?deleted=${ladder.id}`);
  }

  const minutes = rungs.reduce((sum, { document }) => sum + minutesOf(document), 0);
  const balls = rungs.reduce((sum, { document }) => sum + document.rounds * document.ballsPerRound, 0);
  const topFirst = [...rungs].reverse();

  return (
    <Units system={viewer.units}>
      <div className="px-4 pt-4 pb-12 md:px-6">
        <a href="/ladders" className="text-sm font-medium text-quiet hover:underline">
          All ladders
        </a>
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <LadderName name={ladder.name} onRename={(name) => saveHead({ name })} />
          <p className="pb-2 text-quiet">
            {ladder.sport} · {rungs.length} {rungs.length === 1 ? 'rung' : 'rungs'} · {Math.round(minutes)} min · {balls} balls
          </p>
          <div className="ml-auto flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-ghost min-h-11"
              onClick={() => attempt(async () => location.assign(`/ladders/${await duplicateLadder(ladder)}`))}
            >
              Duplicate
            </button>
            <button type="button" className="btn btn-ghost min-h-11" onClick={removeLadder}>
              Delete
            </button>
            {rungs[0] && (
              <a className="btn btn-primary min-h-12 px-5 text-base" href={`/courtside?rung=${rungs[0].id}`}>
                Take it on court
              </a>
            )}
          </div>
        </div>
        <div className="mt-3 flex flex-wrap items-end gap-4 border-b border-base-content pb-4">
          <Select
            className="w-40"
            label="Level"
            value={ladder.level}
            onChange={(level) => saveHead({ level })}
            options={LEVELS.map((level) => [level, level] as const)}
          />
          <Select
            className="w-48"
            label="Approach"
            value={ladder.approach}
            onChange={(approach) => saveHead({ approach })}
            options={APPROACHES.map((each) => [each, APPROACH_NAMES[each]] as const)}
          />
          <p className="pb-2.5 text-quiet">{APPROACH_ADVICE[ladder.approach]}</p>
        </div>
        {rungs.length === 0 ? (
          <div className="py-10">
            <h2 className="text-2xl">No rungs yet</h2>
            <p className="mt-2 max-w-xl text-lg">
              Set up a kind ball on the bench and add it here. The easiest rung stands at the bottom; each one above asks a little more.
            </p>
            <a className="btn btn-primary mt-4 min-h-12" href="/bench">
              Open the bench
            </a>
          </div>
        ) : (
          <DndContext id="rungs" sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
            <SortableContext items={topFirst.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
              <ol className="border-b-2 border-base-content" aria-label="Rungs, hardest first">
                {topFirst.map((rung) => {
                  const index = rungs.indexOf(rung);
                  return (
                    <RungLine
                      key={rung.id}
                      rung={rung}
                      number={index + 1}
                      count={rungs.length}
                      sport={ladder.sport}
                      kit={kit}
                      onMove={(by) => move(index, by)}
                      onDuplicate={() => duplicate(rung, index)}
                      onDelete={() => remove(rung)}
                    />
                  );
                })}
              </ol>
            </SortableContext>
          </DndContext>
        )}
        <div className="mt-3 flex flex-wrap justify-between gap-3 text-sm text-quiet">
          <a className="btn btn-ghost min-h-11" href="/bench">
            + Rung from the bench
          </a>
          <p className="self-center">drag a rung by its grip, or Alt ↑ ↓ on it</p>
        </div>
      </div>
    </Units>
  );
}

/** The ladder's name as a title that can be typed over; Escape leaves it as it was. */
function LadderName({ name, onRename }: { name: string; onRename: (name: string) => void }) {
  const [text, setText] = useState(name);
  const commit = (): void => {
    const tidy = text.trim().slice(0, 120);
    if (tidy === '') setText(name);
    else if (tidy !== name) onRename(tidy);
  };
  return (
    <h1 className="min-w-0 grow basis-72 text-3xl">
      <input
        aria-label="Name of the ladder"
        maxLength={120}
        className="w-full border-b-2 border-transparent bg-transparent py-1 hover:border-base-300 focus:border-base-content"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') setText(name);
        }}
      />
    </h1>
  );
}
