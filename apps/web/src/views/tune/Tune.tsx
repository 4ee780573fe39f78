import {
  ballById,
  type Dial,
  fitTuneUp,
  isFlown,
  onClick,
  printReading,
  SPORT_RECORDS,
  standOf,
  type TestBall,
  type TuneUp,
} from '@good-arc/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import type { Kit, MachineRow, Viewer } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { DialChart } from '../../ui/DialChart.tsx';
import { useHistory } from '../../ui/history.ts';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { ThrowButton } from '../../ui/ThrowButton.tsx';
import { chartBallsOf, valueOfBall } from '../../ui/testBalls.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { useTestBalls } from '../../ui/useTestBalls.ts';
import { BallList } from './BallList.tsx';
import { FitWords } from './FitWords.tsx';
import { Stopwatch, TypedSight } from './SeenOtherwise.tsx';
import { Stand } from './Stand.tsx';
import { firstTune, newBall, placesOf, savedTune, saveTune, tapped, withSeen } from './state.ts';

interface Props {
  viewer: Viewer;
  kit: Kit;
  machine: MachineRow;
  dial: Dial;
  /** The tune-up of this dial before this one: how the machine stood then. */
  last: TuneUp | null;
}

export default function Tune(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <TuneView {...props} />
    </Units>
  );
}

/** One dial, a few balls, one person with a phone: what the marks on it mean. */
function TuneView({ viewer, kit, machine, dial, last }: Props) {
  const units = useUnits();
  const [first] = useState(() => savedTune(machine.id, dial) ?? firstTune(kit, machine, dial, last, viewer.altitudeM));
  const history = useHistory(first);
  const { now } = history;
  const { document, reading, each } = now;
  const [saving, setSaving] = useState(false);
  const current = useRef(now);
  current.current = now;
  useEffect(() => saveTune(machine.id, dial.id, now), [now, machine.id, dial.id]);

  const flown = isFlown(dial);
  const dragShare = kit.balls.find(({ id }) => id === document.ballStockId)?.dragShare ?? 1;
  const stand = useMemo(
    () => (flown ? standOf(document, machine.profile, dragShare) : null),
    [document, flown, machine.profile, dragShare],
  );
  const fit = useMemo(() => fitTuneUp(document, dial, machine.profile, dragShare), [document, dial, machine.profile, dragShare]);
  const court = kit.courts.find(({ id }) => id === document.courtId) ?? kit.courts[0]!;
  const plan = SPORT_RECORDS[court.sport].court;

  const set = (part: Partial<typeof now>, key = ''): void => {
    const next = { ...current.current, ...part };
    current.current = next;
    history.set(next, key);
  };
  const setDocument = (part: Partial<TuneUp>, key = ''): void => set({ document: { ...current.current.document, ...part } }, key);
  const setBalls = (change: (balls: TestBall[]) => TestBall[]): void => setDocument({ balls: change(current.current.document.balls) });
  const seen = (part: Parameters<typeof withSeen>[2]): void => setBalls((balls) => withSeen(balls, current.current.reading, part, uuidv7));
  const toggle = (id: string): void =>
    setBalls((balls) => balls.map((ball) => (ball.id === id ? { ...ball, leftOut: !ball.leftOut } : ball)));

  // balls of the line by their number in this go, so that a radar reading finds its own
  const thrown = useRef(new Map<number, string>());
  // the gun may speak before the machine does
  const early = useRef(new Map<number, number>());
  const middleMps = (machine.profile.speedMps[0] + machine.profile.speedMps[1]) / 2;
  const line = useTestBalls({
    machine,
    launch: stand && {
      ...stand.from,
      elevationDeg: stand.elevationDeg,
      bearingDeg: stand.bearingDeg,
      speedMps: middleMps,
      ...stand.spin(middleMps),
    },
    conditions: stand?.conditions ?? null,
    places: placesOf(dial, reading, machine.profile),
    ballId: document.ballId,
    asksName: ballById(document.ballId).hard ? 'A hard ball: somebody sees to it that nobody stands where it goes.' : '',
    goesBy: 1,
    onGo() {
      thrown.current.clear();
      early.current.clear();
    },
    onBall(number) {
      const id = uuidv7();
      thrown.current.set(number, id);
      setBalls((balls) => [...balls, newBall(id, current.current.reading, { radarMps: early.current.get(number) ?? null })]);
    },
    onReading(number, mps) {
      const radarMps = Math.round(mps * 100) / 100;
      const id = thrown.current.get(number);
      if (id) setBalls((balls) => balls.map((ball) => (ball.id === id ? { ...ball, radarMps } : ball)));
      else early.current.set(number, radarMps);
    },
  });

  function moveDial(to: number): void {
    line.clearLanded();
    set({ reading: onClick(dial.scale, to) });
  }

  async function keep(): Promise<void> {
    setSaving(true);
    try {
      // a ball that was thrown and never seen says nothing
      const balls = document.balls.filter((ball) => valueOfBall(ball, stand) !== null);
      await api('PUT', `tune-ups/${uuidv7()}`, {
        machineId: machine.id,
        tunedAt: new Date().toISOString(),
        document: { ...document, balls },
      });
      saveTune(machine.id, dial.id, null);
      location.assign(`/machines/${machine.id}`);
    } catch (error) {
      toast.error(messageOf(error));
      setSaving(false);
    }
  }

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
          <button
            type="button"
            className="btn btn-outline btn-square min-h-12 text-2xl"
            aria-label="One click lower"
            disabled={reading <= scale.lo}
            onClick={() => moveDial(reading - scale.click)}
          >
            −
          </button>
          <output className="dial min-w-16 text-center text-4xl font-bold" aria-label="Dial" data-testid="reading">
            {printReading(scale, reading)}
          </output>
          <button
            type="button"
            className="btn btn-outline btn-square min-h-12 text-2xl"
            aria-label="One click higher"
            disabled={reading >= scale.hi}
            onClick={() => moveDial(reading + scale.click)}
          >
            +
          </button>
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
              <button type="button" className="btn btn-outline min-h-14 text-lg" disabled={!history.canUndo} onClick={history.undo}>
                Undo last
              </button>
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
            <button type="button" className="btn btn-ghost min-h-11" disabled={!history.canUndo} onClick={history.undo}>
              Undo last
            </button>
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
              <button type="button" className="btn btn-primary mt-3 min-h-14 w-full text-lg" disabled={saving} onClick={keep}>
                {saving ? 'Keeping …' : `Keep this curve (${fit.used} ${fit.used === 1 ? 'ball' : 'balls'})`}
              </button>
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
              <button type="button" className="btn btn-ghost min-h-11" onClick={() => setDocument({ balls: [] })}>
                Begin again
              </button>
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
