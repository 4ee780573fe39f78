import { outcomesByKind, outcomesOf, type PlayerId } from '@good-arc/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { PaperRound } from '../../api/schemas.ts';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { roundLink } from '../../ui/links.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';
import { attempt } from '../../ui/undo.ts';
import { localMoment } from '../../ui/when.ts';
import type { AddProps, RungChoice } from './add.ts';

/** A round may say more balls than its card when they are all of one kind. */
const MOST_BALLS = 200;

interface Counts {
  hits: number;
  balls: number;
}

/** One round, as it stands on paper: by number, kind by kind. */
export function FromPaper({ players, rungs, playerId, rungId }: AddProps) {
  const [who, setWho] = useState<string>(players.find(({ id }) => id === playerId)?.id ?? '');
  const [rung, setRung] = useState<RungChoice | undefined>(rungs.find(({ id }) => id === rungId));
  const [when, setWhen] = useState(() => localMoment(new Date().toISOString()));
  const [counts, setCounts] = useState<Record<number, Counts>>({});
  const [notes, setNotes] = useState('');
  const [problem, setProblem] = useState('');
  const [isSaving, setIsSaving] = useState(false);
  const kinds = rung?.kinds ?? [];
  const countOf = ({ index, balls }: { index: number; balls: number }): Counts => counts[index] ?? { hits: 0, balls };
  const set = (index: number, next: Counts): void => setCounts((now) => ({ ...now, [index]: next }));

  function choose(id: string): void {
    setRung(rungs.find((each) => each.id === id));
    setCounts({});
  }

  /** What keeps it from being saved, in words. */
  function problemOf(): string {
    if (who === '') return 'Say whose round it was.';
    if (!rung) return 'Say which rung it was.';
    const moment = new Date(when);
    if (Number.isNaN(moment.getTime())) return 'Say the day and the time.';
    if (moment.getTime() > Date.now()) return 'That is still to come: say a moment that was.';
    if (kinds.length > 0 && kinds.every((kind) => countOf(kind).balls === 0)) return 'Say how many balls there were.';
    return '';
  }

  function outcomes(): PaperRound['outcomes'] {
    const { document } = rung!;
    const [only] = kinds;
    if (kinds.length === 1 && only && countOf(only).balls > only.balls) return outcomesOf(countOf(only).hits, 0, countOf(only).balls);
    return outcomesByKind(
      document,
      kinds.map((kind) => ({ index: kind.index, ...countOf(kind) })),
    );
  }

  async function save(): Promise<void> {
    const found = problemOf();
    setProblem(found);
    if (found || !rung) return;
    const id = uuidv7();
    setIsSaving(true);
    const round: PaperRound = {
      id: id as never,
      outingId: uuidv7() as never,
      rungId: rung.id,
      playerId: who as PlayerId,
      startedAt: new Date(when).toISOString(),
      notes,
      outcomes: outcomes(),
    };
    if (await attempt(() => api('POST', 'rounds', { rounds: [round] }))) location.assign(roundLink(id));
    else setIsSaving(false);
  }

  return (
    <section aria-label="One round from paper">
      <h2 className="text-2xl">One round from paper</h2>
      <div className="mt-3 grid grid-cols-1 gap-x-4 gap-y-3 sm:grid-cols-2">
        <Select
          label="Player"
          value={who}
          onChange={setWho}
          options={[['', 'choose …'], ...players.map(({ id, name }) => [id, name] as const)]}
        />
        <TextField label="When" type="datetime-local" value={when} onChange={({ target }) => setWhen(target.value)} />
        <Select
          className="sm:col-span-2"
          label="Rung"
          value={rung?.id ?? ''}
          onChange={choose}
          options={[
            ['', 'choose …'],
            ...rungs.map(({ id, number, name, ladderName }) => [id, `${ladderName} · ${number} ${name}`] as const),
          ]}
        />
        {rung && kinds.length === 0 && <p className="sm:col-span-2">Nothing is counted on this rung: the round counts as done.</p>}
        {kinds.map((kind) => {
          const { hits, balls } = countOf(kind);
          const name = rung!.document.feeds[kind.index]!.name;
          return (
            <fieldset key={kind.index} className="grid grid-cols-2 gap-x-4 sm:col-span-2">
              <legend className="mb-0.5 font-semibold break-words">{kinds.length === 1 ? 'Balls' : name}</legend>
              <QuantityField
                label={rung!.document.feeds[kind.index]!.letGo ? 'Rightly let go' : 'Hits'}
                dimension="count"
                min={0}
                max={balls}
                step={1}
                value={hits}
                onChange={(next) => set(kind.index, { hits: Math.round(next), balls })}
              />
              <QuantityField
                label="Of so many balls"
                dimension="count"
                min={0}
                max={kinds.length === 1 ? MOST_BALLS : kind.balls}
                step={1}
                value={balls}
                onChange={(next) => set(kind.index, { hits: Math.min(hits, Math.round(next)), balls: Math.round(next) })}
              />
            </fieldset>
          );
        })}
        <TextField
          className="sm:col-span-2"
          label="Notes"
          maxLength={1000}
          value={notes}
          onChange={({ target }) => setNotes(target.value)}
        />
      </div>
      {problem && (
        <p role="alert" className="mt-2 font-medium text-error">
          {problem}
        </p>
      )}
      <Button look="primary" size="l" className="mt-3" disabled={isSaving} onClick={save}>
        {isSaving ? 'Saving …' : 'Add this round'}
      </Button>
      <p className="mt-2 text-quiet">The order of the hits is not known from a number: no run is counted from it.</p>
    </section>
  );
}
