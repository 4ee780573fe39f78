import { ballById, isForLearning, printAngle, printSpin, printTime, SURFACES } from '@good-arc/core';
import type { RoundRow } from '../../api/rows.ts';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';
import { sayGate } from '../../words/progress.ts';

const FROM = {
  paper: 'paper: which balls were hit is known by kind only',
  sheet: 'a spreadsheet: only how many were hit is known',
};

/** What a round was run with: where, how the machine was set, what was asked, what the air did. */
export function RoundFacts({ round, dials = '' }: { round: RoundRow; dials?: string }) {
  const units = useUnits();
  const { card, weather, results } = round;
  const { launch } = card.feeds[0]!;
  const speeds = results.flatMap(({ speedMps }) => (speedMps === null ? [] : [speedMps]));
  const facts: [string, string][] = [
    ['Where', `${round.courtName}, ${SURFACES.find(({ id }) => id === card.surfaceId)?.name.toLowerCase() ?? ''}`],
    ['Machine', round.machineName],
    ['Set to', `${units.speed(launch.speedMps, 1)}, ${printAngle(launch.elevationDeg, 1)}, ${printSpin(launch.topspinRpm)} topspin`],
    ...(dials === '' ? [] : ([['On the dials', `${dials}, by today’s curve`]] as [string, string][])),
    ['Every', printTime(card.intervalS, 1)],
    ['Target', sayTargets(card, ballById(card.ballId).sport, units.length)],
    [
      'Gate',
      isForLearning(card)
        ? `none: ${card.secret ? `speeds ± ${units.speed(card.secret.byMps)} in secret` : 'the target for half'}, for learning`
        : sayGate(card),
    ],
    ...(round.confirmedBy ? ([['Too little time, confirmed by', round.confirmedBy]] as [string, string][]) : []),
    ['Air', `${units.temperature(weather.temperatureC)}, ${units.altitude(weather.altitudeM)}`],
    ['Wind', wind(weather, units.speed)],
    ...(speeds.length > 0
      ? ([['Really thrown', `${units.speed(Math.min(...speeds), 1)} to ${units.speed(Math.max(...speeds), 1)}`]] as [string, string][])
      : []),
    ...(round.source === 'court' ? [] : ([['From', FROM[round.source]]] as [string, string][])),
  ];
  return (
    <dl className="grid gap-x-8 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
      {facts.map(([name, text]) => (
        <div key={name} className="flex gap-3">
          <dt className="w-24 shrink-0 text-quiet">{name}</dt>
          <dd className="min-w-0">{text}</dd>
        </div>
      ))}
    </dl>
  );
}

function wind({ windXMps, windYMps }: { windXMps: number; windYMps: number }, print: (mps: number) => string): string {
  const parts = [
    Math.abs(windXMps) >= 0.2 ? `${print(Math.abs(windXMps))} to the ${windXMps > 0 ? 'right' : 'left'}` : '',
    Math.abs(windYMps) >= 0.2 ? `${print(Math.abs(windYMps))} toward the ${windYMps > 0 ? 'far end' : 'player'}` : '',
  ].filter(Boolean);
  return parts.length === 0 ? 'still' : parts.join(', ');
}
