import type { UnitSystem } from '@good-arc/core';
import { Moon, Sun, SunDim } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { api, messageOf } from './api.ts';
import { Button } from './Button.tsx';
import { Find } from './Find.tsx';
import { Keys } from './Keys.tsx';
import { useOwnTime } from './Moment.tsx';
import { Network } from './Network.tsx';
import { OutboxMark } from './OutboxMark.tsx';
import { Toasts } from './Toasts.tsx';
import { THEMES, type Theme, themeCookie, themeFrom } from './theme.ts';
import { toast } from './toast.ts';
import { useListens } from './Units.tsx';

const NAMES: Record<Theme, string> = { chalk: 'Chalk', dusk: 'Dusk', sun: 'Full sun' };
const ICONS = { chalk: SunDim, dusk: Moon, sun: Sun } as const;

/** What every page carries: the person's units, the device's theme, the list of keys, and the toasts. */
export function Page({ units, theme }: { units: UnitSystem; theme: Theme }) {
  const [shown, setShown] = useState(theme);
  const first = useRef<HTMLButtonElement>(null);
  useListens(first);
  useOwnTime();

  // a page that was kept on the device was drawn in the theme of that day
  useEffect(() => {
    const kept = /(?:^|; )theme=(\w+)/.exec(document.cookie)?.[1];
    if (kept) setShown(themeFrom(kept));
  }, []);
  useEffect(() => {
    document.documentElement.dataset.theme = shown;
  }, [shown]);

  async function switchUnits(): Promise<void> {
    try {
      await api('PATCH', 'me', { units: units === 'imperial' ? 'metric' : 'imperial' }, { keepalive: true });
      location.reload();
    } catch (error) {
      toast.error(messageOf(error));
    }
  }

  const next = THEMES[(THEMES.indexOf(shown) + 1) % THEMES.length]!;
  function switchTheme(): void {
    // biome-ignore lint/suspicious/noDocumentCookie: the store for cookies is not in every browser yet, and the server reads it
    document.cookie = themeCookie(next);
    setShown(next);
  }

  const NextIcon = ICONS[next];
  return (
    <>
      <Find />
      <Button ref={first} look="ghost" className="px-2 font-medium" onClick={switchUnits} title="Change units">
        {units === 'imperial' ? 'mph · ft' : 'km/h · m'}
      </Button>
      <Button look="ghost" className="px-2 font-medium" onClick={switchTheme} title="Change theme">
        <NextIcon size={18} aria-hidden />
        <span className="sr-only sm:not-sr-only">{NAMES[next]}</span>
      </Button>
      <Network />
      <OutboxMark />
      <Keys />
      <Toasts theme={shown} />
    </>
  );
}
