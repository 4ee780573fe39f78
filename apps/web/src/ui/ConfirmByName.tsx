import { useState } from 'react';
import { Button } from './Button.tsx';
import { Notice } from './Notice.tsx';

/** A hard ball that may hurt: nothing is armed until somebody says by name that it is meant. */
export function ConfirmByName({ what, doThis, onConfirm }: { what: string; doThis: string; onConfirm: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <Notice role="alert" tone="error" className="col-span-2 mt-2 mb-3">
      <p className="text-lg font-semibold">{what}</p>
      <p>{doThis}</p>
      <form
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim()) onConfirm(name.trim());
        }}
      >
        <label className="min-w-0 grow basis-52">
          <span className="mb-0.5 block text-sm font-medium">Name of the coach who confirms it</span>
          <input
            className="input h-12 w-full border-base-content/60 bg-base-100 text-base"
            maxLength={120}
            value={name}
            onChange={({ target }) => setName(target.value)}
          />
        </label>
        <Button type="submit" size="l" danger disabled={!name.trim()}>
          It is meant
        </Button>
      </form>
    </Notice>
  );
}
