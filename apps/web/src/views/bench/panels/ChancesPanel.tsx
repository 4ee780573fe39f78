import { type Chances, diamondOf, type SampledSpread } from '@good-arc/core';
import { useEffect, useState } from 'react';
import { SourceMark } from '../../../ui/SourceMark.tsx';
import { useUnits } from '../../../ui/Units.tsx';
import { type BenchState, spreadQuestion, strikeQuestion } from '../useBench.ts';
import { benchWorker } from '../worker.ts';

const SAMPLES = 10_000;
const SEED = 1;
/** Let a drag come to rest before ten thousand balls are thrown for it. */
const REST_MS = 180;

type Counted = { of: unknown; result: SampledSpread; strikes: SampledSpread | null } | null;

/** How often it does what was meant: the ellipse at once, ten thousand balls a moment later. */
export function ChancesPanel({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { setup, machine, now } = bench;
  const [counted, setCounted] = useState<Counted>(null);
  const { arrangement } = now;

  // biome-ignore lint/correctness/useExhaustiveDependencies: `now` changes whenever the question does
  useEffect(() => {
    const question = spreadQuestion(setup, arrangement, machine);
    if (!question) return;
    let stale = false;
    const later = setTimeout(async () => {
      const zone = strikeQuestion(now);
      const [result, strikes] = await Promise.all([
        benchWorker().spread(question, SAMPLES, SEED),
        zone && benchWorker().spread(zone, SAMPLES, SEED),
      ]);
      if (!stale) setCounted({ of: now, result, strikes });
    }, REST_MS);
    return () => {
      stale = true;
      clearTimeout(later);
    };
  }, [now]);

  if (!now.spread) return <p>No ball, no chances: this feed cannot be thrown as it stands.</p>;
  const plane = setup.target.kind === 'plane';
  const fresh = counted?.of === now ? counted.result : null;
  const { causes, cov, chance } = now.spread;
  const strikes = counted?.of === now ? counted.strikes : null;
  const rows: [keyof Chances, string][] = [
    ['inTarget', plane ? 'through the target window' : 'in the target'],
    ...(diamondOf(setup.sport) ? [] : [['net', 'into the net'] as [keyof Chances, string]]),
    ['short', plane ? 'low' : 'short of it'],
    ['long', plane ? 'high' : 'long of it'],
    ['wide', 'wide of it'],
  ];
  return (
    <div className="flex flex-wrap gap-x-10 gap-y-4">
      <div className="min-w-0 grow basis-80">
        <p aria-live="polite" className="mb-2">
          {fresh ? (
            <>
              Of <b>10,000</b> balls thrown in the computer (seed {SEED}):
            </>
          ) : (
            'Throwing 10,000 balls …'
          )}
        </p>
        <table className="w-full">
          <tbody>
            {strikes && <Share name="a strike" value={strikes.chance.inTarget} error={strikes.standardError.inTarget} good />}
            {rows.map(([key, name]) => {
              const value = fresh?.chance[key] ?? (key === 'inTarget' || key === 'net' ? chance[key] : null);
              return (
                <Share key={key} name={name} value={value} error={fresh ? fresh.standardError[key] : null} good={key === 'inTarget'} />
              );
            })}
          </tbody>
        </table>
        <p className="mt-2 text-sm text-quiet">
          Balls in the net are counted there only; a ball can be both long and wide. The ellipse on the plan alone says{' '}
          {percent(chance.inTarget)} in the target.
        </p>
      </div>
      <div className="min-w-0 grow basis-72">
        <h3 className="font-semibold">
          Where the spread comes from{' '}
          <SourceMark
            about="the spread"
            source={`Repeatability kept with ${machine.name}, 1 σ each and independent: that of its kind, common practice, no source. Gusts as typed under Air and wind.`}
          />
        </h3>
        <table className="w-full">
          <thead>
            <tr className="text-left text-sm text-quiet">
              <th className="font-medium">one σ of</th>
              <th className="text-right font-medium">{plane ? 'height' : 'depth'}</th>
              <th className="text-right font-medium">sideways</th>
            </tr>
          </thead>
          <tbody>
            {causes.map(({ cause, xM, alongM }) => (
              <tr key={cause} className="border-t border-base-300">
                <th scope="row" className="py-1 text-left font-medium">
                  {cause}
                </th>
                <td className="text-right">{units.length(alongM)}</td>
                <td className="text-right">{units.length(xM)}</td>
              </tr>
            ))}
            <tr className="border-t border-base-content font-bold">
              <th scope="row" className="py-1 text-left">
                together
              </th>
              <td className="text-right">{units.length(Math.sqrt(cov.yy))}</td>
              <td className="text-right">{units.length(Math.sqrt(cov.xx))}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  );
}

const percent = (share: number): string => `${(100 * share).toFixed(share < 0.0995 && share > 0 ? 1 : 0)} %`;

/** One chance as a bar and a figure, with two standard errors where it was counted. */
function Share({ name, value, error, good = false }: { name: string; value: number | null; error: number | null; good?: boolean }) {
  return (
    <tr className="border-t border-base-300">
      <th scope="row" className="py-1.5 pr-3 text-left font-medium">
        {name}
      </th>
      <td className="w-1/3">
        <div className="h-3 bg-base-300" aria-hidden="true">
          <div className={`h-full ${good ? 'bg-arrive' : 'bg-ball'}`} style={{ width: `${100 * (value ?? 0)}%` }} />
        </div>
      </td>
      <td className="pl-3 text-right text-lg font-bold whitespace-nowrap">
        {value === null ? '–' : percent(value)}
        {error !== null && <span className="ml-1 text-sm font-normal text-quiet">± {percent(2 * error)}</span>}
      </td>
    </tr>
  );
}
