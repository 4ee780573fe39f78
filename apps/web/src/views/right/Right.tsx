import { printReading, SPORT_RECORDS, USUAL_HEIGHT_M } from '@good-arc/core';
import { useAsked } from '../../device/useAsked.ts';
import { Button } from '../../ui/Button.tsx';
import { LandingPlan } from '../../ui/LandingPlan.tsx';
import { courtsideLink } from '../../ui/links.ts';
import { Notice } from '../../ui/Notice.tsx';
import { ThrowButton } from '../../ui/ThrowButton.tsx';
import { Units, useUnits } from '../../ui/Units.tsx';
import type { NextTrim } from './trims.ts';
import { type RightProps, useRight } from './useRight.ts';
import { WindowPlan } from './WindowPlan.tsx';

export default function Right(props: RightProps) {
  return (
    <Units system={props.viewer.units}>
      <RightView {...props} />
    </Units>
  );
}

/** The acceptance loop: throw, mark, trim by a click, until two or three in a row are in the zone. */
function RightView(props: RightProps) {
  const {
    rung: { id: rungId, document },
    sport,
  } = props;
  const playerId = useAsked('player', props.playerId);
  const units = useUnits();
  const {
    day,
    machine,
    share,
    settings,
    need,
    setNeed,
    history,
    readings,
    setting,
    marks,
    launch,
    target,
    isWindow,
    zone,
    count,
    isRight,
    current,
    lastMissed,
    trims,
    line,
    mark,
    turnDial,
    did,
    shift,
    setToday,
  } = useRight(props);
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
          {target.kind === 'plane' ? (
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
              zones={[zone]}
              onMark={mark}
            />
          )}
        </div>
        <div className="mt-3 grid grid-cols-2 gap-2.5">
          <ThrowButton line={line} count={1} name="Throw one" />
          <Button size="xl" disabled={!history.canUndo} onClick={history.undo}>
            Undo last
          </Button>
          <Button size="xl" onClick={() => setNeed(need === 2 ? 3 : 2)}>
            {need === 2 ? 'Ask for three' : 'Two are enough'}
          </Button>
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
                  <Button
                    size="l"
                    square
                    className="text-2xl"
                    aria-label={`${dial.name} one click lower`}
                    onClick={() => turnDial(dial, readings[dial.id]! - dial.scale.click)}
                  >
                    −
                  </Button>
                  <output className="dial w-28 text-center text-2xl font-bold">{printReading(dial.scale, readings[dial.id]!)}</output>
                  <Button
                    size="l"
                    square
                    className="text-2xl"
                    aria-label={`${dial.name} one click higher`}
                    onClick={() => turnDial(dial, readings[dial.id]! + dial.scale.click)}
                  >
                    +
                  </Button>
                </li>
              ))}
          </ul>
        </section>
        <section aria-label="Next" data-testid="next-trim">
          <h2 className="text-xl">Next</h2>
          {isRight ? (
            <p className="mt-1 text-lg">
              It is right.{' '}
              <Button look="primary" size="xl" href={courtsideLink(rungId, playerId)}>
                Take it on court
              </Button>
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
                  <Button look="primary" size="l" onClick={() => did(next)}>
                    Done<span className="sr-only">: {sayTrim(next)}</span>
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </section>
        {shift?.matters && (
          <Notice aria-label="Today" tone="warning">
            <p>
              Everything seems {Math.abs(100 * (shift.share - 1)).toFixed(0)} % {shift.share < 1 ? 'slower' : 'faster'} today (battery,
              balls, cold?).
            </p>
            <Button size="l" className="mt-2" onClick={() => setToday({ day, speedShare: Math.round(shift.share * 1000) / 1000 })}>
              Shift all by {units.speed(Math.abs(shift.byMps), 1)} for today
            </Button>
          </Notice>
        )}
        {share !== 1 && (
          <p>
            Shifted for today: {Math.abs(100 * (share - 1)).toFixed(0)} % {share < 1 ? 'slower' : 'faster'} than its curves.{' '}
            <Button look="ghost" className="text-base" onClick={() => setToday(null)}>
              Take the shift back
            </Button>
          </p>
        )}
      </div>
    </div>
  );
}
