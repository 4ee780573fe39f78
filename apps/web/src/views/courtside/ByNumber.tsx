import { type Outcome, outcomesByNumber } from '@good-arc/core';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import type { Group } from './groups.ts';

/** Results by one number for each kind of ball, when there was no time between the balls. @param groups one at least */
export function ByNumber({
  groups,
  onCount,
}: {
  groups: readonly Group[];
  onCount: (results: { seq: number; outcome: Outcome }[]) => void;
}) {
  const [hits, setHits] = useState<Record<string, number>>({});
  const [open, setOpen] = useState(false);
  const of = ({ key, seqs }: Group): number => Math.min(hits[key] ?? 0, seqs.length);
  const count = (): void => {
    onCount(
      groups
        .flatMap((group) => {
          const outcomes = outcomesByNumber(of(group), group.seqs.length);
          return group.seqs.map((seq, i) => ({ seq, outcome: outcomes[i]! }));
        })
        .sort((a, b) => a.seq - b.seq),
    );
    setHits({});
    setOpen(false);
  };
  return (
    <details className="open:w-full" open={open} onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">Count them by a number</summary>
      {groups.map((group) => (
        <div key={group.key} className="flex flex-wrap items-center gap-x-3 py-1" role="group" aria-label={group.name || 'Hits'}>
          {group.name && <span className="min-w-0 grow basis-40 break-words">{group.name}</span>}
          <Button square size="l" aria-label="One less" onClick={() => setHits({ ...hits, [group.key]: Math.max(0, of(group) - 1) })}>
            <Minus size={20} aria-hidden />
          </Button>
          <span className="dial min-w-24 text-center text-2xl">
            {of(group)} of {group.seqs.length}
          </span>
          <Button
            square
            size="l"
            aria-label="One more"
            onClick={() => setHits({ ...hits, [group.key]: Math.min(group.seqs.length, of(group) + 1) })}
          >
            <Plus size={20} aria-hidden />
          </Button>
        </div>
      ))}
      <Button look="primary" size="l" className="mt-1" onClick={count}>
        Count them
      </Button>
    </details>
  );
}
