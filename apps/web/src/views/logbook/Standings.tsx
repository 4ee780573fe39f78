import type { PlayerId } from '@good-arc/core';
import type { Standing } from '../../api/rows.ts';
import { courtsideLink } from '../../ui/links.ts';
import { sayDay } from '../../ui/when.ts';

/** Where a player stands on each ladder, and whether it goes on. */
export function Standings({ playerId, standings }: { playerId: PlayerId; standings: readonly Standing[] }) {
  if (standings.length === 0) return null;
  return (
    <section aria-label="Ladders">
      <h2 className="text-xl">Where the ladders stand</h2>
      <ul className="mt-1">
        {standings.map(({ ladderId, ladderName, rungId, rungName, number, of, verdict, reason, since, rounds, isStalled }) => (
          <li key={ladderId} className="border-b border-base-300 py-2">
            <div className="flex flex-wrap items-center gap-x-3">
              <Steps at={number} of={of} />
              <a className="min-w-0 font-bold break-words hover:underline" href={`/ladders/${ladderId}`}>
                {ladderName}
              </a>
              <a className="no-print inline-flex min-h-11 items-center font-semibold underline" href={courtsideLink(rungId, playerId)}>
                Go on
              </a>
            </div>
            <p>
              {number} of {of}, “{rungName}”, since {sayDay(since)} in {rounds} {rounds === 1 ? 'round' : 'rounds'}
              {isStalled && <b className="text-error"> · it has stalled</b>}
            </p>
            <p className="text-quiet">
              <b className="inline-block text-base-content first-letter:uppercase">{verdict}.</b> {reason}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Rungs as steps: those below are won, the one at hand is marked. */
function Steps({ at, of }: { at: number; of: number }) {
  const width = 8;
  return (
    <svg width={of * (width + 2)} height="22" viewBox={`0 0 ${of * (width + 2)} 22`} aria-hidden="true" className="shrink-0">
      {Array.from({ length: of }, (_, i) => {
        const height = 5 + (15 * (i + 1)) / of;
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: steps have no other identity
            key={i}
            x={i * (width + 2)}
            y={22 - height}
            width={width}
            height={height}
            fill={i + 1 < at ? 'var(--color-arrive)' : i + 1 === at ? 'var(--color-ball)' : 'var(--color-base-300)'}
          />
        );
      })}
    </svg>
  );
}
