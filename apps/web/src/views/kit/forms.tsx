import { SPORT_RECORDS, SPORTS } from '@good-arc/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { type DefaultValues, type FieldValues, type Path, type Resolver, useForm } from 'react-hook-form';
import type { z } from 'zod';
import type { BallRow, CourtRow, GameBallRow, MachineRow, PlayerRow, SquadRow, Versioned } from '../../api/rows.ts';
import { madeMeanwhile, messageOf } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { ChangedSince, type Whose } from '../../ui/ChangedSince.tsx';
import { mergedFields } from '../../ui/merge.ts';
import { Notice } from '../../ui/Notice.tsx';

export type KitRow = PlayerRow | SquadRow | CourtRow | BallRow | MachineRow | GameBallRow;

/**
 * What a form is saved with, from the version of the row that it shows (none of a new one).
 * @throws ApiError when the server did not take it
 */
export type Save = (values: Record<string, unknown>, version: number | undefined) => Promise<void>;

export interface FormProps<T> {
  row: T | null;
  save: Save;
}

/**
 * A form over one schema: its fields, its errors beside them, the server's word when it refuses, and whose is kept when somebody else saved in between.
 * @param row that is changed; null for a new one
 */
export function useKitForm<T extends FieldValues>(schema: z.ZodType, defaults: DefaultValues<T>, save: Save, row: KitRow | null) {
  const form = useForm<T>({ resolver: zodResolver(schema as never) as unknown as Resolver<T>, defaultValues: defaults });
  const [failed, setFailed] = useState('');
  /** What the form began with, and its version. */
  const [base, setBase] = useState({ fields: defaults as T, version: row?.version });
  const [theirs, setTheirs] = useState<(T & Versioned) | null>(null);
  const attempt = async (values: T, version = base.version): Promise<void> => {
    setFailed('');
    setTheirs(null);
    try {
      await save(values, version);
    } catch (error) {
      const made = madeMeanwhile<T & Versioned>(error);
      setTheirs(made);
      if (!made) setFailed(messageOf(error));
    }
  };
  const submit = form.handleSubmit((values) => attempt(values));
  /** Goes on from what somebody else made of it; theirs is only shown, mine and both are saved at once. */
  function settle(whose: Whose): void {
    if (!theirs) return;
    const kept = fieldsOf(theirs);
    const next = whose === 'mine' ? form.getValues() : whose === 'theirs' ? kept : mergedFields(base.fields, form.getValues(), kept);
    setBase({ fields: kept, version: theirs.version });
    setTheirs(null);
    form.reset(next);
    if (whose !== 'theirs') void attempt(next, theirs.version);
  }
  const fieldsOf = (kept: T): T => Object.fromEntries(Object.keys(defaults).map((key) => [key, kept[key]])) as T;
  const problemOf = (path: Path<T>): string | undefined => form.getFieldState(path, form.formState).error?.message;
  const buttons = (
    <>
      {theirs && <ChangedSince className="col-span-2" what={`“${row?.name}”`} onSettle={settle} />}
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
