import { Button } from '../../../ui/Button.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import { figuresOf } from '../figures.ts';
import type { BenchState } from '../useBench.ts';

/** Two set-ups figure by figure; what differs stands out. */
export function ComparePanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { pair, now, other } = bench;
  if (!other)
    return (
      <div>
        <p>Set a second feed beside this one: another speed, another place, another machine. Each keeps its own settings.</p>
        <Button look="primary" className="mt-3" onClick={bench.split}>
          Set a second one beside it
        </Button>
      </div>
    );
  const [a, b] = pair.at === 'a' ? [now, other] : [other, now];
  const [left, right] = [new Map(figuresOf(a, units)), new Map(figuresOf(b, units))];
  const names = [...new Set([...left.keys(), ...right.keys()])];
  return (
    <div>
      <table className="w-full max-w-3xl">
        <thead>
          <tr className="text-left">
            <th className="w-1/4 font-medium text-quiet">figure</th>
            <th className="text-xl">A</th>
            <th className="text-xl">B</th>
          </tr>
        </thead>
        <tbody>
          {names.map((name) => {
            const differs = left.get(name) !== right.get(name);
            return (
              <tr key={name} className={`border-t border-base-300 ${differs ? 'bg-base-200 font-bold' : ''}`}>
                <th scope="row" className="py-1 pr-2 text-left font-medium">
                  {name}
                  {differs && <span className="sr-only"> differs</span>}
                </th>
                <td className="py-1 pr-2">{left.get(name) ?? '–'}</td>
                <td className="py-1">{right.get(name) ?? '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Button className="mt-3" onClick={bench.join}>
        Keep only {pair.at.toUpperCase()}
      </Button>
    </div>
  );
}
