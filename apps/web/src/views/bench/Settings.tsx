import { diamondOf, netPlayOf, printAngle } from '@good-arc/core';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../ui/Units.tsx';
import type { BenchState } from './useBench.ts';

/** What the machine is set to; the one value that is held is marked, the others are solved. */
export function Settings({ bench }: { bench: BenchState }) {
  const units = useUnits();
  const { setup, machine, change } = bench;
  const { arrangement } = bench.now;
  const { solution, spin } = arrangement;
  const { hold } = setup;
  const { profile } = machine;
  const elevationDeg =
    solution?.elevationDeg ?? ('elevationDeg' in hold ? hold.elevationDeg : (profile.elevationDeg[0] + profile.elevationDeg[1]) / 2);
  // a feed that cannot be thrown shows what it would take
  const speedMps = solution?.speedMps ?? ('speedMps' in hold ? hold.speedMps : (arrangement.blocked[0]?.speedMps ?? profile.speedMps[0]));
  const held = (key: string): boolean => key in hold && solution !== null;
  const turn = solution ? solution.bearingDeg - (setup.from.y > (setup.target.kind === 'landing' ? setup.target.y : 0) ? 180 : 0) : 0;
  const aside = ((((turn + 180) % 360) + 360) % 360) - 180;
  const spinFixed = profile.spin.kind === 'tied' || profile.spin.kind === 'none';
  const clearance = solution?.netClearanceM ?? ('netClearanceM' in hold ? hold.netClearanceM : null);
  const flightS = solution?.flightTimeS ?? ('flightTimeS' in hold ? hold.flightTimeS : null);
  return (
    <>
      <div
        className="when-seen mt-4 grid grid-cols-3 gap-px border border-base-content bg-base-content"
        role="group"
        aria-label="Machine settings"
      >
        <Cell held={held('elevationDeg')}>
          <QuantityField
            label="Elevation"
            dimension="angle"
            step={0.5}
            value={elevationDeg}
            min={profile.elevationDeg[0]}
            max={profile.elevationDeg[1]}
            limitOf={machine.name}
            onChange={(deg) => change({ hold: { elevationDeg: deg } }, 'elevation')}
          />
        </Cell>
        <Cell held={held('speedMps')}>
          <QuantityField
            label="Speed"
            dimension="speed"
            step={0.44704}
            value={speedMps}
            min={profile.speedMps[0]}
            max={profile.speedMps[1]}
            limitOf={machine.name}
            onChange={(mps) => change({ hold: { speedMps: mps } }, 'speed')}
          />
        </Cell>
        <Cell>
          <Figure
            label="Point it"
            value={solution ? (Math.abs(aside) < 0.05 ? 'straight' : printAngle(Math.abs(aside), 1)) : '–'}
            hint={solution && Math.abs(aside) >= 0.05 ? `${aside > 0 ? 'right' : 'left'}, from behind it` : ' '}
          />
        </Cell>
        {clearance !== null ? (
          <Cell held={held('netClearanceM')}>
            <QuantityField
              label="Over the net"
              dimension="length"
              step={0.05}
              value={clearance}
              min={0}
              max={20}
              onChange={(netClearanceM) => change({ hold: { netClearanceM } }, 'clearance')}
            />
          </Cell>
        ) : (
          <Cell>
            <Figure label="Over the net" value="–" hint={netPlayOf(setup.sport) ? ' ' : 'no net here'} />
          </Cell>
        )}
        {flightS !== null ? (
          <Cell held={held('flightTimeS')}>
            <QuantityField
              label={setup.target.kind === 'plane' ? 'To the plate' : 'In the air'}
              dimension="time"
              digits={2}
              step={0.02}
              value={flightS}
              min={0.05}
              max={10}
              onChange={(flightTimeS) => change({ hold: { flightTimeS } }, 'time')}
            />
          </Cell>
        ) : (
          <Cell>
            <Figure label="In the air" value="–" hint=" " />
          </Cell>
        )}
        <Cell>
          {spinFixed ? (
            <Figure
              label="Topspin"
              value={units.print(spin.topspinRpm, 'spin')}
              hint={profile.spin.kind === 'tied' ? 'follows the speed' : 'fixed'}
            />
          ) : (
            <QuantityField
              label="Topspin"
              dimension="spin"
              step={100}
              value={spin.topspinRpm}
              min={-maxSpin(profile.spin)}
              max={maxSpin(profile.spin)}
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
            min={profile.intervalS[0]}
            max={profile.intervalS[1]}
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
        <Cell>
          {profile.spin.kind === 'any' ? (
            <QuantityField
              label="Sidespin"
              dimension="spin"
              step={100}
              value={spin.sidespinRpm}
              min={-profile.spin.maxRpm}
              max={profile.spin.maxRpm}
              limitOf={machine.name}
              onChange={(sidespinRpm) => change({ sidespinRpm }, 'sidespin')}
              hint={diamondOf(setup.sport) ? 'plus: a right-hander’s arm side' : 'plus: to its right'}
            />
          ) : (
            <Figure label="Sidespin" value="none" hint="not this machine" />
          )}
        </Cell>
      </div>
      {'speedMps' in hold && solution?.arc !== 'only' && (
        <div className="mt-2 join" role="group" aria-label="Which arc">
          {(['low', 'high'] as const).map((arc) => (
            <Button
              key={arc}
              look={setup.arc === arc ? 'primary' : 'outline'}
              className="join-item"
              aria-pressed={setup.arc === arc}
              onClick={() => change({ arc })}
            >
              {arc === 'low' ? 'Low arc' : 'High arc'}
            </Button>
          ))}
        </div>
      )}
    </>
  );
}

const maxSpin = (law: { kind: string; maxRpm?: number }): number => law.maxRpm ?? 0;

/** A figure that is solved and cannot be typed. */
const Figure = ({ label, value, hint }: { label: string; value: string; hint: string }) => (
  <>
    <div className="text-sm font-medium text-quiet">{label}</div>
    <div className="dial flex h-11 items-center">{value}</div>
    <div className="text-sm text-quiet">{hint}</div>
  </>
);

/** One figure of the machine's settings; `held` marks the one that stays while the other is solved. */
function Cell({ held = false, children }: { held?: boolean; children: React.ReactNode }) {
  return (
    <div className="relative bg-base-100 p-2">
      {children}
      {held && <div className="text-sm font-semibold text-ball-text">held</div>}
    </div>
  );
}
