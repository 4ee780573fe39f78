import { useEffect } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { LiveWish } from '../../api/live.ts';
import type { Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { attempt } from '../../ui/undo.ts';
import { useAwake } from '../../ui/useAwake.ts';
import { sayScores } from '../../words/live.ts';
import { Caller } from './Caller.tsx';
import { Far } from './Far.tsx';
import { Feeder } from './Feeder.tsx';
import { useFollow } from './useFollow.ts';

/** Looks at a round that another device runs. */
export const LOOKS = ['far', 'caller', 'first', 'second'] as const;
export type Look = (typeof LOOKS)[number];

/** The device that runs it has been silent for so long, s: what is shown may be old. */
const SILENT_S = 30;

/** A screen that is read from far away has no room for the site’s header. */
function useBare(isOn: boolean): void {
  useEffect(() => {
    document.documentElement.toggleAttribute('data-bare', isOn);
    return () => document.documentElement.removeAttribute('data-bare');
  }, [isOn]);
}

/** A round that goes on on another device: for who stands far away, who calls, and who feeds. */
export default function Follow({ roundId, look }: { viewer: Viewer; roundId: string; look: Look }) {
  const { row, problem, sinceS, inS } = useFollow(roundId);
  useAwake(true);
  useBare(look === 'far');
  if (!row)
    return (
      <div className="p-6 text-lg">
        {problem === 'none' ? (
          <>
            <h1 className="text-3xl">Nothing to follow</h1>
            <p className="mt-2">No device shows this round. It may not have begun, or it is over.</p>
            <Button look="primary" size="l" className="mt-4" href="/live">
              What goes on now
            </Button>
          </>
        ) : (
          'Looking for the round …'
        )}
      </div>
    );
  const { shown, isFinished } = row;
  const lines = shown.machines.flatMap(({ lineOf }) => lineOf ?? []);
  const hold = (): void =>
    void attempt(async () => {
      await Promise.all(lines.map((id) => api('POST', `machines/${id}/command`, { do: 'hold' }, { keepalive: true })));
    });
  const ask = (change: LiveWish['change']): void => void attempt(() => api('POST', `rounds/${roundId}/wish`, { id: uuidv7(), change }));
  return (
    <div className={`flex flex-col px-3 pb-3 md:px-6 ${look === 'far' ? 'min-h-dvh' : 'min-h-[calc(100dvh-3.2rem)]'}`}>
      <h1 className="sr-only">{shown.rungName}</h1>
      {isFinished && (
        <Notice tone="note" className="mt-2">
          This round is over. {sayScores(shown)}
        </Notice>
      )}
      {!isFinished && (problem === 'away' || sinceS > SILENT_S) && (
        <Notice tone="warning" className="mt-2" role="status">
          No word of this round for {Math.round(sinceS)} s: what stands here may be old.
        </Notice>
      )}
      {look === 'far' && <Far shown={shown} inS={inS} />}
      {look === 'caller' && <Caller shown={shown} inS={inS} onAsk={ask} isOver={isFinished} />}
      {(look === 'first' || look === 'second') && <Feeder shown={shown} inS={inS} machine={look === 'first' ? 0 : 1} />}
      {look === 'far' && (
        <Button look="ghost" className="self-end text-quiet" href="/live">
          Close
        </Button>
      )}
      {lines.length > 0 && look !== 'far' && (
        <button
          type="button"
          className="sticky bottom-2 mt-3 min-h-24 w-full bg-error font-title text-5xl font-bold text-error-content"
          onClick={hold}
        >
          Hold
        </button>
      )}
    </div>
  );
}
