import { diamondOf, fieldingSetup, firstSetup, printTime, ROLL_SOURCE } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import type { BenchState } from './useBench.ts';

/** Pitch to a hitter, or a ball to the fielders. */
export function PitchOrField({ bench, altitudeM }: { bench: BenchState; altitudeM: number }) {
  const { setup, machine, court } = bench;
  const diamond = diamondOf(setup.sport);
  if (!diamond) return null;
  const fielding = setup.target.kind === 'landing';
  return (
    <div className="order-2 mb-2 flex flex-wrap items-center gap-2">
      <div className="flex flex-wrap gap-1" role="group" aria-label="Pitch or fielding ball">
        <Button
          aria-pressed={!fielding}
          look={fielding ? 'outline' : 'primary'}
          className="px-3"
          onClick={() => fielding && bench.put({ ...firstSetup(court, machine, setup.level, altitudeM), weather: setup.weather })}
        >
          Pitch
        </Button>
        {diamond.fieldingBalls.map((ball) => (
          <Button
            key={ball.name}
            aria-pressed={bench.now.field?.kind === ball.name.toLowerCase()}
            look={bench.now.field?.kind === ball.name.toLowerCase() ? 'primary' : 'outline'}
            className="px-3"
            onClick={() => bench.put(fieldingSetup(setup, machine.profile, ball))}
          >
            {ball.name}
          </Button>
        ))}
      </div>
    </div>
  );
}

/** What a ball to the fielders is like: hang time, where it lands and rests, who is under it. */
export function FieldingFigures({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { field } = bench.now;
  if (!field) return <Notice tone="warning">Nothing arrives: this ball cannot be thrown as it stands.</Notice>;
  const { kind, hangTimeS, apexM, carryM, hops, rollFrom, rest, fielder } = field;
  const rows: [string, string][] = [
    ['Hang time', printTime(hangTimeS)],
    ['Highest', units.length(apexM)],
    ['Carry', units.length(carryM)],
    ['Hops before it rolls', String(Math.max(0, hops.length - 1))],
    ['Rolls from', `${units.speed(rollFrom.speedMps)} at ${printTime(rollFrom.t, 1)}`],
    ['Rests after', `${printTime(rest.t, 1)}, ${units.length(Math.hypot(rest.x, rest.y))} from the plate`],
  ];
  return (
    <div>
      <p className="text-2xl font-bold">{kind[0]!.toUpperCase() + kind.slice(1)}</p>
      <dl>
        {rows.map(([name, value]) => (
          <div key={name} className="flex justify-between gap-4 border-t border-base-300 py-1.5">
            <dt className="font-semibold">{name}</dt>
            <dd className="text-lg font-bold">{value}</dd>
          </div>
        ))}
      </dl>
      <Notice tone={fielder.inTheAir ? 'arrive' : 'warning'} className="mt-2">
        <b>{fielder.name}</b>{' '}
        {fielder.inTheAir
          ? `is under it: ${units.length(fielder.distanceM)} to run, ${printTime(fielder.t, 1)} to do it in.`
          : `plays it off the ground after ${printTime(fielder.t, 1)}, ${units.length(Math.hypot(fielder.x, fielder.y))} from the plate; ${units.length(fielder.distanceM)} to run.`}
      </Notice>
      <p className="mt-1 text-sm text-quiet">
        Roll <SourceMark about="the roll" source={ROLL_SOURCE.source} /> · reach at the level’s court speed{' '}
        <SourceMark about="the reach" source="0.4 s to read it, then the court speed of the level: common practice, no source." />
      </p>
    </div>
  );
}
