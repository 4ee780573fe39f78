import { away, diamondOf, printAngle, printSpin, printTime, type RungDocument, SPORT_RECORDS, type Sport } from '@good-arc/core';
import type { ReactNode } from 'react';
import type { MachineRow } from '../../api/rows.ts';
import { dialWords } from '../../ui/dialWords.ts';
import { describeSpot } from '../../ui/place.ts';
import { sayAim, sayCones, sayMachine } from '../../ui/setUpWords.ts';
import { useUnits } from '../../ui/Units.tsx';
import { Level } from './Level.tsx';

/** A machine that stands nearer to where it stood is left there, m. */
const SAME_PLACE_M = 0.15;

interface Props {
  document: RungDocument;
  sport: Sport;
  machine: MachineRow;
  marksM: readonly number[];
  /** The rung below, where the machine may stand otherwise; null for the first. */
  below: RungDocument | null;
}

/** Everything a hand sets before the first ball of a rung, large, in the order it is done. */
export function SetUp({ document, sport, machine, marksM, below }: Props) {
  const units = useUnits();
  const feed = document.feeds.find(({ on }) => on) ?? document.feeds[0]!;
  const { launch } = feed;
  const dials = dialWords(document, machine);
  const tunesElevation = machine.dials.some(({ moves, curve }) => moves === 'elevation' && curve !== null);
  const stand = sayMachine(sport, launch, marksM, units.length);
  const was = below?.feeds[0]?.launch;
  const moved = was && away(was, launch) > SAME_PLACE_M;
  const cones = sayCones(document, sport, units.length);
  const spin = [printSpin(launch.topspinRpm), launch.sidespinRpm !== 0 && `side ${printSpin(launch.sidespinRpm)}`]
    .filter(Boolean)
    .join(', ');
  return (
    <dl className="mt-2 border-t border-base-content" aria-label="Set it up">
      <Line name="Machine">
        {stand}
        {moved && <b className="block">It moves: on the rung below it stood {sayMachine(sport, was, marksM, units.length)}.</b>}
      </Line>
      <Line name="Dials">
        <b className="dial text-xl">{dials || `${units.speed(launch.speedMps)} · ${spin}`}</b>
      </Line>
      <Line name="Elevation">
        <b className="dial text-xl">{printAngle(launch.elevationDeg, 1)}</b>
        {!tunesElevation && <Level wantedDeg={launch.elevationDeg} />}
      </Line>
      <Line name="Point it">{sayAim(feed, sport, units.length)}</Line>
      <Line name="Feed">every {printTime(document.intervalS, 1)}</Line>
      {!diamondOf(sport) && (
        <Line name="Player">{describeSpot(SPORT_RECORDS[sport].court, feed.meet ?? document.player.start, units.length)}</Line>
      )}
      {cones && <Line name="Cones">{cones}</Line>}
    </dl>
  );
}

const Line = ({ name, children }: { name: string; children: ReactNode }) => (
  <div className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 border-b border-base-300 py-1.5">
    <dt className="text-quiet">{name}</dt>
    <dd className="font-medium">{children}</dd>
  </div>
);
