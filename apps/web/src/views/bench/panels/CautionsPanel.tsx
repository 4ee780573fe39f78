import { ballById, diamondOf, GAME_BOOK_SOURCE, type Hazard, planOf, ROLL_SOURCE, type Sourced, SURFACES } from '@good-arc/core';
import { HazardList, ManualFirst } from '../../../ui/HazardList.tsx';
import type { BenchState } from '../useBench.ts';

/** What to think of before a ball is thrown, and what the figures rest on. */
export function CautionsPanel({ bench, hazards }: { bench: BenchState; hazards: readonly Hazard[] }) {
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
        {hazards.length === 0 && <p>Nothing stands out in this set-up.</p>}
        <HazardList hazards={hazards} />
        <ManualFirst />
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
