import { changesBetween, type JudgedRung, printAngle, printSpin, printTime, type Sport } from '@good-arc/core';
import type { RungRow } from '../../api/rows.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';
import { sayGate } from '../../words/progress.ts';

interface Compared {
  rung: RungRow;
  number: number;
  judged: JudgedRung | null;
}

/** Two rungs side by side; what differs is set in bold. */
export function CompareRungs({ pair: [a, b], sport, onClose }: { pair: readonly [Compared, Compared]; sport: Sport; onClose: () => void }) {
  const units = useUnits();
  const share = (value: number | null | undefined): string =>
    value === null || value === undefined ? '–' : `${Math.round(value * 100)} %`;
  const rows: [string, (one: Compared) => string][] = [
    ['Demand', ({ judged }) => (judged ? String(Math.round(judged.demand.total)) : '–')],
    ['Comfort', ({ judged }) => judged?.comfort ?? '–'],
    ['Speed', ({ rung }) => units.speed(rung.document.feeds[0]!.launch.speedMps, 1)],
    ['Elevation', ({ rung }) => printAngle(rung.document.feeds[0]!.launch.elevationDeg, 1)],
    ['Spin', ({ rung }) => printSpin(rung.document.feeds[0]!.launch.topspinRpm)],
    ['Machine stands at', ({ rung }) => units.length(rung.document.feeds[0]!.launch.y)],
    ['Player starts at', ({ rung }) => units.length(rung.document.player.start.y)],
    ['Every', ({ rung }) => printTime(rung.document.intervalS, 1)],
    [
      'Balls',
      ({ rung }) => `${rung.document.rounds} × ${rung.document.ballsPerRound}, ${rung.document.feeds.filter(({ on }) => on).length} kinds`,
    ],
    ['Target', ({ rung }) => sayTargets(rung.document, sport, units.length)],
    ['Gate', ({ rung }) => sayGate(rung.document)],
    ['Time to react, of the game', ({ judged }) => share(judged?.share?.timeS)],
    ['Speed, of the game', ({ judged }) => share(judged?.share?.speedMps)],
  ];
  const changes = changesBetween(a.rung.document, b.rung.document);
  return (
    <Dialog wide title={`Rungs ${a.number} and ${b.number}`} onClose={onClose}>
      <p className="mb-2">{changes.length === 0 ? 'Nothing that counts changes between them.' : `What changes: ${changes.join(', ')}.`}</p>
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead>
            <tr className="border-b border-base-content text-left">
              <th className="sr-only">What</th>
              {[a, b].map(({ rung, number }) => (
                <th key={rung.id} className="py-1 pr-3 font-title">
                  {number} · {rung.document.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, of]) => {
              const [one, other] = [of(a), of(b)];
              return (
                <tr key={name} className="border-b border-base-300">
                  <th className="py-1 pr-3 text-left font-normal text-quiet">{name}</th>
                  {[one, other].map((value, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: two columns
                    <td key={i} className={`dial pr-3 ${one === other ? '' : 'font-bold'}`}>
                      {value}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Dialog>
  );
}
