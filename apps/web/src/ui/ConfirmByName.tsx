import { useState } from 'react';

/** A hard ball that may hurt: nothing is armed until somebody says by name that it is meant. */
export function ConfirmByName({ what, doThis, onConfirm }: { what: string; doThis: string; onConfirm: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <div role="alert" className="col-span-2 mt-2 mb-3 border-l-4 border-error bg-base-200 p-3">
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
        <button type="submit" className="btn btn-outline min-h-12 border-error text-error" disabled={!name.trim()}>
          It is meant
        </button>
      </form>
    </div>
  );
}
