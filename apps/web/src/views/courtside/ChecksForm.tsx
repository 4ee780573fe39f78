import type { Checklist } from '@good-arc/core';
import { useState } from 'react';
import { api } from '../../ui/api.ts';
import { Button } from '../../ui/Button.tsx';
import { attempt } from '../../ui/undo.ts';

interface Props {
  checks: Checklist;
  part: keyof Checklist;
  onSaved: (checks: Checklist) => void;
  onClose: () => void;
}

/** One half of the club's checklist as text, a line for each. */
export function ChecksForm({ checks, part, onSaved, onClose }: Props) {
  const [text, setText] = useState(() => checks[part].join('\n'));
  async function save(): Promise<void> {
    const lines = text.split('\n').map((line) => line.trim());
    const next = { ...checks, [part]: lines.filter(Boolean) };
    if (await attempt(() => api('PUT', 'checklist', next))) onSaved(next);
  }
  return (
    <div className="pb-3">
      <label className="block text-quiet">
        One line each
        <textarea
          className="textarea mt-1 h-52 w-full border-base-content/60 bg-base-100 text-base text-base-content"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <Button look="primary" className="mt-2" onClick={save}>
        Save the list
      </Button>
      <Button look="ghost" className="mt-2" onClick={onClose}>
        Leave it
      </Button>
    </div>
  );
}
