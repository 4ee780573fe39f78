import type { PlayerId } from '@good-arc/core';
import { useState } from 'react';
import type { CorrectionRow, RoundRow } from '../../api/rows.ts';
import type { CorrectionBody } from '../../api/schemas.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { localMoment } from '../../ui/when.ts';

/** Whose round it is, when it was, and what was noted: to be put right. */
export function RoundHead({
  round,
  players,
  onCorrect,
}: {
  round: RoundRow;
  players: readonly { id: string; name: string }[];
  onCorrect: (body: CorrectionBody, after: Partial<RoundRow>, done: Omit<CorrectionRow, 'id' | 'at' | 'personName'>[]) => Promise<boolean>;
}) {
  const began = { playerId: round.playerId as string, when: localMoment(round.startedAt), notes: round.notes };
  const [form, setForm] = useState(began);
  const [isSaving, setIsSaving] = useState(false);
  const when = new Date(form.when);
  const problem = Number.isNaN(when.getTime()) ? 'A day and a time' : undefined;
  const isChanged = form.playerId !== began.playerId || form.when !== began.when || form.notes !== began.notes;

  async function save(): Promise<void> {
    if (problem || !isChanged) return;
    const name = players.find(({ id }) => id === form.playerId)?.name ?? round.playerName;
    const playerId = form.playerId as PlayerId;
    // the field says minutes: what was not touched keeps its seconds
    const startedAt = form.when === began.when ? round.startedAt : when.toISOString();
    setIsSaving(true);
    await onCorrect(
      {
        ...(playerId !== round.playerId && { playerId }),
        ...(startedAt !== round.startedAt && { startedAt }),
        ...(form.notes !== round.notes && { notes: form.notes }),
      },
      { playerId, playerName: name, startedAt, notes: form.notes },
      [
        { what: 'player', seq: null, was: round.playerName, became: name },
        { what: 'moment', seq: null, was: round.startedAt, became: startedAt },
        { what: 'notes', seq: null, was: round.notes, became: form.notes },
      ],
    );
    setIsSaving(false);
  }

  return (
    <section aria-label="Whose, when, notes">
      <h2 className="text-xl">Whose, when, notes</h2>
      <div className="mt-2 flex flex-col gap-3">
        <Select
          label="Player"
          value={form.playerId}
          onChange={(playerId) => setForm({ ...form, playerId })}
          options={[
            ...(players.some(({ id }) => id === round.playerId) ? [] : [[round.playerId as string, round.playerName] as const]),
            ...players.map(({ id, name }) => [id, name] as const),
          ]}
        />
        <TextField
          label="When"
          type="datetime-local"
          value={form.when}
          problem={problem}
          onChange={({ target }) => setForm({ ...form, when: target.value })}
        />
        <label>
          <span className="mb-0.5 block text-sm font-medium text-quiet">Notes, and what to look at on film</span>
          <textarea
            className="textarea min-h-24 w-full border-base-content/60 bg-base-100 text-base"
            maxLength={1000}
            value={form.notes}
            onChange={({ target }) => setForm({ ...form, notes: target.value })}
          />
        </label>
        <div className="no-print flex gap-2">
          <Button look="primary" size="l" disabled={!isChanged || isSaving || problem !== undefined} onClick={save}>
            {isSaving ? 'Saving …' : 'Save'}
          </Button>
          {isChanged && (
            <Button size="l" onClick={() => setForm(began)}>
              As it was
            </Button>
          )}
        </div>
      </div>
    </section>
  );
}
