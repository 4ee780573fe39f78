import { type Outcome, outcomesByNumber, type programOf, type RungDocument } from '@good-arc/core';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import type { RunBall } from './run.ts';

/** Balls that are counted together: of one kind, and of one of those who hit in turn. */
export interface Group {
  key: string;
  name: string;
  seqs: readonly number[];
}

/** What may be counted by a number, not yet judged; empty where the order of hits matters. @param upTo number of the last ball that was thrown */
export function groupsOf(
  document: RungDocument,
  { program, turns }: { program: ReturnType<typeof programOf>; turns: readonly number[] },
  names: readonly string[],
  balls: readonly RunBall[],
  upTo: number,
): Group[] {
  if ('streak' in document.gate || document.feeds.some(({ letGo }) => letGo)) return [];
  const groups = new Map<string, { name: string; seqs: number[] }>();
  program.forEach(({ index }, i) => {
    const seq = i + 1;
    const feed = document.feeds[index]!;
    const isJudged = balls.some((ball) => ball.seq === seq && ball.outcome !== null);
    if (seq > upTo || isJudged || feed.counts === false) return;
    const who = turns[i] ?? 0;
    const name = [names.length > 1 && names[who], document.feeds.length > 1 && feed.name].filter(Boolean).join(', ');
    const key = `${who} ${index}`;
    groups.set(key, { name, seqs: [...(groups.get(key)?.seqs ?? []), seq] });
  });
  return [...groups].map(([key, group]) => ({ key, ...group }));
}

/** Results by one number for each kind of ball, when there was no time between the balls. */
export function ByNumber({
  groups,
  onCount,
}: {
  groups: readonly Group[];
  onCount: (results: { seq: number; outcome: Outcome }[]) => void;
}) {
  const [hits, setHits] = useState<Record<string, number>>({});
  const [open, setOpen] = useState(false);
  if (groups.length === 0) return null;
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
