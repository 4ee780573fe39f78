import { printTime } from '@good-arc/core';
import type { LiveShown, LiveWish } from '../../api/live.ts';
import { Button } from '../../ui/Button.tsx';
import { sayScores, sayStopped } from '../../words/live.ts';

/** For who calls: what comes, from which machine, and another ball by one press. It is taken by the machine at the next ball, or said why not where it is run. */
export function Caller({
  shown,
  inS,
  onAsk,
  isOver,
}: {
  shown: LiveShown;
  inS: number | null;
  onAsk: (change: LiveWish['change']) => void;
  isOver: boolean;
}) {
  const { coming, kinds, machines, thrown, of, state, whose } = shown;
  const nameOf = (index: number): string => kinds.find((each) => each.index === index)?.name ?? 'another ball';
  const [next, ...later] = coming;
  const from = (machine: number): string => (machines.length > 1 ? ` · ${machines[machine]!.name}` : '');
  return (
    <section aria-label="Caller" className="grow pt-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <p className="text-quiet">
          {shown.rungName} · ball {Math.min(of, thrown + 1)} of {of} · {sayStopped(state) ?? state}
        </p>
        <p className="dial text-4xl" role="timer" aria-live="off">
          {inS === null ? '–' : printTime(inS, 1)}
        </p>
      </div>
      <p className="mt-2 font-title text-5xl leading-tight font-bold break-words md:text-7xl" data-testid="caller-next">
        {next ? nameOf(next.index) : 'That was the last ball'}
      </p>
      {next && (machines.length > 1 || whose) && (
        <p className="text-2xl font-semibold">{[whose, machines.length > 1 && machines[next.machine]!.name].filter(Boolean).join(' · ')}</p>
      )}
      <ol className="mt-3 text-xl" start={thrown + 2} aria-label="After it">
        {later.map(({ index, machine }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the number of the ball is its identity
          <li key={i} className="border-b border-base-300 py-1.5">
            <span className="dial mr-3 text-quiet">{thrown + 2 + i}</span>
            {nameOf(index)}
            <span className="text-quiet">{from(machine)}</span>
          </li>
        ))}
      </ol>
      <fieldset className="mt-4" disabled={isOver}>
        <legend className="mb-1 font-semibold">Instead, next</legend>
        <div className="flex flex-wrap gap-2">
          {kinds.length > 1 &&
            kinds.map(({ index, name }) => (
              <Button key={index} size="xl" aria-pressed={next?.index === index} onClick={() => onAsk({ kind: 'next', index })}>
                {name}
              </Button>
            ))}
          <Button size="xl" onClick={() => onAsk({ kind: 'again' })}>
            The last one again
          </Button>
          {kinds.length > 1 && (
            <Button size="xl" onClick={() => onAsk({ kind: 'skip' })}>
              Skip it
            </Button>
          )}
        </div>
      </fieldset>
      <p className="mt-4 text-lg">{sayScores(shown)}</p>
    </section>
  );
}
