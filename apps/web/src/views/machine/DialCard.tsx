import { type Dial, dialValue, isFlown, type MachineProfile, onClick, printReading, type Scale, standOf } from '@good-arc/core';
import type { TuneUpRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { DialChart } from '../../ui/DialChart.tsx';
import { DIMENSION_OF, MOVES_NAMES } from '../../ui/dialUnits.ts';
import { chartBallsOf } from '../../ui/testBalls.ts';
import { useUnits } from '../../ui/Units.tsx';
import { sayDay } from '../../ui/when.ts';

const SCALE_WORDS: Record<Scale['kind'], string> = {
  numbers: 'numbers',
  fractions: 'fractions',
  pins: 'pins',
  notches: 'notches',
  colours: 'colours',
  turns: 'turns of a screw',
};

export function DialCard({
  dial,
  profile,
  tuneUp,
  canPlan,
  tuneHref,
  onChange,
  onDeleteCurve,
}: {
  dial: Dial;
  profile: MachineProfile;
  tuneUp: TuneUpRow | undefined;
  canPlan: boolean;
  tuneHref: string;
  onChange: () => void;
  onDeleteCurve: () => void;
}) {
  const units = useUnits();
  const { scale, curve, moves } = dial;
  const say = (reading: number): string => {
    const { value, lo, hi } = dialValue(scale, curve!, reading);
    return `${printReading(scale, reading)} is ${units.print(value, DIMENSION_OF[moves])}, give or take ${units.print((hi - lo) / 2, DIMENSION_OF[moves])}`;
  };
  const half = onClick(scale, (scale.lo + scale.hi) / 2);
  const balls = tuneUp ? chartBallsOf(tuneUp.document.balls, isFlown(dial) ? standOf(tuneUp.document, profile) : null) : [];
  return (
    <li className="border-b border-base-300 py-3">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-xl">{dial.name}</h3>
        <p className="text-quiet">
          moves {MOVES_NAMES[moves]}
          {dial.wheel ? ` ${dial.wheel}` : ''} · {SCALE_WORDS[scale.kind]} {printReading(scale, scale.lo)} to{' '}
          {printReading(scale, scale.hi)}
          {scale.zero && ` · zero: ${scale.zero}`}
        </p>
      </div>
      {curve ? (
        <>
          <DialChart
            moves={moves}
            scale={scale}
            curve={curve}
            balls={balls}
            height={170}
            label={`What ${dial.name} gives: ${say(scale.lo)}; ${say(half)}; ${say(scale.hi)}.`}
          />
          <p>
            <b>{say(half)}.</b>{' '}
            <span className="text-quiet">
              Tuned {sayDay(curve.tunedAt)} with {curve.balls} balls{tuneUp ? ` by ${tuneUp.personName}` : ''}.
            </span>
          </p>
        </>
      ) : (
        <p className="mt-2 max-w-md">Not tuned: nobody knows yet what a mark on it gives.</p>
      )}
      {canPlan && (
        <div className="mt-2 flex flex-wrap gap-2">
          <Button look={curve ? 'outline' : 'primary'} href={tuneHref}>
            {curve ? 'Tune again' : 'Tune up'}
            <span className="sr-only"> {dial.name}</span>
          </Button>
          <Button look="ghost" onClick={onChange}>
            Change<span className="sr-only"> {dial.name}</span>
          </Button>
          {curve && (
            <Button look="ghost" onClick={onDeleteCurve}>
              Delete the curve<span className="sr-only"> of {dial.name}</span>
            </Button>
          )}
        </div>
      )}
    </li>
  );
}
