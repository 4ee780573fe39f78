import {
  minutesOf,
  netPlayOf,
  type PlayerId,
  printAngle,
  printSpin,
  printTime,
  type RungDocument,
  type Sport,
  wholly,
} from '@good-arc/core';
import { useMemo } from 'react';
import type { Kit } from '../../api/rows.ts';
import { ArcThumb } from '../../ui/ArcThumb.tsx';
import { aroundOf } from '../../ui/around.ts';
import { DemandBar } from '../../ui/DemandBar.tsx';
import { dialWords } from '../../ui/dialWords.ts';
import { judge, machineOf } from '../../ui/judge.ts';
import { RungWarnings } from '../../ui/RungWarnings.tsx';
import { sayTargets } from '../../ui/sayTarget.ts';
import { useUnits } from '../../ui/Units.tsx';
import { sayGate } from '../../words/progress.ts';

/** The rungs of a ladder that is not kept yet, hardest first. */
export function Preview({
  rungs,
  sport,
  kit,
  playerId = '',
}: {
  rungs: readonly RungDocument[];
  sport: Sport;
  kit: Kit;
  /** Whom it is for; empty for nobody in particular. */
  playerId?: PlayerId;
}) {
  const units = useUnits();
  const judged = useMemo(() => rungs.map((rung) => judge(kit, sport, rung)), [rungs, sport, kit]);
  const around = useMemo(() => rungs.map((rung) => aroundOf(kit, rung, playerId)), [rungs, kit, playerId]);
  return (
    <ol className="border-y border-base-content" aria-label="Rungs, hardest first">
      {rungs
        .map((rung, i) => {
          const { launch } = rung.feeds[0]!;
          const judgement = judged[i]!;
          const one = wholly(judgement);
          return (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: two rungs may have one name
              key={`${i} ${rung.name}`}
              className="grid grid-cols-[1.6rem_minmax(0,1fr)] items-center gap-x-3 gap-y-1 border-b border-base-300 py-2 last:border-b-0 sm:grid-cols-[1.6rem_7.5rem_minmax(0,1.7fr)_minmax(0,1fr)]"
            >
              <span className="font-title text-xl font-bold">{i + 1}</span>
              <div className="hidden sm:block">
                <ArcThumb document={rung} sport={sport} width={118} height={42} />
              </div>
              <div className="min-w-0">
                <h3 className="leading-tight font-semibold break-words">{rung.name}</h3>
                <p className="text-sm text-quiet">
                  {rung.feeds.length > 1 ? `${rung.feeds.length} balls · ` : ''}
                  {units.speed(launch.speedMps)} · {printAngle(launch.elevationDeg)} · {printSpin(launch.topspinRpm)} ·{' '}
                  {units.length(Math.abs(launch.y))} from the {netPlayOf(sport) ? 'net' : 'plate'}
                  {netPlayOf(sport) && launch.y < 0 && ', on your side'}
                </p>
                {dialWords(rung, machineOf(kit, rung)) && <p className="dial text-sm">{dialWords(rung, machineOf(kit, rung))}</p>}
                <p className="text-sm">
                  {rung.rounds} × {rung.ballsPerRound}, every {printTime(rung.intervalS, 1)} · {sayTargets(rung, sport, units.length)} ·
                  climb at {sayGate(rung)} · {Math.round(minutesOf(rung))} min
                </p>
              </div>
              <div className="col-start-2 sm:col-start-auto">
                {one && <DemandBar demand={one.demand} comfort={one.comfort} />}
                <RungWarnings document={rung} sport={sport} judgement={judgement} around={around[i]!} />
              </div>
            </li>
          );
        })
        .reverse()}
    </ol>
  );
}
