import { diamondOf, type Hazard } from '@good-arc/core';
import { List, Root, Trigger } from '@radix-ui/react-tabs';
import { type ReactNode, useId, useState } from 'react';
import { later } from '../../ui/later.tsx';
import { Placement } from './Placement.tsx';
import type { BenchState } from './useBench.ts';

// loaded when they are asked for: the bench is there sooner
const OPENING = <p className="min-h-40 text-quiet">Opening …</p>;
const AirPanel = later(async () => (await import('./panels/AirPanel.tsx')).AirPanel, OPENING);
const CautionsPanel = later(async () => (await import('./panels/CautionsPanel.tsx')).CautionsPanel, OPENING);
const ChancesPanel = later(async () => (await import('./panels/ChancesPanel.tsx')).ChancesPanel, OPENING);
const ClosestPanel = later(async () => (await import('./panels/ClosestPanel.tsx')).ClosestPanel, OPENING);
const ComparePanel = later(async () => (await import('./panels/ComparePanel.tsx')).ComparePanel, OPENING);
const FamilyPanel = later(async () => (await import('./panels/FamilyPanel.tsx')).FamilyPanel, OPENING);
const PacePanel = later(async () => (await import('./panels/PacePanel.tsx')).PacePanel, OPENING);
const TrimPanel = later(async () => (await import('./panels/TrimPanel.tsx')).TrimPanel, OPENING);

interface Panel {
  id: string;
  name: string;
  show: () => ReactNode;
}

/** What can be asked of the feed in hand, one question at a time. */
export function Panels({ bench, hazards, canPlan }: { bench: BenchState; hazards: readonly Hazard[]; canPlan: boolean }) {
  const [open, setOpen] = useState('lines');
  const ownId = useId();
  const pitching = diamondOf(bench.setup.sport) !== null && bench.setup.target.kind === 'plane';
  const panels: Panel[] = [
    {
      id: 'lines',
      name: 'Distances from the lines',
      show: () => <Placement setup={bench.setup} game={bench.now.arrangement.game?.ball ?? null} onChange={(part) => bench.change(part)} />,
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

  return (
    <Root value={now.id} onValueChange={setOpen}>
      <h2 className="sr-only">Questions to this feed</h2>
      <List
        aria-label="Questions to this feed"
        className="no-print flex gap-1 overflow-x-auto border-b border-base-content lg:flex-wrap lg:overflow-visible"
      >
        {panels.map(({ id, name }) => (
          <Trigger
            key={id}
            value={id}
            id={`${ownId}-${id}`}
            aria-controls={ownId}
            className="min-h-11 shrink-0 px-3 font-semibold hover:bg-base-200 data-[state=active]:bg-primary data-[state=active]:text-primary-content"
          >
            {name}
          </Trigger>
        ))}
      </List>
      {/* their own content asks for its animation, for which the browser works out all styles of the page at once */}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a panel is reached from its tab, as the pattern has it */}
      <div key={now.id} id={ownId} role="tabpanel" aria-labelledby={`${ownId}-${now.id}`} tabIndex={0} className="pt-4">
        {now.show()}
      </div>
    </Root>
  );
}
