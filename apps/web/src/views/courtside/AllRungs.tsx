import type { RungId } from '@good-arc/core';
import { ChevronRight } from 'lucide-react';
import { courtsideLink } from '../../ui/links.ts';

export interface AnyRung {
  rungId: RungId;
  number: number;
  name: string;
  ladderName: string;
}

const MOST_LADDERS = 20;

/** Rungs that stand one after another on a ladder, together. */
const byLadder = (rungs: readonly AnyRung[]): AnyRung[][] =>
  rungs.reduce<AnyRung[][]>((ladders, rung) => {
    if (rung.number === 1) ladders.push([rung]);
    else ladders.at(-1)?.push(rung);
    return ladders;
  }, []);

/** Every ladder with its rungs, to be opened one by one. @param open the first is, where nothing else is on the page */
export function AllRungs({ rungs, open }: { rungs: readonly AnyRung[]; open: boolean }) {
  const ladders = byLadder(rungs);
  if (ladders.length === 0) return null;
  return (
    <section className="mt-6" aria-labelledby="ladders">
      <h2 id="ladders" className="border-b border-base-content pb-1 text-xl">
        From a ladder
      </h2>
      {ladders.slice(0, MOST_LADDERS).map((own, i) => (
        <details key={own[0]!.rungId} className="group when-seen border-b border-base-300" open={open && i === 0}>
          <summary className="flex min-h-12 cursor-pointer items-center gap-x-3 px-1 text-lg font-semibold hover:bg-base-200">
            <ChevronRight size={20} className="shrink-0 group-open:rotate-90" aria-hidden />
            <span className="min-w-0 break-words">{own[0]!.ladderName}</span>
            <span className="shrink-0 text-base font-normal text-quiet">{own.length === 1 ? '1 rung' : `${own.length} rungs`}</span>
          </summary>
          <RungLinks rungs={own} label={own[0]!.ladderName} />
        </details>
      ))}
      {ladders.length > MOST_LADDERS && (
        <p className="py-3 text-quiet">{ladders.length - MOST_LADDERS} more ladders: a word above finds their rungs.</p>
      )}
    </section>
  );
}

/** Rungs, each a way to the court. @param hasLadder whether the ladder of each is said, too */
export function RungLinks({ rungs, label, hasLadder = false }: { rungs: readonly AnyRung[]; label: string; hasLadder?: boolean }) {
  return (
    <ul aria-label={label}>
      {rungs.map(({ rungId, number, name, ladderName }) => (
        <li key={rungId} className="when-seen border-b border-base-300 last:border-b-0">
          <a
            className="flex min-h-14 flex-wrap items-center gap-x-4 px-1 text-lg font-semibold hover:bg-base-200"
            href={courtsideLink(rungId)}
          >
            <span className="w-6 font-title text-xl">{number}</span>
            <span className="min-w-0 break-words">{name}</span>
            {hasLadder && <span className="text-base font-normal text-quiet">{ladderName}</span>}
          </a>
        </li>
      ))}
    </ul>
  );
}
