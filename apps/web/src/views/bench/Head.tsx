import { SURFACES } from '@good-arc/core';
import { ClipboardCopy, Printer, Redo2, Undo2 } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { ForCoaches } from '../../ui/ForCoaches.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { toast } from '../../ui/toast.ts';
import { useUnits } from '../../ui/Units.tsx';
import { whenMeant } from '../../ui/whenMeant.ts';
import { figuresText } from './figures.ts';
import type { BenchState } from './useBench.ts';

interface Props {
  bench: BenchState;
  canPlan: boolean;
  /** Loads what saving will ask for. */
  onMeant: () => Promise<unknown>;
  onSave: () => void;
}

/** Name of what is on the bench, and what can be done with all of it. */
export function Head({ bench, canPlan, onMeant, onSave }: Props) {
  const units = useUnits();
  const { setup, court, machine, edited, pair } = bench;
  const surface = SURFACES.find(({ id }) => id === setup.surfaceId);

  async function copy(): Promise<void> {
    const text = figuresText(bench.now, court.name, units);
    try {
      await navigator.clipboard.writeText(text);
      toast.success('The figures are copied as text.');
    } catch {
      toast.error('This browser does not allow copying. The address of this page reopens the bench as it is.');
    }
  }

  return (
    <div className="flex flex-wrap items-center gap-x-4">
      <h1 className="text-2xl">{edited ? edited.document.name : 'Bench'}</h1>
      <div className="text-sm text-quiet">
        {court.name}, {surface?.name.toLowerCase()}
        {surface && <SourceMark about="the bounce" source={surface.source.source} />} · {machine.name} ·{' '}
        {units.temperature(setup.weather.temperatureC)}, {units.altitude(setup.weather.altitudeM)}
      </div>
      <div className="no-print ml-auto flex flex-wrap items-center gap-1">
        {pair.b && (
          <div className="join" role="group" aria-label="Which set-up is in hand">
            {(['a', 'b'] as const).map((at) => (
              <Button
                key={at}
                aria-pressed={pair.at === at}
                look={pair.at === at ? 'primary' : 'outline'}
                className="join-item px-4"
                onClick={() => bench.look(at)}
              >
                {at.toUpperCase()}
              </Button>
            ))}
          </div>
        )}
        <IconButton name="Copy the figures" onClick={copy}>
          <ClipboardCopy size={20} aria-hidden />
        </IconButton>
        <IconButton name="Print" onClick={() => window.print()}>
          <Printer size={20} aria-hidden />
        </IconButton>
        <IconButton name="Undo" title="Undo (Ctrl Z)" disabled={!bench.canUndo} onClick={bench.undo}>
          <Undo2 size={20} aria-hidden />
        </IconButton>
        <IconButton name="Redo" title="Redo (Ctrl Shift Z)" disabled={!bench.canRedo} onClick={bench.redo}>
          <Redo2 size={20} aria-hidden />
        </IconButton>
        {edited && <Button href={courtsideLink(edited.id)}>Take it on court</Button>}
        <ForCoaches may={canPlan}>
          <Button look="primary" className="px-5" disabled={!bench.now.arrangement.thrown} {...whenMeant(onMeant)} onClick={onSave}>
            {edited ? 'Save the rung' : 'Add to ladder'}
          </Button>
        </ForCoaches>
      </div>
    </div>
  );
}

function IconButton({
  name,
  title = name,
  disabled = false,
  onClick,
  children,
}: {
  name: string;
  title?: string;
  disabled?: boolean;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <Button look="ghost" square aria-label={name} title={title} disabled={disabled} onClick={onClick}>
      {children}
    </Button>
  );
}
