import { type ByHand, ballById, type Capability, capability, speedShareOn, spinAxisDeg, type Throw, throwOf } from '@good-arc/core';
import { today } from '../../ui/day.ts';
import { DIMENSION_OF } from '../../ui/dialUnits.ts';
import { useUnits } from '../../ui/Units.tsx';
import type { BenchState } from './useBench.ts';

const SHORT: Record<Capability['short'][number]['what'], string> = {
  speed: 'speed',
  elevation: 'elevation',
  topspin: 'topspin',
  sidespin: 'sidespin',
  bearing: 'turn',
};

const BY_HAND: Record<ByHand, string> = {
  turn: 'turn the machine',
  pin: 'move the pin with the wheels stopped',
  program: 'type the figures in',
  walk: 'move it closer or farther',
};

/** The same feed in the machine's own marks, and what a person has to do for it. */
export function DialLine({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { machine, setup } = bench;
  const { thrown } = bench.now.arrangement;
  if (!thrown || machine.dials.length === 0) return null;
  const { radiusM } = ballById(setup.ballId);
  const { wheelsDeg } = machine.profile;
  const share = speedShareOn(machine.today, today());
  const wanted = { ...thrown.launch, topspinRpm: setup.topspinRpm, sidespinRpm: setup.sidespinRpm };
  const chosen = machine.profile.spin.kind === 'topspin' || machine.profile.spin.kind === 'any' ? wanted : thrown.launch;
  const { settings, untuned, short, byHand } = capability({ ...machine, speedShare: share }, chosen, radiusM, null, setup.intervalS);
  const wheels = settings.filter(({ moves }) => moves === 'wheel').map(({ gives }) => gives * share);
  return (
    <div className="mt-3" data-testid="dials">
      <p>
        {settings.map(({ dialId, name, text, off, beyond, moves }) => (
          <span key={dialId} className="mr-4 inline-block">
            {name}{' '}
            <b className="dial text-lg" title={`off by ${units.print(Math.abs(off), DIMENSION_OF[moves])}`}>
              {text}
            </b>
            {beyond && <span className="font-medium text-error"> (beyond its scale)</span>}
          </span>
        ))}
        {share !== 1 && <span className="text-quiet">shifted {Math.round(100 * (share - 1))} % for today</span>}
      </p>
      {wheels.length > 1 && wheels.length === wheelsDeg.length && (
        <p className="text-sm">{sayThrow(throwOf(wheels, wheelsDeg, radiusM), units)}</p>
      )}
      {short.length > 0 && (
        <p className="font-medium">
          Not this machine:{' '}
          {short
            .map(({ what, wanted: asked, nearest }) => {
              const dimension = what === 'speed' ? 'speed' : what === 'topspin' || what === 'sidespin' ? 'spin' : 'angle';
              return `${SHORT[what]} ${units.print(asked, dimension)}, nearest ${units.print(nearest, dimension)}`;
            })
            .join('; ')}
          .
        </p>
      )}
      {byHand.length > 0 && <p className="text-sm text-quiet">By hand: {byHand.map((each) => BY_HAND[each]).join('; ')}.</p>}
      {untuned.length > 0 && (
        <p className="text-sm text-quiet">
          Not tuned: {untuned.map(({ name }) => name).join(', ')}.{' '}
          <a className="underline" href={`/machines/${machine.id}`}>
            Tune {machine.name}
          </a>
        </p>
      )}
    </div>
  );
}

/** What wheels on these marks throw together, and which way the spin pushes, as on a clock seen from behind the machine. */
function sayThrow(thrown: Throw, units: ReturnType<typeof useUnits>): string {
  const axis = spinAxisDeg(thrown);
  const total = Math.hypot(thrown.topspinRpm, thrown.sidespinRpm);
  // 0° pushes down, which is six o’clock
  const hour = axis === null ? null : (Math.round(axis / 30) + 6) % 12 || 12;
  return `The wheels together: ${units.speed(thrown.speedMps, 1)}, ${Math.round(total / 10) * 10} rpm${hour === null ? '' : `, pushing to ${hour} o’clock`}.`;
}
