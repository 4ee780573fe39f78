import { type Dial, dialValue, type Fit, mostUsefulReading, type Outlier, printReading, type TestBall, type TuneUp } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { DIMENSION_OF } from '../../ui/dialUnits.ts';
import { Notice } from '../../ui/Notice.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { sayDoubt } from '../../words/doubts.ts';

interface Props {
  fit: Fit;
  dial: Dial;
  tuneUp: TuneUp;
  reading: number;
  onSetReading: (reading: number) => void;
  onLeaveOut: (id: string) => void;
}

const HOW: Record<Outlier['how'], string> = {
  short: 'short of',
  long: 'long of',
  quick: 'sooner than',
  late: 'later than',
  slow: 'slower than',
  fast: 'faster than',
  low: 'below',
  high: 'above',
};

/** What the balls say so far, what they cannot say, and what to try next. */
export function FitWords({ fit, dial, tuneUp, reading, onSetReading, onLeaveOut }: Props) {
  const units = useUnits();
  const { scale, moves } = dial;
  const print = (value: number): string => units.print(value, DIMENSION_OF[moves]);
  const { value, lo, hi } = dialValue(scale, { ...fit, tunedAt: '', balls: fit.used, ballId: tuneUp.ballId, temperatureC: 20 }, reading);
  const next = mostUsefulReading(scale, fit);
  const thrown = tuneUp.balls.filter(({ leftOut }) => !leftOut).map((ball) => ball.reading);
  const isBeyond = reading < Math.min(...thrown) || reading > Math.max(...thrown);
  const outliers = fit.outliers.filter(({ ballId }) => tuneUp.balls.some((ball) => ball.id === ballId && !ball.leftOut));
  return (
    <div className="space-y-2">
      <p className="text-lg" data-testid="fit-words">
        <b>
          {printReading(scale, reading)} is {print(value)}, give or take {print((hi - lo) / 2)}.
        </b>{' '}
        <SourceMark
          about="this interval"
          source="95 % for the mean of many balls at this mark, from the balls below, how well each was seen, and how true the elevation is known. A curve that can only rise, fitted by Levenberg–Marquardt."
        />
      </p>
      <p>
        Most useful next: <b>{printReading(scale, next)}</b>, where balls would narrow the band most.{' '}
        {next !== reading && (
          <Button className="text-base" onClick={() => onSetReading(next)}>
            Set the dial to {printReading(scale, next)}
          </Button>
        )}
      </p>
      {fit.confounded && (
        <Notice tone="warning" data-testid="confounded">
          <b>The marks cannot tell</b> a wrong elevation from a wrong speed: a degree off looks like a slower or a faster ball. One timed
          flight or a radar reading parts them.
        </Notice>
      )}
      {fit.doubts.map((doubt) => (
        <Notice key={doubt.code} tone="warning" data-testid={`doubt-${doubt.code}`}>
          {sayDoubt(doubt, { reading: (at) => printReading(scale, at), speed: (mps) => units.speed(mps, 1) })}
        </Notice>
      ))}
      {isBeyond && (
        <p className="font-semibold">No ball was thrown at or beyond {printReading(scale, reading)}: what stands here is a guess.</p>
      )}
      {outliers.map(({ ballId, how, by, sigmas }) => (
        <Notice key={ballId} tone="warning">
          <b>{ballName(tuneUp.balls, ballId, dial)}</b> is {printBy(how, by, print, units)} {HOW[how]} what the others say (
          {sigmas.toFixed(1)} σ). Did it clip the net, or misfeed?{' '}
          <Button className="text-base" onClick={() => onLeaveOut(ballId)}>
            Keep it out
          </Button>
        </Notice>
      ))}
      {fit.speedPct && (
        <p className="text-quiet">
          This machine repeats its speed to ± {fit.speedPct.sigma.toFixed(1)} % (it may be {fit.speedPct.interval[0].toFixed(1)} to{' '}
          {fit.speedPct.interval[1].toFixed(1)} %{fit.speedPct.mixed ? '; marks alone cannot part it from a scatter of elevation' : ''}).
          {fit.bearing &&
            ` Its direction repeats to ± ${fit.bearing.sigma.toFixed(1)}°${Math.abs(fit.bearing.meanDeg) > 2 * fit.bearing.sigma ? `, about ${Math.abs(fit.bearing.meanDeg).toFixed(1)}° ${fit.bearing.meanDeg > 0 ? 'right' : 'left'} of where it points` : ''}.`}
        </p>
      )}
      {fit.zero && !fit.confounded && Math.abs(fit.zero.deg) > 2 * fit.zero.sd && (
        <p className="text-quiet">
          The barrel really stands at {(tuneUp.elevationDeg + fit.zero.deg).toFixed(1)}°, give or take {(2 * fit.zero.sd).toFixed(1)}°.
        </p>
      )}
      {fit.drag && (
        <p>
          Drag of these balls: <b>{fit.drag.share.toFixed(2)}</b> of a new ball’s, somewhere from {fit.drag.lo.toFixed(2)} to{' '}
          {fit.drag.hi.toFixed(2)}. It is kept with their basket.
        </p>
      )}
    </div>
  );
}

/** `Ball 3 at 5`. */
export function ballName(balls: readonly TestBall[], id: string, { scale }: Pick<Dial, 'scale'>): string {
  const ball = balls.find((each) => each.id === id)!;
  const number = balls.filter(({ reading }) => reading === ball.reading).findIndex((each) => each.id === id) + 1;
  return `Ball ${number} at ${printReading(scale, ball.reading)}`;
}

function printBy(how: Outlier['how'], by: number, print: (value: number) => string, units: ReturnType<typeof useUnits>): string {
  if (how === 'short' || how === 'long') return units.length(by);
  if (how === 'quick' || how === 'late') return units.print(by, 'time', 2);
  if (how === 'slow' || how === 'fast') return units.speed(by, 1);
  return print(by);
}
