import type { z } from 'zod';
import { today } from '../ui/day.ts';
import type { SHAPES } from './shapes.ts';
import { device } from './store.ts';

type Name = keyof typeof SHAPES;
/** A document that this device keeps. */
export type Kept<N extends Name> = z.output<(typeof SHAPES)[N]>;

export interface KeptReader {
  /** Null when there is none, or it cannot be read. */
  kept<N extends Name>(name: N, key: string): Kept<N> | null;
  /** As `kept`, until the day is over. */
  keptToday<N extends Name>(name: N, key: string): Kept<N> | null;
}

/** What this device keeps, once all of it is known to the page. The shapes it is kept in come after the page: they are large, and nothing is shown by them. */
export async function keptReader(): Promise<KeptReader> {
  const [{ SHAPES }] = await Promise.all([import('./shapes.ts'), device().ready]);
  const valueAt = (key: string): unknown => {
    try {
      return JSON.parse(device().getItem(key) ?? 'null');
    } catch {
      return null;
    }
  };
  const kept: KeptReader['kept'] = (name, key) => (SHAPES[name].safeParse(valueAt(key)).data as Kept<typeof name> | undefined) ?? null;
  return {
    kept,
    keptToday: (name, key) => ((valueAt(key) as { day?: unknown } | null)?.day === today() ? kept(name, key) : null),
  };
}

export const keepToday = (key: string, what: object): void => device().setItem(key, JSON.stringify({ day: today(), ...what }));
