import type { Checklist, OutingId } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { device } from '../../device/store.ts';
import { Button } from '../../ui/Button.tsx';
import { today } from '../../ui/day.ts';
import { outbox } from '../../ui/outbox.ts';
import { ChecksForm } from './lateParts.tsx';
import { outingOfToday } from './run.ts';

interface Props {
  checks: Checklist;
  /** Which half: before the first ball, or after the last. */
  part: keyof Checklist;
  mayEdit: boolean;
}

const KEY = 'checks';

/** What was ticked on this outing, kept on the device as well. */
function ticked(outingId: OutingId): Checklist {
  try {
    const kept = JSON.parse(device().getItem(KEY) ?? 'null') as { outingId: OutingId; checks: Checklist } | null;
    return kept?.outingId === outingId ? kept.checks : { before: [], after: [] };
  } catch {
    return { before: [], after: [] };
  }
}

/** One half of the checklist, ticked with a thumb; the ticks go with the outing. */
export function Checks({ checks: initial, part, mayEdit }: Props) {
  const [checks, setChecks] = useState(initial);
  const [done, setDone] = useState<string[]>([]);
  const [isEditing, setIsEditing] = useState(false);
  const outing = (): string => outingOfToday(today(), uuidv7);
  // the device knows what was ticked; the server that drew the page does not
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page is there
  useEffect(() => void device().ready.then(() => setDone(ticked(outing())[part])), [part]);

  function tick(item: string): void {
    const id = outing();
    const next = done.includes(item) ? done.filter((each) => each !== item) : [...done, item];
    const all = { ...ticked(id), [part]: next };
    setDone(next);
    device().setItem(KEY, JSON.stringify({ outingId: id, checks: all }));
    outbox().add({
      method: 'PUT',
      path: `outings/${id}/checks`,
      body: { startedAt: new Date().toISOString(), checks: all },
      what: `Checklist: ${item}`,
    });
  }

  const items = checks[part];
  const open = items.filter((item) => !done.includes(item)).length;
  return (
    <details className="mb-2 border-y border-base-300">
      <summary className="flex min-h-12 cursor-pointer items-center gap-2 font-semibold">
        {part === 'before' ? 'Before the first ball' : 'Put away'}
        <span className={open === 0 ? 'text-secondary' : 'text-quiet'}>
          {open === 0 ? '✓ all done' : `${items.length - open} of ${items.length}`}
        </span>
      </summary>
      {!isEditing ? (
        <>
          <ul className="grid gap-x-6 pb-2 md:grid-cols-2">
            {items.map((item) => (
              <li key={item}>
                <label className="flex min-h-12 items-center gap-3 text-lg">
                  <input type="checkbox" className="checkbox" checked={done.includes(item)} onChange={() => tick(item)} />
                  {item}
                </label>
              </li>
            ))}
          </ul>
          {mayEdit && (
            <Button look="ghost" className="mb-2 px-2" onClick={() => setIsEditing(true)}>
              Change this list for the club
            </Button>
          )}
        </>
      ) : (
        <ChecksForm
          checks={checks}
          part={part}
          onSaved={(next) => {
            setChecks(next);
            setIsEditing(false);
          }}
          onClose={() => setIsEditing(false)}
        />
      )}
    </details>
  );
}
