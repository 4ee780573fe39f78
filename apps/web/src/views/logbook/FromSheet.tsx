import { readSheet, SHEET_COLUMNS, type Sheet } from '@good-arc/core';
import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { MOST_PAPER_ROUNDS, type PaperRound } from '../../api/schemas.ts';
import { api } from '../../ui/api.ts';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { download } from '../../ui/download.ts';
import { Notice } from '../../ui/Notice.tsx';
import { attempt } from '../../ui/undo.ts';
import type { AddProps } from './add.ts';

/** Faults that are listed; of more the number is said. */
const FAULTS_SHOWN = 30;

/** A spreadsheet of rounds: read here, every bad row named, and taken in whole or not at all. */
export function FromSheet({ players, rungs, today }: AddProps) {
  const [file, setFile] = useState<{ name: string; sheet: Sheet } | null>(null);
  const [state, setState] = useState<'open' | 'sending' | { kept: number }>('open');
  // sent again after a poor line they are the same rounds
  const ids = useRef(new Map<number, PaperRound>());

  async function read(chosen: File | undefined): Promise<void> {
    if (!chosen) return;
    const sheet = readSheet(await chosen.text(), { players, rungs }, today, MOST_PAPER_ROUNDS);
    const outings = new Map(sheet.rounds.map(({ day }) => [day, uuidv7()]));
    ids.current = new Map(
      sheet.rounds.map(({ line, day, time, playerId, rungId, notes, outcomes }) => [
        line,
        {
          id: uuidv7() as never,
          outingId: outings.get(day)! as never,
          rungId,
          playerId,
          startedAt: new Date(`${day}T${time}`).toISOString(),
          notes,
          source: 'sheet',
          outcomes,
        },
      ]),
    );
    setFile({ name: chosen.name, sheet });
    setState('open');
  }

  async function take(): Promise<void> {
    setState('sending');
    const rounds = [...ids.current.values()];
    if (await attempt(() => api('POST', 'rounds', { rounds }))) setState({ kept: rounds.length });
    else setState('open');
  }

  function example(): void {
    const [player, rung] = [players[0]!, rungs[0]!];
    const lines = [SHEET_COLUMNS, [today, '16:30', player.name, rung.ladderName, rung.name, '6', '10', '2', '']];
    const text = lines.map((cells) => cells.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(',')).join('\n');
    download('rounds.csv', new Blob([`${text}\n`], { type: 'text/csv' }));
  }

  const { rounds = [], faults = [] } = file?.sheet ?? {};
  return (
    <section aria-label="A spreadsheet">
      <h2 className="text-2xl">A spreadsheet</h2>
      <p className="mt-2">
        Saved as CSV, a round a row, with the columns day, player, rung, hits and balls; time, ladder, near and notes may be there, too.
        Nothing is kept before you press.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <label className={buttonClass({ size: 'l' }, 'focus-within:outline-2')}>
          Choose a file
          <input
            type="file"
            accept=".csv,text/csv,text/plain"
            className="sr-only"
            onChange={({ target }) => {
              void read(target.files?.[0]);
              target.value = '';
            }}
          />
        </label>
        <Button size="l" look="ghost" onClick={example}>
          A sheet to fill in
        </Button>
      </div>
      {file && (
        <div className="mt-4" aria-live="polite">
          <p className="text-lg break-words">
            <b>{file.name}</b>: {rounds.length} {rounds.length === 1 ? 'round is' : 'rounds are'} right
            {faults.length > 0 && `, ${faults.length} ${faults.length === 1 ? 'thing is' : 'things are'} not`}.
          </p>
          {faults.length > 0 && (
            <Notice tone="warning" className="mt-2">
              <ul>
                {faults.slice(0, FAULTS_SHOWN).map(({ line, column, detail }) => (
                  <li key={`${line} ${column} ${detail}`} className="py-0.5 break-words">
                    <b>
                      Line {line}, {column}:
                    </b>{' '}
                    {detail}
                  </li>
                ))}
              </ul>
              {faults.length > FAULTS_SHOWN && <p>And {faults.length - FAULTS_SHOWN} more.</p>}
            </Notice>
          )}
          {typeof state === 'object' ? (
            <Notice tone="good" role="status" className="mt-2 text-lg">
              {state.kept} {state.kept === 1 ? 'round was' : 'rounds were'} added.{' '}
              <a className="font-semibold underline" href="/logbook">
                See the logbook
              </a>
            </Notice>
          ) : (
            rounds.length > 0 && (
              <>
                <Button look="primary" size="l" className="mt-3" disabled={state === 'sending'} onClick={take}>
                  {state === 'sending'
                    ? 'Adding them …'
                    : faults.length > 0
                      ? `Add the ${rounds.length} that are right`
                      : `Add ${rounds.length === 1 ? 'it' : `all ${rounds.length}`}`}
                </Button>
                {state === 'sending' && <progress className="progress mt-2 block w-full max-w-sm" />}
                {faults.length > 0 && <p className="mt-1 text-quiet">Or mend the file and choose it again: nothing has been kept yet.</p>}
              </>
            )
          )}
        </div>
      )}
    </section>
  );
}
