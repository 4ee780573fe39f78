import { callSheet, type MachineId, type RungDocument, type RungId } from '@good-arc/core';
import { useEffect, useRef, useState } from 'react';
import type { Kit, LadderRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { useKeys } from '../../ui/useKeys.ts';

const CALL_BALLS = 30;

const needsCaller = ({ order, feeds }: RungDocument): boolean =>
  feeds.length > 1 &&
  (order.kind === 'calls' || order.kind === 'bag' || order.kind === 'weighted' || feeds.some(({ machineId }) => machineId));

/** What a caller reads, ball by ball, with a line for each helper’s machine: it throws, or only shows. */
export function CallSheets({ ladder, kit }: { ladder: LadderRow; kit: Kit }) {
  const [deals, setDeals] = useState<Record<string, number>>({});
  const sheets = ladder.rungs.filter(({ document }) => needsCaller(document));
  const [loud, setLoud] = useState<{ rungId: RungId; at: number } | null>(null);
  if (sheets.length === 0) return null;
  const machine = (machineId: MachineId | null, document: RungDocument): string =>
    kit.machines.find(({ id }) => id === (machineId ?? document.machineId))?.name ?? 'a machine';
  const sheetOf = (rungId: RungId, document: RungDocument) =>
    callSheet({ ...document, seed: (document.seed ?? 1) + (deals[rungId] ?? 0) }, CALL_BALLS);
  const open = loud && sheets.find(({ id }) => id === loud.rungId);
  return (
    <section className="mt-8" aria-labelledby="calls">
      <h2 id="calls" className="break-after-avoid text-2xl">
        Call sheet
      </h2>
      <p className="break-after-avoid text-quiet">
        One voice reads it. Every feeder shows each ball in the same rhythm; only the one that is named lets go.
      </p>
      {sheets.map(({ id, document }) => {
        const calls = sheetOf(id, document);
        const two = document.feeds.some(({ machineId }) => machineId);
        return (
          <div key={id} className="mt-3 break-inside-avoid">
            <div className="flex flex-wrap items-center gap-2">
              <h3 className="grow text-lg">{document.name}</h3>
              {(document.order.kind === 'bag' || document.order.kind === 'weighted') && (
                <Button className="no-print" onClick={() => setDeals({ ...deals, [id]: (deals[id] ?? 0) + 1 })}>
                  Deal again
                </Button>
              )}
              <Button className="no-print" onClick={() => setLoud({ rungId: id, at: 0 })}>
                Call from the screen
              </Button>
            </div>
            <ol className="mt-1 columns-2 gap-x-6 sm:columns-3 print:text-xs" aria-label={`Calls of ${document.name}`}>
              {calls.map(({ ball, name, machineId }) => (
                <li key={ball} className="flex gap-2 border-b border-base-300 py-0.5">
                  <span className="dial w-7 text-right text-quiet">{ball}</span>
                  <span className="min-w-0 break-words">
                    <b>{name}</b>
                    {two && ` · ${machine(machineId, document)}`}
                  </span>
                </li>
              ))}
            </ol>
          </div>
        );
      })}
      {open && loud && (
        <Caller
          key={open.id}
          calls={sheetOf(open.id, open.document).map((call) => ({ ...call, machine: machine(call.machineId, open.document) }))}
          onClose={() => setLoud(null)}
        />
      )}
    </section>
  );
}

/** One call at a time, as large as the screen; space or a tap goes on. */
function Caller({
  calls,
  onClose,
}: {
  calls: readonly { ball: number; name: string; cue: string; machine: string }[];
  onClose: () => void;
}) {
  const [at, setAt] = useState(0);
  const on = (): void => setAt((now) => Math.min(calls.length - 1, now + 1));
  const back = (): void => setAt((now) => Math.max(0, now - 1));
  // the keys are those of what is open: the focus comes here, and goes back
  const large = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    large.current?.focus();
    return () => (before as HTMLElement | null)?.focus();
  }, []);
  useKeys({ Escape: onClose, Space: on, ArrowRight: on, ArrowLeft: back });
  const call = calls[at]!;
  return (
    <div className="no-print fixed inset-0 z-50 flex flex-col bg-base-100 p-4" role="dialog" aria-modal="true" aria-label="Caller">
      <div className="flex items-center justify-between">
        <p className="dial text-2xl">
          {call.ball} of {calls.length}
        </p>
        <Button size="l" onClick={onClose}>
          Close
        </Button>
      </div>
      <button ref={large} type="button" className="flex grow flex-col items-center justify-center gap-2 text-center" onClick={on}>
        <span className="font-title text-5xl font-bold break-words md:text-8xl">{call.name}</span>
        <span className="text-3xl">{call.machine} throws</span>
        <span className="text-xl text-quiet">{call.cue}</span>
        <span className="text-xl">{at + 1 < calls.length ? `next: ${calls[at + 1]!.name}` : 'that was the last'}</span>
      </button>
      <Button size="xl" className="text-xl" disabled={at === 0} onClick={back}>
        Back
      </Button>
    </div>
  );
}
