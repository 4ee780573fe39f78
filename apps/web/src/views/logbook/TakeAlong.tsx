import { type PlayerId, printCount } from '@good-arc/core';
import { type MouseEvent, useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { download } from '../../ui/download.ts';
import { attempt } from '../../ui/undo.ts';
import { wholeFile } from '../../ui/wholeFile.ts';

const FILES = { csv: 'All rounds as a sheet (CSV)', json: 'Every ball (JSON)' } as const;
type As = keyof typeof FILES;

/** Rounds as files. A file is saved when it is whole, and until then one sees how far it is; years of rounds take their time. */
export function TakeAlong({ playerId }: { playerId: PlayerId | null }) {
  const [coming, setComing] = useState<{ rounds: number; of: number; giveUp: () => void } | null>(null);
  const shown = useRef<HTMLSpanElement>(null);
  const isComing = coming !== null;
  useEffect(() => {
    // on a phone it comes below what can be seen
    if (isComing) shown.current?.scrollIntoView({ block: 'nearest' });
  }, [isComing]);

  async function take(as: As, url: string): Promise<void> {
    const ends = new AbortController();
    const giveUp = () => ends.abort();
    setComing({ rounds: 0, of: 0, giveUp });
    await attempt(async () => {
      try {
        const file = await wholeFile(url, (rounds, of) => setComing({ rounds, of, giveUp }), ends.signal);
        download(`good-arc-rounds.${as}`, file);
      } catch (error) {
        // given up, as was asked
        if (!ends.signal.aborted) throw error;
      }
    });
    setComing(null);
  }

  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-6">
      {(Object.keys(FILES) as As[]).map((as) => {
        const url = `/api/rounds?as=${as}${playerId ? `&player=${playerId}` : ''}`;
        const onClick = (event: MouseEvent): void => {
          // opened elsewhere, the browser fetches it by itself
          if (event.ctrlKey || event.metaKey || event.shiftKey) return;
          event.preventDefault();
          if (!coming) void take(as, url);
        };
        return (
          <a key={as} download className="inline-flex min-h-11 items-center font-semibold underline" href={url} onClick={onClick}>
            {FILES[as]}
          </a>
        );
      })}
      {coming && (
        <span ref={shown} className="flex scroll-mb-4 flex-wrap items-center gap-x-3" role="status">
          <progress className="progress w-40" value={coming.rounds} max={Math.max(1, coming.of)} aria-label="Rounds that are there" />
          {coming.of > 0 ? `${printCount(coming.rounds)} of ${printCount(coming.of)} rounds` : 'Counting the rounds …'}
          <Button size="l" look="ghost" onClick={coming.giveUp}>
            Give up
          </Button>
        </span>
      )}
    </div>
  );
}
