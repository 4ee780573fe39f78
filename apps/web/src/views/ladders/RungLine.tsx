import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { type Comfort, conditionsOf, minutesOf, printAngle, printTime, type Sport, throwBall, timeBudget } from '@good-arc/core';
import { Copy, GripVertical, Pencil, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import type { Kit, RungRow } from '../../api/rows.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { ComfortMark } from '../../ui/ComfortMark.tsx';
import { useUnits } from '../../ui/Units.tsx';

interface Props {
  rung: RungRow;
  number: number;
  count: number;
  sport: Sport;
  kit: Kit;
  onMove: (by: 1 | -1) => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

/** Comfort of a rung's own timing; null when a ball does not reach the player. */
function comfortOfRung({ document }: RungRow): Comfort | null {
  const { feeds, level, intervalS, player, shadowSwings } = document;
  const arrivals = feeds
    .filter(({ on }) => on)
    .map(({ launch, stroke }) => ({ stroke, arrival: throwBall(conditionsOf(document), launch, player.start.y).arrival }));
  const [first] = arrivals;
  if (!first || arrivals.some(({ arrival }) => arrival === null)) return null;
  const balls = arrivals.map(({ arrival }) => ({ flightS: arrival!.timeS, contact: { x: arrival!.x, y: arrival!.y } }));
  return timeBudget({ level, stroke: first.stroke, doubtBits: 0, intervalS, balls, recover: player.recover, shadowSwings }).comfort;
}

/** One rung of the ladder; dragged by its grip, or moved with Alt and the arrow keys from anywhere on it. */
export function RungLine({ rung, number, count, sport, kit, onMove, onDuplicate, onDelete }: Props) {
  const { document } = rung;
  const units = useUnits();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id: rung.id });
  const comfort = useMemo(() => comfortOfRung(rung), [rung]);
  const [feed] = document.feeds;
  const machine = kit.machines.find(({ id }) => id === document.machineId);
  const { launch } = feed!;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`grid grid-cols-[2.6rem_minmax(0,1fr)] items-center gap-x-3 gap-y-1 border-b border-base-300 py-3 focus-within:bg-base-200 md:grid-cols-[2.6rem_8.5rem_minmax(0,1.7fr)_minmax(0,1fr)_minmax(0,1fr)_5rem_auto] ${isDragging ? 'z-10 bg-base-200 shadow-lg' : ''}`}
      onKeyDown={(event) => {
        if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        onMove(event.key === 'ArrowUp' ? 1 : -1);
      }}
    >
      <div className="flex items-center gap-1 self-start pt-1 md:self-center">
        <button
          type="button"
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={`Move rung ${number}, ${document.name}`}
          className="-ml-2 flex h-12 w-6 cursor-grab touch-none items-center justify-center text-quiet"
        >
          <GripVertical size={20} aria-hidden />
        </button>
        <span className="font-title text-2xl font-bold">{number}</span>
      </div>
      <div className="hidden md:block">
        <ArcThumb document={document} sport={sport} />
      </div>
      <div className="min-w-0">
        <h3 className="text-lg leading-tight break-words">
          <a className="hover:underline" href={`/bench?rung=${rung.id}`}>
            {document.name}
          </a>
        </h3>
        <p className="text-sm text-quiet">
          {machine?.name ?? 'a machine that was archived'} · {units.speed(launch.speedMps)} · {printAngle(launch.elevationDeg)}
          {document.focalPoint && ` · ${document.focalPoint}`}
        </p>
      </div>
      <div className="col-start-2 md:col-start-auto">
        <div className="flex flex-wrap gap-1" aria-hidden="true">
          {Array.from({ length: Math.min(12, document.ballsPerRound) }, (_, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: twelve alike dots
            <span key={i} className="h-3 w-3 rounded-full bg-ball" />
          ))}
        </div>
        <p className="text-sm">
          {document.rounds} × {document.ballsPerRound} balls, every {printTime(document.intervalS, 1)}
        </p>
      </div>
      <div className="col-start-2 text-sm md:col-start-auto">
        <p>{units.length(document.targetSize.widthM)} wide</p>
        <p className="text-quiet">
          climb at {document.gate.hits} of {document.gate.of}
        </p>
      </div>
      <div className="col-start-2 flex gap-3 text-sm md:col-start-auto md:block">
        <p className="dial">{Math.round(minutesOf(document))} min</p>
        {comfort && <ComfortMark comfort={comfort} />}
      </div>
      <div className="col-start-2 -ml-2 flex md:col-start-auto md:ml-0">
        <a className="btn btn-ghost min-h-11 px-2" href={`/courtside?rung=${rung.id}`}>
          Run
        </a>
        <a
          className="btn btn-ghost btn-square min-h-11"
          href={`/bench?rung=${rung.id}`}
          aria-label={`Change rung ${number} on the bench`}
          title="Change on the bench"
        >
          <Pencil size={18} aria-hidden />
        </a>
        <button
          type="button"
          className="btn btn-ghost btn-square min-h-11"
          aria-label={`Duplicate rung ${number}`}
          title="Duplicate"
          onClick={onDuplicate}
        >
          <Copy size={18} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-square min-h-11"
          aria-label={`Delete rung ${number}`}
          title="Delete"
          onClick={onDelete}
        >
          <Trash2 size={18} aria-hidden />
        </button>
      </div>
      <span className="sr-only">
        {number} of {count} from the bottom
      </span>
    </li>
  );
}
