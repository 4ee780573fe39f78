import { type MachineProfile, SPORTS, type SpinLaw } from '@good-arc/core';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';

interface Props {
  profile: MachineProfile;
  set: (part: Partial<MachineProfile>) => void;
}

const SPINS: Record<SpinLaw['kind'], SpinLaw> = {
  none: { kind: 'none', topspinRpm: 0 },
  tied: { kind: 'tied', rpmPerMps: 55 },
  topspin: { kind: 'topspin', maxRpm: 2000 },
  any: { kind: 'any', maxRpm: 3000 },
};
const WHEELS: Record<string, { name: string; wheelsDeg: number[] }> = {
  none: { name: 'none: an arm or a spring', wheelsDeg: [] },
  one: { name: 'one', wheelsDeg: [0] },
  two: { name: 'two, above and below', wheelsDeg: [0, 180] },
  side: { name: 'two, left and right', wheelsDeg: [270, 90] },
  three: { name: 'three', wheelsDeg: [300, 60, 180] },
};

/** What is set once for a machine and rarely changed: how it spins the ball, is aimed and fed, how true it repeats. */
export function MachineMore({ profile, set }: Props) {
  const { spin, repeatability, wheelsDeg } = profile;
  const wheels = Object.keys(WHEELS).find((key) => WHEELS[key]!.wheelsDeg.join() === wheelsDeg.join()) ?? 'own';
  const repeats = (part: Partial<MachineProfile['repeatability']>): void => set({ repeatability: { ...repeatability, ...part } });
  return (
    <details className="col-span-2">
      <summary className="min-h-11 cursor-pointer py-2 font-medium">Wheels, spin, power, how true it repeats</summary>
      <div className="grid grid-cols-2 gap-x-4 gap-y-3 pt-1">
        <fieldset className="col-span-2 flex flex-wrap gap-x-6">
          <legend className="text-sm font-medium text-quiet">Throws balls of</legend>
          {SPORTS.map((sport) => (
            <label key={sport} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={profile.sports.includes(sport)}
                // the last one stays: a machine throws something
                disabled={profile.sports.length === 1 && profile.sports.includes(sport)}
                onChange={({ target }) =>
                  set({ sports: SPORTS.filter((each) => (each === sport ? target.checked : profile.sports.includes(each))) })
                }
              />
              {sport}
            </label>
          ))}
        </fieldset>
        <Select
          label="Wheels"
          value={wheels}
          onChange={(key) => WHEELS[key] && set({ wheelsDeg: WHEELS[key].wheelsDeg })}
          options={[
            ...Object.entries(WHEELS).map(([key, { name }]) => [key, name] as const),
            ...(wheels === 'own' ? [['own', wheelsDeg.map((deg) => `${deg}°`).join(', ')] as const] : []),
          ]}
        />
        <Select
          label="Spin"
          value={spin.kind}
          onChange={(kind) => set({ spin: SPINS[kind] })}
          options={[
            ['none', 'its own, not chosen'],
            ['tied', 'rises with the speed'],
            ['topspin', 'topspin and backspin, chosen'],
            ['any', 'any axis, chosen'],
          ]}
        />
        {spin.kind === 'none' && (
          <QuantityField
            label="Its own topspin"
            dimension="spin"
            min={-4000}
            max={4000}
            step={50}
            value={spin.topspinRpm}
            onChange={(topspinRpm) => set({ spin: { kind: 'none', topspinRpm } })}
            hint="minus is backspin"
          />
        )}
        {(spin.kind === 'topspin' || spin.kind === 'any') && (
          <QuantityField
            label="Most spin"
            dimension="spin"
            min={0}
            max={6000}
            step={100}
            value={spin.maxRpm}
            onChange={(maxRpm) => set({ spin: { ...spin, maxRpm } })}
          />
        )}
        <Select
          label="Aimed by"
          value={profile.aimedBy}
          onChange={(aimedBy) => set({ aimedBy })}
          options={[
            ['hand', 'turning it by hand'],
            ['sweep', 'hand, and a sweep of its own'],
            ['program', 'its program, ball by ball'],
          ]}
        />
        <QuantityField
          label="Turns by itself, to each side"
          dimension="angle"
          min={0}
          max={90}
          step={1}
          value={profile.bearingReachDeg}
          onChange={(bearingReachDeg) => set({ bearingReachDeg })}
        />
        <Select
          label="Power"
          value={profile.power}
          onChange={(power) => set({ power })}
          options={[
            ['battery', 'battery'],
            ['mains', 'mains lead'],
            ['hand', 'by hand'],
          ]}
        />
        <QuantityField
          label="Weighs, kg"
          dimension="number"
          min={0.2}
          max={400}
          step={1}
          value={profile.massKg}
          onChange={(massKg) => set({ massKg })}
        />
        <QuantityField
          label="Widest ball it takes"
          dimension="length"
          min={0.03}
          max={0.5}
          value={profile.widestBallM}
          onChange={(widestBallM) => set({ widestBallM })}
        />
        <QuantityField
          label="Speed repeats to ± % (1 σ)"
          dimension="number"
          min={0}
          max={20}
          step={0.1}
          value={repeatability.speedPct}
          onChange={(speedPct) => repeats({ speedPct })}
        />
        <QuantityField
          label="Elevation repeats to ±"
          dimension="angle"
          min={0}
          max={5}
          step={0.1}
          value={repeatability.elevationDeg}
          onChange={(elevationDeg) => repeats({ elevationDeg })}
        />
        <QuantityField
          label="Direction repeats to ±"
          dimension="angle"
          min={0}
          max={5}
          step={0.1}
          value={repeatability.bearingDeg}
          onChange={(bearingDeg) => repeats({ bearingDeg })}
        />
        <TextField
          className="col-span-2"
          label="Safety: what its manual asks (printed on every card)"
          value={profile.safety}
          onChange={(event) => set({ safety: event.target.value })}
          maxLength={400}
        />
      </div>
    </details>
  );
}
