import {
  ballById,
  type Caution,
  diamondOf,
  GAME_BOOK_SOURCE,
  MANUAL_FIRST,
  planOf,
  ROLL_SOURCE,
  type Sourced,
  SURFACES,
} from '@good-arc/core';
import { TriangleAlert } from 'lucide-react';
import type { BenchState } from '../useBench.ts';

/** What to think of before a ball is thrown, and what the figures rest on. */
export function CautionsPanel({ bench, cautions }: { bench: BenchState; cautions: Caution[] }) {
  const { setup } = bench;
  const ball = ballById(setup.ballId);
  const surface = SURFACES.find(({ id }) => id === setup.surfaceId);
  const sources: Sourced[] = [
    ...ball.sources,
    ...(surface ? [surface.source] : []),
    planOf(setup).source,
    ...(diamondOf(setup.sport) ? [ROLL_SOURCE] : []),
    { what: 'game ball', source: GAME_BOOK_SOURCE, assumption: true },
    { what: 'times a player needs', source: 'Common practice, no published source; by level.', assumption: true },
  ];
  return (
    <div className="flex flex-wrap gap-x-10 gap-y-4">
      <div className="min-w-0 grow basis-80">
        <CautionList cautions={cautions} />
      </div>
      <div className="min-w-0 grow basis-80">
        <h3 className="font-semibold">
          What the figures rest on; {ball.name.toLowerCase()}: confidence {ball.confidence}
        </h3>
        <ul>
          {sources.map(({ what, source, assumption }) => (
            <li key={`${what}${source}`} className="border-t border-base-300 py-1.5 text-sm">
              <b>{what}</b>
              {assumption && <span className="ml-1 border border-base-content px-1 text-xs">assumption</span>}: {source}
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

export function CautionList({ cautions }: { cautions: Caution[] }) {
  return (
    <div>
      {cautions.length === 0 && <p>Nothing stands out in this set-up.</p>}
      <ul>
        {cautions.map(({ id, grave, what, why, doThis }) => (
          <li key={id} className={`mb-2 border-l-4 bg-base-200 p-2.5 ${grave ? 'border-error' : 'border-warning'}`}>
            <p className="flex items-start gap-2 font-bold">
              <TriangleAlert size={20} aria-hidden className="mt-0.5 shrink-0" /> {what}
            </p>
            <p className="text-sm">
              {why} <b>{doThis}</b>
            </p>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">{MANUAL_FIRST} Nobody forward of the machine while it is armed.</p>
    </div>
  );
}
