import { useState } from 'react';

/** A hard ball and too little time: nothing is armed until somebody says by name that it is meant. */
export function Unsafe({ onConfirm }: { onConfirm: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <div role="alert" className="mt-2 mb-3 border-l-4 border-error bg-base-200 p-3">
      <p className="text-lg font-semibold">A hard ball, and too little time to react for this level.</p>
      <p>Slow it down, stand farther back, or take a soft ball. Helmet on. A coach who wants it all the same types their name.</p>
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
