import { netPlayOf, printAngle, printTime } from '@good-arc/core';
import { ComfortMark } from '../../../ui/ComfortMark.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import { SHORT_REASON } from '../../../words/reasons.ts';
import type { BenchState } from '../useBench.ts';

/** Every arc to the same spot, with what each would be like. */
export function FamilyPanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { family } = bench.now;
  const netSport = netPlayOf(bench.setup.sport) !== null;
  if (!family) return <p className="text-quiet">Working them out …</p>;
  if (family.length === 0) return <p>No arc of any kind reaches this spot.</p>;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section className="overflow-x-auto" aria-label="Every arc to this spot" tabIndex={0}>
      <table className="w-full whitespace-nowrap [&_td]:pr-4 [&_th]:pr-4">
        <thead>
          <tr className="text-left text-sm text-quiet">
            <th className="font-medium">elevation</th>
            <th className="font-medium">speed</th>
            {netSport && <th className="font-medium">over the net</th>}
            <th className="font-medium">in the air</th>
            <th className="font-medium">comes down at</th>
            <th className="font-medium">highest</th>
            <th className="font-medium">at the hit</th>
            <th className="font-medium">time to react</th>
            <th className="font-medium">for this level</th>
          </tr>
        </thead>
        <tbody>
          {[...family].reverse().map((arc) => (
            <tr key={arc.elevationDeg} className={`border-t border-base-300 ${arc.blocked ? 'text-quiet' : ''}`}>
              <th scope="row" className="py-1 text-left font-semibold">
                {arc.blocked ? (
                  printAngle(arc.elevationDeg, 1)
                ) : (
                  <button
                    type="button"
                    className="min-h-8 underline"
                    onClick={() => bench.change({ hold: { elevationDeg: arc.elevationDeg } })}
                  >
                    {printAngle(arc.elevationDeg, 1)}
                  </button>
                )}
              </th>
              <td>{units.speed(arc.speedMps, 1)}</td>
              {netSport && <td>{arc.clearanceM === null ? '–' : units.length(arc.clearanceM)}</td>}
              <td>{printTime(arc.timeS)}</td>
              <td>{printAngle(arc.descentDeg)}</td>
              <td>{units.length(arc.apexM)}</td>
              <td>{arc.arrival ? `${units.length(arc.arrival.heightM)}, ${units.speed(arc.arrival.speedMps)}` : '–'}</td>
              <td>{arc.arrival ? printTime(arc.arrival.timeS) : '–'}</td>
              <td>{arc.blocked ? SHORT_REASON[arc.blocked] : arc.comfort ? <ComfortMark comfort={arc.comfort} /> : 'two bounces'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
