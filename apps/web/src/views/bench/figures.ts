import { type Arrival, gameBallLabel, planOf, printAngle, printTime } from '@good-arc/core';
import { describeSpot } from '../../ui/place.ts';
import type { useUnits } from '../../ui/Units.tsx';
import { sayLevel } from '../../words/level.ts';
import type { Worked } from './useBench.ts';

type U = ReturnType<typeof useUnits>;

/** Each figure of a set-up under its name, in the person’s units: for comparing and for copying. */
export function figuresOf({ setup, machine, arrangement, spread, field }: Worked, units: U): [name: string, value: string][] {
  const { solution, thrown, spin, comfort, game } = arrangement;
  const plan = planOf(setup);
  const arrival = thrown?.arrival ?? null;
  const rows: [string, string | null | undefined][] = [
    ['Machine', machine.name],
    ['Stands', describeSpot(plan, setup.from, units.length)],
    ['Leaves at', units.length(setup.from.z)],
    ['Elevation', solution && printAngle(solution.elevationDeg, 1)],
    ['Speed', solution && units.speed(solution.speedMps, 1)],
    ['Topspin', units.print(spin.topspinRpm, 'spin')],
    ['Over the net', solution?.netClearanceM == null ? null : units.length(solution.netClearanceM)],
    [setup.target.kind === 'plane' ? 'To the plate' : 'In the air', solution && printTime(solution.flightTimeS)],
    setup.target.kind === 'landing'
      ? ['Lands', describeSpot(plan, setup.target, units.length)]
      : ['Over the plate', `${units.length(setup.target.z)} up, ${units.length(setup.target.x)} right`],
    ...arrivalRows(field ? null : arrival, units),
    ['Called', field?.kind],
    ['Hang time', field && printTime(field.hangTimeS)],
    ['Carry', field && units.length(field.carryM)],
    ['Rests after', field && printTime(field.rest.t, 1)],
    ['Comfort', comfort?.word ?? null],
    ['Interval', printTime(setup.intervalS, 1)],
    ['In the target', spread && `${Math.round(100 * spread.chance.inTarget)} %`],
    ['Game ball', game && gameBallLabel(game.ball)],
  ];
  return rows.filter((row): row is [string, string] => row[1] != null);
}

const arrivalRows = (arrival: Arrival | null, units: U): [string, string | null | undefined][] => [
  ['Time to react', arrival && printTime(arrival.timeS)],
  ['Speed at the hit', arrival && units.speed(arrival.speedMps, 1)],
  ['Height at the hit', arrival && units.length(arrival.heightM)],
  ['Falling at', arrival && printAngle(arrival.descentDeg, 1)],
  ['Spin at the hit', arrival && units.print(arrival.topspinRpm, 'spin')],
];

/** All figures as plain text, one a line. */
export function figuresText(worked: Worked, courtName: string, units: U): string {
  const rows = figuresOf(worked, units);
  return [
    `Good Arc: ${courtName}, ${sayLevel(worked.setup.sport, worked.setup.level)}`,
    ...rows.map(([name, value]) => `${name}: ${value}`),
  ].join('\n');
}
