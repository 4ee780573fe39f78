import type { RungDocument, Sport } from '@good-arc/core';
import type { ReactNode } from 'react';
import type { MachineRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { setUpLines } from '../../ui/setUpLines.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Level } from './Level.tsx';

interface Props {
  document: RungDocument;
  sport: Sport;
  machine: MachineRow;
  marksM: readonly number[];
  /** The rung below, where the machine may stand otherwise; null for the first. */
  below: RungDocument | null;
  /** What it is trimmed by today, in words; empty for nothing. */
  trimmed: string;
  onClearTrim: () => void;
}

/** Everything a hand sets before the first ball of a rung, large, in the order it is done. */
export function SetUp({ document, sport, machine, marksM, below, trimmed, onClearTrim }: Props) {
  const units = useUnits();
  const feed = document.feeds.find(({ on }) => on) ?? document.feeds[0]!;
  const lines = setUpLines(document, { sport, machine, marksM, below }, units);
  const tunesElevation = machine.dials.some(({ moves, curve }) => moves === 'elevation' && curve !== null);
  return (
    <dl className="mt-2 border-t border-base-content" aria-label="Set it up">
      <Line name="Machine">
        {lines.stand}
        {lines.stoodAt && <b className="block">It moves: on the rung below it stood {lines.stoodAt}.</b>}
      </Line>
      <Line name="Dials">
        <b className="dial text-xl">{lines.dials}</b>
      </Line>
      <Line name="Elevation">
        <b className="dial text-xl">{lines.elevation}</b>
        {!tunesElevation && <Level wantedDeg={feed.launch.elevationDeg} />}
      </Line>
      <Line name="Point it">{lines.aim}</Line>
      {trimmed && (
        <Line name="Trimmed">
          <b>{trimmed}</b> today{' '}
          <Button look="ghost" className="px-2 text-base" onClick={onClearTrim}>
            As on the card after all
          </Button>
        </Line>
      )}
      <Line name="Feed">{lines.feed}</Line>
      {lines.player && <Line name="Player">{lines.player}</Line>}
      {lines.recover && <Line name="Recover">{lines.recover}</Line>}
      {lines.cones && <Line name="Cones">{lines.cones}</Line>}
    </dl>
  );
}

const Line = ({ name, children }: { name: string; children: ReactNode }) => (
  <div className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 border-b border-base-300 py-1.5">
    <dt className="text-quiet">{name}</dt>
    <dd className="font-medium">{children}</dd>
  </div>
);
