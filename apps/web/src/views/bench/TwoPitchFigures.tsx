import { diamondOf, FRAME_RATES, forGap, hitterEye, PLATE, placeQuestion, printTime, questionFor, twoPitches } from '@good-arc/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../ui/Units.tsx';
import type { BenchState, Worked } from './useBench.ts';

export function TwoPitchFigures({ bench, beside, batterM }: { bench: BenchState; beside: Worked | null; batterM: number }) {
  const units = useUnits();
  const [wantedMs, setWantedMs] = useState(60);
  const { setup, now, pair, machine } = bench;
  if (!beside)
    return (
      <p className="mt-2">
        One pitch so far.{' '}
        <Button look="primary" onClick={bench.split}>
          Set a second pitch beside it
        </Button>
      </p>
    );
  const [a, b] = pair.at === 'a' ? [now, beside] : [beside, now];
  const [one, two] = [a, b].map(({ setup: its, arrangement }) => pitchOf(its, arrangement));
  const planeY = setup.target.kind === 'plane' ? setup.target.planeY : PLATE.frontY_m;
  const result = one && two ? twoPitches(one, two, planeY, setup.level, hitterEye(batterM, setup.player.x)) : null;
  if (!result) return <p className="mt-2">One of the two cannot be thrown as it stands.</p>;
  const { gapMs, frames, decideS, separationDeg, plateSeparationM, tunnel } = result;
  const first = pair.at === 'b' ? result.a.timeS : result.b.timeS;
  const options = now.arrangement.solution
    ? forGap(
        questionFor(machine.profile, placeQuestion(setup), setup),
        setup.target,
        now.arrangement.solution.speedMps,
        first,
        wantedMs,
        diamondOf(setup.sport)!.farthestY_m,
      )
    : null;
  const inHand = pair.at.toUpperCase();
  return (
    <div className="mt-2">
      <p className="text-lg">
        <b className="text-2xl">{Math.abs(gapMs).toFixed(0)} ms</b>:{' '}
        {Math.abs(gapMs) < 0.5 ? 'they come together' : gapMs > 0 ? 'B comes after A' : 'B comes before A'}
      </p>
      <p className="text-sm">
        {FRAME_RATES.map((rate) => `${Math.abs(frames[rate]).toFixed(1)} frames at ${rate}`).join(' · ')} per second
      </p>
      <p className="mt-1">
        At the last moment to decide ({printTime(decideS)} after release) they are <b>{separationDeg.toFixed(1)}°</b> apart to the eye; at
        the plate {units.length(plateSeparationM)}.
      </p>
      <p className="mt-1">
        {tunnel.untilS > 0 ? (
          <>
            To the eye they are one ball for the first <b>{printTime(tunnel.untilS)}</b>, and part {units.length(tunnel.toPlateM)} from the
            plate.
          </>
        ) : (
          'To the eye they are two balls from the start: let them go from one place.'
        )}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <QuantityField
          className="w-36"
          label={`Want ${inHand} later by, ms`}
          dimension="count"
          step={5}
          min={-400}
          max={400}
          value={wantedMs}
          onChange={setWantedMs}
        />
        {options?.speedMps != null && (
          <Button onClick={() => bench.change({ hold: { speedMps: options.speedMps! } })}>
            from here {units.speed(options.speedMps, 1)}
          </Button>
        )}
        {options?.releaseY != null && (
          <Button
            onClick={() =>
              bench.change({ from: { ...setup.from, y: options.releaseY! }, hold: { speedMps: now.arrangement.solution!.speedMps } })
            }
          >
            same speed from {units.length(options.releaseY)}
          </Button>
        )}
        {options && options.speedMps === null && options.releaseY === null && (
          <p className="pb-2 text-sm">This machine cannot do that, from 25 to 55 ft.</p>
        )}
      </div>
    </div>
  );
}

const pitchOf = (setup: Worked['setup'], { thrown }: Worked['arrangement']) =>
  thrown && { conditions: placeQuestion(setup).conditions, launch: thrown.launch };
