import { useState } from 'react';
import { later } from './later.tsx';
import { useKeys } from './useKeys.ts';

const KeyTable = later(async () => (await import('./asked.ts')).KeyTable);

/** `?` lists the keys of the view. */
export function Keys() {
  const [open, setOpen] = useState(false);
  // on some keyboards the question mark needs Shift, on others not
  useKeys({ '[Shift]+?': () => setOpen(true) });
  if (!open) return null;
  return <KeyTable onClose={() => setOpen(false)} />;
}
