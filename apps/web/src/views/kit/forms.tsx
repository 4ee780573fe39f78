import {
  BALLS,
  diamondOf,
  firstDials,
  LEVELS,
  MACHINE_KINDS,
  type MachineProfile,
  SPORT_RECORDS,
  SPORTS,
  SURFACES,
  USUAL_HEIGHT_M,
} from '@good-arc/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, type DefaultValues, type FieldValues, type Path, type Resolver, useForm } from 'react-hook-form';
import type { z } from 'zod';
import type { BallRow, CourtRow, GameBallRow, MachineRow, PlayerRow, SquadRow } from '../../api/rows.ts';
import { ballBody, courtBody, machineBody, playerBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { MachineMore } from './MachineMore.tsx';
import { StepsField, TiedSpin } from './steps.tsx';

export type KitRow = PlayerRow | SquadRow | CourtRow | BallRow | MachineRow | GameBallRow;

/** What a form is saved with; it throws an Error whose message is shown when the server did not take it. */
export type Save = (values: Record<string, unknown>) => Promise<void>;

export interface FormProps<T> {
  row: T | null;
  save: Save;
}

/** A form over one schema: its fields, its errors beside them, and the server's word when it refuses. */
export function useKitForm<T extends FieldValues>(schema: z.ZodType, defaults: DefaultValues<T>, save: Save) {
  const form = useForm<T>({ resolver: zodResolver(schema as never) as unknown as Resolver<T>, defaultValues: defaults });
  const [failed, setFailed] = useState('');
  const submit = form.handleSubmit(async (values) => {
    setFailed('');
    try {
      await save(values);
    } catch (error) {
      setFailed((error as Error).message);
    }
  });
  const problemOf = (path: Path<T>): string | undefined => form.getFieldState(path, form.formState).error?.message;
  const buttons = (
    <>
      {failed && (
        <p role="alert" className="col-span-2 border-l-4 border-error bg-base-200 p-3 font-medium">
          {failed}
        </p>
      )}
      <div className="col-span-2">
        <button type="submit" className="btn btn-primary min-h-12 px-8 text-base" disabled={form.formState.isSubmitting}>
          {form.formState.isSubmitting ? 'Saving …' : 'Save'}
        </button>
      </div>
    </>
  );
  return { form, submit, problemOf, buttons };
}

export const GRID = 'grid grid-cols-2 gap-x-4 gap-y-3';

export function PlayerForm({ row, save }: FormProps<PlayerRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof playerBody>>(
    playerBody,
    {
      name: row?.name ?? '',
      level: row?.level ?? 'Building',
      hand: row?.hand ?? 'right',
      heightM: row?.heightM ?? USUAL_HEIGHT_M,
      goals: row?.goals ?? '',
      avoid: row?.avoid ?? '',
      notes: row?.notes ?? '',
    },
    save,
  );
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Controller
        control={form.control}
        name="level"
        render={({ field }) => <Select label="Level" {...field} options={LEVELS.map((level) => [level, level] as const)} />}
      />
      <Controller
        control={form.control}
        name="hand"
        render={({ field }) => (
          <Select
            label="Plays with the"
            {...field}
            options={[
              ['right', 'right hand'],
              ['left', 'left hand'],
            ]}
          />
        )}
      />
      <Controller
        control={form.control}
        name="heightM"
        render={({ field }) => (
          <QuantityField label="Height" dimension="length" min={0.8} max={2.4} step={0.01} value={field.value} onChange={field.onChange} />
        )}
      />
      <TextField className="col-span-2" label="Goals" {...form.register('goals')} problem={problemOf('goals')} />
      <TextField className="col-span-2" label="What to avoid" {...form.register('avoid')} problem={problemOf('avoid')} />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}

/** Sports to choose from, by name. */
export const sportChoices = () => SPORTS.map((sport) => [sport, SPORT_RECORDS[sport].name] as const);

export function CourtForm({ row, save }: FormProps<CourtRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof courtBody>>(
    courtBody,
    {
      name: row?.name ?? '',
      sport: row?.sport ?? SPORTS[0],
      surfaceId: row?.surfaceId ?? SPORT_RECORDS[SPORTS[0]].surfaces[0]!.id,
      indoor: row?.indoor ?? false,
      ceilingM: row?.ceilingM ?? null,
      marksM: row?.marksM ?? [],
      notes: row?.notes ?? '',
    },
    save,
  );
  const sport = form.watch('sport');
  const surfaces = SURFACES.filter((each) => each.sport === sport);
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Controller
        control={form.control}
        name="sport"
        render={({ field }) => (
          <Select
            label="Sport"
            {...field}
            options={sportChoices()}
            onChange={(next) => {
              field.onChange(next);
              form.setValue('surfaceId', SURFACES.find((each) => each.sport === next)!.id);
            }}
          />
        )}
      />
      <Controller
        control={form.control}
        name="surfaceId"
        render={({ field }) => <Select label="Surface" {...field} options={surfaces.map(({ id, name }) => [id, name] as const)} />}
      />
      <label className="col-span-2 flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...form.register('indoor')} /> Indoors
      </label>
      {form.watch('indoor') && (
        <Controller
          control={form.control}
          name="ceilingM"
          render={({ field }) => (
            <QuantityField
              className="col-span-2"
              label="Clear height (lamps and beams counted)"
              dimension="length"
              min={2}
              max={60}
              step={0.25}
              value={field.value ?? 9}
              onChange={field.onChange}
              hint={field.value === null ? 'not measured yet: type it to have arcs kept below' : 'arcs are kept below it'}
            />
          )}
        />
      )}
      {diamondOf(sport) && (
        <Controller
          control={form.control}
          name="marksM"
          render={({ field }) => (
            <StepsField
              className="col-span-2"
              label="Painted marks, from the plate tip (with commas)"
              dimension="length"
              values={field.value}
              onChange={field.onChange}
            />
          )}
        />
      )}
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}

export function BallForm({ row, save }: FormProps<BallRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof ballBody>>(
    ballBody,
    {
      name: row?.name ?? '',
      ballId: row?.ballId ?? BALLS[0]!.id,
      count: row?.count ?? 60,
      condition: row?.condition ?? 'good',
      openedOn: row?.openedOn ?? '',
      dragShare: row?.dragShare ?? 1,
      notes: row?.notes ?? '',
    },
    save,
  );
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Controller
        control={form.control}
        name="ballId"
        render={({ field }) => (
          <Select className="col-span-2" label="Kind of ball" {...field} options={BALLS.map(({ id, name }) => [id, name] as const)} />
        )}
      />
      <Controller
        control={form.control}
        name="count"
        render={({ field }) => (
          <QuantityField label="How many" dimension="count" min={0} max={5000} step={1} value={field.value} onChange={field.onChange} />
        )}
      />
      <Controller
        control={form.control}
        name="condition"
        render={({ field }) => (
          <Select
            label="Condition"
            {...field}
            options={[
              ['new', 'new'],
              ['good', 'good'],
              ['worn', 'worn'],
            ]}
          />
        )}
      />
      <TextField label="Opened on" type="date" {...form.register('openedOn')} problem={problemOf('openedOn')} />
      <Controller
        control={form.control}
        name="dragShare"
        render={({ field }) => (
          <QuantityField
            label="Drag, a new ball is 1"
            dimension="number"
            min={0.5}
            max={2}
            step={0.01}
            value={field.value}
            onChange={field.onChange}
            hint="a tune-up can find it"
          />
        )}
      />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}

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
        label="Line address (empty: worked by hand)"
        placeholder="127.0.0.1:7101"
        {...form.register('linkAddress')}
        problem={problemOf('linkAddress')}
      />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}
