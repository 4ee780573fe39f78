import {
  arrange,
  COURT_PLANS,
  conditionsOf,
  firstSetup,
  GAME_BOOK,
  gameBallById,
  LEVEL_NEEDS,
  printAngle,
  type Setup,
  SURFACES,
} from '@good-arc/core';
import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { Kit, Viewer } from '../../api/rows.ts';
import { machineFor } from '../../ui/machineFor.ts';
import { describeSpot } from '../../ui/place.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SourceMark } from '../../ui/SourceMark.tsx';
import { Units, useUnits } from '../../ui/Units.tsx';
import { ArcSlider } from './ArcSlider.tsx';
import { ArrivalBesideGame } from './ArrivalBesideGame.tsx';
import { setupToText } from './address.ts';
import { Choices } from './Choices.tsx';
import { useHistory } from './history.ts';
import { Impossible } from './Impossible.tsx';
import { Placement } from './Placement.tsx';
import { Ruler } from './Ruler.tsx';
import { type EditedRung, type LadderChoice, SaveRung } from './SaveRung.tsx';

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladders: LadderChoice[];
  initial: Setup;
  edited: EditedRung | null;
}

export default function Bench(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <BenchView {...props} />
    </Units>
  );
}

function BenchView({ viewer, kit, ladders: initialLadders, initial, edited: initiallyEdited }: Props) {
  const units = useUnits();
  const history = useHistory(initial);
  const setup = history.now;
  const [saving, setSaving] = useState(false);
  const [edited, setEdited] = useState(initiallyEdited);
  const [ladders, setLadders] = useState(initialLadders);
  const court = kit.courts.find(({ id }) => id === setup.courtId) ?? kit.courts[0]!;
  const machine = kit.machines.find(({ id }) => id === setup.machineId) ?? kit.machines[0]!;
  const arrangement = useMemo(() => arrange(setup, machine.profile), [setup, machine]);
  const { solution, spin, thrown } = arrangement;
  const plan = COURT_PLANS[setup.sport];
  const surface = SURFACES.find(({ id }) => id === setup.surfaceId);

  const change = (part: Partial<Setup>, key = ''): void => history.set({ ...setup, ...part }, key);

  useEffect(() => {
    const later = setTimeout(() => {
      const rung = edited ? `rung=${edited.id}&` : '';
      window.history.replaceState(null, '', `/bench?${rung}s=${setupToText(setup)}`);
    }, 250);
    return () => clearTimeout(later);
  }, [setup, edited]);

  const { undo, redo } = history;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z' || event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);

  function chooseCourt(id: string): void {
    const next = kit.courts.find((each) => each.id === id);
    if (!next) return;
    if (next.sport === setup.sport) {
      change({ courtId: id, surfaceId: next.surfaceId });
      return;
    }
    const fitting = machineFor(kit.machines, next.sport);
    if (!fitting) {
      toast.error(`No machine of yours throws ${next.sport} balls. Add one in Kit.`);
      return;
    }
    setEdited(null);
    history.set(firstSetup(next, fitting, setup.level, viewer.altitudeM));
  }

  function chooseMachine(id: string): void {
    const next = kit.machines.find((each) => each.id === id);
    if (!next) return;
    change({
      machineId: id,
      from: { ...setup.from, z: next.profile.releaseHeightM },
      intervalS: Math.min(next.profile.intervalS[1], Math.max(next.profile.intervalS[0], setup.intervalS)),
    });
  }

  function chooseLevel(level: Setup['level']): void {
    const now = gameBallById(setup.gameBallId);
    const same =
      GAME_BOOK.find((ball) => ball.sport === setup.sport && ball.level === level && ball.name === now?.name) ??
      GAME_BOOK.find((ball) => ball.sport === setup.sport && ball.level === level);
    change({ level, gameBallId: same?.id ?? setup.gameBallId });
  }

  const elevationDeg =
    solution?.elevationDeg ??
    ('elevationDeg' in setup.hold ? setup.hold.elevationDeg : (machine.profile.elevationDeg[0] + machine.profile.elevationDeg[1]) / 2);
  // a feed that cannot be thrown shows what it would take
  const speedMps =
    solution?.speedMps ??
    ('speedMps' in setup.hold ? setup.hold.speedMps : (arrangement.blocked[0]?.speedMps ?? machine.profile.speedMps[0]));
  const holdsSpeed = 'speedMps' in setup.hold;
  const turn = solution ? solution.bearingDeg - 180 : 0;
  const ball = conditionsOf(setup).ball;
  const spinFixed = machine.profile.spin.kind === 'tied' || machine.profile.spin.kind === 'none';

  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_25.5rem]">
      <section className="flex min-w-0 flex-col px-3 pt-2 pb-6 md:px-6" aria-label="Bench">
        <div className="flex flex-wrap items-center gap-x-4">
          <h1 className="text-2xl">{edited ? edited.name : 'Bench'}</h1>
          <div className="text-sm text-quiet">
            {court.name}, {surface?.name.toLowerCase()}
            {surface && <SourceMark about="the bounce" source={surface.source.source} />} · {machine.name} ·{' '}
            {units.temperature(setup.weather.temperatureC)}, {units.altitude(setup.weather.altitudeM)} up
          </div>
          <div className="ml-auto flex items-center gap-1">
            <button
              type="button"
              className="btn btn-ghost btn-square min-h-11"
              aria-label="Undo"
              title="Undo (Ctrl Z)"
              disabled={!history.canUndo}
              onClick={undo}
            >
              <Undo2 size={20} aria-hidden />
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-square min-h-11"
              aria-label="Redo"
              title="Redo (Ctrl Shift Z)"
              disabled={!history.canRedo}
              onClick={redo}
            >
              <Redo2 size={20} aria-hidden />
            </button>
            {edited && (
              <a className="btn btn-outline min-h-11" href={`/courtside?rung=${edited.id}`}>
                Take it on court
              </a>
            )}
            <button
              type="button"
              className="btn btn-primary min-h-11 px-5"
              disabled={!thrown || !viewer.canPlan}
              onClick={() => setSaving(true)}
            >
              {edited ? 'Save the rung' : 'Add to ladder'}
            </button>
          </div>
        </div>
        <Choices
          setup={setup}
          kit={kit}
          courtId={court.id}
          machineId={machine.id}
          onCourt={chooseCourt}
          onMachine={chooseMachine}
          onLevel={chooseLevel}
          onBall={(ballId) => change({ ballId })}
          onGameBall={(gameBallId) => change({ gameBallId })}
        />
        <p className="order-2 mb-1 text-sm">
          <b>Machine</b> {describeSpot(plan, setup.from, units.length)}
        </p>
        <div className="order-2">
          <Ruler setup={setup} arrangement={arrangement} onChange={change} onDone={history.close} />
        </div>
        <div className="order-2">
          <Impossible setup={setup} arrangement={arrangement} machine={machine} onChange={change} />
        </div>
        <div className="order-2 mt-2">
          <ArcSlider
            arrangement={arrangement}
            onElevation={(deg) => change({ hold: { elevationDeg: deg } }, 'slide')}
            onDone={history.close}
          />
        </div>
        <details className="order-4 mt-4 border-t border-base-300 pt-3" open>
          <summary className="mb-2 min-h-8 cursor-pointer font-title text-lg font-bold">Distances from the lines</summary>
          <Placement setup={setup} onChange={(part) => change(part)} />
        </details>
      </section>

      <aside className="border-base-content px-3 pt-4 pb-10 md:px-6 lg:border-l" aria-label="Choices and arrival">
        <h2 className="text-xl">Arrival beside game</h2>
        <ArrivalBesideGame arrangement={arrangement} goodHeight={LEVEL_NEEDS[setup.level].contactM} />

        {ball.confidence === 'low' && (
          <p className="mt-2 border-l-4 border-warning bg-base-200 p-2 text-sm">
            The flight of the holed ball is known roughly only ({ball.sources.find(({ assumption }) => assumption)?.source}): take the
            figures as a starting point.
          </p>
        )}

        <div className="mt-4 grid grid-cols-3 gap-px border border-base-content bg-base-content" role="group" aria-label="Machine settings">
          <Cell held={!holdsSpeed && solution !== null}>
            <QuantityField
              label="Elevation"
              dimension="angle"
              step={0.5}
              value={elevationDeg}
              min={machine.profile.elevationDeg[0]}
              max={machine.profile.elevationDeg[1]}
              limitOf={machine.name}
              onChange={(deg) => change({ hold: { elevationDeg: deg } }, 'elevation')}
            />
          </Cell>
          <Cell held={holdsSpeed && solution !== null}>
            <QuantityField
              label="Speed"
              dimension="speed"
              step={0.44704}
              value={speedMps}
              min={machine.profile.speedMps[0]}
              max={machine.profile.speedMps[1]}
              limitOf={machine.name}
              onChange={(mps) => change({ hold: { speedMps: mps } }, 'speed')}
            />
          </Cell>
          <Cell>
            <div className="text-sm font-medium text-quiet">Point it</div>
            <div className="dial flex h-11 items-center">
              {solution ? (Math.abs(turn) < 0.05 ? 'straight' : printAngle(Math.abs(turn), 1)) : '–'}
            </div>
            <div className="text-sm text-quiet">
              {solution && Math.abs(turn) >= 0.05 ? `${turn > 0 ? 'right' : 'left'}, from behind it` : ' '}
            </div>
          </Cell>
          <Cell>
            {spinFixed ? (
              <>
                <div className="text-sm font-medium text-quiet">Topspin</div>
                <div className="dial flex h-11 items-center">{units.print(spin.topspinRpm, 'spin')}</div>
                <div className="text-sm text-quiet">{machine.profile.spin.kind === 'tied' ? 'follows the speed' : 'fixed'}</div>
              </>
            ) : (
              <QuantityField
                label="Topspin"
                dimension="spin"
                step={100}
                value={spin.topspinRpm}
                min={-maxSpin(machine.profile.spin)}
                max={maxSpin(machine.profile.spin)}
                limitOf={machine.name}
                onChange={(topspinRpm) => change({ topspinRpm }, 'spin')}
                hint="minus is backspin"
              />
            )}
          </Cell>
          <Cell>
            <QuantityField
              label="Every"
              dimension="time"
              step={0.5}
              value={setup.intervalS}
              min={machine.profile.intervalS[0]}
              max={machine.profile.intervalS[1]}
              limitOf={machine.name}
              onChange={(intervalS) => change({ intervalS }, 'interval')}
              hint={arrangement.comfort?.word ?? ' '}
            />
          </Cell>
          <Cell>
            <QuantityField
              label="Leaves at"
              dimension="length"
              step={0.05}
              value={setup.from.z}
              min={0.1}
              max={3}
              onChange={(z) => change({ from: { ...setup.from, z } }, 'height')}
              hint="height"
            />
          </Cell>
        </div>
        {holdsSpeed && arrangement.solution?.arc !== 'only' && (
          <div className="mt-2 join" role="group" aria-label="Which arc">
            {(['low', 'high'] as const).map((arc) => (
              <button
                key={arc}
                type="button"
                className={`btn join-item min-h-11 ${setup.arc === arc ? 'btn-primary' : 'btn-outline'}`}
                aria-pressed={setup.arc === arc}
                onClick={() => change({ arc })}
              >
                {arc === 'low' ? 'Low arc' : 'High arc'}
              </button>
            ))}
          </div>
        )}

        <h2 className="mt-6 text-xl">Air and wind</h2>
        <div className="mt-1 grid grid-cols-2 gap-3">
          <QuantityField
            label="Temperature"
            dimension="temperature"
            value={setup.weather.temperatureC}
            step={1}
            min={-30}
            max={55}
            onChange={(temperatureC) => change({ weather: { ...setup.weather, temperatureC } }, 'air')}
          />
          <QuantityField
            label="Altitude"
            dimension="length"
            value={setup.weather.altitudeM}
            step={50}
            min={-450}
            max={6000}
            onChange={(altitudeM) => change({ weather: { ...setup.weather, altitudeM } }, 'air')}
          />
          <QuantityField
            label="Wind toward the far end"
            dimension="speed"
            value={setup.weather.windYMps}
            step={0.5}
            min={-25}
            max={25}
            onChange={(windYMps) => change({ weather: { ...setup.weather, windYMps } }, 'air')}
            hint="minus: toward the player"
          />
          <QuantityField
            label="Wind to the right"
            dimension="speed"
            value={setup.weather.windXMps}
            step={0.5}
            min={-25}
            max={25}
            onChange={(windXMps) => change({ weather: { ...setup.weather, windXMps } }, 'air')}
            hint="as the player sees it"
          />
        </div>
        <p className="mt-4 text-sm text-quiet">
          The machine’s manual and local rules come first. Nobody forward of the machine while it is armed.
        </p>
      </aside>

      {saving && (
        <SaveRung
          setup={setup}
          arrangement={arrangement}
          ladders={ladders}
          edited={edited}
          suggestedName={gameBallById(setup.gameBallId)?.name ?? 'Feed'}
          onClose={() => setSaving(false)}
          onSaved={({ ladderId, ladderName, edited: now }) => {
            setSaving(false);
            setEdited(now);
            if (!ladders.some(({ id }) => id === ladderId))
              setLadders([...ladders, { id: ladderId, name: ladderName, sport: setup.sport }]);
            toast.success(`Saved as a rung of “${ladderName}”.`, {
              action: { label: 'Open ladder', onClick: () => location.assign(`/ladders/${ladderId}`) },
            });
          }}
        />
      )}
    </div>
  );
}

const maxSpin = (law: { kind: string; maxRpm?: number }): number => law.maxRpm ?? 0;

/** One figure of the machine's settings; `held` marks the one that stays while the other is solved. */
function Cell({ held = false, children }: { held?: boolean; children: React.ReactNode }) {
  return (
    <div className="relative bg-base-100 p-2">
      {children}
      {held && <div className="text-sm font-semibold text-ball-text">held</div>}
    </div>
  );
}
