import {
  balanceOf,
  canThrowInOrder,
  deal,
  isIn,
  type MachineProfile,
  ORDERS,
  type Order,
  type OrderKind,
  type RungDocument,
} from '@good-arc/core';
import { Shuffle } from 'lucide-react';
import { useMemo } from 'react';
import { Button } from '../../ui/Button.tsx';
import { FeedShape } from '../../ui/FeedShape.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';

const ORDER_NAMES: Record<OrderKind, string> = {
  fixed: 'As listed',
  alternate: 'Turn about',
  blocks: 'In blocks',
  bag: 'Shuffled bag',
  weighted: 'By weight, at random',
  calls: 'A list that is called',
  player: 'The player chooses',
};
const ORDER_WORDS: Record<OrderKind, string> = {
  fixed: 'The balls in the order of the list, over and over.',
  alternate: 'One, then the other; with more than two the first comes back between the others.',
  blocks: 'So many of each, one after the other.',
  bag: 'Each once before any comes twice; of three or more never the same twice running.',
  weighted: 'At random, some more often than others, no run longer than allowed.',
  calls: 'A caller reads the list; helpers show every ball and throw the one that is called.',
  player: 'The machine repeats the first ball; the player shifts.',
};
const SHOWN = 30;

/** An order of the wanted kind, with what is known of it already. */
function orderOf(kind: OrderKind, feeds: number, before: Order, machine?: MachineProfile): Order {
  if (kind === before.kind) return before;
  if (kind === 'blocks') return { kind, size: machine && machine.aimedBy !== 'program' ? 5 : 3 };
  if (kind === 'weighted') return { kind, weights: Array<number>(feeds).fill(1), longestRun: 3 };
  if (kind === 'calls') return { kind, list: Array.from({ length: 10 }, (_, i) => (i % feeds) + 1) };
  return { kind };
}

/** The order of the balls, the next thirty of them, and how even they are. */
export function Sequence({
  document,
  machine,
  change,
  readOnly,
}: {
  document: RungDocument;
  /** That throws it: an order it cannot throw ball by ball is not offered. Undefined when it was archived. */
  machine: MachineProfile | undefined;
  change: (part: Partial<RungDocument>, key?: string) => void;
  readOnly: boolean;
}) {
  const { feeds, order, seed = 1 } = document;
  const sequence = useMemo(() => deal(document, SHOWN), [document]);
  const balance = balanceOf(sequence, feeds.length);
  const nameOf = (i: number): string => feeds[i]?.name ?? '';
  const offered = ORDERS.filter(
    (kind) =>
      kind === order.kind || !machine || canThrowInOrder({ ...document, order: orderOf(kind, feeds.length, order, machine) }, machine),
  );
  const isRandom = order.kind === 'bag' || order.kind === 'weighted' || document.sweep?.kind === 'wide';
  return (
    <div>
      {!readOnly && (
        <div className="flex flex-wrap items-end gap-3">
          <Select
            className="w-52"
            label="Order"
            value={order.kind}
            onChange={(kind) => change({ order: orderOf(kind, feeds.length, order, machine) })}
            options={offered.map((kind) => [kind, ORDER_NAMES[kind]] as const)}
          />
          {order.kind === 'blocks' && (
            <QuantityField
              className="w-24"
              label="Of each"
              dimension="count"
              min={1}
              max={20}
              step={1}
              value={order.size}
              onChange={(size) => change({ order: { ...order, size: Math.round(size) } }, 'blocks')}
            />
          )}
          {order.kind === 'weighted' && (
            <QuantityField
              className="w-28"
              label="Longest run"
              dimension="count"
              min={1}
              max={20}
              step={1}
              value={order.longestRun}
              onChange={(longestRun) => change({ order: { ...order, longestRun: Math.round(longestRun) } }, 'run')}
            />
          )}
          {isRandom && (
            <Button onClick={() => change({ seed: (seed % 9999) + 1 })}>
              <Shuffle size={17} aria-hidden /> Deal again
            </Button>
          )}
          {order.kind === 'calls' && (
            <>
              <Button onClick={() => change(newCalls(document, order.list.length))}>
                <Shuffle size={17} aria-hidden /> New list
              </Button>
              <CallList list={order.list} feeds={feeds.length} onChange={(list) => change({ order: { ...order, list } })} />
            </>
          )}
        </div>
      )}
      <p className="mt-1 text-sm text-quiet">{ORDER_WORDS[order.kind]}</p>
      <ol className="mt-2 flex flex-wrap gap-1.5" aria-label={`The next ${SHOWN} balls`} data-testid="strip">
        {sequence.map((feed, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a ball is its place in the sequence
          <li key={i} title={nameOf(feed)} data-feed={feed + 1}>
            <FeedShape index={feed} />
            <span className="sr-only">{nameOf(feed)}</span>
          </li>
        ))}
      </ol>
      {sequence.length > 0 && feeds.filter((feed) => isIn(feed, document.absent)).length > 1 && (
        <p className="mt-2 text-sm">
          Of {SHOWN}: {feeds.flatMap((feed, i) => (balance.counts[i]! > 0 ? [`${balance.counts[i]} × ${feed.name}`] : [])).join(', ')}.
          Longest run {balance.longestRun.length}
          {balance.pair && `; most often “${nameOf(balance.pair.from)}”, then “${nameOf(balance.pair.to)}” (${balance.pair.times} times)`}.
        </p>
      )}
      {sequence.length === 0 && <p className="mt-2 font-medium">No ball is switched on.</p>}
    </div>
  );
}

/** Another list to be called, as long: at random, no ball more than three times running. */
function newCalls(document: RungDocument, length: number): Partial<RungDocument> {
  const seed = ((document.seed ?? 1) % 9999) + 1;
  const weights = Array<number>(document.feeds.length).fill(1);
  const list = deal({ ...document, seed, order: { kind: 'weighted', weights, longestRun: 3 } }, length).map((feed) => feed + 1);
  return list.length > 0 ? { seed, order: { kind: 'calls', list } } : {};
}

/** A call list as numbers of the balls; what is no number of a ball is left as it was. */
function CallList({ list, feeds, onChange }: { list: readonly number[]; feeds: number; onChange: (list: number[]) => void }) {
  const commit = (text: string): void => {
    const numbers = text
      .split(/[^0-9]+/)
      .filter(Boolean)
      .map(Number);
    if (numbers.length > 0 && numbers.length <= 200 && numbers.every((each) => each >= 1 && each <= feeds)) onChange(numbers);
  };
  return (
    <label className="min-w-0 grow basis-60">
      <span className="mb-0.5 block text-sm font-medium text-quiet">Called, by number 1 to {feeds}</span>
      <input
        key={list.join(' ')}
        className="input dial h-11 w-full border-base-content/60 bg-base-100"
        defaultValue={list.join(' ')}
        onBlur={({ target }) => commit(target.value)}
        onKeyDown={(event) => event.key === 'Enter' && commit(event.currentTarget.value)}
      />
    </label>
  );
}
