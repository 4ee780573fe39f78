import { Select } from '../../ui/Select.tsx';
import { TextField } from '../../ui/TextField.tsx';

/** What the rounds are chosen by; the address says it, so that it can be opened again. */
export interface Asked {
  player: string | null;
  ladder: string | null;
  /** Days such as 2026-11-24, both included. */
  from: string | null;
  to: string | null;
  /** In a name or in the notes. */
  word: string | null;
}

const ALL = 'all';

/** The address of rounds that are chosen so. */
export function logbookAt(asked: Partial<Asked> & { after?: string }): string {
  const given = Object.entries(asked).filter((part): part is [string, string] => Boolean(part[1]));
  return given.length === 0 ? '/logbook' : `/logbook?${new URLSearchParams(given)}`;
}

/** `Ines Rookwood, Backhand, from 2026-03-01`: a name for a choice. */
export function proposedName(
  { player, ladder, from, to, word }: Asked,
  players: readonly { id: string; name: string }[],
  ladders: readonly { id: string; name: string }[],
): string {
  const nameIn = (rows: readonly { id: string; name: string }[], id: string | null): string =>
    rows.find((row) => row.id === id)?.name ?? '';
  return [nameIn(players, player), nameIn(ladders, ladder), from ? `from ${from}` : '', to ? `to ${to}` : '', word ? `“${word}”` : '']
    .filter(Boolean)
    .join(', ')
    .slice(0, 80);
}

/** Whose rounds, of which ladder, from when to when. */
export function Filters({
  asked,
  players,
  ladders,
}: {
  asked: Asked;
  players: readonly { id: string; name: string }[];
  ladders: readonly { id: string; name: string }[];
}) {
  const go = (part: Partial<Asked>): void => location.assign(logbookAt({ ...asked, ...part }));
  const choose = (label: string, key: 'player' | 'ladder', all: string, rows: readonly { id: string; name: string }[]) => (
    <Select
      className="md:w-52"
      label={label}
      value={asked[key] ?? ALL}
      onChange={(id) => go({ [key]: id === ALL ? null : id })}
      options={[[ALL, all] as const, ...rows.map(({ id, name }) => [id, name] as const)]}
    />
  );
  const day = (label: string, key: 'from' | 'to') => (
    <TextField
      className="md:w-36"
      label={label}
      type="date"
      defaultValue={asked[key] ?? ''}
      // a day is whole only when the field is left, or its calendar closed
      onBlur={({ target }) => target.value !== (asked[key] ?? '') && go({ [key]: target.value || null })}
      onKeyDown={({ key: pressed, currentTarget }) => pressed === 'Enter' && go({ [key]: currentTarget.value || null })}
    />
  );
  return (
    <div className="grid w-full grid-cols-2 gap-3 md:contents">
      {choose('Player', 'player', 'Everyone', players)}
      {choose('Ladder', 'ladder', 'All ladders', ladders)}
      {day('From', 'from')}
      {day('To', 'to')}
      <TextField
        className="col-span-2 md:w-44"
        label="With the word"
        type="search"
        maxLength={60}
        placeholder="rung, machine, note"
        defaultValue={asked.word ?? ''}
        onBlur={({ target }) => target.value.trim() !== (asked.word ?? '') && go({ word: target.value.trim() || null })}
        onKeyDown={({ key: pressed, currentTarget }) => pressed === 'Enter' && go({ word: currentTarget.value.trim() || null })}
      />
    </div>
  );
}
