import { Search } from 'lucide-react';
import { useState } from 'react';
import { Button } from './Button.tsx';
import { later } from './later.tsx';
import { useKeys } from './useKeys.ts';

const Finder = later(async () => (await import('./asked.ts')).Finder);

/** One field that finds any player, ladder, rung, plan, drill, machine, place or round (Ctrl K). */
export function Find() {
  const [open, setOpen] = useState(false);
  useKeys({ '$mod+k': () => setOpen(true) });
  return (
    <>
      <Button
        look="ghost"
        className="px-2 font-medium"
        aria-keyshortcuts="Control+K Meta+K"
        title="Find (Ctrl K)"
        onClick={() => setOpen(true)}
      >
        <Search size={18} aria-hidden />
        <span className="sr-only lg:not-sr-only">Find</span>
      </Button>
      {open && <Finder onClose={() => setOpen(false)} />}
    </>
  );
}
