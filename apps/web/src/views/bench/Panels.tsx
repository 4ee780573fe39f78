import { diamondOf, type Hazard } from '@good-arc/core';
import { type KeyboardEvent, lazy, type ReactNode, Suspense, useId, useState } from 'react';
import { Placement } from './Placement.tsx';
import { AirPanel } from './panels/AirPanel.tsx';
import { CautionsPanel } from './panels/CautionsPanel.tsx';
import { ChancesPanel } from './panels/ChancesPanel.tsx';
import { TrimPanel } from './panels/TrimPanel.tsx';
import type { BenchState } from './useBench.ts';

// loaded when they are asked for: the bench is there sooner
const ClosestPanel = lazy(async () => ({ default: (await import('./panels/ClosestPanel.tsx')).ClosestPanel }));
const ComparePanel = lazy(async () => ({ default: (await import('./panels/ComparePanel.tsx')).ComparePanel }));
const FamilyPanel = lazy(async () => ({ default: (await import('./panels/FamilyPanel.tsx')).FamilyPanel }));
const PacePanel = lazy(async () => ({ default: (await import('./panels/PacePanel.tsx')).PacePanel }));

interface Panel {
  id: string;
  name: string;
  show: () => ReactNode;
}

/** What can be asked of the feed in hand, one question at a time. */
export function Panels({ bench, hazards, canPlan }: { bench: BenchState; hazards: readonly Hazard[]; canPlan: boolean }) {
  const id = useId();
  const [open, setOpen] = useState('lines');
  const pitching = diamondOf(bench.setup.sport) !== null && bench.setup.target.kind === 'plane';
  const panels: Panel[] = [
    {
      id: 'lines',
      name: 'Distances from the lines',
      show: () => <Placement setup={bench.setup} onChange={(part) => bench.change(part)} />,
    },
    { id: 'trim', name: pitching ? 'Where did it pass?' : 'Where did it land?', show: () => <TrimPanel bench={bench} /> },
    { id: 'chances', name: 'Chances', show: () => <ChancesPanel bench={bench} /> },
    { id: 'air', name: 'Air and wind', show: () => <AirPanel bench={bench} /> },
    { id: 'closest', name: 'Closest to game', show: () => <ClosestPanel bench={bench} canPlan={canPlan} /> },
    { id: 'compare', name: 'Compare A and B', show: () => <ComparePanel bench={bench} /> },
    ...(pitching ? [{ id: 'pace', name: 'Pace', show: () => <PacePanel bench={bench} /> }] : []),
    { id: 'family', name: 'Every arc', show: () => <FamilyPanel bench={bench} /> },
    {
      id: 'cautions',
      name: `Cautions and sources${hazards.length > 0 ? ` (${hazards.length})` : ''}`,
      show: () => <CautionsPanel bench={bench} hazards={hazards} />,
    },
  ];
  const now = panels.find((each) => each.id === open) ?? panels[0]!;

  function onKeyDown(event: KeyboardEvent): void {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const next = panels[(panels.indexOf(now) + by + panels.length) % panels.length]!;
    setOpen(next.id);
    document.getElementById(`${id}-tab-${next.id}`)?.focus();
  }

  return (
    <div className="order-4 mt-4">
      <h2 className="sr-only">Questions to this feed</h2>
      <div
        role="tablist"
        aria-label="Questions to this feed"
        tabIndex={-1}
        className="no-print flex gap-1 overflow-x-auto border-b border-base-content lg:flex-wrap lg:overflow-visible"
        onKeyDown={onKeyDown}
      >
        {panels.map((each) => (
          <button
            key={each.id}
            id={`${id}-tab-${each.id}`}
            type="button"
            role="tab"
            aria-selected={each === now}
            aria-controls={`${id}-panel`}
            tabIndex={each === now ? 0 : -1}
            className={`min-h-11 shrink-0 px-3 font-semibold ${each === now ? 'bg-primary text-primary-content' : 'hover:bg-base-200'}`}
            onClick={() => setOpen(each.id)}
          >
            {each.name}
          </button>
        ))}
      </div>
      <div id={`${id}-panel`} role="tabpanel" aria-labelledby={`${id}-tab-${now.id}`} className="pt-4">
        <Suspense fallback={<p className="min-h-40 text-quiet">Opening …</p>}>{now.show()}</Suspense>
      </div>
    </div>
  );
}
