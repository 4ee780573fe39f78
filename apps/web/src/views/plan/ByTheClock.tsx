import { type PlanDocument, type Schedule, STATIONS } from '@good-arc/core';
import { useMemo } from 'react';
import type { LadderRow, PlanRound } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { clockAt } from './clock.ts';
import { resultsOf } from './results.ts';

/** The plan by the clock: a line for each turn, who stands where. */
export function ByTheClock({
  plan,
  schedule,
  ladder,
  nameOf,
  rounds,
}: {
  plan: PlanDocument;
  schedule: Schedule;
  ladder: LadderRow;
  nameOf: (id: string) => string;
  rounds: readonly PlanRound[];
}) {
  const done = useMemo(() => resultsOf(schedule.turns, ladder.rungs, rounds), [schedule, ladder, rounds]);
  const used = STATIONS.filter((station) => schedule.turns.some((turn) => turn.stations[station].length > 0));
  const run = (i: number): React.ReactNode => {
    const { rung, turn, stations } = schedule.turns[i]!;
    const isDone = done[i]!.length > 0;
    return (
      <Button
        look="ghost"
        className="px-2"
        href={courtsideLink(ladder.rungs[rung]!.id, stations.hitting[0], stations.hitting.slice(1), ladder.rungs[rung]!.half)}
        aria-label={`${isDone ? 'Run again' : 'Run'} turn ${turn} of rung ${rung + 1}`}
      >
        {isDone ? 'Again' : 'Run'}
      </Button>
    );
  };
  return (
    <>
      {/* on a phone a turn is a few lines, and nothing is cut off */}
      <ol className="mt-2 md:hidden print:hidden" aria-label="Turns">
        {schedule.turns.map(({ atS, rung, turn, balls, stations, pickUpAfter }, i) => (
          <li key={`${rung} ${turn}`} className="flex items-start gap-3 border-b border-base-300 py-2">
            <span className="dial shrink-0 pt-0.5">{clockAt(plan.startsAt, atS)}</span>
            <div className="min-w-0 grow">
              <p className="font-semibold break-words">{stations.hitting.map(nameOf).join(', ')}</p>
              <p>
                {rung + 1} · {ladder.rungs[rung]!.document.name} <span className="text-quiet">{balls} balls</span>
              </p>
              {used
                .filter((station) => station !== 'hitting' && stations[station].length > 0)
                .map((station) => (
                  <p key={station} className="text-sm text-quiet">
                    {station}: {stations[station].map(nameOf).join(', ')}
                  </p>
                ))}
              {done[i]!.map(({ playerId, hits, balls: judged }) => (
                <p key={playerId} className="font-semibold">
                  {nameOf(playerId)} {hits} of {judged}
                </p>
              ))}
              {pickUpAfter && <p className="text-sm font-semibold">then pick up</p>}
            </div>
            {run(i)}
          </li>
        ))}
      </ol>
      <div className="relative mt-2 hidden overflow-x-auto md:block print:block">
        <table className="w-full" data-testid="clock">
          <thead>
            <tr className="border-b border-base-content text-left">
              <th className="py-1 pr-3">At</th>
              <th className="pr-3">Rung</th>
              {used.map((station) => (
                <th key={station} className="pr-3 first-letter:uppercase">
                  {station}
                </th>
              ))}
              <th className="no-print">
                <span className="sr-only">Run</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {schedule.turns.map(({ atS, rung, turn, balls, stations, pickUpAfter }, i) => (
              <tr key={`${rung} ${turn}`} className="border-b border-base-300 align-top">
                <td className="dial py-1 pr-3 whitespace-nowrap">{clockAt(plan.startsAt, atS)}</td>
                <td className="pr-3">
                  {rung + 1} · {ladder.rungs[rung]!.document.name} <span className="text-quiet">{balls} balls</span>
                  {done[i]!.map(({ playerId, hits, balls: judged }) => (
                    <span key={playerId} className="block font-semibold">
                      {nameOf(playerId)} {hits} of {judged}
                    </span>
                  ))}
                  {pickUpAfter && <span className="block text-sm font-semibold">then pick up</span>}
                </td>
                {used.map((station) => (
                  <td key={station} className="pr-3">
                    {stations[station].map(nameOf).join(', ')}
                  </td>
                ))}
                <td className="no-print">{run(i)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
