import { callSheet, type RungDocument } from '@good-arc/core';
import { useEffect, useState } from 'react';
import type { Kit, LadderRow } from '../../api/rows.ts';

const CALL_BALLS = 30;

const needsCaller = ({ order, feeds }: RungDocument): boolean =>
  feeds.length > 1 &&
  (order.kind === 'calls' || order.kind === 'bag' || order.kind === 'weighted' || feeds.some(({ machineId }) => machineId));

/** What a caller reads, ball by ball, with a line for each helper’s machine: it throws, or only shows. */
export function CallSheets({ ladder, kit }: { ladder: LadderRow; kit: Kit }) {
  const [deals, setDeals] = useState<Record<string, number>>({});
  const sheets = ladder.rungs.filter(({ document }) => needsCaller(document));
  const [loud, setLoud] = useState<{ rungId: string; at: number } | null>(null);
  if (sheets.length === 0) return null;
  const machine = (rungId: string | null, document: RungDocument): string =>
    kit.machines.find(({ id }) => id === (rungId ?? document.machineId))?.name ?? 'a machine';
  const sheetOf = (rungId: string, document: RungDocument) =>
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
                <button
                  type="button"
                  className="btn btn-outline no-print min-h-11"
                  onClick={() => setDeals({ ...deals, [id]: (deals[id] ?? 0) + 1 })}
                >
                  Deal again
                </button>
              )}
              <button type="button" className="btn btn-outline no-print min-h-11" onClick={() => setLoud({ rungId: id, at: 0 })}>
                Call from the screen
              </button>
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
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') onClose();
      else if (event.key === ' ' || event.key === 'ArrowRight') setAt((now) => Math.min(calls.length - 1, now + 1));
      else if (event.key === 'ArrowLeft') setAt((now) => Math.max(0, now - 1));
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [calls.length, onClose]);
  const call = calls[at]!;
  return (
    <div className="no-print fixed inset-0 z-50 flex flex-col bg-base-100 p-4" role="dialog" aria-modal="true" aria-label="Caller">
      <div className="flex items-center justify-between">
        <p className="dial text-2xl">
          {call.ball} of {calls.length}
        </p>
        <button type="button" className="btn btn-outline min-h-12" onClick={onClose}>
          Close
        </button>
      </div>
      <button
        type="button"
        className="flex grow flex-col items-center justify-center gap-2 text-center"
        onClick={() => setAt(Math.min(calls.length - 1, at + 1))}
      >
        <span className="font-title text-5xl font-bold break-words md:text-8xl">{call.name}</span>
        <span className="text-3xl">{call.machine} throws</span>
        <span className="text-xl text-quiet">{call.cue}</span>
        <span className="text-xl">{at + 1 < calls.length ? `next: ${calls[at + 1]!.name}` : 'that was the last'}</span>
      </button>
      <button type="button" className="btn btn-outline min-h-14 text-xl" disabled={at === 0} onClick={() => setAt(Math.max(0, at - 1))}>
        Back
      </button>
    </div>
  );
}
