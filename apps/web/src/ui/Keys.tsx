import { lazy, Suspense, useState } from 'react';
import { useKeys } from './useKeys.ts';

const KeyTable = lazy(async () => ({ default: (await import('./asked.ts')).KeyTable }));

/** `?` lists the keys of the view. */
export function Keys() {
  const [open, setOpen] = useState(false);
  // on some keyboards the question mark needs Shift, on others not
  useKeys({ '[Shift]+?': () => setOpen(true) });
  if (!open) return null;
  return (
    <Suspense>
      <KeyTable onClose={() => setOpen(false)} />
    </Suspense>
  );
}
