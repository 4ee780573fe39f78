import { LEVELS, USUAL_HEIGHT_M } from '@good-arc/core';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import type { PlayerRow } from '../../api/rows.ts';
import { playerBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { type FormProps, GRID, useKitForm } from './forms.tsx';

export function PlayerForm({ row, save }: FormProps<PlayerRow>) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof playerBody>>(
    playerBody,
    {
      name: row?.name ?? '',
      level: row?.level ?? 'Building',
      hand: row?.hand ?? 'right',
      bats: row?.bats ?? null,
      heightM: row?.heightM ?? USUAL_HEIGHT_M,
      bornYear: row?.bornYear ?? null,
      goals: row?.goals ?? '',
      avoid: row?.avoid ?? '',
      notes: row?.notes ?? '',
    },
    save,
    row,
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
        name="bats"
        render={({ field }) => (
          <Select
            label="Bats"
            {...field}
            value={field.value ?? ''}
            onChange={(bats) => field.onChange(bats || null)}
            options={[
              ['', 'with the same hand'],
              ['right', 'right'],
              ['left', 'left'],
              ['both', 'from both sides'],
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
      <TextField
        label="Born in (year, for the day's load)"
        inputMode="numeric"
        maxLength={4}
        {...form.register('bornYear', { setValueAs: (typed: unknown) => (typed === '' || typed === null ? null : Number(typed)) })}
        problem={problemOf('bornYear')}
      />
      <TextField className="col-span-2" label="Goals" {...form.register('goals')} problem={problemOf('goals')} />
      <TextField className="col-span-2" label="What to avoid" {...form.register('avoid')} problem={problemOf('avoid')} />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}
