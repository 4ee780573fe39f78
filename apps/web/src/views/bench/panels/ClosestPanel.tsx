import {
  armAt,
  armOf,
  diamondOf,
  FIT_FIGURES,
  type FitFigure,
  fitOf,
  fitParts,
  type GameBall,
  gameBallById,
  type Hand,
  type Match,
  mpsToMph,
  mToFt,
  type OwnGameBall,
  planOf,
  within,
} from '@good-arc/core';
import { proxy } from 'comlink';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { messageOf } from '../../../ui/api.ts';
import { Button } from '../../../ui/Button.tsx';
import { ownBall } from '../../../ui/gameBalls.ts';
import { describeSpot } from '../../../ui/place.ts';
import { putRow } from '../../../ui/putRow.ts';
import { SourceMark } from '../../../ui/SourceMark.tsx';
import { toast } from '../../../ui/toast.ts';
import { useUnits } from '../../../ui/Units.tsx';
import type { BenchState } from '../useBench.ts';
import { benchWorker } from '../worker.ts';

const SAY: Record<FitFigure, string> = {
  timeS: 'time to react',
  speedMps: 'speed at the hit',
  heightM: 'height at the hit',
  descentDeg: 'steepness',
  topspinRpm: 'spin',
  sidespinRpm: 'sideways spin',
  breakM: 'break',
};
/** A figure this far off is worth a word. */
const WORTH_A_WORD = 0.6;

/** How near the feed is to its game ball, and how near this machine could come. */
export function ClosestPanel({ bench, canPlan }: { bench: BenchState; canPlan: boolean }) {
  const units = useUnits();
  const [busy, setBusy] = useState<'' | 'closest' | 'place'>('');
  const [share, setShare] = useState(0);
  const [found, setFound] = useState<Match[] | null>(null);
  const { setup, machine, now, ownRows } = bench;
  const { thrown, game } = now.arrangement;
  const row = ownRows.find(({ id }) => id === setup.gameBallId);
  const ball: GameBall | null = row ? ownBall(row) : (gameBallById(setup.gameBallId) ?? null);

  if (!ball) return <p>Choose a game ball to compare with, above the ruler.</p>;
  const feed = thrown?.arrival;
  const against = game?.arrival;
  const fit = feed && against ? fitOf(feed, against) : null;
  // of a pitch sideways is said by the arm that throws it
  const hand = ball.kind === 'pitch' ? (armOf(ball) ?? armAt(setup.from)) : null;
  const off = feed && against ? fitParts(feed, against) : null;
  const words = off
    ? FIT_FIGURES.filter((key) => Math.abs(off[key]) >= WORTH_A_WORD).map((key) => `${SAY[key]} ${tooMuch(key, off[key], hand)}`)
    : [];

  async function search(what: 'closest' | 'place'): Promise<void> {
    if (!ball) return;
    setBusy(what);
    setShare(0);
    setFound(null);
    try {
      if (what === 'closest') {
        const match = await benchWorker().closest(setup, machine.profile, ball);
        setFound(match ? [match] : []);
      } else setFound((await benchWorker().bestPlace(setup, machine.profile, ball, proxy(setShare))).slice(0, 3));
    } catch {
      toast.error('The search broke off. Nothing was changed; try again.');
    } finally {
      setBusy('');
    }
  }

  async function keep(): Promise<void> {
    const document = asGameBall(bench);
    if (!document) return;
    const id = uuidv7();
    const name = `Feed of ${machine.name}, ${units.speed(thrown!.launch.speedMps)}`;
    try {
      const row = await putRow('kit/gameBalls', { id, name, document, notes: 'Saved on the bench.' });
      bench.setOwnRows([...bench.ownRows, row]);
      toast.success(`Saved as “${name}”. Its name and figures can be changed in Kit.`);
    } catch (error) {
      toast.error(messageOf(error));
    }
  }

  return (
    <div className="flex flex-wrap gap-x-10 gap-y-4">
      <div className="min-w-0 grow basis-72">
        {fit === null ? (
          <p>This feed does not reach the player, so there is nothing to compare yet.</p>
        ) : (
          <>
            <p className="flex items-baseline gap-3">
              <span className="font-title text-5xl font-bold">{Math.round(fit)}</span>
              <span>
                of 100 like the game ball
                <SourceMark
                  about="the likeness"
                  source="100 is the same ball; half at one tenth of time and speed, 6 in of height, 6°, 600 rpm of top and of sideways spin and 6 in of break off all together. The weights are our judgement, no source."
                />
              </span>
            </p>
            <p className="mt-1">{words.length === 0 ? 'Every figure is near.' : `What differs: ${words.join(', ')}.`}</p>
          </>
        )}
        <div className="mt-3 flex flex-wrap gap-2">
          <Button look="primary" disabled={busy !== ''} onClick={() => search('closest')}>
            Closest from here
          </Button>
          <Button disabled={busy !== ''} onClick={() => search('place')}>
            Best place to stand it
          </Button>
          {canPlan && thrown && setup.target.kind === (diamondOf(setup.sport) ? 'plane' : 'landing') && (
            <Button look="ghost" onClick={keep}>
              Save this feed as a game ball
            </Button>
          )}
        </div>
      </div>
      <div className="min-w-0 grow basis-80" aria-live="polite">
        {busy !== '' && (
          <div>
            <p>{busy === 'closest' ? 'Trying arcs, depths and spins …' : 'Trying nine places …'}</p>
            <progress
              className="progress w-full"
              {...(busy === 'place' && { value: share, max: 1 })}
              aria-label="Share of the search that is done"
            />
          </div>
        )}
        {found?.length === 0 && <p>Nothing this machine can throw from there comes near it and is safe and kind to play.</p>}
        {found && found.length > 0 && (
          <ul>
            {found.map((match) => (
              <li key={match.setup.from.y} className="flex flex-wrap items-center gap-x-4 border-t border-base-300 py-2">
                <span className="font-title text-2xl font-bold">{Math.round(match.fit)}</span>
                <span className="min-w-0 grow basis-52">
                  {describeSpot(planOf(match.setup), match.setup.from, units.length)};{' '}
                  {'elevationDeg' in match.setup.hold && `${match.setup.hold.elevationDeg.toFixed(1)}°, `}
                  {units.print(match.spin.topspinRpm, 'spin')}
                  {Math.abs(match.spin.sidespinRpm) >= 50 && `, sideways ${units.print(match.spin.sidespinRpm, 'spin')}`}
                </span>
                <Button look="primary" onClick={() => bench.put(match.setup)}>
                  Use it
                </Button>
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}

function tooMuch(key: FitFigure, by: number, hand: Hand | null): string {
  // both grow to the ball’s own right, where a right-hander’s arm is
  const toArm = hand === 'right' ? by > 0 : by < 0;
  if (hand && (key === 'sidespinRpm' || key === 'breakM')) return `too far to the ${toArm ? 'arm' : 'glove'} side`;
  const words: Record<FitFigure, [string, string]> = {
    timeS: ['too long', 'too short'],
    speedMps: ['too fast', 'too slow'],
    heightM: ['too high', 'too low'],
    descentDeg: ['too steep', 'too flat'],
    topspinRpm: ['too much top', 'too little top'],
    sidespinRpm: ['too far to one side', 'too far to the other'],
    breakM: ['too far right', 'too far left'],
  };
  return words[key][by > 0 ? 0 : 1];
}

/** The feed in hand said as a game ball is said. */
function asGameBall({ setup, now }: BenchState): OwnGameBall | null {
  const { thrown, solution } = now.arrangement;
  if (!thrown || !solution) return null;
  const { level } = setup;
  const { topspinRpm, sidespinRpm, gyroRpm, speedMps } = thrown.launch;
  if (diamondOf(setup.sport))
    return {
      kind: 'pitch',
      sport: setup.sport,
      level,
      band: 'own',
      releaseFt: mToFt(setup.from.y),
      releaseZ_m: within(setup.from.z, [0.2, 2.6]),
      ...(sidespinRpm !== 0 && { hand: armAt(setup.from) }),
      speedMph: mpsToMph(speedMps),
      topspinRpm,
      sidespinRpm,
      gyroRpm,
    };
  if (setup.target.kind !== 'landing' || solution.netClearanceM === null) return null;
  return {
    kind: 'shaped',
    sport: setup.sport,
    level,
    from: { y: setup.from.y, z: setup.from.z },
    topspinRpm,
    landsPastM: -setup.target.y,
    clearsByM: solution.netClearanceM,
  };
}
