import { useState } from 'react';

/** The small mark on a figure that rests on an assumption: opens where it comes from. */
export function SourceMark({ about, source }: { about: string; source: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="inline-flex min-h-6 min-w-6 items-center justify-center align-middle"
        aria-expanded={open}
        aria-label={`Where ${about} comes from`}
        onClick={() => setOpen(!open)}
      >
        <svg width="11" height="11" viewBox="0 0 11 11" aria-hidden="true">
          <path d="M5.5 1 10 5.5 5.5 10 1 5.5z" fill={open ? 'currentColor' : 'none'} stroke="currentColor" strokeWidth="1.4" />
        </svg>
      </button>
      {open && <span className="block border-l-4 border-base-content pl-2 text-sm">{source}</span>}
    </>
  );
}
