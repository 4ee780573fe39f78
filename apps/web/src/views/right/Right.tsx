import {
  conditionsOf,
  type Dial,
  type DialPlace,
  inARow,
  isFlown,
  judgeRung,
  landingZone,
  type MachineToday,
  needsName,
  onClick,
  placeOfDial,
  printReading,
  SPORT_RECORDS,
  type Sport,
  settingsOf,
  shiftToday,
  speedShareOn,
  USUAL_HEIGHT_M,
} from '@good-arc/core';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { GameBallRow, MachineRow, RungRow, Viewer } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { today } from '../../ui/day.ts';
import { gameBallFinder } from '../../ui/gameBalls.ts';
import { useHistory } from '../../ui/history.ts';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { ThrowButton } from '../../ui/ThrowButton.tsx';
import { Units, useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { useTestBalls } from '../../ui/useTestBalls.ts';
import { type NextTrim, nextTrims } from './trims.ts';
import { WindowPlan } from './WindowPlan.tsx';

interface Props {
  viewer: Viewer;
  rung: RungRow;
  sport: Sport;
  machine: MachineRow;
  gameBalls: GameBallRow[];
  /** Who hits afterwards. */
  playerId: string | null;
}

/** Height a batter is taken to have for the window, m: the zone is only drawn. */

interface Mark {
  id: string;
  x: number;
  /** y on the ground; the height in a window. */
  y: number;
  /** Counts up with every change of a dial. */
  setting: number;
}

interface RightState {
  readings: Record<string, number>;
  setting: number;
  marks: Mark[];
}

export default function Right(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <RightView {...props} />
    </Units>
  );
}

/** The acceptance loop: throw, mark, trim by a click, until two or three in a row are in the zone. */
function RightView({ rung: { id: rungId, document }, sport, machine: initial, gameBalls, playerId }: Props) {
  const units = useUnits();
  const day = today();
  const [machine, setMachine] = useState(initial);
  const share = speedShareOn(machine.today, day);
  const settings = settingsOf(document, { ...machine, speedShare: share }).settings.filter(({ moves }) => moves !== 'interval');
  const [need, setNeed] = useState<2 | 3>(2);
  const history = useHistory<RightState>({
    readings: Object.fromEntries(settings.map(({ dialId, reading }) => [dialId, reading])),
    setting: 0,
    marks: [],
  });
  const { readings, setting, marks } = history.now;
  const { launch, target } = document.feeds[0]!;
  const isWindow = target.kind === 'plane';
  const middle = isWindow ? { x: target.x, y: target.z } : { x: target.x, y: target.y };
  const zone = { ...middle, ...(document.landingZone ?? landingZone(sport, target.kind)) };
  const count = inARow(zone, marks);
  const isRight = count >= need;
  const current = marks.filter((mark) => mark.setting === setting);
  const mean = (read: (mark: Mark) => number): number => current.reduce((sum, mark) => sum + read(mark), 0) / current.length;
  const last = current.at(-1);
  const lastMissed = last && inARow(zone, [last]) === 0;
  const trims =
    lastMissed && !isRight
      ? nextTrims(document, sport, machine, readings, { xM: mean(({ x }) => x) - middle.x, alongM: mean(({ y }) => y) - middle.y })
      : [];
  const conditions = conditionsOf(document);

  const gameBall = useMemo(() => gameBallFinder(gameBalls), [gameBalls]);
  const judged = useMemo(
    () => judgeRung({ ...document, feeds: [{ ...document.feeds[0]!, on: true }] }, { sport, machine: machine.profile, gameBall }),
    [document, sport, machine.profile, gameBall],
  );
  const line = useTestBalls({
    machine,
    ballId: document.ballId,
    rungId,
    asksName: needsName(document, judged) ? 'A hard ball and too little time for this age, or one that was not judged.' : '',
    launch,
    conditions,
    places: machine.dials.flatMap((dial) => placeOf(dial, readings, machine)),
    goesBy: 0,
    ...(isWindow && { planeY: target.planeY }),
  });

  function mark(spot: { x: number; y: number }): void {
    line.marked();
    history.set({ ...history.now, marks: [...marks, { ...spot, id: uuidv7(), setting }] });
  }

  function turnDial(dial: Dial, to: number): void {
    history.set({ ...history.now, readings: { ...readings, [dial.id]: onClick(dial.scale, to) }, setting: setting + 1 });
  }

  function did(next: NextTrim): void {
    const changed = next.by === 'clicks' ? { ...readings, [next.trim.dialId]: next.trim.reading } : readings;
    history.set({ readings: changed, setting: setting + 1, marks });
  }

  const shift =
    !isWindow && setting === 0 && current.length > 0 && share === 1
      ? shiftToday(
          { conditions, from: launch, elevationDeg: launch.elevationDeg, bearingDeg: launch.bearingDeg, spin: () => launch },
          current.map(({ x, y }) => Math.hypot(x - launch.x, y - launch.y)),
          launch.speedMps,
          (machine.profile.repeatability.speedPct / 100) * launch.speedMps + 0.25,
        )
      : null;

  async function setToday(today: MachineToday | null): Promise<void> {
    const before = machine;
    const { id, ...rest } = { ...machine, today };
    if (!(await attempt(() => api('PUT', `kit/machines/${id}`, rest)))) return;
    setMachine({ id, ...rest });
    const now = settingsOf(document, { ...rest, speedShare: speedShareOn(today, day) }).settings;
    history.set({
      readings: {
        ...readings,
        ...Object.fromEntries(now.filter(({ moves }) => moves !== 'interval').map((each) => [each.dialId, each.reading])),
      },
      setting: setting + 1,
      marks,
    });
    saidWithUndo(
      today
        ? `${machine.name} counts as ${Math.round(100 * (today.speedShare - 1))} % in speed for today; its curves stay as they are.`
        : 'The shift was taken back.',
      async () => {
        const { id: _id, ...old } = before;
        await api('PUT', `kit/machines/${id}`, old);
        setMachine(before);
      },
    );
  }

  const planMarks = marks.map(({ id, x, y, setting: at }, i) => ({ id, x, y, label: String(i + 1), leftOut: at !== setting }));
  const sayTrim = (next: NextTrim): string => {
    if (next.by === 'clicks') {
      const { name, clicks, text } = next.trim;
      return `${name} ${clicks > 0 ? 'up' : 'down'} ${Math.abs(clicks)} ${Math.abs(clicks) === 1 ? 'click' : 'clicks'}, to ${text}`;
    }
    if (next.by === 'turn') return `turn it ${Math.abs(next.deg).toFixed(1)}° ${next.deg > 0 ? 'right' : 'left'}`;
    if (next.by === 'elevation') return `elevation ${next.deg > 0 ? 'up' : 'down'} ${Math.abs(next.deg).toFixed(1)}°`;
    return `${units.speed(Math.abs(next.mps), 1)} ${next.mps > 0 ? 'faster' : 'slower'}`;
  };

  return (
    <div className="px-3 pt-3 pb-12 md:px-6 lg:grid lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)] lg:gap-x-8">
      <div className="min-w-0">
        <a href={courtsideLink(rungId, playerId)} className="text-sm font-medium text-quiet hover:underline">
          {document.name}
        </a>
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-2xl">Until it is right</h1>
          <p className={`text-xl font-bold ${isRight ? 'text-secondary' : ''}`} role="status" data-testid="in-a-row">
            {isRight ? `${count} in a row: it is right` : `${count} in a row of ${need}`}
          </p>
        </div>
        <p className="text-quiet">
          {isWindow ? 'Tap where each ball passed the plate.' : 'Tap where each ball first touched.'} Two or three in a row in the dashed{' '}
          {isWindow ? 'window' : 'box'}, without a hand on a dial between them, make it right.
        </p>
        <div className="mt-2">
          {isWindow ? (
            <WindowPlan
              zone={{ x: target.x, z: target.z, widthM: zone.widthM, depthM: zone.depthM }}
              batterHeightM={document.batterHeightM ?? USUAL_HEIGHT_M}
              marks={planMarks}
              landed={line.landed}
              onMark={mark}
            />
          ) : (
            <LandingPlan
              plan={SPORT_RECORDS[sport].court}
              machine={launch}
              marks={planMarks}
              landed={line.landed}
              zone={zone}
              onMark={mark}
            />
          )}
        </div>
        <div className="mt-3 grid grid-cols-2 gap-2.5">
          <ThrowButton line={line} count={1} name="Throw one" />
          <button type="button" className="btn btn-outline min-h-14 text-lg" disabled={!history.canUndo} onClick={history.undo}>
            Undo last
          </button>
          <button type="button" className="btn btn-outline min-h-14 text-lg" onClick={() => setNeed(need === 2 ? 3 : 2)}>
            {need === 2 ? 'Ask for three' : 'Two are enough'}
          </button>
        </div>
        {line.landed && (
          <p className="mt-2 text-quiet" role="status">
            The simulated ball {isWindow ? 'passed' : 'touched'} inside the dotted ring: tap there.
          </p>
        )}
      </div>
      <div className="mt-5 min-w-0 space-y-4 lg:mt-0">
        <section aria-label="Dials now">
          <h2 className="text-xl">{machine.name} stands at</h2>
          {settings.length === 0 && (
            <p className="mt-1">
              {units.speed(launch.speedMps, 1)}, {units.print(launch.elevationDeg, 'angle')}. None of its dials is tuned: trims are given in
              degrees and {units.system === 'imperial' ? 'mph' : 'km/h'}.
            </p>
          )}
          <ul className="mt-1">
            {machine.dials
              .filter(({ id }) => readings[id] !== undefined)
              .map((dial) => (
                <li key={dial.id} className="flex items-center gap-3 border-b border-base-300 py-1.5">
                  <span className="grow text-lg">{dial.name}</span>
                  <button
                    type="button"
                    className="btn btn-outline btn-square min-h-12 text-2xl"
                    aria-label={`${dial.name} one click lower`}
                    onClick={() => turnDial(dial, readings[dial.id]! - dial.scale.click)}
                  >
                    −
                  </button>
                  <output className="dial w-28 text-center text-2xl font-bold">{printReading(dial.scale, readings[dial.id]!)}</output>
                  <button
                    type="button"
                    className="btn btn-outline btn-square min-h-12 text-2xl"
                    aria-label={`${dial.name} one click higher`}
                    onClick={() => turnDial(dial, readings[dial.id]! + dial.scale.click)}
                  >
                    +
                  </button>
                </li>
              ))}
          </ul>
        </section>
        <section aria-label="Next" data-testid="next-trim">
          <h2 className="text-xl">Next</h2>
          {isRight ? (
            <p className="mt-1 text-lg">
              It is right.{' '}
              <a className="btn btn-primary min-h-14 text-lg" href={courtsideLink(rungId, playerId)}>
                Take it on court
              </a>
            </p>
          ) : current.length === 0 ? (
            <p className="mt-1">
              {setting === 0 ? 'Let one ball go by, then throw one and mark it.' : 'Throw one with the new setting, and mark it.'}
            </p>
          ) : !lastMissed ? (
            <p className="mt-1">In the zone. The same again, touching nothing.</p>
          ) : trims.length === 0 ? (
            <p className="mt-1">Off by less than a click is worth. The same again.</p>
          ) : (
            <ul className="mt-1 space-y-2">
              {trims.map((next) => (
                <li key={sayTrim(next)} className="flex flex-wrap items-center gap-3">
                  <b className="text-lg">{sayTrim(next)}</b>
                  <button type="button" className="btn btn-primary min-h-12 text-base" onClick={() => did(next)}>
                    Done<span className="sr-only">: {sayTrim(next)}</span>
                  </button>
                </li>
              ))}
            </ul>
          )}
        </section>
        {shift?.matters && (
          <section aria-label="Today" className="border-l-4 border-warning bg-base-200 p-3">
            <p>
              Everything seems {Math.abs(100 * (shift.share - 1)).toFixed(0)} % {shift.share < 1 ? 'slower' : 'faster'} today (battery,
              balls, cold?).
            </p>
            <button
              type="button"
              className="btn btn-outline mt-2 min-h-12 text-base"
              onClick={() => setToday({ day, speedShare: Math.round(shift.share * 1000) / 1000 })}
            >
              Shift all by {units.speed(Math.abs(shift.byMps), 1)} for today
            </button>
          </section>
        )}
        {share !== 1 && (
          <p>
            Shifted for today: {Math.abs(100 * (share - 1)).toFixed(0)} % {share < 1 ? 'slower' : 'faster'} than its curves.{' '}
            <button type="button" className="btn btn-ghost min-h-11 text-base" onClick={() => setToday(null)}>
              Take the shift back
            </button>
          </p>
        )}
      </div>
    </div>
  );
}

/** Where a dial stands, for the simulation: speed and wheels by their readings, elevation only as a whole set of dials. */
function placeOf(dial: Dial, readings: Record<string, number>, { profile }: MachineRow): DialPlace[] {
  const reading = readings[dial.id];
  if (reading === undefined || !(isFlown(dial) || dial.moves === 'elevation')) return [];
  return [placeOfDial(dial, reading, profile)];
}
