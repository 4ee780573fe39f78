import type { PersonId } from '@good-arc/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { ClubFacts, MemberRow } from '../../api/rows.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { later } from '../../ui/later.tsx';
import { useUnits } from '../../ui/Units.tsx';
import { attempt, saidWithUndo } from '../../ui/undo.ts';
import { whenMeant } from '../../ui/whenMeant.ts';
import { ROLE_TITLES, ROLE_WORDS } from '../../words/roles.ts';
import type { PersonValues } from './ClubForms.tsx';
import type { useSignInLink } from './useSignInLink.tsx';

const loadForms = async () => (await import('./ClubForms.tsx')).default;
const ClubDialog = later(loadForms);

/** The club itself: its name, how high it lies, and who may sign in to it. */
export function TheClub({ club: initial, links }: { club: ClubFacts; links: ReturnType<typeof useSignInLink> }) {
  const [club, setClub] = useState(initial);
  const [open, setOpen] = useState<{ about: 'club' | MemberRow | null } | null>(null);
  const units = useUnits();
  const byName = (people: MemberRow[]): MemberRow[] => people.toSorted((a, b) => a.name.localeCompare(b.name));
  const setPeople = (next: (people: MemberRow[]) => MemberRow[]): void =>
    setClub((now) => ({ ...now, people: now.people && byName(next(now.people)) }));

  async function saveClub(values: { name?: string | undefined; altitudeM?: number | undefined }): Promise<void> {
    await api('PATCH', 'club', values);
    setClub((now) => ({ ...now, name: values.name ?? now.name, altitudeM: values.altitudeM ?? now.altitudeM }));
    setOpen(null);
  }

  async function put(row: MemberRow): Promise<void> {
    await api('PUT', `people/${row.id}`, { name: row.name, role: row.role });
    setPeople((people) => [...people.filter(({ id }) => id !== row.id), row]);
  }

  async function savePerson(values: PersonValues): Promise<void> {
    const before = open?.about === 'club' ? null : (open?.about ?? null);
    const row = { ...values, id: before?.id ?? (uuidv7() as PersonId) };
    await put(row);
    setOpen(null);
    // whom one adds one wants to sign in
    if (!before) await links.show(row);
  }

  async function remove(row: MemberRow): Promise<void> {
    if (!(await attempt(() => api('DELETE', `people/${row.id}`)))) return;
    setPeople((people) => people.filter(({ id }) => id !== row.id));
    saidWithUndo(`${row.name} was removed, and is signed out everywhere.`, () => put(row));
  }

  return (
    <section aria-labelledby="the-club" className="mt-10 max-w-3xl border-t border-base-content pt-3">
      <h2 id="the-club" className="text-xl">
        The club
      </h2>
      <div className="flex flex-wrap items-center gap-x-4">
        <p className="min-w-0 break-words">
          <b>{club.name}</b>, {units.altitude(club.altitudeM)}
        </p>
        {club.mayChange && (
          <Button look="ghost" aria-label="Change the club" {...whenMeant(loadForms)} onClick={() => setOpen({ about: 'club' })}>
            Change
          </Button>
        )}
      </div>
      {club.people && (
        <>
          <h3 className="mt-3 text-lg">People who sign in</h3>
          <ul aria-label="People who sign in">
            {club.people.map((row) => (
              <li key={row.id} className="flex flex-wrap items-center gap-x-4 border-b border-base-300 py-2">
                <p className="min-w-0 grow basis-64 break-words">
                  <b>{row.name}</b>
                  {row.id === club.me && ' (you)'}
                  <span className="block text-quiet">
                    {ROLE_TITLES[row.role]}: {ROLE_WORDS[row.role]}
                  </span>
                </p>
                <div className="flex flex-wrap">
                  <Button look="ghost" aria-label={`Link for ${row.name}`} onClick={() => links.show(row)}>
                    Link
                  </Button>
                  <Button look="ghost" aria-label={`Change ${row.name}`} {...whenMeant(loadForms)} onClick={() => setOpen({ about: row })}>
                    Change
                  </Button>
                  {row.id !== club.me && (
                    <Button look="ghost" aria-label={`Remove ${row.name}`} onClick={() => remove(row)}>
                      Remove
                    </Button>
                  )}
                </div>
              </li>
            ))}
          </ul>
          <Button size="l" className="mt-3" {...whenMeant(loadForms)} onClick={() => setOpen({ about: null })}>
            Add a person
          </Button>
        </>
      )}
      {open && <ClubDialog about={open.about} {...{ club, saveClub, savePerson }} onClose={() => setOpen(null)} />}
    </section>
  );
}
