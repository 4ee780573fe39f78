import { BALLS } from '@good-arc/core';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import type { BallRow } from '../../api/rows.ts';
import { ballBody } from '../../api/schemas.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { type FormProps, GRID, useKitForm } from './forms.tsx';

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
    row,
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
