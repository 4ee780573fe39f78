import { gameBallById, hazardsOfSetup, planOf } from '@good-arc/core';
import { useState } from 'react';
import type { Kit, Viewer } from '../../api/rows.ts';
import { isHandFed } from '../../ui/around.ts';
import { later } from '../../ui/later.tsx';
import { describeSpot } from '../../ui/place.ts';
import { toast } from '../../ui/toast.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { ArcSlider } from './ArcSlider.tsx';
import { Beside } from './Beside.tsx';
import { CHOICES, Choices } from './Choices.tsx';
import { PitchOrField } from './Fielding.tsx';
import { Head } from './Head.tsx';
import { Impossible } from './Impossible.tsx';
import { Ruler } from './Ruler.tsx';
import type { EditedRung, LadderChoice } from './SaveRung.tsx';
import { type Pair, useBench, workAhead } from './useBench.ts';

// its form
const loadSaveRung = async () => (await import('./SaveRung.tsx')).SaveRung;
const SaveRung = later(loadSaveRung);
// what stands under the arc comes after it
const Panels = later(async () => (await import('./Panels.tsx')).Panels, <p className="min-h-56 text-quiet">Opening …</p>);
const PlateWindow = later(async () => (await import('./PlateWindow.tsx')).PlateWindow, <p className="min-h-80 text-quiet">Opening …</p>);

interface Props {
  viewer: Viewer;
  kit: Kit;
  ladders: LadderChoice[];
  initial: Pair;
  edited: EditedRung | null;
}

const Bench = (props: Props) => (
  <Units system={props.viewer.units}>
    <BenchView {...props} />
  </Units>
);
export default Object.assign(Bench, { before: ({ kit, initial }: Props) => workAhead(kit, initial) });

function BenchView({ viewer, kit, ladders: initialLadders, initial, edited }: Props) {
  const units = useUnits();
  const bench = useBench(viewer, kit, initial, edited);
  const { setup, now, other, pair, machine, change } = bench;
  const { arrangement } = now;
  const [saving, setSaving] = useState(false);
  const [ladders, setLadders] = useState(initialLadders);
  const { widestBallM } = machine.profile;
  const hazards = hazardsOfSetup(setup, arrangement, { widestBallM, indoors: bench.court.indoor, handFed: isHandFed(machine.profile) });

  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_25.5rem]">
      <section className="flex min-w-0 flex-col px-3 pt-2 pb-6 md:px-6" aria-label="Bench">
        <Head bench={bench} canPlan={viewer.canPlan} onMeant={loadSaveRung} onSave={() => setSaving(true)} />
        {bench.hasArc ? (
          <Choices
            setup={setup}
            kit={kit}
            ownBalls={bench.ownRows}
            courtId={bench.court.id}
            machineId={machine.id}
            onCourt={bench.chooseCourt}
            onMachine={bench.chooseMachine}
            onLevel={bench.chooseLevel}
            onBall={change}
            onGameBall={(gameBallId) => change({ gameBallId })}
          />
        ) : (
          <div className={`${CHOICES} min-h-[13rem] md:min-h-[4.5rem]`} />
        )}
        <PitchOrField bench={bench} altitudeM={viewer.altitudeM} />
        <p className="order-2 mb-1 text-sm">
          <b>Machine</b> {describeSpot(planOf(setup), setup.from, units.length)}
        </p>
        <div className="order-2">
          <Ruler
            now={now}
            other={other}
            label={pair.b ? (pair.at === 'a' ? 'A' : 'B') : ''}
            onChange={change}
            onMeet={bench.meetAt}
            onDone={bench.close}
          />
        </div>
        <div className="order-2">
          <Impossible setup={setup} arrangement={arrangement} machine={machine} onChange={change} />
        </div>
        <div className="no-print order-2 mt-2">
          <ArcSlider
            arrangement={arrangement}
            family={now.family}
            onElevation={(deg) => change({ hold: { elevationDeg: deg } }, 'slide')}
            onDone={bench.close}
          />
        </div>
        {setup.target.kind === 'plane' && (
          <div className="order-2 mt-3 border-t border-base-300 pt-3">
            <h2 className="mb-2 text-xl">At the plate</h2>
            <PlateWindow bench={bench} />
          </div>
        )}
        <div className="order-4 mt-4 min-w-0">
          <Panels bench={bench} hazards={hazards} canPlan={viewer.canPlan} />
        </div>
      </section>

      {bench.isDrawn && <Beside bench={bench} hazards={hazards} />}

      {saving && (
        <SaveRung
          setup={setup}
          arrangement={arrangement}
          ladders={ladders}
          edited={bench.edited}
          suggestedName={gameBallById(setup.gameBallId)?.name ?? 'Feed'}
          onClose={() => setSaving(false)}
          onSaved={({ ladderId, ladderName, edited: saved }) => {
            setSaving(false);
            bench.setEdited(saved);
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
