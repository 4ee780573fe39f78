import type { RoundId } from '@good-arc/core';
import { useId, useState } from 'react';
import { outbox } from '../../ui/outbox.ts';

/** A word on a round, typed or spoken into the device’s own keyboard: kept on the device until the server has it. */
export function Note({ roundId, label, noted }: { roundId: RoundId; label: string; noted: string }) {
  const [text, setText] = useState(noted);
  const [sent, setSent] = useState(noted);
  const id = useId();

  function keep(): void {
    if (text === sent) return;
    outbox().add({ method: 'PATCH', path: `rounds/${roundId}`, body: { notes: text }, what: 'A note on a round' });
    setSent(text);
  }

  return (
    <div className="mt-1">
      <label htmlFor={id} className="text-sm font-medium text-quiet">
        {label} {sent !== '' && text === sent && '(kept)'}
      </label>
      <textarea
        id={id}
        rows={2}
        maxLength={1000}
        className="textarea w-full border-base-content/60 bg-base-100 text-base"
        value={text}
        onChange={({ target }) => setText(target.value)}
        onBlur={keep}
      />
    </div>
  );
}
