import { type Card, type CourtId, filesOf, type MachineId, matchCard, readFile } from '@good-arc/core';
import { useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kit } from '../../api/rows.ts';
import { api, messageOf } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Select } from '../../ui/Select.tsx';
import { sayLevel } from '../../words/level.ts';
import { sayUnmatched } from '../../words/matching.ts';

/** Reads a setup card, as a file or as the text of a message, onto this club's machines. Nothing is saved until all of it fits. */
/** @param given of a link that was opened; empty for one that is still to be pasted */
export function ReadCard({ kit, given = '', onClose }: { kit: Pick<Kit, 'machines' | 'courts'>; given?: string; onClose: () => void }) {
  const [text, setText] = useState(given);
  const [chosen, setChosen] = useState<{ machineId?: MachineId; courtId?: CourtId }>({});
  const [failed, setFailed] = useState('');
  const [saving, setSaving] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const read = useMemo(() => (text.trim() === '' ? null : readFile('card', text)), [text]);
  const card = read?.ok ? read.value : null;
  const match = useMemo(() => card && matchCard(card, kit, chosen), [card, kit, chosen]);

  async function add(ofCard: Card): Promise<void> {
    if (!match) return;
    setSaving(true);
    const id = uuidv7();
    const { name, sport, level, approach } = ofCard;
    try {
      await api('POST', `ladders/${id}/import`, {
        ladder: { name, sport, level, approach },
        rungs: match.rungs.map((document) => ({ id: uuidv7(), document })),
      });
      location.assign(`/ladders/${id}`);
    } catch (error) {
      setFailed(messageOf(error));
      setSaving(false);
    }
  }

  return (
    <Dialog title="Read a setup card" onClose={onClose}>
      <p>Paste the text of a card or its link, or choose its file. It is matched to this club’s machines before anything is kept.</p>
      <label className="mt-3 block">
        <span className="mb-0.5 block text-sm font-medium text-quiet">Card as text</span>
        <textarea
          className="textarea h-32 w-full border-base-content/60 bg-base-100 font-mono text-sm"
          data-first
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <Button className="mt-2" onClick={() => file.current?.click()}>
        Choose a file
      </Button>
      <input
        ref={file}
        type="file"
        accept={filesOf('card')}
        className="hidden"
        aria-label="Card file"
        onChange={async (event) => {
          const [first] = event.target.files ?? [];
          if (first) setText(await first.text());
          event.target.value = '';
        }}
      />
      {read && !read.ok && (
        <Notice role="alert" tone="error" className="mt-3">
          <b>Nothing was taken from this card.</b>
          <ul>
            {read.problems.slice(0, 8).map(({ pointer, detail }) => (
              <li key={pointer + detail}>{pointer ? `${pointer}: ${detail}` : detail}</li>
            ))}
            {read.problems.length > 8 && <li>and {read.problems.length - 8} more.</li>}
          </ul>
        </Notice>
      )}
      {card && !match && (
        <Notice role="alert" tone="error" className="mt-3">
          This club has no machine or no court for {card.sport}. Add both in Kit, then read the card again.
        </Notice>
      )}
      {card && match && (
        <div className="mt-4">
          <h3 className="text-xl break-words">{card.name}</h3>
          <p className="text-quiet">
            {card.sport} · {sayLevel(card.sport, card.level)} · {card.rungs.length} {card.rungs.length === 1 ? 'rung' : 'rungs'} · made on{' '}
            {card.machine.name}, {card.court.name}
          </p>
          <div className="mt-2 grid grid-cols-2 gap-3">
            <Select
              label="On our machine"
              value={match.machineId}
              onChange={(machineId) => setChosen({ ...chosen, machineId })}
              options={kit.machines.filter(({ profile }) => profile.sports.includes(card.sport)).map(({ id, name }) => [id, name] as const)}
            />
            <Select
              label="On our court"
              value={match.courtId}
              onChange={(courtId) => setChosen({ ...chosen, courtId })}
              options={kit.courts.filter(({ sport }) => sport === card.sport).map(({ id, name }) => [id, name] as const)}
            />
          </div>
          {match.unmatched.length === 0 ? (
            <p className="mt-3">All of it fits: the same kind of machine, the same surface.</p>
          ) : (
            <Notice tone="warning" className="mt-3">
              <b>What could not be matched</b>
              <ul>
                {match.unmatched.map(sayUnmatched).map((said) => (
                  <li key={said}>{said}</li>
                ))}
              </ul>
            </Notice>
          )}
          {failed && (
            <Notice role="alert" tone="error" className="mt-3 font-medium">
              {failed}
            </Notice>
          )}
          <Button look="primary" size="l" className="mt-3 px-6" disabled={saving} onClick={() => add(card)}>
            {saving ? 'Adding …' : 'Add it as a ladder'}
          </Button>
        </div>
      )}
    </Dialog>
  );
}
