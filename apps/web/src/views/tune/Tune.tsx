import { printReading } from '@good-arc/core';
import { useDeviceReady } from '../../device/useDeviceReady.ts';
import { Button } from '../../ui/Button.tsx';
import { DialChart } from '../../ui/DialChart.tsx';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { ThrowButton } from '../../ui/ThrowButton.tsx';
import { chartBallsOf } from '../../ui/testBalls.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { BallList } from './BallList.tsx';
import { FitWords } from './FitWords.tsx';
import { Stopwatch, TypedSight } from './SeenOtherwise.tsx';
import { Stand } from './Stand.tsx';
import { tapped } from './state.ts';
import { type TuneProps, useTune } from './useTune.ts';

export default function Tune(props: TuneProps) {
  const isReady = useDeviceReady();
  return (
    <Units system={props.viewer.units}>
      {isReady ? <TuneView {...props} /> : <p className="p-6">Looking for test balls on this device …</p>}
    </Units>
  );
}

/** One dial, a few balls, one person with a phone: what the marks on it mean. */
function TuneView(props: TuneProps) {
  const { viewer, kit, machine, dial, last } = props;
  const units = useUnits();
  const {
    history,
    document,
    reading,
    each,
    saving,
    flown,
    stand,
    fit,
    court,
    plan,
    setDocument,
    setBalls,
    seen,
    toggle,
    line,
    moveDial,
    keep,
  } = useTune(props);
  const here = document.balls.filter((ball) => ball.reading === reading);
  const marks = here.flatMap(({ id, mark, leftOut }, i) => (mark ? [{ id, x: mark.x, y: mark.y, label: String(i + 1), leftOut }] : []));
  const chartBalls = chartBallsOf(document.balls, stand);
  const { scale } = dial;

  return (
    <div className="px-3 pt-3 pb-12 md:px-6 lg:grid lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] lg:gap-x-8">
      <div className="min-w-0 lg:col-span-2">
        <a href={`/machines/${machine.id}`} className="text-sm font-medium text-quiet hover:underline">
          {machine.name}
        </a>
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-2xl">Tune-up · {dial.name}</h1>
          <p className="text-quiet">{here.length === 0 ? 'no ball at this mark yet' : `ball ${here.length} of ${each}`}</p>
        </div>
      </div>
      <details className="lg:col-span-2" open={!last && document.balls.length === 0}>
        <summary className="min-h-11 cursor-pointer py-2 font-medium">
          How it stands: {court.name}, {units.length(document.from.y)} from the {plan.net ? 'net' : 'plate'},{' '}
          {units.print(document.elevationDeg, 'angle')}, {units.temperature(document.weather.temperatureC)}
        </summary>
        <Stand kit={kit} sports={machine.profile.sports} tuneUp={document} onChange={(part) => setDocument(part, 'stand')} />
      </details>
      <div className="min-w-0">
        <div className="mt-1 flex items-center gap-3">
          <span className="text-lg">Set the dial to</span>
          <Button
            size="l"
            square
            className="text-2xl"
            aria-label="One click lower"
            disabled={reading <= scale.lo}
            onClick={() => moveDial(reading - scale.click)}
          >
            −
          </Button>
          <output className="dial min-w-16 text-center text-4xl font-bold" aria-label="Dial" data-testid="reading">
            {printReading(scale, reading)}
          </output>
          <Button
            size="l"
            square
            className="text-2xl"
            aria-label="One click higher"
            disabled={reading >= scale.hi}
            onClick={() => moveDial(reading + scale.click)}
          >
            +
          </Button>
          {flown && (
            <span className="hidden text-quiet sm:inline">elevation {units.print(document.elevationDeg, 'angle')}, do not touch</span>
          )}
        </div>
        <p className="mt-1 text-quiet">
          {dial.moves === 'wheel'
            ? 'Set every wheel alike. Let the first ball go by, then mark where the others first touch.'
            : flown
              ? 'Let the first ball go by, then tap where the others first touch: good to about a foot by eye.'
              : 'Measure what this mark gives: an angle by a level on the barrel, an interval by a watch.'}
        </p>
        {flown && (
          <>
            <div className="mt-2">
              <LandingPlan
                plan={plan}
                machine={document.from}
                marks={marks}
                landed={line.landed}
                onMark={(spot) => {
                  line.marked();
                  seen({ mark: tapped(spot) });
                }}
              />
            </div>
            <div className="mt-3 grid grid-cols-2 gap-2.5">
              <ThrowButton line={line} count={each} name={`Throw ${each + 1}: the first goes by`} />
              <Stopwatch onTime={(timeS) => seen({ timeS })} />
              <Button size="xl" disabled={!history.canUndo} onClick={history.undo}>
                Undo last
              </Button>
            </div>
            {line.hasLine && (
              <p className="mt-2 text-quiet" role="status">
                {line.state === 'arming'
                  ? 'Turning and spinning up …'
                  : line.wentBy
                    ? 'The first ball goes by.'
                    : line.landed
                      ? 'The simulated ball touched inside the dotted ring: tap there.'
                      : line.busy
                        ? 'The radar gun sends its own readings.'
                        : ''}
              </p>
            )}
          </>
        )}
        <div className="mt-3">
          <TypedSight dial={dial} stand={stand} onSeen={seen} />
          {!flown && (
            <Button look="ghost" disabled={!history.canUndo} onClick={history.undo}>
              Undo last
            </Button>
          )}
        </div>
      </div>

      <div className="mt-5 min-w-0 lg:mt-0">
        <h2 className="text-xl">What the dial means so far</h2>
        {fit ? (
          <>
            <DialChart
              moves={dial.moves}
              scale={scale}
              curve={fit}
              balls={chartBalls}
              height={230}
              label={`Curve of ${dial.name} with its band and ${chartBalls.length} balls`}
            />
            <FitWords fit={fit} dial={dial} tuneUp={document} reading={reading} onSetReading={moveDial} onLeaveOut={toggle} />
            {viewer.canPlan && (
              <Button look="primary" size="xl" className="mt-3 w-full" disabled={saving} onClick={keep}>
                {saving ? 'Keeping …' : `Keep this curve (${fit.used} ${fit.used === 1 ? 'ball' : 'balls'})`}
              </Button>
            )}
          </>
        ) : (
          <p className="mt-2 max-w-md text-lg">
            {dial.curve
              ? 'It has a curve. New balls make a new one; the old one stays until you keep that.'
              : 'Nothing yet. Three to five balls at each of three marks are enough for a curve.'}
          </p>
        )}
        {document.balls.length > 0 && (
          <div className="mt-4">
            <div className="flex items-baseline justify-between">
              <h2 className="text-xl">Balls</h2>
              <Button look="ghost" onClick={() => setDocument({ balls: [] })}>
                Begin again
              </Button>
            </div>
            <BallList
              dial={dial}
              balls={document.balls}
              stand={stand}
              onLeaveOut={toggle}
              onRemove={(id) => setBalls((balls) => balls.filter((ball) => ball.id !== id))}
            />
          </div>
        )}
      </div>
    </div>
  );
}
