import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import type { PlayerRow, SquadRow } from '../../api/rows.ts';
import { squadBody } from '../../api/schemas.ts';
import { TextField } from '../../ui/TextField.tsx';
import { type FormProps, GRID, useKitForm } from './forms.tsx';

/** Players who come together, ticked off a list. */
export function SquadForm({ row, save, players }: FormProps<SquadRow> & { players: readonly PlayerRow[] }) {
  const { form, submit, problemOf, buttons } = useKitForm<z.infer<typeof squadBody>>(
    squadBody,
    { name: row?.name ?? '', playerIds: row?.playerIds ?? [], notes: row?.notes ?? '' },
    save,
    row,
  );
  const problem = problemOf('playerIds');
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Controller
        control={form.control}
        name="playerIds"
        render={({ field }) => (
          <fieldset className="col-span-2">
            <legend className="mb-1 text-sm font-medium text-quiet">Who is in it</legend>
            <div className="grid max-h-72 grid-cols-1 gap-x-4 overflow-y-auto sm:grid-cols-2">
              {players.map(({ id, name, level }) => (
                <label key={id} className="flex min-h-11 items-center gap-2.5">
                  <input
                    type="checkbox"
                    className="checkbox"
                    checked={field.value.includes(id)}
                    onChange={({ target }) =>
                      field.onChange(target.checked ? [...field.value, id] : field.value.filter((each: string) => each !== id))
                    }
                  />
                  <span className="min-w-0 break-words">
                    {name} <span className="text-quiet">{level}</span>
                  </span>
                </label>
              ))}
            </div>
            {problem && (
              <p role="alert" className="mt-1 text-sm font-medium text-error">
                {problem}
              </p>
            )}
          </fieldset>
        )}
      />
      <TextField className="col-span-2" label="Notes" {...form.register('notes')} problem={problemOf('notes')} />
      {buttons}
    </form>
  );
}
