import { diamondOf, SPORT_RECORDS, SPORTS, SURFACES } from '@good-arc/core';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import type { CourtRow } from '../../api/rows.ts';
import { courtBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { type FormProps, GRID, sportChoices, useKitForm } from './forms.tsx';
import { StepsField } from './steps.tsx';

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
    row,
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
