import {
  type Change,
  deal,
  type Judgement,
  minutesOf,
  type PlayerId,
  printAngle,
  printTime,
  type RungDocument,
  type Sport,
  wholly,
} from '@good-arc/core';
import { ChevronDown, GripVertical } from 'lucide-react';
import { useMemo } from 'react';
import type { Kit, RungRow } from '../../api/rows.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { aroundOf } from '../../ui/around.ts';
import { Button } from '../../ui/Button.tsx';
import { DemandBar } from '../../ui/DemandBar.tsx';
import { dialWords } from '../../ui/dialWords.ts';
import { FeedStrip } from '../../ui/FeedShape.tsx';
import { machineOf } from '../../ui/judge.ts';
import { later } from '../../ui/later.tsx';
import { RungWarnings } from '../../ui/RungWarnings.tsx';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';
import { whenMeant } from '../../ui/whenMeant.ts';
import { sayGate } from '../../words/progress.ts';
import { DRAGGED, GRIP } from './useDragged.ts';

// all that can be changed of a rung
const loadRungDetail = async () => (await import('./RungDetail.tsx')).RungDetail;
const RungDetail = later<Props & { onClose: () => void }>(loadRungDetail, <p className="min-h-96 p-3">One moment …</p>);

interface Props {
  rung: RungRow;
  number: number;
  count: number;
  sport: Sport;
  kit: Kit;
  judgement: Judgement;
  open: boolean;
  compared: boolean;
  readOnly: boolean;
  /** Balls to expect until its gate is met at the player's recent rate; null when nothing is known. */
  toClimb: number | null;
  /** Who is looked at on this ladder. */
  playerId: PlayerId;
  onOpen: () => void;
  onMove: (by: 1 | -1) => void;
  onChange: (part: Partial<RungDocument>, key?: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
  onCompare: (on: boolean) => void;
}

const STRIP = 12;

/** One rung of the ladder; dragged by its grip, or moved by the arrow keys: on the grip alone, with Alt from anywhere on it. Opens to be changed in place. */
export function RungLine(props: Props) {
  const { rung, number, count, sport, kit, judgement, open, readOnly, toClimb, playerId, onOpen, onMove } = props;
  const judged = wholly(judgement);
  const { document } = rung;
  const units = useUnits();
  const strip = useMemo(() => deal(document, Math.min(STRIP, document.ballsPerRound)), [document]);
  const { launch } = document.feeds[0]!;
  const machine = machineOf(kit, document);
  const dials = dialWords(document, machine);
  const around = useMemo(() => aroundOf(kit, document, playerId), [kit, document, playerId]);
  return (
    <li
      {...{ [DRAGGED]: '' }}
      className={`border-b border-base-300 ${open ? 'border-x-2 border-y-2 border-base-content bg-base-200/40' : 'focus-within:bg-base-200/60'}`}
      onKeyDown={(event) => {
        const isOnGrip = event.target instanceof HTMLElement && event.target.hasAttribute(GRIP);
        if (readOnly || !(event.altKey || isOnGrip) || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
        event.preventDefault();
        onMove(event.key === 'ArrowUp' ? 1 : -1);
      }}
    >
      <div className="grid grid-cols-[2.6rem_minmax(0,1fr)_2.75rem] items-center gap-x-3 gap-y-1 py-2.5 md:grid-cols-[2.6rem_8.5rem_minmax(0,1.6fr)_minmax(0,1fr)_minmax(0,0.9fr)_4rem_minmax(0,1.1fr)_2.75rem] print:grid-cols-[2rem_6.6rem_minmax(0,1.6fr)_minmax(0,1.1fr)_minmax(0,1fr)_2.8rem_minmax(0,1.1fr)] print:gap-x-2 print:py-1.5 print:text-xs md:px-1">
        <div className="flex items-center gap-1 self-start pt-1 md:self-center">
          <button
            type="button"
            {...{ [GRIP]: '' }}
            disabled={readOnly}
            aria-description="The arrow keys move it."
            aria-label={`Move rung ${number}, ${document.name}`}
            className="no-print -ml-2 flex h-12 w-6 cursor-grab touch-none items-center justify-center text-quiet"
          >
            <GripVertical size={20} aria-hidden />
          </button>
          <span className="font-title text-2xl font-bold">{number}</span>
        </div>
        <div className="hidden md:block print:block">
          <ArcThumb document={document} sport={sport} />
        </div>
        <div className="min-w-0">
          <h2 className="text-lg leading-tight break-words">
            <a className="hover:underline" href={`/bench?rung=${rung.id}`}>
              {document.name}
            </a>
          </h2>
          <p className="text-sm text-quiet">
            {machine?.name ?? 'a machine that was archived'} · {units.speed(launch.speedMps)} · {printAngle(launch.elevationDeg)}
            {dials && (
              <>
                {' · '}
                <span className="dial text-base-content">{dials}</span>
              </>
            )}
            {document.focalPoint && ` · ${document.focalPoint}`}
          </p>
        </div>
        <Button
          look="ghost"
          square
          className="no-print col-start-3 row-start-1 md:col-start-auto md:row-start-auto md:order-last"
          aria-expanded={open}
          {...whenMeant(loadRungDetail)}
          aria-label={`${open ? 'Close' : 'Open'} rung ${number}, ${document.name}`}
          onClick={onOpen}
        >
          <ChevronDown size={22} aria-hidden className={open ? 'rotate-180' : ''} />
        </Button>
        <div className="col-start-2 md:col-start-auto print:col-start-auto">
          <FeedStrip feeds={strip} />
          <p className="text-sm">
            {document.rounds} × {document.ballsPerRound} balls, every {printTime(document.intervalS, 1)}
          </p>
        </div>
        <div className="col-start-2 text-sm md:col-start-auto print:col-start-auto">
          <p>{sayTargets(document, sport, units.length)}</p>
          <p className="text-quiet">climb at {sayGate(document)}</p>
          {toClimb !== null && (
            <p className={Number.isFinite(toClimb) ? 'text-quiet' : 'font-semibold text-error'}>
              {Number.isFinite(toClimb) ? `in about ${Math.round(toClimb)} balls` : 'hopeless at the recent rate'}
            </p>
          )}
        </div>
        <p className="dial col-start-2 text-sm md:col-start-auto print:col-start-auto">{Math.round(minutesOf(document))} min</p>
        <div className="col-start-2 md:col-start-auto print:col-start-auto">
          {judged && <DemandBar demand={judged.demand} comfort={judged.comfort} />}
          <RungWarnings document={document} sport={sport} judgement={judgement} around={around} />
          {judged?.survival && <p className="text-sm font-semibold">survival pace</p>}
        </div>
      </div>
      {open && <RungDetail {...props} onClose={onOpen} />}
      <span className="sr-only">
        {number} of {count} from the bottom
      </span>
    </li>
  );
}

const CHANGE_NAMES: Record<Change, string> = {
  placement: 'placement',
  pace: 'pace',
  spin: 'spin',
  interval: 'interval',
  order: 'order',
  target: 'target',
};

/** Between two rungs: a step that is too big, or one that goes down. */
export function GapLine({
  rise,
  changes,
  kind,
  onEven,
}: {
  rise: number;
  changes: readonly Change[];
  kind: 'gap' | 'down';
  onEven: (() => void) | null;
}) {
  const list = changes.map((each) => CHANGE_NAMES[each]);
  return (
    <li
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-y border-dashed border-base-content px-2 py-1.5 md:pl-14"
      data-testid={kind}
    >
      <p className={`font-title text-lg font-bold ${kind === 'gap' ? 'text-error' : ''}`}>
        {kind === 'gap'
          ? `Big step: demand ${rise < 0 ? '−' : '+'}${Math.abs(Math.round(rise))}${list.length > 2 ? `, ${list.length} things change` : ''}`
          : `A step down: demand −${Math.abs(Math.round(rise))}`}
      </p>
      <p className="text-sm text-quiet">{list.join(', ')}</p>
      {kind === 'gap' && onEven && (
        <Button danger className="no-print ml-auto" onClick={onEven}>
          Even it out
        </Button>
      )}
    </li>
  );
}
