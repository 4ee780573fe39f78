import { ALTITUDE_M } from '@good-arc/core';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { ROLES } from '../../api/roles.ts';
import type { ClubFacts, MemberRow } from '../../api/rows.ts';
import { clubBody, personBody } from '../../api/schemas.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { ROLE_TITLES, ROLE_WORDS } from '../../words/roles.ts';
import { GRID, useKitForm } from './forms.tsx';

type ClubValues = z.infer<typeof clubBody>;
export type PersonValues = z.infer<typeof personBody>;

/** The club's name, and how high it lies. */
export function ClubForm({ club, save }: { club: ClubFacts; save: (values: ClubValues) => Promise<void> }) {
  const { form, submit, problemOf, buttons } = useKitForm<Required<ClubValues>>(
    clubBody,
    { name: club.name, altitudeM: club.altitudeM },
    (values) => save(values),
    null,
  );
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      <Controller
        control={form.control}
        name="altitudeM"
        render={({ field }) => (
          <QuantityField
            className="col-span-2"
            label="Height above the sea"
            dimension="length"
            min={ALTITUDE_M[0]}
            max={ALTITUDE_M[1]}
            step={50}
            value={field.value ?? club.altitudeM}
            onChange={field.onChange}
            hint="thin air carries a ball farther: new set-ups and ladders begin with it, those that are there keep theirs"
          />
        )}
      />
      {buttons}
    </form>
  );
}

/** Somebody who may sign in. @param isMe an owner stays one, until another owner says otherwise */
export function PersonForm({ row, isMe, save }: { row: MemberRow | null; isMe: boolean; save: (values: PersonValues) => Promise<void> }) {
  const { form, submit, problemOf, buttons } = useKitForm<PersonValues>(
    personBody,
    { name: row?.name ?? '', role: row?.role ?? 'coach' },
    (values) => save(values as PersonValues),
    null,
  );
  return (
    <form className={GRID} onSubmit={submit} noValidate>
      <TextField className="col-span-2" label="Name" data-first {...form.register('name')} problem={problemOf('name')} />
      {!isMe && (
        <Controller
          control={form.control}
          name="role"
          render={({ field }) => (
            <Select
              className="col-span-2"
              label="May change"
              {...field}
              options={ROLES.map((each) => [each, `${ROLE_TITLES[each]}: ${ROLE_WORDS[each]}`] as const)}
            />
          )}
        />
      )}
      {buttons}
    </form>
  );
}

/** One of the club's forms in a dialog. */
export default function ClubDialog({
  about,
  club,
  onClose,
  saveClub,
  savePerson,
}: {
  /** The club itself, somebody of it, or somebody new. */
  about: 'club' | MemberRow | null;
  club: ClubFacts;
  onClose: () => void;
  saveClub: (values: ClubValues) => Promise<void>;
  savePerson: (values: PersonValues) => Promise<void>;
}) {
  const title = about === 'club' ? 'Change the club' : about ? `Change ${about.name}` : 'Add a person';
  return (
    <Dialog title={title} onClose={onClose}>
      {about === 'club' ? (
        <ClubForm club={club} save={saveClub} />
      ) : (
        <PersonForm row={about} isMe={about?.id === club.me} save={savePerson} />
      )}
    </Dialog>
  );
}
