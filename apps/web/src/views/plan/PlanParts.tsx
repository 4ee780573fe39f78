import type { PlanDocument } from '@good-arc/core';
import { ArrowDown, ArrowUp, Minus, Plus, X } from 'lucide-react';
import type { RungRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { moved } from '../../ui/moved.ts';
import { ROLE_NAMES } from '../../words/next.ts';

type Parts = NonNullable<PlanDocument['rungs']>;

/** The rungs of a plan that are not one whole ladder: their rounds and their order. */
export function PlanParts({ parts, rungs, onChange }: { parts: Parts; rungs: readonly RungRow[]; onChange: (parts: Parts) => void }) {
  const set = (at: number, change: Partial<Parts[number]>): void =>
    onChange(parts.map((part, i) => (i === at ? { ...part, ...change } : part)));
  const swap = (at: number, by: 1 | -1): void => onChange(moved(parts, at, at + by));
  return (
    <fieldset>
      <legend className="text-sm font-medium text-quiet">Rungs</legend>
      <ol className="border-y border-base-300">
        {parts.map(({ rungId, rounds, role, half = false }, i) => {
          const name = rungs.find(({ id }) => id === rungId)?.document.name ?? 'a rung that was removed';
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the same rung may come twice
            <li key={`${rungId} ${i}`} className="border-b border-base-300 py-1.5 last:border-0">
              <p className="break-words">
                {role && <b>{ROLE_NAMES[role]}: </b>}
                {name}
              </p>
              {(half || role === 'main') && (
                <label className="flex min-h-11 items-center gap-2">
                  <input type="checkbox" className="checkbox" checked={half} onChange={({ target }) => set(i, { half: target.checked })} />
                  Each at their own target for half
                </label>
              )}
              <div className="flex items-center gap-1" role="group" aria-label={`Rounds of ${name}`}>
                <Button square aria-label="One round less" disabled={rounds === 1} onClick={() => set(i, { rounds: rounds - 1 })}>
                  <Minus size={18} aria-hidden />
                </Button>
                <span className="dial min-w-8 text-center text-lg">{rounds}</span>
                <Button square aria-label="One round more" disabled={rounds === 20} onClick={() => set(i, { rounds: rounds + 1 })}>
                  <Plus size={18} aria-hidden />
                </Button>
                <Button square look="ghost" className="ml-auto" aria-label="Earlier" disabled={i === 0} onClick={() => swap(i, -1)}>
                  <ArrowUp size={18} aria-hidden />
                </Button>
                <Button square look="ghost" aria-label="Later" disabled={i === parts.length - 1} onClick={() => swap(i, 1)}>
                  <ArrowDown size={18} aria-hidden />
                </Button>
                <Button
                  square
                  look="ghost"
                  aria-label={`Take out ${name}`}
                  disabled={parts.length === 1}
                  onClick={() => onChange(parts.filter((_, at) => at !== i))}
                >
                  <X size={18} aria-hidden />
                </Button>
              </div>
            </li>
          );
        })}
      </ol>
    </fieldset>
  );
}
