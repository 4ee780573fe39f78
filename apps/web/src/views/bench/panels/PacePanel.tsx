import {
  airDensity,
  ballById,
  diamondOf,
  ftToM,
  MIDDLE_OF_ZONE_M,
  mphToMps,
  PLATE,
  paceFlight,
  paceRatio,
  printTime,
  wallChart,
} from '@good-arc/core';
import { useMemo, useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { download as saveFile } from '../../../ui/download.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { SourceMark } from '../../../ui/SourceMark.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import type { BenchState } from '../useBench.ts';

const UNKNOWNS = [
  ['machineSpeed', 'machine speed'],
  ['machinePlace', 'machine distance'],
  ['gameSpeed', 'game speed'],
  ['gamePlace', 'game distance'],
] as const;
type Unknown = (typeof UNKNOWNS)[number][0];

const DISTANCES_FT = [30, 34, 38, 42, 46, 50, 54];
const SPEEDS_MPH = [35, 40, 45, 50, 55, 60, 65, 70];

/** The same time for the hitter from another distance: the simple ratio and the drag-true match, and the chart for the wall. */
export function PacePanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { setup, now, change } = bench;
  const { game, solution } = now.arrangement;
  const [unknown, setUnknown] = useState<Unknown>('machineSpeed');
  const [values, setValues] = useState<Record<Unknown, number>>({
    machineSpeed: solution?.speedMps ?? mphToMps(50),
    machinePlace: setup.from.y,
    gameSpeed: game?.launch.speedMps ?? mphToMps(70),
    gamePlace: game?.launch.y ?? ftToM(52),
  });
  const planeY = setup.target.kind === 'plane' ? setup.target.planeY : PLATE.frontY_m;
  const z = setup.target.kind === 'plane' ? setup.target.z : MIDDLE_OF_ZONE_M;
  // the panel is a pitch’s
  const { release } = diamondOf(setup.sport)!;
  const gameHeightM = release.z;
  const base = useMemo(
    () => ({ ball: ballById(setup.ballId), airDensityKgM3: airDensity(setup.weather), contact: { y: planeY, z } }),
    [setup.ballId, setup.weather, planeY, z],
  );
  const of = (key: Unknown): number | null => (key === unknown ? null : values[key]);
  const machineSpin = now.arrangement.spin.topspinRpm;
  const gameSpin = game?.launch.topspinRpm ?? -release.fastballRpm;
  const flight = paceFlight({
    ...base,
    machine: { speedMps: of('machineSpeed'), releaseM: of('machinePlace'), heightM: setup.from.z, topspinRpm: machineSpin },
    game: { speedMps: of('gameSpeed'), releaseM: of('gamePlace'), heightM: gameHeightM, topspinRpm: gameSpin },
  });
  const ratio = paceRatio({
    machine: { speedMps: of('machineSpeed'), distanceM: of('machinePlace') },
    game: { speedMps: of('gameSpeed'), distanceM: of('gamePlace') },
  });
  const solved = (
    answer: { machine: { speedMps: number }; game: { speedMps: number } } | null,
    place: (side: 'machine' | 'game') => number,
  ): number | null => {
    if (!answer) return null;
    if (unknown === 'machineSpeed') return answer.machine.speedMps;
    if (unknown === 'gameSpeed') return answer.game.speedMps;
    return place(unknown === 'machinePlace' ? 'machine' : 'game');
  };
  const byFlight = solved(flight, (side) => flight![side].releaseM);
  const byRatio = solved(ratio, (side) => ratio[side].distanceM)!;
  const isSpeed = unknown === 'machineSpeed' || unknown === 'gameSpeed';
  const print = (value: number | null): string =>
    value === null ? 'cannot be made equal' : isSpeed ? units.speed(value, 1) : units.length(value);

  const distances = DISTANCES_FT.map(ftToM);
  const speeds = SPEEDS_MPH.map(mphToMps);
  const chart = useMemo(
    () =>
      wallChart(
        base,
        { releaseM: values.gamePlace, heightM: gameHeightM, topspinRpm: gameSpin },
        { heightM: setup.from.z, topspinRpm: machineSpin },
        DISTANCES_FT.map(ftToM),
        SPEEDS_MPH.map(mphToMps),
      ),
    [base, values.gamePlace, gameSpin, setup.from.z, machineSpin, gameHeightM],
  );
  const cell = (mps: number | null | undefined): string => (mps == null ? '–' : units.speed(mps).replace(/ .*/, ''));

  function download(): void {
    const rows = [
      ['distance', 'method', ...speeds.map((each) => units.speed(each))],
      ...distances.flatMap((d, i) => [
        [units.length(d), 'flight', ...chart.flight[i]!.map(cell)],
        [units.length(d), 'ratio', ...chart.ratio[i]!.map(cell)],
      ]),
    ];
    const text = rows.map((row) => row.map((each) => `"${each.replaceAll('"', '""')}"`).join(',')).join('\n');
    saveFile('pace-chart.csv', new Blob([text], { type: 'text/csv' }));
  }

  function printChart(): void {
    document.body.dataset.print = 'chart';
    window.addEventListener('afterprint', () => delete document.body.dataset.print, { once: true });
    window.print();
  }

  return (
    <div>
      <div className="no-print flex flex-wrap gap-x-8 gap-y-3">
        <fieldset className="min-w-0">
          <legend className="mb-1 font-semibold">Which of the four is asked?</legend>
          <div className="grid grid-cols-2 gap-2">
            {UNKNOWNS.map(([key, name]) => (
              <Button
                key={key}
                aria-pressed={unknown === key}
                look={unknown === key ? 'primary' : 'outline'}
                onClick={() => setUnknown(key)}
              >
                {name}
              </Button>
            ))}
          </div>
        </fieldset>
        <div className="grid min-w-0 grow basis-72 grid-cols-3 content-start gap-2">
          {UNKNOWNS.filter(([key]) => key !== unknown).map(([key, name]) => (
            <QuantityField
              key={key}
              label={name[0]!.toUpperCase() + name.slice(1)}
              dimension={key.endsWith('Speed') ? 'speed' : 'length'}
              step={key.endsWith('Speed') ? 0.44704 : 0.3048}
              min={key.endsWith('Speed') ? 3 : 3}
              max={key.endsWith('Speed') ? 55 : 25}
              value={values[key]}
              onChange={(value) => setValues({ ...values, [key]: value })}
            />
          ))}
        </div>
        <dl className="grid max-w-md grow basis-64 grid-cols-[1fr_auto] content-start gap-x-4">
          <dt className="text-lg font-bold">By the flight</dt>
          <dd className="text-right text-2xl font-bold">{print(byFlight)}</dd>
          <dt>
            By the simple ratio{' '}
            <SourceMark
              about="the ratio"
              source="Equal time at a constant speed: v / D is the same. Common practice; it forgets that the ball slows down."
            />
          </dt>
          <dd className="text-right text-xl">{print(byRatio)}</dd>
          <dt className="text-quiet">time for the hitter</dt>
          <dd className="text-right">{flight ? printTime(flight.timeS) : '–'}</dd>
          {byFlight !== null && unknown.startsWith('machine') && (
            <dd className="col-span-2 mt-1">
              <Button
                look="primary"
                onClick={() =>
                  change(
                    unknown === 'machineSpeed'
                      ? { hold: { speedMps: byFlight }, from: { ...setup.from, y: values.machinePlace } }
                      : { hold: { speedMps: values.machineSpeed }, from: { ...setup.from, y: byFlight } },
                  )
                }
              >
                Set the bench to it
              </Button>
            </dd>
          )}
        </dl>
      </div>
      <section className="wall-chart mt-5" aria-label="Wall chart">
        <div className="flex flex-wrap items-center gap-3">
          <h3 className="text-xl">What a machine’s speed is worth in a game from {units.length(values.gamePlace)}</h3>
          <div className="no-print ml-auto flex gap-2">
            <Button onClick={download}>CSV</Button>
            <Button onClick={printChart}>Print</Button>
          </div>
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
        <section className="overflow-x-auto" aria-label="Cells of the chart" tabIndex={0}>
          <table className="mt-2 w-full min-w-[36rem] border border-base-content text-center">
            <caption className="caption-bottom pt-1 text-left text-sm text-quiet">
              Machine distance down, machine speed across. Large: the same time by the flight; small: by the ratio. In{' '}
              {units.system === 'imperial' ? 'mph' : 'km/h'}.
            </caption>
            <thead>
              <tr>
                <th className="border border-base-300 p-1">
                  <span className="sr-only">Distance</span>
                </th>
                {speeds.map((each) => (
                  <th key={each} scope="col" className="border border-base-300 p-1">
                    {units.speed(each)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {distances.map((d, i) => (
                <tr key={d}>
                  <th scope="row" className="border border-base-300 p-1 whitespace-nowrap">
                    {units.length(d)}
                  </th>
                  {speeds.map((each, j) => (
                    <td key={each} className="border border-base-300 p-1">
                      <span className="text-lg font-bold">{cell(chart.flight[i]![j])}</span>{' '}
                      <span className="text-sm text-quiet">{cell(chart.ratio[i]![j])}</span>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      </section>
    </div>
  );
}
