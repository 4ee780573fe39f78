import { SPORT_RECORDS, SPORTS } from '@good-arc/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { type DefaultValues, type FieldValues, type Path, type Resolver, useForm } from 'react-hook-form';
import type { z } from 'zod';
import type { BallRow, CourtRow, GameBallRow, MachineRow, PlayerRow, SquadRow } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';

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
        <Notice role="alert" tone="error" className="col-span-2 font-medium">
          {failed}
        </Notice>
      )}
      <div className="col-span-2">
        <Button type="submit" look="primary" size="l" className="px-8" disabled={form.formState.isSubmitting}>
          {form.formState.isSubmitting ? 'Saving …' : 'Save'}
        </Button>
      </div>
    </>
  );
  return { form, submit, problemOf, buttons };
}

export const GRID = 'grid grid-cols-2 gap-x-4 gap-y-3';

/** Sports to choose from, by name. */
export const sportChoices = () => SPORTS.map((sport) => [sport, SPORT_RECORDS[sport].name] as const);
