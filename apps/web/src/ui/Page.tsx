import type { UnitSystem } from '@good-arc/core';
import { Moon, Sun } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { api, messageOf } from './api.ts';
import { Button } from './Button.tsx';
import { Find } from './Find.tsx';
import { Keys } from './Keys.tsx';
import { Network } from './Network.tsx';
import { OutboxMark } from './OutboxMark.tsx';
import { Toasts } from './Toasts.tsx';
import { useListens } from './Units.tsx';

/** What every page carries: the person's units and theme, the list of keys, and the toasts. */
export function Page({ units, theme }: { units: UnitSystem; theme: 'chalk' | 'dusk' }) {
  const [shown, setShown] = useState(theme);
  const first = useRef<HTMLButtonElement>(null);
  useListens(first);

  async function save(change: { units?: UnitSystem; theme?: 'chalk' | 'dusk' }): Promise<void> {
    try {
      await api('PATCH', 'me', change, { keepalive: true });
      if (change.units) location.reload();
    } catch (error) {
      toast.error(messageOf(error));
    }
  }

  function switchTheme(): void {
    const next = shown === 'chalk' ? 'dusk' : 'chalk';
    document.documentElement.dataset.theme = next;
    setShown(next);
    void save({ theme: next });
  }

  return (
    <>
      <Find />
      <Button
        ref={first}
        look="ghost"
        className="px-2 font-medium"
        onClick={() => save({ units: units === 'imperial' ? 'metric' : 'imperial' })}
        title="Change units"
      >
        {units === 'imperial' ? 'mph · ft' : 'km/h · m'}
      </Button>
      <Button look="ghost" className="px-2 font-medium" onClick={switchTheme} title="Change theme">
        {shown === 'chalk' ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
        <span className="sr-only sm:not-sr-only">{shown === 'chalk' ? 'Dusk' : 'Chalk'}</span>
      </Button>
      <Network />
      <OutboxMark />
      <Keys />
      <Toasts theme={shown} />
    </>
  );
}
