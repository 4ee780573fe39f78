import { firstDials, MACHINE_KINDS, type MachineProfile, SPORTS } from '@good-arc/core';
import type { z } from 'zod';
import type { MachineRow } from '../../api/rows.ts';
import { machineBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { type FormProps, GRID, useKitForm } from './forms.tsx';
import { MachineMore } from './MachineMore.tsx';
import { StepsField, TiedSpin } from './steps.tsx';

/** What a new machine begins as: the lightest that gives topspin of its own to the first sport’s ball. */
const USUAL = MACHINE_KINDS.find(({ sports, spin }) => sports.includes(SPORTS[0]) && spin.kind === 'topspin')!;

export function MachineForm({ row, save }: FormProps<MachineRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof machineBody>>(
    machineBody,
    {
      name: row?.name ?? '',
      profile: row?.profile ?? USUAL,
      dials: row?.dials ?? firstDials(USUAL),
      today: row?.today ?? null,
      linkAddress: row?.linkAddress ?? '',
      notes: row?.notes ?? '',
    },
    save,
    row,
  );
  const profile = form.watch('profile') as MachineProfile;
  const set = (part: Partial<MachineProfile>): void => form.setValue('profile', { ...profile, ...part }, { shouldDirty: true });
  const problem = problemOf('profile.speedMps') ?? problemOf('profile.elevationDeg') ?? problemOf('profile.intervalS');
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Select
        className="col-span-2"
        label="Kind (sets all figures below; then change what differs)"
        value={profile.kind}
        onChange={(kind) => {
          // the record of the kind whole: nothing of the one before stays
          form.setValue('profile', MACHINE_KINDS.find((each) => each.kind === kind) ?? profile, { shouldDirty: true });
          // a machine that is there keeps the dials it has
          if (!row) form.setValue('dials', firstDials({ kind }));
        }}
        options={MACHINE_KINDS.map(({ kind }) => [kind, kind] as const)}
      />
      <QuantityField
        label="Slowest ball"
        dimension="speed"
        min={0.5}
        max={60}
        value={profile.speedMps[0]}
        onChange={(v) => set({ speedMps: [v, profile.speedMps[1]] })}
      />
      <QuantityField
        label="Fastest ball"
        dimension="speed"
        min={0.5}
        max={60}
        value={profile.speedMps[1]}
        onChange={(v) => set({ speedMps: [profile.speedMps[0], v] })}
      />
      <QuantityField
        label="Lowest elevation"
        dimension="angle"
        min={-30}
        max={89}
        value={profile.elevationDeg[0]}
        onChange={(v) => set({ elevationDeg: [v, profile.elevationDeg[1]] })}
      />
      <QuantityField
        label="Highest elevation"
        dimension="angle"
        min={-30}
        max={89}
        value={profile.elevationDeg[1]}
        onChange={(v) => set({ elevationDeg: [profile.elevationDeg[0], v] })}
      />
      <QuantityField
        label="Shortest interval"
        dimension="time"
        min={0.5}
        max={60}
        value={profile.intervalS[0]}
        onChange={(v) => set({ intervalS: [v, profile.intervalS[1]] })}
      />
      <QuantityField
        label="Longest interval"
        dimension="time"
        min={0.5}
        max={60}
        value={profile.intervalS[1]}
        onChange={(v) => set({ intervalS: [profile.intervalS[0], v] })}
      />
      <QuantityField
        label="Ball leaves at height"
        dimension="length"
        min={0.1}
        max={3}
        value={profile.releaseHeightM}
        onChange={(releaseHeightM) => set({ releaseHeightM })}
      />
      <QuantityField
        label="Hopper holds"
        dimension="count"
        min={1}
        max={1000}
        value={profile.hopper}
        onChange={(hopper) => set({ hopper })}
      />
      <StepsField
        label="Only these speeds (pins), empty: any"
        dimension="speed"
        values={profile.speedSteps ?? []}
        onChange={(speedSteps) => set({ speedSteps })}
      />
      <StepsField
        label="Only these elevations, empty: any"
        dimension="angle"
        values={profile.elevationSteps ?? []}
        onChange={(elevationSteps) => set({ elevationSteps })}
      />
      {profile.spin.kind === 'tied' && (
        <TiedSpin rpmPerMps={profile.spin.rpmPerMps} onChange={(rpmPerMps) => set({ spin: { kind: 'tied', rpmPerMps } })} />
      )}
      <MachineMore profile={profile} set={set} />
      {problem && (
        <p role="alert" className="col-span-2 font-medium text-error">
          {problem}
        </p>
      )}
      <TextField
        className="col-span-2"
        label="Line address and code, as its display shows them (empty: worked by hand)"
        placeholder="127.0.0.1:7101#K7Q4MD"
        {...form.register('linkAddress')}
        problem={problemOf('linkAddress')}
      />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}
