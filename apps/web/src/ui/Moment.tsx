import { startTransition, useEffect, useState } from 'react';
import { printMoment, sayDay } from './when.ts';

const SAID = { moment: printMoment, day: sayDay };

/** A moment, or its day, in the viewer's own time. The server draws it in its own; `useOwnTime` says it again in that of the device. */
export const Moment = ({ iso, as = 'moment' }: { iso: string; as?: keyof typeof SAID }) => (
  <time dateTime={iso} data-said={as} suppressHydrationWarning>
    {SAID[as](iso)}
  </time>
);

/** Says every moment that the server drew in the time of the device: the server knows the moment, and not where the clock of the device stands. */
export function useOwnTime(): void {
  useEffect(() => {
    for (const each of document.querySelectorAll<HTMLTimeElement>('time[data-said]'))
      each.textContent = SAID[each.dataset.said as keyof typeof SAID](each.dateTime);
  }, []);
}

/**
 * What the device says in place of the server, whose clock may stand elsewhere; until what the server drew is taken over, what the server said. In slices: a
 * page of many parts is drawn anew for it, unless both say the same. @param own what counts is what it says first
 */
export function useOwn<Value>(servers: Value, own: () => Value): Value {
  const [value, setValue] = useState(servers);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once
  useEffect(() => startTransition(() => setValue(own)), []);
  return value;
}

/** Whether the clock is the device's own: not on the server, and not while what it drew is taken over. For fields of a moment, which are not said again. */
export const useOwnClock = (): boolean => useOwn(false, () => true);
